package nursery.core.log;

import java.time.Instant;
import java.time.LocalTime;
import java.time.ZoneId;
import java.time.ZoneOffset;
import java.time.ZonedDateTime;
import java.util.Optional;

/**
 * When the maker sleeps. Hours that run past midnight end the next day; equal ends mean there are none.
 *
 * @param untilExclusive when the maker is at the bench again
 */
public record QuietHours(LocalTime from, LocalTime untilExclusive, ZoneId zone) {

    /** Of who never sleeps. */
    public static final QuietHours NONE = new QuietHours(LocalTime.MIDNIGHT, LocalTime.MIDNIGHT, ZoneOffset.UTC);

    public boolean isQuiet(Instant at) {
        LocalTime time = at.atZone(zone).toLocalTime();
        if (from.equals(untilExclusive)) {
            return false;
        }
        return from.isBefore(untilExclusive)
                ? !time.isBefore(from) && time.isBefore(untilExclusive)
                : !time.isBefore(from) || time.isBefore(untilExclusive);
    }

    /** This moment, or the next at which the maker is at the bench. */
    public Instant nextAwake(Instant at) {
        if (!isQuiet(at)) {
            return at;
        }
        ZonedDateTime local = at.atZone(zone);
        ZonedDateTime end = local.with(untilExclusive);
        return (end.isAfter(local) ? end : end.plusDays(1).with(untilExclusive)).toInstant();
    }

    /** When the next quiet hours begin, at a moment outside them; empty if there are none. */
    public Optional<Instant> nextQuiet(Instant at) {
        if (from.equals(untilExclusive)) {
            return Optional.empty();
        }
        ZonedDateTime local = at.atZone(zone);
        ZonedDateTime start = local.with(from);
        return Optional.of((start.isAfter(local) ? start : start.plusDays(1).with(from)).toInstant());
    }

    /** When the quiet hours around a moment in them began. */
    Instant begins(Instant at) {
        ZonedDateTime local = at.atZone(zone);
        ZonedDateTime start = local.with(from);
        return (start.isAfter(local) ? start.minusDays(1).with(from) : start).toInstant();
    }
}
