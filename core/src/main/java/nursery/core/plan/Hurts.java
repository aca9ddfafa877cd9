package nursery.core.plan;

import java.util.Comparator;
import nursery.core.plan.Problem.Job;

/**
 * What is wrong with a plan, as far as a step that people know is moved for it: less is better, and an earlier figure
 * outweighs those that follow.
 *
 * @param lateMinutes over all cups, each times how much it matters
 */
record Hurts(int notPlaced, int missed, long lateMinutes, int scuffs) implements Comparable<Hurts> {

    private static final Comparator<Hurts> ORDER = Comparator.comparingInt(Hurts::notPlaced)
            .thenComparingInt(Hurts::missed)
            .thenComparingLong(Hurts::lateMinutes)
            .thenComparingInt(Hurts::scuffs);

    /**
     * What was wrong already. Whoever only loses an evening has not asked for anything to be better than before, and no
     * cup's hurry, window or scuff is paid for with another's: each that was hurt counts as hurt, whatever becomes of
     * it.
     *
     * @param lateSlots by cup
     * @param missed by act; likewise the others
     */
    record Level(int[] lateSlots, boolean[] notPlaced, boolean[] missed, boolean[] scuffed) {

        /** Nothing: whatever can be better is to be. */
        static Level none(Problem problem) {
            return new Level(
                    new int[problem.jobs.size()],
                    new boolean[problem.acts],
                    new boolean[problem.acts],
                    new boolean[problem.acts]);
        }

        /** @param problem of the same cups, as far as they were done */
        static Level of(Problem problem, Layout layout) {
            Level level = none(problem);
            problem.jobs.forEach(job -> level.lateSlots[job.number()] = late(job, layout));
            for (int act = 0; act < problem.acts; act++) {
                level.notPlaced[act] = layout.at()[act] == Layout.NOWHERE;
                level.missed[act] = layout.missed()[act];
                level.scuffed[act] = layout.scuffed()[act];
            }
            return level;
        }

        /** What a plan hurts, this at least. */
        Hurts with(Problem problem, Layout layout) {
            long late = 0;
            for (Job job : problem.jobs) {
                int slots = Math.max(late(job, layout), lateSlots[job.number()]);
                late += (long) slots * Grid.MINUTES * job.cup().promise().matters();
            }
            int lost = 0;
            int closed = 0;
            int scuffs = 0;
            for (int act = 0; act < problem.acts; act++) {
                lost += notPlaced[act] || layout.at()[act] == Layout.NOWHERE ? 1 : 0;
                closed += missed[act] || layout.missed()[act] ? 1 : 0;
                scuffs += scuffed[act] || layout.scuffed()[act] ? 1 : 0;
            }
            return new Hurts(lost, closed, late, scuffs);
        }

        private static int late(Job job, Layout layout) {
            return Math.max(0, layout.ready()[job.number()] - job.due());
        }
    }

    @Override
    public int compareTo(Hurts other) {
        return ORDER.compare(this, other);
    }
}
