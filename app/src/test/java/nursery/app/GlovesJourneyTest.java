package nursery.app;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.Route;
import com.microsoft.playwright.assertions.LocatorAssertions.IsCheckedOptions;
import com.microsoft.playwright.assertions.LocatorAssertions.IsVisibleOptions;
import com.microsoft.playwright.options.BoundingBox;
import com.microsoft.playwright.options.ColorScheme;
import com.microsoft.playwright.options.LoadState;
import com.microsoft.playwright.options.SelectOption;
import com.microsoft.playwright.options.WaitUntilState;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.regex.Pattern;
import nursery.app.cups.LogBook;
import nursery.core.log.LogEntry;
import nursery.core.log.Mark;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** The bench with gloves on: what is in sight at once, what a touch does, and how it is taken back. */
class GlovesJourneyTest extends Journey {

    /** The strip of rooms along the bottom of a phone. */
    private static final int RAIL_PX = 61;

    private void onAPhone() {
        open(390, 844, ColorScheme.LIGHT);
    }

    private void cups(int count) {
        measureABlank();
        startCups("", count);
    }

    private double bottomOf(Locator locator) {
        return locator.boundingBox().y + locator.boundingBox().height;
    }

    @Test
    void anEmptyShopCountsDownItsFirstWindowWithinTwelveTouchesAndSixPages() {
        onAPhone();
        AtomicInteger pages = new AtomicInteger();
        int touches = 0;
        page.onLoad(loaded -> pages.incrementAndGet());
        page.navigate("/");
        link("Start: three questions").click();
        touches++;
        assertThat(page.locator("h1")).containsText("Three questions");
        for (String chip : List.of("20 oz slim", "Regular tumbler epoxy")) {
            choose(chip);
            touches++;
        }
        for (String button : List.of("Start the first cup", "Start it", "Done", "Done")) {
            send(button);
            touches++;
        }
        assertThat(page.locator(".do-when")).containsText("opens in");
        assertThat(page.locator(".do-when")).containsText("1 h 00 min");
        assertThat(touches).isLessThanOrEqualTo(12);
        assertThat(pages.get()).isLessThanOrEqualTo(6);
        assertThat(page.locator(".cup-head")).containsText("20 oz slim (assumed)");
        page.navigate("/");
        assertThat(page.locator(".room-now")).containsText("assumed");
        page.navigate("/shelf");
        assertThat(page.locator("#turners")).containsText("its speed is assumed");
    }

    @Test
    void everyAnswerToTheThreeQuestionsIsTaken() {
        page.navigate("/welcome");
        for (String blank : List.of("12 oz slim", "30 oz tapered", "16 oz mug", "another:", "20 oz slim")) {
            choose(blank);
        }
        for (String resin : List.of("Fast tumbler epoxy", "mine", "Regular tumbler epoxy")) {
            choose(resin);
        }
        for (String spindles : List.of("1 spindle", "4 spindles", "6 spindles", "8 spindles", "2 spindles")) {
            choose(spindles);
        }
        page.getByLabel("Turns a minute").fill("-3");
        send("Start the first cup");
        assertThat(page.locator("#faults")).containsText("The turner's speed");
        page.getByLabel("Turns a minute").fill("5");
        send("Start the first cup");
        assertThat(page.locator("h1")).containsText("Start a cup");
        assertThat(shop.shelf().turners().get(0).spindles()).hasSize(2);
        assertThat(shop.shelf().turners().get(0).rpm()).isEqualTo(5);
        assertThat(shop.shelf().turners().get(0).speedAssumed()).isFalse();
    }

    @ParameterizedTest
    @CsvSource({"390, 844, 3", "1280, 800, 6"})
    void whatWantsHandsIsInSightWithoutScrolling(int width, int height, int atLeast) {
        cups(7);
        open(width, height, ColorScheme.LIGHT);
        page.navigate("/");
        Locator card = page.locator(".now-card").nth(atLeast - 1);
        assertThat(bottomOf(card)).isLessThanOrEqualTo(width < 800 ? height - RAIL_PX : height);
        assertThat(card.locator(".tape")).isVisible();
        assertThat(card.locator(".now-step")).isVisible();
        assertThat(card.locator(".now-clock")).isVisible();
    }

