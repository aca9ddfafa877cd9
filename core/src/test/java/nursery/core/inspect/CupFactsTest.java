package nursery.core.inspect;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

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
import nursery.core.cure.RoomReading;
import nursery.core.film.CoatRole;
import nursery.core.floor.Batch;
import nursery.core.floor.CupNow;
import nursery.core.floor.MadeRoom;
import nursery.core.floor.Shelf;
import nursery.core.floor.Turner;
import nursery.core.log.Blemish;
import nursery.core.log.Cup;
import nursery.core.log.Extent;
import nursery.core.log.LogEntry;
import nursery.core.log.Mark;
import nursery.core.log.Pot;
import nursery.core.log.Sighting;
import nursery.core.log.Spindle;
import nursery.core.log.Zone;
import nursery.core.resin.Label;
import nursery.core.resin.Mix;
import nursery.core.resin.MixRatio;
import nursery.core.resin.Resin;
import nursery.core.resin.StartingProfile;
import nursery.core.surface.Judgement;
import nursery.core.technique.Fields;
import nursery.core.technique.Grit;
import nursery.core.technique.PlanStep;
import nursery.core.technique.StepKind;
import nursery.core.technique.TechniqueStep;
import nursery.core.technique.Wait;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

/** What a cup's log, its turner and its room know of its newest coat, and who is on a spindle. */
class CupFactsTest {

    private static final Instant START = Instant.parse("2026-03-02T08:00:00Z");
    private static final Blank SLIM = new Blank(new Straight(205, 229.3), true, 5, 0, 0, OptionalDouble.of(20));
    private static final Label LABEL = StartingProfile.REGULAR.label();
    private static final Spindle FIRST = new Spindle(1, "Spindle 1");
    private static final Shelf SHELF =
            new Shelf(List.of(), List.of(), List.of(new Turner(1, "Turner", 6, false, List.of(FIRST))), List.of());

    /** 20 °C and 50 % humidity, dew point 9.3 °C (Magnus form of WMO-No. 8). */
    private static final RoomCourse ROOM = new RoomCourse(List.of(
            new RoomReading(START.minus(Duration.ofDays(1)), 20, OptionalDouble.of(50)),
            new RoomReading(START.plus(Duration.ofDays(9)), 20, OptionalDouble.of(50))));

    private final List<LogEntry> log = new ArrayList<>();

    private static Resin resin() {
        return Resin.of(1, "Regular", LABEL);
    }

    private static Cup cup(String code) {
        return Cup.started(
                code,
                SLIM,
                new Cup.Resins(resin(), resin()),
                List.of(
                        new PlanStep(1, StepKind.FLOOD_COAT, Wait.none(), "", Optional.of(CoatRole.FLOOD)),
                        new PlanStep(2, StepKind.BUILD_COAT, Wait.straightOn(), "", Optional.of(CoatRole.BUILD)),
                        new PlanStep(3, StepKind.FINISH, Wait.age(12), "", Optional.empty())),
                START);
    }

    private static Mark mark(long id, double hours) {
        Instant at = START.plus(Duration.ofSeconds(Math.round(hours * 3600)));
        return new Mark(id, at, at, "Mira", "");
    }

    private LogEntry pour(long id, int step, double hours, double ml) {
        return new LogEntry.Poured(
                mark(id, hours), step, ml, Optional.of(FIRST), Optional.of(Pot.of(resin(), OptionalLong.empty())));
    }

    private CupNow now(Cup cup, double hours) {
        Cup logged = cup.withLog(log);
        return new CupNow(logged, logged.at(ROOM, mark(0, hours).happenedAt()));
    }

    private static double fact(Facts facts, Fact fact) {
        return facts.value(fact).orElse(Double.NaN);
    }

