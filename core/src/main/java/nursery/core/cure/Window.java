package nursery.core.cure;

import java.time.Instant;
import java.util.Optional;

/** A span in which something may be done. Without an end it stays open. */
public record Window(Instant opensAt, Optional<Instant> closesAtExclusive) {

    public static Window from(Instant opensAt) {
        return new Window(opensAt, Optional.empty());
    }

    public static Window between(Instant opensAt, Instant closesAtExclusive) {
        return new Window(opensAt, Optional.of(closesAtExclusive));
    }

    public boolean isOpenAt(Instant now) {
        return hasOpenedBy(now) && !hasClosedBy(now);
    }

    public boolean hasOpenedBy(Instant now) {
        return !now.isBefore(opensAt);
    }

    public boolean hasClosedBy(Instant now) {
        return closesAtExclusive.map(end -> !now.isBefore(end)).orElse(false);
    }
}
