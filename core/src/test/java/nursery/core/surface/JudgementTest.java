package nursery.core.surface;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.tuple;
import static org.assertj.core.api.Assertions.within;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import nursery.core.cup.Blank;
import nursery.core.cup.Straight;
import nursery.core.cure.CoatTimes;
import nursery.core.cure.RoomCourse;
import nursery.core.resin.Label;
import nursery.core.resin.StartingProfile;
import nursery.core.surface.Composer.Composed;
import nursery.core.surface.Composer.Piece;
import nursery.core.surface.Judgement.Finding;
import nursery.core.surface.Judgement.SoFar;
import nursery.core.technique.DecalSize;
import nursery.core.technique.Fields;
import nursery.core.technique.OneColourGlitter;
import nursery.core.technique.PlanStep;
import nursery.core.technique.School;
import nursery.core.technique.Schools;
import nursery.core.technique.StepKind;
import nursery.core.technique.Technique;
import nursery.core.technique.TechniqueStep;
import nursery.core.technique.Wait;
import nursery.core.technique.Where;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

/**
 * What is said of a plan on paper. A regular resin sets a thin adhesive in 2 to 3 h, takes the next coat at 4 to 12 h
 * and is sanded from 8 h (P13 to P16, P19).
 */
class JudgementTest {

    private static final Label REGULAR = StartingProfile.REGULAR.label();
    private static final Label FAST = StartingProfile.FAST.label();
    private static final Blank SLIM = new Blank(new Straight(205, 229.3), true, 5, 0, 0, OptionalDouble.of(20));

    private static List<PlanStep> glitter(School... schools) {
        return OneColourGlitter.plan(Schools.of(schools), REGULAR);
    }

    private static List<PlanStep> plan(TechniqueStep... steps) {
        List<PlanStep> plan = new ArrayList<>();
        for (TechniqueStep step : steps) {
            plan.add(step.in(plan.size() + 1));
        }
        return plan;
    }

    private static TechniqueStep after(Wait wait, StepKind kind) {
        TechniqueStep usual = TechniqueStep.usual(kind);
        return new TechniqueStep(kind, "", wait, "", usual.role(), usual.how(), usual.size(), usual.only());
    }

    private static List<String> rules(List<Finding> findings) {
        return findings.stream().map(Finding::rule).toList();
    }

    @Test
    void aSoundPlanIsSound() {
        for (School[] schools :
                new School[][] {{}, {School.NEXT_DAY}, {School.ADHESIVE_GENEROUS, School.SEAL_ALWAYS}}) {
            assertThat(Judgement.of(glitter(schools), REGULAR, REGULAR, SLIM)).isEmpty();
            assertThat(Judgement.offered(glitter(schools), REGULAR, REGULAR, SLIM))
                    .isEmpty();
        }
    }

    /**
     * By hand: 15 min of prep, 10 of paint and an hour to dry; 10 of adhesive, and the glitter at once; 3 h from the
     * adhesive, 4 from the flood coat, 8 from the next, 25 min of sanding, and 12 from the last.
     */
    @Test
    void eachStepIsBegunAsSoonAsTheOneBeforeAllows() {
        double adhesive = (15 + 10 + 60) / 60.0;
        double flood = adhesive + 3;
        double build = flood + 4;
        double sanded = build + 8;
        double last = sanded + 25 / 60.0;
        double[] hours = {0, 15 / 60.0, adhesive, adhesive + 10 / 60.0, flood, build, sanded, last, last + 12};
        List<Double> found = Judgement.earliestHours(glitter(), REGULAR, REGULAR, SLIM);
        assertThat(found).hasSize(hours.length);
        for (int i = 0; i < hours.length; i++) {
            assertThat(found.get(i)).as("step %d", i).isCloseTo(hours[i], within(1e-9));
        }
    }