    @Test
    void theRoomAndTheFilmAreThoseOfTheCoat() {
        log.add(pour(1, 1, 0, 24));
        Facts facts = CupFacts.of(
                now(cup("A-01"), 6),
                ROOM,
                SHELF,
                CupFacts.Origin.UNKNOWN,
                mark(0, 6).happenedAt());
        assertThat(fact(facts, Fact.AMBIENT_C)).isCloseTo(20, within(1e-9));
        assertThat(fact(facts, Fact.DEW_MARGIN_C)).isCloseTo(20 - 9.3, within(0.05));
        assertThat(fact(facts, Fact.HUMIDITY)).isEqualTo(50);
        // A cylinder of 229.3 mm around, coated on 200 of 205 mm and on its base, by hand: 500.4 cm²; 24 ml are 0.48
        // mm.
        assertThat(fact(facts, Fact.FILM_MM)).isCloseTo(0.48, within(0.002));
        assertThat(fact(facts, Fact.CARRIES_MM)).isGreaterThan(fact(facts, Fact.FILM_MM));
        assertThat(fact(facts, Fact.OF_CURED)).isBetween(0.1, 0.3);
        assertThat(facts.value(Fact.OF_TURNING)).as("still on its spindle").isEmpty();
        assertThat(facts.value(Fact.SCUFFED)).as("nothing below").isEmpty();
    }

    @Test
    void takenOffHalfWayItTurnedHalfAsLong() {
        log.add(pour(1, 1, 0, 24));
        double turningH = LABEL.times().turningH();
        // At 20 °C the clock runs a little slower than at the label's 24 °C: about 0.76 of it (Arrhenius, 50 kJ/mol).
        log.add(LogEntry.takenOff(mark(2, turningH / 2)));
        Facts facts = CupFacts.of(
                now(cup("A-01"), 6),
                ROOM,
                SHELF,
                CupFacts.Origin.UNKNOWN,
                mark(0, 6).happenedAt());
        double rate = Math.exp(-50_000 / 8.314462618 * (1 / 293.15 - 1 / (273.15 + LABEL.referenceC())));
        assertThat(fact(facts, Fact.OF_TURNING)).isCloseTo(0.5 * rate, within(0.005));
    }

    /** What the air did after the coat had gelled is none of its business: damp from the tenth hour on. */
    @Test
    void dampThatCameAfterItGelledIsNotCounted() {
        log.add(pour(1, 1, 0, 24));
        List<RoomReading> readings = new ArrayList<>();
        for (int hour = -2; hour <= 40; hour++) {
            readings.add(new RoomReading(mark(0, hour).happenedAt(), 22, OptionalDouble.of(hour < 10 ? 50 : 90)));
        }
        RoomCourse room = new RoomCourse(readings);
        Cup logged = cup("A-01").withLog(log);
        Instant later = mark(0, 30).happenedAt();
        Facts facts =
                CupFacts.of(new CupNow(logged, logged.at(room, later)), room, SHELF, CupFacts.Origin.UNKNOWN, later);
        assertThat(fact(facts, Fact.HUMIDITY)).isCloseTo(50, within(1e-9));
    }

    /** What it was begun with goes through a coat: 60 of 60–220. */
    @Test
    void theCoarsestPaperCounts() {
        PlanStep sanded = new PlanStep(2, StepKind.SAND, Wait.none(), "", Optional.empty())
                .doneAs(Fields.usual(StepKind.SAND).with(new Grit(60, 220)));
        Cup cup = Cup.started(
                "A-01",
                SLIM,
                new Cup.Resins(resin(), resin()),
                List.of(new PlanStep(1, StepKind.FLOOD_COAT, Wait.none(), "", Optional.of(CoatRole.FLOOD)), sanded),
                START);
        log.add(pour(1, 1, 0, 24));
        log.add(new LogEntry.StepDone(mark(2, 20), 2));
        assertThat(fact(
                        CupFacts.of(
                                now(cup, 21),
                                ROOM,
                                SHELF,
                                CupFacts.Origin.UNKNOWN,
                                mark(0, 21).happenedAt()),
                        Fact.GRIT))
                .isEqualTo(60);
    }

    private static Batch batch(Batch.Stirring stirring) {
        return new Batch(
                7,
                1,
                1,
                MixRatio.parse("1:1"),
                new Mix(15, 15),
                45,
                mark(0, -0.5).happenedAt(),
                "Mira",
                Optional.of(new Mix(15, 15)),
                Optional.of(mark(0, -0.25).happenedAt()),
                Optional.empty(),
                Optional.empty(),
                false,
                false,
                stirring,
                List.of());
    }

