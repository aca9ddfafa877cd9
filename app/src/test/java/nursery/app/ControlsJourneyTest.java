package nursery.app;

import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.PlaywrightException;
import com.microsoft.playwright.Response;
import com.microsoft.playwright.TimeoutError;
import com.microsoft.playwright.options.ColorScheme;
import com.microsoft.playwright.options.LoadState;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import java.util.SortedSet;
import java.util.TreeSet;
import nursery.app.people.Makers;
import nursery.app.people.Role;
import org.junit.jupiter.api.Test;

/**
 * Every control of every page is touched: each option of each choice, each fold, each field, and each button, one after
 * the other, on a phone; the buttons that send on a tablet. The controls are found by looking, so that none is left
 * out, and listed, so that none comes unseen; no touch may end in an error.
 */
class ControlsJourneyTest extends Journey {

    private static final String PASSWORD = "tram seed comet lantern";

    /** A search for a plan takes its seconds on a busy machine. */
    private static final double ANSWERED_WITHIN_MS = 20_000;

    private static final int MOST_OVERTAKEN = 4;

    /** Pressed last: after them a page has less on it. */
    private static final String DESTRUCTIVE = "(?i).*(give it up|remove|handed|throw|discard|revoke|close).*";

    /** What a page has beside buttons that send: touched where it stands, without leaving the page. */
    private static final String TOUCH_ALL =
            """
            async () => {
              const touched = [];
              const visible = (e) => e.isConnected && !e.closest('[hidden]') && !['hidden', 'file'].includes(e.type);
              const called = (e) => e.name || e.id || e.getAttribute('aria-label') || e.textContent.trim().slice(0, 30);
              const name = (e) => `${e.tagName} ${called(e)}`;
              const wait = (ms) => new Promise((done) => setTimeout(done, ms));
              // As a hand does, the next is touched when the last has been answered: else a slow machine is flooded.
              const answered = async (ms) => {
                await wait(ms);
                for (let i = 0; i < 500 && document.querySelector('.htmx-request'); i++) await wait(12);
              };
              const tell = (e, what) => e.dispatchEvent(new Event(what, { bubbles: true }));
              for (const summary of document.querySelectorAll('main summary')) {
                summary.click();
                touched.push(name(summary));
              }
              for (const details of document.querySelectorAll('main details')) details.open = true;
              const alike = {};
              for (const e of document.querySelectorAll('main input, main select, main textarea')) {
                if (!visible(e)) continue;
                // Rows of a list have alike controls: two of each are touched.
                const option = e.type === 'radio' ? e.value : '';
                const kind = `${e.type} ${e.name || e.id} ${option}`.replace(/\\d+/g, 'n');
                alike[kind] = (alike[kind] || 0) + 1;
                if (alike[kind] > 2) continue;
                touched.push(`${name(e)} ${e.type === 'radio' ? e.value : ''}`);
                if (e.type === 'radio' || e.type === 'checkbox') {
                  e.click();
                } else if (e.tagName === 'SELECT') {
                  const before = e.value;
                  // Of the six hundred zones of the world some.
                  const every = Math.ceil(e.options.length / 60);
                  for (const option of [...e.options].filter((one, i) => i % (every * every) === 0)) {
                    e.value = option.value;
                    tell(e, 'change');
                    await answered(12);
                  }
                  e.value = before;
                } else if (['text', 'search', 'textarea'].includes(e.type)) {
                  const before = e.value;
                  for (const typed of ['', '-1', 'abc', '1e99', before]) {
                    e.value = typed;
                    tell(e, 'input');
                  }
                  tell(e, 'change');
                }
                await answered(12);
              }
              for (const button of document.querySelectorAll('main button[type=button], .alarm button')) {
                if (!visible(button)) continue;
                touched.push(name(button));
                button.click();
                await answered(15);
              }
              return touched;
            }""";

    private static final String SENDERS =
            """
            () => {
              for (const details of document.querySelectorAll('details')) details.open = true;
              return [...document.querySelectorAll('main button:not([type=button])')]
                .filter((e) => !e.closest('[hidden]') && e.form)
                .map((e, i) => `${e.textContent.trim().replace(/\\s+/g, ' ')}`);
            }""";

    /** What a page has to touch, alike rows once. */
    private static final String LIST =
            """
            () => {
              const called = (e) => e.name || e.id || e.getAttribute('aria-label') || e.textContent.trim();
              const plain = (s) => s.replace(/[A-Z]-\\d+/g, 'X-n').replace(/\\d+([.,:–/]\\d+)*/g, 'n')
                .replace(/\\s+/g, ' ').trim().slice(0, 40);
              const all = 'main summary, main input, main select, main textarea, main button, .alarm button';
              return [...new Set([...document.querySelectorAll(all)]
                .filter((e) => !e.closest('[hidden]') && !['hidden', 'file'].includes(e.type))
                .map((e) => `${e.tagName.toLowerCase()} ${e.type === 'radio' ? plain(`${e.name}`)
                  : plain(called(e))}`))];
            }""";

