package nursery.app;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.deque.html.axecore.playwright.AxeBuilder;
import com.deque.html.axecore.results.AxeResults;
import com.deque.html.axecore.results.Rule;
import com.microsoft.playwright.Browser;
import com.microsoft.playwright.BrowserContext;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.ColorScheme;
import com.microsoft.playwright.options.LoadState;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.regex.Pattern;
import nursery.app.ShopUnderTest.Running;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;

/** A maker at the real interface, in a real browser: from an empty shop to a cup whose coats are logged and corrected. */
@ExtendWith(ShopUnderTest.class)
class JourneyTest {

    private Running shop;
    private BrowserContext context;
    private Page page;
    private final List<String> complaints = new ArrayList<>();

    @BeforeEach
    void openTheShop(Running running) {
        shop = running;
        shop.empty();
        shop.settle("UTC");
        open(1280, 800, ColorScheme.LIGHT);
    }

    @AfterEach
    void nothingWasComplainedOf() {
        context.close();
        assertThat(complaints).as("what the browser's console complained of").isEmpty();
    }

    private void open(int width, int height, ColorScheme scheme) {
        if (context != null) {
            context.close();
        }
        context = shop.browser().newContext(new Browser.NewContextOptions().setViewportSize(width, height).setColorScheme(scheme).setBaseURL(shop.address()));
        page = context.newPage();
        page.onConsoleMessage(message -> {
            // A preview that a newer one overtakes is aborted, which htmx reports; a 422 is how a form comes back.
            if ("error".equals(message.type()) && !message.text().matches("(?s).*(422|htmx:sendAbort|htmx:afterRequest).*")) {
                complaints.add(message.text());
            }
        });
        page.onPageError(complaints::add);
    }

    private void forward(double hours) {
        shop.clock().forward(Duration.ofSeconds(Math.round(hours * 3600)));
        page.reload();
    }

