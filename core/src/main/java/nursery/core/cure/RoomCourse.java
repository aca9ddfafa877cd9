package nursery.core.cure;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.NavigableMap;
import java.util.OptionalDouble;
import java.util.TreeMap;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.ToDoubleFunction;

/**
 * The room over time: linear between readings, held flat before the first and after the last. Of two readings at the
 * same moment the later in the list counts. What each clock makes of it is summed once and kept, so that asking for
 * many coats costs little.
 */
public final class RoomCourse {

    private static final double NANOS_PER_HOUR = 3.6e12;
    private static final double SPIKE_C = 8;
    private static final Duration CHANGES_WITHIN = Duration.ofMinutes(1);
    private static final Duration SPIKE_WITHIN = Duration.ofHours(1);

    private final Instant first;
    private final double[] hours;
    private final double[] celsius;
    private final NavigableMap<Instant, Double> humidity = new TreeMap<>();
    private final Map<CureClock, double[]> ages = new ConcurrentHashMap<>();

    /** @throws IllegalArgumentException without any reading: a clock cannot run in a room nobody measured */
    public RoomCourse(List<RoomReading> readings) {
        if (readings.isEmpty()) {
            throw new IllegalArgumentException("At least one room temperature is needed.");
        }
        NavigableMap<Instant, Double> temperatures = new TreeMap<>();
        readings.forEach(reading -> temperatures.put(reading.at(), reading.temperatureC()));
        readings.forEach(
                reading -> reading.humidityPercent().ifPresent(percent -> humidity.put(reading.at(), percent)));
        first = temperatures.firstKey();
        hours = temperatures.keySet().stream().mapToDouble(this::hoursAt).toArray();
        celsius =
                temperatures.values().stream().mapToDouble(Double::doubleValue).toArray();
    }

    public static RoomCourse steady(double temperatureC) {
        return new RoomCourse(List.of(new RoomReading(Instant.EPOCH, temperatureC)));
    }

    /**
     * Readings without those that cannot be: one that stands off both its neighbours by far, while these agree and are
     * near. A sun-lit or knocked thermometer does that; a room does not. The figures are from memory.
     */
    public static List<RoomReading> withoutSpikes(List<RoomReading> inOrder) {
        List<RoomReading> kept = new ArrayList<>();
        for (int i = 0; i < inOrder.size(); i++) {
            if (i == 0 || i == inOrder.size() - 1 || !isSpike(inOrder.get(i - 1), inOrder.get(i), inOrder.get(i + 1))) {
                kept.add(inOrder.get(i));
            }
        }
        return Collections.unmodifiableList(kept);
    }

    private static boolean isSpike(RoomReading before, RoomReading here, RoomReading after) {
        double off = Math.min(
                Math.abs(here.temperatureC() - before.temperatureC()),
                Math.abs(here.temperatureC() - after.temperatureC()));
        return Duration.between(before.at(), after.at()).compareTo(SPIKE_WITHIN) <= 0
                && off > SPIKE_C
                && Math.abs(after.temperatureC() - before.temperatureC()) < SPIKE_C / 2;
    }

    /** This course up to a moment, and another after it. */
    public RoomCourse followedBy(Instant from, List<RoomReading> after) {
        List<RoomReading> all = new ArrayList<>(readings(Instant.MIN, from));
        all.add(new RoomReading(from, temperatureCAt(from)));
        all.addAll(after);
        return new RoomCourse(all);
    }

    public double temperatureCAt(Instant at) {
        return temperatureAfter(hoursAt(at));
    }

    /** The mean temperature between two moments, looked at every hour or so. */
    double meanC(Instant from, Instant until) {
        double span = Duration.between(from, until).toMillis();
        int looks = (int) Math.max(1, Math.round(span / Duration.ofHours(1).toMillis()));
        double sum = 0;
        for (int i = 0; i < looks; i++) {
            sum += temperatureCAt(from.plusMillis((long) (span * (i + 0.5) / looks)));
        }
        return sum / looks;
    }

    /** Relative humidity, linear between readings and held flat beside them; empty if it was never read. */
    public OptionalDouble humidityPercentAt(Instant at) {
        Map.Entry<Instant, Double> before = humidity.floorEntry(at);
        Map.Entry<Instant, Double> after = humidity.ceilingEntry(at);
        if (before == null || after == null) {
            return before == null && after == null
                    ? OptionalDouble.empty()
                    : OptionalDouble.of((before == null ? after : before).getValue());
        }
        double span = Duration.between(before.getKey(), after.getKey()).toMillis();
        double part = span == 0 ? 0 : Duration.between(before.getKey(), at).toMillis() / span;
        return OptionalDouble.of(before.getValue() + (after.getValue() - before.getValue()) * part);
    }

