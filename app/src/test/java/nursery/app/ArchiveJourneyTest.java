package nursery.app;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.ColorScheme;
import java.time.Duration;
import nursery.core.cure.CoatMoment;
import org.assertj.core.api.Assertions;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/**
 * A cup given up, found again and opened again; a label put right and a product changed. At a tablet's and a phone's
 * width.
 */
class ArchiveJourneyTest extends Journey {

    @ParameterizedTest
    @ValueSource(ints = {1280, 390})
    void aCupIsGivenUpFoundAndOpenedAgain(int width) {
        open(width, 844, ColorScheme.LIGHT);
        measureABlank();
        startACup();
        page.locator("summary", new Page.LocatorOptions().setHasText("Give this cup up"))
                .click();
        send("Give it up");
        assertThat(page.locator("#faults")).containsText("Say in a few words why it is given up");
        page.locator("#given-up").fill("fell off the bench");
        noWiderThanTheScreen();
        send("Give it up");
        assertThat(doNow()).hasText("Off the bench");
        assertThat(page.locator(".do-now")).containsText("fell off the bench");
        noWiderThanTheScreen();

        page.navigate("/cups");
        assertThat(page.locator("main")).not().containsText("Winter sky");
        link("Archive").click();
        page.getByLabel("Code, name, whom it is for, technique").fill("nowhere");
        send("Find");
        assertThat(page.locator("main")).containsText("No cup that has left the floor bears “nowhere”");
        page.getByLabel("Code, name, whom it is for, technique").fill("winter");
        send("Find");
        assertThat(page.locator(".coming")).containsText("given up");
        noWiderThanTheScreen();
        page.locator(".coming").click();
        send("Open it again");
        assertThat(doNow()).hasText("Scuff, clean and mask");
        page.navigate("/cups");
        assertThat(page.locator("main")).containsText("Winter sky");
    }

    @ParameterizedTest
    @ValueSource(ints = {1280, 390})
    void aLabelIsPutRightAndAProductChanged(int width) {
        measureABlank();
        startACup();
        upToTheFlood();
        send("Poured");
        open(width, 844, ColorScheme.DARK);
        long regular = shop.cup("A-01").cup().resins().base().id();
        page.navigate("/shelf/resins/" + regular);
        noWiderThanTheScreen();
        page.getByLabel("Full cure, hours").fill("96");
        send("It was copied wrong: put it right");
        Assertions.assertThat(hoursToFullCure())
                .as("poured from what was never 72 h")
                .isCloseTo(96, Assertions.within(0.1));

        page.navigate("/shelf/resins/" + regular);
        page.getByLabel("Full cure, hours").fill("48");
        send("Another product from now on");
        Assertions.assertThat(hoursToFullCure())
                .as("poured from the one before")
                .isCloseTo(96, Assertions.within(0.1));
        Assertions.assertThat(shop.shelf()
                        .resin(regular)
                        .orElseThrow()
                        .label()
                        .times()
                        .fullCureH())
                .isEqualTo(48);

        long blank = shop.shelf().blanks().get(0).id();
        page.navigate("/shelf/blanks/" + blank);
        noWiderThanTheScreen();
        page.getByLabel("Height", new Page.GetByLabelOptions().setExact(true)).fill("200");
        send("It was measured wrong: put it right");
        Assertions.assertThat(shop.cup("A-01").cup().blank().outline().heightMm())
                .isEqualTo(200);
        page.navigate("/shelf/blanks/" + blank);
        page.getByLabel("Height", new Page.GetByLabelOptions().setExact(true)).fill("190");
        send("Another shape from now on");
        Assertions.assertThat(shop.cup("A-01").cup().blank().outline().heightMm())
                .isEqualTo(200);
        Assertions.assertThat(shop.shelf().blanks().get(0).blank().outline().heightMm())
                .isEqualTo(190);
    }

    private double hoursToFullCure() {
        var times = shop.cup("A-01").state().newestCoat().orElseThrow().times();
        return Duration.between(times.pouredAt(), times.at(CoatMoment.FULL_CURE))
                        .toMinutes()
                / 60.0;
    }
}
