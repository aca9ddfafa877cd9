package nursery.core.plan;

import java.util.List;
import java.util.Objects;
import nursery.core.resin.Label;
import nursery.core.surface.Bound;
import org.jspecify.annotations.Nullable;

/** How far a cup has come while a plan is laid out. Changed in place: a search lays out thousands of plans. */
final class Progress {

    private static final double LONG_AGO = -1e9;

    /** Works that are done already: what lies behind the plan. */
    private List<Past> past = List.of();

    /** The steps ahead, and where those are that have found their place. */
    private List<Act> acts = List.of();

    private int[] at = {};
    private int done;

    /** The first slot not before its newest work was logged. */
    int logged;
    /** The first slot at which hands are off it. */
    int free;
    /** Its spindle is taken until this slot. */
    int heldUntil;
    /** When every coat on it will have reached full cure. */
    int cured;

    /**
     * A work that was done before the plan begins, in minutes from its origin.
     *
     * @param clock for a pour, the clock it cures by
     * @param label for a pour, what it was mixed from
     * @param ageAtOriginH for a pour, how far it had cured then
     */
    record Past(
            double begunMin, double endedMin, @Nullable CureTable clock, @Nullable Label label, double ageAtOriginH) {}

    void set(Progress other) {
        past = other.past;
        acts = other.acts;
        done = other.done;
        if (at.length < acts.size()) {
            at = new int[acts.size()];
        }
        for (int i = 0; i < done; i++) {
            at[i] = other.at[i];
        }
        logged = other.logged;
        free = other.free;
        heldUntil = other.heldUntil;
        cured = other.cured;
    }

    /** What was done to it already, in order, and what is ahead of it. */
    void begin(List<Past> works, List<Act> ahead) {
        past = works;
        acts = ahead;
        at = new int[ahead.size()];
    }

    /** How far it has come in a world in which its coats cure by other clocks; what it had done it has done. */
    Progress in(World world, List<Act> ahead) {
        Progress other = new Progress();
        List<Past> works = past.stream().map(world::past).toList();
        other.begin(works, ahead);
        other.logged = logged;
        for (Past pour : works) {
            if (pour.label() != null && pour.clock() != null) {
                double full = pour.clock().fullyCured(pour.label().times().fullCureH()) - pour.ageAtOriginH();
                other.cured = Math.max(other.cured, full <= 0 ? 0 : pour.clock().from(full));
                if (heldUntil > 0) {
                    double turning = pour.label().times().turningH() - pour.ageAtOriginH();
                    other.heldUntil = turning <= 0 ? 0 : pour.clock().from(turning);
                }
            }
        }
        return other;
    }

    private double begunMin(int work) {
        if (work == 0) {
            return LONG_AGO;
        }
        return work <= past.size() ? past.get(work - 1).begunMin() : at[work - past.size() - 1] * (double) Grid.MINUTES;
    }

    private double endedMin(int work) {
        if (work == 0) {
            return LONG_AGO;
        }
        return work <= past.size()
                ? past.get(work - 1).endedMin()
                : begunMin(work) + act(work).step().handsOnMinutes();
    }

    private Act act(int work) {
        return acts.get(work - past.size() - 1);
    }

    private CureTable clock(int pour) {
        return Objects.requireNonNull(
                pour <= past.size() ? past.get(pour - 1).clock() : act(pour).clock());
    }

    /** What a pour's clock shows when it has reached an age. */
    private double shows(int pour, double ageH) {
        return pour <= past.size()
                ? ageH - past.get(pour - 1).ageAtOriginH()
                : clock(pour).at(at[pour - past.size() - 1]) + ageH;
    }

    private double minutes(Bound bound) {
        return switch (bound.since()) {
            case ENDED_MIN -> endedMin(bound.work()) + bound.amount();
            case POURED_MIN -> begunMin(bound.work()) + bound.amount();
            case AGE_H -> throw new IllegalArgumentException("An age is no time on the wall's clock: " + bound);
        };
    }

    /** Whether a bound counts from what lies behind the plan. */
    boolean isPast(Bound bound) {
        return bound.work() <= past.size();
    }

    private static boolean isAge(Bound bound) {
        return bound.since() == Bound.Since.AGE_H;
    }

    /** The first slot that is not before a bound. */
    int from(Bound bound) {
        return isAge(bound)
                ? clock(bound.work()).from(shows(bound.work(), bound.amount()))
                : Grid.slotFrom(minutes(bound));
    }

    /** The first slot that is no longer before a bound. */
    int until(Bound bound) {
        return isAge(bound)
                ? clock(bound.work()).untilExclusive(shows(bound.work(), bound.amount()))
                : Grid.slotFrom(minutes(bound));
    }

    /** The last slot that is not after a bound, for work that must have ended by then. */
    int last(Bound bound) {
        return isAge(bound)
                ? clock(bound.work()).last(shows(bound.work(), bound.amount()))
                : (int) Math.floor(minutes(bound) / Grid.MINUTES + 1e-9);
    }

    /** Does a step at a slot, and takes the spindle it needs. */
    void does(Act act, int slot) {
        int index = act.work() - past.size() - 1;
        at[index] = slot;
        done = index + 1;
        logged = slot;
        free = slot + act.hands();
        if (act.isPour()) {
            int work = act.work();
            heldUntil = act.onSpindle()
                    ? ageFrom(work, Objects.requireNonNull(act.label()).times().turningH())
                    : 0;
            double full = Objects.requireNonNull(act.label()).times().fullCureH();
            cured = Math.max(cured, ageFrom(work, clock(work).fullyCured(full)));
        } else if (act.step().kind().endsTurning()) {
            heldUntil = 0;
        }
    }

    private int ageFrom(int pour, double ageH) {
        return clock(pour).from(shows(pour, ageH));
    }

    /** When it is done and may be handed over. */
    int ready() {
        return Math.max(cured, free);
    }
}
