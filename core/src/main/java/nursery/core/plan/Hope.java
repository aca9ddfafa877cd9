package nursery.core.plan;

import java.util.Objects;
import nursery.core.plan.Problem.Job;

/**
 * When a coat may be poured so that what must follow while it is wet could end in its windows, with all the hands there
 * are. Where it could not, only another temperature of the room helps, so the next try is two hours on; past the
 * forecast the room stands still, and what has no hope there never has any.
 *
 * <p>The answer depends on the slot alone, never on what was asked before: a plan laid out twice is the same plan.
 */
final class Hope {

    private static final int A_LONG_STEP = 2 * Grid.SLOTS_PER_HOUR;
    private static final byte YES = 1;
    private static final byte NO = 2;
    private static final byte[] NOT_KEPT = {};

    private final Problem problem;
    private final Progress trial = new Progress();
    /** By the number of a coat's act: what is known of every second hour as far as the forecast goes. */
    private final byte[][] known;

    Hope(Problem problem) {
        this.problem = problem;
        known = new byte[problem.acts][];
    }

    /**
     * The first slot from one on that is worth trying, or {@link Layout#NOWHERE}.
     *
     * @param end after the last step that must be done while the coat is wet
     */
    int from(Job job, int from, int end, Progress cup, int slot) {
        if (end == from + 1 || isSome(job, from, end, cup, slot)) {
            return slot;
        }
        byte[] kept = kept(job, from, end);
        int block = slot / A_LONG_STEP + 1;
        if (kept == NOT_KEPT) {
            return block * A_LONG_STEP;
        }
        for (; block < kept.length; block++) {
            if (kept[block] == 0) {
                kept[block] = isSome(job, from, end, cup, block * A_LONG_STEP) ? YES : NO;
            }
            if (kept[block] == YES) {
                return block * A_LONG_STEP;
            }
        }
        return Layout.NOWHERE;
    }

    /** Where to try next when a coat and what is to follow it found no place at a slot. */
    int after(Job job, int from, int end, Progress cup, int slot) {
        return isSome(job, from, end, cup, slot) ? slot + 1 : slot + A_LONG_STEP;
    }

    private boolean isSome(Job job, int from, int end, Progress cup, int slot) {
        trial.set(cup);
        trial.does(job.acts().get(from), slot);
        for (int i = from + 1; i < end; i++) {
            Act act = job.acts().get(i);
            Gate.Window window = act.window(trial);
            int begins = Math.max(trial.free, window.opens());
            if (begins >= window.closes()) {
                return false;
            }
            trial.does(act, begins);
        }
        return true;
    }

    /** What is kept of a coat that nothing before it has a say in. */
    private byte[] kept(Job job, int from, int end) {
        int number = job.first() + from;
        if (known[number] == null) {
            Act pour = job.acts().get(from);
            boolean alone = job.acts().subList(from + 1, end).stream()
                    .allMatch(act -> act.gate().countsOnlyFrom(pour.work()));
            int steady = Objects.requireNonNull(pour.clock()).steadyFrom();
            known[number] = alone ? new byte[steady / A_LONG_STEP + 2] : NOT_KEPT;
        }
        return known[number];
    }
}
