package nursery.core.floor;

import static nursery.core.floor.MadeFloor.ONE;
import static nursery.core.floor.MadeFloor.ROOM;
import static nursery.core.floor.MadeFloor.TWO;
import static nursery.core.floor.MadeFloor.at;
import static nursery.core.floor.MadeFloor.cup;
import static nursery.core.floor.MadeFloor.hour;
import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Optional;
import nursery.core.floor.CupNow.Stage;
import nursery.core.log.Cup;
import nursery.core.log.LogEntry;
import nursery.core.log.LogEntry.Plain;
import nursery.core.log.LogEntry.Poured;
import nursery.core.log.Spindle;
import nursery.core.technique.Fields;
import nursery.core.technique.OneColourGlitter;
import nursery.core.technique.PlanStep;
import nursery.core.technique.School;
import nursery.core.technique.Schools;
import nursery.core.technique.StepKind;
import nursery.core.technique.TechniqueStep;
import org.junit.jupiter.api.Test;

/** Where one cup stands, what is behind it and what is ahead. */
class CupNowTest {

    private static CupNow now(MadeFloor.Story story, double hour) {
        return new CupNow(story.file(), story.file().at(ROOM, hour(hour)));
    }

    private static List<StepKind> kinds(List<PlanStep> steps) {
        return steps.stream().map(PlanStep::kind).toList();
    }

    private static MadeFloor.Story finished(String code) {
        return cup(code)
                .flooded(6, ONE)
                .poured(StepKind.BUILD_COAT, 12, 20, ONE)
                .done(StepKind.TRIM_AND_SAND, 36)
                .poured(StepKind.FINISHING_COAT, 37, 15, ONE)
                .done(StepKind.FINISH, 60);
    }

    /** A regular resin has cured fully after 72 h. */
    @Test
    void aCupStandsWhereItsNextStepIs() {
        MadeFloor.Story flooded = cup("A").flooded(6, ONE);
        assertThat(now(flooded, 9).stage(hour(9))).isEqualTo(Stage.WAITING);
        assertThat(now(flooded, 10).stage(hour(10))).isEqualTo(Stage.HANDS);
        assertThat(now(flooded, 19).stage(hour(19))).as("late wants hands too").isEqualTo(Stage.HANDS);
        assertThat(now(finished("B"), 61).stage(hour(61))).isEqualTo(Stage.CURING);
        assertThat(now(finished("B"), 108.9).stage(hour(108.9))).isEqualTo(Stage.CURING);
        assertThat(now(finished("B"), 109.1).stage(hour(109.1))).isEqualTo(Stage.READY);
        MadeFloor.Story over = finished("C");
        over.logged(new Plain(over.mark(110), LogEntry.Kind.HANDED_OVER));
        assertThat(now(over, 111).stage(hour(111))).isEqualTo(Stage.HANDED_OVER);
        MadeFloor.Story up = cup("D").glittered();
        up.logged(new Plain(up.mark(7), LogEntry.Kind.ABANDONED));
        assertThat(now(up, 8).stage(hour(8))).isEqualTo(Stage.ABANDONED);
        assertThat(Stage.HANDS.word()).isEqualTo("wants hands");
    }

    @Test
    void whatIsDoneIsBehindAndTheRestAhead() {
        MadeFloor.Story story = cup("A").done(StepKind.PREP, 0.5)
                .left(StepKind.PAINT, 0.75)
                .logged(new Poured(cup("A").mark(2), cup("A").number(StepKind.ADHESIVE), 1, Optional.empty()));
        CupNow cup = now(story, 2.5);
        assertThat(kinds(cup.stepsDone()))
                .as("what was left out was not done")
                .containsExactly(StepKind.PREP, StepKind.ADHESIVE);
        assertThat(cup.stepsAhead().get(0).kind()).isEqualTo(StepKind.GLITTER);
        assertThat(cup.stepsAhead()).hasSize(cup.cup().plan().size() - 3);
        assertThat(cup.handsOnMinutes()).isEqualTo(cup.cup().handsOnMinutes()).isPositive();
        PlanStep ink = TechniqueStep.usual(StepKind.INK).in(40);
        assertThat(kinds(cup.planWith(List.of(ink))))
                .containsExactly(StepKind.PREP, StepKind.PAINT, StepKind.ADHESIVE, StepKind.INK);
    }

    @Test
    void takenDownToTheSteelNothingIsDone() {
        MadeFloor.Story story = cup("A").glittered();
        story.logged(new LogEntry.RemedyChosen(story.mark(5), LogEntry.RemedyChosen.STRIP_BACK, ""));
        assertThat(now(story, 5.5).stepsDone()).isEmpty();
        MadeFloor.Story other = cup("A").glittered();
        other.logged(new LogEntry.RemedyChosen(other.mark(5), "sand-and-coat", ""));
        assertThat(now(other, 5.5).stepsDone()).hasSize(4);
    }

