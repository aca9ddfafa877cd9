package nursery.app;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Browser;
import com.microsoft.playwright.BrowserContext;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.TimeoutError;
import com.microsoft.playwright.assertions.PlaywrightAssertions;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.ColorScheme;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.OptionalDouble;
import nursery.app.ShopUnderTest.Running;
import nursery.app.cups.CupBook;
import nursery.app.cups.LogBook;
import nursery.app.materials.MaterialBook;
import nursery.app.shelf.ShelfBook;
import nursery.app.wrap.DesignBook;
import nursery.app.wrap.Sketch;
import nursery.core.cup.Blank;
import nursery.core.cup.Straight;
import nursery.core.floor.CupNow;
import nursery.core.log.Cup;
import nursery.core.log.LogEntry;
import nursery.core.plan.Order;
import nursery.core.resin.Resin;
import nursery.core.technique.PlanStep;
import nursery.core.technique.School;
import nursery.core.technique.StepKind;
import nursery.core.wrap.Design;
import nursery.core.wrap.Item;
import nursery.core.wrap.Lay;
import nursery.core.wrap.Sheet;
import nursery.core.wrap.WaveLine;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.extension.ExtendWith;

/** What every journey through the real interface needs: a shop, a browser, and hands that press. */
@ExtendWith(ShopUnderTest.class)
abstract class Journey {

    static {
        // Two browsers on two cores: what is there in one second on a quiet machine may take six.
        PlaywrightAssertions.setDefaultAssertionTimeout(10_000);
    }

    Running shop;
    BrowserContext context;
    Page page;
    final List<String> complaints = new ArrayList<>();

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

    void open(int width, int height, ColorScheme scheme) {
        if (context != null) {
            context.close();
        }
        context = shop.browser()
                .newContext(new Browser.NewContextOptions()
                        .setViewportSize(width, height)
                        .setColorScheme(scheme)
                        .setBaseURL(shop.address()));
        page = context.newPage();
        page.onConsoleMessage(message -> {
            // A preview that a newer one overtakes is aborted, which htmx reports; a 422 is how a form comes back.
            if ("error".equals(message.type())
                    && !message.text().matches("(?s).*(422|htmx:sendAbort|htmx:afterRequest).*")) {
                complaints.add(message.text());
            }
        });
        page.onPageError(complaints::add);
    }

    void forward(double hours) {
        shop.clock().forward(Duration.ofSeconds(Math.round(hours * 3600)));
        page.reload();
    }

    Locator button(String name) {
        return page.getByRole(
                AriaRole.BUTTON, new Page.GetByRoleOptions().setName(name).setExact(true));
    }

    /** Presses a button that sends a form, and waits until its answer is there. */
    void send(String name) {
        page.evaluate(
                """
            () => {
              window.beforeSending = true;
              window.moved = [];
              new PerformanceObserver((list) => list.getEntries().forEach((entry) => entry.sources.forEach((one) =>
                  window.moved.push(`${one.node?.outerHTML?.slice(0, 40)} by ${one.currentRect.y - one.previousRect.y}`
                      + ` ${Math.round(performance.now() - entry.startTime)} ms before`))))
                .observe({ type: 'layout-shift', buffered: true });
              for (const kind of ['pointerdown', 'pointerup', 'click', 'submit']) {
                document.addEventListener(kind, (event) => {
                  window.pressedLast = `${window.pressedLast || ''} ${kind} ${event.target.outerHTML.slice(0, 60)}`;
                }, true);
              }
            }""");
        button(name).click();
        try {
            page.waitForFunction("() => !window.beforeSending && document.readyState === 'complete'");
        } catch (TimeoutError nothingCame) {
            throw new AssertionError("\"" + name + "\" was pressed and no page came. " + whatStands(), nothingCame);
        }
    }

    /** What a page that did not go on looks like, for whoever reads of it in a log. */
    private Object whatStands() {
        return page.evaluate(
                """
            () => {
              const sent = [...document.forms].filter((form) => form.matches('[data-sent], [data-sure], [data-asking]'))
                .map((form) => `${form.getAttribute('action')} ${JSON.stringify(form.dataset)}`);
              return `At ${location.href}, ${document.readyState}, ${window.beforeSending ? 'as before' : 'anew'}; `
                + `pressed last: ${window.pressedLast}; moved: ${window.moved.join(' | ')}; `
                + `forms under way: ${sent.join(' ') || 'none'}; `
                + `line: ${document.getElementById('line')?.textContent}; `
                + `kept: ${localStorage.getItem('waiting-touches')}`;
            }""");
    }

    void noWiderThanTheScreen() {
        assertThat(page.evaluate("() => document.documentElement.scrollWidth <= window.innerWidth"))
                .as(page.url())
                .isEqualTo(true);
    }