    /** The readings between two moments, both included. */
    public List<RoomReading> readings(Instant from, Instant until) {
        List<RoomReading> found = new ArrayList<>();
        for (int i = Math.max(0, stretchAt(hoursAt(from)) - 1);
                i < hours.length && !instant(hours[i]).isAfter(until);
                i++) {
            Instant at = instant(hours[i]);
            if (!at.isBefore(from)) {
                Double percent = humidity.get(at);
                found.add(new RoomReading(
                        at, celsius[i], percent == null ? OptionalDouble.empty() : OptionalDouble.of(percent)));
            }
        }
        return Collections.unmodifiableList(found);
    }

    public Instant firstReadingAt() {
        return first;
    }

    /** Only what lies between two moments. */
    public RoomCourse between(Instant from, Instant until) {
        List<RoomReading> part = new ArrayList<>();
        part.add(new RoomReading(from, temperatureCAt(from)));
        part.addAll(readings(from.plusNanos(1), until.minusNanos(1)));
        part.add(new RoomReading(until, temperatureCAt(until)));
        return new RoomCourse(part);
    }

    /** Only what lies behind a moment. */
    public RoomCourse from(Instant from) {
        return lastReadingAt().isAfter(from) ? between(from, lastReadingAt()) : steady(temperatureCAt(from));
    }

    /** This course with everything after a moment warmer or colder by so much. */
    public RoomCourse shifted(Instant after, double byC) {
        return shifted(after, at -> byC);
    }

    /** This course with everything after a moment warmer or colder by what is said for each. */
    public RoomCourse shifted(Instant after, ToDoubleFunction<Instant> byC) {
        List<RoomReading> moved = new ArrayList<>(readings(Instant.MIN, after));
        moved.add(new RoomReading(after, temperatureCAt(after)));
        Instant soon = after.plus(Duration.ofMinutes(1));
        List<RoomReading> later = readings(after.plusNanos(1), Instant.MAX);
        List<RoomReading> ahead = later.isEmpty() || later.get(0).at().isAfter(soon)
                ? new ArrayList<>(List.of(new RoomReading(soon, temperatureCAt(soon))))
                : new ArrayList<>();
        ahead.addAll(later);
        ahead.forEach(reading -> moved.add(new RoomReading(
                reading.at(), RoomReading.possibleC(reading.temperatureC() + byC.applyAsDouble(reading.at())))));
        return new RoomCourse(moved);
    }

    /**
     * This course, but held at a temperature between two moments: the cup on a warm shelf, or the heating turned up.
     */
    public RoomCourse heldAt(Instant from, Instant until, double temperatureC) {
        Instant changed = from.plus(CHANGES_WITHIN);
        Instant back = until.plus(CHANGES_WITHIN);
        List<RoomReading> course = new ArrayList<>(readings(Instant.MIN, from));
        course.add(new RoomReading(from, temperatureCAt(from)));
        course.add(new RoomReading(changed, temperatureC));
        course.add(new RoomReading(until.isAfter(changed) ? until : changed, temperatureC));
        course.add(new RoomReading(back.isAfter(changed) ? back : changed.plus(CHANGES_WITHIN), temperatureCAt(back)));
        course.addAll(readings(back.plusNanos(1), Instant.MAX));
        return new RoomCourse(course);
    }

    public Instant lastReadingAt() {
        return instant(hours[hours.length - 1]);
    }

    /** A moment as hours from the first reading. */
    double hoursAt(Instant at) {
        Duration since = Duration.between(first, at);
        return since.getSeconds() / 3600.0 + since.getNano() / NANOS_PER_HOUR;
    }

    /** The moment so many hours from the first reading, to the nearest millisecond. */
    Instant instant(double hoursFromFirst) {
        return first.plus(Duration.ofMillis(Math.round(hoursFromFirst * 3_600_000)));
    }

    /** The stretch that holds an hour: the number of the reading it starts at, −1 before the first. */
    int stretchAt(double hour) {
        int found = Arrays.binarySearch(hours, hour);
        return found >= 0 ? found : -found - 2;
    }

    int stretches() {
        return hours.length - 1;
    }

    double startH(int stretch) {
        return hours[stretch];
    }

    double startC(int stretch) {
        return celsius[stretch];
    }

    double temperatureAfter(double hour) {
        int at = stretchAt(hour);
        if (at < 0 || at >= stretches()) {
            return celsius[at < 0 ? 0 : stretches()];
        }
        return celsius[at] + (celsius[at + 1] - celsius[at]) * (hour - hours[at]) / (hours[at + 1] - hours[at]);
    }

    /** What a clock has gained by each reading, counted from the first; summed once. */
    double[] ages(CureClock clock) {
        return ages.computeIfAbsent(clock, fresh -> fresh.ages(this));
    }
}
