package nursery.core.log;

import static nursery.core.log.CupStory.hour;
import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalLong;
import nursery.core.cup.Blank;
import nursery.core.cup.Straight;
import nursery.core.cure.RoomCourse;
import nursery.core.film.CoatRole;
import nursery.core.resin.Label;
import nursery.core.resin.Resin;
import nursery.core.resin.StartingProfile;
import nursery.core.technique.PlanStep;
import nursery.core.technique.School;
import nursery.core.technique.Schools;
import nursery.core.technique.StepKind;
import nursery.core.technique.Wait;
import org.junit.jupiter.api.Test;

/** What a cup answers for itself: when it is ready and leaves the floor, what is poured into it, what is taken out. */
class CupStateTest {

    private static final Label REGULAR = StartingProfile.REGULAR.label();
    private static final Resin RESIN = Resin.of(1, "regular", REGULAR);
    private static final Resin FAST = Resin.of(2, "fast", StartingProfile.FAST.label());
    private static final RoomCourse ROOM = RoomCourse.steady(REGULAR.referenceC());
    private static final PlanStep FLOOD =
            new PlanStep(1, StepKind.FLOOD_COAT, Wait.none(), "", Optional.of(CoatRole.FLOOD));
    private static final PlanStep LAST =
            new PlanStep(2, StepKind.FINISHING_COAT, Wait.straightOn(), "", Optional.of(CoatRole.FINISHING));
    private static final PlanStep WASH = new PlanStep(3, StepKind.WASH, Wait.none(), "", Optional.empty());

    private static Cup cup(PlanStep... plan) {
        Blank slim = new Blank(new Straight(205, 229.3), true, 5, 0, 0, OptionalDouble.of(20));
        return Cup.started("A-01", slim, new Cup.Resins(RESIN, RESIN), List.of(plan), hour(0));
    }

    private static Mark mark(long id, double atHour) {
        return new Mark(id, hour(atHour), hour(atHour), "Mira", "");
    }

    private static LogEntry pour(long id, int step, double atHour) {
        return new LogEntry.Poured(mark(id, atHour), step, 20, Optional.empty());
    }

    /** Full cure after 72 h (P15), then a fortnight on the floor. */
    @Test
    void aFinishedCupIsReadyAtFullCureAndLeavesAFortnightLater() {
        Cup cup = cup(FLOOD);
        CupState before = cup.at(ROOM, hour(1));
        assertThat(before.readyAt()).isEmpty();
        assertThat(before.leavesAt()).isEmpty();
        CupState done = cup.withLog(List.of(pour(1, 1, 2))).at(ROOM, hour(10));
        assertThat(done.readyAt()).contains(hour(74));
        assertThat(done.leavesAt()).contains(hour(74).plus(Duration.ofDays(14)));
        assertThat(done.clearCoats()).isEqualTo(1);
        LogEntry note = new LogEntry.Plain(mark(2, 90), LogEntry.Kind.NOTED);
        CupState noted = cup.withLog(List.of(pour(1, 1, 2), note)).at(ROOM, hour(91));
        assertThat(noted.leavesAt())
                .as("whoever still writes to it wants it in sight")
                .contains(hour(90).plus(Duration.ofDays(14)));
    }

    @Test
    void aCupThatIsGoneLeavesWhenItWent() {
        LogEntry over = new LogEntry.Plain(mark(2, 80), LogEntry.Kind.HANDED_OVER);
        CupState handed = cup(FLOOD).withLog(List.of(pour(1, 1, 2), over)).at(ROOM, hour(81));
        assertThat(handed.leavesAt()).contains(hour(80));
        assertThat(handed.handedOverAt()).contains(hour(80));
        LogEntry up = new LogEntry.Plain(mark(1, 3), LogEntry.Kind.ABANDONED);
        CupState given = cup(FLOOD).withLog(List.of(up)).at(ROOM, hour(4));
        assertThat(given.leavesAt()).contains(hour(3));
        assertThat(given.handedOverAt()).isEmpty();
    }

    /** P69: the last coats from the last resin, all others from the base. */
    @Test
    void coatsToComeTakeTheOtherResinAndWhatIsPouredStaysWhatItIs() {
        Cup cup = cup(FLOOD, LAST).withLog(List.of(pour(1, 1, 2)));
        Cup other = cup.with(new Cup.Resins(FAST, FAST));
        assertThat(other.log()).singleElement().satisfies(entry -> assertThat(((LogEntry.Poured) entry).pot())
                .map(Pot::resin)
                .contains(RESIN));
        assertThat(other.resinFor(LAST)).isEqualTo(FAST);
        assertThat(other.at(ROOM, hour(3)).newestCoat().orElseThrow().label()).isEqualTo(REGULAR);
        LogEntry fromAMix =
                new LogEntry.Poured(mark(1, 2), 1, 20, Optional.empty(), Optional.of(Pot.of(FAST, OptionalLong.of(7))));
        Cup mixed = cup.withLog(List.of(fromAMix)).with(new Cup.Resins(RESIN, FAST));
        assertThat(mixed.log()).containsExactly(fromAMix);
        assertThat(mixed.labelOf((LogEntry.Poured) fromAMix)).isEqualTo(FAST.label());
    }

