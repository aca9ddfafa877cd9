package nursery.core.cup;

/**
 * The surface of a blank.
 *
 * @param sideCm2 the whole side, base to rim, bare bands and handle gap included
 * @param baseCm2 the disc of the base, whether coated or not
 * @param coatedCm2 what a coat covers: the side between the bare bands, less the handle's gap, and the base if it is
 *     coated
 * @param slantMm the length of the side from base to rim, measured along the surface
 */
public record CoatedArea(double sideCm2, double baseCm2, double coatedCm2, double slantMm) {}
