package nursery.core.plan;

import java.util.function.BooleanSupplier;
import java.util.function.Consumer;

/**
 * How long to look for a better plan. Steps, not seconds: the same seed and steps give the same plan on any machine; a
 * clock outside may stop it sooner.
 *
 * @param steps plans to lay out at most
 * @param stop asked before each: whether to be content with the best so far
 * @param progress told of each better plan and now and then of none
 */
public record Budget(long steps, BooleanSupplier stop, Consumer<Progressed> progress) {

    /** How far a search has come. */
    public record Progressed(long steps, Score best) {}

    public static Budget of(long steps) {
        return new Budget(steps, () -> false, far -> {});
    }
}