    /** The last coats may be of another resin: a fast one is sandable at 2 h and not at 8. */
    @Test
    void theLastCoatCuresByItsOwnLabel() {
        List<PlanStep> plan = plan(
                TechniqueStep.usual(StepKind.PREP),
                TechniqueStep.usual(StepKind.FLOOD_COAT),
                after(Wait.of(Wait.Kind.SANDABLE), StepKind.SAND),
                TechniqueStep.usual(StepKind.FINISHING_COAT),
                after(Wait.of(Wait.Kind.SANDABLE), StepKind.SAND));
        List<Double> slow = Judgement.earliestHours(plan, REGULAR, REGULAR, SLIM);
        List<Double> quick = Judgement.earliestHours(plan, REGULAR, FAST, SLIM);
        assertThat(quick.subList(0, 4)).isEqualTo(slow.subList(0, 4));
        assertThat(quick.get(4)).isLessThan(slow.get(4));
    }

    /** The paint is dry after 30 min, a thin film set after 2 h, and a coat firm enough to pack after 8. */
    @Test
    void whatAPlanWaitsForLongerThanItMustIsTold() {
        assertThat(Judgement.longer(glitter(), REGULAR, REGULAR, SLIM))
                .extracting(longer -> longer.step().kind(), longer -> Math.round(longer.byMinutes()))
                .containsExactly(
                        tuple(StepKind.ADHESIVE, 30L), tuple(StepKind.FLOOD_COAT, 60L), tuple(StepKind.FINISH, 240L));
        List<PlanStep> sealed = glitter(School.ADHESIVE_GENEROUS, School.SEAL_ALWAYS);
        assertThat(Judgement.longer(sealed, REGULAR, REGULAR, SLIM))
                .as("a generous film is set after 6 h, and so long it waits")
                .extracting(longer -> longer.step().kind())
                .containsExactly(StepKind.ADHESIVE, StepKind.FINISH);
    }

    /** A wait that is stated can be too short; where none is, a bench has the table's, and paper takes it at once. */
    @Test
    void aWaitThatIsTooShortIsTold() {
        List<PlanStep> early = plan(
                TechniqueStep.usual(StepKind.PREP),
                TechniqueStep.usual(StepKind.FLOOD_COAT),
                after(Wait.age(2), StepKind.BUILD_COAT));
        assertThat(rules(Judgement.of(early, REGULAR, REGULAR, SLIM))).contains("COAT_TOO_SOON");
        assertThat(rules(Judgement.offered(early, REGULAR, REGULAR, SLIM))).contains("COAT_TOO_SOON");
        List<PlanStep> unsaid = plan(
                TechniqueStep.usual(StepKind.PREP),
                TechniqueStep.usual(StepKind.FLOOD_COAT),
                after(Wait.none(), StepKind.BUILD_COAT));
        assertThat(rules(Judgement.of(unsaid, REGULAR, REGULAR, SLIM))).contains("COAT_TOO_SOON");
        assertThat(Judgement.offered(unsaid, REGULAR, REGULAR, SLIM)).isEmpty();
        List<PlanStep> straightOn = plan(
                TechniqueStep.usual(StepKind.PREP),
                TechniqueStep.usual(StepKind.FLOOD_COAT),
                TechniqueStep.usual(StepKind.BUILD_COAT));
        assertThat(Judgement.of(straightOn, REGULAR, REGULAR, SLIM)).isEmpty();
        assertThat(Judgement.offered(straightOn, REGULAR, REGULAR, SLIM)).isEmpty();
    }

    /** Only for what it waits for: a wait for the paint says nothing of a coat below that. */
    @Test
    void aShortDryingIsToldOfWhatDries() {
        List<PlanStep> wet = plan(
                TechniqueStep.usual(StepKind.PREP),
                TechniqueStep.usual(StepKind.PAINT),
                after(Wait.dry(Duration.ofMinutes(5)), StepKind.FLOOD_COAT));
        assertThat(Judgement.offered(wet, REGULAR, REGULAR, SLIM)).isNotEmpty().allSatisfy(finding -> {
            assertThat(finding.place()).isEqualTo(2);
            assertThat(finding.message()).isNotBlank();
            assertThat(finding.source()).startsWith("P");
        });
        List<PlanStep> dry = plan(
                TechniqueStep.usual(StepKind.PREP),
                TechniqueStep.usual(StepKind.PAINT),
                after(Wait.dry(Duration.ofMinutes(60)), StepKind.FLOOD_COAT));
        assertThat(Judgement.offered(dry, REGULAR, REGULAR, SLIM)).isEmpty();
    }

