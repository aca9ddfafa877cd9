package nursery.core.plan;

import java.time.Duration;
import java.time.Instant;
import java.util.BitSet;
import java.util.List;
import nursery.core.measure.Span;

/**
 * The planner's time: slots of {@value #MINUTES} minutes from an origin on. Nobody plans a bench to the minute, and
 * what has to be exact, the windows, is rounded to the safe side.
 */
record Grid(Instant origin, int slots) {

    static final int MINUTES = 5;
    static final int SLOTS_PER_HOUR = 60 / MINUTES;
    private static final long SLOT_SECONDS = MINUTES * 60L;
    private static final double SECONDS_PER_MINUTE = 60;

    /** A grid whose first slot begins at a moment, or at the next full slot. */
    static Grid from(Instant now, Duration length) {
        return new Grid(ceil(now), (int) (length.toMinutes() / MINUTES));
    }

    /** A moment, or the next full slot after it. */
    static Instant ceil(Instant at) {
        long second = at.getEpochSecond() + (at.getNano() > 0 ? 1 : 0);
        return Instant.ofEpochSecond(Math.floorDiv(second + SLOT_SECONDS - 1, SLOT_SECONDS) * SLOT_SECONDS);
    }

    Instant instant(int slot) {
        return origin.plusSeconds(slot * SLOT_SECONDS);
    }

    /** Minutes from the origin, negative before it. */
    double minutes(Instant at) {
        return Duration.between(origin, at).toMillis() / 1000.0 / SECONDS_PER_MINUTE;
    }

    /** The first slot that does not begin before a moment, given in minutes from the origin. */
    static int slotFrom(double minutes) {
        // As Math.ceil has it, which the first compiler does not know how to do well.
        double slots = minutes / MINUTES - 1e-9;
        int whole = (int) slots;
        return whole < slots ? whole + 1 : whole;
    }

    int slotFrom(Instant at) {
        return slotFrom(minutes(at));
    }

    /** The slots some minutes of work take. */
    static int lasting(int minutes) {
        return (minutes + MINUTES - 1) / MINUTES;
    }

    /** A bit for each slot that does not lie wholly in one of some stretches. */
    BitSet outside(List<Span> spans) {
        BitSet closed = new BitSet(slots);
        closed.set(0, slots);
        for (Span span : spans) {
            int from = Math.max(0, slotFrom(span.from()));
            int until = Math.min(slots, (int) Math.floor(minutes(span.untilExclusive()) / MINUTES + 1e-9));
            if (until > from) {
                closed.clear(from, until);
            }
        }
        return closed;
    }
}
