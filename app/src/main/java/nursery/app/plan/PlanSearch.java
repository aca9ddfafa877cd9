package nursery.app.plan;

import java.time.Duration;
import java.util.List;
import java.util.Optional;
import nursery.app.floor.Floors;
import nursery.app.platform.Desk;
import nursery.app.platform.Desks;
import nursery.core.plan.Budget;
import nursery.core.plan.Planner;
import nursery.core.plan.Score;
import nursery.core.plan.WeekPlan;
import org.jspecify.annotations.Nullable;
import org.springframework.beans.factory.DisposableBean;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Component;

/**
 * A long look for a better plan, beside the page that waits for it; one at a time in the whole shop, and it can be
 * stopped with the best so far.
 */
@Component
class PlanSearch implements DisposableBean {

    private final PlanBook plans;
    private final Floors floors;
    private final Desk<Found> desk;
    private final Duration longest;

    /** @param longest a minute, as its button says; tests have less time */
    PlanSearch(PlanBook plans, Floors floors, Desks desks, @Value("${nursery.plan.search:PT60S}") Duration longest) {
        this.plans = plans;
        this.floors = floors;
        this.desk = desks.desk("plan-search", Found.class);
        this.longest = longest;
    }

    /**
     * What a search has found.
     *
     * @param first how good the plan is that it began from
     * @param proposal the better plan, once it is proposed
     */
    record Found(Score first, Score best, long steps, @Nullable Long proposal) {}

    /** The search that was begun last. */
    Optional<Desk.Run<Found>> run() {
        return desk.latest();
    }

    /** Begins to look, unless that is being done already. */
    void begin(String by) {
        WeekPlan plan = floors.standing(floors.now()).plan();
        // What it is made on is what is kept now, not what somebody may keep while it is looked for.
        @Nullable Long base = plans.keptId();
        Found first = new Found(plan.score(), plan.score(), 0, null);
        desk.startAlone(first, doing -> look(plan, base, by, doing));
    }

    private Found look(WeekPlan plan, @Nullable Long base, String by, Desk.Doing<Found> doing) {
        long begun = System.nanoTime();
        Score first = plan.score();
        Planner planner = Planner.anew(plan.placements(), plan.workshop());
        long[] steps = {0};
        planner.improve(new Budget(
                Long.MAX_VALUE, () -> doing.isEnough() || System.nanoTime() - begun >= longest.toNanos(), far -> {
                    steps[0] = far.steps();
                    doing.percent((int) (100 * (System.nanoTime() - begun) / longest.toNanos()));
                    doing.soFar(new Found(first, far.best(), far.steps(), null));
                }));
        Long proposal = planner.score().compareTo(first) < 0
                ? plans.record("A longer look", List.of(), planner.best(), base, by)
                : null;
        return new Found(first, planner.score(), steps[0], proposal);
    }

    void stop() {
        desk.enough();
    }

    @Override
    public void destroy() {
        desk.close();
    }
}
