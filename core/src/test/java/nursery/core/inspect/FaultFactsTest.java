package nursery.core.inspect;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalLong;
import java.util.Set;
import nursery.core.cup.Blank;
import nursery.core.cup.Straight;
import nursery.core.cure.RoomCourse;
import nursery.core.floor.Batch;
import nursery.core.floor.CupNow;
import nursery.core.floor.Shelf;
import nursery.core.floor.Turner;
import nursery.core.log.Blemish;
import nursery.core.log.Cup;
import nursery.core.log.Extent;
import nursery.core.log.LogEntry;
import nursery.core.log.LogEntry.FaultsSeen;
import nursery.core.log.LogEntry.RemedyChosen;
import nursery.core.log.Mark;
import nursery.core.log.Pot;
import nursery.core.log.Sighting;
import nursery.core.log.Spindle;
import nursery.core.log.Zone;
import nursery.core.resin.Mix;
import nursery.core.resin.MixRatio;
import nursery.core.resin.Resin;
import nursery.core.resin.StartingProfile;
import nursery.core.technique.Fields;
import nursery.core.technique.Grit;
import nursery.core.technique.PlanStep;
import nursery.core.technique.StepKind;
import nursery.core.technique.TechniqueStep;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;

/** What is known of a cup's layers and its mix, what was seen on it, and what a remedy puts before what is ahead. */
class FaultFactsTest {

    private static final Instant START = Instant.parse("2026-03-02T08:00:00Z");
    private static final Blank SLIM = new Blank(new Straight(205, 229.3), true, 5, 0, 0, OptionalDouble.of(20));
    private static final Resin RESIN = Resin.of(1, "Regular", StartingProfile.REGULAR.label());
    private static final RoomCourse ROOM = RoomCourse.steady(22);
    private static final Spindle SPINDLE = new Spindle(1, "Spindle 1", 3);
    private static final Shelf SHELF =
            new Shelf(List.of(), List.of(), List.of(new Turner(1, "Turner", 3, false, List.of(SPINDLE))), List.of());

    private final List<PlanStep> plan = new ArrayList<>();
    private final List<LogEntry> log = new ArrayList<>();

    private static Instant hour(double hours) {
        return START.plusSeconds(Math.round(hours * 3600));
    }

    private Mark mark(double hours) {
        return new Mark(log.size() + 1, hour(hours), hour(hours), "Mira", "");
    }

    private FaultFactsTest ahead(StepKind... kinds) {
        for (StepKind kind : kinds) {
            plan.add(TechniqueStep.usual(kind).in(plan.size() + 1));
        }
        return this;
    }

    /** Work done as planned, or in its own way. */
    private FaultFactsTest done(double hours, StepKind kind, Fields how) {
        plan.add(TechniqueStep.usual(kind).doneAs(how).in(plan.size() + 1));
        log.add(
                kind.isPour()
                        ? new LogEntry.Poured(
                                mark(hours),
                                plan.size(),
                                23,
                                Optional.of(SPINDLE),
                                Optional.of(Pot.of(RESIN, OptionalLong.empty())))
                        : new LogEntry.StepDone(mark(hours), plan.size()));
        return this;
    }

    private FaultFactsTest done(double hours, StepKind kind) {
        return done(hours, kind, Fields.usual(kind));
    }

    private FaultFactsTest logged(LogEntry entry) {
        log.add(entry);
        return this;
    }

    private CupNow at(double hours) {
        Cup cup = Cup.started("A-01", SLIM, new Cup.Resins(RESIN, RESIN), plan, START)
                .withLog(log);
        return new CupNow(cup, cup.at(ROOM, hour(hours)));
    }

    private Facts facts(double hours) {
        return facts(hours, CupFacts.Origin.UNKNOWN);
    }

    private Facts facts(double hours, CupFacts.Origin origin) {
        return CupFacts.of(at(hours), ROOM, SHELF, origin, hour(hours));
    }

    private static boolean is(Facts facts, Fact fact) {
        return facts.value(fact).orElseThrow() > 0;
    }

    private static final List<Fact> LAYERS = List.of(
            Fact.STENCIL,
            Fact.SLIDE,
            Fact.INK,
            Fact.GLUE,
            Fact.METALLIC,
            Fact.COARSE,
            Fact.STEEL_LINE,
            Fact.DISTRESSED);

    private void only(Facts facts, Fact... there) {
        assertThat(LAYERS.stream().filter(fact -> is(facts, fact))).containsExactlyInAnyOrder(there);
    }

