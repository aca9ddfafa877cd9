package nursery.core.technique;

import java.util.List;
import java.util.OptionalDouble;
import nursery.core.cup.Blank;
import nursery.core.cup.Outline;
import nursery.core.cup.Station;
import nursery.core.cup.Tapered;
import nursery.core.wrap.Flat;
import nursery.core.wrap.Side;

/** The room there is around a cup for a piece that is cut flat. */
final class WrapRoom {

    /** A full wrap is cut longer by its overlap on purpose (P12); how much is slight is from memory. */
    private static final double OVERLAP_MM = 12;

    private static final int PLACES = 60;
    /** A cone this slender is a straight side to any tape measure, mm of circumference. */
    private static final double STRAIGHT_MM = 0.5;

    private WrapRoom() {}

    /**
     * The way around where a piece of a height fits best, less the handle: a piece is held up by the narrowest place it
     * covers, so on a taper it goes to the wide end.
     */
    static double aroundMm(Blank blank, double heightMm) {
        List<Station> side = blank.outline().stations();
        double top = side.get(side.size() - 1).heightMm();
        double span = Math.min(heightMm, top);
        double best = 0;
        for (int i = 0; i <= PLACES; i++) {
            double from = (top - span) * i / PLACES;
            double narrowest = Double.POSITIVE_INFINITY;
            for (int j = 0; j <= PLACES; j++) {
                narrowest = Math.min(narrowest, girthMm(side, from + span * j / PLACES));
            }
            best = Math.max(best, narrowest);
        }
        return best - blank.handleGapMm();
    }

    /** How much longer a piece may be than the way around: none where a handle is in the way. */
    static double overlapMm(Blank blank) {
        return blank.handleGapMm() > 0 ? 0 : OVERLAP_MM;
    }

    /** How far the ends of a straight piece, laid level at its middle, climb on a taper; 0 on a straight side. */
    static double climbMm(Blank blank, DecalSize size) {
        Outline outline = blank.outline();
        if (Math.abs(outline.rimCircumferenceMm() - outline.baseCircumferenceMm()) < STRAIGHT_MM) {
            return 0;
        }
        // What is bulged has no flat; by and large it climbs as on the cone through its ends.
        Side cone = Side.of(new Blank(
                new Tapered(outline.heightMm(), outline.baseCircumferenceMm(), outline.rimCircumferenceMm()),
                false,
                0,
                0,
                0,
                OptionalDouble.empty()));
        double middle = cone.slantMm() / 2;
        return Flat.of(cone).climbMm(middle, Math.min(size.widthMm(), cone.aroundMm(middle)));
    }

    private static double girthMm(List<Station> side, double heightMm) {
        for (int i = 1; i < side.size(); i++) {
            Station below = side.get(i - 1);
            Station above = side.get(i);
            if (heightMm <= above.heightMm()) {
                double rise = above.heightMm() - below.heightMm();
                double part = rise > 0 ? (heightMm - below.heightMm()) / rise : 1;
                return below.circumferenceMm() + (above.circumferenceMm() - below.circumferenceMm()) * part;
            }
        }
        return side.get(side.size() - 1).circumferenceMm();
    }
}
