package nursery.app;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.deque.html.axecore.playwright.AxeBuilder;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.ColorScheme;
import com.microsoft.playwright.options.ForcedColors;
import com.microsoft.playwright.options.LoadState;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import org.junit.jupiter.api.Test;

/** Every page in light and dark, on a tablet and a phone. */
class AccessJourneyTest extends Journey {

    /** The engine alone: its wrapper for Java reads it into each page anew, and into another page for the results. */
    private static final String AXE = engine();

    private static String engine() {
        try (InputStream script = Objects.requireNonNull(AxeBuilder.class.getResourceAsStream("/axe.min.js"))) {
            return new String(script.readAllBytes(), StandardCharsets.UTF_8);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /**
     * Those a maker holds in a hand: here axe looks at the narrowest screen too, on the others the sizes are measured.
     */
    private static final List<String> NARROW = List.of(
            "/", "/mix", "/cups", "/cups/new", "/cups/A-01", "/cups/A-01/fault", "/cups/A-01/why", "/plan/today");

    @Test
    void everyPageIsAccessibleInLightAndDarkOnTabletAndPhone() {
        List<String> pages = everyPage();
        List<String> violations = new ArrayList<>();
        open(1280, 800, ColorScheme.LIGHT);
        for (String path : pages) {
            page.navigate(path);
            page.waitForLoadState(LoadState.LOAD);
            page.evaluate(AXE);
            wrong(path, "{}", violations);
            // At 200 % zoom a tablet is half its width in CSS pixels; 320 is the narrowest phone.
            for (int width : new int[] {1280, 640, 320, 390}) {
                page.setViewportSize(width, width > 800 ? 800 : 700);
                reachable(path, width, violations);
                if (width == 320 && NARROW.contains(path)) {
                    // The colours are those of 390 px, and measuring them takes most of the time.
                    wrong(path + " at 320 px", "{rules: {'color-contrast': {enabled: false}}}", violations);
                }
            }
            // Names, roles and order are the same in the dark; what differs there is the colours.
            page.emulateMedia(new Page.EmulateMediaOptions().setColorScheme(ColorScheme.DARK));
            assertThat(page.locator("html")).hasAttribute("data-bs-theme", "dark");
            wrong(path + " in the dark", "{runOnly: {type: 'rule', values: ['color-contrast']}}", violations);
            page.emulateMedia(new Page.EmulateMediaOptions().setColorScheme(ColorScheme.LIGHT));
            page.setViewportSize(1280, 800);
        }
        inForcedColours(violations);
        complaints.removeIf(complaint -> complaint.contains("404"));
        assertThat(violations).isEmpty();
    }

    @Test
    void theEngineSeesWhatIsWrong() {
        page.navigate("/words");
        page.evaluate("() => document.querySelector('main').append(document.createElement('button'))");
        page.evaluate(AXE);
        List<String> violations = new ArrayList<>();
        wrong("/words", "{}", violations);
        assertThat(violations).singleElement().asString().startsWith("/words button-name: <button>");
    }

    /** Where the system chooses the colours axe has nothing to say either. */
    private void inForcedColours(List<String> violations) {
        open(390, 844, ColorScheme.DARK);
        page.emulateMedia(new Page.EmulateMediaOptions().setForcedColors(ForcedColors.ACTIVE));
        for (String path : List.of("/", "/cups/A-01", "/cups/new", "/mix", "/plan")) {
            page.navigate(path);
            page.evaluate(AXE);
            wrong(path + " in forced colours", "{}", violations);
        }
    }

    /** Only what is wrong is written out: of what is right there are thousands on a page. */
    private void wrong(String where, String options, List<String> violations) {
        Object found = page.evaluate(
                """
                async () => (await axe.run(document, { resultTypes: ['violations'], ...%s })).violations.map((rule) =>
                  `${rule.id}: ${rule.nodes.slice(0, 3)
                    .map((node) => `${node.html} ${node.any.map((check) => check.message)}`).join(' | ')}`)"""
                        .formatted(options));
        ((List<?>) found).forEach(rule -> violations.add(where + " " + rule));
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
