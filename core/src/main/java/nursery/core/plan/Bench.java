package nursery.core.plan;

import java.util.Arrays;
import java.util.BitSet;

/** The hands and the spindles over the slots: what is taken, and where something still fits. */
final class Bench {

    /** Nothing fits any more before the horizon. */
    static final int NOWHERE = Layout.NOWHERE;

    private final Problem problem;
    private final BitSet busy = new BitSet();
    private final BitSet worked = new BitSet();
    private final BitSet kept = new BitSet();
    private final BitSet full = new BitSet();
    private final int[] turning;
    /** Nothing turns from here on: a plan is a week or two of a horizon of months. */
    private int quietFrom;

    Bench(Problem problem) {
        this.problem = problem;
        turning = new int[problem.grid.slots()];
    }

    void clear() {
        busy.clear();
        busy.or(problem.closed);
        worked.clear();
        kept.clear();
        full.clear();
        Arrays.fill(turning, 0, quietFrom, 0);
        quietFrom = 0;
        if (problem.spindles == 0) {
            full.set(0, turning.length);
        }
    }

    /** Keeps hands for work that has its moment already. */
    void keep(int from, int slots) {
        busy.set(from, from + slots);
        kept.set(from, from + slots);
    }

    /** Whether some of so many slots are taken by work, done or kept for; bench hours aside. */
    boolean isTaken(int from, int slots) {
        int at = worked.nextSetBit(from);
        int held = kept.nextSetBit(from);
        return at >= 0 && at < from + slots || held >= 0 && held < from + slots;
    }

    void work(int from, int slots) {
        busy.set(from, from + slots);
        worked.set(from, from + slots);
    }

    void turn(int from, int untilExclusive) {
        int until = Math.min(untilExclusive, turning.length);
        quietFrom = Math.max(quietFrom, until);
        for (int slot = Math.max(0, from); slot < until; slot++) {
            if (++turning[slot] >= problem.spindles) {
                full.set(slot);
            }
        }
    }

    /** The first slot from one on at which hands are free for so long, the booth with them if it is needed. */
    int hands(int from, int slots, boolean inBooth) {
        int at = from;
        while (at + slots <= turning.length) {
            at = busy.nextClearBit(at);
            int taken = busy.nextSetBit(at);
            if (taken >= 0 && taken < at + slots) {
                at = taken;
                continue;
            }
            int shut = inBooth ? problem.boothClosed.nextSetBit(at) : NOWHERE;
            if (shut < 0 || shut >= at + slots) {
                return at + slots <= turning.length ? at : NOWHERE;
            }
            at = problem.boothClosed.nextClearBit(shut);
        }
        return NOWHERE;
    }

    /** The last slot of a stretch in which no spindle is free, or {@link #NOWHERE} if one is free throughout. */
    int lastFull(int from, int untilExclusive) {
        int last = full.previousSetBit(Math.min(untilExclusive, turning.length) - 1);
        return last >= from ? last : NOWHERE;
    }

    /**
     * How much the work gathers in few sessions: the sum of their squares. What gathers can be given up for the session
     * it leaves nearly empty, so a search that goes by it finds plans with a session less.
     */
    long gathered() {
        long sum = 0;
        long session = 0;
        int end = -1;
        for (int at = worked.nextSetBit(0); at >= 0; at = worked.nextSetBit(end)) {
            if (end >= 0 && (at - end) * Grid.MINUTES > Score.BREAK_MINUTES) {
                sum += session * session;
                session = 0;
            }
            end = worked.nextClearBit(at);
            session += end - at;
        }
        return sum + session * session;
    }

    /** How often the maker goes to the bench: stretches of work that no longer break parts. */
    int sessions() {
        int sessions = 0;
        int end = -1;
        for (int at = worked.nextSetBit(0); at >= 0; at = worked.nextSetBit(end)) {
            if (sessions == 0 || (at - end) * Grid.MINUTES > Score.BREAK_MINUTES) {
                sessions++;
            }
            end = worked.nextClearBit(at);
        }
        return sessions;
    }
}
