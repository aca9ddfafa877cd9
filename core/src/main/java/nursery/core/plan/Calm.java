package nursery.core.plan;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
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
        Map<Integer, Integer> movesFrom = movesFrom(asKept);
        if (movesFrom.isEmpty()) {
            return List.of();
        }
        List<Integer> byTime = new ArrayList<>(movesFrom.keySet());
        byTime.sort(Comparator.comparingInt(job -> known[movesFrom.get(job)]));
        List<Integer> byDue = new ArrayList<>(byTime);
        byDue.sort(Comparator.comparingInt(job -> problem.jobs.get(job).due()));
        return List.of(
                behind(asKept, movesFrom, byTime, true),
                behind(asKept, movesFrom, byTime, false),
                behind(asKept, movesFrom, byDue, true),
                behind(asKept, movesFrom, byDue, false));
    }

    /** Of each cup that cannot stay the first act that moves. */
    private Map<Integer, Integer> movesFrom(Genes asKept) {
        Map<Integer, Integer> movesFrom = new LinkedHashMap<>();
        for (int round = 0; round < problem.jobs.size(); round++) {
            Layout layout = decoder.lay(behind(asKept, movesFrom, List.copyOf(movesFrom.keySet()), true));
            int first = firstMoved(layout, movesFrom);
            if (first < 0) {
                return movesFrom;
            }
            movesFrom.put(jobOf(first), first);
        }
        return movesFrom;
    }

    /** The act moved first of all those that so far were to stay. */
    private int firstMoved(Layout layout, Map<Integer, Integer> movesFrom) {
        return IntStream.range(0, known.length)
                .filter(act -> known[act] != Act.NEVER && isMoved(layout, act, known[act]))
                .filter(act -> {
                    Integer from = movesFrom.get(jobOf(act));
                    return from == null || act < from;
                })
                .boxed()
                .min(Comparator.comparingInt(act -> known[act]))
                .orElse(-1);
    }

    /** Whether a step is begun at another time than it was known to be, by more than a slot. */
    static boolean isMoved(Layout layout, int act, int known) {
        return Math.abs(begins(layout, act) - known) > 1;
    }

    /** The slot at which hands begin with a step, scuffing first where that is done. */
    static int begins(Layout layout, int act) {
        return layout.at()[act] - (layout.scuffed()[act] ? Act.SCUFF_SLOTS : 0);
    }

    /**
     * The turns of what moves put behind all others.
     *
     * @param stays whether what follows the first move of a cup would rather be where it was, or as soon as it can
     */
    private Genes behind(Genes asKept, Map<Integer, Integer> movesFrom, List<Integer> last, boolean stays) {
        Genes genes = asKept.copy();
        int[] seen = new int[problem.jobs.size()];
        List<Integer> first = new ArrayList<>();
        Map<Integer, List<Integer>> turns = new LinkedHashMap<>();
        last.forEach(job -> turns.put(job, new ArrayList<>()));
        for (int number : asKept.order()) {
            Job job = problem.jobs.get(number);
            seen[number] = job.endWhileWet(seen[number]);
            Integer from = movesFrom.get(number);
            if (from == null || job.first() + seen[number] <= from) {
                first.add(number);
            } else {
                turns.get(number).add(number);
            }
        }
        turns.values().forEach(first::addAll);
        movesFrom.forEach((number, from) -> {
            Job job = problem.jobs.get(number);
            if (!stays) {
                Arrays.fill(genes.notBefore(), from, job.first() + job.acts().size(), 0);
            }
        });
        return new Genes(first.stream().mapToInt(Integer::intValue).toArray(), genes.straightOn(), genes.notBefore());
    }

    private int jobOf(int act) {
        return problem.jobs.stream()
                .filter(job -> act < job.first() + job.acts().size())
                .findFirst()
                .orElseThrow()
                .number();
    }
}
