package nursery.app;

import static nursery.app.Tablet.text;
import static nursery.app.Tablet.typed;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.UUID;
import java.util.concurrent.Callable;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.IntStream;
import nursery.app.ShopUnderTest.Running;
import nursery.app.cups.LogBook;
import nursery.app.floor.Archived;
import nursery.app.floor.Floors;
import nursery.app.platform.Submissions;
import nursery.app.room.RoomBook;
import nursery.app.shelf.ShelfBook;
import nursery.core.cup.Blank;
import nursery.core.cup.Straight;
import nursery.core.cure.CoatMoment;
import nursery.core.cure.RoomReading;
import nursery.core.floor.CupNow;
import nursery.core.log.CupState;
import nursery.core.log.Spindle;
import nursery.core.measure.Edition;
import nursery.core.resin.Label;
import nursery.core.resin.LabelTimes;
import nursery.core.resin.Resin;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.springframework.beans.factory.SmartInitializingSingleton;
import org.springframework.dao.CannotAcquireLockException;

/** Labels and blanks in editions, cups that leave the floor and come back, and what a page may cost. */
@ExtendWith(ShopUnderTest.class)
class WholeLifeTest {

    private static Running shop;
    private static Tablet tablet;
    private static LogBook log;
    private static ShelfBook shelf;
    private long resin;
    private long blank;

    @BeforeAll
    static void open(Running running) {
        shop = running;
        tablet = new Tablet(running);
        log = running.bean(LogBook.class);
        shelf = running.bean(ShelfBook.class);
    }

    @BeforeEach
    void aBlankAndAResin() {
        shop.empty();
        shop.settle("UTC");
        blank = shelf.addBlank("20 oz slim", new Blank(new Straight(205, 229.3), true, 5, 0, 0, OptionalDouble.of(20)));
        resin = shop.shelf().resins().stream()
                .filter(found -> found.name().startsWith("Regular"))
                .findFirst()
                .orElseThrow()
                .id();
    }

    private static Instant now() {
        return shop.clock().instant();
    }

    /** A cup of which so many steps are done, a day apart. */
    private String cup(int steps) {
        String code = shop.start("Winter sky", resin, now());
        for (int step = 1; step <= steps; step++) {
            shop.clock().forward(Duration.ofHours(step == 4 ? 0 : 24).plusMinutes(20));
            log.add(code, shop.entry(code, step, now(), step == 3 ? 1 : 20), true);
        }
        return code;
    }

    private static Instant sandable(String code) {
        return shop.cup(code).state().newestCoat().orElseThrow().times().at(CoatMoment.SANDABLE);
    }

    /** The same label with everything twice as slow. */
    private static Label slower(Label label) {
        LabelTimes t = label.times();
        LabelTimes twice = new LabelTimes(
                2 * t.workingH(),
                2 * t.turningH(),
                2 * t.recoatFromH(),
                2 * t.recoatUntilH(),
                2 * t.sandableFromH(),
                2 * t.sandableSureH(),
                2 * t.scuffAfterH(),
                2 * t.curedH(),
                2 * t.fullCureH());
        return new Label(
                label.ratio(),
                twice,
                label.referenceC(),
                label.activationKjPerMol(),
                label.densities(),
                label.viscosity(),
                label.potLifeMin(),
                label.tolerancePercent());
    }

    private void write(Edition.Why why) {
        Resin now = shop.shelf().resin(resin).orElseThrow();
        shelf.changeResin(resin, now.version(), now.name(), slower(now.copy().printed()), "Read again.", why, "Mira");
    }

    private static void handOver(String code) {
        assertThat(tablet.send(
                        "/cups/" + code + "/log",
                        typed(
                                "what",
                                "HANDED_OVER",
                                "when",
                                "0",
                                "note",
                                "",
                                "confirmed",
                                "on",
                                "why",
                                "wanted today")))
                .hasStatus(302);
    }