    @ParameterizedTest
    @CsvSource({
        "PEEL, STENCIL",
        "WATER_SLIDE, SLIDE",
        "INK, INK",
        "INK_BLOOM, INK",
        "SMOKE, INK",
        "GLUE, GLUE",
        "SPRAY_ADHESIVE, GLUE",
        "FOIL_ADHESIVE, GLUE",
        "MASK, STEEL_LINE",
        "SAND_RIM, STEEL_LINE",
        "TRIM_AND_SAND, STEEL_LINE",
        "PAINT,",
        "VINYL,",
        "GLITTER,"
    })
    void aLayerIsKnownByItsStep(StepKind kind, Fact fact) {
        done(0, StepKind.PREP).done(1, StepKind.FLOOD_COAT).done(20, kind);
        if (fact == null) {
            only(facts(40));
        } else {
            only(facts(40), fact);
        }
    }

    @Test
    void flakesAndVinylAreKnownByWhatTheyAre() {
        done(0, StepKind.FLOOD_COAT)
                .done(20, StepKind.GLITTER, Fields.usual(StepKind.GLITTER).with(Fields.Grain.COARSE))
                .done(21, StepKind.VINYL, Fields.usual(StepKind.VINYL).with(Fields.Vinyl.TEXTURED));
        only(facts(30), Fact.COARSE, Fact.METALLIC);
        assertThat(facts(30).value(Fact.CLEAR_COATS)).hasValue(0);
    }

    /** Of what sanded the body; a rim's paper is none of its business. */
    @Test
    void theCoarsestPaperOnTheBodyCounts() {
        done(0, StepKind.FLOOD_COAT);
        assertThat(facts(20).value(Fact.GRIT)).isEmpty();
        done(20, StepKind.SAND, Fields.usual(StepKind.SAND).with(Grit.of(400)))
                .done(21, StepKind.SAND_RIM, Fields.usual(StepKind.SAND_RIM).with(Grit.of(60)))
                .done(22, StepKind.SAND, Fields.usual(StepKind.SAND).with(Grit.UNSAID));
        assertThat(facts(23).value(Fact.GRIT)).hasValue(400);
    }

    private static Fields with(StepKind kind, Fields.Cleaner cleaner) {
        return Fields.usual(kind).with(cleaner);
    }

    /** P36: solvent over open paint lifts it; wiped with alcohol after that, nothing loose is left. */
    @Test
    void distressedIsPaintThatSolventLifted() {
        done(0, StepKind.PAINT)
                .done(2, StepKind.WIPE, with(StepKind.WIPE, Fields.Cleaner.ACETONE))
                .done(4, StepKind.FLOOD_COAT);
        assertThat(is(facts(6), Fact.DISTRESSED)).isTrue();
        assertThat(is(facts(6), Fact.RESIDUE_WIPED)).isFalse();
        done(20, StepKind.BUILD_COAT);
        assertThat(is(facts(21), Fact.DISTRESSED)).as("of the newest coat").isFalse();
        assertThat(facts(21).value(Fact.RESIDUE_WIPED)).isEmpty();
    }

    @Test
    void whatCameLooseIsWipedOffWithAlcohol() {
        done(0, StepKind.SPONGE)
                .done(2, StepKind.WIPE, with(StepKind.WIPE, Fields.Cleaner.ACETONE))
                .done(3, StepKind.WIPE, with(StepKind.WIPE, Fields.Cleaner.ALCOHOL))
                .done(4, StepKind.FLOOD_COAT);
        assertThat(is(facts(6), Fact.RESIDUE_WIPED)).isTrue();
    }

    @Test
    void distressedAgainItIsToBeWipedAgain() {
        done(0, StepKind.PAINT)
                .done(2, StepKind.WIPE, with(StepKind.WIPE, Fields.Cleaner.ACETONE))
                .done(3, StepKind.WIPE, with(StepKind.WIPE, Fields.Cleaner.ALCOHOL))
                .done(3.5, StepKind.WIPE, with(StepKind.WIPE, Fields.Cleaner.ACETONE))
                .done(4, StepKind.FLOOD_COAT);
        assertThat(is(facts(6), Fact.DISTRESSED)).isTrue();
        assertThat(is(facts(6), Fact.RESIDUE_WIPED)).isFalse();
    }

    @Test
    void alcoholAloneOrSolventOnNoPaintDistressesNothing() {
        done(0, StepKind.PAINT)
                .done(2, StepKind.WIPE, with(StepKind.WIPE, Fields.Cleaner.ALCOHOL))
                .done(4, StepKind.FLOOD_COAT)
                .done(20, StepKind.WIPE, with(StepKind.WIPE, Fields.Cleaner.ACETONE))
                .done(22, StepKind.BUILD_COAT);
        assertThat(is(facts(6), Fact.DISTRESSED)).isFalse();
        assertThat(is(facts(23), Fact.DISTRESSED)).isFalse();
    }

    /** A heat pass counts for the coat it was done to. */
    @Test
    void aHeatPassIsOfTheNewestCoat() {
        done(0, StepKind.FLOOD_COAT).done(0.2, StepKind.HEAT).done(0.3, StepKind.WIPE);
        assertThat(facts(1).value(Fact.HEAT_PASS)).hasValue(1);
        done(10, StepKind.BUILD_COAT);
        assertThat(facts(11).value(Fact.HEAT_PASS)).isEmpty();
    }

