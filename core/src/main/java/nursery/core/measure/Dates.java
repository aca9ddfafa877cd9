package nursery.core.measure;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.Optional;

/** Which dates can be meant at a bench at all, and which are more likely a slip. */
public final class Dates {

    public static final LocalDate EARLIEST = LocalDate.of(2000, 1, 1);
    public static final LocalDate LATEST = LocalDate.of(2100, 12, 31);

    private static final Instant FIRST = EARLIEST.atStartOfDay(ZoneOffset.UTC).toInstant();
    private static final Instant END =
            LATEST.plusDays(1).atStartOfDay(ZoneOffset.UTC).toInstant();
    /** Nothing at a bench takes, or is promised for, longer. */
    private static final Duration FEW_YEARS = Duration.ofDays(5 * 366);

    private Dates() {}

    /** @throws IllegalArgumentException with a sentence for the writer, if the date is outside what can be meant */
    public static LocalDate possible(LocalDate date) {
        if (date.isBefore(EARLIEST) || date.isAfter(LATEST)) {
            throw outside(date.getYear());
        }
        return date;
    }

    /** @throws IllegalArgumentException with a sentence for the writer, if the moment is outside what can be meant */
    public static Instant possible(Instant moment) {
        if (moment.isBefore(FIRST) || !moment.isBefore(END)) {
            // The year of an instant far out does not fit any calendar: say only that it is out.
            boolean shown = moment.isAfter(Instant.parse("0000-01-01T00:00:00Z"))
                    && moment.isBefore(Instant.parse("9999-12-31T00:00:00Z"));
            throw shown ? outside(moment.atZone(ZoneOffset.UTC).getYear()) : outside();
        }
        return moment;
    }

    /** What to ask about a moment that is possible, but years away; empty if there is nothing to ask. */
    public static Optional<String> doubt(Instant moment, Instant now) {
        long years = Math.round(Duration.between(moment, now).abs().toDays() / 365.25);
        return Duration.between(moment, now).abs().compareTo(FEW_YEARS) > 0
                ? Optional.of(
                        "That is %d years %s: check the year.".formatted(years, moment.isBefore(now) ? "ago" : "ahead"))
                : Optional.empty();
    }

    private static IllegalArgumentException outside(int year) {
        return new IllegalArgumentException(
                "The year %d is outside %d to %d: check it.".formatted(year, EARLIEST.getYear(), LATEST.getYear()));
    }

    private static IllegalArgumentException outside() {
        return new IllegalArgumentException(
                "The year is outside %d to %d: check it.".formatted(EARLIEST.getYear(), LATEST.getYear()));
    }
}
