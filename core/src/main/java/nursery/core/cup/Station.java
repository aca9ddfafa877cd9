package nursery.core.cup;

/**
 * A height on a cup and the circumference a tape shows there.
 *
 * @param heightMm above the base, in mm
 * @param circumferenceMm around the outside, in mm
 */
public record Station(double heightMm, double circumferenceMm) {

    public double radiusMm() {
        return circumferenceMm / (2 * Math.PI);
    }
}
