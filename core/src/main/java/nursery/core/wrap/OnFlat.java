package nursery.core.wrap;

/**
 * A place on the flat pattern.
 *
 * @param xMm to the right of the middle of the front, mm
 * @param yMm up from the middle of the base's edge, mm
 */
public record OnFlat(double xMm, double yMm) {

    double distanceMm(OnFlat other) {
        return Math.hypot(xMm - other.xMm, yMm - other.yMm);
    }

    OnFlat halfwayTo(OnFlat other) {
        return new OnFlat((xMm + other.xMm) / 2, (yMm + other.yMm) / 2);
    }
}
