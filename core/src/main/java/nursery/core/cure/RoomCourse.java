package nursery.core.cure;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.NavigableMap;
import java.util.TreeMap;

/**
 * The room's temperature over time: linear between readings, held flat before the first and after the last. Of
 * two readings at the same moment the later in the list counts.
 */
public final class RoomCourse {

    private final NavigableMap<Instant, Double> temperaturesC = new TreeMap<>();

    /** @throws IllegalArgumentException without any reading: a clock cannot run in a room nobody measured */
    public RoomCourse(List<RoomReading> readings) {
        if (readings.isEmpty()) {
            throw new IllegalArgumentException("At least one room temperature is needed.");
        }
        readings.forEach(reading -> temperaturesC.put(reading.at(), reading.temperatureC()));
    }

    public static RoomCourse steady(double temperatureC) {
        return new RoomCourse(List.of(new RoomReading(Instant.EPOCH, temperatureC)));
    }

    public double temperatureCAt(Instant at) {
        Map.Entry<Instant, Double> before = temperaturesC.floorEntry(at);
        Map.Entry<Instant, Double> after = temperaturesC.ceilingEntry(at);
        if (before == null || after == null) {
            return (before == null ? after : before).getValue();
        }
        double span = hours(before.getKey(), after.getKey());
        double part = span == 0 ? 0 : hours(before.getKey(), at) / span;
        return before.getValue() + (after.getValue() - before.getValue()) * part;
    }

    /** The straight stretches that cover a span of time, in order. */
    List<Stretch> stretches(Instant from, Instant until) {
        List<Stretch> stretches = new ArrayList<>();
        Instant start = from;
        for (Instant reading : temperaturesC.subMap(from, false, until, false).keySet()) {
            stretches.add(stretch(start, reading));
            start = reading;
        }
        stretches.add(stretch(start, until));
        return stretches;
    }

    Instant lastReadingAt() {
        return temperaturesC.lastKey();
    }

    private Stretch stretch(Instant from, Instant until) {
        return new Stretch(from, hours(from, until), temperatureCAt(from), temperatureCAt(until));
    }

    static double hours(Instant from, Instant until) {
        Duration span = Duration.between(from, until);
        return (span.getSeconds() + span.getNano() / 1e9) / 3600;
    }

    /** A span of time over which the temperature runs straight. */
    record Stretch(Instant from, double hours, double startC, double endC) {

        double temperatureCAfter(double elapsedHours) {
            return hours == 0 ? startC : startC + (endC - startC) * elapsedHours / hours;
        }
    }
}
