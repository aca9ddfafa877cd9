package nursery.core.technique;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import nursery.core.cup.Blank;
import nursery.core.resin.Label;

/**
 * A step about to be done, planned or real, and all that the rules judge it by.
 *
 * @param on what lies on the cup
 * @param step what is done
 * @param later the steps that follow it in the plan
 * @param minute when, counted from the start of the cup; of what was logged, when it was finished
 * @param begunMinute when it was begun, as far as is known
 * @param coatAgeH how old the newest coat is on the cure clock, hours at its label's reference; empty without a coat
 * @param coat the label of the newest coat
 * @param pour the label of the coat this step would pour
 */
public record Situation(
        Layers on,
        PlanStep step,
        List<PlanStep> later,
        double minute,
        double begunMinute,
        OptionalDouble coatAgeH,
        Label coat,
        Label pour,
        Blank blank) {

    private static final double HALF_A_MINUTE = 0.5;

    boolean isKind(StepKind... kinds) {
        return List.of(kinds).contains(step.kind());
    }

    double ageH() {
        return coatAgeH.orElse(Double.POSITIVE_INFINITY);
    }

    /** Whether this pour must grip a coat that was neither scuffed nor sanded, around a decoration or all over. */
    boolean isCoatOnUnscuffed() {
        boolean onCoat = on.topIsCoat()
                || !on.is(Layers.Condition.COAT_HIDDEN)
                        && on.newestPour()
                                .filter(pour -> pour.kind().isClearCoat())
                                .isPresent()
                        && (on.topLeavesCoatBare() || on.topIs(StepKind.GLUE) || on.topIs(StepKind.SPRAY_ADHESIVE));
        return step.kind().isPour() && onCoat && !on.is(Layers.Condition.SCUFFED);
    }

    /** Whether what leaves solvent or propellant behind was done less than so many minutes before this was begun. */
    boolean begunAmongSolvents(double minutes) {
        return on.solventAt().isPresent() && begunMinute - on.solventAt().getAsDouble() < minutes - HALF_A_MINUTE;
    }

    /** Whether foil was laid after an adhesive: then that was foil adhesive, which takes the foil while it is tacky. */
    boolean isFoiledSince(StepKind adhesive) {
        return on.doneAt().getOrDefault(StepKind.FOIL, Double.NEGATIVE_INFINITY)
                >= on.doneAt().getOrDefault(adhesive, Double.POSITIVE_INFINITY);
    }

    /** Whether the newest coat has not gelled yet. */
    boolean isOnWetCoat() {
        return on.topIsCoat() && ageH() < coat.times().turningH() - 1 / 60.0;
    }

    /** Whether a kind of step was done less than so many minutes ago. */
    boolean within(StepKind kind, double minutes) {
        return within(kind, minutes, minute);
    }

    /** Whether this was begun less than so many minutes after a kind of step. */
    boolean begunWithin(StepKind kind, double minutes) {
        return within(kind, minutes, begunMinute);
    }

    private boolean within(StepKind kind, double minutes, double at) {
        OptionalDouble since = on.minutesSince(kind, at);
        // A plan's waits are whole minutes; a log's are not, and a few seconds make no difference.
        return since.isPresent() && since.getAsDouble() < minutes - HALF_A_MINUTE;
    }

    boolean coatFollows() {
        return later.stream().anyMatch(next -> next.kind().isWholeCoat());
    }

    /** Whether this is an adhesive that several glitters are to be blended into. */
    boolean takesABlend() {
        return step.kind() == StepKind.ADHESIVE
                && later.stream()
                        .filter(next -> next.kind() == StepKind.GLITTER)
                        .findFirst()
                        .filter(glitter -> glitter.material() == Material.MIXED_GLITTER)
                        .isPresent();
    }

    Optional<String> broken(boolean isBroken, String message) {
        return isBroken ? Optional.of(message) : Optional.empty();
    }
}
