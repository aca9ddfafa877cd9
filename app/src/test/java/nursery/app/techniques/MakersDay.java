package nursery.app.techniques;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalTime;
import java.time.ZoneOffset;

/** When somebody is up: what opens at night is done in the morning. */
final class MakersDay {

    static final LocalTime UP = LocalTime.of(7, 0);
    static final LocalTime TO_BED = LocalTime.of(21, 30);
    /** A coat brings work with it: none is begun late. */
    static final LocalTime LAST_POUR = LocalTime.of(20, 0);

    private MakersDay() {}

    /**
     * The first moment for a work.
     *
     * @param until nobody begins it later in the evening
     */
    static Instant awake(Instant now, Instant opens, LocalTime until) {
        Instant first = opens.isAfter(now) ? opens : now;
        LocalTime time = first.atZone(ZoneOffset.UTC).toLocalTime();
        if (!time.isBefore(UP) && !time.isAfter(until)) {
            return first;
        }
        Instant morning = first.atZone(ZoneOffset.UTC).toLocalDate().atTime(UP).toInstant(ZoneOffset.UTC);
        return time.isBefore(UP) ? morning : morning.plus(Duration.ofDays(1));
    }
}
