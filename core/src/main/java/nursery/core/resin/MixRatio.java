package nursery.core.resin;

import java.math.BigDecimal;
import java.math.BigInteger;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import nursery.core.measure.Numbers;

/**
 * Parts of resin (A) to parts of hardener (B), by volume, in lowest terms.
 *
 * @param partsA whole parts of resin
 * @param partsB whole parts of hardener
 */
public record MixRatio(int partsA, int partsB) {

    private static final Pattern WRITTEN = Pattern.compile("\\s*([\\d.,]{1,7})\\s*:\\s*([\\d.,]{1,7})\\s*");
    private static final BigDecimal MOST_LOPSIDED = BigDecimal.valueOf(20);

    public MixRatio {
        if (partsA <= 0 || partsB <= 0) {
            throw new IllegalArgumentException(
                    "Ratio %d:%d leaves one part out: both must be more than 0.".formatted(partsA, partsB));
        }
        int divisor = BigInteger.valueOf(partsA).gcd(BigInteger.valueOf(partsB)).intValueExact();
        partsA /= divisor;
        partsB /= divisor;
    }

    /**
     * Reads a ratio as labels print it: {@code 1:1}, {@code 2:1}, {@code 1.5:1}.
     *
     * @throws IllegalArgumentException with a sentence for the writer
     */
    public static MixRatio parse(String text) {
        Matcher written = WRITTEN.matcher(text);
        if (!written.matches()) {
            throw new IllegalArgumentException(
                    "“%s” is not a mix ratio: write both parts with a colon, as on the label, such as 2:1."
                            .formatted(text.length() > 30 ? text.substring(0, 30) + "…" : text));
        }
        return of(
                BigDecimal.valueOf(Numbers.parse(written.group(1))),
                BigDecimal.valueOf(Numbers.parse(written.group(2))));
    }

    private static MixRatio of(BigDecimal a, BigDecimal b) {
        if (a.signum() <= 0 || b.signum() <= 0) {
            throw new IllegalArgumentException("Ratio %s:%s leaves one part out: both must be more than 0."
                    .formatted(
                            a.stripTrailingZeros().toPlainString(),
                            b.stripTrailingZeros().toPlainString()));
        }
        if (a.compareTo(b.multiply(MOST_LOPSIDED)) > 0 || b.compareTo(a.multiply(MOST_LOPSIDED)) > 0) {
            throw new IllegalArgumentException("Ratio %s:%s is more lopsided than 20:1: check the label."
                    .formatted(a.toPlainString(), b.toPlainString()));
        }
        int scale = Math.max(
                0,
                Math.max(a.stripTrailingZeros().scale(), b.stripTrailingZeros().scale()));
        BigInteger wholeA = a.movePointRight(scale).toBigIntegerExact();
        BigInteger wholeB = b.movePointRight(scale).toBigIntegerExact();
        BigInteger divisor = wholeA.gcd(wholeB);
        return new MixRatio(
                wholeA.divide(divisor).intValueExact(), wholeB.divide(divisor).intValueExact());
    }

    public int parts() {
        return partsA + partsB;
    }

    /** How far a measured pair is off this ratio: {@code (B/A) / (b/a) - 1}, so +0.2 is a fifth too much hardener. */
    public double errorOf(double partAMl, double partBMl) {
        return partBMl / partAMl / ((double) partsB / partsA) - 1;
    }

    /**
     * The simplest ratio of at most so many parts that nobody could tell from this one, or the nearest within a
     * tolerance; empty if there is none.
     *
     * @param fine how far off nobody can tell, such as 0.025
     * @param tolerance how far off it may be at most
     */
    Optional<MixRatio> nearest(int mostParts, double fine, double tolerance) {
        Optional<MixRatio> best = Optional.empty();
        double least = tolerance;
        for (int sum = 2; sum <= mostParts; sum++) {
            int a = (int) Math.max(1, Math.min(sum - 1, Math.round((double) sum * partsA / parts())));
            double off = Math.abs(errorOf(a, sum - a));
            if (off <= fine) {
                return Optional.of(new MixRatio(a, sum - a));
            }
            if (off <= least) {
                least = off;
                best = Optional.of(new MixRatio(a, sum - a));
            }
        }
        return best;
    }

    @Override
    public String toString() {
        return partsA + ":" + partsB;
    }
}
