package nursery.core.wrap;

import nursery.core.measure.Faults;

/**
 * The upper edge of a wave or a band, around a cup.
 *
 * @param frontMm its height in the middle of the front, along the side from the base
 * @param backMm the same at the back
 * @param swellMm how far it rises and falls about that
 * @param swells how often, once around
 */
public record WaveLine(double frontMm, double backMm, double swellMm, int swells) {

    private static final int STEPS = 720;

    public WaveLine {
        Faults faults = new Faults();
        faults.within("front", "The line in front", frontMm, 0, 1000, "mm");
        faults.within("back", "The line at the back", backMm, 0, 1000, "mm");
        faults.within("swell", "How far it rises and falls", swellMm, 0, 200, "mm");
        faults.within("swells", "How often it swells", swells, 0, 60, "");
        faults.throwIfAny();
    }

    public static WaveLine level(double upMm) {
        return new WaveLine(upMm, upMm, 0, 0);
    }

    public double upMm(double angle) {
        return (frontMm + backMm) / 2 + (frontMm - backMm) / 2 * Math.cos(angle) + swellMm * Math.sin(swells * angle);
    }

    /** What lies below it on a side, down to the base, mm². */
    public double areaBelowMm2(Side side) {
        double sum = 0;
        for (int i = 0; i < STEPS; i++) {
            sum += areaBelow(side, upMm(2 * Math.PI * i / STEPS));
        }
        return sum / STEPS;
    }

    /** Its part of what a coat covers. */
    public double shareOf(Side side) {
        double from = areaBelow(side, side.coatedFromMm());
        double whole = areaBelow(side, side.coatedToMm()) - from;
        double below = 0;
        for (int i = 0; i < STEPS; i++) {
            double up = Math.max(side.coatedFromMm(), Math.min(side.coatedToMm(), upMm(2 * Math.PI * i / STEPS)));
            below += areaBelow(side, up) - from;
        }
        return below / STEPS / whole;
    }

    /** The side below a level line: frusta, {@code π·(r₁ + r₂)·s} each (Pappus). */
    static double areaBelow(Side side, double upMm) {
        double end = Math.max(0, Math.min(side.slantMm(), upMm));
        double area = 0;
        double[] stations = side.stationsMm();
        for (int i = 1; i < stations.length && stations[i - 1] < end; i++) {
            double to = Math.min(stations[i], end);
            area += Math.PI * (side.radiusMm(stations[i - 1]) + side.radiusMm(to)) * (to - stations[i - 1]);
        }
        return area;
    }
}
