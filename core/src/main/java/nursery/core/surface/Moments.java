package nursery.core.surface;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import nursery.core.cure.CoatTimes;

/**
 * A cup's timeline in moments, as milliseconds of the epoch: what dries, dries by the wall's clock from when hands were
 * off it; what cures, cures in the room it really hung in from the moment it was poured. Never changed: one with more
 * in it is another.
 */
public final class Moments implements Timeline {

    private static final double MS_PER_MINUTE = 60_000;
    /** The blank itself was made before anything was done to it. */
    private static final double LONG_AGO = Double.NEGATIVE_INFINITY;

    /** Nothing was done yet. */
    public static final Moments NONE = new Moments(List.of());

    private final List<Moment> works;

    /** When one work began and when hands were off it; works are numbered from 1 in their order. */
    private record Moment(Instant begun, Instant ended, Optional<CoatTimes> pour) {}

    private Moments(List<Moment> works) {
        this.works = works;
    }

    /** With one more work done, the next by number. */
    public Moments and(Instant at, Duration handsOn) {
        return and(new Moment(at, at.plus(handsOn), Optional.empty()));
    }

    /** With one more pour, which has a clock of its own as well. */
    public Moments and(CoatTimes times, Duration handsOn) {
        return and(new Moment(times.pouredAt(), times.pouredAt().plus(handsOn), Optional.of(times)));
    }

    private Moments and(Moment moment) {
        List<Moment> more = new ArrayList<>(works);
        more.add(moment);
        return new Moments(more);
    }

    @Override
    public double begun(int work, double minutes) {
        return work == Surface.GROUND ? LONG_AGO : of(work).begun().toEpochMilli() + minutes * MS_PER_MINUTE;
    }

    @Override
    public double ended(int work, double minutes) {
        return work == Surface.GROUND ? LONG_AGO : of(work).ended().toEpochMilli() + minutes * MS_PER_MINUTE;
    }

    @Override
    public double age(int pour, double hours) {
        return pour(pour).at(hours).toEpochMilli();
    }

    private Moment of(int work) {
        return works.get(work - 1);
    }

    /** The clock of a pour. */
    public CoatTimes pour(int pour) {
        return of(pour).pour()
                .orElseThrow(() -> new IllegalArgumentException("Work %d was no pour: it has no age.".formatted(pour)));
    }
}
