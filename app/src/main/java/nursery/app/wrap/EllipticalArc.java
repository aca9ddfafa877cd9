package nursery.app.wrap;

import java.awt.geom.Path2D;

/**
 * An arc of an ellipse from where a path stands (SVG 1.1, appendix F.6): its centre by F.6.5, radii that are too small
 * for its ends made just large enough by F.6.6. It is drawn in curves of at most an eighth of a turn, each off a true
 * arc by less than 5 millionths of the radius (Dokken et al., Computer Aided Geometric Design 7, 1990).
 */
final class EllipticalArc {

    private static final double MOST_PER_CURVE = Math.PI / 4;

    private final double rx;
    private final double ry;
    private final double cos;
    private final double sin;
    private final double centreX;
    private final double centreY;
    private final double from;
    private final double sweep;

    /** @param turned how far its first radius is turned from the x axis, degrees */
    EllipticalArc(
            double x,
            double y,
            double radiusX,
            double radiusY,
            double turned,
            boolean large,
            boolean sweeping,
            double toX,
            double toY) {
        double phi = Math.toRadians(turned % 360);
        cos = Math.cos(phi);
        sin = Math.sin(phi);
        double halfX = cos * (x - toX) / 2 + sin * (y - toY) / 2;
        double halfY = -sin * (x - toX) / 2 + cos * (y - toY) / 2;
        double lambda = square(halfX / radiusX) + square(halfY / radiusY);
        double grown = Math.sqrt(Math.max(1, lambda));
        rx = Math.abs(radiusX) * grown;
        ry = Math.abs(radiusY) * grown;
        // Radii that had to grow leave no room for the centre but in the middle between the ends.
        double off = lambda >= 1
                ? 0
                : Math.sqrt(Math.max(0, 1 / (square(halfX / rx) + square(halfY / ry)) - 1))
                        * (large == sweeping ? -1 : 1);
        double shiftX = off * rx * halfY / ry;
        double shiftY = -off * ry * halfX / rx;
        centreX = cos * shiftX - sin * shiftY + (x + toX) / 2;
        centreY = sin * shiftX + cos * shiftY + (y + toY) / 2;
        from = Math.atan2((halfY - shiftY) / ry, (halfX - shiftX) / rx);
        double to = Math.atan2((-halfY - shiftY) / ry, (-halfX - shiftX) / rx);
        sweep = swept(to - from, sweeping);
    }

    private static double square(double value) {
        return value * value;
    }

    private static double swept(double angle, boolean sweeping) {
        double whole = 2 * Math.PI;
        if (sweeping && angle < 0) {
            return angle + whole;
        }
        return !sweeping && angle > 0 ? angle - whole : angle;
    }

    /** Goes on with it to exactly where it ends. */
    void appendTo(Path2D.Double path, double toX, double toY) {
        int curves = Math.max(1, (int) Math.ceil(Math.abs(sweep) / MOST_PER_CURVE));
        double each = sweep / curves;
        double reach = 4.0 / 3 * Math.tan(each / 4);
        for (int i = 0; i < curves; i++) {
            double begins = from + i * each;
            double ends = begins + each;
            double x1 = Math.cos(begins) - reach * Math.sin(begins);
            double y1 = Math.sin(begins) + reach * Math.cos(begins);
            double x2 = Math.cos(ends) + reach * Math.sin(ends);
            double y2 = Math.sin(ends) - reach * Math.cos(ends);
            boolean isLast = i == curves - 1;
            path.curveTo(
                    onX(x1, y1),
                    onY(x1, y1),
                    onX(x2, y2),
                    onY(x2, y2),
                    isLast ? toX : onX(Math.cos(ends), Math.sin(ends)),
                    isLast ? toY : onY(Math.cos(ends), Math.sin(ends)));
        }
    }

    private double onX(double unitX, double unitY) {
        return cos * rx * unitX - sin * ry * unitY + centreX;
    }

    private double onY(double unitX, double unitY) {
        return sin * rx * unitX + cos * ry * unitY + centreY;
    }
}
