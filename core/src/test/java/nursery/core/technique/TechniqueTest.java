package nursery.core.technique;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.Supplier;
import nursery.core.film.CoatRole;
import nursery.core.measure.Fault;
import nursery.core.measure.InvalidInput;
import nursery.core.technique.Technique.Part;
import nursery.core.technique.Technique.Repeat;
import nursery.core.technique.Technique.Single;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

/** A technique becomes a cup's plan by the schools chosen and the repeats asked for; what cannot be one is refused. */
class TechniqueTest {

    private static final TechniqueStep PREP = work(StepKind.PREP, "Clean with {cleaning}.");
    private static final TechniqueStep FLOOD = coat(StepKind.FLOOD_COAT, CoatRole.FLOOD);

    private static TechniqueStep work(StepKind kind, String detail, School... only) {
        return step(kind, "", detail, Optional.empty(), only);
    }

    private static TechniqueStep coat(StepKind kind, CoatRole role) {
        return step(kind, "", "", Optional.of(role));
    }

    private static TechniqueStep step(
            StepKind kind, String title, String detail, Optional<CoatRole> role, School... only) {
        return new TechniqueStep(
                kind, title, Wait.none(), detail, role, Fields.usual(kind), Optional.empty(), List.of(only));
    }

    private static Technique of(TechniqueStep... steps) {
        return new Technique(
                "Plain", "", List.of(steps).stream().<Part>map(Single::new).toList());
    }

    private static Technique of(Repeat repeat) {
        return new Technique("Plain", "", List.of(new Single(PREP), repeat));
    }

    private static List<String> faults(Supplier<?> made) {
        try {
            made.get();
            return List.of();
        } catch (InvalidInput e) {
            return e.faults().stream().map(Fault::field).toList();
        }
    }

    @Test
    void theSchoolsChosenStandInThePlan() {
        Technique technique = of(
                PREP,
                work(StepKind.SEAL, "", School.SEAL_ALWAYS, School.SEAL_COARSE),
                work(StepKind.GLITTER, ""),
                FLOOD);
        assertThat(technique.plan(Schools.of(), Map.of()))
                .extracting(PlanStep::number, PlanStep::kind, PlanStep::detail)
                .containsExactly(
                        org.assertj.core.groups.Tuple.tuple(1, StepKind.PREP, "Clean with soap and water."),
                        org.assertj.core.groups.Tuple.tuple(2, StepKind.GLITTER, ""),
                        org.assertj.core.groups.Tuple.tuple(3, StepKind.FLOOD_COAT, ""));
        assertThat(technique.plan(Schools.of(School.ACETONE, School.SEAL_COARSE), Map.of()))
                .extracting(PlanStep::kind)
                .containsExactly(StepKind.PREP, StepKind.SEAL, StepKind.GLITTER, StepKind.FLOOD_COAT);
        assertThat(technique.questions()).containsExactly(Question.COATS, Question.GLITTER_SEAL, Question.CLEANING);
        assertThat(of(work(StepKind.GLITTER, "")).questions()).isEmpty();
        assertThat(technique.steps()).hasSize(4);
    }

    @Test
    void aGroupIsDoneAsOftenAsAskedWithinItsEnds() {
        Technique technique = of(new Repeat("Waves", 0, 3, 2, List.of(work(StepKind.TINT, ""), FLOOD)));
        assertThat(technique.repeats()).hasSize(1);
        assertThat(technique.steps()).hasSize(3);
        assertThat(technique.plan(Schools.of(), Map.of()))
                .extracting(PlanStep::title)
                .containsExactly(
                        StepKind.PREP.title(),
                        StepKind.TINT.title() + " (1 of 2)",
                        StepKind.FLOOD_COAT.title() + " (1 of 2)",
                        StepKind.TINT.title() + " (2 of 2)",
                        StepKind.FLOOD_COAT.title() + " (2 of 2)");
        assertThat(technique.plan(Schools.of(), Map.of("Waves", 0))).hasSize(1);
        assertThat(technique.plan(Schools.of(), Map.of("Waves", -4))).hasSize(1);
        assertThat(technique.plan(Schools.of(), Map.of("Waves", 9))).hasSize(7);
        assertThat(technique.plan(Schools.of(), Map.of("Waves", 1)))
                .as("once needs no number")
                .extracting(PlanStep::title)
                .contains(StepKind.TINT.title());
    }

    @Test
    void namesAndTextsHaveTheirEnds() {
        List<Part> one = List.of(new Single(PREP));
        assertThat(faults(() -> new Technique("x".repeat(80), "y".repeat(1000), one)))
                .isEmpty();
        assertThat(faults(() -> new Technique("x".repeat(81), "y".repeat(1001), List.of())))
                .containsExactlyInAnyOrder("name", "about", "steps");
        assertThat(faults(() -> new Technique(" ", "", one))).containsExactly("name");
        assertThat(faults(() -> of(step(StepKind.SAND, "x".repeat(80), "y".repeat(1000), Optional.empty()))))
                .isEmpty();
        assertThat(faults(() -> of(step(StepKind.SAND, "x".repeat(81), "y".repeat(1001), Optional.empty()))))
                .containsExactlyInAnyOrder("steps[0].title", "steps[0].detail");
    }

