package nursery.app;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.ColorScheme;
import java.util.List;
import java.util.regex.Pattern;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** A shop's settings, a measuring cup's marks and the lab, control by control, on a tablet and on a phone. */
class UnitsJourneyTest extends Journey {

    private void field(String label, String value) {
        page.getByLabel(label, new Page.GetByLabelOptions().setExact(true)).fill(value);
    }

    @ParameterizedTest
    @ValueSource(ints = {1280, 390})
    void everyWayOfTheShopCanBeChosen(int width) {
        open(width, 844, ColorScheme.LIGHT);
        page.addInitScript("Intl.DateTimeFormat.prototype.resolvedOptions = () => ({ timeZone: 'Pacific/Auckland' });");
        page.navigate("/shop");
        for (String chip : List.of("in", "fl oz", "°F", "12 h", "Saturday", "Sunday")) {
            page.locator("label.chip", new Page.LocatorOptions().setHasText(Pattern.compile("^\\s*" + chip + "\\s*$")))
                    .click();
        }
        field("from", "11 pm");
        field("until", "6:15 am");
        field("Minutes a cup takes", "7");
        page.getByLabel("Time zone").selectOption("Europe/Berlin");
        noWiderThanTheScreen();
        send("Keep these ways");
        assertThat(page.getByLabel("from", new Page.GetByLabelOptions().setExact(true)))
                .hasValue("11:00\u00a0pm");
        page.navigate("/plan/hours");
        assertThat(page.locator(".hours-grid label").first()).hasText("Sunday");
        page.navigate("/shop");
        assertThat(page.locator("#zone-here")).isVisible();
        button("Take that").click();
        assertThat(page.locator("#zone-here")).isHidden();
        assertThat(page.getByLabel("Time zone")).hasValue("Pacific/Auckland");
        for (String chip : List.of("mm", "ml", "°C", "24 h", "Monday")) {
            page.locator("label.chip", new Page.LocatorOptions().setHasText(Pattern.compile("^\\s*" + chip + "\\s*$")))
                    .click();
        }
        send("Keep these ways");
        assertThat(page.getByLabel("from", new Page.GetByLabelOptions().setExact(true)))
                .hasValue("23:00");
    }

    @ParameterizedTest
    @ValueSource(ints = {1280, 390})
    void aMeasuringCupInOuncesIsReadInOunces(int width) {
        measureABlank();
        startACup();
        upToTheFlood();
        open(width, 844, ColorScheme.DARK);
        page.navigate("/shelf");
        page.locator("summary", new Page.LocatorOptions().setHasText("Another measuring cup"))
                .click();
        page.locator("#cupName").fill("two ounces");
        page.locator("#cupMl").fill("2");
        page.locator("#markMl").fill("1/8");
        choose("fl oz");
        page.locator("#bottomMm").fill("1.5 in");
        page.locator("#topMm").fill("48");
        page.locator("#measuring-cups button", new Page.LocatorOptions().setHasText("Put it on the shelf"))
                .click();
        assertThat(page.locator("#measuring-cups")).containsText("a mark every 0.125\u00a0fl oz");
        page.locator("#measuring-cups button", new Page.LocatorOptions().setHasText("Take this one"))
                .first()
                .click();
        assertThat(page.locator("#measuring-cups li", new Page.LocatorOptions().setHasText("two ounces")))
                .containsText("at hand");
        noWiderThanTheScreen();
        page.navigate("/cups/A-01");
        assertThat(page.locator("svg.fill .fill-amount").first()).containsText("fl oz");
        assertThat(page.locator("[data-fold=mix]")).containsText("ml");
    }

    @ParameterizedTest
    @ValueSource(ints = {1280, 390})
    void everyFieldOfTheLabChangesThePlay(int width) {
        measureABlank();
        open(width, 844, ColorScheme.LIGHT);
        page.navigate("/room/lab?starts=22&ends=22");
        assertThat(page.locator("#lab .do-title")).hasText("It never sags");
        field("On the cup, ml", "70");
        assertThat(page.locator("#lab .do-title")).containsText("It sags until");
        field("Turns a minute", "20");
        assertThat(page.locator("#lab .do-title")).hasText("It never sags");
        field("Out of level, °", "2");
        assertThat(page.locator("#lab .do-what p").nth(1)).not().containsText("0 ml have run");
        field("Room at first, °C", "12");
        field("Room later, °C", "12");
        assertThat(page.locator("#lab")).containsText("spreads badly: warm the cup");
        page.locator("summary", new Page.LocatorOptions().setHasText("A cold cup, a heat pass"))
                .click();
        field("The cup at the pour, °C", "35");
        assertThat(page.locator("#lab")).not().containsText("spreads badly");
        field("After, min", "15");
        assertThat(page.locator("#lab .problems")).containsText("How long the heat pass lasts is missing");
        field("for, min", "2");
        field("to, °C", "50");
        assertThat(page.locator("#lab .problems li")).hasCount(0);
        field("In the pot, ml", "400");
        field("Within, h", "2");
        field("Follow it for, h", "12");
        page.locator("#lab-at").fill("30");
        assertThat(page.locator("#lab-read")).containsText("on the cure clock");
        page.locator("#lab summary").click();
        assertThat(page.locator("#lab table")).containsText("workable");
        noWiderThanTheScreen();
    }
}
