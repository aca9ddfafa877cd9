package nursery.core.cure;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.stream.IntStream;
import nursery.core.measure.Faults;

/** What the room is expected to do from now on, and how far it may be off. */
public sealed interface Forecast {

    /** So far it looks ahead: past the end of any plan, and the full cure of its last coat. */
    Duration HORIZON = Duration.ofDays(26 * 7 + 62);

    Duration STEP = Duration.ofMinutes(30);
    /** Further ahead than this nobody plans to the half hour. */
    Duration FINE = Duration.ofDays(10);

    Duration COARSE_STEP = Duration.ofHours(1);
    /** A thermometer silent for longer says little about the room now. */
    Duration SILENT_AFTER = Duration.ofHours(6);

    /** The readings expected, at even steps. */
    List<RoomReading> ahead(RoomCourse history, Instant now, ZoneId zone);

    /** What was to be expected at a moment, by what was known then. */
    Spread.Foretold foretold(RoomCourse history, Instant origin, ZoneId zone);

    /** How far the room may be from it. */
    default Spread spread(RoomCourse history, ZoneId zone) {
        return Spread.of(history, origin -> foretold(history, origin, zone));
    }

    /** The history with the forecast behind it. */
    default RoomCourse continuing(RoomCourse history, Instant now, ZoneId zone) {
        return history.followedBy(now, ahead(history, now, zone));
    }

    /** Whether the thermometer has been silent for so long that the room now is only assumed. */
    static boolean isSilent(RoomCourse history, Instant now) {
        return Duration.between(history.lastReadingAt(), now).compareTo(SILENT_AFTER) > 0;
    }

    Duration DAY = Duration.ofDays(1);
    Duration WEEK = Duration.ofDays(7);
    /** A week colder by so much is another week; from memory. */
    double COLDER_C = 3;

    /** Until then no weekend has come again. */
    Duration KNOWS_WEEKENDS = Duration.ofDays(11);

    /** What no range can hold where hardly a week is known of a room, from its first reading to its last. */
    static Optional<String> doubt(Instant first, Instant last) {
        long days = Duration.between(first, last).toDays();
        return days >= KNOWS_WEEKENDS.toDays()
                ? Optional.empty()
                : Optional.of("This room is known for %s only: a weekend or other weather may be further off."
                        .formatted(days == 1 ? "a day" : days == 0 ? "hours" : days + " days"));
    }

