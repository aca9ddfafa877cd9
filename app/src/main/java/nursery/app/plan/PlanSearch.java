package nursery.app.plan;

import java.time.Duration;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import nursery.app.floor.Floors;
import nursery.core.plan.Budget;
import nursery.core.plan.Planner;
import nursery.core.plan.Score;
import nursery.core.plan.WeekPlan;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.DisposableBean;
import org.springframework.stereotype.Component;

/**
 * A long look for a better plan, beside the page that waits for it; one at a time, and it can be stopped with the best
 * so far.
 */
@Component
class PlanSearch implements DisposableBean {

    static final Duration LONGEST = Duration.ofSeconds(60);
    private static final Logger LOG = LoggerFactory.getLogger(PlanSearch.class);

    private final PlanBook plans;
    private final Floors floors;
    private volatile Optional<Run> current = Optional.empty();
    private final ExecutorService working = Executors.newSingleThreadExecutor(work -> {
        Thread thread = new Thread(work, "plan-search");
        thread.setDaemon(true);
        return thread;
    });

    PlanSearch(PlanBook plans, Floors floors) {
        this.plans = plans;
        this.floors = floors;
    }

    /** How far a search is. */
    static final class Run {

        private final long begun = System.nanoTime();
        private final Score first;
        private volatile Score best;
        private volatile long steps;
        private volatile boolean stopped;
        private volatile boolean over;
        private volatile Optional<Long> proposal = Optional.empty();

        private Run(Score first) {
            this.first = first;
            this.best = first;
        }

        public Score first() {
            return first;
        }

        public Score best() {
            return best;
        }

        public long steps() {
            return steps;
        }

        public boolean isOver() {
            return over;
        }

        /** The plan it found, if it found a better one. */
        public Optional<Long> proposal() {
            return proposal;
        }

        public int percent() {
            return (int) Math.min(100, 100 * (System.nanoTime() - begun) / LONGEST.toNanos());
        }

        private boolean isEnough() {
            return stopped || System.nanoTime() - begun >= LONGEST.toNanos();
        }
    }

    Optional<Run> run() {
        return current;
    }

    /** Begins to look, unless that is being done already. */
    synchronized void begin(String by) {
        if (current.filter(run -> !run.isOver()).isPresent()) {
            return;
        }
        WeekPlan plan = floors.standing(floors.now()).plan();
        // What it is made on is what is kept now, not what somebody may keep while it is looked for.
        Optional<Long> base = Optional.ofNullable(plans.keptId());
        Run run = new Run(plan.score());
        current = Optional.of(run);
        working.execute(() -> {
            try {
                Planner planner = Planner.anew(plan.placements(), plan.workshop());
                planner.improve(new Budget(Long.MAX_VALUE, run::isEnough, far -> {
                    run.steps = far.steps();
                    run.best = far.best();
                }));
                if (planner.score().compareTo(plan.score()) < 0) {
                    run.proposal = Optional.of(
                            plans.record("A longer look", List.of(), planner.best(), base.orElse(null), by));
                }
            } catch (RuntimeException e) {
                LOG.error("The search for a better plan broke off", e);
            } finally {
                run.over = true;
            }
        });
    }

    void stop() {
        current.ifPresent(run -> run.stopped = true);
    }

    @Override
    public void destroy() {
        stop();
        working.shutdownNow();
    }
}
