package nursery.core.inspect;

import java.util.stream.DoubleStream;
import java.util.stream.IntStream;
import org.hipparchus.distribution.continuous.BetaDistribution;

/**
 * How often something goes wrong: so many of so many cups, and what that says of the rate behind it. Beta posterior on
 * Jeffreys' prior, half a case on each side, so that nothing is certain after three cups.
 *
 * @param hits cups on which it did
 * @param of cups there were
 */
public record Rate(int hits, int of) {

    private static final double HALF = 0.5;
    private static final double TAIL = 0.025;
    private static final int SLICES = 800;

    public Rate {
        if (hits < 0 || of < hits) {
            throw new IllegalArgumentException("%d of %d is no rate.".formatted(hits, of));
        }
    }

    private BetaDistribution posterior() {
        return new BetaDistribution(hits + HALF, of - hits + HALF);
    }

    public double mean() {
        return (hits + HALF) / (of + 1);
    }

    /** The rate is above this with 97.5 %. */
    public double low() {
        return hits == 0 ? 0 : posterior().inverseCumulativeProbability(TAIL);
    }

    /** The rate is below this with 97.5 %. */
    public double high() {
        return hits == of ? 1 : posterior().inverseCumulativeProbability(1 - TAIL);
    }

    /**
     * How much higher another rate is than this one.
     *
     * @param low together with high the interval that holds the difference with 95 %
     */
    public record Difference(double mean, double low, double high) {

        /** Whether the two are surely different. */
        public boolean isSure() {
            return low > 0 || high < 0;
        }
    }

    /** The other rate less this one, by the two posteriors. */
    public Difference comparedTo(Rate other) {
        BetaDistribution mine = posterior();
        double[] slices = IntStream.range(0, SLICES)
                .mapToDouble(i -> mine.inverseCumulativeProbability((i + HALF) / SLICES))
                .toArray();
        BetaDistribution theirs = other.posterior();
        return new Difference(
                other.mean() - mean(), quantile(slices, theirs, TAIL), quantile(slices, theirs, 1 - TAIL));
    }

    private static double quantile(double[] slices, BetaDistribution theirs, double probability) {
        double low = -1;
        double high = 1;
        for (int i = 0; i < 40; i++) {
            double middle = (low + high) / 2;
            double below = DoubleStream.of(slices)
                    .map(mine -> theirs.cumulativeProbability(Math.max(0, Math.min(1, mine + middle))))
                    .average()
                    .orElseThrow();
            if (below < probability) {
                low = middle;
            } else {
                high = middle;
            }
        }
        return (low + high) / 2;
    }
}
