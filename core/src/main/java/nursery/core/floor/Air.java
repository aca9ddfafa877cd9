package nursery.core.floor;

import java.time.Duration;
import java.time.Instant;
import java.util.Optional;
import java.util.OptionalDouble;
import nursery.core.cure.CoatFitness;
import nursery.core.cure.Forecast;
import nursery.core.cure.RoomCourse;
import nursery.core.cure.RoomReading;
import nursery.core.cure.Spread;

/**
 * The room the cups cure in.
 *
 * @param course what was read, and behind it what is expected
 * @param spread how far the room ahead may be off
 * @param lastReadAt when it was last read, if it ever was
 * @param silentSince since when the thermometer has been silent, if it has been for long
 */
public record Air(RoomCourse course, Spread spread, Optional<Instant> lastReadAt, Optional<Instant> silentSince) {

    /** The temperature at a moment, as the clock takes it. */
    public double temperatureC(Instant at) {
        return course.temperatureCAt(at);
    }

    /** What the range cannot hold, in words; empty where it is known well enough. */
    public Optional<String> doubt() {
        return lastReadAt.flatMap(last -> Forecast.doubt(course.firstReadingAt(), last));
    }

    /** The coldest the range goes by: a first colder night is further off. */
    public OptionalDouble coldestC() {
        return lastReadAt.stream()
                .flatMap(last -> course.readings(course.firstReadingAt(), last).stream())
                .mapToDouble(RoomReading::temperatureC)
                .min();
    }

    /** How far the room may be off at a moment ahead, °C up or down: four times in five it is no further. */
    public double spreadC(Instant now, Instant at) {
        return spread.widthC(Duration.between(lastReadAt.filter(now::isAfter).orElse(now), at));
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