    @Test
    void nobodyFollowsMoreStepsThanThat() {
        assertThat(faults(() -> new Technique("Long", "", Collections.nCopies(100, new Single(PREP)))))
                .isEmpty();
        assertThat(faults(() -> new Technique("Long", "", Collections.nCopies(101, new Single(PREP)))))
                .containsExactly("steps");
        List<TechniqueStep> twenty = new ArrayList<>(Collections.nCopies(20, PREP));
        assertThat(faults(() -> new Technique("Long", "", List.of(new Repeat("Round", 0, 10, 1, twenty)))))
                .isEmpty();
        assertThat(faults(() -> of(new Repeat("Round", 0, 10, 1, twenty))))
                .as("201 with the step before")
                .containsExactly("steps");
    }

    @Test
    void aRepeatLiesWithinItsEnds() {
        List<TechniqueStep> steps = List.of(PREP);
        assertThat(faults(() -> of(new Repeat("x".repeat(80), 1, 10, 10, steps))))
                .isEmpty();
        assertThat(faults(() -> of(new Repeat("x".repeat(81), 0, 1, 1, steps)))).containsExactly("steps[1].title");
        assertThat(faults(() -> of(new Repeat(" ", 0, 1, 1, List.of()))))
                .containsExactlyInAnyOrder("steps[1].title", "steps[1].steps");
        for (int[] ends : new int[][] {{-1, 2, 1}, {0, 0, 0}, {2, 3, 1}, {1, 2, 3}, {1, 11, 2}}) {
            assertThat(faults(() -> of(new Repeat("Round", ends[0], ends[1], ends[2], steps))))
                    .as("%s", ends)
                    .containsExactly("steps[1]");
        }
        assertThat(faults(() -> of(new Repeat("Round", 0, 1, 1, List.of(coat(StepKind.SAND, CoatRole.FLOOD))))))
                .containsExactly("steps[1].steps[0].coat");
    }

    @Test
    void aCoatSaysWhichItMakesAndNothingElseDoes() {
        assertThat(faults(() -> of(work(StepKind.FLOOD_COAT, "")))).containsExactly("steps[0].coat");
        assertThat(faults(() -> of(PREP, coat(StepKind.SAND, CoatRole.FLOOD)))).containsExactly("steps[1].coat");
        assertThat(faults(() -> of(coat(StepKind.FLOOD_COAT, CoatRole.ADHESIVE_THIN))))
                .containsExactly("steps[0].coat");
        assertThat(faults(() -> of(coat(StepKind.ADHESIVE, CoatRole.FLOOD)))).containsExactly("steps[0].coat");
        assertThat(faults(() -> of(coat(StepKind.ADHESIVE, CoatRole.ADHESIVE_THIN))))
                .isEmpty();
    }

    @ParameterizedTest
    @EnumSource(Question.class)
    void everyQuestionHasSchoolsOfItsOwnTheFirstForABeginner(Question question) {
        assertThat(question.schools()).hasSizeGreaterThan(1).allMatch(school -> school.question() == question);
        assertThat(Schools.of().on(question)).isEqualTo(question.schools().get(0));
        School second = question.schools().get(1);
        assertThat(Schools.of(second).has(second)).isTrue();
        assertThat(question.words()).isNotBlank();
        assertThat(question.slot()).startsWith("{").endsWith("}");
    }

    @Test
    void waitsAreWrittenReadAndTold() {
        for (Wait.Kind kind : Wait.Kind.values()) {
            assertThat(Wait.Kind.named(kind.written())).contains(kind);
            assertThat(kind.isMinutes())
                    .isEqualTo(List.of(Wait.Kind.DRY, Wait.Kind.SETTLE, Wait.Kind.INTO_COAT)
                            .contains(kind));
        }
        assertThat(Wait.Kind.named("never")).isEmpty();
        assertThat(Wait.none().words()).isEmpty();
        assertThat(Wait.dry(Duration.ofMinutes(119)).words()).isEqualTo("After 119 min of drying");
        assertThat(Wait.dry(Duration.ofMinutes(120)).words()).isEqualTo("After 2 h of drying");
        assertThat(Wait.dry(Duration.ofMinutes(150)).span()).isEqualTo("150 min");
        assertThat(Wait.age(3).words()).isEqualTo("3\u00a0h on the cure clock after the coat before");
        assertThat(Wait.age(6, 2).words()).endsWith(", 2\u00a0h with a fast resin");
        assertThat(Wait.straightOn().words()).isEqualTo("Straight on, before the coat below must be scuffed");
        assertThat(Wait.of(Wait.Kind.SANDABLE).words()).isEqualTo("When the coat before is sandable");
        assertThat(Wait.of(Wait.Kind.CURED).words()).isEqualTo("When the coat before is cured");
    }

