package nursery.core.plan;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.SplittableRandom;
import nursery.core.plan.Budget.Progressed;
import nursery.core.plan.Problem.Job;
import org.jspecify.annotations.Nullable;

/**
 * Looks for better plans by small changes: late-acceptance hill climbing (Burke and Bykov, Eur. J. Oper. Res. 258,
 * 2017), which only compares plans and so needs no weights between the figures of a score. Starts anew from the best
 * when it is stuck.
 *
 * <p>A calm search goes on from a plan that people know, and moves a step only to miss less, to be less late or to
 * scuff less: what it moves counts before sessions, mixes and finish times.
 */
final class Search {

    private static final int REMEMBERED = 60;
    /** Steps for each thing there is to place; then a plan not bettered is shaken. */
    private static final int STUCK_AFTER = 30;

    private static final int TELL_EVERY = 200;
    private static final int KICKS = 4;
    /** Begins further apart than this are hardly of one session: a break, and the work before it. */
    private static final int A_SESSIONS_GAP = (Score.BREAK_MINUTES + 30) / Grid.MINUTES;

    private final Problem problem;
    private final Decoder decoder;
    private final SplittableRandom random;
    private final Mutation mutation;
    private final int[] known;
    private final Hurts.Level level;
    /** Whether plans are gone on from that gather the work; every other time the search is shaken. */
    private boolean gathers;

    private Candidate here;
    private Candidate best;
    private @Nullable Candidate polished;

    /**
     * A plan laid out.
     *
     * @param hurts what is wrong with it, as far as anything is moved for that
     * @param moves what it moves of a plan that was known
     */
    private record Candidate(Genes genes, Layout layout, Hurts hurts, Moves moves) implements Comparable<Candidate> {

        private static final Comparator<Candidate> CALM =
                Comparator.comparing(Candidate::hurts).thenComparing(Candidate::moves);

        private static final Comparator<Candidate> ORDER = CALM.thenComparing(Candidate::score);

        /** Goes by how the work gathers where a plan takes as many sessions. */
        private static final Comparator<Candidate> GATHERING = CALM.thenComparingInt(
                        (Candidate one) -> one.score().notPlaced())
                .thenComparingInt(one -> one.score().missed())
                .thenComparingLong(one -> one.score().lateMinutes())
                .thenComparingInt(one -> one.score().scuffs())
                .thenComparingInt(one -> one.score().sessions())
                .thenComparingLong(one -> -one.layout().gathered())
                .thenComparing(Candidate::score);

        Score score() {
            return layout.score();
        }

        /** The sum of all begins: less is sooner. */
        long begins() {
            return Arrays.stream(layout.at()).asLongStream().sum();
        }

        @Override
        public int compareTo(Candidate other) {
            return ORDER.compare(this, other);
        }
    }

    /**
     * @param before a plan to go on from, if any: what is found is never worse, as long as it still holds
     * @param calm whether to move as little of it as may be
     * @param level better than this nothing of it is moved for
     */
    Search(Problem problem, long seed, List<Placement> before, boolean calm, Hurts.Level level) {
        this.problem = problem;
        this.level = level;
        decoder = new Decoder(problem);
        random = new SplittableRandom(seed);
        known = calm ? Genes.slots(problem, before) : new int[0];
        mutation = new Mutation(problem, random, known);
        List<Genes> starts = new ArrayList<>();
        if (!before.isEmpty()) {
            Genes asKept = Genes.asKept(problem, before);
            starts.add(asKept);
            if (calm) {
                starts.addAll(new Calm(problem, decoder, known).starts(asKept));
            }
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

    /**
     * The best plan so far. What is done to a cup in one session is let begin as soon as it can, if the plan is no
     * worse for it: nothing waits for nothing.
     */
    Layout best() {
        if (polished != best) {
            problem.jobs.forEach(this::soonerBySession);
            polished = best;
        }
        return best.layout();
    }

    private void soonerBySession(Job job) {
        int from = job.first();
        int end = job.first() + job.acts().size();
        while (from < end) {
            int until = from + 1;
            while (until < end && best.layout().at()[until] - best.layout().at()[until - 1] <= A_SESSIONS_GAP) {
                until++;
            }
            sooner(from, until, end);
            from = until;
        }
    }

    /** Lets some of a cup's steps be begun as soon as they can, while those after them stay. */
    private void sooner(int fromAct, int untilAct, int end) {
        boolean waits =
                Arrays.stream(best.genes().notBefore(), fromAct, untilAct).anyMatch(slot -> slot > 0);
        if (!waits) {
            return;
        }
        Genes genes = best.genes().copy();
        Arrays.fill(genes.notBefore(), fromAct, untilAct, 0);
        for (int act = untilAct; act < end; act++) {
            genes.notBefore()[act] = Math.max(0, Calm.begins(best.layout(), act));
        }
        Candidate laid = lay(genes);
        best = laid.compareTo(best) <= 0 && laid.begins() < best.begins() ? laid : best;
    }

    Score score() {
        return best.layout().score();
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
            if (idle > STUCK_AFTER * Math.max(8, problem.acts)) {
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
        gathers = !gathers;
        Arrays.fill(remembered, here);
    }

    /** @return whether it found the best plan yet */
    private boolean step(Candidate[] remembered, int slot) {
        Genes changed = here.genes().copy();
        do {
            mutation.change(changed, here.layout());
        } while (random.nextInt(3) == 0);
        Candidate laid = lay(changed);
        Comparator<Candidate> order = gathers ? Candidate.GATHERING : Candidate.ORDER;
        if (order.compare(laid, here) <= 0 || order.compare(laid, remembered[slot]) <= 0) {
            here = laid;
        }
        remembered[slot] = here;
        boolean better = laid.compareTo(best) < 0;
        best = better ? laid : best;
        return better;
    }

    private Candidate lay(Genes genes) {
        Layout layout = decoder.lay(genes);
        return new Candidate(genes, layout, level.with(problem, layout), Moves.of(problem, layout, known));
    }

    /** Cups by how little time they have to spare, each at once or step by step in turn. */
    private int[] order(boolean cupByCup) {
        long[] spare = problem.jobs.stream().mapToLong(Search::spare).toArray();
        List<Job> bySpare = problem.jobs.stream()
                .sorted(Comparator.comparingLong((Job job) -> spare[job.number()])
                        .thenComparingInt(Job::number))
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
