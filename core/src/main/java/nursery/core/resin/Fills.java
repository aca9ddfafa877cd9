package nursery.core.resin;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import nursery.core.measure.Fault;
import nursery.core.measure.InvalidInput;
import nursery.core.measure.Numbers;

/** A mix that is more than one cupful, split into fills that each lie on the marks at the right ratio. */
public final class Fills {

    /** Half of what is allowed nobody can tell; from memory. */
    private static final double FINE = 0.5;

    /** So much more than is wanted nobody mixes for the last hundredth of a ratio; from memory. */
    private static final double FAR_ABOVE = 1.25;

    private static final double PERCENT = 100;

    private Fills() {}

    /**
     * The ratio a label's mix of so much is measured at in a cup: its own, unless the marks force a mix that does not
     * fit the cup or is far above what is wanted; then the nearest within the label's tolerance that does not. Empty if
     * there is none that fits.
     */
    public static Optional<MixRatio> measured(Label label, MeasuringCup cup, double wantedMl) {
        double tolerance = label.tolerancePercent().orElse(RatioCheck.USUAL_TOLERANCE * PERCENT) / PERCENT;
        int mostParts = (int) Math.floor(cup.capacityMl() / cup.markMl() + 1e-9);
        Optional<MixRatio> own = Optional.of(label.ratio()).filter(ratio -> ratio.parts() <= mostParts);
        return own.filter(ratio -> Mix.onMarks(ratio, wantedMl, cup.markMl()).totalMl() <= FAR_ABOVE * wantedMl)
                .or(() -> nearer(label.ratio(), wantedMl, cup.markMl(), mostParts, tolerance))
                .or(() -> own)
                .or(() -> label.ratio().nearest(mostParts, FINE * tolerance, tolerance));
    }

    /** The same without a cup to fit into: {@code tolerance} is how far off it may be, such as 0.05. */
    public static MixRatio measured(MixRatio ratio, double wantedMl, double markMl, double tolerance) {
        return Mix.onMarks(ratio, wantedMl, markMl).totalMl() <= FAR_ABOVE * wantedMl
                ? ratio
                : nearer(ratio, wantedMl, markMl, Integer.MAX_VALUE, tolerance).orElse(ratio);
    }

    /** A ratio near a label's that saves much of what its own makes too much. */
    private static Optional<MixRatio> nearer(
            MixRatio ratio, double wantedMl, double markMl, int mostParts, double tolerance) {
        double ownMl = Mix.onMarks(ratio, wantedMl, markMl).totalMl();
        int parts = (int) Math.min(mostParts, Math.floor(wantedMl / markMl + 1e-9));
        return ratio.nearest(parts, FINE * tolerance, tolerance)
                .filter(near -> FAR_ABOVE * Mix.onMarks(near, wantedMl, markMl).totalMl() < ownMl);
    }

    /** What to say where the marks do not carry the label's own ratio; empty where they do. */
    public static Optional<String> nearly(Label label, MixRatio measured) {
        return nearly(label.ratio(), measured, label.tolerancePercent().orElse(RatioCheck.USUAL_TOLERANCE * PERCENT));
    }

    /** @param tolerancePercent how far off it may be */
    public static Optional<String> nearly(MixRatio ratio, MixRatio measured, double tolerancePercent) {
        if (measured.equals(ratio)) {
            return Optional.empty();
        }
        double error = ratio.errorOf(measured.partsA(), measured.partsB());
        return Optional.of(
                "%s does not lie on these marks. %s does: %s %% %s hardener than the label, within its %s %%."
                        .formatted(
                                ratio,
                                measured,
                                Numbers.show(Math.abs(error) * PERCENT, 1),
                                error > 0 ? "more" : "less",
                                Numbers.show(tolerancePercent, 1)));
    }

    /**
     * The fewest fills, as even as the marks allow, larger ones first.
     *
     * @param mix both its parts on marks of {@code cup}
     * @throws InvalidInput if not even the smallest mix at this ratio fits the cup
     */
    public static List<Mix> of(Mix mix, MeasuringCup cup) {
        MixRatio ratio = new MixRatio(marks(mix.partAMl(), cup), marks(mix.partBMl(), cup));
        BigDecimal stepMl = BigDecimal.valueOf(cup.markMl()).multiply(BigDecimal.valueOf(ratio.parts()));
        int steps = BigDecimal.valueOf(mix.totalMl())
                .divide(stepMl, 0, RoundingMode.CEILING)
                .intValueExact();
        int perFill = BigDecimal.valueOf(cup.capacityMl())
                .divide(stepMl, 0, RoundingMode.FLOOR)
                .intValueExact();
        if (perFill == 0) {
            throw tooCoarse(ratio, cup);
        }
        int fills = (steps + perFill - 1) / perFill;
        List<Mix> split = new ArrayList<>();
        for (int i = 0; i < fills; i++) {
            int share = steps / fills + (i < steps % fills ? 1 : 0);
            split.add(Mix.onMarks(
                    ratio, stepMl.multiply(BigDecimal.valueOf(share)).doubleValue(), cup.markMl()));
        }
        return split;
    }

    static InvalidInput tooCoarse(MixRatio ratio, MeasuringCup cup) {
        BigDecimal smallestMl = BigDecimal.valueOf(cup.markMl()).multiply(BigDecimal.valueOf(ratio.parts()));
        return new InvalidInput(List.of(new Fault(
                "cup",
                ("At %s the smallest mix on these marks is %s ml, more than the cup holds: use a larger cup or finer "
                                + "marks.")
                        .formatted(ratio, smallestMl.stripTrailingZeros().toPlainString()))));
    }

    private static int marks(double ml, MeasuringCup cup) {
        return (int) Math.max(1, Math.round(ml / cup.markMl()));
    }
}
