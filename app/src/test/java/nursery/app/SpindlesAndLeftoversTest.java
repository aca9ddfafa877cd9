package nursery.app;

import static nursery.app.Tablet.text;
import static nursery.app.Tablet.typed;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import nursery.app.ShopUnderTest.Running;
import nursery.app.cups.LogBook;
import nursery.app.floor.Floors;
import nursery.app.shelf.ShelfBook;
import nursery.core.cup.Blank;
import nursery.core.cup.Straight;
import nursery.core.floor.Batch;
import nursery.core.floor.Placing;
import nursery.core.log.LogEntry;
import nursery.core.plan.PlannedStep;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;

/** What is offered can be done: there is a spindle for it, and what is over of a mix is not lost without a word. */
@ExtendWith(ShopUnderTest.class)
class SpindlesAndLeftoversTest {

    private static Running shop;
    private static Tablet tablet;
    private long regular;
    private int spindles;
    private final List<String> codes = new ArrayList<>();

    @BeforeAll
    static void open(Running running) {
        shop = running;
        tablet = new Tablet(running);
    }

    @BeforeEach
    void twoCupsMoreThanSpindles() {
        shop.empty();
        shop.bean(ShelfBook.class)
                .addBlank("20 oz slim", new Blank(new Straight(205, 229.3), true, 5, 0, 0, OptionalDouble.of(20)));
        shop.settle("UTC");
        regular = shop.shelf().resins().stream()
                .filter(found -> found.name().startsWith("Regular"))
                .findFirst()
                .orElseThrow()
                .id();
        spindles = shop.shelf().spindles().size();
        codes.clear();
        for (int i = 0; i < spindles + 2; i++) {
            codes.add(readyToFlood());
        }
    }

    private static String readyToFlood(long resin) {
        Instant now = shop.clock().instant();
        String code = shop.start("Winter sky", resin, now.minus(Duration.ofHours(8)));
        LogBook log = shop.bean(LogBook.class);
        for (int step = 1; step <= 4; step++) {
            log.add(code, shop.entry(code, step, now.minus(Duration.ofMinutes(480 - 60 * step)), 1), true);
        }
        return code;
    }

    private String readyToFlood() {
        return readyToFlood(regular);
    }

    private static List<String> found(String page, String pattern) {
        Matcher matcher = Pattern.compile(pattern).matcher(page);
        return matcher.results().map(match -> match.group(1)).toList();
    }

    private String mixed(Map<String, String> chosen, double eachMl) {
        String mix = tablet.send("/mix", chosen, "Mira").getResponse().getRedirectedUrl();
        assertThat(mix).startsWith("/mix/");
        assertThat(tablet.send(mix + "/mixed", typed("partA", "" + eachMl, "partB", "" + eachMl), "Mira"))
                .hasStatus(302);
        return mix;
    }

    private Map<String, String> picked(Stream<String> cups) {
        Map<String, String> typed = typed("resin", "" + regular);
        cups.forEach(code -> typed.put("pick-" + code, "on"));
        return typed;
    }

    /** "Mix for 6: one mix reaches all 6", and at pouring two were refused because no spindle was free. */
    @Test
    void benchMixingBenchPlanAndPouringOfferWhatHasASpindle() {
        Placing proposal = shop.floor().dueTogether(Optional.empty());
        assertThat(proposal.cups()).hasSize(spindles);
        assertThat(proposal.waiting()).hasSize(2).allMatch(one -> one.why() == Placing.Why.NO_SPINDLE);
        assertThat(tablet.page("/board"))
                .contains("Mix for %d coats".formatted(spindles))
                .contains(codes.get(spindles) + ", " + codes.get(spindles + 1) + ": no spindle left.");
        String bench = tablet.page("/mix");
        assertThat(found(bench, "name=\"pick-([A-Z0-9-]+)\" checked")).hasSize(spindles);
        assertThat(bench).contains("no spindle left").contains("One mix reaches all %d cups".formatted(spindles));
        Instant first = shop.plan().steps().get(0).begins();
        assertThat(shop.plan().steps().stream()
                        .filter(step ->
                                step.turns().isPresent() && step.begins().isBefore(first.plus(Duration.ofHours(2))))
                        .map(PlannedStep::cup))
                .as("the plan's first evening")
                .hasSizeLessThanOrEqualTo(spindles);
        assertThat(tablet.page("/mix/sheet?resin=" + regular
                        + String.join(
                                "",
                                codes.stream()
                                        .map(code -> "&pick-" + code + "=on")
                                        .toList())))
                .as("picked all the same")
                .contains("%d of %d cups have a place to turn".formatted(spindles, spindles + 2))
                .contains("Leave it out: no spindle left.");

        String mix = mixed(picked(codes.stream().limit(spindles)), 30 * spindles / 2.0);
        String pouring = tablet.page(mix);
        assertThat(pouring).doesNotContain("Wait: no spindle");
        List<String> on = found(pouring, "<option value=\"(\\d+)\" selected");
        assertThat(on).as("each its own").hasSize(spindles).doesNotHaveDuplicates();
        for (int i = 0; i < spindles; i++) {
            assertThat(tablet.send(
                            mix + "/pour", typed("cup", codes.get(i), "amount", "20", "spindle", on.get(i)), "Mira"))
                    .as("what is offered is not questioned")
                    .hasStatus(302);
        }
        assertThat(tablet.page("/board")).doesNotContain("Mix for ").contains(": no spindle left until ");
    }