    /**
     * Every control there is, one a line; a page that gains one fails until it is walked over and written down here.
     */
    private static final Path LISTED = Path.of("src/test/resources");

    private static final Path FOUND = Path.of("target");

    private void allAreListed(SortedSet<String> found, String file) throws IOException {
        Files.write(FOUND.resolve(file), found);
        assertThat(found)
                .as("controls, as in %s; those found stand in %s".formatted(LISTED.resolve(file), FOUND))
                .containsExactlyElementsOf(Files.readAllLines(LISTED.resolve(file)));
    }

    @Test
    void everyControlOfEveryPageIsTouched() throws IOException {
        List<String> pages = everyPage();
        List<String> broken = new ArrayList<>();
        openAt(390, 844, broken);
        // A filter acts at once and leads to another address: that page is looked at as it then is.
        page.addInitScript("HTMLFormElement.prototype.requestSubmit = () => {};");
        SortedSet<String> found = new TreeSet<>();
        Set<String> senders = new LinkedHashSet<>();
        int touched = touch(pages, found, senders);
        assertThat(broken).isEmpty();
        assertThat(touched).as("controls that were touched").isGreaterThan(300);
        allAreListed(found, "controls.txt");
        press(senders, broken);
        page.navigate("/room");
        if (button("Switch the simulated thermometer off").count() > 0) {
            send("Switch the simulated thermometer off");
        }
        complaints.removeIf(ControlsJourneyTest::isAnAnswer);
        assertThat(broken).isEmpty();
    }

    /** The same of the pages that are otherwise once somebody has to sign in, by the owner, on a phone that joined. */
    @Test
    void everyControlIsTouchedBySomebodySignedIn() throws IOException {
        shop.bean(Makers.class).add("Mira", Role.OWNER, PASSWORD, "4821");
        shop.bean(Makers.class).add("Jo", Role.HELPER, "comet under the seed tram", "7093");
        List<String> broken = new ArrayList<>();
        openAt(390, 844, broken);
        page.navigate("/sign-in");
        SortedSet<String> found = new TreeSet<>();
        int touched = touch(List.of("/sign-in"), found, new LinkedHashSet<>());
        signIn();
        touched += touch(
                List.of("/", "/me", "/people", "/devices", "/links", "/audit", "/shop", "/backups"),
                found,
                new LinkedHashSet<>());
        shop.clock().forward(Duration.ofMinutes(30));
        touched += touch(List.of("/people"), found, new LinkedHashSet<>());
        assertThat(touched).isGreaterThan(40);
        allAreListed(found, "controls-signed-in.txt");
        openAt(1280, 800, broken);
        page.navigate("/sign-in");
        signIn();
        for (String path : List.of("/links", "/devices", "/people", "/me")) {
            page.navigate(path);
            page.evaluate("() => document.querySelectorAll('details').forEach((fold) => { fold.open = true; })");
            for (int i = 0; i < page.locator("main .btn-big:not(a)").count(); i++) {
                String text = page.locator("main .btn-big:not(a)").nth(i).innerText();
                if (!text.matches(DESTRUCTIVE) && !text.startsWith("Sign out")) {
                    page.locator("main .btn-big:not(a)").nth(i).click(new Locator.ClickOptions().setForce(true));
                    page.waitForLoadState(LoadState.LOAD);
                    page.navigate(path);
                    page.evaluate(
                            "() => document.querySelectorAll('details').forEach((fold) => { fold.open = true; })");
                }
            }
        }
        send("Sign out here");
        assertThat(page.url()).contains("/sign-in");
        complaints.removeIf(ControlsJourneyTest::isAnAnswer);
        assertThat(broken).isEmpty();
    }

    /** What the browser says of a form that came back, of what is gone, and of a door that is shut; no more. */
    private static boolean isAnAnswer(String complaint) {
        return complaint.matches(
                "(?s)Failed to load resource: the server responded with a status of (401|403|404|409|422|423|429) .*");
    }

    private void signIn() {
        page.navigate("/sign-in");
        // A fold stays as it was left, and this one was touched.
        page.evaluate("() => document.querySelectorAll('details').forEach((fold) => { fold.open = true; })");
        page.locator("#who").fill("Mira");
        page.locator("#secret").fill(PASSWORD);
        page.locator("form:has(#who) .btn-big").click();
        page.waitForURL(url -> !url.contains("sign-in"));
    }

    private void openAt(int width, int height, List<String> broken) {
        open(width, height, ColorScheme.LIGHT);
        // A page that looks for a plan takes its seconds on a machine that is busy.
        page.setDefaultTimeout(30_000);
        page.onResponse(response -> {
            if (response.status() >= 500) {
                broken.add(response.status() + " " + response.request().method() + " " + response.url());
            }
        });
    }

