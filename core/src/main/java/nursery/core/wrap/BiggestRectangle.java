package nursery.core.wrap;

import java.util.OptionalDouble;

/**
 * The biggest flat, unbent rectangle that can be laid upright on the front with its lower edge at a height, between the
 * bare bands and the handle.
 */
public record BiggestRectangle(double fromMm, double widthMm, double heightMm) {

    private static final int STEPS = 400;

    public double areaMm2() {
        return widthMm * heightMm;
    }

    /** The biggest of all heights. */
    public static BiggestRectangle anywhere(Flat flat) {
        Side side = flat.side();
        BiggestRectangle best = at(flat, side.coatedFromMm());
        for (int i = 1; i < STEPS; i++) {
            BiggestRectangle next = at(flat, side.coatedFromMm() + side.coatedMm() * i / STEPS);
            best = next.areaMm2() > best.areaMm2() ? next : best;
        }
        return best;
    }

    /** With its lower edge there. */
    public static BiggestRectangle at(Flat flat, double fromMm) {
        Side side = flat.side();
        double from = Math.max(side.coatedFromMm(), Math.min(side.coatedToMm(), fromMm));
        BiggestRectangle best = new BiggestRectangle(from, 0, 0);
        for (int i = 1; i <= STEPS; i++) {
            double height = (side.coatedToMm() - from) * i / STEPS;
            double width = widthMm(flat, from, height);
            best = width * height > best.areaMm2() ? new BiggestRectangle(from, width, height) : best;
        }
        return best;
    }

    /** How wide one so high can be. */
    static double widthMm(Flat flat, double from, double height) {
        Side side = flat.side();
        double free = 2 * Math.PI - 2 * side.handleHalfAngle(from);
        OptionalDouble bottom = flat.levelRadiusMm(from);
        if (bottom.isEmpty()) {
            double narrowest = side.aroundMm(from);
            for (double station : side.stationsMm()) {
                if (station > from && station < from + height) {
                    narrowest = Math.min(narrowest, side.aroundMm(station));
                }
            }
            return Math.max(
                    0,
                    Math.min(narrowest, side.aroundMm(from + height))
                            - side.blank().handleGapMm());
        }
        double below = bottom.getAsDouble();
        double above = flat.levelRadiusMm(from + height).orElseThrow();
        double turn = free / (2 * Math.PI) * side.aroundMm(from) / below / 2;
        // Seen from the centre of the sector its near edge is straight and must not reach in, its far corners not out.
        double near;
        double far;
        double most;
        if (above > below) {
            near = below;
            far = below + height;
            most = flat.levelRadiusMm(side.coatedToMm()).orElseThrow();
        } else {
            near = above;
            far = above + height;
            most = flat.levelRadiusMm(side.coatedFromMm()).orElseThrow();
        }
        double byCorner = most > far ? Math.sqrt(most * most - far * far) : 0;
        double bySides = turn >= Math.PI / 2 ? Double.POSITIVE_INFINITY : near * Math.tan(turn);
        return 2 * Math.min(byCorner, bySides);
    }
}