    @Test
    void onAPhoneTheButtonThatLogsIsAtTheThumb() {
        cups(1);
        onAPhone();
        page.navigate("/cups/A-01");
        assertThat(bottomOf(button("Done"))).isBetween(844.0 - RAIL_PX - 30, 844.0 - RAIL_PX);
        page.evaluate("() => window.scrollTo(0, document.body.scrollHeight)");
        assertThat(bottomOf(button("Done"))).isBetween(844.0 - RAIL_PX - 30, 844.0 - RAIL_PX);
        assertThat(bottomOf(page.locator(".foot")))
                .isLessThanOrEqualTo(button("Done").boundingBox().y);
        noWiderThanTheScreen();
    }

    @ParameterizedTest
    @ValueSource(ints = {390, 1280})
    void aTouchIsAnsweredAndTakenBack(int width) {
        cups(1);
        open(width, 844, ColorScheme.LIGHT);
        page.navigate("/cups/A-01");
        send("Done");
        assertThat(page.locator(".said [role=status]")).containsText("Logged");
        assertThat(page.locator(".said")).containsText("Scuff, clean and mask: done");
        assertThat(doNow()).hasText("Paint the base colour");
        send("Undo");
        assertThat(doNow()).hasText("Scuff, clean and mask");
        assertThat(page.locator(".said")).containsText("Taken back");
        unfold("History");
        assertThat(page.locator("#history .struck")).containsText("Undone");
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "button => { document.querySelector('.do-card').style.marginTop = '160px'; }",
                "button => { document.querySelector('.cup-head').style.display = 'none'; }",
                "button => { button.replaceWith(button.cloneNode(true)); }",
                "button => { button.parentElement.append(button.cloneNode(true)); button.remove(); }",
                "button => {}"
            })
    void aPressStaysWithItsButtonWhateverMovesUnderIt(String meanwhile) {
        cups(1);
        page.navigate("/cups/A-01");
        BoundingBox box = button("Done").boundingBox();
        page.mouse().move(box.x + box.width / 2, box.y + box.height / 2);
        page.mouse().down();
        button("Done").evaluate(meanwhile);
        page.mouse().up();
        assertThat(page.locator(".said")).containsText("Undo");
        assertThat(shop.cup("A-01").cup().log()).hasSize(1);
    }

    /** The alarms are asked for when the page is there, and their answer may be slow. */
    @ParameterizedTest
    @CsvSource({"1280, 800, 0", "1280, 800, 90", "390, 844, 0", "390, 844, 120", "1280, 2400, 0"})
    void aStripThatComesLateMovesNothingUnderAFinger(int width, int height, int scrolled) {
        cups(1);
        open(width, height, ColorScheme.LIGHT);
        // A device whose last page had no strip.
        context.addInitScript("localStorage.setItem('strips', `${window.innerWidth}:0`)");
        List<Route> held = new ArrayList<>();
        page.route("**/alarms/due", held::add);
        page.navigate("/cups/A-01");
        page.waitForCondition(() -> !held.isEmpty());
        page.evaluate("by => window.scrollTo({ top: by, behavior: 'instant' })", scrolled);
        Locator done = button("Done");
        BoundingBox before = done.boundingBox();
        BoundingBox heading = page.locator("main h1").first().boundingBox();

        page.unroute("**/alarms/due");
        held.get(0).resume();
        Locator away = page.locator("button[aria-label^='Put away']:visible");
        assertThat(away).isVisible();
        assertThat(done.boundingBox().y).isCloseTo(before.y, within(1.0));
        assertThat(page.locator("main h1").first().boundingBox().y).isCloseTo(heading.y, within(1.0));
        assertThat(away.boundingBox().y).isBetween(0.0, 200.0);

        // Taken away by hand it leaves its room, too: what is pressed next is where it was.
        away.click();
        assertThat(away).isHidden();
        assertThat(done.boundingBox().y).isCloseTo(before.y, within(1.0));
    }

    /** What stood above the page before has its room kept above the next one. */
    @Test
    void theRoomOfAStripIsThereBeforeIt() {
        cups(1);
        onAPhone();
        page.navigate("/");
        assertThat(page.locator("button[aria-label^='Put away']")).isVisible();
        assertThat(page.evaluate("() => window.scrollY"))
                .as("of a device that was never here, too")
                .isEqualTo(0);
        List<Route> held = new ArrayList<>();
        page.route("**/alarms/due", held::add);
        page.navigate("/cups");
        page.waitForCondition(() -> !held.isEmpty());
        Locator heading = page.locator("main h1").first();
        double before = heading.boundingBox().y;
        page.unroute("**/alarms/due");
        held.get(0).resume();
        assertThat(page.locator("button[aria-label^='Put away']")).isVisible();
        assertThat(heading.boundingBox().y).isCloseTo(before, within(1.0));
        assertThat(page.evaluate("() => window.scrollY")).isEqualTo(0);

        page.locator("button[aria-label^='Put away']").click();
        page.navigate("/");
        page.waitForLoadState(LoadState.NETWORKIDLE);
        page.navigate("/cups");
        assertThat(heading.boundingBox().y).isLessThan(before - 40);
    }

    /** Who slides off a button has thought better of it. */
    @Test
    void aPressThatSlidesOffIsNone() {
        cups(1);
        page.navigate("/cups/A-01");
        BoundingBox box = button("Done").boundingBox();
        page.mouse().move(box.x + box.width / 2, box.y + box.height / 2);
        page.mouse().down();
        page.mouse().move(box.x + box.width / 2, box.y - 60);
        page.mouse().up();
        page.reload();
        assertThat(shop.cup("A-01").cup().log()).isEmpty();
    }

    @Test
    void foldsStayAsThisDeviceLeftThem() {
        cups(2);
        page.navigate("/cups/A-01");
        for (String fold : List.of("How it is done", "Steps ahead and done", "In section", "History")) {
            unfold(fold);
        }
        page.navigate("/cups/A-02");
        assertThat(page.locator("#history")).hasAttribute("open", "");
        page.locator("#history > summary").click();
        page.reload();
        assertThat(page.locator("[data-fold=plan]")).hasAttribute("open", "");
        assertThat(page.locator("#history[open]")).hasCount(0);
    }

    /** The bench is fetched anew twice a minute, and a cup's windows: neither takes the focus or shuts a fold. */
    @Test
    void refreshingTakesNeitherFocusNorFolds() {
        measureABlank();
        startACup();
        upToTheFlood();
        send("Poured");
        unfold("If the room is warmer");
        unfold("change it, or add a note");
        page.locator("#note").fill("half typed");
        page.locator("#note").focus();
        page.evaluate("() => htmx.trigger('#now', 'window-moved')");
        page.evaluate("() => document.body.dispatchEvent(new Event('window-moved'))");
        page.waitForLoadState(LoadState.NETWORKIDLE);
        assertThat(page.locator("#note")).hasValue("half typed");
        assertThat(page.locator("#note")).isFocused();
        assertThat(page.locator("details.ranges")).hasAttribute("open", "");
        page.navigate("/");
        page.locator("#coming-A-01").focus();
        page.evaluate("() => document.body.dispatchEvent(new Event('window-moved'))");
        page.waitForLoadState(LoadState.NETWORKIDLE);
        assertThat(page.locator("#coming-A-01")).isFocused();
    }

    @Test
    void choosingATechniqueShowsItAtOnce() {
        measureABlank();
        page.navigate("/cups/new");
        Locator ways = page.locator(".way-chips label");
        assertThat(ways).hasCount(15);
        unfold("Its ");
        for (int i = 14; i >= 0; i--) {
            String name = ways.nth(i).innerText().strip();
            ways.nth(i).click();
            assertThat(page.locator("#plan > p b")).hasText(name);
            assertThat(page.locator(".start-steps li").first()).isVisible();
            assertThat(page.locator("#plan > p a")).hasAttribute("href", Pattern.compile("/techniques/[a-z-]+"));
        }
        page.locator(".way-chips label", new Page.LocatorOptions().setHasText("Waves"))
                .click();
        assertThat(page.locator("#plan fieldset").first()).containsText("how many");
        choose("20 oz slim");
        choose("Regular tumbler epoxy");
        send("Start it");
        assertThat(page.locator("h1")).containsText("Waves in partial coats");
    }

    @Test
    void aCupIsFoundByWhatever() {
        cups(2);
        page.navigate("/cups/A-02/about");
        page.getByLabel("For", new Page.GetByLabelOptions().setExact(true)).fill("Heritage tram society");
        page.getByLabel("What it will be").fill("Depot cream");
        send("Keep it");
        assertThat(page.locator("h1")).containsText("Depot cream");
        page.keyboard().press("/");
        page.keyboard().type("tram");
        page.keyboard().press("Enter");
        assertThat(page.locator(".cup-shelf li")).hasCount(1);
        assertThat(page.locator(".cup-shelf")).containsText("A-02");
        page.locator("#rail-find").fill("a-01");
        page.locator("#rail-find").press("Enter");
        assertThat(page).hasURL(Pattern.compile("/cups/A-01$"));
        page.navigate("/cups");
        choose("wants hands");
        assertThat(page.locator(".cup-shelf li")).hasCount(2);
        unfold("For whom, resin");
        page.getByLabel("For", new Page.GetByLabelOptions().setExact(true)).selectOption("Heritage tram society");
        assertThat(page.locator(".cup-shelf li")).hasCount(1);
        unfold("For whom, resin");
        page.getByLabel("For", new Page.GetByLabelOptions().setExact(true)).selectOption("");
        page.getByLabel("Resin").selectOption(new SelectOption().setLabel("Fast tumbler epoxy"));
        assertThat(page.locator(".cup-shelf li")).hasCount(0);
        page.getByLabel("Resin").selectOption("");
        for (String sort : List.of("DUE", "CLOSES", "CODE")) {
            page.getByLabel("Sorted by").selectOption(sort);
            assertThat(page.locator(".cup-shelf li")).hasCount(2);
        }
    }

    @ParameterizedTest
    @ValueSource(ints = {390, 1280})
    void aRunningPlanBends(int width) {
        cups(1);
        open(width, 844, ColorScheme.LIGHT);
        page.navigate("/cups/A-01/steps");
        button("Put in a step first").click();
        assertThat(page.locator("#judgement")).containsText("Choose what this step is.");
        page.locator("#s0-do").selectOption("vinyl");
        assertThat(page.locator(".edit-rows summary").first()).containsText("Lay the vinyl");
        button("Down: Lay the vinyl").click();
        assertThat(page.locator(".edit-rows summary").nth(1)).containsText("Lay the vinyl");
        button("Up: Lay the vinyl").click();
        assertThat(page.locator(".edit-rows summary").first()).containsText("Lay the vinyl");
        button("Remove: Glitter").click();
        assertThat(button("Remove: Glitter")).hasCount(0);
        noWiderThanTheScreen();
        send("Keep this plan");
        assertThat(doNow()).hasText("Lay the vinyl");
        unfold("Steps ahead and done");
        assertThat(page.locator(".plan")).not().containsText("Settle");
        assertThat(shop.cup("A-01").cup().plan())
                .extracting(step -> step.kind().name())
                .startsWith("VINYL", "PREP")
                .doesNotContain("GLITTER");
    }

    /** Each option of the choice of steps: what is a coat asks which, and keeps nothing of what it was before. */
    @Test
    void everyKindOfStepCanBePutIn() {
        cups(1);
        page.navigate("/cups/A-01/steps");
        button("Put in a step first").click();
        Locator kind = page.locator("#s0-do");
        assertThat(kind).isVisible();
        List<String> kinds = kind.locator("option").evaluateAll("all => all.map(one => one.value).filter(one => one)")
                        instanceof List<?> found
                ? found.stream().map(String::valueOf).toList()
                : List.of();
        assertThat(kinds)
                .contains("soap", "foil-adhesive", "mica-seal", "touch-up")
                .hasSizeGreaterThan(40);
        for (String one : kinds) {
            kind.selectOption(one);
            assertThat(page.locator("input[name='s0.was']")).hasValue(one);
            boolean pour = one.endsWith("-coat") || one.equals("adhesive");
            assertThat(page.locator("#s0-coat")).hasCount(pour ? 1 : 0);
            assertThat(page.locator("#judgement .problems li")).hasCount(0);
        }
    }

    /** Each block is touched, moved and taken away again; what stands together is drawn, judged and kept. */
    @Test
    void aTechniqueIsPutTogetherFromPictures() {
        measureABlank();
        onAPhone();
        page.navigate("/techniques");
        link("Put one together").click();
        for (String base : List.of(
                "Bare steel",
                "Came coated",
                "Painted bands",
                "Coarse or mixed glitter on a film",
                "Glitter on craft glue",
                "Powder stirred in",
                "Alcohol ink",
                "Full wrap",
                "Glitter on spray adhesive")) {
            choose(base);
            assertThat(page.locator(".composed .edit-rows li").first()).containsText(base);
        }
        Locator blocks = page.locator(".block-btn");
        assertThat(blocks).hasCount(25);
        while (button("Remove: Coat").first().isVisible()) {
            int left = button("Remove: Coat").count();
            button("Remove: Coat").first().click();
            assertThat(page.locator("[aria-label='Remove: Coat']")).hasCount(left - 1);
        }
        for (int i = 0; i < 25; i++) {
            blocks.nth(i).click();
            assertThat(page.locator(".composed .edit-rows li")).hasCount(3);
            assertThat(page.locator(".composed .verdict")).containsText("No problems found.");
            page.locator(".composed button", new Page.LocatorOptions().setHasText("Remove"))
                    .click();
            assertThat(page.locator(".composed .edit-rows li")).hasCount(2);
        }
        button("Add: Smoke").click();
        assertThat(page.locator(".composed .edit-rows li")).hasCount(3);
        button("Add: Water-slide").click();
        assertThat(page.locator(".composed .edit-rows li")).hasCount(4);
        button("Up: Water-slide").click();
        assertThat(page.locator(".composed .edit-rows li").nth(1)).containsText("Water-slide");
        button("Down: Water-slide").click();
        assertThat(page.locator(".composed .edit-rows li").nth(2)).containsText("Water-slide");
        for (String finish : List.of(
                "Rubbed matte",
                "Sanded smooth, one last coat",
                "Two last coats, sanded between",
                "As it stands",
                "Two last coats")) {
            choose(finish);
            assertThat(page.locator(".composed .edit-rows li").last()).containsText(finish);
        }
        takeAndLeave("Needed: Flood coat", "Open flakes hold no design");
        takeAndLeave("If you like: Seal it", "the hand drags them");
        page.setViewportSize(1280, 800);
        takeAndLeave("Needed: Flood coat", "Open flakes hold no design");
        page.setViewportSize(390, 844);
        noWiderThanTheScreen();
        send("Keep it");
        assertThat(page.locator("#faults")).containsText("The name is missing");
        page.getByLabel("Called").fill("Smoked wrap with a slide");
        send("Keep it");
        assertThat(page.locator("h1")).containsText("Smoked wrap with a slide");
        assertThat(page.locator(".steps")).containsText("Second finishing coat");
    }

    /** A coat that was only offered under the last one, and not taken, is put in when a design goes there. */
    @Test
    void whatWasOfferedAndNotTakenIsPutInWhereItIsNeeded() {
        measureABlank();
        onAPhone();
        page.navigate("/techniques/compose");
        for (int left = 1; left >= 0; left--) {
            button("Remove: Coat").first().click();
            assertThat(page.locator("[aria-label='Remove: Coat']")).hasCount(left);
        }
        page.locator("label.chip:has(input[value='finish-one'])").click();
        Locator joints = page.locator(".joints label");
        assertThat(joints)
                .hasText(List.of(Pattern.compile("If you like: Flood coat.*")).toArray(Pattern[]::new));
        assertThat(joints.locator("input")).isChecked(new IsCheckedOptions().setChecked(false));
        button("Add: Decal").click();
        assertThat(joints)
                .hasText(List.of(Pattern.compile("Needed: Flood coat.*")).toArray(Pattern[]::new));
        assertThat(joints.locator("input")).isChecked();
        assertThat(page.locator(".composed .verdict")).containsText("No problems found.");
    }

    /** One touch leaves what stands between two layers or takes it, and what it is for is told while it is left. */
    private void takeAndLeave(String joint, String because) {
        Locator box = page.locator(".joints label")
                .filter(new Locator.FilterOptions().setHasText(joint))
                .first();
        assertThat(box).containsText(because);
        boolean isTaken = box.locator("input").isChecked();
        for (boolean now : List.of(!isTaken, isTaken)) {
            box.click();
            assertThat(box.locator("input")).isChecked(new IsCheckedOptions().setChecked(now));
            Locator told = page.locator(".composed > p")
                    .filter(new Locator.FilterOptions().setHasText(because))
                    .first();
            assertThat(told).isVisible(new IsVisibleOptions().setVisible(!now));
        }
    }

    @Test
    void overrulingTakesTwoTouchesAndIsMarkedQuietly() {
        cups(1);
        page.navigate("/cups/A-01");
        send("Done");
        send("Done");
        send("Poured");
        assertThat(page.locator(".confirm-part")).containsText("It happened all the same");
        for (String reason : List.of("Done in time, written later", "It could not wait", "Tried it at", "On purpose")) {
            choose(reason);
        }
        send("Poured");
        assertThat(doNow()).hasText("Glitter");
        assertThat(page.locator(".notice.bad")).hasCount(0);
        unfold("done all the same");
        assertThat(page.locator("[data-fold=overruled]")).containsText("Spread the epoxy adhesive");
        unfold("History");
        assertThat(page.locator("#history")).containsText("On purpose");
    }

    @Test
    void aTouchWithoutALineIsKeptAndSentOnceWhenItIsBack() {
        cups(1);
        page.navigate("/cups/A-01");
        context.setOffline(true);
        button("Done").click();
        assertThat(page.locator("#line")).containsText("Not connected");
        assertThat(page.locator("#line")).containsText("1 touch waits to be sent: A-01: Done");
        assertThat(shop.cup("A-01").cup().log()).isEmpty();
        context.setOffline(false);
        assertThat(doNow()).hasText("Paint the base colour");
        assertThat(shop.cup("A-01").cup().log()).hasSize(1);
        assertThat(page.locator("#line")).hasText("");
        complaints.removeIf(complaint -> complaint.contains("ERR_INTERNET_DISCONNECTED"));
    }

    @Test
    void whatIsRefusedWhenTheLineIsBackComesBackWithItsWords() {
        cups(1);
        page.navigate("/cups/A-01");
        context.setOffline(true);
        button("Done").click();
        assertThat(page.locator("#line")).containsText("1 touch waits");
        int step = shop.cup("A-01").state().next().orElseThrow().step().number();
        Instant now = shop.clock().instant();
        shop.bean(LogBook.class)
                .add("A-01", new LogEntry.StepDone(Mark.unnumbered(now, now, "Jonas", ""), step), false);
        context.setOffline(false);
        assertThat(page.locator("#line")).containsText("was not logged: Scuff, clean and mask is already logged");
        assertThat(page.locator("#line")).containsText("Jonas");
        button("Put away").click();
        assertThat(page.locator("#line")).hasText("");
        assertThat(shop.cup("A-01").cup().log()).hasSize(1);
        complaints.removeIf(complaint -> complaint.contains("ERR_INTERNET_DISCONNECTED"));
    }

    /** A day's work, typed in the evening: no step is judged by the hour of typing. */
    @Test
    void severalStepsAreWrittenDownInARowWithTheirTimes() {
        measureABlank();
        startACup();
        forward(9);
        unfold("Steps ahead and done");
        link("Write down several").click();
        assertThat(page.locator(".row-steps li")).hasCount(9);
        send("Write it down");
        assertThat(page.locator("#faults")).containsText("No step is ticked");
        List<String> times = List.of("08:20", "08:35", "09:40", "09:45");
        for (int i = 0; i < times.size(); i++) {
            Locator row = page.locator(".row-steps li").nth(i);
            row.locator("input[type=checkbox]").check();
            row.locator("input[type=datetime-local]").fill("2026-03-02T" + times.get(i));
        }
        page.locator(".row-steps li").nth(2).getByLabel("on the cup").fill("nothing");
        send("Write it down");
        assertThat(page.locator("#faults")).containsText("Spread the epoxy adhesive");
        page.locator(".row-steps li").nth(2).getByLabel("on the cup").fill("1");
        page.locator(".row-steps li").nth(2).getByLabel("turning on").selectOption("Spindle 2");
        send("Write it down");
        assertThat(doNow()).hasText("Flood coat");
        assertThat(page.locator(".notice.bad")).hasCount(0);
        assertThat(shop.cup("A-01").cup().log()).hasSize(4);
    }

    @Test
    void wordsExplainThemselvesByATouch() {
        measureABlank();
        startACup();
        upToTheFlood();
        page.locator(".do-much .word").first().click();
        assertThat(page.locator(".meaning")).containsText("Part A, the resin");
        page.locator(".do-much .word").first().click();
        assertThat(page.locator(".meaning")).hasCount(0);
        link("Words of the trade").click();
        assertThat(page.locator(".words")).containsText("tack window");
    }

    /** With the script still on its way: what a hand opened stays open, what it typed is not followed away. */
    @Test
    void aFoldThatIsOpenedBeforeTheScriptIsThereStaysAsTheHandLeftIt() {
        measureABlank();
        startACup();
        upToTheFlood();
        // This device last had it shut.
        page.evaluate("() => localStorage.setItem('fold-history', 'shut')");
        List<Route> held = new ArrayList<>();
        page.route("**/js/nursery.js", held::add);
        page.navigate(page.url(), new Page.NavigateOptions().setWaitUntil(WaitUntilState.COMMIT));
        page.locator("#history > summary").click();
        assertThat(page.locator("#history")).hasAttribute("open", "");
        held.forEach(Route::resume);
        page.waitForFunction("() => document.querySelector('#history').dataset.folded === 'yes'");
        assertThat(page.locator("#history")).hasAttribute("open", "");
        page.unroute("**/js/nursery.js");
    }

    /** With the scripts still on their way: what was typed is worked out once they are there. */
    @Test
    void whatIsTypedBeforeTheScriptsAreThereIsWorkedOut() {
        measureABlank();
        startACup();
        upToTheFlood();
        List<Route> held = new ArrayList<>();
        page.route("**/htmx.min.js", held::add);
        page.navigate("/mix", new Page.NavigateOptions().setWaitUntil(WaitUntilState.COMMIT));
        page.getByLabel("share, ml").fill("32");
        page.keyboard().press("Tab");
        assertThat(page.locator("#sheet .ab")).containsText("12.5\u00a0ml");
        held.forEach(Route::resume);
        assertThat(page.locator("#sheet .ab")).containsText("17.5\u00a0ml");
        page.unroute("**/htmx.min.js");
    }

    /** A part that is fetched anew keeps what the hand typed while it was on its way, and the fold it opened. */
    @Test
    void whatIsTypedWhileAPartIsFetchedAnewStays() {
        measureABlank();
        startACup();
        page.navigate("/cups/A-01/steps");
        page.locator("#draft summary").first().click();
        List<Route> held = new ArrayList<>();
        page.route("**/steps/draft", held::add);
        page.locator("#draft .press").last().click();
        page.waitForCondition(() -> !held.isEmpty());
        Locator title = page.locator("#draft input[type=text]:visible").first();
        title.fill("typed meanwhile");
        page.evaluate("() => { document.querySelector('#draft').dataset.before = 'yes'; }");
        held.forEach(Route::resume);
        page.waitForFunction("() => !document.querySelector('#draft').dataset.before");
        assertThat(page.locator("#draft input[type=text]:visible").first()).hasValue("typed meanwhile");
    }

    @Test
    void timersAndTheGuideSurviveAReload() {
        measureABlank();
        startACup();
        upToTheFlood();
        link("Mix it").click();
        send("Start this mix");
        page.locator("[data-guide$='-stir'] .timer").first().click();
        assertThat(page.locator("[data-guide$='-stir'] .timer").first()).hasText(Pattern.compile("\\d:\\d\\d"));
        page.reload();
        assertThat(page.locator("[data-guide$='-stir'] .timer").first()).hasText(Pattern.compile("\\d:\\d\\d"));
        page.locator("#stay-awake").check();
        page.reload();
        assertThat(page.locator("#stay-awake")).isChecked();
    }

    @Test
    void whatIsDueStaysInSightWhileItsWindowIsOpen() {
        measureABlank();
        startACup();
        upToTheFlood();
        send("Poured");
        forward(4.5);
        assertThat(page.locator("[data-alarm]:visible")).hasCount(1);
        forward(3);
        assertThat(page.locator("[data-alarm]:visible")).containsText("A-01");
        page.locator("[data-alarm]:visible .alarm-away").click();
        shop.clock().forward(Duration.ofMinutes(1));
        page.reload();
        assertThat(page.locator("[data-alarm]:visible", new Page.LocatorOptions().setHasText("Second coat")))
                .hasCount(0);
    }
}
