package nursery.core.resin;

import java.time.Instant;
import java.util.List;
import java.util.Optional;

/**
 * A cup's part of a batch.
 *
 * @param cup the code on its tape
 * @param ml resin and hardener together, with what is set aside
 * @param closesAt when its window closes, if it does
 * @param additions what is stirred into it or into parts of it
 */
public record Portion(String cup, double ml, Optional<Instant> closesAt, List<Addition> additions) {

    public Portion {
        additions = List.copyOf(additions);
    }

    public Portion(String cup, double ml, Optional<Instant> closesAt) {
        this(cup, ml, closesAt, List.of());
    }
}
