package nursery.core.plan;

import java.time.Instant;
import java.util.List;
import nursery.core.resin.Resin;

/**
 * Coats poured from one mix.
 *
 * @param resin what they are mixed from
 * @param pours in pouring order
 */
public record PlannedMix(Resin resin, List<PlannedStep> pours) {

    public Instant at() {
        return pours.get(0).at();
    }

    /** The shares together, without what stays in cups and on gloves. */
    public double sharesMl() {
        return pours.stream().mapToDouble(pour -> pour.amountMl().orElse(0)).sum();
    }

    public boolean serves(PlannedStep step) {
        return pours.contains(step);
    }
}
