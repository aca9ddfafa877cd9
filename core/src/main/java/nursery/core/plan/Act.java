package nursery.core.plan;

import nursery.core.resin.Label;
import nursery.core.technique.Need;
import nursery.core.technique.PlanStep;
import org.jspecify.annotations.Nullable;

/**
 * A step as the planner sees it.
 *
 * @param hands slots of hands-on work
 * @param clock for a coat, the clock it cures by
 * @param label for a coat, what it is mixed from
 * @param resin for a coat, the number of that resin
 * @param pinned the slot the maker wants it in, {@value #FREE} for any, or {@value #PINNED_IN_VAIN}
 */
record Act(
        PlanStep step,
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
    /** Scuffing a coat whose tack window has closed; from memory. */
    static final int SCUFF_SLOTS = 2;

    static Act of(
            PlanStep step, boolean turns, @Nullable CureTable clock, @Nullable Label label, int resin, int pinned) {
        return new Act(
                step,
                Grid.lasting(step.kind().handsOnMinutes()),
                step.kind().needs().contains(Need.BOOTH),
                turns,
                clock,
                label,
                resin,
                pinned);
    }

    boolean isPour() {
        return step.kind().isPour();
    }

    /** The first slot its wait allows, after what has been done so far. */
    int opens(Progress cup) {
        return (int) step.waiting().opens(cup);
    }

    /** The first slot at which its window has closed, or {@link #NEVER}. */
    int closes(Progress cup) {
        return (int) step.waiting().closes(cup);
    }
}
