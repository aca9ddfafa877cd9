package nursery.core.plan;

import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import nursery.core.measure.Clock;
import nursery.core.measure.Span;
import nursery.core.measure.TimeOfDay;

/**
 * The hours of one day in which something may be done, in order. Hours that end at or before they begin run into the
 * next day.
 */
public record DayHours(List<Hours> hours) {

    public static final DayHours NONE = new DayHours(List.of());
    private static final int MOST = 6;

    /** From a time of day until another. */
    public record Hours(LocalTime from, LocalTime untilExclusive) {

        private String shown(Clock clock) {
            return clock.show(from) + "–" + clock.show(untilExclusive);
        }
    }

    public DayHours {
        hours = hours.stream().sorted(Comparator.comparing(Hours::from)).toList();
    }

    /**
     * Reads hours as people write them: {@code 18:30-22:00}, {@code 9-12, 14–17:30}, or nothing at all.
     *
     * @throws IllegalArgumentException with a sentence for the writer
     */
    public static DayHours parse(String written) {
        List<Hours> hours = new ArrayList<>();
        for (String part : written.split("[,;]")) {
            String text = part.strip();
            if (!text.isEmpty()) {
                hours.add(hours(text));
            }
        }
        if (hours.size() > MOST) {
            throw new IllegalArgumentException("A day has at most %d stretches of hours.".formatted(MOST));
        }
        return new DayHours(hours).withoutOverlap();
    }

    /** As it is stored, and read again by {@link #parse}. */
    public String written() {
        return shown(Clock.H24);
    }

    public String shown(Clock clock) {
        return hours.stream().map(one -> one.shown(clock)).collect(Collectors.joining(", "));
    }

    public boolean isEmpty() {
        return hours.isEmpty();
    }

    /** These hours on a day, on the clock of a place. */
    List<Span> on(LocalDate day, ZoneId zone) {
        return hours.stream()
                .flatMap(one -> {
                    Instant from = day.atTime(one.from()).atZone(zone).toInstant();
                    Instant until = (one.untilExclusive().isAfter(one.from()) ? day : day.plusDays(1))
                            .atTime(one.untilExclusive())
                            .atZone(zone)
                            .toInstant();
                    // On a night the clocks change, hours can shrink to nothing.
                    return from.isBefore(until) ? Stream.of(new Span(from, until)) : Stream.empty();
                })
                .toList();
    }

    private static Hours hours(String text) {
        String[] ends = text.split("\\s*(?:[-–—]|to)\\s*");
        if (ends.length != 2) {
            throw new IllegalArgumentException(
                    "“%s” is not a stretch of hours: write it as 18:30-22:00.".formatted(text));
        }
        Hours hours = new Hours(TimeOfDay.parse(ends[0]), TimeOfDay.parse(ends[1]));
        if (hours.from().equals(hours.untilExclusive()) && !hours.from().equals(LocalTime.MIDNIGHT)) {
            throw new IllegalArgumentException("“%s” ends when it begins.".formatted(text));
        }
        return hours;
    }

    private DayHours withoutOverlap() {
        for (int i = 1; i < hours.size(); i++) {
            Hours before = hours.get(i - 1);
            if (!before.untilExclusive().isAfter(before.from())
                    || before.untilExclusive().isAfter(hours.get(i).from())) {
                throw new IllegalArgumentException("%s and %s overlap."
                        .formatted(before.shown(Clock.H24), hours.get(i).shown(Clock.H24)));
            }
        }
        return this;
    }
}
