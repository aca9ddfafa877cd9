package nursery.app;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.deque.html.axecore.playwright.AxeBuilder;
import com.deque.html.axecore.results.AxeResults;
import com.deque.html.axecore.results.Rule;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.ColorScheme;
import com.microsoft.playwright.options.ForcedColors;
import com.microsoft.playwright.options.LoadState;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;

/** Every page in light and dark, on a tablet and a phone. */
class AccessJourneyTest extends Journey {

    /**
     * Those a maker holds in a hand: here axe looks at the narrowest screen too, on the others the sizes are measured.
     */
    private static final List<String> NARROW = List.of(
            "/", "/mix", "/cups", "/cups/new", "/cups/A-01", "/cups/A-01/fault", "/cups/A-01/why", "/plan/today");

    @Test
    void everyPageIsAccessibleInLightAndDarkOnTabletAndPhone() {
        List<String> pages = everyPage();
        List<String> violations = new ArrayList<>();
        for (ColorScheme scheme : List.of(ColorScheme.LIGHT, ColorScheme.DARK)) {
            int width = scheme == ColorScheme.LIGHT ? 1280 : 390;
            open(width, 800, scheme);
            for (String path : pages) {
                page.navigate(path);
                page.waitForLoadState(LoadState.LOAD);
                // Names, roles and order are the same in the dark; what differs there is the colours.
                AxeBuilder looking = new AxeBuilder(page);
                AxeResults results = scheme == ColorScheme.LIGHT
                        ? looking.analyze()
                        : looking.withRules(List.of("color-contrast")).analyze();
                results.getViolations().stream()
                        .map(rule -> describe(path, scheme, rule))
                        .forEach(violations::add);
                reachable(path, width, violations);
                // On the narrowest phone, and at 200 % zoom of a tablet, which is half its width in CSS pixels.
                int other = width > 800 ? 640 : 320;
                page.setViewportSize(other, 700);
                reachable(path, other, violations);
                if (other == 320 && NARROW.contains(path)) {
                    // The colours are those of 390 px, and measuring them takes most of the time.
                    new AxeBuilder(page)
                            .disableRules(List.of("color-contrast")).analyze().getViolations().stream()
                                    .map(rule -> describe(path + " at 320 px", scheme, rule))
                                    .forEach(violations::add);
                }
                page.setViewportSize(width, 800);
            }
        }
        inForcedColours(violations);
        complaints.removeIf(complaint -> complaint.contains("404"));
        assertThat(violations).isEmpty();
    }

    /** Where the system chooses the colours axe has nothing to say either. */
    private void inForcedColours(List<String> violations) {
        open(390, 844, ColorScheme.DARK);
        page.emulateMedia(new Page.EmulateMediaOptions().setForcedColors(ForcedColors.ACTIVE));
        for (String path : List.of("/", "/cups/A-01", "/cups/new", "/mix", "/plan")) {
            page.navigate(path);
            new AxeBuilder(page)
                    .analyze().getViolations().stream()
                            .map(rule -> describe(path + " in forced colours", ColorScheme.DARK, rule))
                            .forEach(violations::add);
        }
    }

    private static String describe(String path, ColorScheme scheme, Rule rule) {
        return "%s %s %s: %s"
                .formatted(
                        path,
                        scheme,
                        rule.getId(),
                        rule.getNodes().stream()
                                .limit(3)
                                .map(node -> node.getHtml() + " "
                                        + node.getAny().stream()
                                                .map(check -> check.getMessage())
                                                .toList())
                                .toList());
    }

    /**
     * WCAG 2.2, target size (enhanced), 44 px; links within a sentence are exempt. And nothing is wider than the
     * screen.
     */
    private void reachable(String path, int width, List<String> violations) {
        Object small = page.evaluate(
                """
                () => [...document.querySelectorAll('a, button, input:not([type=hidden]), select, textarea, summary')]
                  .filter(e => !e.closest('p, .skip, .outline-row[aria-hidden]') && e.offsetParent !== null)
                  .map(e => ({ e, box: (e.closest('label') || e).getBoundingClientRect() }))
                  .filter(({ box }) => box.height > 0 && (box.height < 43.5 || box.width < 43.5))
                  .map(({ e, box }) => `${e.tagName} ${e.name || e.textContent.trim().slice(0, 20)}
                    ${box.width.toFixed(0)}x${box.height.toFixed(0)}`)""");
        ((List<?>) small)
                .forEach(target ->
                        violations.add("%s at %d px: too small for a glove: %s".formatted(path, width, target)));
        int scrolls = ((Number) page.evaluate("() => document.documentElement.scrollWidth")).intValue();
        if (scrolls > width) {
            violations.add("%s is %d px wide on a screen of %d".formatted(path, scrolls, width));
        }
    }
}