    /** @param senders is given every button that sends, with its page */
    private int touch(List<String> pages, SortedSet<String> found, Set<String> senders) {
        Set<String> alike = new LinkedHashSet<>();
        int touched = 0;
        for (String path : pages) {
            goTo(path);
            ((List<?>) page.evaluate(LIST))
                    .stream()
                            // How much a proposal moves depends on how far its half second came.
                            .filter(control -> !"summary and n more".equals(control))
                            .forEach(control -> found.add(path.replaceAll("\\d+", "n") + " " + control));
            for (Object text : (List<?>) page.evaluate(SENDERS)) {
                // A list of alike rows has alike buttons: one of each is pressed.
                if (alike.add(path.replaceAll("\\d+", "n") + "|" + text)) {
                    senders.add(path + "|" + text);
                }
            }
            touched += ((List<?>) page.evaluate(TOUCH_ALL)).size();
        }
        return touched;
    }

    /** What was touched last may be on its way to a page of its own, and would overtake this one: it is stopped. */
    private void goTo(String path) {
        for (int tries = 0; ; tries++) {
            try {
                page.navigate(path);
                return;
            } catch (PlaywrightException overtaken) {
                if (tries == MOST_OVERTAKEN) {
                    throw overtaken;
                }
                page.evaluate("() => window.stop()");
            }
        }
    }

    /**
     * A form's answer, and not that of a part which the page fetches by itself, nor of the question for the line that a
     * form which logs asks first.
     */
    private static boolean answersAPress(Response response) {
        return (response.request().isNavigationRequest()
                        || !response.request().method().equals("GET"))
                && (response.status() < 300 || response.status() >= 400);
    }

    /**
     * What another button, pressed before it, has made needless by then: of two that end the same thing only one is
     * there to press. Those that come second here are pressed on their own by the journeys of their pages.
     */
    private static final String MADE_NEEDLESS =
            "(?s)/cups/A-n/why\\|It was this: .*|/cups/A-n\\|(Poured|Put in an extra coat|Undo)|/mix/n\\|Throw it away"
                    + "|/plan/changes/n\\|Drop it|/plan/cup/A-n\\|\\w+ n:n";

    /** Each button that sends a form, pressed with what the page filled in. */
    private void press(Set<String> found, List<String> broken) {
        openAt(1280, 800, broken);
        int pressed = 0;
        int needless = 0;
        SortedSet<String> missing = new TreeSet<>();
        SortedSet<String> silent = new TreeSet<>();
        List<String> senders = new ArrayList<>(found);
        senders.sort(Comparator.comparing(sender -> sender.matches(DESTRUCTIVE)));
        for (String sender : senders) {
            String path = sender.substring(0, sender.indexOf('|'));
            String text = sender.substring(sender.indexOf('|') + 1);
            // Most forms lead back to their own page, which is then there as anew.
            if (!page.url().equals(shop.address() + path)) {
                goTo(path);
            }
            page.evaluate("() => document.querySelectorAll('details').forEach((fold) => { fold.open = true; })");
            Locator button = page.locator("main button:not([type=button])")
                    .filter(new Locator.FilterOptions().setHasText(text))
                    .first();
            if (button.count() > 0 && button.isVisible()) {
                // In the middle of the screen nothing that sticks to its edges lies over it.
                button.evaluate("button => button.scrollIntoView({ block: 'center', behavior: 'instant' })");
                page.evaluate("() => { window.beforeSending = true; }");
                try {
                    Response answer = page.waitForResponse(
                            ControlsJourneyTest::answersAPress,
                            new Page.WaitForResponseOptions().setTimeout(ANSWERED_WITHIN_MS),
                            () -> button.click(new Locator.ClickOptions().setForce(true)));
                    if (answer.request().isNavigationRequest() && answer.headerValue("content-disposition") == null) {
                        // Until it is there, its coming would overtake the page that is gone to next.
                        page.waitForFunction("() => !window.beforeSending && document.readyState === 'complete'");
                    }
                } catch (TimeoutError unanswered) {
                    silent.add(path.replaceAll("\\d+", "n") + "|" + text);
                }
                pressed++;
            } else {
                needless++;
                missing.add(path.replaceAll("\\d+", "n") + "|" + text.replaceAll("\\d+", "n"));
            }
        }
        assertThat(silent)
                .as("buttons that were pressed and nothing came of it")
                .isEmpty();
        assertThat(missing)
                .as("buttons that were not there to press")
                .allMatch(button -> button.matches(MADE_NEEDLESS));
        assertThat(pressed)
                .as("buttons that were pressed")
                .isEqualTo(senders.size() - needless)
                .isGreaterThan(60);
    }
}
