package nursery.core.wrap;

/**
 * A place on a cup's side.
 *
 * @param angle around from the middle of the front, to the right as one looks at it, in radians; the back is at ±π
 * @param upMm along the side from the base, mm
 */
public record OnCup(double angle, double upMm) {}
