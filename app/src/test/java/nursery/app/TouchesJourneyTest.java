package nursery.app;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.ColorScheme;
import java.time.Duration;
import java.time.Instant;
import java.util.regex.Pattern;
import nursery.app.cups.LogBook;
import nursery.core.log.LogEntry;
import nursery.core.log.Mark;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

/**
 * How many touches the daily tasks take on a phone, from the bench on; the first of each needs no scrolling. The first
 * cup of an empty shop is counted in {@link GlovesJourneyTest}; the figures stand in docs/architecture.md.
 */
class TouchesJourneyTest extends Journey {

    private int touches;

    @BeforeEach
    void onAPhone() {
        touches = 0;
        open(390, 844, ColorScheme.LIGHT);
    }

    private void touch(Locator target) {
        if (touches == 0) {
            assertThat(target.boundingBox().y + target.boundingBox().height)
                    .as("the first touch needs no scrolling")
                    .isLessThanOrEqualTo(844);
        }
        target.click();
        touches++;
    }

    private void threeCupsToFlood() {
        measureABlank();
        page.navigate("/cups/new");
        choose("20 oz slim");
        choose("Regular tumbler epoxy");
        unfold("Due, colours");
        page.getByLabel("How many alike").fill("3");
        page.getByLabel("For", new com.microsoft.playwright.Page.GetByLabelOptions().setExact(true))
                .fill("Seed-library fair");
        send("Start it");
        for (String code : new String[] {"A-01", "A-02", "A-03"}) {
            for (int step = 1; step <= 2; step++) {
                Instant now = shop.clock().instant();
                shop.bean(LogBook.class)
                        .add(code, new LogEntry.StepDone(Mark.unnumbered(now, now, "Mira", ""), step), false);
            }
        }
        forward(1.2);
        page.navigate("/");
    }

    @Test
    void threeCupsAreMixedAndPouredInTen() {
        threeCupsToFlood();
        touch(link("Mix for 3 coats"));
        touch(button("Start this mix"));
        assertThat(page.locator(".guide").first()).isVisible();
        page.getByLabel("A", new com.microsoft.playwright.Page.GetByLabelOptions().setExact(true))
                .fill("5");
        page.getByLabel("B", new com.microsoft.playwright.Page.GetByLabelOptions().setExact(true))
                .fill("5");
        touches += 2;
        touch(button("Both are in: start the clock"));
        for (int i = 0; i < 3; i++) {
            assertThat(page.locator(".pour-form")).hasCount(3 - i);
            touch(page.locator(".pour-form button").first());
        }
        assertThat(page.locator(".pour-form")).hasCount(0);
        assertThat(touches).isLessThanOrEqualTo(10);
    }

    @Test
    void feelsRoughIsTwo() {
        measureABlank();
        startACup();
        upToSanding();
        page.navigate("/");
        touch(page.locator(".now-link").first());
        touch(button("Feels rough: coat again instead"));
        assertThat(doNow()).hasText("Extra coat");
        assertThat(touches).isLessThanOrEqualTo(2);
    }

    @Test
    void whenCanIHaveItIsThree() {
        threeCupsToFlood();
        touch(page.getByRole(AriaRole.NAVIGATION).getByText("Plan"));
        touch(link("Promise an order"));
        touch(button("When can it be done?"));
        assertThat(page.locator(".promise")).containsText("at full cure");
        assertThat(touches).isLessThanOrEqualTo(3);
        page.navigate("/cups/A-01");
        assertThat(page.locator(".cup-head")).containsText("ready");
    }

    @Test
    void aWrongTouchIsTakenBackInOne() {
        measureABlank();
        startACup();
        send("Done");
        touch(button("Undo"));
        assertThat(doNow()).hasText("Scuff, clean and mask");
        assertThat(touches).isEqualTo(1);
    }

    @Test
    void aCupIsFoundByItsCustomerInTwo() {
        threeCupsToFlood();
        touch(page.locator("#rail-find"));
        page.locator("#rail-find").fill("seed-lib");
        page.locator("#rail-find").press("Enter");
        touches++;
        assertThat(page).hasURL(Pattern.compile("/cups\\?find=seed-lib"));
        assertThat(page.locator(".cup-shelf li")).hasCount(3);
        assertThat(touches).isLessThanOrEqualTo(2);
        shop.clock().forward(Duration.ofSeconds(1));
    }
}