    /** A piece as wide as 300 mm does not go round a cup of 229 mm. */
    @Test
    void aPieceThatDoesNotFitIsTold() {
        PlanStep vinyl = TechniqueStep.usual(StepKind.VINYL).in(3);
        List<PlanStep> plan =
                new ArrayList<>(plan(TechniqueStep.usual(StepKind.PREP), TechniqueStep.usual(StepKind.FLOOD_COAT)));
        plan.add(vinyl.sized(new DecalSize(300, 80)));
        assertThat(rules(Judgement.of(plan, REGULAR, REGULAR, SLIM))).contains("DECAL_TOO_LARGE");
    }

    /** What was never scuffed came with a coat of powder, as far as paper knows. */
    @Test
    void aBlankThatIsNotPreparedCameCoated() {
        Blank bare = new Blank(new Straight(205, 229.3), true, 5, 0, 0, OptionalDouble.of(20), false);
        List<PlanStep> prepared = plan(
                TechniqueStep.usual(StepKind.CLEAN),
                TechniqueStep.usual(StepKind.PREP),
                TechniqueStep.usual(StepKind.FLOOD_COAT));
        List<PlanStep> cleaned = plan(TechniqueStep.usual(StepKind.CLEAN), TechniqueStep.usual(StepKind.FLOOD_COAT));
        assertThat(SoFar.of(bare, prepared).surface()).isEqualTo(Surface.of(false));
        assertThat(SoFar.of(bare, cleaned).surface()).isEqualTo(Surface.of(true));
        assertThat(SoFar.of(new Blank(new Straight(205, 229.3), true, 5, 0, 0, OptionalDouble.of(20), true), prepared)
                        .surface())
                .isEqualTo(Surface.of(true));
    }

    private static SoFar flooded(double hoursAgo) {
        Instant start = Instant.parse("2026-03-01T10:00:00Z");
        Surface surface = Surface.of(true)
                .after(Work.of(1, Doing.PREP))
                .after(Work.of(2, Doing.FLOOD_COAT, How.usual(Doing.FLOOD_COAT), Optional.of(REGULAR.times())));
        Moments moments = Moments.NONE
                .and(start, Duration.ofMinutes(15))
                .and(
                        new CoatTimes(REGULAR, RoomCourse.steady(22), start.plus(Duration.ofHours(1))),
                        Duration.ofMinutes(15));
        double ms = start.toEpochMilli();
        Timeline minutes = new Timeline() {
            @Override
            public double begun(int work, double after) {
                return (moments.begun(work, after) - ms) / 60_000;
            }

            @Override
            public double ended(int work, double after) {
                return (moments.ended(work, after) - ms) / 60_000;
            }

            @Override
            public double age(int pour, double hours) {
                return (moments.age(pour, hours) - ms) / 60_000;
            }
        };
        return new SoFar(surface, minutes, 60 + 60 * hoursAgo);
    }

    /** P14: past 12 h a coat is scuffed before the next; a bench asks for that, and so no more is told. */
    @Test
    void whatIsAheadOfACupIsTakenFromNowOn() {
        List<PlanStep> next = plan(TechniqueStep.usual(StepKind.BUILD_COAT));
        assertThat(Judgement.ahead(flooded(0.5), next, REGULAR, REGULAR, SLIM)).isEmpty();
        assertThat(Judgement.ahead(flooded(6), next, REGULAR, REGULAR, SLIM)).isEmpty();
        assertThat(Judgement.ahead(flooded(30), next, REGULAR, REGULAR, SLIM)).isEmpty();
        List<PlanStep> flakes = plan(TechniqueStep.usual(StepKind.GLITTER));
        assertThat(Judgement.ahead(flooded(30), flakes, REGULAR, REGULAR, SLIM))
                .as("flakes hold on no hard coat")
                .isNotEmpty();
    }

