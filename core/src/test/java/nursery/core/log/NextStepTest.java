package nursery.core.log;

import static nursery.core.log.CupStory.hour;
import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import nursery.core.cup.Blank;
import nursery.core.cup.Straight;
import nursery.core.cure.RoomCourse;
import nursery.core.film.CoatRole;
import nursery.core.resin.Label;
import nursery.core.resin.Resin;
import nursery.core.resin.StartingProfile;
import nursery.core.technique.PlanStep;
import nursery.core.technique.StepKind;
import nursery.core.technique.Wait;
import org.junit.jupiter.api.Test;

/**
 * What a cup says of the one thing it needs next. A regular label: gelled 4 h, grips to 12, sandable 8 to 12 (P13–P16).
 */
class NextStepTest {

    private static final Label REGULAR = StartingProfile.REGULAR.label();
    private static final RoomCourse ROOM = RoomCourse.steady(REGULAR.referenceC());

    private static NextAction next(StepKind poured, StepKind then, Wait wait, double atHour) {
        Resin resin = Resin.of(1, "regular", REGULAR);
        Blank slim = new Blank(new Straight(205, 229.3), true, 5, 0, 0, OptionalDouble.of(20));
        CoatRole role = poured == StepKind.ADHESIVE ? CoatRole.ADHESIVE_THIN : CoatRole.BUILD;
        PlanStep first = new PlanStep(1, poured, Wait.none(), "", Optional.of(role));
        PlanStep second =
                new PlanStep(2, then, wait, "", then.isPour() ? Optional.of(CoatRole.BUILD) : Optional.empty());
        Mark mark = new Mark(1, hour(0), hour(0), "Mira", "");
        return Cup.started("A-01", slim, new Cup.Resins(resin, resin), List.of(first, second), hour(0))
                .withLog(List.of(new LogEntry.Poured(mark, 1, 20, Optional.empty())))
                .at(ROOM, hour(atHour))
                .next()
                .orElseThrow();
    }

    @Test
    void sandingSaysFromWhenItIsSure() {
        NextAction sand = next(StepKind.BUILD_COAT, StepKind.SAND, Wait.of(Wait.Kind.SANDABLE), 1);
        assertThat(sand.window().opensAt()).isEqualTo(hour(8));
        assertThat(sand.sureFrom()).contains(hour(12));
        assertThat(sand.gripsUntil()).isEmpty();
        assertThat(next(StepKind.BUILD_COAT, StepKind.WASH, Wait.age(8), 1).sureFrom())
                .isEmpty();
        assertThat(next(StepKind.BUILD_COAT, StepKind.WASH, Wait.age(8), 1).gripsUntil())
                .isEmpty();
    }

    @Test
    void aCoatStraightOnSaysHowItGripsAndChangesItsWordsWhenItFades() {
        NextAction early = next(StepKind.BUILD_COAT, StepKind.BUILD_COAT, Wait.straightOn(), 5);
        assertThat(early.gripsUntil()).contains(hour(12));
        assertThat(early.why()).isEqualTo("Grips straight on: no cleaning, no sanding.");
        assertThat(early.isFadingAt(hour(11.9))).isFalse();
        NextAction fading = next(StepKind.BUILD_COAT, StepKind.BUILD_COAT, Wait.straightOn(), 12);
        assertThat(fading.why()).startsWith("Straight on still works, but grips less");
        assertThat(fading.isFadingAt(hour(12))).isTrue();
        NextAction late = next(StepKind.BUILD_COAT, StepKind.BUILD_COAT, Wait.straightOn(), 24.5);
        assertThat(late.kind()).isEqualTo(NextAction.Kind.SCUFF_FIRST);
        assertThat(late.title()).isEqualTo("Scuff, then second coat");
    }

    /** P13-P15: a wait tells of the step before in the list, and that step may have been left out or put elsewhere. */
    @Test
    void whateverAStepWaitsForItselfWetEpoxyIsNeverReady() {
        NextAction coat = next(StepKind.BUILD_COAT, StepKind.FINISHING_COAT, Wait.none(), 0.2);
        assertThat(coat.window().opensAt()).isEqualTo(hour(4));
        assertThat(coat.why()).startsWith("Grips straight on");
        NextAction dried = next(StepKind.BUILD_COAT, StepKind.FINISHING_COAT, Wait.dry(Duration.ofMinutes(15)), 0.2);
        assertThat(dried.window().opensAt()).isEqualTo(hour(4));
        assertThat(dried.why()).startsWith("Grips straight on");
        for (StepKind kind : List.of(StepKind.WASH, StepKind.VINYL, StepKind.PAINT, StepKind.TRIM, StepKind.INK)) {
            NextAction laid = next(StepKind.BUILD_COAT, kind, Wait.none(), 0.2);
            assertThat(laid.window().opensAt()).as(kind.title()).isEqualTo(hour(4));
            assertThat(laid.why()).as(kind.title()).startsWith("The coat below still runs");
        }
        assertThat(next(StepKind.BUILD_COAT, StepKind.SAND, Wait.none(), 1)
                        .window()
                        .opensAt())
                .isEqualTo(hour(8));
        assertThat(next(StepKind.BUILD_COAT, StepKind.PULL_TAPE, Wait.none(), 0.2)
                        .window()
                        .opensAt())
                .isEqualTo(hour(0));
    }

    /** P19: a thin film is set after two to three hours. */
    @Test
    void aCoatOnAFilmWaitsUntilTheFilmIsSet() {
        NextAction coat = next(StepKind.ADHESIVE, StepKind.FLOOD_COAT, Wait.none(), 0.2);
        assertThat(coat.window().opensAt()).isEqualTo(hour(2));
        assertThat(coat.why()).isEqualTo("The adhesive below must be set first.");
    }

    /** P14, P16: what turns out to lie straight on a coat has the tack window, with its end. */
    @Test
    void aCoatWhoseSandingWasLeftOutIsScuffedForWhenItComesTooLate() {
        NextAction late = next(StepKind.BUILD_COAT, StepKind.FINISHING_COAT, Wait.none(), 25);
        assertThat(late.kind()).isEqualTo(NextAction.Kind.SCUFF_FIRST);
    }

    /** P19: on an adhesive it is the adhesive that settles and stops holding; in a coat it is the coat. */
    @Test
    void whatIsSprinkledIntoTheWetIsToldByWhatItIsSprinkledInto() {
        Wait settles = Wait.of(Wait.Kind.SETTLE, Duration.ofMinutes(2));
        NextAction onAdhesive = next(StepKind.ADHESIVE, StepKind.GLITTER, settles, 0.1);
        assertThat(onAdhesive.why()).startsWith("The adhesive settles 2 min");
        assertThat(onAdhesive.ifMissed()).contains("The adhesive stops holding: scuff it and spread a new film.");
        NextAction inACoat = next(StepKind.BUILD_COAT, StepKind.GLITTER, settles, 0.1);
        assertThat(inACoat.why()).startsWith("The coat settles 2 min");
        assertThat(inACoat.ifMissed())
                .contains("The coat takes nothing any more: let it harden, scuff it, pour another.");
    }
}