    /** With every spindle taken "hung" was offered and then asked about. */
    @Test
    void whereNoSpindleIsFreeNoneIsOfferedAndTheMakerSays() {
        LogBook log = shop.bean(LogBook.class);
        for (int i = 0; i < spindles; i++) {
            LogEntry.Poured entry =
                    (LogEntry.Poured) shop.entry(codes.get(i), 5, shop.clock().instant(), 20);
            log.add(
                    codes.get(i),
                    new LogEntry.Poured(
                            entry.mark(),
                            5,
                            20,
                            Optional.of(shop.shelf().spindles().get(i)),
                            entry.pot()),
                    true);
        }
        String late = codes.get(spindles);
        String page = tablet.page("/cups/" + late);
        assertThat(found(page, "name=\"spindle\" value=\"(\\d*)\" checked")).isEmpty();
        assertThat(page).contains("No spindle is free.");
        Map<String, String> pour =
                typed("what", "POURED", "step", "5", "when", "0", "amount", "20", "note", "", "spindle", "?");
        assertThat(text(tablet.send("/cups/" + late + "/log", pour)))
                .contains("No spindle is free: say where it goes, on one of them or hung or by hand.")
                .contains("value=\"20\"");
        shop.clock().forward(Duration.ofHours(12));
        pour.put("spindle", "" + shop.shelf().spindles().get(0).id());
        assertThat(tablet.send("/cups/" + late + "/log", pour))
                .as("whoever turned long enough makes room without a question")
                .hasStatus(302);
    }

    /** 50 ml stood in the pot, and "Close this mix" booked them as lost without a question. */
    @Test
    void whatIsOverIsAskedAboutAndOfferedToAnother() {
        String mix = mixed(picked(codes.stream().limit(1)), 40);
        long number = Long.parseLong(mix.substring(5));
        String first = "" + shop.shelf().spindles().get(0).id();
        assertThat(tablet.send(mix + "/pour", typed("cup", codes.get(0), "amount", "23", "spindle", first), "Mira"))
                .hasStatus(302);
        assertThat(text(tablet.send(mix + "/close", typed("leftover", ""), "Mira")))
                .contains("57 ml of it did not go on a cup.")
                .contains("It stayed on cups, sticks and gloves");
        String page = text(tablet.get(mix));
        assertThat(page).contains("It would do for:").contains(codes.get(1) + ", Flood coat, 22.5 ml");
        assertThat(tablet.send(mix + "/join", typed("join", codes.get(1)), "Mira"))
                .hasStatus(302);
        assertThat(text(tablet.send(mix + "/join", typed("join", codes.get(1)), "Jonas")))
                .contains("does not do for " + codes.get(1) + " any more");
        String second = "" + shop.shelf().spindles().get(1).id();
        assertThat(tablet.send(mix + "/pour", typed("cup", codes.get(1), "amount", "23", "spindle", second), "Mira"))
                .hasStatus(302);
        assertThat(text(tablet.send(mix + "/close", typed("leftover", "5", "aside", "30"), "Mira")))
                .contains("35 ml cannot be left: what was mixed, less what went on the cups, is 34 ml");
        assertThat(tablet.send(mix + "/close", typed("leftover", "4", "aside", "28"), "Mira"))
                .hasStatus(302);
        Batch closed = shop.bean(Floors.class).batch(number).orElseThrow();
        assertThat(closed.left().orElseThrow().asideMl()).isCloseTo(28, within(1e-9));
        assertThat(text(tablet.get(mix))).contains("28 ml put aside");
    }

    @Test
    void allOfItOnSticksAndGlovesIsTakenFromWhoSaysSo() {
        String mix = mixed(picked(codes.stream().limit(1)), 40);
        assertThat(text(tablet.send(mix + "/close", typed("leftover", "1 l"), "Mira")))
                .contains("leftover");
        assertThat(tablet.send(mix + "/close", typed("leftover", "", "rest", "on"), "Mira"))
                .hasStatus(302);
    }

    /** 140 ml for a coat of 22.5, or 2.3: a slip of a zero is asked about wherever it is typed. */
    @Test
    void aSlipOfAZeroIsAskedAboutInEveryForm() {
        String code = codes.get(0);
        String spindle = "" + shop.shelf().spindles().get(0).id();
        Map<String, String> pour =
                typed("what", "POURED", "step", "5", "when", "0", "amount", "140", "note", "", "spindle", spindle);
        assertThat(text(tablet.send("/cups/" + code + "/log", pour)))
                .contains("takes about 22.5 ml on this cup")
                .contains("Is there a zero too many?")
                .doesNotContain("because-WILL_NOT_STAY");
        pour.put("amount", "2.3");
        assertThat(text(tablet.send("/cups/" + code + "/log", pour))).contains("Is there a zero too few?");
        Map<String, String> row = typed(
                "step-5",
                "on",
                "at-5",
                shop.bean(Floors.class).show().input(shop.clock().instant()),
                "amount-5",
                "2.3",
                "spindle-5",
                spindle,
                "resin-5",
                "" + regular);
        assertThat(text(tablet.send("/cups/" + code + "/row", row))).contains("Is there a zero too few?");
        Map<String, String> mix = picked(Stream.of(code));
        mix.put("share-" + code, "140");
        assertThat(text(tablet.send("/mix", mix, "Mira")))
                .contains("Is there a zero too many?")
                .contains("value=\"140\"");
        mix.put("meant-" + code, "on");
        assertThat(tablet.send("/mix", mix, "Mira")).hasStatus(302);
    }
}
