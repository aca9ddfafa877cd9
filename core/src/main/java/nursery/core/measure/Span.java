package nursery.core.measure;

import java.time.Duration;
import java.time.Instant;
import java.util.Optional;

/**
 * A stretch of time.
 *
 * @param untilExclusive not before {@code from}
 */
public record Span(Instant from, Instant untilExclusive) {

    public Span {
        if (untilExclusive.isBefore(from)) {
            throw new IllegalArgumentException(
                    "A stretch of time ends at %s, before it begins at %s.".formatted(untilExclusive, from));
        }
    }

    public Duration length() {
        return Duration.between(from, untilExclusive);
    }

    public boolean contains(Instant at) {
        return !at.isBefore(from) && at.isBefore(untilExclusive);
    }

    /** What lies in both; empty if they do not overlap. */
    public Optional<Span> within(Span other) {
        Instant begins = from.isBefore(other.from) ? other.from : from;
        Instant ends = untilExclusive.isAfter(other.untilExclusive) ? other.untilExclusive : untilExclusive;
        return begins.isBefore(ends) ? Optional.of(new Span(begins, ends)) : Optional.empty();
    }
}
