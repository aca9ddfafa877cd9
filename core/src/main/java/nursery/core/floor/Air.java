package nursery.core.floor;

import java.time.Instant;
import java.util.Optional;
import nursery.core.cure.CoatFitness;
import nursery.core.cure.RoomCourse;

/**
 * The room the cups cure in.
 *
 * @param course what was read, and behind it what is expected
 * @param spreadC how far the room ahead may be off, °C up or down
 * @param lastReadAt when it was last read, if it ever was
 * @param silentSince since when the thermometer has been silent, if it has been for long
 */
public record Air(RoomCourse course, double spreadC, Optional<Instant> lastReadAt, Optional<Instant> silentSince) {

    /** The temperature at a moment, as the clock takes it. */
    public double temperatureC(Instant at) {
        return course.temperatureCAt(at);
    }

    /** Whether a cup as warm as the room is fit for a coat. */
    public CoatFitness fitness(Instant now) {
        return CoatFitness.at(course, now);
    }

    /** When, by the forecast, the verdict on a coat changes. */
    public Optional<Instant> fitnessTurnsAt(Instant now) {
        return CoatFitness.turnsAt(course, now);
    }
}
