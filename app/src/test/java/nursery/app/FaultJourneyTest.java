package nursery.app;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.options.ColorScheme;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Something looks wrong: seen by touch, asked about, settled and done about, on a tablet and a phone. */
class FaultJourneyTest extends Journey {

    @ParameterizedTest
    @ValueSource(ints = {1280, 390})
    void fromWhatIsSeenToTheChangedPlan(int width) {
        measureABlank();
        startACup();
        upToTheFlood();
        page.navigate("/cups/A-01");
        send("Poured");
        open(width, 844, ColorScheme.LIGHT);
        page.navigate("/cups/A-01");
        forward(40);
        link("What do you see?").click();
        noWiderThanTheScreen();
        send("Log it and say why");
        assertThat(page.locator("#faults")).containsText("Touch what you see first.");
        choose("soft or sticky");
        choose("middle");
        choose("much");
        send("Log it and say why");
        assertThat(page.locator(".seen-line")).containsText("soft or sticky, middle, much");
        noWiderThanTheScreen();
        String question = page.locator(".ask .do-title").textContent();
        link("Cannot say").click();
        assertThat(page.locator("body")).not().containsText(question);
        page.navigate("/cups/A-01/why?yes=in-streaks");
        assertThat(page.locator(".verdict")).containsText("It was not stirred through");
        assertThat(page.locator(".causes li").first()).containsText("it is in streaks or spots");
        assertThat(page.locator(".remedies .refused").count()
                        + page.locator(".remedies li").count())
                .isPositive();
        page.getByText("It was this").first().click();
        assertThat(page.locator(".verdict")).containsText("It was: It was not stirred through");
        page.locator(".remedies button[value='scrape-off']").click();
        assertThat(doNow()).hasText("Wipe with solvent");
        unfold("History");
        assertThat(page.locator(".history")).containsText("Done about it: Scrape that coat off");
        page.navigate("/faults");
        noWiderThanTheScreen();
        assertThat(page.locator("main")).containsText("1 of 1");
        page.getByLabel("Seen").selectOption("haze");
        assertThat(page.locator("main")).containsText("Haze, by technique");
        assertThat(page.locator("main")).containsText("0 of 1");
    }
}
