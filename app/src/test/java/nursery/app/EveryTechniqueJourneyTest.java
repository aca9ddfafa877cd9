package nursery.app;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.time.Instant;
import java.util.Optional;
import java.util.OptionalDouble;
import nursery.app.shelf.ShelfBook;
import nursery.core.cup.Blank;
import nursery.core.cup.Straight;
import nursery.core.log.NextAction;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Each technique that ships: started by its picture, followed to its end with a moved clock, and archived. */
class EveryTechniqueJourneyTest extends Journey {

    private static final int MOST_STEPS = 60;

    @ParameterizedTest
    @ValueSource(
            strings = {
                "one-colour-glitter",
                "glitter-craft-glue",
                "glow-base-coat",
                "ink-bloom",
                "ink-spots-badge",
                "ink-under-vinyl-matte",
                "vinyl-mica-foil",
                "spray-adhesive-leftovers",
                "marbled-wrap",
                "chunky-glitter",
                "wrap-two-days",
                "peekaboo",
                "hand-turned",
                "smoke-stencil",
                "waves"
            })
    void itIsStartedFollowedAndArchivedWithoutAQuestion(String key) {
        shop.bean(ShelfBook.class)
                .addBlank("20 oz slim", new Blank(new Straight(205, 229.3), true, 5, 0, 0, OptionalDouble.of(20)));
        page.navigate("/cups/new");
        page.locator(".way-chips label:has(input[value='" + key + "'])").click();
        assertThat(page.locator("#plan > p a")).hasAttribute("href", "/techniques/" + key);
        choose("Regular tumbler epoxy");
        send("Start it");
        String code = page.locator("h1 .tape").innerText();
        for (int i = 0; i < MOST_STEPS && next(code).isPresent(); i++) {
            NextAction next = next(code).orElseThrow();
            Instant opens = next.window().opensAt();
            Instant now = shop.clock().instant();
            int minutes = next.step().kind().isPour() ? 1 : next.step().kind().handsOnMinutes() + 1;
            Instant ends = (opens.isAfter(now) ? opens : now).plus(Duration.ofMinutes(minutes));
            shop.clock().set(ends);
            int before = shop.cup(code).cup().log().size();
            page.evaluate("() => { window.beforeSending = true; }");
            page.locator(".log-bar .go").click();
            page.waitForFunction("() => !window.beforeSending && document.readyState === 'complete'");
            assertThat(shop.cup(code).cup().log().size())
                    .as("%s: %s", next.title(), page.locator("#faults").allInnerTexts())
                    .isGreaterThan(before);
        }
        assertThat(doNow()).hasText("Keep it back until full cure");
        shop.clock().set(shop.cup(code).state().fullCureAt().orElseThrow().plusSeconds(60));
        page.reload();
        assertThat(doNow()).hasText("Ready to hand over");
        send("Handed over");
        page.navigate("/cups/archive");
        assertThat(page.locator(".coming-list")).containsText(code);
    }

    private Optional<NextAction> next(String code) {
        return shop.cup(code).state().next();
    }
}
