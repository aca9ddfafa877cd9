package nursery.benchmarks;

import java.util.Locale;
import nursery.core.plan.Budget;
import nursery.core.plan.ExactModel;
import nursery.core.plan.ExactModel.Answer;
import nursery.core.plan.GeneralPlanner;
import nursery.core.plan.Planner;
import nursery.core.plan.RandomWorkshop;
import nursery.core.plan.Score;
import nursery.core.plan.WeekPlan;
import nursery.core.plan.Workshop;

/**
 * The planner beside an exact solver and a general-purpose local search, on the same workshops, as a table for
 * {@code docs/planner.md}. Run by {@code scripts/compare-plans}; takes about a quarter of an hour.
 */
public final class PlanComparison {

    private static final int[][] SIZES = {{5, 2}, {10, 3}, {20, 4}, {60, 12}};
    private static final double[] SECONDS = {1, 10, 60};
    private static final int DAYS = 14;
    private static final long SEED = 11;

    private PlanComparison() {}

    public static void main(String[] args) {
        System.out.println(
                "| cups, spindles | method | time | late h × weight | scuffs | sessions | mixes | Σ ready h | bound "
                        + "met |");
        System.out.println("|---|---|---|---|---|---|---|---|---|");
        for (int[] size : SIZES) {
            Workshop shop = RandomWorkshop.lastSteps(SEED, size[0], size[1], DAYS);
            Planner.first(shop);
            String name = "%d, %d".formatted(size[0], size[1]);
            long begun = System.nanoTime();
            WeekPlan first = Planner.first(shop);
            row(name, "Nursery, first plan", (System.nanoTime() - begun) / 1e9, first.score(), "");
            Planner planner = new Planner(shop, Planner.SEED);
            begun = System.nanoTime();
            for (double seconds : SECONDS) {
                long until = begun + (long) (seconds * 1e9);
                planner.improve(new Budget(Long.MAX_VALUE, () -> System.nanoTime() - until >= 0, far -> {}));
                row(name, "Nursery", seconds, planner.score(), "");
            }
            for (double seconds : SECONDS) {
                GeneralPlanner.Answer general = GeneralPlanner.solve(shop, seconds);
                row(name, "Timefold on our laying-out", seconds, general.score(), "");
            }
            for (double seconds : SECONDS) {
                exact(name, shop, first, seconds);
            }
        }
    }

    private static void exact(String name, Workshop shop, WeekPlan hint, double seconds) {
        Answer answer = ExactModel.solve(shop, hint, seconds);
        if (answer.cost() == 0) {
            System.out.printf(Locale.ROOT, "| %s | CP-SAT | %.0f s | no plan found | | | | | |%n", name, seconds);
            return;
        }
        row(
                name,
                "CP-SAT",
                seconds,
                answer.score(),
                answer.status().name().equals("OPTIMAL")
                        ? "proven"
                        : "%.0f %%".formatted(100 * answer.bound() / answer.cost()));
    }

    private static void row(String name, String method, double seconds, Score score, String bound) {
        String time = seconds < 1 ? "%.0f ms".formatted(seconds * 1000) : "%.0f s".formatted(seconds);
        System.out.printf(
                Locale.ROOT,
                "| %s | %s | %s | %s%.1f | %d | %d | %d | %.0f | %s |%n",
                name,
                method,
                time,
                score.missed() > 0 ? score.missed() + " missed, " : "",
                score.lateMinutes() / 60.0,
                score.scuffs(),
                score.sessions(),
                score.mixes(),
                score.finishMinutes() / 60.0,
                bound);
    }
}