    /** Four hours at 22 °C: taken off after two it turned half as long. What happened before the pour ended nothing. */
    @ParameterizedTest
    @CsvSource({"SAND, 0.5", "PAINT, 0.5", "WIPE,", "HEAT,"})
    void itTurnedUntilItWasInHands(StepKind kind, Double ofTurning) {
        done(0, StepKind.PAINT).done(1, StepKind.FLOOD_COAT).done(3, kind);
        OptionalDouble turned = facts(12).value(Fact.OF_TURNING);
        if (ofTurning == null) {
            assertThat(turned).isEmpty();
        } else {
            assertThat(turned.orElseThrow()).isCloseTo(ofTurning, within(1e-9));
        }
    }

    @Test
    void scuffedOrTakenOffItTurnsNoMore() {
        done(0, StepKind.FLOOD_COAT);
        log.add(LogEntry.takenOff(mark(1)));
        log.add(LogEntry.scuffed(mark(3)));
        assertThat(facts(12).value(Fact.OF_TURNING).orElseThrow())
                .as("the first of them")
                .isCloseTo(0.25, within(1e-9));
    }

    /** 15 min after mixing of 45: a third of the pot life; 16 of A to 15 of B is a little too much A. */
    @Test
    void aMixIsKnownByItsAgeItsAmountAndItsRatio() {
        done(0, StepKind.FLOOD_COAT);
        Batch batch = new Batch(
                7,
                1,
                1,
                MixRatio.parse("1:1"),
                new Mix(15, 15),
                45,
                hour(-0.5),
                "Mira",
                Optional.of(new Mix(16.5, 15)),
                Optional.of(hour(-0.25)),
                Optional.empty(),
                Optional.empty(),
                false,
                false,
                Batch.Stirring.UNKNOWN,
                List.of());
        Facts facts = facts(1, new CupFacts.Origin(Optional.of(batch), Optional.of(hour(24))));
        assertThat(facts.value(Fact.OF_POT_LIFE).orElseThrow()).isCloseTo(1 / 3.0, within(1e-9));
        assertThat(facts.value(Fact.MIX_ML)).hasValue(31.5);
        assertThat(Math.abs(facts.value(Fact.RATIO_ERROR).orElseThrow())).isBetween(0.09, 0.11);
        assertThat(facts.value(Fact.OPEN_DAYS)).as("opened after the pour").hasValue(0);
        assertThat(facts.value(Fact.FILM_MM).orElseThrow()).isBetween(0.4, 0.5);
        assertThat(facts.value(Fact.OF_CARRIED).orElseThrow())
                .isCloseTo(
                        facts.value(Fact.FILM_MM).orElseThrow()
                                / facts.value(Fact.CARRIES_MM).orElseThrow(),
                        within(1e-9));
        // A ripple of 20 mm on this film levels within seconds to minutes; gelled is it after 4 h.
        assertThat(facts.value(Fact.RIPPLE_OF_GEL).orElseThrow()).isBetween(1e-5, 0.1);
        assertThat(facts.value(Fact.BUBBLE_OF_WORKING).orElseThrow()).isBetween(0.001, 10.0);
    }

    /** Stokes: a slower, warmer room changes both; at the label's own temperature the working time is 40 min. */
    @Test
    void aBubbleRisesByItsSizeAndTheFilm() {
        done(0, StepKind.FLOOD_COAT);
        double viscosity = RESIN.label().viscosityPaSAt(22).orElseThrow();
        double film = facts(1).value(Fact.FILM_MM).orElseThrow();
        double density = RESIN.label().mixDensityGPerMl() * 1000;
        double metresPerSecond = 2 / 9.0 * (density - 1.2) * 9.80665 * Math.pow(0.05e-3, 2) / viscosity;
        assertThat(facts(1).value(Fact.BUBBLE_OF_WORKING).orElseThrow())
                .isCloseTo(film / 1000 / metresPerSecond / 2400, within(0.02));
    }

    private FaultsSeen seen(double hours, Blemish fault, Zone zone) {
        return new FaultsSeen(mark(hours), List.of(new Sighting(fault, zone, Extent.SOME)));
    }

    /** What was seen within the hour is one look; what was seen before is another. */
    @Test
    void aLookIsAnHour() {
        done(0, StepKind.FLOOD_COAT);
        logged(seen(3.9, Blemish.SAG, Zone.RIM)).logged(seen(4, Blemish.HAZE, Zone.ALL));
        logged(seen(5, Blemish.SOFT, Zone.ALL));
        CupFaults.Look look = CupFaults.look(at(6));
        assertThat(look.last()).extracting(Sighting::fault).containsExactlyInAnyOrder(Blemish.HAZE, Blemish.SOFT);
        assertThat(look.before()).extracting(Sighting::fault).containsExactly(Blemish.SAG);
        assertThat(CupFaults.on(at(6))).hasSize(3);
        done(8, StepKind.BUILD_COAT);
        assertThat(CupFaults.look(at(9)).last()).isEmpty();
        assertThat(CupFaults.look(at(9)).before()).isEmpty();
    }

