package nursery.core.plan;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.SplittableRandom;
import nursery.core.plan.Budget.Progressed;
import nursery.core.plan.Problem.Job;

/**
 * Looks for better plans by small changes: late-acceptance hill climbing (Burke and Bykov, Eur. J. Oper. Res. 258,
 * 2017), which only compares plans and so needs no weights between the figures of a score. Starts anew from the best
 * when it is stuck.
 *
 * <p>A calm search goes on from a plan that people know, and moves a step only to be less late or to scuff less: what
 * it moves counts before sessions, mixes and finish times.
 */
final class Search {

    private static final int REMEMBERED = 60;
    private static final int STUCK_AFTER = 1500;
    private static final int TELL_EVERY = 200;
    private static final int KICKS = 4;

    private final Problem problem;
    private final Decoder decoder;
    private final SplittableRandom random;
    private final Mutation mutation;
    private final int[] known;
    private Candidate here;
    private Candidate best;

    /** A plan laid out, and how many steps it moves that were known. */
    private record Candidate(Genes genes, Layout layout, int moved) implements Comparable<Candidate> {

        private static final Comparator<Candidate> ORDER = Comparator.comparingInt(
                        (Candidate one) -> one.score().notPlaced())
                .thenComparingInt(one -> one.score().missed())
                .thenComparingLong(one -> one.score().lateMinutes())
                .thenComparingInt(one -> one.score().scuffs())
                .thenComparingInt(Candidate::moved)
                .thenComparing(Candidate::score);

        Score score() {
            return layout.score();
        }

        @Override
        public int compareTo(Candidate other) {
            return ORDER.compare(this, other);
        }
    }

    /**
     * @param before a plan to go on from, if any: what is found is never worse, as long as it still holds
     * @param calm whether to move as little of it as may be
     */
    Search(Problem problem, long seed, List<Placement> before, boolean calm) {
        this.problem = problem;
        decoder = new Decoder(problem);
        random = new SplittableRandom(seed);
        known = calm ? Genes.slots(problem, before) : new int[0];
        mutation = new Mutation(problem, random, known);
        List<Genes> starts = new ArrayList<>();
        if (!before.isEmpty()) {
            starts.add(Genes.asKept(problem, before));
        }
        if (!calm || before.isEmpty()) {
            for (boolean cupByCup : new boolean[] {true, false}) {
                for (boolean straightOn : new boolean[] {true, false}) {
                    starts.add(Genes.of(order(cupByCup), problem.acts, straightOn));
                }
            }
        }
        best = starts.stream().map(this::lay).min(Comparator.naturalOrder()).orElseThrow();
        here = best;
    }

    Layout best() {
        return best.layout();
    }

    void run(Budget budget) {
        Candidate[] remembered = new Candidate[REMEMBERED];
        Arrays.fill(remembered, here);
        int idle = 0;
        for (long step = 0;
                step < budget.steps() && problem.acts > 0 && !budget.stop().getAsBoolean();
                step++) {
            idle = step(remembered, (int) (step % REMEMBERED)) ? 0 : idle + 1;
            if (idle == 0 || step % TELL_EVERY == 0) {
                budget.progress().accept(new Progressed(step, best.score()));
            }
            if (idle > STUCK_AFTER) {
                kick(remembered);
                idle = 0;
            }
        }
    }

    private void kick(Candidate[] remembered) {
        Genes genes = best.genes().copy();
        for (int i = 0; i < KICKS; i++) {
            mutation.change(genes, best.layout());
        }
        here = lay(genes);
        Arrays.fill(remembered, here);
    }

    /** @return whether it found the best plan yet */
    private boolean step(Candidate[] remembered, int slot) {
        Genes changed = here.genes().copy();
        do {
            mutation.change(changed, here.layout());
        } while (random.nextInt(3) == 0);
        Candidate laid = lay(changed);
        if (laid.compareTo(here) <= 0 || laid.compareTo(remembered[slot]) <= 0) {
            here = laid;
        }
        remembered[slot] = here;
        boolean better = here.compareTo(best) < 0;
        best = better ? here : best;
        return better;
    }

    private Candidate lay(Genes genes) {
        Layout layout = decoder.lay(genes);
        int moved = 0;
        for (int act = 0; act < known.length; act++) {
            int begins = layout.at()[act] - (layout.scuffed()[act] ? Act.SCUFF_SLOTS : 0);
            moved += known[act] != Act.NEVER && Math.abs(begins - known[act]) > 1 ? 1 : 0;
        }
        return new Candidate(genes, layout, moved);
    }

    /** Cups by how little time they have to spare, each at once or step by step in turn. */
    private int[] order(boolean cupByCup) {
        List<Job> bySpare = problem.jobs.stream()
                .sorted(Comparator.comparingLong(Search::spare).thenComparingInt(Job::number))
                .toList();
        List<Integer> order = new ArrayList<>();
        if (cupByCup) {
            bySpare.forEach(job -> job.acts().forEach(act -> order.add(job.number())));
        } else {
            int most = bySpare.stream().mapToInt(job -> job.acts().size()).max().orElse(0);
            for (int round = 0; round < most; round++) {
                int past = round;
                bySpare.stream().filter(job -> job.acts().size() > past).forEach(job -> order.add(job.number()));
            }
        }
        return order.stream().mapToInt(Integer::intValue).toArray();
    }

    private static long spare(Job job) {
        Progress alone = new Progress();
        alone.set(job.start());
        for (Act act : job.acts()) {
            alone.does(act, Math.max(alone.free, act.opens(alone)));
        }
        return ((long) job.due() - alone.ready()) / job.cup().promise().matters();
    }
}
