package nursery.core.plan;

import java.time.Instant;
import java.util.List;

/**
 * Coats poured from one mix.
 *
 * @param resin the resin's name
 * @param pours in pouring order
 */
public record PlannedMix(String resin, List<PlannedStep> pours) {

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