    @Test
    void itsNextCoatIsNoneWhileSomethingIsScuffedFirst() {
        assertThat(now(cup("A").glittered(), 6).nextCoat().map(PlanStep::kind)).contains(StepKind.FLOOD_COAT);
        assertThat(now(cup("A"), 0.1).nextCoat()).isEmpty();
        assertThat(now(cup("A").flooded(6, ONE), 12).nextCoat().map(PlanStep::kind))
                .contains(StepKind.BUILD_COAT);
        // Past 12 h on the clock a coat does not grip any more (P14).
        assertThat(now(cup("A").flooded(6, ONE), 30).nextCoat()).isEmpty();
    }

    /** What is judged goes by how old its coats are: straight on is fine while the window lasts and not after it. */
    @Test
    void whatIsAheadIsJudgedFromNowOn() {
        CupNow young = now(cup("A").flooded(6, ONE), 10.5);
        assertThat(young.judged(young.stepsAhead(), hour(10.5))).isEmpty();
        PlanStep vinyl = TechniqueStep.usual(StepKind.FLOOD_COAT).in(50);
        assertThat(young.judged(List.of(vinyl), hour(10.5))).isEmpty();
        CupNow bare = now(cup("B"), 0.1);
        assertThat(bare.judged(List.of(TechniqueStep.usual(StepKind.GLITTER).in(50)), hour(0.1)))
                .as("flakes hold on nothing")
                .isNotEmpty();
    }

    /** By another plan it goes on behind the coat it has; a step that was ahead anyway keeps its number. */
    @Test
    void itGoesOnByAnotherPlanBehindWhatIsDone() {
        MadeFloor.Story story = cup("A").flooded(6, ONE);
        CupNow cup = now(story, 8);
        List<PlanStep> same = cup.aheadBy(
                OneColourGlitter.plan(Schools.of(), cup.cup().resins().base().label()));
        assertThat(same)
                .extracting(PlanStep::number)
                .containsExactlyElementsOf(
                        cup.stepsAhead().stream().map(PlanStep::number).toList());
        List<PlanStep> sanded = cup.aheadBy(OneColourGlitter.plan(
                Schools.of(School.NEXT_DAY), cup.cup().resins().base().label()));
        assertThat(kinds(sanded)).startsWith(StepKind.SAND, StepKind.BUILD_COAT);
        assertThat(sanded.get(0).number())
                .as("a new step gets a number of its own")
                .isEqualTo(cup.cup().freeNumber());
        assertThat(sanded.get(1).number()).isEqualTo(story.number(StepKind.BUILD_COAT));
        List<PlanStep> inks = cup.aheadBy(List.of(
                TechniqueStep.usual(StepKind.INK).in(1),
                TechniqueStep.usual(StepKind.INK).in(2)));
        assertThat(inks)
                .extracting(PlanStep::number)
                .containsExactly(cup.cup().freeNumber(), cup.cup().freeNumber() + 1);
    }

    @Test
    void whoeverIsPouredOnASpindleLastIsOnIt() {
        Floor floor = at(13).with(cup("A").flooded(6, ONE))
                .with(cup("B").flooded(12, ONE))
                .made();
        assertThat(floor.on(ONE).map(CupNow::code)).contains("B");
        CupNow off = floor.find("A").orElseThrow();
        assertThat(off.state().hold()).isEmpty();
        LogEntry last = off.cup().log().get(off.cup().log().size() - 1);
        assertThat(last.kind()).isEqualTo(LogEntry.Kind.TAKEN_OFF);
        assertThat(last.mark().happenedAt()).as("from when it could come off").isEqualTo(hour(10));
        assertThat(last.mark().note()).as("when it did, nobody wrote down").isEmpty();
    }

    @Test
    void whoCameOffTooEarlyMadeRoomWhenTheOtherWasPoured() {
        Floor floor = at(9).with(cup("A").flooded(6, ONE))
                .with(cup("B").flooded(8, ONE))
                .made();
        CupNow off = floor.find("A").orElseThrow();
        LogEntry last = off.cup().log().get(off.cup().log().size() - 1);
        assertThat(last.mark().happenedAt()).isEqualTo(hour(8));
        assertThat(last.mark().note()).isEqualTo("Made room for B.");
    }

    @Test
    void aCupDidNotComeOffBeforeWhatItsOwnLogSays() {
        MadeFloor.Story noted = cup("A").flooded(6, ONE);
        noted.logged(new LogEntry.Touched(noted.mark(11), nursery.core.cure.Touch.values()[0]));
        Floor floor = at(13).with(noted).with(cup("B").flooded(12, ONE)).made();
        CupNow off = floor.find("A").orElseThrow();
        Cup file = off.cup();
        assertThat(file.log().get(file.log().size() - 1).mark().happenedAt())
                .isEqualTo(floor.find("A").orElseThrow().state().lastDoneAt().isAfter(hour(10)) ? hour(11) : hour(10));
    }