    private Locator button(String name) {
        return page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(name).setExact(true));
    }

    /** Presses a button that sends a form, and waits until its answer is there. */
    private void send(String name) {
        page.evaluate("() => { window.beforeSending = true; }");
        button(name).click();
        page.waitForFunction("() => !window.beforeSending && document.readyState === 'complete'");
    }

    private Locator link(String name) {
        return page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName(name).setExact(true)).first();
    }

    private void choose(String chip) {
        page.locator("label.chip", new Page.LocatorOptions().setHasText(chip)).first().click();
    }

    private Locator doNow() {
        return page.locator(".do-title");
    }

    private void measureABlank() {
        page.navigate("/shelf/blanks/new");
        page.getByLabel("Name").fill("20 oz slim");
        page.getByLabel("Height", new Page.GetByLabelOptions().setExact(true)).fill("205");
        page.getByLabel("Circumference", new Page.GetByLabelOptions().setExact(true)).fill("9");
        assertThat(page.locator("#drawing")).containsText("did you mean 9 in (229 mm)?");
        page.getByLabel("Circumference", new Page.GetByLabelOptions().setExact(true)).fill("9 in");
        assertThat(page.locator("#drawing .huge")).containsText("510");
        assertThat(page.locator("#drawing svg.cup")).isVisible();
        page.getByLabel("Bare at the rim").fill("5");
        assertThat(page.locator("#drawing .huge")).containsText("499");
        send("Put it on the shelf");
        assertThat(page.locator("[id^='blank-']").first()).containsText("20 oz slim");
    }

    private void startACup() {
        page.navigate("/cups/new");
        page.getByLabel("What it will be").fill("Winter sky");
        choose("20 oz slim");
        choose("Regular tumbler epoxy");
        page.getByLabel("Due").fill("2026-03-20");
        page.locator("summary").click();
        choose("turn it anyway");
        send("Start it");
        assertThat(page.locator("h1 .tape")).hasText("A-01");
    }

    private void upToTheFlood() {
        send("Done");
        assertThat(doNow()).hasText("Paint the base colour");
        send("Done");
        assertThat(page.locator(".do-when")).containsText("1 h 00 min");
        forward(1.05);
        send("Poured");
        assertThat(doNow()).hasText("Glitter");
        forward(0.1);
        assertThat(page.locator(".do-when")).containsText("closes in");
        send("Done");
        forward(4);
    }

    @Test
    void fromAnEmptyShopToACoatOnTheTurner() {
        page.navigate("/");
        assertThat(page.locator(".welcome")).containsText("Measure a blank");
        link("Measure a blank").click();
        assertThat(page).hasURL(Pattern.compile("/shelf/blanks/new$"));
        measureABlank();
        startACup();
        upToTheFlood();

        assertThat(doNow()).hasText("Flood coat");
        assertThat(page.locator(".ab")).containsText("12.5\u00a0ml");
        assertThat(page.locator("svg.fill")).hasAttribute("aria-label", Pattern.compile("A to 12.5\u00a0ml, then B to 25\u00a0ml"));
        assertThat(page.locator(".mix")).containsText("Common practice: 20–60\u00a0ml across sizes");
        page.getByLabel("On the cup").fill("23");
        choose("Spindle 2");
        choose("5 min ago");
        send("Poured");

        assertThat(doNow()).hasText("Second coat");
        assertThat(page.locator(".coat-words")).containsText("workable");
        assertThat(page.locator(".coat-card > .facts")).containsText("Recoat straight on");
        String before = page.locator(".bar-now").first().getAttribute("x1");
        page.waitForFunction("x => document.querySelector('.bar-now').getAttribute('x1') !== x", before);

        page.navigate("/");
        assertThat(page.locator(".coming")).containsText("Second coat");
        forward(4);
        assertThat(page.locator(".now-card.closing")).containsText("If missed: Let it harden, scuff it, then coat.");
        assertThat(page.locator(".now-card.closing")).containsText("Spindle 2 may stop");
        page.locator(".now-link").click();
        assertThat(page.locator("label.chip", new Page.LocatorOptions().setHasText("Spindle 2")).locator("input")).isChecked();
    }

    @Test
    void aMissedWindowAsksForScuffingAndAWrongEntryIsCorrected() {
        measureABlank();
        startACup();
        upToTheFlood();
        page.getByLabel("On the cup").fill("32");
        send("Poured");
        forward(7);
        assertThat(doNow()).hasText("Scuff, then second coat");
        forward(3);
        send("Scuffed");
        assertThat(doNow()).hasText("Second coat");

        page.locator("#history li", new Page.LocatorOptions().setHasText("32\u00a0ml poured")).getByRole(AriaRole.LINK).click();
        page.getByLabel("On the cup").fill("-3");
        send("Correct it");
        assertThat(page.locator("#faults")).containsText("enter more than 0");
        assertThat(page.getByLabel("On the cup")).hasValue("-3");
        page.getByLabel("On the cup").fill("23");
        page.getByLabel("Why").fill("slipped digit");
        send("Correct it");
        assertThat(page.locator("#history .struck")).containsText("slipped digit");
        assertThat(page.locator(".plan")).containsText("23\u00a0ml");

        send("Poured");
        forward(13);
        assertThat(doNow()).hasText("Trim the rim and sand");
        send("Done");
        assertThat(doNow()).hasText("Finishing coat");
        send("Poured");
        forward(13);
        send("Done");
        assertThat(doNow()).hasText("Keep it back until full cure");
        forward(60);
        assertThat(doNow()).hasText("Ready to hand over");
    }

    @Test
    void aWindowOpensBeforeTheMakersEyesWithoutReloading() {
        measureABlank();
        startACup();
        send("Done");
        send("Done");
        shop.clock().forward(Duration.ofMinutes(60).minusSeconds(2));
        page.reload();
        assertThat(page.locator(".do-now .clock-label").first()).hasText("Next");
        shop.clock().forward(Duration.ofSeconds(3));
        assertThat(page.locator(".do-now .clock-label").first()).hasText("Do now");
    }

    @Test
    void aStepIsLoggedByKeyboardAlone() {
        measureABlank();
        startACup();
        page.navigate("/");
        tabTo("a", "A-01");
        page.keyboard().press("Enter");
        assertThat(doNow()).hasText("Scuff, clean and mask");
        tabTo("button", "Done");
        page.keyboard().press("Enter");
        assertThat(doNow()).hasText("Paint the base colour");
    }

    private void tabTo(String element, String text) {
        for (int i = 0; i < 60; i++) {
            page.keyboard().press("Tab");
            if ((Boolean) page.evaluate("([tag, text]) => document.activeElement.matches(tag) && document.activeElement.textContent.includes(text)", List.of(element, text))) {
                return;
            }
        }
        throw new AssertionError("Tab never reached " + text);
    }

    @Test
    void aMixIsPickedJudgedAndPoured() {
        measureABlank();
        startACup();
        upToTheFlood();
        page.navigate("/");
        link("Mix for 1 coat").click();
        assertThat(page.locator("#sheet .ab")).containsText("12.5\u00a0ml");
        page.getByLabel("share, ml").fill("32");
        page.keyboard().press("Tab");
        assertThat(page.locator("#sheet .ab")).containsText("17.5\u00a0ml");
        send("Start this mix");
        page.getByLabel("B", new Page.GetByLabelOptions().setExact(true)).fill("16");
        assertThat(page.locator("#verdict")).containsText("Add 1.5\u00a0ml of B");
        page.getByLabel("B", new Page.GetByLabelOptions().setExact(true)).fill("17.5");
        assertThat(page.locator("#verdict")).containsText("Fine.");
        send("Mixed now");
        assertThat(page.locator(".pot-word")).hasText("Work");
        page.locator(".timer").first().click();
        assertThat(page.locator(".timer").first()).containsText("1:5");
        page.getByLabel("on", new Page.GetByLabelOptions().setExact(true)).selectOption("Spindle 2");
        send("Poured A-01");
        assertThat(page.locator(".shares .done")).containsText("32\u00a0ml");
        forward(1);
        assertThat(page.locator(".pot-word")).hasText("Stop");
        page.getByLabel("4. Left in the pot").fill("1.5");
        send("Close this mix");
        assertThat(page.locator(".coming")).containsText("Second coat");
    }

    /** 12.5 ml of A at 1.15 g/ml is 14.4 g; 12.5 ml of B at 0.96 on top makes 26.4 g. */
    @Test
    void theScaleFillsUpLiveAndStopsTheMakerAtEachLine() {
        measureABlank();
        startACup();
        upToTheFlood();
        page.navigate("/mix");
        send("Start this mix");
        button("Watch the scale").click();
        page.locator(".live-scale summary").click();
        button("Clean cup").click();
        assertThat(page.locator("#scale-word")).hasText("Pour A");
        button("Pour").click();
        assertThat(page.locator("#scale-word")).hasText("Pour B");
        assertThat(page.getByLabel("A", new Page.GetByLabelOptions().setExact(true))).hasValue(Pattern.compile("14\\.[345]\\d"));
        button("Pour").click();
        assertThat(page.locator("#scale-word")).hasText("Stop B");
        assertThat(page.getByLabel("B", new Page.GetByLabelOptions().setExact(true))).hasValue(Pattern.compile("26\\.[2-6]\\d"));
        assertThat(page.locator("#verdict")).containsText("Fine.");
        page.evaluate("csrf => fetch('/scale/simulated', { method: 'POST', headers: { [csrf.header]: csrf.token }, body: new URLSearchParams({ press: 'off' }) })", csrf());
        assertThat(page.locator("#scale-trouble")).containsText("The scale is silent");
        send("Mixed now");
        assertThat(page.locator(".pot-word")).hasText("Work");
    }

    private Object csrf() {
        return page.evaluate("() => { const meta = document.querySelector('meta[name=csrf]'); return { header: meta.dataset.header, token: meta.content }; }");
    }

    @Test
    void theGuideLeadsThroughTheStirringOneStepAtATime() {
        measureABlank();
        startACup();
        upToTheFlood();
        page.navigate("/mix");
        send("Start this mix");
        Locator now = page.locator(".guide .now");
        assertThat(now.first()).containsText("Pour A up to");
        now.first().getByRole(AriaRole.BUTTON).last().click();
        assertThat(now.first()).containsText("Pour B on top");
        page.reload();
        assertThat(now.first()).containsText("Pour B on top");
    }

    @Test
    void aTechniqueIsCopiedChangedAndJudgedAndACupStartedFromIt() {
        measureABlank();
        page.navigate("/techniques");
        page.locator(".technique-shelf a", new Page.LocatorOptions().setHasText("Mixed or chunky glitter")).click();
        assertThat(page.locator(".steps")).containsText("Press the flakes flat");
        send("Copy and change it");
        assertThat(page.locator("#judgement")).containsText("Sound.");
        button("Remove: Seal the glitter").click();
        assertThat(page.locator("#judgement")).containsText("Chunky or mixed glitter not sealed");
        page.locator(".edit-rows summary", new Page.LocatorOptions().setHasText("Glitter")).click();
        page.locator("#s3-material").selectOption("fine-glitter");
        assertThat(page.locator("#judgement")).containsText("Flood coat over an adhesive that is not set");
        page.locator(".edit-rows summary", new Page.LocatorOptions().setHasText("Flood coat")).click();
        page.locator("#s5-wait").selectOption("age");
        page.locator("#s5-amount").fill("6");
        page.keyboard().press("Tab");
        assertThat(page.locator("#judgement")).containsText("Sound.");
        page.getByLabel("Name", new Page.GetByLabelOptions().setExact(true)).fill("Meteor glitter");
        send("Keep it");
        assertThat(page.locator("h1")).hasText("Meteor glitter");
        link("Start a cup this way").click();
        page.getByLabel("What it will be").fill("Meteor shower");
        choose("20 oz slim");
        choose("Regular tumbler epoxy");
        page.getByLabel("How many alike").fill("2");
        send("Start it");
        assertThat(page.locator(".cup-shelf li")).hasCount(2);
        link("Log one step for several").click();
        page.locator(".together label").first().click();
        page.locator(".together label").last().click();
        send("Done on all picked");
        assertThat(page.locator(".now-card").first()).containsText("Paint the base colour");
    }

    @Test
    void aCupThatFeelsRoughGetsAnotherCoatInOneTouch() {
        measureABlank();
        startACup();
        upToTheFlood();
        send("Poured");
        forward(5);
        send("Poured");
        forward(9);
        assertThat(doNow()).hasText("Trim the rim and sand");
        assertThat(page.locator("svg.section")).isVisible();
        send("Feels rough: coat again instead");
        assertThat(doNow()).hasText("Scuff, then extra coat");
        assertThat(page.locator(".plan .next")).containsText("about");
        send("Scuffed");
        assertThat(doNow()).hasText("Extra coat");
        page.getByLabel("Note").fill("no resin left");
        send("Leave it out");
        assertThat(page.locator(".plan")).containsText("left out: no resin left");
        assertThat(doNow()).hasText("Trim the rim and sand");
    }

    @Test
    void theRoomIsDrawnWithTheCoatsInItAndAskedForAWeek() {
        measureABlank();
        startACup();
        upToTheFlood();
        send("Poured");
        page.navigate("/room");
        page.getByLabel("The thermometer reads").fill("66 °F");
        page.getByLabel("Humidity, %").fill("88");
        send("Log it");
        assertThat(page.locator(".do-now .do-title")).hasText("Not now");
        assertThat(page.locator(".room-chart")).isVisible();
        assertThat(page.locator(".room-chart")).containsText("A-01");
        button("A week").click();
        assertThat(page.locator("#room-course .here")).hasText("A week");
    }

    @Test
    void aBannerStandsOnEveryPageUntilItIsPutAwayAndTheRoomCanBeTriedOut() {
        measureABlank();
        startACup();
        upToTheFlood();
        send("Poured");
        forward(4.05);
        page.navigate("/shelf");
        assertThat(page.locator(".alarm").first()).containsText("A-01: Second coat");
        page.navigate("/cups/A-01");
        assertThat(page.locator(".alarm").first()).isVisible();
        button("Put away: A-01: Second coat").click();
        page.navigate("/");
        page.waitForTimeout(500);
        assertThat(page.locator(".alarm", new Page.LocatorOptions().setHasText("A-01: Second coat")).first()).isHidden();
        page.navigate("/cups/A-01");
        page.locator(".what-if summary").click();
        page.locator("#what-temperature").fill("12");
        assertThat(page.locator("#what-if .huge")).hasText("12\u00a0°C");
        assertThat(page.locator("#what-if")).containsText("later");
    }

    @Test
    void everyPageIsAccessibleInLightAndDarkOnTabletAndPhone() {
        measureABlank();
        startACup();
        upToTheFlood();
        page.navigate("/mix");
        send("Start this mix");
        String mix = page.url().substring(shop.address().length());
        page.navigate("/techniques/waves");
        send("Copy and change it");
        String edit = page.url().substring(shop.address().length());
        page.navigate("/cups/A-01");
        send("Poured");
        long entry = shop.sql().queryForObject("SELECT MAX(id) FROM log_entry", Long.class);
        List<String> pages = List.of("/", "/mix", "/mix/turner", mix, "/cups", "/cups/new", "/cups/together", "/techniques", "/techniques/waves", edit, "/cups/A-01", "/cups/A-01/entries/" + entry, "/shelf", "/shelf/bottles", "/shelf/blanks/new", "/shelf/resins/new", "/room", "/room/lab", "/alarms", "/shop", "/nowhere");
        List<String> violations = new ArrayList<>();
        for (ColorScheme scheme : List.of(ColorScheme.LIGHT, ColorScheme.DARK)) {
            int width = scheme == ColorScheme.LIGHT ? 1280 : 390;
            open(width, 800, scheme);
            for (String path : pages) {
                page.navigate(path);
                page.waitForLoadState(LoadState.LOAD);
                AxeResults results = new AxeBuilder(page).analyze();
                results.getViolations().stream().map(rule -> describe(path, scheme, rule)).forEach(violations::add);
                reachable(path, width, violations);
            }
        }
        complaints.removeIf(complaint -> complaint.contains("404"));
        assertThat(violations).isEmpty();
    }

    private static String describe(String path, ColorScheme scheme, Rule rule) {
        return "%s %s %s: %s".formatted(path, scheme, rule.getId(), rule.getNodes().stream().limit(3).map(node -> node.getHtml() + " " + node.getAny().stream().map(check -> check.getMessage()).toList()).toList());
    }

    /** WCAG 2.2, target size (enhanced), 44 px; links within a sentence are exempt. And nothing is wider than the screen. */
    private void reachable(String path, int width, List<String> violations) {
        Object small = page.evaluate("""
                () => [...document.querySelectorAll('a, button, input:not([type=hidden]), select, textarea, summary')]
                  .filter(e => !e.closest('p, .skip, .outline-row[aria-hidden]') && e.offsetParent !== null)
                  .map(e => ({ e, box: (e.closest('label') || e).getBoundingClientRect() }))
                  .filter(({ box }) => box.height > 0 && (box.height < 43.5 || box.width < 43.5))
                  .map(({ e, box }) => `${e.tagName} ${e.name || e.textContent.trim().slice(0, 20)} ${box.width.toFixed(0)}x${box.height.toFixed(0)}`)""");
        ((List<?>) small).forEach(target -> violations.add("%s at %d px: too small for a glove: %s".formatted(path, width, target)));
        int scrolls = ((Number) page.evaluate("() => document.documentElement.scrollWidth")).intValue();
        if (scrolls > width) {
            violations.add("%s is %d px wide on a screen of %d".formatted(path, scrolls, width));
        }
    }
}
