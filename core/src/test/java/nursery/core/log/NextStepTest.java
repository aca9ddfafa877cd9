package nursery.core.log;

import static nursery.core.log.CupStory.hour;
import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalLong;
import nursery.core.cup.Blank;
import nursery.core.cup.Straight;
import nursery.core.cure.RoomCourse;
import nursery.core.cure.Touch;
import nursery.core.film.CoatRole;
import nursery.core.resin.Label;
import nursery.core.resin.Resin;
import nursery.core.resin.StartingProfile;
import nursery.core.surface.How;
import nursery.core.technique.Caution;
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
        PlanStep first =
                new PlanStep(1, poured, Wait.none(), "", poured.isPour() ? Optional.of(role) : Optional.empty());
        PlanStep second =
                new PlanStep(2, then, wait, "", then.isPour() ? Optional.of(CoatRole.BUILD) : Optional.empty());
        Mark mark = new Mark(1, hour(0), hour(0), "Mira", "");
        return Cup.started("A-01", slim, new Cup.Resins(resin, resin), List.of(first, second), hour(0))
                .withLog(List.of(
                        poured.isPour()
                                ? new LogEntry.Poured(mark, 1, 20, Optional.empty())
                                : new LogEntry.StepDone(mark, 1)))
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
        assertThat(coat.why()).startsWith("The coat must hold the next one first");
        NextAction dried = next(StepKind.BUILD_COAT, StepKind.FINISHING_COAT, Wait.dry(Duration.ofMinutes(15)), 0.2);
        assertThat(dried.window().opensAt()).isEqualTo(hour(4));
        assertThat(dried.why()).startsWith("The coat must hold the next one first");
        for (StepKind kind : List.of(StepKind.WASH, StepKind.VINYL, StepKind.PAINT, StepKind.TRIM, StepKind.INK)) {
            NextAction laid = next(StepKind.BUILD_COAT, kind, Wait.none(), 0.2);
            assertThat(laid.window().opensAt()).as(kind.title()).isEqualTo(hour(4));
            assertThat(laid.why()).as(kind.title()).startsWith("The coat still runs");
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
        assertThat(coat.why()).isEqualTo("The film under the glitter must be set first: the coat drags it along.");
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
        assertThat(onAdhesive.why()).isEqualTo("The film has settled.");
        assertThat(onAdhesive.ifMissed())
                .contains("The film holds no glitter any more: scuff it and spread a new one.");
        NextAction inACoat = next(StepKind.BUILD_COAT, StepKind.GLITTER, settles, 0.1);
        assertThat(inACoat.ifMissed())
                .contains("The coat takes no glitter any more: let it harden, scuff it, pour another.");
    }

    /** P43, P51: over wet epoxy it is the epoxy that harms, over glue the powder. */
    @Test
    void glitterIsWarnedOfByWhatItGoesOn() {
        assertThat(next(StepKind.ADHESIVE, StepKind.GLITTER, Wait.none(), 0.1).caution())
                .isEqualTo(Caution.EPOXY);
        assertThat(next(StepKind.BUILD_COAT, StepKind.GLITTER, Wait.none(), 0.1).caution())
                .isEqualTo(Caution.EPOXY);
        assertThat(next(StepKind.GLUE, StepKind.GLITTER, Wait.none(), 0.1).caution())
                .isEqualTo(Caution.POWDER);
    }

    private static NextAction first(Blank blank, PlanStep step) {
        Resin resin = Resin.of(1, "regular", REGULAR);
        return Cup.started("A-01", blank, new Cup.Resins(resin, resin), List.of(step), hour(0))
                .at(ROOM, hour(1))
                .next()
                .orElseThrow();
    }

    /**
     * Step 1: bare steel is scuffed first; a blank that came with a coat of powder needs neither scuffing nor paint.
     */
    @Test
    void bareSteelIsScuffedFirstAndACoatOfPowderIsGroundEnough() {
        PlanStep coat = new PlanStep(1, StepKind.FLOOD_COAT, Wait.none(), "", Optional.of(CoatRole.FLOOD));
        NextAction bare = first(new Blank(new Straight(205, 229.3), true, 5, 0, 0, OptionalDouble.of(20)), coat);
        assertThat(bare.kind()).isEqualTo(NextAction.Kind.SOMETHING_FIRST);
        assertThat(bare.firstStep()).contains(StepKind.PREP);
        assertThat(bare.title()).isEqualTo("Scuff, clean and mask, then flood coat");
        Blank powdered = new Blank(new Straight(205, 229.3), true, 5, 0, 0, OptionalDouble.of(20), true);
        assertThat(first(powdered, coat).kind()).isEqualTo(NextAction.Kind.STEP);
    }

    /** P39: a coat that was mixed wrong stays soft below whatever is laid over it. */
    @Test
    void nothingGoesOverACoatThatWasMeasuredWrong() {
        Resin resin = Resin.of(1, "regular", REGULAR);
        Pot right = Pot.of(resin, OptionalLong.empty());
        Pot wrong = right.measured(
                REGULAR.ratio(),
                20,
                20 * 1.14 / REGULAR.ratio().partsA() * REGULAR.ratio().partsB());
        assertThat(wrong.measured()).isEqualTo(How.Ratio.WRONG);
        Blank powdered = new Blank(new Straight(205, 229.3), true, 5, 0, 0, OptionalDouble.of(20), true);
        Cup cup = Cup.started(
                "A-01",
                powdered,
                new Cup.Resins(resin, resin),
                List.of(
                        new PlanStep(1, StepKind.FLOOD_COAT, Wait.none(), "", Optional.of(CoatRole.FLOOD)),
                        new PlanStep(2, StepKind.BUILD_COAT, Wait.straightOn(), "", Optional.of(CoatRole.BUILD))),
                hour(0));
        Mark mark = new Mark(1, hour(0), hour(0), "Mira", "");
        NextAction next = cup.withLog(List.of(new LogEntry.Poured(mark, 1, 20, Optional.empty(), Optional.of(wrong))))
                .at(ROOM, hour(6))
                .next()
                .orElseThrow();
        assertThat(next.title()).isEqualTo("Not like this: second coat");
        assertThat(next.why()).contains("scrape it off, never cover it");
        assertThat(cup.withLog(List.of(new LogEntry.Poured(mark, 1, 20, Optional.empty(), Optional.of(right))))
                        .at(ROOM, hour(6))
                        .next())
                .map(NextAction::kind)
                .contains(NextAction.Kind.STEP);
    }

    /** P39: soft all over a day later, of a mix nobody measured; firm after warming, it was only slow. */
    @Test
    void nothingGoesOverASoftCoatThatNobodyMeasured() {
        List<Sighting> soft = List.of(new Sighting(Blemish.SOFT, Zone.ALL, Extent.SOME));
        LogEntry pour = new LogEntry.Poured(new Mark(1, hour(0), hour(0), "Mira", ""), 1, 20, Optional.empty());
        LogEntry seen = new LogEntry.FaultsSeen(new Mark(2, hour(20), hour(20), "Mira", ""), soft);
        LogEntry firm = new LogEntry.Touched(new Mark(3, hour(22), hour(22), "Mira", ""), Touch.FIRM);
        NextAction next = afterAFlood(hour(22), pour, seen);
        assertThat(next.title()).isEqualTo("Not like this: second coat");
        assertThat(next.why()).contains("is soft and was not measured");
        assertThat(afterAFlood(hour(22), pour).kind()).isEqualTo(NextAction.Kind.STEP);
        assertThat(afterAFlood(hour(22), pour, seen, firm).kind()).isEqualTo(NextAction.Kind.STEP);
        LogEntry young = new LogEntry.FaultsSeen(new Mark(2, hour(5), hour(5), "Mira", ""), soft);
        assertThat(afterAFlood(hour(6), pour, young).kind())
                .as("five hours old, any coat is soft")
                .isEqualTo(NextAction.Kind.STEP);
        LogEntry atTheFoot = new LogEntry.FaultsSeen(
                new Mark(2, hour(20), hour(20), "Mira", ""),
                List.of(new Sighting(Blemish.SOFT, Zone.BASE, Extent.SOME)));
        assertThat(afterAFlood(hour(22), pour, atTheFoot).kind())
                .as("pooled at one end")
                .isEqualTo(NextAction.Kind.STEP);
        Pot right = Pot.of(Resin.of(1, "regular", REGULAR), OptionalLong.empty())
                .measured(
                        REGULAR.ratio(),
                        REGULAR.ratio().partsA() * 10,
                        REGULAR.ratio().partsB() * 10);
        LogEntry measured = new LogEntry.Poured(
                new Mark(1, hour(0), hour(0), "Mira", ""), 1, 20, Optional.empty(), Optional.of(right));
        assertThat(afterAFlood(hour(22), measured, seen).kind()).isEqualTo(NextAction.Kind.STEP);
    }

    private static NextAction afterAFlood(Instant now, LogEntry... log) {
        Resin resin = Resin.of(1, "regular", REGULAR);
        return Cup.started(
                        "A-01",
                        new Blank(new Straight(205, 229.3), true, 5, 0, 0, OptionalDouble.of(20), true),
                        new Cup.Resins(resin, resin),
                        List.of(
                                new PlanStep(1, StepKind.FLOOD_COAT, Wait.none(), "", Optional.of(CoatRole.FLOOD)),
                                new PlanStep(
                                        2, StepKind.BUILD_COAT, Wait.straightOn(), "", Optional.of(CoatRole.BUILD))),
                        hour(0))
                .withLog(List.of(log))
                .at(ROOM, now)
                .next()
                .orElseThrow();
    }

    /**
     * P24, step 6: a slide on it bears no paper, so nobody is sent to scuff the coat below, before or after its day.
     */
    @Test
    void noScuffIsPromisedUnderAWaterSlide() {
        Resin resin = Resin.of(1, "regular", REGULAR);
        Cup cup = Cup.started(
                        "A-01",
                        new Blank(new Straight(205, 229.3), true, 5, 0, 0, OptionalDouble.of(20), true),
                        new Cup.Resins(resin, resin),
                        List.of(
                                new PlanStep(1, StepKind.FLOOD_COAT, Wait.none(), "", Optional.of(CoatRole.FLOOD)),
                                new PlanStep(2, StepKind.WATER_SLIDE, Wait.none(), "", Optional.empty()),
                                new PlanStep(
                                        3, StepKind.BUILD_COAT, Wait.straightOn(), "", Optional.of(CoatRole.BUILD))),
                        hour(0))
                .withLog(List.of(
                        new LogEntry.Poured(new Mark(1, hour(0), hour(0), "Mira", ""), 1, 20, Optional.empty()),
                        new LogEntry.StepDone(new Mark(2, hour(9), hour(9), "Mira", ""), 2)));
        assertThat(cup.at(ROOM, hour(9)).newestCoat())
                .hasValueSatisfying(coat -> assertThat(coat.bearsPaper()).isFalse());
        NextAction drying = cup.at(ROOM, hour(10)).next().orElseThrow();
        assertThat(drying.window().opensAt()).isEqualTo(hour(17));
        assertThat(drying.window().closesAtExclusive()).contains(hour(24));
        assertThat(drying.ifMissed())
                .contains("It grips weakly then, and cannot be scuffed under what lies open: "
                        + "brush sealer over it first.");
        NextAction late = cup.at(ROOM, hour(30)).next().orElseThrow();
        assertThat(late.kind()).isEqualTo(NextAction.Kind.STEP);
        assertThat(late.window().isOpenAt(hour(30))).isTrue();
        assertThat(late.why()).doesNotContain("scuff");
    }

    /** A plan's own hours are those of the resin that lies there, before they are over and after. */
    @Test
    void itsOwnHoursAreThoseOfItsResin() {
        for (double at : List.of(1.0, 11.0)) {
            assertThat(next(StepKind.BUILD_COAT, StepKind.WATER_SLIDE, Wait.age(10, 3), at)
                            .why())
                    .isEqualTo("10\u00a0h on the cure clock after the coat before.");
        }
    }

    /** An answer given before each layer had its own question still answers what is told of the same entry now. */
    @Test
    void anOldAnswerToWhatCameTooSoonStillStands() {
        Mark mark = new Mark(2, hour(1), hour(1), "Mira", "", List.of(new Mark.Answer("OUT_OF_ITS_TIME", "a hurry")));
        Cup cup = Cup.started(
                "A-01",
                new Blank(new Straight(205, 229.3), true, 5, 0, 0, OptionalDouble.of(20), true),
                new Cup.Resins(Resin.of(1, "regular", REGULAR), Resin.of(1, "regular", REGULAR)),
                List.of(
                        new PlanStep(1, StepKind.FLOOD_COAT, Wait.none(), "", Optional.of(CoatRole.FLOOD)),
                        new PlanStep(2, StepKind.WASH, Wait.none(), "", Optional.empty())),
                hour(0));
        LogEntry poured = new LogEntry.Poured(new Mark(1, hour(0), hour(0), "Mira", ""), 1, 20, Optional.empty());
        assertThat(cup.withLog(List.of(poured, new LogEntry.StepDone(mark, 2)))
                        .at(ROOM, hour(1))
                        .concerns())
                .singleElement()
                .satisfies(concern -> assertThat(mark.answerTo(concern)).contains("a hurry"));
    }

    /** A log as long as nobody would write it is still folded. */
    @Test
    void aLogOfAThousandSightingsIsStillRead() {
        PlanStep coat = new PlanStep(1, StepKind.FLOOD_COAT, Wait.none(), "", Optional.of(CoatRole.FLOOD));
        Resin resin = Resin.of(1, "regular", REGULAR);
        List<LogEntry> log = new ArrayList<>();
        for (int i = 1; i <= 1000; i++) {
            Mark mark = new Mark(i, hour(1), hour(1), "Mira", "a dimple");
            log.add(
                    i % 2 == 0
                            ? new LogEntry.FaultsSeen(mark, List.of())
                            : new LogEntry.RemedyChosen(mark, LogEntry.RemedyChosen.STRIP_BACK, ""));
        }
        Blank powdered = new Blank(new Straight(205, 229.3), true, 5, 0, 0, OptionalDouble.of(20), true);
        assertThat(Cup.started("A-01", powdered, new Cup.Resins(resin, resin), List.of(coat), hour(0))
                        .withLog(log)
                        .at(ROOM, hour(2))
                        .next())
                .isPresent();
    }
}
