package nursery.core.cup;

import java.util.List;
import java.util.OptionalDouble;
import nursery.core.measure.Faults;
import nursery.core.measure.Numbers;

/**
 * A bare cup, as a tape describes it.
 *
 * @param outline the side, base to rim
 * @param baseCoated whether the underside is coated too
 * @param rimBareMm width of the bare band at the rim, measured along the surface as masking tape lies
 * @param baseBareMm width of the bare band at the foot of the side, measured the same way
 * @param handleGapMm width around the cup that a handle takes and no coat covers, over the coated height; 0 without a
 *     handle
 * @param nominalOz the size the cup is sold as, in US fluid ounces, if known; used only to find practice amounts
 */
public record Blank(
        Outline outline,
        boolean baseCoated,
        double rimBareMm,
        double baseBareMm,
        double handleGapMm,
        OptionalDouble nominalOz) {

    private static final double MAX_OZ = 64;

    public Blank {
        Faults faults = new Faults();
        double slantMm = Surface.slantMm(outline);
        faults.within("rimBare", "The bare band at the rim", rimBareMm, 0, slantMm, "mm");
        faults.within("baseBare", "The bare band at the base", baseBareMm, 0, slantMm, "mm");
        faults.throwIfAny();
        faults.require(
                rimBareMm + baseBareMm < slantMm,
                "rimBare",
                "Bare bands of %s mm and %s mm leave nothing to coat on a side of %s mm."
                        .formatted(Numbers.show(rimBareMm), Numbers.show(baseBareMm), Numbers.show(slantMm, 1)));
        double narrowestMm = outline.stations().stream()
                .mapToDouble(Station::circumferenceMm)
                .min()
                .orElseThrow();
        faults.require(
                handleGapMm >= 0 && handleGapMm < narrowestMm,
                "handleGap",
                "A handle gap of %s mm must be 0 or more and less than the way around the cup, %s mm."
                        .formatted(Numbers.show(handleGapMm), Numbers.show(narrowestMm, 1)));
        nominalOz.ifPresent(oz -> faults.require(
                oz > 0 && oz <= MAX_OZ,
                "nominalOz",
                "A size of %s oz is outside 0–%s oz: leave it empty if you do not know it."
                        .formatted(Numbers.show(oz), Numbers.show(MAX_OZ))));
        faults.throwIfAny();
    }

    /** The side between the bare bands, from base to rim. */
    public List<Station> coatedStations() {
        return Surface.between(outline, baseBareMm, Surface.slantMm(outline) - rimBareMm);
    }

    public CoatedArea area() {
        return Surface.measure(this);
    }
}
