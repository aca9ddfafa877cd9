package nursery.core.resin;

import nursery.core.measure.Faults;
import nursery.core.measure.VolumeUnit;

/**
 * A graduated cup: a frustum, as wide inside at the bottom and at the last mark as a ruler says. Its height follows
 * from what it holds, so nothing can contradict.
 *
 * @param capacityMl up to the last mark
 * @param markMl from one mark to the next
 * @param bottomDiameterMm inside, at the bottom
 * @param topDiameterMm inside, at the last mark
 * @param marks the unit they are printed in, whatever the shop reads in
 */
public record MeasuringCup(
        double capacityMl, double markMl, double bottomDiameterMm, double topDiameterMm, VolumeUnit marks) {

    /** A cup marked in millilitres. */
    public MeasuringCup(double capacityMl, double markMl, double bottomDiameterMm, double topDiameterMm) {
        this(capacityMl, markMl, bottomDiameterMm, topDiameterMm, VolumeUnit.ML);
    }

    private static final double MM3_PER_ML = 1000;
    private static final double STRAIGHT_MM = 1e-6;
    private static final int FEWEST_MARKS = 2;

    public MeasuringCup {
        Faults faults = new Faults();
        faults.within("cupMl", "What the measuring cup holds", capacityMl, 5, 2000, "ml");
        faults.within("markMl", "The distance between marks", markMl, 0.05, 100, "ml");
        faults.within("bottomMm", "The diameter at the bottom", bottomDiameterMm, 10, 300, "mm");
        faults.within("topMm", "The diameter at the last mark", topDiameterMm, 10, 300, "mm");
        faults.throwIfAny();
        faults.require(
                capacityMl >= FEWEST_MARKS * markMl,
                "markMl",
                "Marks must lie closer than half of what the cup holds.");
        faults.throwIfAny();
    }

    public double heightMm() {
        double r0 = bottomDiameterMm / 2;
        double r1 = topDiameterMm / 2;
        return 3 * capacityMl * MM3_PER_ML / (Math.PI * (r0 * r0 + r0 * r1 + r1 * r1));
    }

    /**
     * How high an amount stands above the bottom: the frustum's volume {@code π/(3k)·(r³ − r0³)} solved for the height.
     */
    public double levelMm(double ml) {
        double r0 = bottomDiameterMm / 2;
        double slope = (topDiameterMm - bottomDiameterMm) / 2 / heightMm();
        double volumeMm3 = ml * MM3_PER_ML;
        if (Math.abs(topDiameterMm - bottomDiameterMm) < STRAIGHT_MM) {
            return volumeMm3 / (Math.PI * r0 * r0);
        }
        return (Math.cbrt(r0 * r0 * r0 + 3 * slope * volumeMm3 / Math.PI) - r0) / slope;
    }

    /** Inside radius at a height. */
    public double radiusMm(double levelMm) {
        return bottomDiameterMm / 2 + (topDiameterMm - bottomDiameterMm) / 2 * levelMm / heightMm();
    }
}
