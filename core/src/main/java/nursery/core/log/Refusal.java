package nursery.core.log;

import java.time.Instant;
import java.util.Optional;

/**
 * Why an entry cannot be logged.
 *
 * @param field what to change: {@code at}, {@code step} or {@code amount}
 * @param message the reason, in one sentence
 * @param other the entry it collides with, which says by whom and when
 * @param earliest the earliest time it could carry, if the time is the matter
 */
public record Refusal(String field, String message, Optional<Mark> other, Optional<Instant> earliest) {

    Refusal(String field, String message, Optional<Mark> other) {
        this(field, message, other, Optional.empty());
    }

    /** A reason that says all. */
    public static Refusal simple(String field, String message) {
        return new Refusal(field, message, Optional.empty(), Optional.empty());
    }

    /** The same, said of a cup among several. */
    public Refusal of(String cup) {
        return new Refusal(field, cup + ": " + message, other, earliest);
    }

    static Optional<Refusal> of(String field, String message) {
        return Optional.of(new Refusal(field, message, Optional.empty()));
    }

    static Optional<Refusal> unless(boolean allowed, String field, String message) {
        return allowed ? Optional.empty() : of(field, message);
    }
}
