package nursery.core.resin;

import nursery.core.measure.Faults;
import nursery.core.measure.Numbers;

/**
 * A measured pair against the ratio it should have.
 *
 * @param error how far it is off: +0.05 is 5 % too much hardener
 * @param tolerance how far it may be off
 * @param addAMl resin to add to bring it back, while it is not mixed yet
 * @param addBMl hardener to add
 */
public record RatioCheck(double error, double tolerance, double addAMl, double addBMl) {

    /** Less is no amount. */
    public static final double LEAST_ML = 0.01;
    /** Where the label states none; from memory. */
    public static final double USUAL_TOLERANCE = 0.05;
    /** Up to half the tolerance nobody can tell; from memory. */
    private static final double FINE = 0.5;

    private static final double PERCENT = 100;
    private static final int MOST_DIGITS = 6;

    public enum Verdict {
        FINE,
        USABLE_WITH_A_NOTE,
        DO_NOT_USE
    }

    /** @throws nursery.core.measure.InvalidInput if either amount is not an amount */
    public static RatioCheck of(Label label, double partAMl, double partBMl) {
        Faults faults = new Faults();
        faults.within("partA", "The resin measured", partAMl, LEAST_ML, Mix.MAX_TOTAL_ML, "ml");
        faults.within("partB", "The hardener measured", partBMl, LEAST_ML, Mix.MAX_TOTAL_ML, "ml");
        faults.throwIfAny();
        MixRatio ratio = label.ratio();
        double rightA = partBMl * ratio.partsA() / ratio.partsB();
        double rightB = partAMl * ratio.partsB() / ratio.partsA();
        return new RatioCheck(
                ratio.errorOf(partAMl, partBMl),
                label.tolerancePercent().orElse(USUAL_TOLERANCE * PERCENT) / PERCENT,
                Math.max(0, rightA - partAMl),
                Math.max(0, rightB - partBMl));
    }

    /** The resin to add as a scale shows it. */
    public double addAGrams(Densities densities) {
        return addAMl * densities.partAGPerMl();
    }

    /** The hardener to add as a scale shows it. */
    public double addBGrams(Densities densities) {
        return addBMl * densities.partBGPerMl();
    }

    public Verdict verdict() {
        double off = Math.abs(error);
        if (off <= FINE * tolerance + 1e-12) {
            return Verdict.FINE;
        }
        return off <= tolerance + 1e-12 ? Verdict.USABLE_WITH_A_NOTE : Verdict.DO_NOT_USE;
    }

    /** The error in words, for a person with the cup in hand. */
    public String words() {
        String allowed = Numbers.show(tolerance * PERCENT, 1);
        int digits = 1;
        String percent = Numbers.show(Math.abs(error) * PERCENT, digits);
        if (percent.equals("0")) {
            return "Right on the ratio.";
        }
        // What is not allowed is not shown as what is.
        while (verdict() == Verdict.DO_NOT_USE && percent.equals(allowed) && digits < MOST_DIGITS) {
            percent = Numbers.show(Math.abs(error) * PERCENT, ++digits);
        }
        return "%s %% too %s hardener; %s %% is allowed.".formatted(percent, error > 0 ? "much" : "little", allowed);
    }
}
