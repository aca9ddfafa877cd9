package nursery.core.cup;

import java.util.List;

/**
 * The area of a turned surface as a stack of frusta.
 *
 * <p>A frustum between circumferences {@code C1} and {@code C2} with slant {@code s} has the area
 * {@code (C1 + C2) / 2 * s}, which is what Pappus's second theorem gives for a straight stretch turned about the
 * axis. Exact for straight and tapered cups; for a turned outline it is exact for the polygon through its stations.
 */
final class Surface {

    private static final double MM2_PER_CM2 = 100;

    private Surface() {}

    static double slantMm(Outline outline) {
        List<Station> stations = outline.stations();
        double sum = 0;
        for (int i = 1; i < stations.size(); i++) {
            sum += slantMm(stations.get(i - 1), stations.get(i));
        }
        return sum;
    }

    static CoatedArea measure(Blank blank) {
        Outline outline = blank.outline();
        double slantMm = slantMm(outline);
        double fromMm = blank.baseBareMm();
        double toMm = slantMm - blank.rimBareMm();
        double baseMm2 = outline.baseCircumferenceMm() * outline.baseCircumferenceMm() / (4 * Math.PI);
        double coatedMm2 = sideMm2(outline, fromMm, toMm) - blank.handleGapMm() * (toMm - fromMm)
                + (blank.baseCoated() ? baseMm2 : 0);
        return new CoatedArea(sideMm2(outline, 0, slantMm) / MM2_PER_CM2, baseMm2 / MM2_PER_CM2, coatedMm2 / MM2_PER_CM2, slantMm);
    }

    /** The side between two distances from the base, both measured along the surface. */
    private static double sideMm2(Outline outline, double fromMm, double toMm) {
        List<Station> stations = outline.stations();
        double sum = 0;
        double startMm = 0;
        for (int i = 1; i < stations.size(); i++) {
            Station low = stations.get(i - 1);
            Station high = stations.get(i);
            double slantMm = slantMm(low, high);
            double a = Math.max(fromMm - startMm, 0);
            double b = Math.min(toMm - startMm, slantMm);
            if (b > a) {
                double meanAt = (a + b) / 2 / slantMm;
                double meanMm = low.circumferenceMm() + (high.circumferenceMm() - low.circumferenceMm()) * meanAt;
                sum += meanMm * (b - a);
            }
            startMm += slantMm;
        }
        return sum;
    }

    private static double slantMm(Station low, Station high) {
        return Math.hypot(high.heightMm() - low.heightMm(), high.radiusMm() - low.radiusMm());
    }
}
