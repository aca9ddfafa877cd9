package nursery.core.cup;

import java.util.ArrayList;
import java.util.List;

/**
 * The area of a turned surface as a stack of frusta.
 *
 * <p>A frustum between circumferences {@code C1} and {@code C2} with slant {@code s} has the area {@code (C1 + C2) / 2
 * * s}, which is what Pappus's second theorem gives for a straight stretch turned about the axis. Exact for straight
 * and tapered cups; for a turned outline it is exact for the polygon through its stations.
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
        double coatedMm2 = sideMm2(between(outline, fromMm, toMm))
                - blank.handleGapMm() * (toMm - fromMm)
                + (blank.baseCoated() ? baseMm2 : 0);
        return new CoatedArea(
                sideMm2(outline.stations()) / MM2_PER_CM2, baseMm2 / MM2_PER_CM2, coatedMm2 / MM2_PER_CM2, slantMm);
    }

    /** The part of a side between two distances from the base, both measured along the surface. */
    static List<Station> between(Outline outline, double fromMm, double toMm) {
        List<Station> stations = outline.stations();
        List<Station> part = new ArrayList<>();
        double startMm = 0;
        for (int i = 1; i < stations.size(); i++) {
            Station low = stations.get(i - 1);
            Station high = stations.get(i);
            double slantMm = slantMm(low, high);
            double a = Math.max(fromMm - startMm, 0);
            double b = Math.min(toMm - startMm, slantMm);
            if (b > a) {
                if (part.isEmpty()) {
                    part.add(along(low, high, a / slantMm));
                }
                part.add(along(low, high, b / slantMm));
            }
            startMm += slantMm;
        }
        return part;
    }

    private static double sideMm2(List<Station> stations) {
        double sum = 0;
        for (int i = 1; i < stations.size(); i++) {
            Station low = stations.get(i - 1);
            Station high = stations.get(i);
            sum += (low.circumferenceMm() + high.circumferenceMm()) / 2 * slantMm(low, high);
        }
        return sum;
    }

    private static Station along(Station low, Station high, double part) {
        return new Station(
                low.heightMm() + (high.heightMm() - low.heightMm()) * part,
                low.circumferenceMm() + (high.circumferenceMm() - low.circumferenceMm()) * part);
    }

    private static double slantMm(Station low, Station high) {
        return Math.hypot(high.heightMm() - low.heightMm(), high.radiusMm() - low.radiusMm());
    }
}