    private static Optional<Instant> secondsFromMixing(double seconds) {
        return Optional.of(mark(0, -0.25 + seconds / 3600).happenedAt());
    }

    private Facts stirred(Batch.Stirring stirring) {
        log.clear();
        log.add(pour(1, 1, 0, 24));
        return CupFacts.of(
                now(cup("A-01"), 6),
                ROOM,
                SHELF,
                new CupFacts.Origin(
                        Optional.of(batch(stirring)),
                        Optional.of(mark(0, -24 * 400).happenedAt())),
                mark(0, 6).happenedAt());
    }

    @Test
    void theGuideKnowsHowLongItWasStirredAndInHowManyCups() {
        Facts whole =
                stirred(new Batch.Stirring(secondsFromMixing(190), secondsFromMixing(310), secondsFromMixing(800)));
        assertThat(fact(whole, Fact.SECONDS_STIRRED)).isCloseTo(310, within(1.0));
        assertThat(fact(whole, Fact.TWO_CUPS)).isEqualTo(1);
        assertThat(fact(whole, Fact.RESTED)).isEqualTo(1);
        assertThat(fact(whole, Fact.OPEN_DAYS)).isEqualTo(400);
        Facts once = stirred(new Batch.Stirring(secondsFromMixing(95), Optional.empty(), Optional.empty()));
        assertThat(fact(once, Fact.SECONDS_STIRRED)).isCloseTo(95, within(1.0));
        assertThat(fact(once, Fact.TWO_CUPS)).isZero();
        assertThat(fact(once, Fact.RESTED)).isZero();
    }

    /** Poured 15 minutes after mixing; the pot is good for 45. */
    @Test
    void aGuideThatWasClickedThroughOrForgottenKnowsNothing() {
        assertThat(stirred(Batch.Stirring.UNKNOWN).value(Fact.SECONDS_STIRRED)).isEmpty();
        Facts through = stirred(new Batch.Stirring(secondsFromMixing(2), secondsFromMixing(3), secondsFromMixing(4)));
        assertThat(through.value(Fact.SECONDS_STIRRED)).isEmpty();
        assertThat(through.value(Fact.TWO_CUPS)).isEmpty();
        Facts atOnce = stirred(new Batch.Stirring(secondsFromMixing(190), secondsFromMixing(192), Optional.empty()));
        assertThat(atOnce.value(Fact.TWO_CUPS)).isEmpty();
        Facts late = stirred(new Batch.Stirring(secondsFromMixing(190), secondsFromMixing(1500), Optional.empty()));
        assertThat(fact(late, Fact.SECONDS_STIRRED))
                .as("what was touched after the pour was not done before it")
                .isCloseTo(190, within(1.0));
        assertThat(fact(late, Fact.TWO_CUPS)).as("touched after the pour").isZero();
    }

    @Test
    void whatLiesBelowIsKnownByItsAgeAndWhetherItWasScuffed() {
        log.add(pour(1, 1, 0, 24));
        log.add(pour(2, 2, 40, 20));
        Facts late = CupFacts.of(
                now(cup("A-01"), 60),
                ROOM,
                SHELF,
                CupFacts.Origin.UNKNOWN,
                mark(0, 60).happenedAt());
        assertThat(fact(late, Fact.BELOW_OF_WINDOW)).isGreaterThan(1);
        assertThat(fact(late, Fact.SCUFFED)).isZero();
        log.add(1, LogEntry.scuffed(mark(3, 39)));
        Facts scuffed = CupFacts.of(
                now(cup("A-01"), 60),
                ROOM,
                SHELF,
                CupFacts.Origin.UNKNOWN,
                mark(0, 60).happenedAt());
        assertThat(fact(scuffed, Fact.SCUFFED)).isEqualTo(1);
    }

