package nursery.benchmarks;

import java.util.concurrent.TimeUnit;
import nursery.core.plan.Budget;
import nursery.core.plan.Planner;
import nursery.core.plan.RandomWorkshop;
import nursery.core.plan.Score;
import nursery.core.plan.WeekPlan;
import nursery.core.plan.Workshop;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Param;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.Warmup;

/**
 * The planner as the number of cups grows: a first valid plan with all its reasons to hand, and one step of the search.
 */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Warmup(iterations = 3, time = 2)
@Measurement(iterations = 5, time = 2)
@Fork(1)
@SuppressWarnings("NullAway.Init")
public class PlanBenchmark {

    private static final int CUPS_PER_SPINDLE = 5;

    @Param({"16", "60", "125", "250", "500"})
    int cups;

    private Workshop shop;
    private Planner planner;

    @Setup
    public void workshop() {
        shop = RandomWorkshop.of(3, cups, Math.max(4, cups == 500 ? 60 : cups / CUPS_PER_SPINDLE));
        planner = new Planner(shop, Planner.SEED);
    }

    @Benchmark
    public WeekPlan firstPlan() {
        return Planner.first(shop);
    }

    @Benchmark
    public Score oneStepOfTheSearch() {
        planner.improve(Budget.of(1));
        return planner.score();
    }
}
