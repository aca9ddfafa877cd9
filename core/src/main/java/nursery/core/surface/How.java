package nursery.core.surface;

import nursery.core.film.CoatRole;
import nursery.core.technique.Fields;
import nursery.core.technique.PlanStep;
import nursery.core.technique.StepKind;

/**
 * How something is done, as far as the surface cares.
 *
 * @param fields what is said of its step
 * @param generous of a film, and of nothing else
 * @param bloom of a flood meant for ink
 */
public record How(Fields fields, boolean generous, boolean bloom, Ratio ratio) {

    /** What is known of a coat's mix. */
    public enum Ratio {
        /** Nothing, which is how most are poured. */
        UNKNOWN,
        /** Measured, and right. */
        RIGHT,
        /** Never measured, and soft when it should not be any more. */
        SOFT,
        /** Measured wrong. */
        WRONG
    }

    /** A step of a plan. */
    static How of(PlanStep step) {
        return new How(
                step.how(),
                step.role().filter(CoatRole.ADHESIVE_GENEROUS::equals).isPresent(),
                step.role().filter(CoatRole.BLOOM::equals).isPresent(),
                Ratio.UNKNOWN);
    }

    /** What is done outside a plan, or of which nothing more is said. */
    public static How usual(Doing doing) {
        return new How(Fields.usual(doing.step().orElse(StepKind.WASH)), false, false, Ratio.UNKNOWN);
    }

    /** The same, with its mix known so well. */
    public How mixed(Ratio known) {
        return new How(fields, generous, bloom, known);
    }
}