    @Test
    void whatWasBehindItIsWhatWasSaidLastOfThisCoat() {
        done(0, StepKind.FLOOD_COAT);
        assertThat(CupFaults.cause(at(1))).isEmpty();
        logged(new LogEntry.CauseKnown(mark(2), "damp")).logged(new LogEntry.CauseKnown(mark(3), "cold"));
        assertThat(CupFaults.cause(at(4))).contains("cold");
        done(8, StepKind.BUILD_COAT);
        assertThat(CupFaults.cause(at(9))).isEmpty();
    }

    private static RemedyChosen chosen(Mark mark) {
        return new RemedyChosen(mark, Remedy.SCUFF_AND_COAT.written(), "grease");
    }

    /** Tried is what was chosen and worked on; seen again, or known what it was, it is no trial any more. */
    @Test
    void aRemedyIsTriedOnceWorkFollowedIt() {
        done(0, StepKind.FLOOD_COAT).logged(chosen(mark(5)));
        assertThat(CupFaults.tried(at(6))).isEmpty();
        logged(new LogEntry.Plain(mark(6), LogEntry.Kind.NOTED));
        assertThat(CupFaults.tried(at(7))).isEmpty();
        logged(LogEntry.scuffed(mark(20)));
        assertThat(CupFaults.tried(at(21))).isPresent();
        logged(chosen(mark(22)));
        assertThat(CupFaults.tried(at(23))).as("chosen anew").isEmpty();
        done(24, StepKind.BUILD_COAT);
        assertThat(CupFaults.tried(at(25))).isPresent();
        logged(seen(26, Blemish.FISH_EYES, Zone.MIDDLE));
        assertThat(CupFaults.tried(at(27))).isEmpty();
    }

    private static List<StepKind> kinds(List<PlanStep> steps) {
        return steps.stream().map(PlanStep::kind).toList();
    }

    /** P14: within two hours of its window, and past it, a coat is dulled before anything goes on it. */
    @Test
    void pastItsWindowACoatIsDulledFirst() {
        done(0, StepKind.FLOOD_COAT).ahead(StepKind.FINISH);
        double windowH = RESIN.label().times().scuffAfterH();
        assertThat(kinds(CupFaults.steps(at(8), Remedy.PRESS_AND_SEAL, hour(8))))
                .containsExactly(StepKind.SEAL, StepKind.THIN_COAT);
        assertThat(kinds(CupFaults.steps(at(windowH - 2), Remedy.PRESS_AND_SEAL, hour(windowH - 2))))
                .containsExactly(StepKind.SAND, StepKind.WASH, StepKind.SEAL, StepKind.THIN_COAT);
        assertThat(kinds(CupFaults.steps(at(60), Remedy.SAND_THE_RIM, hour(60))))
                .as("what is done first stays first")
                .containsExactly(StepKind.SAND_RIM, StepKind.SAND, StepKind.WASH, StepKind.FINISHING_COAT);
        assertThat(kinds(CupFaults.steps(at(60), Remedy.COAT_AGAIN, hour(60))))
                .as("a coat asks for it by itself")
                .containsExactly(StepKind.BUILD_COAT);
        assertThat(kinds(CupFaults.steps(at(60), Remedy.THIN_COAT, hour(60))))
                .as("it dulls already")
                .containsExactly(StepKind.SAND, StepKind.WASH, StepKind.FINISHING_COAT);
        assertThat(kinds(CupFaults.steps(at(60), Remedy.WASH, hour(60))))
                .as("nothing goes on it")
                .containsExactly(StepKind.WASH);
        log.add(LogEntry.scuffed(mark(59)));
        assertThat(kinds(CupFaults.steps(at(60), Remedy.PRESS_AND_SEAL, hour(60))))
                .as("dulled already")
                .containsExactly(StepKind.SEAL, StepKind.THIN_COAT);
    }

    @Test
    void newStepsHaveNumbersOfTheirOwnAndStandBeforeWhatIsAhead() {
        done(0, StepKind.FLOOD_COAT).ahead(StepKind.FINISH, StepKind.PACK);
        List<PlanStep> ahead = CupFaults.ahead(at(8), Remedy.SCUFF_AND_COAT, hour(8));
        assertThat(kinds(ahead))
                .containsExactly(StepKind.SAND, StepKind.WASH, StepKind.BUILD_COAT, StepKind.FINISH, StepKind.PACK);
        assertThat(ahead).extracting(PlanStep::number).containsExactly(4, 5, 6, 2, 3);
        List<PlanStep> stripped = CupFaults.ahead(at(8), Remedy.STRIP_BACK, hour(8));
        assertThat(kinds(stripped)).containsExactly(StepKind.FLOOD_COAT, StepKind.FINISH, StepKind.PACK);
        assertThat(stripped).extracting(PlanStep::number).containsExactly(4, 5, 6);
    }

