package nursery.core.resin;

import java.math.BigDecimal;
import java.math.RoundingMode;
import nursery.core.measure.Faults;

/**
 * An amount of resin and hardener in the right ratio.
 *
 * @param partAMl resin
 * @param partBMl hardener
 */
public record Mix(double partAMl, double partBMl) {

    /** More than any maker mixes at once; a larger figure is a slip. */
    public static final double MAX_TOTAL_ML = 5000;

    private static final int NOISE_DIGITS = 6;
    private static final double MAX_MARK_ML = 100;
    private static final double MIN_MARK_ML = 0.01;

    /** Splits a total exactly: {@code A = V·a/(a+b)}, {@code B = V·b/(a+b)}. */
    public static Mix exactly(MixRatio ratio, double totalMl) {
        checkTotal(new Faults(), totalMl).throwIfAny();
        return new Mix(totalMl * ratio.partsA() / ratio.parts(), totalMl * ratio.partsB() / ratio.parts());
    }

    /**
     * The smallest mix of at least {@code totalMl} whose A and B both lie on a mark of the measuring cup, so that
     * rounding never bends the ratio. Computed in decimal, because 0.1 ml marks are not binary fractions.
     */
    public static Mix onMarks(MixRatio ratio, double totalMl, double markMl) {
        Faults faults = checkTotal(new Faults(), totalMl);
        faults.within("markMl", "The distance between marks", markMl, MIN_MARK_ML, MAX_MARK_ML, "ml");
        faults.throwIfAny();
        BigDecimal mark = BigDecimal.valueOf(markMl);
        BigDecimal smallestMl = mark.multiply(BigDecimal.valueOf(ratio.parts()));
        // A sum of shares carries the last bits of its parts: a millionth of a millilitre asks for no further mark.
        BigDecimal wanted = BigDecimal.valueOf(totalMl).setScale(NOISE_DIGITS, RoundingMode.HALF_EVEN);
        BigDecimal times = wanted.divide(smallestMl, 0, RoundingMode.CEILING).max(BigDecimal.ONE);
        BigDecimal perPart = times.multiply(mark);
        return new Mix(
                perPart.multiply(BigDecimal.valueOf(ratio.partsA())).doubleValue(),
                perPart.multiply(BigDecimal.valueOf(ratio.partsB())).doubleValue());
    }

    public double totalMl() {
        return BigDecimal.valueOf(partAMl).add(BigDecimal.valueOf(partBMl)).doubleValue();
    }

    public double partAGrams(Densities densities) {
        return grams(partAMl, densities.partAGPerMl());
    }

    public double partBGrams(Densities densities) {
        return grams(partBMl, densities.partBGPerMl());
    }

    /** {@code m = ρ·V}, in decimal, so that 22 ml at 1.15 g/ml reads 25.3 g and not 25.299 999. */
    private static double grams(double volumeMl, double densityGPerMl) {
        return BigDecimal.valueOf(volumeMl)
                .multiply(BigDecimal.valueOf(densityGPerMl))
                .doubleValue();
    }

    private static Faults checkTotal(Faults faults, double totalMl) {
        if (!(totalMl > 0 && totalMl <= MAX_TOTAL_ML)) {
            faults.within("totalMl", "The amount to mix", totalMl, Double.MIN_NORMAL, MAX_TOTAL_ML, "ml");
        }
        return faults;
    }
}
