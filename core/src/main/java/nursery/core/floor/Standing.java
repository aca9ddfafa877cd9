package nursery.core.floor;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import nursery.core.plan.Budget;
import nursery.core.plan.Departure;
import nursery.core.plan.Placement;
import nursery.core.plan.Planner;
import nursery.core.plan.WeekPlan;
import nursery.core.plan.Workshop;

/**
 * How the plan stands: the one that is kept, moved where life has moved it; what Nursery would begin with if none is.
 *
 * @param kept where the plan that is kept has each step, empty if none is
 * @param departures where life has departed from it
 */
public record Standing(WeekPlan plan, List<Placement> kept, List<Departure> departures) {

    private static final long FIRST_STEPS = 300;

    public static Standing of(Workshop shop, List<Placement> kept) {
        WeekPlan plan = kept.isEmpty() ? Planner.plan(shop, Budget.of(FIRST_STEPS)) : Planner.kept(kept, shop);
        return new Standing(plan, kept, kept.isEmpty() ? List.of() : Departure.of(kept, plan));
    }

    /** The plan as it could be from here: the kept one, moved only to be less late, to miss less or to scuff less. */
    public static Standing anew(Workshop shop, List<Placement> kept, long steps) {
        Planner planner = Planner.after(kept, shop);
        planner.mend(steps);
        return new Standing(planner.best(), kept, List.of());
    }

    public boolean isKept() {
        return !kept.isEmpty();
    }

    /**
     * When a cup may be handed over: by its own coats once no step is left, else by the plan; empty if it finds no
     * place.
     */
    public Optional<Instant> readyAt(CupNow cup) {
        return cup.state().readyAt().or(() -> Optional.ofNullable(plan.readyAt().get(cup.code())));
    }
}