    /** What has passed on a coat that cannot be scuffed any more, under ink that lies open, is told. */
    @Test
    void whatCannotBeScuffedIsTold() {
        List<PlanStep> inked =
                plan(TechniqueStep.usual(StepKind.INK), after(Wait.dry(Duration.ofHours(30)), StepKind.BUILD_COAT));
        assertThat(Judgement.ahead(flooded(6), inked, REGULAR, REGULAR, SLIM))
                .extracting(Finding::place)
                .contains(1);
    }

    private static Technique.Part single(TechniqueStep step) {
        return new Technique.Single(step);
    }

    private static final Piece PAINTED = new Piece(
            Technique.Place.BASE,
            "Painted",
            List.of(single(TechniqueStep.usual(StepKind.PREP)), single(TechniqueStep.usual(StepKind.PAINT))),
            false);
    private static final Piece COAT =
            new Piece(Technique.Place.LAYER, "Coat", List.of(single(TechniqueStep.usual(StepKind.BUILD_COAT))), true);
    private static final Piece INK =
            new Piece(Technique.Place.LAYER, "Ink", List.of(single(TechniqueStep.usual(StepKind.INK))), false);
    private static final Piece SMOKE =
            new Piece(Technique.Place.LAYER, "Smoke", List.of(single(TechniqueStep.usual(StepKind.SMOKE))), false);
    private static final Piece LAST = new Piece(
            Technique.Place.FINISH,
            "Last coat",
            List.of(single(TechniqueStep.usual(StepKind.FINISHING_COAT)), single(TechniqueStep.usual(StepKind.FINISH))),
            false);

    private static Composed composed(Map<String, Boolean> decided, Piece... pieces) {
        return Composer.compose("Tried", List.of(pieces), decided, REGULAR, SLIM);
    }

    /** Put together, taken apart by what it says was decided, and put together again: the same. */
    @Test
    void whatWasDecidedIsReadFromTheTechnique() {
        Composed made = composed(Map.of("1-advised-seal", true), PAINTED, INK, LAST);
        Map<String, Boolean> decided = Composer.decided(made.technique());
        assertThat(decided).isEqualTo(Map.of("1-advised-seal", true, "1-needed-seal", true));
        assertThat(composed(decided, PAINTED, INK, LAST).technique()).isEqualTo(made.technique());
        Composed smoked = composed(Map.of(), PAINTED, COAT, SMOKE, LAST);
        assertThat(Composer.decided(smoked.technique()))
                .isEqualTo(Map.of("2-advised-seal", true, "2-needed-seal", true));
        assertThat(Composer.decided(composed(Map.of(), PAINTED, COAT, LAST).technique()))
                .isEmpty();
    }

    private static TechniqueStep pulledByWhoTapes() {
        return new TechniqueStep(
                StepKind.PULL_TAPE,
                "",
                Wait.none(),
                "",
                Optional.empty(),
                Fields.usual(StepKind.PULL_TAPE),
                Optional.empty(),
                List.of(School.TAPE));
    }

    /** Three coats put in by hand between two layers are three decisions; who tapes decides nothing with them. */
    @Test
    void severalOfAKindAreSeveralDecisions() {
        TechniqueStep seal = TechniqueStep.usual(StepKind.SEAL);
        Technique technique = new Technique(
                "By hand",
                "",
                List.of(
                        single(TechniqueStep.usual(StepKind.PREP)),
                        single(seal),
                        single(seal),
                        single(pulledByWhoTapes()),
                        single(TechniqueStep.usual(StepKind.FINISHING_COAT))),
                List.of(
                        new Technique.Block(Technique.Place.BASE, "Base", 1),
                        new Technique.Block(Technique.Place.BETWEEN, "Between", 3),
                        new Technique.Block(Technique.Place.FINISH, "Last", 1)));
        assertThat(Composer.decided(technique))
                .isEqualTo(Map.of(
                        "0-needed-seal",
                        true,
                        "0-advised-seal",
                        true,
                        "0-needed-seal-2",
                        true,
                        "0-advised-seal-2",
                        true));
        assertThat(Composer.isTapePulled(technique.parts().get(3))).isTrue();
        assertThat(Composer.isTapePulled(technique.parts().get(1))).isFalse();
        assertThat(Composer.isTapePulled(single(TechniqueStep.usual(StepKind.PULL_TAPE))))
                .as("the plan's own, whoever tapes")
                .isFalse();
    }