    @Test
    void aLabelPutRightHoldsForTheCoatsThatWereReadByItAndNotForCupsThatLeft() {
        String left = cup(9);
        handOver(left);
        shop.clock().forward(Duration.ofDays(1));
        String here = cup(5);
        Instant leftBefore = sandable(left);
        Instant hereBefore = sandable(here);
        Duration byLabel = Duration.between(poured(here), hereBefore);

        write(Edition.Why.CORRECTED);

        assertThat(sandable(left)).as("finished cups are not rewritten").isEqualTo(leftBefore);
        // Twice the label's hours is twice the time in a steady room.
        assertThat(Duration.between(poured(here), sandable(here)))
                .isCloseTo(byLabel.multipliedBy(2), Duration.ofSeconds(2));
    }

    @Test
    void aChangedProductHoldsForTheCoatsToComeOnly() {
        String before = cup(5);
        Instant byOld = sandable(before);
        Duration oldTime = Duration.between(poured(before), byOld);

        write(Edition.Why.CHANGED);

        assertThat(sandable(before)).as("poured from the old product").isEqualTo(byOld);
        String after = cup(5);
        assertThat(Duration.between(poured(after), sandable(after)))
                .isCloseTo(oldTime.multipliedBy(2), Duration.ofSeconds(2));
        assertThat(sandable(before)).isEqualTo(byOld);
    }

    private static Instant poured(String code) {
        return shop.cup(code).state().newestCoat().orElseThrow().pour().mark().happenedAt();
    }

    @Test
    void aBlankMeasuredWrongIsPutRightForTheCupsOnTheFloorAndAnotherBlankForNone() {
        String left = cup(9);
        handOver(left);
        shop.clock().forward(Duration.ofDays(1));
        String here = cup(1);
        double areaBefore = area(left);
        Blank taller = new Blank(new Straight(220, 229.3), true, 5, 0, 0, OptionalDouble.of(20));
        shelf.changeBlank(blank, version(), "20 oz slim", taller, null, Edition.Why.CORRECTED, "Mira");
        assertThat(area(left)).isEqualTo(areaBefore);
        // By hand: 15 mm more of 229.3 mm around are 34.4 cm².
        assertThat(area(here) - areaBefore).isCloseTo(34.395, within(0.01));

        Blank other = new Blank(new Straight(180, 229.3), true, 5, 0, 0, OptionalDouble.of(20));
        shelf.changeBlank(blank, version(), "20 oz slim", other, null, Edition.Why.CHANGED, "Mira");
        assertThat(area(here) - areaBefore).as("made of the old one").isCloseTo(34.395, within(0.01));
        assertThat(area(cup(1)) - areaBefore).isCloseTo(-25 * 229.3 / 100, within(0.01));
    }

    /** 229.3 mm is 9.0276 in: shown so, and sent back untouched, it is 229.3 mm still. */
    @ParameterizedTest
    @ValueSource(strings = {"MM", "IN"})
    void aNewNameAloneMeasuresNothingAnew(String unit) {
        shop.sql().update("UPDATE shop SET length_unit = ?, temperature_unit = 'F'", unit);
        for (String path : List.of("/shelf/blanks/" + blank, "/shelf/resins/" + resin)) {
            Map<String, String> typed = typed();
            Pattern.compile("<input[^>]*? name=\"(\\w+)\"[^>]*?>")
                    .matcher(tablet.page(path))
                    .results()
                    .filter(input -> !input.group().matches(".*type=\"(radio|checkbox)\".*")
                            || input.group().contains("checked"))
                    .forEach(input -> typed.putIfAbsent(input.group(1), value(input.group())));
            typed.remove("_csrf");
            typed.remove("find");
            typed.put("name", "Renamed");
            typed.put("why", "CORRECTED");
            assertThat(tablet.send(path, typed)).hasStatus(302);
        }
        assertThat(shop.shelf().blank(blank).orElseThrow().name()).isEqualTo("Renamed");
        assertThat(shop.shelf().blank(blank).orElseThrow().editions().all()).hasSize(1);
        assertThat(shop.shelf().resin(resin).orElseThrow().name()).isEqualTo("Renamed");
        assertThat(shop.shelf().resin(resin).orElseThrow().editions().all()).hasSize(1);
    }