    /**
     * What no range can hold because nothing like it was ever read: a week to come that is colder than each week known.
     *
     * @param course what was read from a first moment until now, and what is expected behind it
     */
    static Optional<String> strange(RoomCourse course, Instant first, Instant now) {
        double coldestC = Double.POSITIVE_INFINITY;
        Instant yesterday = now.minus(DAY);
        Instant from = first;
        do {
            Instant until = from.plus(WEEK).isBefore(yesterday) ? from.plus(WEEK) : yesterday;
            if (until.isAfter(from)) {
                coldestC = Math.min(coldestC, course.meanC(from, until));
            }
            from = from.plus(DAY);
        } while (!from.plus(WEEK).isAfter(yesterday));
        double nextC = Math.min(course.meanC(now, now.plus(WEEK)), course.meanC(yesterday, now));
        return Double.isFinite(coldestC) && nextC < coldestC - COLDER_C
                ? Optional.of("The room is colder than any week I know: what I say about it may be worse than I say.")
                : Optional.empty();
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
        public Spread.Foretold foretold(RoomCourse history, Instant origin, ZoneId zone) {
            return at -> OptionalDouble.of(temperatureC);
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
        public Spread.Foretold foretold(RoomCourse history, Instant origin, ZoneId zone) {
            return at -> OptionalDouble.of(at(at.atZone(zone).toLocalTime()));
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
     * As on the last days at the same time of day, day after day, starting from what it is now: today's difference from
     * the pattern fades within hours. Without a whole day of readings the room is taken to stand still.
     */
    record LikeLastDays(int days) implements Forecast {

        private static final double FADES_IN_H = 6;
        private static final Duration HOUR = Duration.ofHours(1);
        /** Less than this says nothing about what lasts; from memory. */
        private static final double UNREST_C = 0.1;

        public LikeLastDays {
            Faults faults = new Faults();
            faults.within("days", "The days to go by", days, 1, 14, "");
            faults.throwIfAny();
        }

        @Override
        public List<RoomReading> ahead(RoomCourse history, Instant now, ZoneId zone) {
            Pattern pattern = new Pattern(history, now, zone, days);
            double nowC = history.temperatureCAt(now);
            if (!pattern.isKnown()) {
                return List.of(new RoomReading(now.plus(HORIZON), nowC));
            }
            return steps(now).stream()
                    .map(at -> new RoomReading(
                            at, RoomReading.possibleC(pattern.expectedC(at).orElse(nowC))))
                    .toList();
        }

        @Override
        public Spread.Foretold foretold(RoomCourse history, Instant origin, ZoneId zone) {
            return new Pattern(history, origin, zone, days)::expectedC;
        }

        /**
         * Judged by moments that knew about as many days as now: one that knew fewer foretold worse. What is known of
         * its weekends by now is taken from all of them, or the weeks before it was known would speak against it.
         */
        @Override
        public Spread spread(RoomCourse history, ZoneId zone) {
            Instant last = history.lastReadingAt();
            RoomDays known = RoomDays.of(history, last, zone);
            RoomWeek week = RoomWeek.of(history, last, known, zone);
            RoomCourse judged = week.without(history);
            Duration half = Duration.between(history.firstReadingAt(), last).dividedBy(2);
            Duration whole = known.hasTrend() ? RoomDays.KNOWS_A_TREND : Duration.ofDays(days);
            Instant from = history.firstReadingAt().plus(half.compareTo(whole) < 0 ? half : whole);
            return Spread.of(
                            judged,
                            origin -> origin.isBefore(from)
                                    ? at -> OptionalDouble.empty()
                                    : foretold(judged, origin, zone))
                    .wider(week.widening());
        }

        /**
         * The last days as they were known at a moment, by the time of day on the wall's clock, or by the time of the
         * week where weekdays differ; and whether they became colder or warmer day by day ({@link RoomDays}).
         */
        private static final class Pattern {

            private final RoomCourse history;
            private final Instant now;
            private final ZoneId zone;
            private final int days;
            private final RoomDays known;
            private final RoomWeek week;
            private final Map<LocalTime, OptionalDouble> usual = new HashMap<>();
            private double lasts = Double.NaN;

            Pattern(RoomCourse room, Instant now, ZoneId zone, int days) {
                this.now = now;
                this.zone = zone;
                this.days = days;
                this.known = RoomDays.of(room, now, zone);
                this.week = RoomWeek.of(room, now, known, zone);
                this.history = week.without(room);
            }

            /** The mean of the last days at a time of day, as if they had been weekdays, and as it would be now. */
            private OptionalDouble weekdayNowC(LocalTime time) {
                return usual.computeIfAbsent(time, key -> {
                    LocalDate today = now.atZone(zone).toLocalDate();
                    return IntStream.rangeClosed(0, days)
                            .mapToObj(ago -> today.minusDays(ago)
                                    .atTime(time)
                                    .atZone(zone)
                                    .toInstant())
                            .filter(past -> !past.isAfter(now)
                                    && past.isAfter(now.minus(Duration.ofDays(days)))
                                    && isRead(past))
                            .mapToDouble(past -> history.temperatureCAt(past) + known.sinceC(past))
                            .average();
                });
            }

            private boolean isRead(Instant at) {
                return !at.isBefore(history.firstReadingAt()) && !at.isAfter(history.lastReadingAt());
            }

            /** What is usual at a moment, past or to come, but for the weekends. */
            private OptionalDouble weekdayC(Instant at) {
                OptionalDouble usualThen = weekdayNowC(at.atZone(zone).toLocalTime());
                return usualThen.isPresent()
                        ? OptionalDouble.of(usualThen.getAsDouble() - known.sinceC(at))
                        : usualThen;
            }

            boolean isKnown() {
                return weekdayC(now).isPresent();
            }

            /** The usual, and what is left of the difference from it now. */
            OptionalDouble expectedC(Instant at) {
                OptionalDouble usualThen = weekdayC(at);
                if (usualThen.isEmpty()) {
                    return usualThen;
                }
                double off = history.temperatureCAt(now) - weekdayC(now).orElse(history.temperatureCAt(now));
                double left = Math.exp(-Duration.between(now, at).toMinutes() / 60.0 / FADES_IN_H);
                return OptionalDouble.of(usualThen.getAsDouble() + week.offC(at) + off * lasts() * left);
            }

            /**
             * How much of a difference from the pattern is the room's own and lasts, from none, where it is a
             * thermometer's unrest, to all of it: what was left an hour later on the days known, against what should
             * be.
             */
            private double lasts() {
                if (Double.isNaN(lasts)) {
                    double both = 0;
                    double one = 0;
                    for (int back = 24 * days; back > 1; back--) {
                        // The usual at this time of day holds what is asked about, the difference now.
                        boolean free = back % 24 > 1;
                        double off = free ? offC(now.minus(HOUR.multipliedBy(back))) : 0;
                        both += free ? off * offC(now.minus(HOUR.multipliedBy(back - 1))) : 0;
                        one += off * off;
                    }
                    lasts = one < UNREST_C * UNREST_C * 24 * days
                            ? 1
                            : Math.max(0, Math.min(1, both / one / Math.exp(-1 / FADES_IN_H)));
                }
                return lasts;
            }

            private double offC(Instant at) {
                OptionalDouble usualThen = isRead(at) ? weekdayC(at) : OptionalDouble.empty();
                return usualThen.isPresent() ? history.temperatureCAt(at) - usualThen.getAsDouble() : 0;
            }
        }
    }

    private static List<Instant> steps(Instant now) {
        List<Instant> steps = new ArrayList<>();
        Instant fine = now.plus(FINE);
        for (Instant at = now.plus(STEP);
                !at.isAfter(now.plus(HORIZON));
                at = at.plus(at.isBefore(fine) ? STEP : COARSE_STEP)) {
            steps.add(at);
        }
        return steps;
    }
}