    /** P69: on a last coat another last coat; what is scraped off comes again as it was. */
    @Test
    void whatFollowsALastCoatIsALastCoat() {
        done(0, StepKind.FLOOD_COAT).done(8, StepKind.FINISHING_COAT).ahead(StepKind.FINISH);
        assertThat(kinds(CupFaults.steps(at(12), Remedy.COAT_AGAIN, hour(12))))
                .containsExactly(StepKind.FINISHING_COAT);
        assertThat(kinds(CupFaults.steps(at(12), Remedy.SCRAPE_OFF, hour(12))))
                .containsExactly(StepKind.WIPE, StepKind.FLASH_OFF, StepKind.WASH, StepKind.FINISHING_COAT);
    }

    @Test
    void whatIsScrapedOffComesAgainAsItWas() {
        done(0, StepKind.THIN_COAT).ahead(StepKind.FINISH);
        assertThat(kinds(CupFaults.steps(at(8), Remedy.SCRAPE_OFF, hour(8))))
                .containsExactly(StepKind.WIPE, StepKind.FLASH_OFF, StepKind.WASH, StepKind.THIN_COAT);
        assertThat(kinds(CupFaults.steps(at(8), Remedy.COAT_AGAIN, hour(8)))).containsExactly(StepKind.BUILD_COAT);
    }

    /** Under no coat yet glitter goes on as it went on; under one it takes the whole way. */
    @Test
    void glitterGoesOnAgainTheWayItWentOn() {
        done(0, StepKind.GLUE)
                .done(1, StepKind.GLITTER)
                .done(2, StepKind.GLUE)
                .done(3, StepKind.GLITTER)
                .ahead(StepKind.GLITTER, StepKind.FLOOD_COAT);
        List<PlanStep> again = CupFaults.steps(at(5), Remedy.RE_GLITTER, hour(5));
        assertThat(kinds(again)).containsExactly(StepKind.GLUE, StepKind.GLITTER);
        assertThat(again).extracting(PlanStep::number).containsExactly(7, 8);
        plan.remove(5);
        plan.remove(4);
        done(6, StepKind.FLOOD_COAT);
        assertThat(kinds(CupFaults.steps(at(8), Remedy.RE_GLITTER, hour(8)))).contains(StepKind.FLOOD_COAT);
    }

    @ParameterizedTest
    @CsvSource({
        "1, almost sure, 100",
        "0.95, almost sure, 95",
        "0.949, 9 in 10, 95",
        "0.5, 5 in 10, 50",
        "0.1, 1 in 10, 10",
        "0.099, 1 in 10, 10",
        "0.05, 1 in 20, 5"
    })
    void aShareIsSaidInTenths(double share, String words, long percent) {
        assertThat(Tenths.of(share)).isEqualTo(new Tenths(words, percent));
    }

    @ParameterizedTest
    @EnumSource(Remedy.class)
    void aRemedyIsFoundByItsName(Remedy remedy) {
        assertThat(Remedy.named(remedy.written())).contains(remedy);
        assertThat(remedy.words()).isNotBlank();
        assertThat(remedy.how()).isNotBlank();
        assertThat(Remedy.named(remedy.name())).isEmpty();
    }

    @Test
    void someRemediesCarryARisk() {
        assertThat(Arrays.stream(Remedy.values()).filter(remedy -> remedy.risk().isEmpty()))
                .contains(Remedy.WASH, Remedy.LEAVE_IT)
                .doesNotContain(Remedy.STRIP_BACK, Remedy.SCRAPE_OFF);
    }

    /** Nobody is asked for what was said; a question passed over is passed over. */
    @Test
    void aQuestionPassedOverMakesRoomForTheNext() {
        Model model = StartingModel.MODEL;
        Diagnosis diagnosis = Diagnosis.of(
                model,
                List.of(new Sighting(Blemish.FISH_EYES, Zone.MIDDLE, Extent.SOME)),
                Map.of(),
                new Facts(new EnumMap<>(Fact.class)));
        assertThat(diagnosis.asks()).isNotEmpty();
        String first = diagnosis.ask().orElseThrow().sign().key();
        Diagnosis passed = diagnosis.without(Set.of(first));
        assertThat(passed.asks()).hasSize(diagnosis.asks().size() - 1);
        assertThat(passed.ask().map(ask -> ask.sign().key())).isNotEqualTo(Optional.of(first));
        assertThat(passed.held()).isEqualTo(diagnosis.held());
        assertThat(diagnosis.asks()).isSortedAccordingTo((one, other) -> Double.compare(other.bits(), one.bits()));
        assertThat(diagnosis.offers())
                .isSortedAccordingTo((one, other) -> one.against().isPresent()
                                == other.against().isPresent()
                        ? Double.compare(other.serves(), one.serves())
                        : Boolean.compare(
                                one.against().isPresent(), other.against().isPresent()));
    }

