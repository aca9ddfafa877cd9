package nursery.core.resin;

import nursery.core.measure.Faults;

/** The densities of the two parts, in g/ml, for mixing by scale. */
public record Densities(double partAGPerMl, double partBGPerMl) {

    private static final double LIGHTEST_G_PER_ML = 0.5;
    private static final double HEAVIEST_G_PER_ML = 3;

    /** Where a label states none (P4, from memory). */
    public static final Densities USUAL = new Densities(1.15, 0.96);

    public Densities {
        Faults faults = new Faults();
        faults.within("densityA", "The density of A", partAGPerMl, LIGHTEST_G_PER_ML, HEAVIEST_G_PER_ML, "g/ml");
        faults.within("densityB", "The density of B", partBGPerMl, LIGHTEST_G_PER_ML, HEAVIEST_G_PER_ML, "g/ml");
        faults.throwIfAny();
    }

    /** What two weights are as volumes, ml. */
    public Mix volumes(double partAGrams, double partBGrams) {
        return new Mix(partAGrams / partAGPerMl, partBGrams / partBGPerMl);
    }

    /**
     * How far off the ratio is when its parts are weighed as if they were volumes: +0.2 is a fifth too much hardener.
     */
    public double errorIfWeighedAsVolumes() {
        return partAGPerMl / partBGPerMl - 1;
    }
}
