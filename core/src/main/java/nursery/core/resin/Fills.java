package nursery.core.resin;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.ArrayList;
import java.util.List;
import nursery.core.measure.Fault;
import nursery.core.measure.InvalidInput;

/** A mix that is more than one cupful, split into fills that each lie on the marks at the right ratio. */
public final class Fills {

    private Fills() {}

    /** Whether the smallest mix that lies on the marks at this ratio fits the cup. */
    public static boolean fits(MixRatio ratio, MeasuringCup cup) {
        return cup.markMl() * ratio.parts() <= cup.capacityMl();
    }

    /**
     * The fewest fills, as even as the marks allow, larger ones first.
     *
     * @param mix on the marks of {@code cup}
     * @throws InvalidInput if not even the smallest mix at this ratio fits the cup
     */
    public static List<Mix> of(Mix mix, MixRatio ratio, MeasuringCup cup) {
        BigDecimal stepMl = BigDecimal.valueOf(cup.markMl()).multiply(BigDecimal.valueOf(ratio.parts()));
        int steps = BigDecimal.valueOf(mix.totalMl())
                .divide(stepMl, 0, RoundingMode.CEILING)
                .intValueExact();
        int perFill = BigDecimal.valueOf(cup.capacityMl())
                .divide(stepMl, 0, RoundingMode.FLOOR)
                .intValueExact();
        if (perFill == 0) {
            throw new InvalidInput(List.of(new Fault(
                    "cup",
                    ("At %s the smallest mix on these marks is %s ml, more than the cup holds: use a larger cup or "
                                    + "finer marks.")
                            .formatted(ratio, stepMl.stripTrailingZeros().toPlainString()))));
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
}
