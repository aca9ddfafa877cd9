package nursery.core.resin;

import java.time.Instant;
import java.util.Optional;

/**
 * A cup's part of a batch.
 *
 * @param cup      the code on its tape
 * @param ml       resin and hardener together
 * @param closesAt when its window closes, if it does
 */
public record Portion(String cup, double ml, Optional<Instant> closesAt) {}
