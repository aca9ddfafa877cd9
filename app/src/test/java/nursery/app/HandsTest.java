package nursery.app;

import static nursery.app.Visitor.leadsTo;
import static nursery.app.Visitor.typed;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.OptionalDouble;
import nursery.app.ShopUnderTest.Running;
import nursery.app.cups.HandsBook;
import nursery.app.cups.LogBook;
import nursery.app.floor.Floors;
import nursery.app.shelf.ShelfBook;
import nursery.core.cup.Blank;
import nursery.core.cup.Straight;
import nursery.core.technique.PlanStep;
import nursery.core.technique.StepKind;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;

/** How long hands are on a cup is timed by two touches, learned, and counted with. */
@ExtendWith(ShopUnderTest.class)
class HandsTest {

    private Running shop;
    private Visitor maker;
    private String one;
    private String two;

    @BeforeEach
    void twoCups(Running running) {
        shop = running;
        shop.empty();
        shop.settle("UTC");
        shop.clock().set(Instant.parse("2026-03-02T18:00:00Z"));
        shop.bean(ShelfBook.class)
                .addBlank("20 oz slim", new Blank(new Straight(205, 229.3), true, 5, 0, 0, OptionalDouble.empty()));
        maker = new Visitor(shop);
        one = started("Winter sky");
        two = started("Depot");
    }

    private String started(String name) {
        return shop.start(name, shop.shelf().resins().get(0).id(), shop.clock().instant());
    }

    private PlanStep next(String code) {
        return shop.cup(code).stepsAhead().get(0);
    }

    private void begin(String code) {
        assertThat(leadsTo(maker.post("/cups/" + code, "/cups/" + code + "/begin", typed())))
                .isEqualTo("/cups/" + code);
    }

    private void done(String code) {
        PlanStep step = next(code);
        shop.bean(LogBook.class)
                .add(code, shop.entry(code, step.number(), shop.clock().instant(), 20), true);
    }

    private int here(StepKind kind) {
        return shop.bean(Floors.class).hands().minutesOf(kind);
    }

    private List<Double> timed() {
        return shop.sql().queryForList("SELECT minutes FROM step_timed ORDER BY cup_id, step", Double.class);
    }

    @Test
    void twoTouchesTimeAStepAndThePlanCountsWithIt() {
        StepKind kind = next(one).kind();
        int before = kind.handsOnMinutes();
        begin(one);
        assertThat(maker.get("/cups/" + one).body()).contains("Begun at", "Not begun");
        shop.clock().forward(Duration.ofMinutes(before + 12));
        PlanStep step = next(one);
        done(one);
        assertThat(timed()).containsExactly(before + 12.0);
        // By hand: the starting value counts like two: (2·b + b + 12)/3 = b + 4.
        assertThat(here(kind)).isEqualTo(before + 4);
        assertThat(next(two).handsOnMinutes()).isEqualTo(before + 4);
        assertThat(shop.cup(one).cup().step(step.number()).handsOnMinutes()).isEqualTo(before + 12);
        assertThat(shop.cup(one).handsOnMinutes()).isEqualTo(before + 12);
        assertThat(maker.get("/cups/" + one).body()).doesNotContain("Not begun");
        assertThat(maker.get("/figures").body()).contains("<b>" + (before + 4) + " min</b>");
        assertThat(maker.get("/figures/hands.csv").body())
                .contains("\"%s\",%d,%d,1".formatted(kind.title(), before, before + 4));
    }

    @Test
    void whatIsTakenBackWasNotTimed() {
        begin(one);
        shop.clock().forward(Duration.ofMinutes(9));
        StepKind kind = next(one).kind();
        done(one);
        long entry = shop.sql().queryForObject("SELECT MAX(id) FROM log_entry", Long.class);
        maker.post("/cups/" + one, "/cups/" + one + "/undo", typed("entry", "" + entry));
        assertThat(timed()).isEmpty();
        assertThat(here(kind)).isEqualTo(kind.handsOnMinutes());
    }

