package nursery.core.technique;

import static nursery.core.technique.StepKind.ADHESIVE;
import static nursery.core.technique.StepKind.BUILD_COAT;
import static nursery.core.technique.StepKind.FINISH;
import static nursery.core.technique.StepKind.FINISHING_COAT;
import static nursery.core.technique.StepKind.FLOOD_COAT;
import static nursery.core.technique.StepKind.GLITTER;
import static nursery.core.technique.StepKind.PAINT;
import static nursery.core.technique.StepKind.PREP;
import static nursery.core.technique.StepKind.SAND;
import static nursery.core.technique.StepKind.SEAL;
import static nursery.core.technique.StepKind.TRIM_AND_SAND;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.Duration;
import java.util.List;
import java.util.Optional;
import nursery.core.film.CoatRole;
import nursery.core.resin.Label;
import nursery.core.resin.StartingProfile;
import org.junit.jupiter.api.Test;

/** The order of work and its branches are common practice (section 4, steps 1–10, and section 7). */
class OneColourGlitterTest {

    private static final Label REGULAR = StartingProfile.REGULAR.label();

    private static List<PlanStep> plan(School... schools) {
        return OneColourGlitter.plan(Schools.of(schools), REGULAR);
    }

    private static PlanStep step(List<PlanStep> plan, StepKind kind) {
        return plan.stream().filter(step -> step.kind() == kind).findFirst().orElseThrow();
    }

    @Test
    void theShortestWayIsNineSteps() {
        assertThat(plan())
                .extracting(PlanStep::kind)
                .containsExactly(
                        PREP, PAINT, ADHESIVE, GLITTER, FLOOD_COAT, BUILD_COAT, TRIM_AND_SAND, FINISHING_COAT, FINISH);
        assertThat(plan()).extracting(PlanStep::number).containsExactly(1, 2, 3, 4, 5, 6, 7, 8, 9);
        assertThat(step(plan(), BUILD_COAT).waiting()).isEqualTo(Wait.straightOn());
    }

    @Test
    void schoolsAddTheirSteps() {
        assertThat(plan(School.NEXT_DAY, School.SEAL_ALWAYS))
                .extracting(PlanStep::kind)
                .containsExactly(
                        PREP,
                        PAINT,
                        ADHESIVE,
                        GLITTER,
                        SEAL,
                        FLOOD_COAT,
                        SAND,
                        BUILD_COAT,
                        TRIM_AND_SAND,
                        FINISHING_COAT,
                        FINISH);
    }

    /** P19 and P21: a fast adhesive sets in about 2 h, a generous regular one in about 6; a sealer dries 30 min. */
    @Test
    void waitsFollowTheSchoolAndTheResin() {
        assertThat(step(OneColourGlitter.plan(Schools.of(), StartingProfile.FAST.label()), FLOOD_COAT)
                        .waiting())
                .isEqualTo(Wait.age(2));
        assertThat(step(plan(School.ADHESIVE_GENEROUS), FLOOD_COAT).waiting()).isEqualTo(Wait.age(6));
        assertThat(step(plan(School.ADHESIVE_GENEROUS), ADHESIVE).role()).contains(CoatRole.ADHESIVE_GENEROUS);
        assertThat(step(plan(School.SEAL_ALWAYS), FLOOD_COAT).waiting()).isEqualTo(Wait.dry(Duration.ofMinutes(30)));
    }

    @Test
    void everyChoiceIsWrittenIntoTheStepItConcerns() {
        assertThat(step(plan(School.ACETONE), PREP).detail()).contains("acetone");
        assertThat(step(plan(School.SAND_LINE), PREP).detail()).contains("No tape");
        assertThat(step(plan(School.TURN), GLITTER).detail()).contains("turn it");
        assertThat(step(plan(School.MIX_RESTED), FLOOD_COAT).detail()).contains("Rest the mix 5 min");
        assertThat(step(plan(School.TAPE), TRIM_AND_SAND).detail()).contains("smooth the tape line");
    }

    @Test
    void everyQuestionHasAnAnswerAndTheLaterOfTwoCounts() {
        assertThat(Schools.of().all()).hasSize(Question.values().length);
        assertThat(Schools.of(School.TAPE, School.SAND_LINE).has(School.SAND_LINE))
                .isTrue();
        for (Question question : Question.values()) {
            assertThat(question.schools()).hasSizeGreaterThan(1);
        }
    }

    @Test
    void aCoatWithoutARoleIsNoStep() {
        assertThatThrownBy(() -> new PlanStep(1, FLOOD_COAT, Wait.none(), "", Optional.empty()))
                .isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> Wait.dry(Duration.ofMinutes(-1))).isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> Wait.age(Double.NaN)).isInstanceOf(IllegalArgumentException.class);
    }
}
