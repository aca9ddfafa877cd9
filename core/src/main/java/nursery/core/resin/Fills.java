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

    private static final double PERCENT = 100;

    private Fills() {}

    /**
     * The ratio a label's mix is measured at in a cup: its own where the smallest mix on the marks fits, else the
     * nearest that does within the label's tolerance; empty if there is none.
     */
    public static Optional<MixRatio> measured(Label label, MeasuringCup cup) {
        double tolerance = label.tolerancePercent().orElse(RatioCheck.USUAL_TOLERANCE * PERCENT) / PERCENT;
        int mostParts = (int) Math.floor(cup.capacityMl() / cup.markMl() + 1e-9);
        return label.ratio().parts() <= mostParts
                ? Optional.of(label.ratio())
                : label.ratio().nearest(mostParts, FINE * tolerance, tolerance);
    }

    /** What to say where the marks do not carry the label's own ratio; empty where they do. */
    public static Optional<String> nearly(Label label, MixRatio measured) {
        if (measured.equals(label.ratio())) {
            return Optional.empty();
        }
        double error = label.ratio().errorOf(measured.partsA(), measured.partsB());
        return Optional.of(
                "%s does not lie on these marks. %s does: %s %% %s hardener than the label, within its %s %%."
                        .formatted(
                                label.ratio(),
                                measured,
                                Numbers.show(Math.abs(error) * PERCENT, 1),
                                error > 0 ? "more" : "less",
                                Numbers.show(
                                        label.tolerancePercent().orElse(RatioCheck.USUAL_TOLERANCE * PERCENT), 1)));
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
