package nursery.core.plan;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.ZoneOffset;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import nursery.core.cup.Blank;
import nursery.core.cup.Straight;
import nursery.core.cure.RoomCourse;
import nursery.core.log.Cup;
import nursery.core.log.QuietHours;
import nursery.core.log.Spindle;
import nursery.core.plan.Hurts.Level;
import nursery.core.resin.Resin;
import nursery.core.resin.StartingProfile;
import nursery.core.technique.OneColourGlitter;
import nursery.core.technique.Schools;
import nursery.core.technique.StepKind;
import org.junit.jupiter.api.Test;

/** What is wanted otherwise is so in the workshop, and nothing else is; and what a change moves and hurts. */
class WishTest {

    private static final QuietHours QUIET = new QuietHours(LocalTime.of(22, 30), LocalTime.of(6, 30), ZoneOffset.UTC);
    private static final Resin REGULAR = Resin.of(1, "Regular", StartingProfile.REGULAR.label());
    private static final Resin FAST = Resin.of(2, "Fast", StartingProfile.FAST.label());
    private static final Blank SLIM = new Blank(new Straight(205, 229.3), true, 5, 0, 0, OptionalDouble.of(20));
    private static final Instant DUE = Instant.parse("2026-03-06T00:00:00Z");

    private static Cup cup(String code) {
        return RandomWorkshop.plainCup(code, 4, StartingProfile.REGULAR.label(), Optional.of(DUE));
    }

    private static final Workshop SHOP = new Workshop(
            RandomWorkshop.NOW,
            RoomCourse.steady(22),
            BenchHours.daily(DayHours.parse("18:00-22:00"), QUIET),
            List.of(new Spindle(1, "one"), new Spindle(2, "two")),
            List.of(cup("A"), cup("B")));

    private static Workshop with(Wish... wishes) {
        return Wish.all(List.of(wishes), SHOP);
    }

    @Test
    void aPinIsPutAndTakenOut() {
        Instant at = Instant.parse("2026-03-03T19:00:00Z");
        Workshop pinned = with(new Wish.Pinned("A", 5, at), new Wish.Pinned("A", 6, at), new Wish.Pinned("B", 5, at));
        assertThat(pinned.pins()).containsExactly(new Pin("A", 5, at), new Pin("A", 6, at), new Pin("B", 5, at));
        assertThat(Wish.all(List.of(new Wish.Pinned("A", 5, at.plusSeconds(60))), pinned)
                        .pins())
                .as("a step has one pin")
                .hasSize(3)
                .contains(new Pin("A", 5, at.plusSeconds(60)));
        assertThat(Wish.all(List.of(new Wish.Unpinned("A", 5)), pinned).pins())
                .containsExactly(new Pin("A", 6, at), new Pin("B", 5, at));
        assertThat(pinned.withPins(List.of())).isEqualTo(SHOP);
    }

    @Test
    void otherHoursAreThoseOfThatDay() {
        LocalDate day = LocalDate.of(2026, 3, 4);
        Workshop away = with(new Wish.Hours(day, DayHours.NONE));
        assertThat(away.hours().on(day)).isEqualTo(DayHours.NONE);
        assertThat(away.hours().on(day.plusDays(1))).isEqualTo(DayHours.parse("18:00-22:00"));
        assertThat(away.with(SHOP.hours())).isEqualTo(SHOP);
    }

    @Test
    void whatMattersMoreIsThatCup() {
        Workshop more = with(new Wish.Matters("B", 5));
        assertThat(more.find("B").orElseThrow().promise()).isEqualTo(new Cup.Promise(Optional.of(DUE), 5));
        assertThat(more.find("A")).isEqualTo(SHOP.find("A"));
        assertThat(more.find("C")).isEmpty();
    }

    @Test
    void moreSpindlesAreBesideThoseThereAre() {
        assertThat(with(new Wish.MoreSpindles(1)).spindles())
                .hasSize(3)
                .startsWith(SHOP.spindles().get(0), SHOP.spindles().get(1))
                .extracting(Spindle::name)
                .contains("one more spindle");
        assertThat(with(new Wish.MoreSpindles(2)).spindles())
                .extracting(Spindle::name)
                .contains("more spindle 2");
    }

    @Test
    void anotherResinAndACoatLessAreThatCups() {
        Cup other = with(new Wish.OtherResin("A", FAST)).find("A").orElseThrow();
        assertThat(other.resins()).isEqualTo(new Cup.Resins(FAST, FAST));
        int build = SHOP.cups().get(0).plan().stream()
                .filter(step -> step.kind() == StepKind.BUILD_COAT)
                .findFirst()
                .orElseThrow()
                .number();
        Workshop less = with(new Wish.CoatLess("A", build), new Wish.CoatLess("A", 99));
        assertThat(less.find("A").orElseThrow().find(build)).isEmpty();
        assertThat(less.find("A").orElseThrow().plan())
                .hasSize(SHOP.cups().get(0).plan().size() - 1);
        assertThat(less.find("B")).isEqualTo(SHOP.find("B"));
    }

