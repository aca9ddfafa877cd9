package nursery.core.cup;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import nursery.core.measure.Faults;
import nursery.core.measure.Numbers;
import nursery.core.measure.VolumeUnit;

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
 * @param factoryCoat whether it came with a coat of powder from its maker, which is ground to work on and not bare
 *     steel
 */
public record Blank(
        Outline outline,
        boolean baseCoated,
        double rimBareMm,
        double baseBareMm,
        double handleGapMm,
        OptionalDouble nominalOz,
        boolean factoryCoat) {

    private static final double MAX_OZ = 64;
    /** What runs over an edge onto the side. */
    private static final double LINE_MM = 1;

    private static final double MM3_PER_ML = 1000;
    /** The outside of a cup holds no less than its inside, but for a tape read a little short; from memory. */
    private static final double HOLDS_LEAST = 0.85;
    /** Thick walls and a deep foot take no more than this; from memory. */
    private static final double HOLDS_MOST = 4;
    /** No cup is taller for its width; from memory. */
    private static final double SLENDEREST = 6;
    /** No cup is narrower anywhere, not even one for a single sip; from memory. */
    private static final double NARROWEST_MM = 40;

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

    /** A blank of bare steel. */
    public Blank(
            Outline outline,
            boolean baseCoated,
            double rimBareMm,
            double baseBareMm,
            double handleGapMm,
            OptionalDouble nominalOz) {
        this(outline, baseCoated, rimBareMm, baseBareMm, handleGapMm, nominalOz, false);
    }

    /**
     * The part of it that lies within a band of the side, as a blank that is bare everywhere else. Where nothing of it
     * is coated, by its bands or by the band asked for, a line of the side is left.
     *
     * @param base whether the base belongs to it, if that is coated at all
     * @param fromMm from the foot, along the side
     * @param toMm to here; what is more than the side reaches the rim
     */
    public Blank within(boolean base, double fromMm, double toMm) {
        double slantMm = Surface.slantMm(outline);
        double lowestMm = Math.min(Math.max(baseBareMm, fromMm), slantMm - rimBareMm - LINE_MM);
        double highestMm = Math.max(Math.min(slantMm - rimBareMm, toMm), lowestMm + LINE_MM);
        return new Blank(
                outline,
                base && baseCoated,
                Math.max(0, slantMm - highestMm),
                Math.max(0, lowestMm),
                handleGapMm,
                nominalOz,
                factoryCoat);
    }

    /** The side between the bare bands, from base to rim. */
    public List<Station> coatedStations() {
        return Surface.between(outline, baseBareMm, Surface.slantMm(outline) - rimBareMm);
    }

    /**
     * What it would hold were it solid to its outside, ml: a stack of frusta, {@code h·(C₁² + C₁C₂ + C₂²)/12π} each.
     */
    double outsideMl() {
        double mm3 = 0;
        List<Station> stations = outline.stations();
        for (int i = 1; i < stations.size(); i++) {
            double low = stations.get(i - 1).circumferenceMm();
            double high = stations.get(i).circumferenceMm();
            double rise = stations.get(i).heightMm() - stations.get(i - 1).heightMm();
            mm3 += rise * (low * low + low * high + high * high) / (12 * Math.PI);
        }
        return mm3 / MM3_PER_ML;
    }

    /**
     * What is hard to believe of the measures, for whoever typed them: a cup that could not hold what it is sold as, or
     * holds many times that; a pencil. A diameter typed for the way around does both.
     */
    public Optional<String> doubt() {
        double ml = outsideMl();
        double soldMl = nominalOz.isPresent() ? VolumeUnit.FL_OZ.toBase(nominalOz.getAsDouble()) : 0;
        double aroundMm = outline.stations().stream()
                .mapToDouble(Station::circumferenceMm)
                .min()
                .orElseThrow();
        double across = aroundMm / Math.PI;
        boolean tooSmall = soldMl > 0
                ? ml < HOLDS_LEAST * soldMl
                : outline.heightMm() > SLENDEREST * across || across < NARROWEST_MM;
        if (tooSmall) {
            boolean diameter = soldMl == 0 || ml * Math.PI * Math.PI >= HOLDS_LEAST * soldMl;
            return Optional.of(("%s mm around is only %s mm across, too little for this cup%s.%s Measure again, or say "
                            + "that it is so.")
                    .formatted(
                            Numbers.show(aroundMm, 0),
                            Numbers.show(across, 0),
                            soldMl > 0 ? " of " + Numbers.show(nominalOz.getAsDouble()) + " oz" : "",
                            diameter
                                    ? " Is that the diameter? Around it is then %s mm."
                                            .formatted(Numbers.show(aroundMm * Math.PI, 0))
                                    : ""));
        }
        return soldMl > 0 && ml > HOLDS_MOST * soldMl
                ? Optional.of(("This outline would hold %s ml, %s times what a cup of %s oz does: look at the units. "
                                + "Measure again, or say that it is so.")
                        .formatted(
                                Numbers.show(ml, 0),
                                Numbers.show(ml / soldMl, 0),
                                Numbers.show(nominalOz.getAsDouble())))
                : Optional.empty();
    }

    /** How long the side is, mm from the foot to the rim, measured along the surface. */
    public double sideMm() {
        return Surface.slantMm(outline);
    }

    public CoatedArea area() {
        return Surface.measure(this);
    }
}