    Locator link(String name) {
        return page.getByRole(
                        AriaRole.LINK, new Page.GetByRoleOptions().setName(name).setExact(true))
                .first();
    }

    void choose(String chip) {
        page.locator("label.chip", new Page.LocatorOptions().setHasText(chip))
                .first()
                .click();
    }

    /** Opens a fold by what stands on it, unless this device remembers it open. */
    void unfold(String words) {
        Locator summary = page.locator("summary", new Page.LocatorOptions().setHasText(words))
                .first();
        // A press is lost that begins on a part and ends on the one that was fetched in its place: one presses again.
        for (int i = 0; i < 3 && !(Boolean) summary.evaluate("summary => summary.parentElement.open"); i++) {
            summary.click();
        }
    }

    Locator doNow() {
        return page.locator(".do-title");
    }

    /** A blank on the shelf, for whom its measuring is not the matter. */
    void measureABlank() {
        shop.bean(ShelfBook.class)
                .addBlank("20 oz slim", new Blank(new Straight(205, 228.6), true, 5, 0, 0, OptionalDouble.empty()));
    }

    /** The same with a tape, on the page. */
    void measureABlankByTape() {
        page.navigate("/shelf/blanks/new");
        page.getByLabel("Name").fill("20 oz slim");
        page.getByLabel("Height", new Page.GetByLabelOptions().setExact(true)).fill("205");
        page.getByLabel("Circumference", new Page.GetByLabelOptions().setExact(true))
                .fill("9");
        assertThat(page.locator("#drawing")).containsText("did you mean 9 in (229 mm)?");
        page.getByLabel("Circumference", new Page.GetByLabelOptions().setExact(true))
                .fill("9 in");
        assertThat(page.locator("#drawing .huge")).containsText("510");
        assertThat(page.locator("#drawing svg.cup")).isVisible();
        page.getByLabel("Bare at the rim").fill("5");
        assertThat(page.locator("#drawing .huge")).containsText("499");
        send("Put it on the shelf");
        assertThat(page.locator("[id^='blank-']").first()).containsText("20 oz slim");
    }

    /** A cup that is taken up, on its page; by hand, {@link CupJourneyTest} does it. */
    void startACup() {
        startCups("Winter sky", 1, School.TURN);
        page.navigate("/cups/A-01");
    }

    /** Some alike, on the first blank and in the regular resin. */
    void startCups(String name, int count, School... schools) {
        Resin regular = shop.shelf().resins().stream()
                .filter(resin -> resin.name().startsWith("Regular"))
                .findFirst()
                .orElseThrow();
        Order order = shop.glitterCup(name, regular.id(), schools);
        Cup.About about =
                new Cup.About(name, "", order.about().technique(), order.about().blank(), "#1f3a5f", "#3f7fbf");
        shop.bean(CupBook.class)
                .start(
                        new Order(
                                about,
                                count,
                                order.blankId(),
                                order.blank(),
                                order.resins(),
                                order.schools(),
                                order.plan(),
                                order.due(),
                                1),
                        shop.clock().instant());
    }

    /** The next step, done just now; a coat with what is suggested, on the first spindle. */
    private void log() {
        CupNow now = shop.cup("A-01");
        PlanStep step = now.state().next().orElseThrow().step();
        LogEntry entry = shop.entry("A-01", step.number(), shop.clock().instant(), 0);
        if (entry instanceof LogEntry.Poured poured) {
            entry = new LogEntry.Poured(
                    poured.mark(),
                    poured.step(),
                    // As its field shows it.
                    Math.round(shop.floor().share(now, step).suggestedMl() * 10) / 10.0,
                    Optional.of(shop.shelf().spindles().get(0)),
                    poured.pot());
        }
        shop.bean(LogBook.class).add("A-01", entry, false);
    }

    /** Scuffed, painted, sprinkled into its adhesive, and ready for its flood; by hand, {@link CupJourneyTest}. */
    void upToTheFlood() {
        log();
        log();
        shop.clock().forward(Duration.ofMinutes(63));
        log();
        shop.clock().forward(Duration.ofMinutes(6));
        log();
        forward(4);
    }

    /** Up to where the body is to be sanded, and it feels rough. */
    void upToSanding() {
        upToTheFlood();
        send("Poured");
        forward(5);
        send("Poured");
        forward(9);
    }

