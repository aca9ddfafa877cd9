package nursery.core.plan;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import nursery.core.plan.Problem.Job;

/**
 * What tells one plan from another; laying it out does the rest.
 *
 * @param order cups by number, each as often as it has steps: whose turn it is to be given a place
 * @param straightOn by act: whether a coat and the one before it are placed together so that it falls into the tack
 *     window
 * @param notBefore by act: a slot it is not begun before, 0 for none
 */
record Genes(int[] order, boolean[] straightOn, int[] notBefore) {

    Genes copy() {
        return new Genes(order.clone(), straightOn.clone(), notBefore.clone());
    }

    static Genes of(int[] order, int acts, boolean straightOn) {
        boolean[] all = new boolean[acts];
        Arrays.fill(all, straightOn);
        return new Genes(order, all, new int[acts]);
    }

    /** Genes that lay every step where a plan had it, if it can still be there; what it did not know comes last. */
    static Genes asKept(Problem problem, List<Placement> kept) {
        int[] slots = slots(problem, kept);
        int[] notBefore =
                Arrays.stream(slots).map(slot -> slot == Act.NEVER ? 0 : slot).toArray();
        List<int[]> turns = new ArrayList<>();
        for (Job job : problem.jobs) {
            boolean known = true;
            // What is done to one wet coat is laid in one turn; a turn more would bring what follows forward.
            for (int i = 0; i < job.acts().size(); i = job.endWhileWet(i)) {
                // From a step on that the plan did not know this cup waits its turn: nobody else is moved for it.
                known &= slots[job.first() + i] != Act.NEVER;
                turns.add(new int[] {known ? slots[job.first() + i] : Act.NEVER, job.number()});
            }
        }
        turns.sort(Comparator.comparingInt(turn -> turn[0]));
        return new Genes(turns.stream().mapToInt(turn -> turn[1]).toArray(), new boolean[problem.acts], notBefore);
    }

    /** By act: the slot a plan has it at, or {@link Act#NEVER} if it does not know it. */
    static int[] slots(Problem problem, List<Placement> kept) {
        Map<String, Map<Integer, Integer>> slots = kept.stream()
                .collect(Collectors.groupingBy(
                        Placement::cup,
                        Collectors.toMap(
                                Placement::step,
                                placement -> Math.max(0, problem.grid.slotFrom(placement.begins())),
                                (a, b) -> b)));
        int[] found = new int[problem.acts];
        for (Job job : problem.jobs) {
            Map<Integer, Integer> own = slots.getOrDefault(job.cup().code(), Map.of());
            for (int i = 0; i < job.acts().size(); i++) {
                found[job.first() + i] =
                        own.getOrDefault(job.acts().get(i).step().number(), Act.NEVER);
            }
        }
        return found;
    }
}
