package nursery.core.plan;

import java.time.LocalDate;
import java.time.ZoneId;
import java.util.Comparator;
import nursery.core.plan.Problem.Job;

/**
 * What a plan moves of one that people know: less is calmer, and an earlier figure outweighs those that follow.
 *
 * @param steps how many hands begin at another time, by more than a slot
 * @param leave how many of them on another day
 * @param slots by how much all of them together
 */
record Moves(int steps, int leave, long slots) implements Comparable<Moves> {

    static final Moves NONE = new Moves(0, 0, 0);

    private static final Comparator<Moves> ORDER =
            Comparator.comparingInt(Moves::steps).thenComparingInt(Moves::leave).thenComparingLong(Moves::slots);

    /** @param known by act: the slot it was at, or {@link Act#NEVER}; empty where there is nothing to keep to */
    static Moves of(Problem problem, Layout layout, int[] known) {
        int steps = 0;
        int leave = 0;
        long slots = 0;
        for (Job job : problem.jobs) {
            for (int i = 0; i < job.acts().size() && known.length > 0; i++) {
                int act = job.first() + i;
                // What only lasts, such as drying, is nobody's work.
                if (job.acts().get(i).hands() > 0 && Calm.isMoved(layout, act, known[act])) {
                    int begins = Calm.begins(layout, act);
                    steps++;
                    leave += day(problem, begins).equals(day(problem, known[act])) ? 0 : 1;
                    slots += Math.abs(begins - known[act]);
                }
            }
        }
        return steps == 0 ? NONE : new Moves(steps, leave, slots);
    }

    private static LocalDate day(Problem problem, int slot) {
        ZoneId zone = problem.workshop.hours().zone();
        return problem.grid.instant(slot).atZone(zone).toLocalDate();
    }

    @Override
    public int compareTo(Moves other) {
        return ORDER.compare(this, other);
    }
}