    /** Two orders after one another number their cups on; each is due by the day it is promised for. */
    @Test
    void anOrderIsSoManyCupsMore() {
        Order order = new Order(
                Cup.About.NOTHING,
                2,
                5,
                SLIM,
                new Cup.Resins(REGULAR, REGULAR),
                Schools.of(),
                OneColourGlitter.plan(Schools.of(), REGULAR.label()),
                Optional.of(LocalDate.of(2026, 3, 20)),
                3);
        Workshop more =
                with(new Wish.Ordered(order), new Wish.Ordered(order.counting(1).dueOn(Optional.empty())));
        assertThat(more.cups()).extracting(Cup::code).containsExactly("A", "B", "new 1", "new 2", "new 3");
        assertThat(more.find("new 2").orElseThrow().promise())
                .isEqualTo(new Cup.Promise(Optional.of(Instant.parse("2026-03-20T00:00:00Z")), 3));
        assertThat(more.find("new 3").orElseThrow().promise().dueAt()).isEmpty();
        assertThat(Order.isWanted("new 3") && !Order.isWanted("A-03")).isTrue();
        assertThat(Order.numberOf("new 12")).isEqualTo(12);
        assertThat(order.on(9, "Mug", SLIM).about().blank()).isEqualTo("Mug");
        assertThat(order.on(9, "Mug", SLIM).blankId()).isEqualTo(9);
        assertThat(Arrays.stream(Wish.Kind.values())).hasSize(8);
    }

    /** What a change moves: how many, how many of them to another day, and until when all stays. */
    @Test
    void whatMovesIsCounted() {
        WeekPlan before = Planner.plan(SHOP, Budget.of(200));
        LocalDate away = before.steps().get(0).begins().atZone(ZoneOffset.UTC).toLocalDate();
        Workshop changed = with(new Wish.Hours(away, DayHours.NONE));
        Planner planner = Planner.after(before.placements(), changed, SHOP);
        planner.improve(Budget.of(200));
        WeekPlan after = planner.best();
        Changes changes = Changes.between(before, after);
        long there = before.steps().stream()
                .filter(step -> step.isHandsOn()
                        && step.begins().atZone(ZoneOffset.UTC).toLocalDate().equals(away))
                .count();
        assertThat(there).isPositive();
        assertThat(changes.toAnotherDay(ZoneOffset.UTC))
                .isBetween(there, (long) changes.moved().size());
        Instant first = changes.staysUntil().orElseThrow();
        assertThat(changes.moved()).allSatisfy(move -> {
            assertThat(move.before().begins()).isAfterOrEqualTo(first);
            assertThat(move.after().begins()).isAfterOrEqualTo(first);
            assertThat(move.by().abs()).isGreaterThan(Duration.ofMinutes(5));
        });
        Changes none = Changes.between(before, before);
        assertThat(none.isNothing()).isTrue();
        assertThat(none.staysUntil()).isEmpty();
        assertThat(none.toAnotherDay(ZoneOffset.UTC)).isZero();
    }

    /** What was hurt already counts as hurt whatever becomes of it: nothing is gained by mending it elsewhere. */
    @Test
    void whatWasWrongAlreadyCountsAsWrong() {
        Problem problem = new Problem(SHOP);
        Layout layout = new Decoder(problem)
                .lay(Genes.asKept(problem, Planner.plan(SHOP, Budget.of(100)).placements()));
        Hurts bare = Level.none(problem).with(problem, layout);
        assertThat(bare)
                .isEqualTo(new Hurts(
                        layout.score().notPlaced(),
                        layout.score().missed(),
                        layout.score().lateMinutes(),
                        layout.score().scuffs()));
        Level level = Level.none(problem);
        level.lateSlots()[1] =
                1000 + Math.max(0, layout.ready()[1] - problem.jobs.get(1).due());
        level.missed()[0] = true;
        level.scuffed()[1] = true;
        level.notPlaced()[2] = true;
        Hurts hurt = level.with(problem, layout);
        assertThat(hurt.lateMinutes() - bare.lateMinutes()).isEqualTo(5000);
        assertThat(hurt.missed()).isEqualTo(bare.missed() + (layout.missed()[0] ? 0 : 1));
        assertThat(hurt.scuffs()).isEqualTo(bare.scuffs() + (layout.scuffed()[1] ? 0 : 1));
        assertThat(hurt.notPlaced()).isEqualTo(bare.notPlaced() + 1);
        assertThat(hurt).isGreaterThan(bare);
        assertThat(Level.of(problem, layout).with(problem, layout)).isEqualTo(bare);
        assertThat(Moves.of(problem, layout, new int[0])).isEqualTo(Moves.NONE);
        int[] known = layout.at().clone();
        Arrays.setAll(known, act -> Calm.begins(layout, act));
        assertThat(Moves.of(problem, layout, known)).isEqualTo(Moves.NONE);
        known[0] += 1;
        assertThat(Moves.of(problem, layout, known)).as("a slot is no move").isEqualTo(Moves.NONE);
        known[0] += 1;
        assertThat(Moves.of(problem, layout, known)).isEqualTo(new Moves(1, 0, 2));
        known[0] += 288;
        assertThat(Moves.of(problem, layout, known)).as("a day later").isEqualTo(new Moves(1, 1, 290));
        known[0] = Act.NEVER;
        assertThat(Moves.of(problem, layout, known)).isEqualTo(Moves.NONE);
    }
}
