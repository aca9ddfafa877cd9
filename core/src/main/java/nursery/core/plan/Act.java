package nursery.core.plan;

import java.util.List;
import nursery.core.resin.Label;
import nursery.core.surface.Bound;
import nursery.core.technique.Need;
import nursery.core.technique.PlanStep;
import org.jspecify.annotations.Nullable;

/**
 * A step as the planner sees it.
 *
 * @param work its number among the works of its cup
 * @param gate its window
 * @param scuff what it takes to scuff the coat below first; null where that would not do
 * @param grips what ends the time in which it grips well, for a coat straight on
 * @param isWet whether it is done to what is still wet
 * @param lacks whether something that is not planned has to come first
 * @param hands slots of hands-on work
 * @param clock for a coat, the clock it cures by
 * @param label for a coat, what it is mixed from
 * @param resin for a coat, the number of that resin
 * @param pinned the slot the maker wants it in, {@value #FREE} for any, or {@value #PINNED_IN_VAIN}
 */
record Act(
        PlanStep step,
        int work,
        Gate gate,
        @Nullable Scuff scuff,
        @Nullable Bound grips,
        boolean isWet,
        boolean lacks,
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

    /**
     * The coat below scuffed first.
     *
     * @param late what ends the time straight on: before, nobody is asked to scuff
     * @param sandable when paper may touch it
     * @param then the step's window on the scuffed coat
     */
    record Scuff(List<Bound> late, Gate sandable, Gate then) {

        /** The first slot at which scuffing may begin. */
        int opens(Progress cup) {
            int closed = NEVER;
            for (Bound bound : late) {
                closed = Math.min(closed, cup.until(bound));
            }
            return Math.max(closed, Math.max(sandable.opens(cup), then.opens(cup) - SCUFF_SLOTS));
        }
    }

    /** What a step needs beside its window. */
    record Place(boolean turns, @Nullable CureTable clock, @Nullable Label label, int resin, int pinned) {}

    static Act of(PlanStep step, int work, List<Bound> bounds, boolean isWet, @Nullable Scuff scuff, Place place) {
        int hands = Grid.lasting(step.handsOnMinutes());
        boolean lacks = bounds.stream().anyMatch(Bound::forbids);
        return new Act(
                step,
                work,
                new Gate(bounds, isWet, hands),
                scuff,
                bounds.stream()
                        .filter(bound -> bound.cell().isFading() && !lacks)
                        .findFirst()
                        .orElse(null),
                isWet,
                lacks,
                hands,
                step.needs().contains(Need.BOOTH),
                place.turns(),
                place.clock(),
                place.label(),
                place.resin(),
                place.pinned());
    }

    /** The same step where it takes other hands, and cures by another clock; to be settled anew. */
    Act in(int slots, @Nullable CureTable otherClock) {
        return new Act(
                step,
                work,
                gate.taking(slots),
                scuff == null
                        ? null
                        : new Scuff(
                                scuff.late(),
                                scuff.sandable().taking(SCUFF_SLOTS),
                                scuff.then().taking(slots)),
                grips,
                isWet,
                lacks,
                slots,
                inBooth,
                onSpindle,
                otherClock,
                label,
                resin,
                pinned);
    }

    /** Places once what counts from work that is done already. */
    void settle(Progress start) {
        gate.settle(start);
        if (scuff != null) {
            scuff.sandable().settle(start);
            scuff.then().settle(start);
        }
    }

    boolean isPour() {
        return step.kind().isPour();
    }

    /** Whether it may follow the coat below straight on, or have it scuffed. */
    boolean mayScuffInstead() {
        return scuff != null;
    }

    /** The first slot its window allows, after what has been done so far. */
    int opens(Progress cup) {
        return Math.max(cup.logged, gate.opens(cup));
    }

    /** When its window allows it, after what has been done so far. */
    Gate.Window window(Progress cup) {
        Gate.Window window = gate.window(cup);
        return window.opens() >= cup.logged ? window : new Gate.Window(cup.logged, window.closes());
    }

    /** For a coat straight on: the begun hours since the one below gripped well. */
    int fadedHours(Progress cup, int slot) {
        if (grips == null) {
            return 0;
        }
        int past = slot - cup.until(grips) + 1;
        return Math.max(0, (past + Grid.SLOTS_PER_HOUR - 1) / Grid.SLOTS_PER_HOUR);
    }
}
