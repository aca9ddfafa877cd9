package nursery.core.resin;

import java.time.Instant;
import java.util.Optional;

/**
 * A cup's part of a batch.
 *
 * @param cup the code on its tape
 * @param ml resin and hardener together, with what is set aside
 * @param closesAt when its window closes, if it does
 * @param addition what is stirred into it or into part of it
 */
public record Portion(String cup, double ml, Optional<Instant> closesAt, Optional<Addition> addition) {

    public Portion(String cup, double ml, Optional<Instant> closesAt) {
        this(cup, ml, closesAt, Optional.empty());
    }
}
