package nursery.core.technique;

import java.util.Optional;
import nursery.core.film.CoatRole;

/**
 * One step of a cup's own plan.
 *
 * @param number its place in the plan, from 1
 * @param kind   what is done
 * @param waiting what must pass first
 * @param detail how it is done here, by the school chosen
 * @param role   for a pour, the coat it makes
 */
public record PlanStep(int number, StepKind kind, Wait waiting, String detail, Optional<CoatRole> role) {

    public PlanStep {
        if (kind.isPour() != role.isPresent()) {
            throw new IllegalArgumentException("Step %d, %s: a coat needs its role, and only a coat has one.".formatted(number, kind));
        }
    }
}
