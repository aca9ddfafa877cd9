package nursery.core.plan;

import nursery.core.resin.Label;
import nursery.core.technique.Ground;
import nursery.core.technique.Need;
import nursery.core.technique.PlanStep;
import nursery.core.technique.Timeline;
import nursery.core.technique.Wait;
import org.jspecify.annotations.Nullable;

/**
 * A step as the planner sees it.
 *
 * @param waiting what it waits for
 * @param hands slots of hands-on work
 * @param clock for a coat, the clock it cures by
 * @param label for a coat, what it is mixed from
 * @param resin for a coat, the number of that resin
 * @param pinned the slot the maker wants it in, {@value #FREE} for any, or {@value #PINNED_IN_VAIN}
 */
record Act(
        PlanStep step,
        Wait waiting,
        int hands,
        boolean inBooth,
        boolean onSpindle,
        @Nullable CureTable clock,
        @Nullable Label label,
        int resin,
        int pinned) {

    static final int FREE = -1;
    /** Pinned to where another pin has the hands already. */
    static final int PINNED_IN_VAIN = -2;
    /** No window closes then. */
    static final int NEVER = Integer.MAX_VALUE;
    /** Scuffing a coat that can no longer be recoated straight on; from memory. */
    static final int SCUFF_SLOTS = 2;

    static Act of(
            PlanStep step,
            Wait waiting,
            boolean turns,
            @Nullable CureTable clock,
            @Nullable Label label,
            int resin,
            int pinned) {
        return new Act(
                step,
                waiting,
                Grid.lasting(step.handsOnMinutes()),
                step.needs().contains(Need.BOOTH),
                turns,
                clock,
                label,
                resin,
                pinned);
    }

    boolean isPour() {
        return step.kind().isPour();
    }

    /** The first slot its wait and the newest coat allow, after what has been done so far. */
    int opens(Progress cup) {
        return (int) Ground.opens(step.kind(), waiting, cup);
    }

    /**
     * The first slot at which it is too late to begin, or {@link #NEVER}. Work on a wet coat must also end in its
     * window.
     */
    int closes(Progress cup) {
        double ends = waiting.ends(cup);
        return (int) (ends == Timeline.NEVER ? waiting.closes(cup) : ends - hands + 1);
    }

    /** For a coat straight on: the begun hours since the one below gripped well. */
    int fadedHours(Progress cup, int slot) {
        if (!waiting.mayScuffInstead() || !cup.hasCoat() || cup.scuffed) {
            return 0;
        }
        int past = slot - cup.gripsUntil() + 1;
        return Math.max(0, (past + Grid.SLOTS_PER_HOUR - 1) / Grid.SLOTS_PER_HOUR);
    }
}