    /**
     * Reasons by hand: 10 log10 of (1 − (1 − leak)(1 − shows))/leak for what is there, of 1 − shows for what is not.
     */
    @Test
    void aReasonSpeaksInDecibans() {
        Model model = StartingModel.MODEL;
        Sign asked = model.signs().stream().filter(Sign::isAsked).findFirst().orElseThrow();
        for (boolean there : new boolean[] {true, false}) {
            Diagnosis diagnosis = Diagnosis.of(
                    model,
                    List.of(new Sighting(Blemish.FISH_EYES, Zone.MIDDLE, Extent.SOME)),
                    Map.of(asked.key(), there),
                    new Facts(new EnumMap<>(Fact.class)));
            for (Diagnosis.Held held : diagnosis.held()) {
                double shows = held.cause().shows(asked.key());
                double decibans =
                        10 * Math.log10(there ? (1 - (1 - asked.leak()) * (1 - shows)) / asked.leak() : 1 - shows);
                assertThat(held.reasons().stream()
                                .filter(reason -> reason.words().equals(there ? asked.yes() : asked.no()))
                                .map(Diagnosis.Reason::decibans))
                        .as(held.cause().key())
                        .allSatisfy(told -> assertThat(told).isCloseTo(decibans, within(1e-9)))
                        .hasSize(Math.abs(decibans) >= 2 ? 1 : 0);
            }
        }
    }

    /** The longer ahead of a fault, the likelier it is: said from three in ten on, the worst first. */
    @Test
    void whatIsForetoldIsLikelyAndTheWorstFirst() {
        Map<Fact, Double> bad = new EnumMap<>(Fact.class);
        bad.put(Fact.FILM_MM, 2.4);
        bad.put(Fact.CARRIES_MM, 0.8);
        bad.put(Fact.HUMIDITY, 92.0);
        bad.put(Fact.DEW_MARGIN_C, 0.5);
        bad.put(Fact.SECONDS_STIRRED, 40.0);
        bad.put(Fact.AMBIENT_C, 14.0);
        List<Foresight> ahead = Foresight.of(StartingModel.MODEL, new Facts(bad));
        assertThat(ahead).hasSizeGreaterThan(1).allSatisfy(one -> {
            assertThat(one.chance()).isBetween(Foresight.WORTH_SAYING, 1.0);
            assertThat(one.words()).contains(" in 10").endsWith(".");
        });
        assertThat(ahead).isSortedAccordingTo((one, other) -> Double.compare(other.chance(), one.chance()));
    }

    /** What lay below a coat is known by what was asked about when it was poured. */
    @Test
    void whatWasWrongBelowACoatIsKnown() {
        done(0, StepKind.FLOOD_COAT).done(5, StepKind.BUILD_COAT);
        Facts fine = facts(10);
        assertThat(is(fine, Fact.BELOW_DRY) && is(fine, Fact.SOLVENT_OFF) && is(fine, Fact.SEALED))
                .isTrue();
        assertThat(is(fine, Fact.WORKED_TOO_SOON)).isFalse();
        assertThat(is(fine, Fact.SCUFFED)).isFalse();
        // Five hours at 22 °C, of a coat that must be scuffed after so many.
        assertThat(fine.value(Fact.BELOW_OF_WINDOW).orElseThrow())
                .isCloseTo(5 / RESIN.label().times().scuffAfterH(), within(1e-9));
        assertThat(fine.value(Fact.AGE_H).orElseThrow()).isCloseTo(5, within(1e-9));
        assertThat(fine.value(Fact.OF_CURED).orElseThrow())
                .isCloseTo(5 / RESIN.label().times().curedH(), within(1e-9));
        assertThat(fine.value(Fact.HEAT_PASS)).isEmpty();
    }

    @Test
    void aCoatOnWetInkIsOnWhatWasNotDryNorSealed() {
        done(0, StepKind.FLOOD_COAT).done(9, StepKind.INK).done(9.1, StepKind.BUILD_COAT);
        assertThat(is(facts(12), Fact.BELOW_DRY)).isFalse();
        assertThat(is(facts(12), Fact.SOLVENT_OFF)).isTrue();
        assertThat(is(facts(12), Fact.WORKED_TOO_SOON)).isFalse();
    }

