package nursery.core.technique;

import java.util.Optional;
import nursery.core.film.CoatRole;

/**
 * One step of a cup's own plan.
 *
 * @param number its name within the plan: the log refers to it. It stays when steps are put in before it
 * @param kind what is done
 * @param title what it is called here
 * @param waiting what must pass first
 * @param detail how it is done here, by the school chosen
 * @param role for a pour, the coat it makes
 * @param material what a decoration is made of
 * @param size how large a decal is cut, if it is known
 * @param grit what to sand with, empty where nothing is sanded
 */
public record PlanStep(
        int number,
        StepKind kind,
        String title,
        Wait waiting,
        String detail,
        Optional<CoatRole> role,
        Material material,
        Optional<DecalSize> size,
        String grit) {

    public PlanStep {
        if (kind.isPour() != role.isPresent()) {
            throw new IllegalArgumentException(
                    "Step %d, %s: a coat needs its role, and only a coat has one.".formatted(number, kind));
        }
        if (title.isBlank()) {
            title = kind.title();
        }
    }

    /** A step of ordinary material under its kind's own title. */
    public PlanStep(int number, StepKind kind, Wait waiting, String detail, Optional<CoatRole> role) {
        this(number, kind, "", waiting, detail, role, Material.ORDINARY, Optional.empty(), "");
    }

    public PlanStep numbered(int other) {
        return new PlanStep(other, kind, title, waiting, detail, role, material, size, grit);
    }

    public PlanStep waitingFor(Wait other) {
        return new PlanStep(number, kind, title, other, detail, role, material, size, grit);
    }
}