    /** A tram on the first blank, with an outline, and a wave below it. */
    long aDesign() {
        DesignBook designs = shop.bean(DesignBook.class);
        try (InputStream file = Objects.requireNonNull(Journey.class.getResourceAsStream("/wrap/art/tram.svg"))) {
            long art = designs.addArt("tram", file.readAllBytes(), "Mira");
            Item.Make outlined = new Item.Make(false, List.of(1.75), List.of("#ffffff"), true, false, 0);
            Item tram = new Item(
                    "Tram", designs.art(art), new Lay(120, 0, 0, 70, Lay.Bend.LEVEL), Sheet.VINYL, outlined, 1);
            return designs.add(
                    new Sketch(
                            "Number seven",
                            shop.shelf().blanks().get(0).id(),
                            "#efe6cf",
                            true,
                            List.of(new Sketch.Part(art, tram)),
                            Math.PI,
                            List.of(new Design.Band("Hill", "#22402f", new WaveLine(50, 40, 5, 2)))),
                    "Mira");
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** A glitter with a lot, put on the shelf by its form; returns its page. */
    String aMaterial() {
        page.navigate("/shelf/materials/new");
        page.locator("#name").fill("Old brass fine");
        page.locator("label:has(input[name=kind][value=GLITTER])").click();
        page.locator("#amount").fill("60");
        page.locator("#price").fill("7.80");
        send("Put it on the shelf");
        return page.url().substring(shop.address().length()).replaceAll("[#?].*", "");
    }

    private void aBottle() {
        shop.sql()
                .update("INSERT INTO bottle (resin_id, part, lot, holds_ml, added_at, added_by) "
                        + "SELECT MIN(id), 'A', 'L-1', 1000, '2026-01-01', 'Mira' FROM resin");
    }

    void nameItsGlitter(String code, long material) {
        Cup cup = shop.cup(code).cup();
        PlanStep glitter = cup.plan().stream()
                .filter(step -> step.kind() == StepKind.GLITTER)
                .findFirst()
                .orElseThrow();
        shop.bean(MaterialBook.class).choose(cup.id(), glitter, List.of(material));
    }

    /** A shop with something on every page, and all its pages. */
    List<String> everyPage() {
        measureABlank();
        startACup();
        // One that is still bare, beside the one that goes on.
        shop.start("Late tram", shop.shelf().resins().get(0).id(), shop.clock().instant());
        upToTheFlood();
        page.navigate("/mix");
        send("Start this mix");
        String mix = page.url().substring(shop.address().length());
        page.navigate("/techniques/waves");
        send("Copy and change it");
        String edit = page.url().substring(shop.address().length());
        page.navigate("/cups/A-01");
        send("Poured");
        page.navigate("/cups/A-01/fault");
        choose("haze");
        send("Log it and say why");
        page.navigate("/plan");
        send("Make a plan to keep");
        String change = page.url().substring(shop.address().length());
        long entry = shop.sql().queryForObject("SELECT MAX(id) FROM log_entry WHERE kind = 'POURED'", Long.class);
        String design = "/designs/" + aDesign();
        String material = aMaterial();
        aBottle();
        nameItsGlitter("A-02", Long.parseLong(material.replaceAll(".*/", "")));
        return List.of(
                "/",
                "/mix",
                "/people",
                "/devices",
                "/links",
                "/backups",
                "/audit",
                "/trust",
                "/join",
                "/mix/turner",
                mix,
                "/cups",
                "/cups/new",
                "/welcome",
                "/words",
                "/cups/A-01/steps",
                "/cups/A-01/about",
                "/cups/A-01/row",
                "/cups/A-01/technique",
                "/cups/A-01/fault",
                "/cups/A-01/why",
                "/faults",
                "/cups/A-02/technique",
                "/cups/archive",
                "/cups/together",
                "/techniques",
                "/techniques/waves",
                "/techniques/compose",
                "/techniques/compose?from=waves",
                edit,
                "/cups/A-01",
                "/cups/A-01/entries/" + entry,
                "/shelf",
                "/shelf/bottles",
                "/shelf/materials",
                "/shelf/materials/new",
                material,
                "/shelf/ahead",
                "/cups/A-01/made",
                "/cups/A-02",
                "/cups/A-02/made",
                "/cups/A-01/photos",
                "/cups/A-01/story",
                "/cups/A-01/again",
                "/stories?find=late",
                "/paper",
                "/money",
                "/figures",
                "/shelf/blanks/new",
                "/shelf/resins/new",
                "/shelf/resins/" + shop.cup("A-01").cup().resins().base().id(),
                "/shelf/resins/" + shop.cup("A-01").cup().resins().base().id() + "/learned",
                "/shelf/blanks/" + shop.shelf().blanks().get(0).id(),
                "/plan",
                "/plan?by=spindles&days=2",
                "/plan/today",
                "/plan/cup/A-01",
                change,
                "/plan/hours",
                "/plan/doubt",
                "/plan/order",
                "/plan/import",
                "/room",
                "/room/lab",
                "/designs",
                design,
                design + "/cut",
                design + "/sides",
                "/alarms",
                "/shop",
                "/nowhere");
    }
}
