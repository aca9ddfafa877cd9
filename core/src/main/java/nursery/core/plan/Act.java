package nursery.core.plan;

import java.time.Duration;
import nursery.core.resin.Label;
import nursery.core.technique.Need;
import nursery.core.technique.PlanStep;
import nursery.core.technique.Wait;
import org.jspecify.annotations.Nullable;

/**
 * A step as the planner sees it.
 *
 * @param hands  slots of hands-on work
 * @param clock  for a coat, the clock it cures by
 * @param label  for a coat, what it is mixed from
 * @param resin  for a coat, the number of that resin
 * @param pinned the slot the maker wants it in, {@value #FREE} for any, or {@value #PINNED_IN_VAIN}
 */
record Act(PlanStep step, int hands, boolean inBooth, boolean onSpindle, @Nullable CureTable clock, @Nullable Label label, int resin, int pinned) {

    static final int FREE = -1;
    /** Pinned to where another pin has the hands already. */
    static final int PINNED_IN_VAIN = -2;
    /** No window closes then. */
    static final int NEVER = Integer.MAX_VALUE;
    /** Scuffing a coat whose tack window has closed; from memory. */
    static final int SCUFF_SLOTS = 2;

    static Act of(PlanStep step, @Nullable CureTable clock, @Nullable Label label, int resin, int pinned) {
        return new Act(step, Grid.lasting(step.kind().handsOnMinutes()), step.kind().needs().contains(Need.BOOTH), step.kind().isPour() && step.kind().needs().contains(Need.SPINDLE), clock, label, resin, pinned);
    }

    boolean isPour() {
        return step.kind().isPour();
    }

    /** Whether it may be missed and the coat below scuffed instead. */
    boolean mayScuff() {
        return step.waiting() instanceof Wait.StraightOn;
    }

    /** Whether it can only follow while the coat below is still wet, with no other way. */
    boolean isWhileWet() {
        return step.waiting() instanceof Wait.Settle || step.waiting() instanceof Wait.Into;
    }

    /** The first slot its wait allows, after what has been done so far. */
    int opens(Progress cup) {
        Wait waiting = step.waiting();
        if (waiting instanceof Wait.Dry dry) {
            return Grid.slotFrom(cup.lastMin + minutes(dry.atLeast()));
        }
        if (!cup.hasCoat() || waiting instanceof Wait.None) {
            return Grid.slotFrom(cup.lastMin);
        }
        if (waiting instanceof Wait.Settle settle) {
            return Grid.slotFrom(cup.coatMin + minutes(settle.atLeast()));
        }
        if (waiting instanceof Wait.Into into) {
            return Grid.slotFrom(cup.coatMin + minutes(into.atLeast()));
        }
        if (waiting instanceof Wait.StraightOn) {
            return cup.scuffed ? Grid.slotFrom(cup.coatMin) : cup.ageFrom(cup.label().times().recoatFromH());
        }
        return cup.ageFrom(ageFor(waiting, cup.label()));
    }

    /** The first slot at which its window has closed, or {@link #NEVER}. */
    int closes(Progress cup) {
        Wait waiting = step.waiting();
        if (!cup.hasCoat()) {
            return NEVER;
        }
        if (waiting instanceof Wait.Settle settle) {
            return cup.closes(minutes(settle.atLeast()), cup.label().times().workingH());
        }
        if (waiting instanceof Wait.Into into) {
            return cup.closes(minutes(into.atLeast()), cup.label().times().turningH());
        }
        return waiting instanceof Wait.StraightOn && !cup.scuffed ? cup.ageUntil(cup.label().times().recoatUntilH()) : NEVER;
    }

    private static double ageFor(Wait waiting, Label coat) {
        if (waiting instanceof Wait.Age age) {
            return age.hoursFor(coat.times().turningH());
        }
        return waiting instanceof Wait.Cured ? coat.times().curedH() : coat.times().sandableFromH();
    }

    private static double minutes(Duration wait) {
        return wait.toSeconds() / 60.0;
    }
}