    /** Two groups of one title would be one question of how often. */
    @Test
    void twoGroupsOfOneTitleAreTwoQuestions() {
        Piece waves = new Piece(
                Technique.Place.LAYER,
                "Waves",
                List.of(new Technique.Repeat("Waves", 1, 3, 2, List.of(TechniqueStep.usual(StepKind.PARTIAL_COAT)))),
                false);
        Composed made = composed(Map.of(), PAINTED, COAT, waves, waves, waves, LAST);
        assertThat(made.technique().repeats())
                .extracting(Technique.Repeat::title)
                .containsExactly("Waves", "Waves, 2", "Waves, 3");
        assertThat(made.technique().about()).isEqualTo("Painted · Coat · Waves · Waves · Waves · Last coat.");
    }

    /** Flakes sprinkled on a taped coat go on before its tape is pulled. */
    @Test
    void tapeIsPulledBehindWhatIsSprinkledOnTheCoat() {
        Piece taped = new Piece(
                Technique.Place.LAYER,
                "Coat",
                List.of(single(TechniqueStep.usual(StepKind.BUILD_COAT)), single(pulledByWhoTapes())),
                true);
        TechniqueStep flakes = TechniqueStep.usual(StepKind.GLITTER);
        Piece sprinkled = new Piece(
                Technique.Place.LAYER,
                "Flakes",
                List.of(single(flakes.doneAs(flakes.how().with(Fields.Strewn.SPRINKLED)))),
                false);
        Piece onTop = new Piece(Technique.Place.LAYER, "Flakes", List.of(single(flakes)), false);
        assertThat(composed(Map.of(), PAINTED, taped, sprinkled, LAST)
                        .technique()
                        .plan(Schools.of(School.TAPE), Map.of()))
                .extracting(PlanStep::kind)
                .containsSubsequence(StepKind.THIN_COAT, StepKind.GLITTER, StepKind.PULL_TAPE);
        assertThat(composed(Map.of(), PAINTED, taped, onTop, LAST).technique().plan(Schools.of(School.TAPE), Map.of()))
                .extracting(PlanStep::kind)
                .containsSubsequence(StepKind.THIN_COAT, StepKind.PULL_TAPE, StepKind.GLITTER);
    }

    @ParameterizedTest
    @EnumSource(Cell.class)
    void aCellSaysWhatFollowsOnceItsTimeHasPassed(Cell cell) {
        assertThat(cell.ifMissed()).isNotBlank();
        assertThat(cell.rule()).isNotBlank();
        assertThat(cell.isMendedByScuffing()).isEqualTo(cell == Cell.GRIP_WEAK || cell == Cell.MAY_PEEL);
        assertThat(cell.isWeak()).isEqualTo(cell == Cell.GRIP_WEAK || cell == Cell.GRIP_WEAK_BELOW);
        assertThat(cell.isFading()).isEqualTo(cell == Cell.GRIP_FADES || cell == Cell.GRIP_FADES_BELOW);
        assertThat(cell.isOfLostGrip())
                .isEqualTo(cell == Cell.GRIP_WEAK
                        || cell == Cell.GRIP_WEAK_BELOW
                        || cell == Cell.MAY_PEEL
                        || cell == Cell.MAY_PEEL_BELOW);
    }

    @Test
    void aDoingIsFoundByItsName() {
        for (Doing doing : Doing.values()) {
            assertThat(Doing.named(doing.written())).contains(doing);
        }
        assertThat(Doing.named("PAINT")).isEmpty();
        assertThat(Doing.of(glitter()))
                .startsWith(Doing.PREP, Doing.PAINT, Doing.ADHESIVE)
                .hasSize(9);
    }