    private static String value(String input) {
        Matcher found = Pattern.compile("value=\"([^\"]*)\"").matcher(input);
        return found.find() ? found.group(1) : "on";
    }

    private int version() {
        return shop.shelf().blank(blank).orElseThrow().version();
    }

    private static double area(String code) {
        return shop.cup(code).cup().blank().area().coatedCm2();
    }

    @Test
    void aCupHandedOverLiesInTheArchiveAndComesBackAsItWas() {
        String code = cup(9);
        String other = cup(2);
        CupState before = shop.cup(code).state();
        handOver(code);

        assertThat(onTheFloor()).containsExactly(other);
        assertThat(archived()).containsExactly(code);
        assertThat(tablet.page("/cups")).doesNotContain("/cups/" + code + "\"").contains("/cups/" + other + "\"");
        assertThat(tablet.page("/cups/archive")).contains(code, "handed over").doesNotContain(other);
        assertThat(tablet.page("/cups/" + code)).contains("Open it again", "Handed over at");

        assertThat(tablet.send("/cups/" + code + "/log", typed("what", "REOPENED", "when", "0")))
                .hasStatus(302);
        assertThat(onTheFloor()).containsExactly(code, other);
        assertThat(archived()).isEmpty();
        CupState after = shop.cup(code).state();
        assertThat(after.done()).isEqualTo(before.done());
        assertThat(after.clearCoats()).isEqualTo(before.clearCoats());
        assertThat(after.fullCureAt()).isEqualTo(before.fullCureAt());
        assertThat(after.handedOverAt()).isEmpty();
    }

    private static List<String> onTheFloor() {
        return shop.floor().cups().stream().map(CupNow::code).toList();
    }

    private static List<String> archived() {
        return shop.bean(Floors.class).archive(1, "", Floors.Left.ANY).stream()
                .map(Archived::code)
                .toList();
    }

    @Test
    void aCupInTheArchiveIsFoldedToTheStateItHadOnTheFloor() {
        String code = cup(9);
        CupNow before = shop.cup(code);
        // Two weeks after full cure it leaves by itself.
        shop.clock().set(before.state().fullCureAt().orElseThrow().plus(Duration.ofDays(13)));
        assertThat(onTheFloor()).containsExactly(code);
        shop.clock().forward(Duration.ofDays(2));
        assertThat(onTheFloor()).isEmpty();
        assertThat(archived()).containsExactly(code);
        CupNow after = shop.cup(code);
        assertThat(after.state().done()).isEqualTo(before.state().done());
        assertThat(after.state().on().surface()).isEqualTo(before.state().on().surface());
        assertThat(after.state().fullCureAt()).isEqualTo(before.state().fullCureAt());
        assertThat(tablet.page("/cups/archive?find=winter")).contains(code);
        assertThat(tablet.page("/cups/archive?find=foxglove"))
                .contains("No cup that has left the floor bears “foxglove”");
        assertThat(tablet.page("/cups/archive?find=one-colour&left=CURED")).contains(code);
        assertThat(tablet.page("/cups/archive?left=ABANDONED")).contains("No such cup has left the floor that way");
        assertThat(tablet.get("/cups/archive?page=900&find=%25&left=nobody")).hasStatusOk();
    }

    @Test
    void aCupGivenUpNeedsAReasonAndLeaves() {
        String code = cup(5);
        assertThat(text(tablet.send("/cups/" + code + "/log", typed("what", "ABANDONED", "when", "0", "note", " "))))
                .contains("Say in a few words why it is given up");
        assertThat(onTheFloor()).containsExactly(code);
        assertThat(tablet.send(
                        "/cups/" + code + "/log",
                        typed("what", "ABANDONED", "when", "0", "note", "fell off the turner")))
                .hasStatus(302);
        assertThat(onTheFloor()).isEmpty();
        assertThat(tablet.page("/cups/archive")).contains("given up");
        assertThat(tablet.page("/cups/" + code)).contains("fell off the turner", "Given up at");
        assertThat(text(tablet.send("/cups/" + code + "/log", typed("what", "DONE", "step", "6", "when", "0"))))
                .contains("open it again");
    }

