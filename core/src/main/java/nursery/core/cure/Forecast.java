package nursery.core.cure;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalTime;
import java.time.ZoneId;
import java.time.ZonedDateTime;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.OptionalDouble;
import java.util.stream.IntStream;
import nursery.core.measure.Faults;

/** What the room is expected to do from now on, and how far it may be off. */
public sealed interface Forecast {

    /** So far it looks ahead; after that the room is taken to stand still. */
    Duration HORIZON = Duration.ofDays(4);

    Duration STEP = Duration.ofMinutes(30);
    /** A room is never known better than this; from memory. */
    double LEAST_SPREAD_C = 1;
    /** Without any pattern to go by; from memory. */
    double BLIND_SPREAD_C = 3;
    /** A thermometer silent for longer says little about the room now. */
    Duration SILENT_AFTER = Duration.ofHours(6);

    /** The readings expected, at even steps. */
    List<RoomReading> ahead(RoomCourse history, Instant now, ZoneId zone);

    /** How far the room may be from it, °C up or down. */
    double spreadC(RoomCourse history, Instant now, ZoneId zone);

    /** The history with the forecast behind it. */
    default RoomCourse continuing(RoomCourse history, Instant now, ZoneId zone) {
        return history.followedBy(now, ahead(history, now, zone));
    }

    /** Whether the thermometer has been silent for so long that the room now is only assumed. */
    static boolean isSilent(RoomCourse history, Instant now) {
        return Duration.between(history.lastReadingAt(), now).compareTo(SILENT_AFTER) > 0;
    }

    /** A temperature the maker sets, reached evenly within two hours. */
    record Steady(double temperatureC) implements Forecast {

        private static final Duration REACHED_IN = Duration.ofHours(2);

        public Steady {
            Faults faults = new Faults();
            faults.within(
                    "forecast",
                    "The temperature expected",
                    temperatureC,
                    RoomReading.COLDEST_C,
                    RoomReading.WARMEST_C,
                    "°C");
            faults.throwIfAny();
        }

        @Override
        public List<RoomReading> ahead(RoomCourse history, Instant now, ZoneId zone) {
            return List.of(
                    new RoomReading(now.plus(REACHED_IN), temperatureC),
                    new RoomReading(now.plus(HORIZON), temperatureC));
        }

        @Override
        public double spreadC(RoomCourse history, Instant now, ZoneId zone) {
            return LEAST_SPREAD_C;
        }
    }

    /** A heating's settings over the day: each holds from its time until the next one's. */
    record Heating(List<Setting> settings) implements Forecast {

        /** A temperature held from a time of day. */
        public record Setting(LocalTime from, double temperatureC) {}

        public Heating {
            settings = settings.stream()
                    .sorted(Comparator.comparing(Setting::from))
                    .toList();
            Faults faults = new Faults();
            faults.require(
                    !settings.isEmpty() && settings.size() <= 12, "heating", "A heating has 1 to 12 settings a day.");
            settings.forEach(setting -> faults.within(
                    "heating",
                    "A heating's setting",
                    setting.temperatureC(),
                    RoomReading.COLDEST_C,
                    RoomReading.WARMEST_C,
                    "°C"));
            faults.throwIfAny();
        }

        @Override
        public List<RoomReading> ahead(RoomCourse history, Instant now, ZoneId zone) {
            return steps(now).stream()
                    .map(at -> new RoomReading(at, at(at.atZone(zone).toLocalTime())))
                    .toList();
        }

        @Override
        public double spreadC(RoomCourse history, Instant now, ZoneId zone) {
            return LEAST_SPREAD_C;
        }

        private double at(LocalTime time) {
            return settings.stream()
                    .filter(setting -> !setting.from().isAfter(time))
                    .reduce((a, b) -> b)
                    .orElse(settings.get(settings.size() - 1))
                    .temperatureC();
        }
    }

    /**
     * As on the last days at the same time of day, starting from what it is now: today's difference from the pattern
     * fades within hours. Without a whole day of readings the room is taken to stand still.
     */
    record LikeLastDays(int days) implements Forecast {

        private static final double FADES_IN_H = 6;

        public LikeLastDays {
            Faults faults = new Faults();
            faults.within("days", "The days to go by", days, 1, 14, "");
            faults.throwIfAny();
        }

        @Override
        public List<RoomReading> ahead(RoomCourse history, Instant now, ZoneId zone) {
            double nowC = history.temperatureCAt(now);
            OptionalDouble usualNow = usualC(history, now, now, zone);
            if (usualNow.isEmpty()) {
                return List.of(new RoomReading(now.plus(HORIZON), nowC));
            }
            double off = nowC - usualNow.getAsDouble();
            return steps(now).stream()
                    .map(at -> {
                        double fading =
                                off * Math.exp(-Duration.between(now, at).toMinutes() / 60.0 / FADES_IN_H);
                        return new RoomReading(
                                at,
                                Math.max(
                                        RoomReading.COLDEST_C,
                                        Math.min(
                                                RoomReading.WARMEST_C,
                                                usualC(history, at, now, zone).orElse(nowC) + fading)));
                    })
                    .toList();
        }

        /** The standard deviation of the same hours from day to day. */
        @Override
        public double spreadC(RoomCourse history, Instant now, ZoneId zone) {
            if (isSilent(history, now) || usualC(history, now, now, zone).isEmpty()) {
                return BLIND_SPREAD_C;
            }
            double sum = 0;
            int count = 0;
            for (int hour = 0; hour < 24; hour++) {
                List<Double> same = sameHour(history, now.plus(Duration.ofHours(hour)), now, zone);
                double mean =
                        same.stream().mapToDouble(Double::doubleValue).average().orElse(0);
                sum += same.stream()
                        .mapToDouble(value -> (value - mean) * (value - mean))
                        .sum();
                count += Math.max(0, same.size() - 1);
            }
            return Math.max(LEAST_SPREAD_C, count == 0 ? LEAST_SPREAD_C * 2 : Math.sqrt(sum / count));
        }

        private OptionalDouble usualC(RoomCourse history, Instant at, Instant now, ZoneId zone) {
            return sameHour(history, at, now, zone).stream()
                    .mapToDouble(Double::doubleValue)
                    .average();
        }

        /** What it was at the same time of day, on the wall's clock, on each of the last days that was read. */
        private List<Double> sameHour(RoomCourse history, Instant at, Instant now, ZoneId zone) {
            ZonedDateTime local = at.atZone(zone);
            List<Instant> same = IntStream.rangeClosed(0, days + (int) HORIZON.toDays())
                    .mapToObj(back -> local.minusDays(back).toInstant())
                    .filter(past -> !past.isAfter(now)
                            && past.isAfter(now.minus(Duration.ofDays(days)))
                            && !past.isBefore(history.firstReadingAt())
                            && !past.isAfter(history.lastReadingAt()))
                    .toList();
            return same.stream().map(history::temperatureCAt).toList();
        }
    }

    private static List<Instant> steps(Instant now) {
        List<Instant> steps = new ArrayList<>();
        for (Instant at = now.plus(STEP); !at.isAfter(now.plus(HORIZON)); at = at.plus(STEP)) {
            steps.add(at);
        }
        return steps;
    }
}
