package nursery.core.surface;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import nursery.core.technique.Field;
import nursery.core.technique.Fields;
import nursery.core.technique.PlanStep;
import nursery.core.technique.StepKind;
import nursery.core.technique.TechniqueStep;
import org.junit.jupiter.api.Test;

/** A plan read as layers from the steel outwards. */
class StackTest {

    private static PlanStep step(StepKind kind, Field.Choice... how) {
        PlanStep step = TechniqueStep.usual(kind).in(1);
        for (Field.Choice choice : how) {
            step = step.doneAs(step.how().with(choice));
        }
        return step;
    }

    private static List<List<StepKind>> levels(PlanStep... plan) {
        return Stack.of(List.of(plan)).stream()
                .map(level -> level.steps().stream().map(PlanStep::kind).toList())
                .toList();
    }

    @Test
    void whatIsDoneToALayerBelongsToItAndTapeToTheCoatItIsFor() {
        assertThat(levels(
                        step(StepKind.PREP),
                        step(StepKind.PAINT),
                        step(StepKind.MASK),
                        step(StepKind.FLOOD_COAT),
                        step(StepKind.PULL_TAPE),
                        step(StepKind.SAND),
                        step(StepKind.WASH),
                        step(StepKind.VINYL)))
                .containsExactly(
                        List.of(StepKind.PREP),
                        List.of(StepKind.PAINT),
                        List.of(StepKind.MASK, StepKind.FLOOD_COAT, StepKind.PULL_TAPE, StepKind.SAND, StepKind.WASH),
                        List.of(StepKind.VINYL));
    }

    @Test
    void whatIsStirredInOrSprinkledLiesInItsCoat() {
        assertThat(levels(
                        step(StepKind.CLEAN),
                        step(StepKind.GLITTER, Fields.Strewn.STIRRED_IN),
                        step(StepKind.FLOOD_COAT),
                        step(StepKind.GLITTER, Fields.Strewn.SPRINKLED),
                        step(StepKind.PARTIAL_COAT),
                        step(StepKind.TINT),
                        step(StepKind.HEAT),
                        step(StepKind.TINT),
                        step(StepKind.BUILD_COAT)))
                .containsExactly(
                        List.of(StepKind.CLEAN),
                        List.of(StepKind.GLITTER, StepKind.FLOOD_COAT, StepKind.GLITTER),
                        List.of(StepKind.PARTIAL_COAT, StepKind.TINT, StepKind.HEAT),
                        List.of(StepKind.TINT, StepKind.BUILD_COAT));
    }

    /** Whatever a plan is made of: each step stands in one layer, and no layer in two. */
    @Test
    void everyStepIsInOneLayer() {
        Random random = new Random(20261201);
        for (int trial = 0; trial < 500; trial++) {
            List<PlanStep> plan = new ArrayList<>();
            for (int i = 0; i < random.nextInt(30); i++) {
                Fields.Strewn strewn = Fields.Strewn.values()[random.nextInt(3)];
                plan.add(step(StepKind.values()[random.nextInt(StepKind.values().length)], strewn)
                        .numbered(i + 1));
            }
            List<Stack.Level> levels = Stack.of(plan);
            assertThat(levels.stream().flatMap(level -> level.steps().stream()))
                    .containsExactlyInAnyOrderElementsOf(plan);
            assertThat(levels.stream().skip(1).map(Stack.Level::laid)).allMatch(Optional::isPresent);
        }
    }
}
