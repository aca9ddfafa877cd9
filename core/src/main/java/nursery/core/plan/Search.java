package nursery.core.plan;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.SplittableRandom;
import nursery.core.plan.Budget.Progressed;
import nursery.core.plan.Problem.Job;

/**
 * Looks for better plans by small changes: late-acceptance hill climbing (Burke and Bykov, Eur. J. Oper. Res. 258, 2017), which only
 * compares plans and so needs no weights between the figures of a score. Starts anew from the best when it is stuck.
 */
final class Search {

    private static final int REMEMBERED = 60;
    private static final int STUCK_AFTER = 1500;
    private static final int TELL_EVERY = 200;

    private final Problem problem;
    private final Decoder decoder;
    private final SplittableRandom random;
    private final Mutation mutation;
    private Genes genes;
    private Layout layout;
    private Genes bestGenes;
    private Layout best;

    /** @param before a plan to go on from, if any: what is found is never worse, as long as it still holds */
    Search(Problem problem, long seed, List<Placement> before) {
        this.problem = problem;
        decoder = new Decoder(problem);
        random = new SplittableRandom(seed);
        mutation = new Mutation(problem, random);
        genes = first();
        layout = decoder.lay(genes);
        bestGenes = genes.copy();
        best = layout;
        for (boolean cupByCup : new boolean[] {true, false}) {
            for (boolean straightOn : new boolean[] {true, false}) {
                start(Genes.of(order(cupByCup), problem.acts, straightOn));
            }
        }
        if (!before.isEmpty()) {
            start(Genes.asKept(problem, before));
        }
        genes = bestGenes.copy();
        layout = best;
    }

    Layout best() {
        return best;
    }

    void run(Budget budget) {
        Score[] remembered = new Score[REMEMBERED];
        Arrays.fill(remembered, layout.score());
        int idle = 0;
        for (long step = 0; step < budget.steps() && problem.acts > 0 && !budget.stop().getAsBoolean(); step++) {
            idle = step(remembered, (int) (step % REMEMBERED)) ? 0 : idle + 1;
            if (idle == 0 || step % TELL_EVERY == 0) {
                budget.progress().accept(new Progressed(step, best.score()));
            }
            if (idle > STUCK_AFTER) {
                genes = bestGenes.copy();
                for (int kick = 0; kick < 4; kick++) {
                    mutation.change(genes, best);
                }
                layout = decoder.lay(genes);
                Arrays.fill(remembered, layout.score());
                idle = 0;
            }
        }
    }

    /** @return whether it found the best plan yet */
    private boolean step(Score[] remembered, int slot) {
        Genes changed = genes.copy();
        do {
            mutation.change(changed, layout);
        } while (random.nextInt(3) == 0);
        Layout laid = decoder.lay(changed);
        if (laid.score().compareTo(layout.score()) <= 0 || laid.score().compareTo(remembered[slot]) <= 0) {
            genes = changed;
            layout = laid;
        }
        remembered[slot] = layout.score();
        return layout.score().compareTo(best.score()) < 0 && keep();
    }

    private boolean keep() {
        best = layout;
        bestGenes = genes.copy();
        return true;
    }

    private void start(Genes other) {
        Layout laid = decoder.lay(other);
        if (laid.score().compareTo(best.score()) < 0) {
            best = laid;
            bestGenes = other.copy();
        }
    }

    private Genes first() {
        return Genes.of(order(true), problem.acts, true);
    }

    /** Cups by how little time they have to spare, each at once or step by step in turn. */
    private int[] order(boolean cupByCup) {
        List<Job> bySpare = problem.jobs.stream().sorted(Comparator.comparingLong(Search::spare).thenComparingInt(Job::number)).toList();
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
        return ((long) job.due() - alone.ready()) / job.cup().matters();
    }
}
