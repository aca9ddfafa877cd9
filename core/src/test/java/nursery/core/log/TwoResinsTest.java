package nursery.core.log;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import nursery.core.cup.Blank;
import nursery.core.cup.Straight;
import nursery.core.cure.RoomCourse;
import nursery.core.film.CoatRole;
import nursery.core.log.LogEntry.Poured;
import nursery.core.log.LogEntry.StepDone;
import nursery.core.resin.Resin;
import nursery.core.resin.StartingProfile;
import nursery.core.technique.PlanStep;
import nursery.core.technique.StepKind;
import nursery.core.technique.Wait;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

/** A cup whose last coat is of another resin than the coats below, and what sanding means to a cup. */
class TwoResinsTest {

    private static final Instant START = Instant.parse("2026-03-02T08:00:00Z");
    private static final Resin REGULAR = Resin.of(1, "regular", StartingProfile.REGULAR.label());
    private static final Resin FAST = Resin.of(2, "fast", StartingProfile.FAST.label());
    private static final Blank SLIM = new Blank(new Straight(205, 229.3), true, 5, 0, 0, OptionalDouble.of(20));
    private static final RoomCourse AT_LABEL = RoomCourse.steady(22);
    private static final Spindle SPINDLE = new Spindle(1, "Spindle 1");

    private static Instant hour(double hours) {
        return START.plus(Duration.ofSeconds(Math.round(hours * 3600)));
    }

    private static Mark mark(long id, double atHour) {
        return new Mark(id, hour(atHour), hour(atHour), "Mira", "");
    }

    private static PlanStep coat(int number, StepKind kind, Wait wait, CoatRole role) {
        return new PlanStep(number, kind, wait, "", Optional.of(role));
    }

    private static Cup cup(Cup.Resins resins) {
        return Cup.started(
                "A-01",
                SLIM,
                resins,
                List.of(
                        coat(1, StepKind.FLOOD_COAT, Wait.none(), CoatRole.FLOOD),
                        coat(2, StepKind.BUILD_COAT, Wait.straightOn(), CoatRole.BUILD),
                        coat(3, StepKind.FINISHING_COAT, Wait.straightOn(), CoatRole.FINISHING),
                        new PlanStep(4, StepKind.FINISH, Wait.age(12, 8), "", Optional.empty())),
                START);
    }

    private static LogEntry poured(int step, double atHour) {
        return new Poured(mark(step, atHour), step, 20, Optional.of(SPINDLE));
    }

    /** P15: the last coat may be of another resin; the coats below are of the base. */
    @Test
    void onlyTheFinishingCoatIsOfTheLastResin() {
        Cup cup = cup(new Cup.Resins(REGULAR, FAST));
        assertThat(cup.plan().stream().filter(step -> step.kind().isPour()).map(cup::resinFor))
                .containsExactly(REGULAR, REGULAR, FAST);
        assertThat(cup.labelFor(cup.step(2))).isEqualTo(REGULAR.label());
        assertThat(cup.labelFor(cup.step(3))).isEqualTo(FAST.label());
    }

    /** Off the turner at 4 h of a regular coat, at the fast label's own of a fast one. */
    @Test
    void eachCoatCuresByItsOwnResin() {
        Cup cup = cup(new Cup.Resins(REGULAR, FAST));
        CupState afterTwo = cup.withLog(List.of(poured(1, 0), poured(2, 5))).at(AT_LABEL, hour(6));
        assertThat(afterTwo.hold().orElseThrow().mayComeOffAt())
                .isEqualTo(hour(5 + REGULAR.label().times().turningH()));
        CupState afterThree =
                cup.withLog(List.of(poured(1, 0), poured(2, 5), poured(3, 10))).at(AT_LABEL, hour(11));
        assertThat(afterThree.hold().orElseThrow().mayComeOffAt())
                .isEqualTo(hour(10 + FAST.label().times().turningH()));
        assertThat(afterThree.next().orElseThrow().window().opensAt())
                .as("12 h on the cure clock, 8 with a fast resin, and the last coat is fast")
                .isEqualTo(hour(18));
        assertThat(cup.waitOf(cup.step(4)).words()).isEqualTo("8\u00a0h on the cure clock after the coat before");
        Cup other = cup(new Cup.Resins(FAST, REGULAR));
        assertThat(other.withLog(List.of(poured(1, 0), poured(2, 3), poured(3, 6)))
                        .at(AT_LABEL, hour(7))
                        .next()
                        .orElseThrow()
                        .window()
                        .opensAt())
                .isEqualTo(hour(18));
    }

    /** Whoever sands has taken the cup off; the body sanded is scuffed, a rim alone is not. */
    @ParameterizedTest
    @EnumSource(
            value = StepKind.class,
            names = {"SAND", "SAND_RIM", "TRIM_AND_SAND"})
    void sandingFreesTheSpindleAndScuffsWhatIsSanded(StepKind kind) {
        Cup cup = Cup.started(
                "A-01",
                SLIM,
                new Cup.Resins(REGULAR, REGULAR),
                List.of(
                        coat(1, StepKind.FLOOD_COAT, Wait.none(), CoatRole.FLOOD),
                        new PlanStep(2, kind, Wait.of(Wait.Kind.SANDABLE), "", Optional.empty()),
                        coat(3, StepKind.BUILD_COAT, Wait.straightOn(), CoatRole.BUILD)),
                START);
        CupState before = cup.withLog(List.of(poured(1, 0))).at(AT_LABEL, hour(30));
        CupState after =
                cup.withLog(List.of(poured(1, 0), new StepDone(mark(2, 30), 2))).at(AT_LABEL, hour(31));
        assertThat(before.hold()).isPresent();
        assertThat(after.hold()).isEmpty();
        assertThat(after.newestCoat().orElseThrow().scuffed()).isEqualTo(kind != StepKind.SAND_RIM);
        assertThat(after.next().orElseThrow().kind())
                .as("after a day an unsanded body must be scuffed first, a sanded one washed")
                .isEqualTo(kind == StepKind.SAND_RIM ? NextAction.Kind.SCUFF_FIRST : NextAction.Kind.SOMETHING_FIRST);
        assertThat(after.next()
                        .orElseThrow()
                        .firstStep()
                        .filter(StepKind.WASH::equals)
                        .isPresent())
                .isEqualTo(kind != StepKind.SAND_RIM);
    }
}