    @Test
    void aTouchByMistakeAndAStepLeftOutTimeNothing() {
        begin(one);
        maker.post("/cups/" + one, "/cups/" + one + "/begin", typed("not", "on"));
        shop.clock().forward(Duration.ofMinutes(9));
        done(one);
        begin(two);
        maker.post(
                "/cups/" + two,
                "/cups/" + two + "/log",
                typed("what", "SKIPPED", "step", "" + next(two).number(), "when", "0", "note", "not needed"));
        assertThat(timed()).isEmpty();
        assertThat(shop.sql().queryForObject("SELECT COUNT(*) FROM step_begun", Long.class))
                .isZero();
    }

    /** Begun before, forgotten for a night, or written down as done before it was begun: nothing is learned of it. */
    @Test
    void whatCannotBeIsNotLearned() {
        begin(one);
        shop.clock().forward(Duration.ofHours(13));
        done(one);
        begin(two);
        PlanStep step = next(two);
        shop.clock().forward(Duration.ofMinutes(5));
        shop.bean(LogBook.class)
                .add(
                        two,
                        shop.entry(two, step.number(), shop.clock().instant().minus(Duration.ofMinutes(20)), 20),
                        true);
        assertThat(timed()).isEmpty();
    }

    @Test
    void cupsBegunTogetherShareTheTime() {
        assertThat(leadsTo(maker.post(
                        "/cups/together", "/cups/together/begin", typed("cup-" + one, "on", "cup-" + two, "on"))))
                .startsWith("/cups/together?cup-");
        shop.clock().forward(Duration.ofMinutes(16));
        maker.post(
                "/cups/together",
                "/cups/together",
                typed(
                        "what",
                        "DONE",
                        "when",
                        "0",
                        "cup-" + one,
                        "on",
                        "cup-" + two,
                        "on",
                        "step-" + one,
                        "" + next(one).number(),
                        "step-" + two,
                        "" + next(two).number()));
        assertThat(timed()).containsExactly(8.0, 8.0);
    }

    @Test
    void nothingPickedOrNothingToBeginIsSaid() {
        assertThat(maker.post("/cups/together", "/cups/together/begin", typed()).body())
                .contains("No cup is picked");
        assertThat(maker.post("/cups/" + one, "/cups/Z-99/begin", typed()).statusCode())
                .isEqualTo(404);
        while (!next(one).kind().isPour()) {
            shop.clock().forward(Duration.ofMinutes(20));
            done(one);
        }
        assertThat(maker.post("/cups/" + one, "/cups/" + one + "/begin", typed())
                        .body())
                .contains("nothing that hands are on is next");
    }

    /** By hand: begun 18:00, the second cup on the turner at 18:14: seven minutes each. */
    @Test
    void aMixTimesItsCoats() {
        shop.sql()
                .update("INSERT INTO batch (resin_id, measuring_cup_id, ratio, planned_a_ml, planned_b_ml, pot_minutes,"
                        + " started_at, started_by, by_scale) SELECT r.id, m.id, '1:1', 20, 20, 40,"
                        + " '2026-03-02 18:00', 'Mira', FALSE FROM resin r, measuring_cup m LIMIT 1");
        long batch = shop.sql().queryForObject("SELECT MAX(id) FROM batch", Long.class);
        for (String code : List.of(one, two)) {
            shop.sql()
                    .update(
                            "INSERT INTO log_entry (cup_id, kind, step, amount_ml, batch_id, resin_id, resin_edition,"
                                    + " happened_at, recorded_at, recorded_by, note)"
                                    + " SELECT c.id, 'POURED', 4, 20, ?, c.base_resin_id, 1, ?, ?, 'Mira', ''"
                                    + " FROM cup c WHERE c.code = ?",
                            batch,
                            code.equals(one) ? "2026-03-02 18:11" : "2026-03-02 18:14",
                            "2026-03-02 18:14",
                            code);
        }
        shop.bean(HandsBook.class).mixDone(batch, Instant.parse("2026-03-02T18:00:00Z"));
        assertThat(timed()).hasSize(2).allSatisfy(minutes -> assertThat(minutes).isCloseTo(7, within(1e-9)));
    }
}