    @Test
    void otherSpindlesEarlierPoursAndWhatWasTakenBackMakeNoRoom() {
        Floor other = at(13).with(cup("A").flooded(6, ONE))
                .with(cup("B").flooded(12, TWO))
                .made();
        assertThat(other.on(ONE).map(CupNow::code)).contains("A");
        assertThat(other.on(TWO).map(CupNow::code)).contains("B");
        Floor earlier = at(13).with(cup("A").flooded(12, ONE))
                .with(cup("B").flooded(6, ONE))
                .made();
        assertThat(earlier.on(ONE).map(CupNow::code)).contains("A");
        MadeFloor.Story back = cup("B").flooded(12, ONE);
        back.logged(new LogEntry.Cancelled(back.mark(12.5), 5));
        Floor taken = at(13).with(cup("A").flooded(6, ONE)).with(back).made();
        assertThat(taken.on(ONE).map(CupNow::code)).contains("A");
    }

    private static Optional<Turning> beside(MadeFloor.Story own, double atH, Spindle on, MadeFloor.Story... others) {
        Poured pour = new Poured(own.mark(atH), own.number(StepKind.FLOOD_COAT), 23, Optional.of(on));
        List<CupNow> all =
                java.util.stream.Stream.of(others).map(other -> now(other, 40)).toList();
        return Turning.beside(pour, own.file(), all, ROOM);
    }

    /** Two coats cannot turn on one spindle at once, whichever was written down first. */
    @Test
    void twoCoatsCannotTurnOnOneSpindle() {
        MadeFloor.Story own = cup("A").glittered();
        MadeFloor.Story other = cup("B").flooded(6, ONE);
        assertThat(beside(own, 9.9, ONE, other)).contains(new Turning("B", hour(6), hour(10)));
        assertThat(beside(own, 10, ONE, other)).as("free from then on").isEmpty();
        assertThat(beside(own, 2.1, ONE, other))
                .as("written down later, poured earlier")
                .isPresent();
        assertThat(beside(own, 2, ONE, other)).isEmpty();
        assertThat(beside(own, 8, TWO, other)).isEmpty();
        assertThat(beside(own, 8, ONE, cup("A").flooded(6, ONE))).as("itself").isEmpty();
        assertThat(beside(own, 8, ONE, cup("C").flooded(7, ONE), other).map(Turning::code))
                .as("the earliest")
                .contains("B");
        Poured hung = new Poured(own.mark(8), own.number(StepKind.FLOOD_COAT), 23, Optional.empty());
        assertThat(Turning.beside(hung, own.file(), List.of(now(other, 9)), ROOM))
                .isEmpty();
    }

    /** What its own log says frees it: taken off, coated again, sanded, given up; a remark or a heat pass does not. */
    @Test
    void aSpindleIsFreeOnceItsCupCameOff() {
        MadeFloor.Story own = cup("A").glittered();
        MadeFloor.Story off = cup("B").flooded(6, ONE);
        off.logged(LogEntry.takenOff(off.mark(8)));
        assertThat(beside(own, 8.5, ONE, off)).isEmpty();
        assertThat(beside(own, 7.9, ONE, off)).contains(new Turning("B", hour(6), hour(8)));

        MadeFloor.Story sanded = cup("B", School.NEXT_DAY).flooded(6, ONE);
        sanded.done(StepKind.SAND, 8);
        assertThat(beside(own, 8.5, ONE, sanded)).isEmpty();

        MadeFloor.Story noted = cup("B").flooded(6, ONE);
        noted.logged(new Plain(noted.mark(7), LogEntry.Kind.NOTED));
        assertThat(beside(own, 8.5, ONE, noted)).isPresent();

        MadeFloor.Story given = cup("B").flooded(6, ONE);
        given.logged(new Plain(given.mark(7), LogEntry.Kind.ABANDONED));
        assertThat(beside(own, 8.5, ONE, given)).isEmpty();

        MadeFloor.Story stripped = cup("B").flooded(6, ONE);
        stripped.logged(new LogEntry.RemedyChosen(stripped.mark(7), LogEntry.RemedyChosen.STRIP_BACK, ""));
        assertThat(beside(own, 8.5, ONE, stripped)).isEmpty();
    }

    @Test
    void aPlanStepDoneInItsOwnWayIsReadSo() {
        MadeFloor.Story story = cup("A");
        Fields soap = story.file().step(story.number(StepKind.PREP)).how().with(Fields.Cleaner.SOAP);
        story.logged(new LogEntry.StepDone(story.mark(0.5), story.number(StepKind.PREP), Optional.of(soap)));
        assertThat(now(story, 1).stepsDone().get(0).how().cleaner()).isEqualTo(Fields.Cleaner.SOAP);
    }
}