    @Test
    void aCoatOnWetSolventIsKnown() {
        done(0, StepKind.FLOOD_COAT)
                .done(9, StepKind.WIPE, with(StepKind.WIPE, Fields.Cleaner.ACETONE))
                .done(9.05, StepKind.BUILD_COAT);
        assertThat(is(facts(12), Fact.SOLVENT_OFF)).isFalse();
        assertThat(is(facts(12), Fact.BELOW_DRY)).isTrue();
        assertThat(facts(12).value(Fact.HEAT_PASS)).as("a wipe is no heat pass").isEmpty();
    }

    @Test
    void aCoatTooSoonIsKnown() {
        done(0, StepKind.FLOOD_COAT).done(2, StepKind.BUILD_COAT);
        assertThat(is(facts(3), Fact.WORKED_TOO_SOON)).isTrue();
    }

    /** Only what takes it into hands ends its turning: a remark after the pour, or a pass before it, does not. */
    @Test
    void aRemarkEndsNoTurning() {
        done(0, StepKind.SAND).done(1, StepKind.FLOOD_COAT);
        logged(new LogEntry.Plain(mark(2), LogEntry.Kind.NOTED)).logged(LogEntry.takenOff(mark(5)));
        assertThat(facts(12).value(Fact.OF_TURNING).orElseThrow()).isCloseTo(1, within(1e-9));
    }

    /** A few facts without the ages: hours of cure as a share of the 24 a regular resin takes (P17). */
    @Test
    void whatFollowsIsWorkedOut() {
        Map<Fact, Double> known = new EnumMap<>(Fact.class);
        known.put(Fact.AGE_H, 12.0);
        known.put(Fact.RATIO_ERROR, -0.1);
        Facts facts = new Facts(known);
        assertThat(facts.value(Fact.OF_CURED)).hasValue(0.5);
        assertThat(facts.value(Fact.RATIO_OFF)).hasValue(0.1);
        assertThat(facts.value(Fact.OF_CARRIED)).isEmpty();
    }

    private static Diagnosis seen(Map<String, Boolean> answers, Sighting... sightings) {
        return Diagnosis.of(StartingModel.MODEL, List.of(sightings), answers, Facts.NONE);
    }

    /**
     * Of one fault in one place the sums have a closed form. With p a cause's prior, e and s how likely it shows
     * everywhere and the fault, and q = p(1 − e)/(p(1 − e) + 1 − p): the fault is there with 1 − (1 − leak)·Π(1 − q·s),
     * and none of its causes with leak·Π(1 − q).
     */
    @ParameterizedTest
    @EnumSource(Blemish.class)
    void oneFaultHasItsSharesByHand(Blemish fault) {
        Model model = StartingModel.MODEL;
        Optional<Sign> sign = model.sign(fault.written());
        if (sign.isEmpty()) {
            return;
        }
        double leak = sign.get().leak();
        double none = 1;
        double noneMakes = 1;
        for (Cause cause : model.causes()) {
            double still = cause.prior() * (1 - cause.shows("everywhere"));
            double q = still / (still + 1 - cause.prior());
            noneMakes *= 1 - q * cause.shows(fault.written());
            none *= cause.shows(fault.written()) > 0 ? 1 - q : 1;
        }
        double there = 1 - (1 - leak) * noneMakes;
        Diagnosis diagnosis = seen(Map.of(), new Sighting(fault, Zone.MIDDLE, Extent.SOME));
        assertThat(diagnosis.unknown()).isCloseTo(leak * none / there, within(1e-9));
        for (Diagnosis.Held held : diagnosis.held()) {
            double still = held.cause().prior() * (1 - held.cause().shows("everywhere"));
            double q = still / (still + 1 - held.cause().prior());
            double shows = held.cause().shows(fault.written());
            double others = noneMakes / (1 - q * shows);
            assertThat(held.share())
                    .as(held.cause().key())
                    .isCloseTo(q * (1 - (1 - leak) * (1 - shows) * others) / there, within(1e-9));
        }
        assertThat(diagnosis.tells())
                .isEqualTo(!diagnosis.held().isEmpty()
                        && diagnosis.held().get(0).share() >= 0.5
                        && diagnosis.held().get(0).share() > diagnosis.unknown());
    }

    /** Everywhere, or at one end: that needs no question. */
    @Test
    void whereAFaultIsAnswersByItself() {
        Sighting everywhere = new Sighting(Blemish.HAZE, Zone.ALL, Extent.SOME);
        Sighting below = new Sighting(Blemish.HAZE, Zone.BASE, Extent.SOME);
        assertThat(seen(Map.of(), everywhere).asks())
                .noneMatch(ask -> ask.sign().key().equals("everywhere"));
        assertThat(seen(Map.of(), below).asks())
                .noneMatch(ask -> ask.sign().key().equals("one-end"));
        assertThat(seen(Map.of(), everywhere).held())
                .isNotEqualTo(seen(Map.of(), below).held());
        assertThat(seen(Map.of(Blemish.HAZE.written(), false), everywhere))
                .as("only a question can be answered")
                .isEqualTo(seen(Map.of(), everywhere));
    }

