package nursery.core.surface;

import java.time.Duration;
import java.time.Instant;
import java.util.HashMap;
import java.util.Map;
import nursery.core.cure.CoatTimes;

/**
 * A cup's timeline in moments, as milliseconds of the epoch: what dries, dries by the wall's clock from when hands were
 * off it; what cures, cures in the room it really hung in from the moment it was poured.
 */
public final class Moments implements Timeline {

    private static final double MS_PER_MINUTE = 60_000;

    private final Map<Integer, Instant> begun = new HashMap<>();
    private final Map<Integer, Instant> ended = new HashMap<>();
    private final Map<Integer, CoatTimes> pours = new HashMap<>();

    /** Something that was done. */
    public Moments and(int work, Instant at, Duration handsOn) {
        begun.put(work, at);
        ended.put(work, at.plus(handsOn));
        return this;
    }

    /** A pour, which has a clock of its own as well. */
    public Moments and(int pour, CoatTimes times, Duration handsOn) {
        pours.put(pour, times);
        return and(pour, times.pouredAt(), handsOn);
    }

    @Override
    public double begun(int work, double minutes) {
        return of(begun, work) + minutes * MS_PER_MINUTE;
    }

    @Override
    public double ended(int work, double minutes) {
        return of(ended, work) + minutes * MS_PER_MINUTE;
    }

    @Override
    public double age(int pour, double hours) {
        CoatTimes times = pours.get(pour);
        if (times == null) {
            throw new IllegalArgumentException("Work %d was no pour: it has no age.".formatted(pour));
        }
        return times.at(hours).toEpochMilli();
    }

    /** The blank itself was made long ago. */
    private static double of(Map<Integer, Instant> moments, int work) {
        Instant at = moments.get(work);
        return at == null ? Double.NEGATIVE_INFINITY : at.toEpochMilli();
    }

    CoatTimes pour(int pour) {
        CoatTimes times = pours.get(pour);
        if (times == null) {
            throw new IllegalArgumentException("Work %d was no pour.".formatted(pour));
        }
        return times;
    }
}
