package nursery.core.surface;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import java.util.function.Predicate;
import nursery.core.resin.LabelTimes;
import nursery.core.technique.PlanStep;
import nursery.core.technique.Wait;

/**
 * What a plan waits for of its own, as bounds on the layers it was meant for: so many minutes of drying belong to the
 * nearest work before it that dries, an age to the nearest pour. What was left out has nothing to dry, and what only
 * stands between delays nothing.
 */
public final class Habit {

    private Habit() {}

    /** A step of a plan that was done, or is planned: the number of its work and, for a pour, its ages. */
    public record Done(int work, Optional<LabelTimes> label) {}

    /**
     * @param before the steps before this one in its plan, in their order
     * @param doneBy what was done of them; empty for what was left out
     */
    public static List<Bound> bounds(PlanStep step, List<PlanStep> before, Function<PlanStep, Optional<Done>> doneBy) {
        Wait own = step.waiting();
        return switch (own.kind()) {
            case NONE, STRAIGHT_ON -> List.of();
            case DRY -> dried(own, before, doneBy);
            case SETTLE, INTO_COAT, AGE, SANDABLE, CURED ->
                last(before, other -> other.kind().isPour())
                        .flatMap(doneBy)
                        .map(pour -> inCoat(own, pour))
                        .orElse(List.of());
        };
    }

    private static List<Bound> dried(Wait own, List<PlanStep> before, Function<PlanStep, Optional<Done>> doneBy) {
        return last(before, other -> dries(Doing.of(other.kind())))
                .flatMap(doneBy)
                .map(done -> List.of(Bound.ended(done.work(), own.atLeast().toSeconds() / 60.0, Cell.OWN_WAY)))
                .orElse(List.of());
    }

    private static List<Bound> inCoat(Wait own, Done pour) {
        LabelTimes times = pour.label().orElseThrow();
        double minutes = own.atLeast().toSeconds() / 60.0;
        List<Bound> bounds = new ArrayList<>();
        switch (own.kind()) {
            case SETTLE, INTO_COAT -> {
                bounds.add(new Bound(pour.work(), Bound.Since.POURED_MIN, minutes, Bound.Side.FROM, Cell.OWN_WAY));
                bounds.add(Bound.until(
                        pour.work(),
                        own.kind() == Wait.Kind.SETTLE ? times.workingH() : times.turningH(),
                        Cell.OWN_WAY));
            }
            case AGE -> bounds.add(Bound.age(pour.work(), own.hoursFor(times.turningH()), Cell.OWN_WAY));
            case SANDABLE -> bounds.add(Bound.age(pour.work(), times.sandableFromH(), Cell.OWN_WAY));
            case CURED -> bounds.add(Bound.age(pour.work(), times.curedH(), Cell.OWN_WAY));
            case NONE, STRAIGHT_ON, DRY -> {}
        }
        return bounds;
    }

    /** Whether it leaves something that dries, cools or bonds by the wall's clock. */
    private static boolean dries(Doing doing) {
        return switch (doing.family()) {
            case PAINT, SEAL, GLUE, GLITTER, INK, DECAL, SLIDE, POWDER, RESIST, WASH, WIPE, HEAT, DROP, PULL -> true;
            case NOTHING, POUR, TAPE, PEEL, SAND, TRIM, POLISH, FINISH, PACK -> doing == Doing.PREP;
        };
    }

    private static Optional<PlanStep> last(List<PlanStep> before, Predicate<PlanStep> which) {
        return before.stream().filter(which).reduce((one, other) -> other);
    }
}