    @Test
    void aShopThatNeverWroteDownWhenItsCupsLeaveDoesSoWhenItOpens() {
        String code = cup(9);
        Instant full = shop.cup(code).state().fullCureAt().orElseThrow();
        shop.sql().update("UPDATE cup SET leaves_at = '9999-12-31'");
        shop.clock().set(full.plus(Duration.ofDays(20)));
        assertThat(onTheFloor()).containsExactly(code);
        shop.context().getBeansOfType(SmartInitializingSingleton.class).values().stream()
                .filter(bean -> bean.getClass().getSimpleName().equals("Leaving"))
                .forEach(SmartInitializingSingleton::afterSingletonsInstantiated);
        assertThat(onTheFloor()).isEmpty();
        assertThat(archived()).containsExactly(code);
    }

    @Test
    void aReadingSentTwiceAtOnceIsKeptOnce() throws Exception {
        RoomBook room = shop.bean(RoomBook.class);
        ExecutorService both = Executors.newFixedThreadPool(8);
        List<Callable<Object>> sent = IntStream.range(0, 8)
                .mapToObj(i -> Executors.callable(() -> room.add(new RoomReading(now(), 20 + i), "sensor")))
                .toList();
        for (var result : both.invokeAll(sent)) {
            result.get();
        }
        both.shutdown();
        assertThat(shop.sql().queryForObject("SELECT COUNT(*) FROM room_reading", Integer.class))
                .isEqualTo(1);
    }

    @Test
    void formsSentLongAgoAreForgotten() {
        shop.sql()
                .update("INSERT INTO submission (token, leads_to, received_at) VALUES ('old', '/', '2026-02-20'), "
                        + "('new', '/', '2026-03-01')");
        shop.clock().forward(Duration.ofHours(2));
        shop.bean(Submissions.class).once(UUID.randomUUID().toString(), () -> "/");
        assertThat(shop.sql().queryForList("SELECT token FROM submission WHERE token IN ('old', 'new')", String.class))
                .containsExactly("new");
    }

    @Test
    void whoTheDatabaseGaveUpForAnotherTriesAgain() {
        AtomicInteger tries = new AtomicInteger();
        Submissions submissions = shop.bean(Submissions.class);
        String token = UUID.randomUUID().toString();
        assertThat(submissions.once(token, () -> {
                    if (tries.incrementAndGet() < 3) {
                        throw new CannotAcquireLockException("deadlock");
                    }
                    return "/done";
                }))
                .isEqualTo("/done");
        assertThat(tries).hasValue(3);
        assertThat(submissions.once(token, () -> "/again"))
                .as("and it is done once")
                .isEqualTo("/done");
    }

    /** Two tablets that swap two cups' spindles, each taking the other's, over and over. */
    @Test
    void twoTabletsMaySwapTwoCupsSpindles() throws Exception {
        String a = cup(5);
        String b = cup(5);
        List<Long> spindles =
                shop.shelf().spindles().stream().map(Spindle::id).limit(2).toList();
        ExecutorService both = Executors.newFixedThreadPool(2);
        for (int round = 0; round < 10; round++) {
            long one = spindles.get(round % 2);
            long two = spindles.get((round + 1) % 2);
            shop.clock().forward(Duration.ofHours(5));
            List<Callable<Integer>> swaps = List.of(() -> pourAgain(a, one), () -> pourAgain(b, two));
            for (var answer : both.invokeAll(swaps)) {
                assertThat(answer.get()).isIn(302, 422);
            }
        }
        both.shutdown();
    }

