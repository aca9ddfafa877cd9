package nursery.app;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.time.Instant;
import java.util.Optional;
import java.util.Set;
import nursery.core.log.NextAction;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.springframework.test.web.servlet.assertj.MvcTestResult;

/** Each technique that ships: started by its picture, followed to its end with a moved clock, and archived. */
class EveryTechniqueJourneyTest extends Journey {

    private static final int MOST_STEPS = 60;

    /** Every button pressed in the browser; of the others each form is sent as it comes, without one. */
    private static final Set<String> BY_HAND = Set.of("waves");

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
        measureABlank();
        page.navigate("/cups/new");
        page.locator(".way-chips label:has(input[value='" + key + "'])").click();
        assertThat(page.locator("#plan > p a")).hasAttribute("href", "/techniques/" + key);
        choose("Regular tumbler epoxy");
        send("Start it");
        String code = page.locator("h1 .tape").innerText();
        Tablet tablet = new Tablet(shop);
        Optional<NextAction> found = next(code);
        for (int i = 0; i < MOST_STEPS && found.isPresent(); i++) {
            NextAction next = found.orElseThrow();
            Instant opens = next.window().opensAt();
            Instant now = shop.clock().instant();
            int minutes = next.step().kind().isPour() ? 1 : next.step().kind().handsOnMinutes() + 1;
            Instant ends = (opens.isAfter(now) ? opens : now).plus(Duration.ofMinutes(minutes));
            shop.clock().set(ends);
            if (BY_HAND.contains(key)) {
                page.evaluate("() => { window.beforeSending = true; }");
                page.locator(".log-bar .go").click();
                page.waitForFunction("() => !window.beforeSending && document.readyState === 'complete'");
                assertThat(page.locator("#faults")).hasCount(0);
            } else {
                MvcTestResult logged = tablet.press("/cups/" + code, "#log .go");
                assertThat(logged.getResponse().getStatus())
                        .as("%s: %s", next.title(), Tablet.text(logged))
                        .isEqualTo(302);
            }
            found = next(code);
            assertThat(found.map(NextAction::step)).as(next.title()).isNotEqualTo(Optional.of(next.step()));
        }
        page.reload();
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