    /** With two faults each is a reason: its decibans by the formula, at most three, the strongest first. */
    @Test
    void eachOfTwoFaultsIsAReason() {
        Model model = StartingModel.MODEL;
        for (Blemish other : Blemish.values()) {
            if (other == Blemish.FISH_EYES || model.sign(other.written()).isEmpty()) {
                continue;
            }
            Diagnosis diagnosis = seen(
                    Map.of(),
                    new Sighting(Blemish.FISH_EYES, Zone.MIDDLE, Extent.SOME),
                    new Sighting(other, Zone.MIDDLE, Extent.SOME));
            for (Diagnosis.Held held : diagnosis.held()) {
                Map<String, Double> expected = new HashMap<>();
                for (Blemish fault : List.of(Blemish.FISH_EYES, other)) {
                    Sign sign = model.sign(fault.written()).orElseThrow();
                    double shows = held.cause().shows(fault.written());
                    expected.put(sign.yes(), 10 * Math.log10((1 - (1 - sign.leak()) * (1 - shows)) / sign.leak()));
                }
                Sign everywhere = model.sign("everywhere").orElseThrow();
                expected.put(everywhere.no(), 10 * Math.log10(1 - held.cause().shows("everywhere")));
                List<Double> told = expected.values().stream()
                        .filter(decibans -> Math.abs(decibans) >= 2)
                        .sorted((one, two) -> Double.compare(Math.abs(two), Math.abs(one)))
                        .limit(3)
                        .toList();
                assertThat(held.reasons())
                        .as(held.cause().key() + " and " + other)
                        .hasSameSizeAs(told);
                for (int i = 0; i < told.size(); i++) {
                    Diagnosis.Reason reason = held.reasons().get(i);
                    assertThat(reason.decibans()).isCloseTo(told.get(i), within(1e-9));
                    assertThat(expected.get(reason.words())).isCloseTo(reason.decibans(), within(1e-9));
                }
            }
        }
    }

    /** A remedy serves by the shares of what it helps, the second best by half; what is forbidden comes last. */
    @Test
    void aRemedyServesByTheSharesOfWhatItHelps() {
        for (Sighting one : List.of(
                new Sighting(Blemish.FISH_EYES, Zone.MIDDLE, Extent.SOME),
                new Sighting(Blemish.SOFT, Zone.ALL, Extent.MUCH),
                new Sighting(Blemish.HAZE, Zone.BASE, Extent.SOME))) {
            Diagnosis diagnosis = seen(Map.of(), one);
            for (Diagnosis.Offer offer : diagnosis.offers()) {
                double serves = 0;
                for (Diagnosis.Held held : diagnosis.held()) {
                    int place = held.cause().helps().indexOf(offer.remedy());
                    serves += place >= 0 ? held.share() / (place + 1) : 0;
                }
                assertThat(offer.serves()).as(offer.remedy().words()).isCloseTo(Math.min(1, serves), within(1e-9));
                assertThat(offer.against()).isEqualTo(diagnosis.against(offer.remedy()));
            }
            List<Boolean> forbidden = diagnosis.offers().stream()
                    .map(offer -> offer.against().isPresent())
                    .toList();
            assertThat(forbidden).as("what is forbidden comes last").isSorted();
        }
        assertThat(seen(Map.of(), new Sighting(Blemish.SOFT, Zone.ALL, Extent.MUCH))
                        .offers())
                .anyMatch(offer -> offer.against().isPresent());
    }

    @Test
    void aShopsOwnRemedyIsCalledByItsWordsAndCoversUpIfItCoatsWithoutWiping() {
        OwnRemedy coats = new OwnRemedy("damp", "Our way", List.of(StepKind.WASH, StepKind.BUILD_COAT));
        assertThat(coats.written()).isEqualTo("Our way");
        assertThat(coats.coversUp()).isTrue();
        assertThat(new OwnRemedy("damp", "Wipe", List.of(StepKind.WIPE, StepKind.BUILD_COAT)).coversUp())
                .isFalse();
        assertThat(new OwnRemedy("damp", "Strip", List.of(StepKind.PREP, StepKind.BUILD_COAT)).coversUp())
                .isFalse();
        assertThat(new OwnRemedy("damp", "Wait", List.of(StepKind.WASH)).coversUp())
                .isFalse();
    }

    /** A band holds its lower end and not its upper. */
    @Test
    void aBandHoldsItsLowerEnd() {
        Evidence evidence = new Evidence(Fact.HUMIDITY, 60, 80, 5, "damp");
        for (double value : new double[] {59.9, 60, 79.9, 80}) {
            Map<Fact, Double> known = new EnumMap<>(Fact.class);
            known.put(Fact.HUMIDITY, value);
            assertThat(evidence.speaks(new Facts(known))).isEqualTo(value >= 60 && value < 80);
        }
    }
}