    /** What is put in after a coat has cured is not judged as if it were laid on it wet. */
    @Test
    void stepsAheadAreJudgedByHowOldTheCoatIs() {
        log.add(pour(1, 1, 0, 24));
        List<PlanStep> wash = List.of(TechniqueStep.usual(StepKind.WASH).in(9).waitingFor(Wait.none()));
        assertThat(now(cup("A-01"), 60).judged(wash, mark(0, 60).happenedAt())).isEmpty();
        List<PlanStep> coat =
                List.of(TechniqueStep.usual(StepKind.BUILD_COAT).in(9).waitingFor(Wait.none()));
        assertThat(now(cup("A-01"), 60).judged(coat, mark(0, 60).happenedAt()))
                .as("sixty hours old: the bench has it scuffed first")
                .isEmpty();
        List<PlanStep> slide =
                List.of(TechniqueStep.usual(StepKind.WATER_SLIDE).in(9).waitingFor(Wait.none()));
        log.add(LogEntry.scuffed(mark(2, 59)));
        assertThat(now(cup("A-01"), 60).judged(slide, mark(0, 60).happenedAt()))
                .as("no time mends scratches under a water-slide")
                .extracting(Judgement.Finding::rule)
                .contains("SAND_UNDER_SLIDE");
    }

    /** A remedy that breaks a rule of the craft by itself is none: on a coat of a day and on one of three. */
    @ParameterizedTest
    @EnumSource(Remedy.class)
    void noRemedyBreaksARuleByItsOwnSteps(Remedy remedy) {
        log.add(pour(1, 1, 0, 24));
        for (double hours : new double[] {24, 72}) {
            CupNow now = now(cup("A-01"), hours);
            Instant at = mark(0, hours).happenedAt();
            int own = CupFaults.steps(now, remedy, at).size();
            Cup chosen = CupFaults.chosen(now, remedy, at);
            CupNow then = new CupNow(chosen, chosen.at(ROOM, at));
            assertThat(then.judged(then.stepsAhead(), at))
                    .filteredOn(finding -> finding.place() < own && !finding.isAdvice())
                    .isEmpty();
        }
    }

    @Test
    void aStrippedCupIsBareSteelAgain() {
        log.add(pour(1, 1, 0, 24));
        CupNow now = now(cup("A-01"), 30);
        Instant at = mark(0, 30).happenedAt();
        Cup chosen = CupFaults.chosen(now, Remedy.STRIP_BACK, at);
        assertThat(chosen.at(ROOM, at).on().surface().newestPour()).isEmpty();
        assertThat(now.state().on().surface().newestPour()).isPresent();
        assertThat(LogEntry.RemedyChosen.STRIP_BACK).isEqualTo(Remedy.STRIP_BACK.written());
    }

    @Test
    void onlyWhatWasSeenSinceTheNewestCoatCounts() {
        log.add(pour(1, 1, 0, 24));
        log.add(new LogEntry.FaultsSeen(mark(2, 5), List.of(new Sighting(Blemish.HAZE, Zone.ALL, Extent.SOME))));
        assertThat(CupFaults.on(now(cup("A-01"), 6))).hasSize(1);
        log.add(new LogEntry.FaultsSeen(mark(3, 5.5), List.of(new Sighting(Blemish.HAZE, Zone.RIM, Extent.MUCH))));
        assertThat(CupFaults.on(now(cup("A-01"), 6)))
                .as("of a fault seen twice the later")
                .containsExactly(new Sighting(Blemish.HAZE, Zone.RIM, Extent.MUCH));
        log.add(pour(4, 2, 8, 20));
        assertThat(CupFaults.on(now(cup("A-01"), 9))).isEmpty();
    }

    @Test
    void whoWasPouredOnASpindleLastIsOnIt() {
        log.add(pour(1, 1, 0, 24));
        CupNow first = now(cup("A-01"), 3);
        log.clear();
        log.add(pour(2, 1, 2, 24));
        CupNow second = now(cup("A-02"), 3);
        Instant at = mark(0, 3).happenedAt();
        List<CupNow> both = MadeRoom.on(List.of(first, second), ROOM, at);
        assertThat(both.get(0).state().hold()).isEmpty();
        assertThat(both.get(1).state().hold()).isPresent();
        LogEntry off = both.get(0).cup().log().get(1);
        assertThat(off.mark().isInTheBook()).isFalse();
        assertThat(off.mark().happenedAt()).isEqualTo(mark(0, 2).happenedAt());
        assertThat(MadeRoom.on(List.of(first), ROOM, at).get(0).state().hold()).isPresent();
    }
}