    @Test
    void aCupIsCopiedWithOneThingOtherwise() {
        Cup cup = cup(FLOOD, LAST, WASH);
        assertThat(cup.without(LAST).plan()).containsExactly(FLOOD, WASH);
        assertThat(cup.withStepBefore(Optional.of(LAST), WASH.numbered(9)).plan())
                .extracting(PlanStep::number)
                .containsExactly(1, 9, 2, 3);
        assertThat(cup.withStepBefore(Optional.empty(), WASH.numbered(9)).plan())
                .extracting(PlanStep::number)
                .containsExactly(1, 2, 3, 9);
        assertThat(cup.freeNumber()).isEqualTo(4);
        Instant due = hour(200);
        Cup promised = cup.with(new Cup.Promise(Optional.of(due), 3));
        assertThat(promised.promise().dueAt()).contains(due);
        assertThat(promised.plan()).isEqualTo(cup.plan());
        Cup.About about = new Cup.About("Winter sky", "club", "way", "slim", "#000000", "#ffffff");
        assertThat(cup.known(12, about)).satisfies(known -> {
            assertThat(known.id()).isEqualTo(12);
            assertThat(known.about()).isEqualTo(about);
            assertThat(known.code()).isEqualTo("A-01");
        });
        assertThat(cup.with(Schools.of(List.of(School.SCALE))).schools().has(School.SCALE))
                .isTrue();
        assertThat(cup.after(LAST)).containsExactly(WASH);
    }

    /** Two entries of one minute stand in the order they were written. */
    @Test
    void whatHappenedAtOnceStaysInTheOrderItWasWritten() {
        LogEntry second = new LogEntry.StepDone(mark(5, 2), 3);
        LogEntry first = pour(4, 1, 2);
        assertThat(cup(FLOOD, WASH).withLog(List.of(second, first)).happened()).containsExactly(first, second);
    }

    /** Three coats over the second glitter, then it is sanded; what lay over the first does not count. */
    @Test
    void coatsUntilItIsSmoothAreCountedFromTheLastGlitter() {
        Cup cup = cup(
                work(1, StepKind.GLITTER),
                coat(2, StepKind.FLOOD_COAT, CoatRole.FLOOD),
                work(3, StepKind.GLITTER),
                coat(4, StepKind.FLOOD_COAT, CoatRole.FLOOD),
                coat(5, StepKind.BUILD_COAT, CoatRole.BUILD),
                coat(6, StepKind.BUILD_COAT, CoatRole.BUILD),
                work(7, StepKind.SAND_RIM),
                work(8, StepKind.SAND),
                coat(9, StepKind.FINISHING_COAT, CoatRole.FINISHING));
        List<LogEntry> log = List.of(
                done(1, 1, 1),
                pour(2, 2, 2),
                done(3, 3, 6),
                pour(4, 4, 7),
                pour(5, 5, 11),
                pour(6, 6, 15),
                done(7, 7, 40),
                done(8, 8, 41),
                pour(9, 9, 42));
        assertThat(cup.coatsUntilSmooth()).isEmpty();
        assertThat(cup.withLog(log.subList(0, 7)).coatsUntilSmooth())
                .as("a sanded rim says nothing")
                .isEmpty();
        assertThat(cup.withLog(log.subList(0, 8)).coatsUntilSmooth()).hasValue(3);
        assertThat(cup.withLog(log).coatsUntilSmooth()).hasValue(3);
        List<LogEntry> unsanded = List.of(done(1, 1, 1), pour(2, 2, 2), pour(9, 9, 12));
        assertThat(cup.withLog(unsanded).coatsUntilSmooth()).hasValue(1);
    }

    private static PlanStep work(int number, StepKind kind) {
        return new PlanStep(number, kind, Wait.none(), "", Optional.empty());
    }

    private static PlanStep coat(int number, StepKind kind, CoatRole role) {
        return new PlanStep(number, kind, Wait.none(), "", Optional.of(role));
    }

    private static LogEntry done(long id, int step, double atHour) {
        return new LogEntry.StepDone(mark(id, atHour), step);
    }
}