    private static int pourAgain(String code, long spindle) {
        tablet.send("/cups/" + code + "/plan", typed("add", "coat"));
        int step = shop.cup(code).state().next().orElseThrow().step().number();
        return tablet.send(
                        "/cups/" + code + "/log",
                        typed(
                                "what",
                                "POURED",
                                "step",
                                "" + step,
                                "when",
                                "0",
                                "amount",
                                "10",
                                "spindle",
                                "" + spindle,
                                "note",
                                "",
                                "confirmed",
                                "on",
                                "why",
                                "swapped"))
                .getResponse()
                .getStatus();
    }

    /** Fifteen cups on the go, and hundreds in the archive that no page may read. */
    @ParameterizedTest
    @ValueSource(
            strings = {
                "/",
                "/cups/%s",
                "/plan",
                "/plan/today",
                "/mix",
                "/room",
                "/cups",
                "/cups/archive",
                "/shelf",
                "/alarms"
            })
    void aPageTakesTwelveStatementsAtMostAndIsNoLargerThan150Kilobytes(String path) {
        String code = cup(5);
        IntStream.range(0, 14).forEach(i -> cup(i % 5));
        Map<String, Object> sample = shop.sql().queryForMap("SELECT id, blank_edition FROM cup LIMIT 1");
        shop.sql()
                .update(
                        """
                INSERT INTO cup (code, name, made_for, blank_id, base_resin_id, last_resin_id, paint_colour,
                  glitter_colour, schools, technique, started_at, leaves_at, left_how)
                SELECT CONCAT('XX-', seq), name, made_for, blank_id, base_resin_id, last_resin_id, paint_colour,
                  glitter_colour, schools, technique, '2025-01-01', '2025-02-01',
                  'HANDED_OVER' FROM cup JOIN seq_1_to_400 WHERE id = ?""",
                        sample.get("id"));
        String page = path.formatted(code);
        assertThat(tablet.get(page)).hasStatusOk();
        int before = statements();
        String answer = tablet.page(page);
        // Its own question is one of them.
        assertThat(statements() - before).as("statements").isLessThanOrEqualTo(12);
        assertThat(answer.length()).as("characters").isLessThan(150_000);
        shop.sql().update("DELETE FROM cup WHERE code LIKE 'XX-%'");
    }

    private static int statements() {
        return shop.sql()
                .queryForObject(
                        "SELECT CAST(variable_value AS INT) FROM information_schema.global_status "
                                + "WHERE variable_name = 'COM_SELECT'",
                        Integer.class);
    }

    @Test
    void whatADirectPourDrawsComesOutOfTheBottlesAndGoesBackWhenItNeverWas() {
        for (String part : List.of("A", "B")) {
            assertThat(tablet.send(
                            "/shelf/bottles",
                            typed("resin", "" + resin, "part", part, "lot", part + "-1", "holds", "500")))
                    .hasStatus(302);
        }
        String code = cup(4);
        assertThat(drawn("A-1"))
                .as("1 ml of adhesive and its losses, on marks of 2.5")
                .isEqualTo(2.5);
        shop.clock().forward(Duration.ofHours(5));
        double mixed = shop.floor()
                .mixedFor(shop.cup(code).cup(), shop.shelf().resin(resin).orElseThrow(), 22)
                .partAMl();
        log.add(code, shop.entry(code, 5, now(), 22), true);
        assertThat(drawn("A-1")).isEqualTo(2.5 + mixed);
        long entry =
                shop.cup(code).state().newestCoat().orElseThrow().pour().mark().id();
        log.correct(code, entry, Optional.empty(), "Mira", "it was another cup");
        assertThat(drawn("A-1")).isEqualTo(2.5);
        assertThat(shop.sql()
                        .queryForObject(
                                "SELECT SUM(ml) FROM bottle_draw d JOIN bottle b ON b.id = d.bottle_id "
                                        + "WHERE b.lot = 'B-1'",
                                Double.class))
                .as("what is counted on the bottle is the sum of its draws")
                .isEqualTo(drawn("B-1"));
    }

    private static double drawn(String lot) {
        return shop.sql().queryForObject("SELECT drawn_ml FROM bottle WHERE lot = ?", Double.class, lot);
    }
}
