package nursery.core.plan;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.Comparator;
import java.util.List;
import java.util.OptionalInt;
import java.util.function.ToIntFunction;
import java.util.stream.IntStream;
import nursery.core.plan.Problem.Job;

/**
 * Plans to go on from that move as little as may be of one people know: what can stay where it was is given its place
 * first, and only then what cannot, with what follows it on the same cup. Given in the order of their times instead,
 * one evening's work would push the next evening's, and that the one after.
 */
final class Calm {

    private final Problem problem;
    private final Decoder decoder;
    private final int[] known;

    /** @param known by act: the slot a plan people know has it at, or {@link Act#NEVER} */
    Calm(Problem problem, Decoder decoder, int[] known) {
        this.problem = problem;
        this.decoder = decoder;
        this.known = known;
    }

    /** Genes that leave all that can stay where it is known to be; they differ in what of the rest goes first. */
    List<Genes> starts(Genes asKept) {
        int[] movesFrom = movesFrom(asKept);
        List<Integer> byTime = moving(movesFrom, job -> known[movesFrom[job.number()]]);
        if (byTime.isEmpty()) {
            return List.of();
        }
        List<Integer> byDue = moving(movesFrom, Job::due);
        return List.of(
                behind(asKept, movesFrom, byTime, true),
                behind(asKept, movesFrom, byTime, false),
                behind(asKept, movesFrom, byDue, true),
                behind(asKept, movesFrom, byDue, false));
    }

    /** The cups of which something moves, in some order. */
    private List<Integer> moving(int[] movesFrom, ToIntFunction<Job> order) {
        return problem.jobs.stream()
                .filter(job -> movesFrom[job.number()] != Act.NEVER)
                .sorted(Comparator.comparingInt(order))
                .map(Job::number)
                .toList();
    }

    /** By cup: the first act of it that cannot stay, or {@link Act#NEVER}. */
    private int[] movesFrom(Genes asKept) {
        int[] movesFrom = new int[problem.jobs.size()];
        Arrays.fill(movesFrom, Act.NEVER);
        for (int round = 0; round < movesFrom.length; round++) {
            List<Integer> last = moving(movesFrom, job -> known[movesFrom[job.number()]]);
            Layout layout = decoder.lay(behind(asKept, movesFrom, last, true));
            OptionalInt first = firstMoved(layout, movesFrom);
            if (first.isEmpty()) {
                break;
            }
            movesFrom[problem.jobOf(first.getAsInt()).number()] = first.getAsInt();
        }
        return movesFrom;
    }

    /** The act moved first of all those that so far were to stay. */
    private OptionalInt firstMoved(Layout layout, int[] movesFrom) {
        return IntStream.range(0, known.length)
                .filter(act -> act < movesFrom[problem.jobOf(act).number()])
                .filter(act -> isMoved(layout, act, known[act]))
                .boxed()
                .min(Comparator.comparingInt(act -> known[act]))
                .map(OptionalInt::of)
                .orElseGet(OptionalInt::empty);
    }

    /**
     * Whether a step is begun at another time than it was known to be, by more than a slot; never if it was not known.
     */
    static boolean isMoved(Layout layout, int act, int known) {
        return known != Act.NEVER && Math.abs(begins(layout, act) - known) > 1;
    }

    /** The slot at which hands begin with a step, scuffing first where that is done. */
    static int begins(Layout layout, int act) {
        return layout.at()[act] - (layout.scuffed()[act] ? Act.SCUFF_SLOTS : 0);
    }

    /**
     * The turns of what moves put behind all others.
     *
     * @param last the cups of which something moves, in the order they are given their places
     * @param stays whether what follows the first move of a cup would rather be where it was, or as soon as it can
     */
    private Genes behind(Genes asKept, int[] movesFrom, List<Integer> last, boolean stays) {
        Genes genes = asKept.copy();
        int[] seen = new int[problem.jobs.size()];
        int[] moving = new int[problem.jobs.size()];
        List<Integer> order = new ArrayList<>();
        for (int number : asKept.order()) {
            Job job = problem.jobs.get(number);
            seen[number] = job.endWhileWet(seen[number]);
            if (movesFrom[number] == Act.NEVER || job.first() + seen[number] <= movesFrom[number]) {
                order.add(number);
            } else {
                moving[number]++;
            }
        }
        for (int number : last) {
            order.addAll(Collections.nCopies(moving[number], number));
            Job job = problem.jobs.get(number);
            if (!stays) {
                Arrays.fill(
                        genes.notBefore(),
                        movesFrom[number],
                        job.first() + job.acts().size(),
                        0);
            }
        }
        return new Genes(order.stream().mapToInt(Integer::intValue).toArray(), genes.straightOn(), genes.notBefore());
    }
}