    /** P13: a resin that gels within two hours counts as fast. */
    @Test
    void aFastResinWaitsItsOwnHours() {
        Wait wait = Wait.age(6, 2);
        assertThat(wait.hoursFor(2)).isEqualTo(2);
        assertThat(wait.hoursFor(2.01)).isEqualTo(6);
        assertThat(wait.mayScuffInstead()).isFalse();
        assertThat(Wait.straightOn().mayScuffInstead()).isTrue();
        assertThat(Wait.of(Wait.Kind.SETTLE, Duration.ofMinutes(2)).isWhileWet())
                .isTrue();
        assertThat(Wait.of(Wait.Kind.INTO_COAT, Duration.ofMinutes(45)).isWhileWet())
                .isTrue();
        assertThat(wait.isWhileWet()).isFalse();
    }

    private static Technique made(Technique.Block... blocks) {
        return new Technique(
                "Made",
                "",
                List.of(new Single(PREP), new Single(FLOOD), new Single(coat(StepKind.BUILD_COAT, CoatRole.BUILD))),
                List.of(blocks));
    }

    private static Technique.Block block(Technique.Place place, int parts) {
        return new Technique.Block(place, "Block", parts);
    }

    @Test
    void blocksShareThePartsOutInOrder() {
        Technique made = made(block(Technique.Place.BASE, 2), block(Technique.Place.FINISH, 1));
        assertThat(made.partsOf(0)).isEqualTo(made.parts().subList(0, 2));
        assertThat(made.partsOf(1)).isEqualTo(made.parts().subList(2, 3));
        assertThat(faults(() -> made(block(Technique.Place.BASE, 3), block(Technique.Place.FINISH, 1))))
                .containsExactly("blocks");
        assertThat(faults(() -> made(block(Technique.Place.BASE, 3), block(Technique.Place.FINISH, 0))))
                .containsExactly("blocks");
        assertThat(faults(() -> made(block(Technique.Place.FINISH, 2), block(Technique.Place.BASE, 1))))
                .containsExactly("blocks");
        assertThat(faults(() -> made(block(Technique.Place.BASE, 3)))).containsExactly("blocks");
        assertThat(faults(() ->
                        made(new Technique.Block(Technique.Place.BASE, " ", 2), block(Technique.Place.FINISH, 1))))
                .containsExactly("blocks");
    }

    private static PlanStep planned(int number, StepKind kind) {
        return TechniqueStep.usual(kind).in(number);
    }

    private static List<PlanStep> plan(StepKind... kinds) {
        List<PlanStep> plan = new ArrayList<>();
        for (StepKind kind : kinds) {
            plan.add(planned(plan.size() + 1, kind));
        }
        return plan;
    }

    private static List<StepKind> left(List<PlanStep> plan, StepKind... done) {
        return Technique.after(plan, plan(done)).stream().map(PlanStep::kind).toList();
    }

    @Test
    void anotherPlanGoesOnBehindTheLastCoatPoured() {
        List<PlanStep> taped = plan(
                StepKind.PREP,
                StepKind.MASK,
                StepKind.FLOOD_COAT,
                StepKind.PULL_TAPE,
                StepKind.SAND,
                StepKind.BUILD_COAT);
        assertThat(left(taped, StepKind.PREP, StepKind.FLOOD_COAT))
                .as("done without tape: the tape is not asked for afterwards, only what follows the coat")
                .containsExactly(StepKind.PULL_TAPE, StepKind.SAND, StepKind.BUILD_COAT);
        assertThat(left(taped, StepKind.PREP, StepKind.FLOOD_COAT, StepKind.PULL_TAPE, StepKind.SAND))
                .containsExactly(StepKind.BUILD_COAT);
        assertThat(left(taped, StepKind.PREP, StepKind.PAINT))
                .as("no coat of it yet: what was done in front is not done again")
                .containsExactly(
                        StepKind.MASK, StepKind.FLOOD_COAT, StepKind.PULL_TAPE, StepKind.SAND, StepKind.BUILD_COAT);
        assertThat(left(taped)).hasSize(6);
        assertThat(left(taped, StepKind.FLOOD_COAT, StepKind.BUILD_COAT)).isEmpty();
    }

    @Test
    void anAmountIsDecidedForACoatAndNothingElse() {
        assertThat(planned(1, StepKind.FLOOD_COAT)
                        .withAmount(OptionalDouble.of(12.5))
                        .numbered(4)
                        .waitingFor(Wait.none())
                        .amountMl())
                .hasValue(12.5);
        assertThat(planned(1, StepKind.SAND).withAmount(OptionalDouble.of(12.5)).amountMl())
                .isEmpty();
        assertThat(planned(1, StepKind.FLOOD_COAT)
                        .withAmount(OptionalDouble.of(0))
                        .amountMl())
                .isEmpty();
    }
}