    /** Each part of a side of 210 mm, in mm from the foot. */
    @Test
    void aPartOfTheSideIsOfThatSide() {
        Map<Where.Part, String> written = Map.ofEntries(
                Map.entry(Where.Part.ALL, "all"),
                Map.entry(Where.Part.SIDE, "0-rim"),
                Map.entry(Where.Part.UPPER_HALF, "105-rim"),
                Map.entry(Where.Part.LOWER_HALF, "0-105"),
                Map.entry(Where.Part.LOWER_HALF_AND_BASE, "base and 0-105"),
                Map.entry(Where.Part.UPPER_THIRD, "140-rim"),
                Map.entry(Where.Part.MIDDLE_THIRD, "70-140"),
                Map.entry(Where.Part.LOWER_THIRD, "0-70"),
                Map.entry(Where.Part.RIM, "rim"),
                Map.entry(Where.Part.BASE, "base"),
                Map.entry(Where.Part.RIM_AND_BASE, "base and rim"),
                Map.entry(Where.Part.HANDLE_SIDE, "spots"),
                Map.entry(Where.Part.SPOTS, "spots"));
        written.forEach((part, is) -> {
            assertThat(Place.of(new Where(part), Doing.PAINT, 210).written())
                    .as(part.word())
                    .isEqualTo(is);
            assertThat(Place.parse(part.written(), 210).written())
                    .as(part.word())
                    .isEqualTo(is);
        });
        assertThat(Place.of(Where.band(20, 60), Doing.PAINT, 210)).isEqualTo(Place.band(20, 60));
        assertThat(Place.of(Where.band(20, 210), Doing.PAINT, 210)).isEqualTo(Place.band(20, Place.RIM_MM));
        assertThat(Place.of(Where.band(300, 320), Doing.PAINT, 210))
                .as("above this side: on its topmost millimetre")
                .isEqualTo(Place.band(209, Place.RIM_MM));
        assertThat(Place.parse("20-60", 210)).isEqualTo(Place.band(20, 60));
        assertThat(Place.parse("0-210", 210)).isEqualTo(Place.band(0, 210));
        assertThatThrownBy(() -> Place.parse("0-210.1", 210))
                .hasMessageContaining("ends above the side, which is 210 mm high");
        assertThatThrownBy(() -> Place.parse("x".repeat(41), 210)).hasMessageContaining("“" + "x".repeat(40) + "”");
        assertThat(Place.BASE.isTheBaseAlone()).isTrue();
        assertThat(Arrays.asList(Place.RIM, Place.ALL, Place.RIM_AND_BASE, Place.band(0, 5)))
                .noneMatch(Place::isTheBaseAlone);
        assertThat(Place.ALL.coversTheSide()).isTrue();
        assertThat(Place.band(0, Place.RIM_MM).coversTheSide()).isTrue();
        assertThat(Arrays.asList(Place.SPOTS, Place.band(1, Place.RIM_MM), Place.band(0, 100)))
                .noneMatch(Place::coversTheSide);
    }

    /**
     * The part of a blank a step goes over: half of the side has half of its area, and the whole is the blank. A base
     * is taken with the first millimetre of the side.
     */
    @Test
    void aStepGoesOverItsPartOfTheBlank() {
        PlanStep coat = TechniqueStep.usual(StepKind.FLOOD_COAT).in(1);
        assertThat(Place.of(coat, SLIM)).isSameAs(SLIM);
        PlanStep half = coat.doneAs(coat.how().with(Where.Part.LOWER_HALF));
        double side = 205 * 229.3 / 100;
        assertThat(Place.of(half, SLIM).area().coatedCm2()).isCloseTo(side / 2, within(side * 0.03));
        PlanStep base = coat.doneAs(coat.how().with(Where.Part.BASE));
        assertThat(Place.of(base, SLIM).area().coatedCm2()).isCloseTo(229.3 * 229.3 / (4 * Math.PI) / 100, within(2.3));
    }
}
