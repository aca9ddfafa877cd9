package nursery.app.wrap;

import java.util.List;
import nursery.core.wrap.CupView;
import nursery.core.wrap.Shapes;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.LineString;
import org.locationtech.jts.geom.Polygon;

/** Shapes as SVG paths, y downwards. */
final class SvgPath {

    private SvgPath() {}

    /** To a thousandth of a millimetre: what is cut. */
    static String exact(Geometry shape) {
        return of(shape, 1000);
    }

    /** To a twentieth: what is looked at. */
    static String shown(Geometry shape) {
        return of(shape, 20);
    }

    private static String of(Geometry shape, int parts) {
        StringBuilder path = new StringBuilder();
        for (Polygon polygon : Shapes.polygons(shape)) {
            ring(path, polygon.getExteriorRing(), parts);
            for (int i = 0; i < polygon.getNumInteriorRing(); i++) {
                ring(path, polygon.getInteriorRingN(i), parts);
            }
        }
        return path.toString();
    }

    private static void ring(StringBuilder path, LineString ring, int parts) {
        Coordinate[] corners = ring.getCoordinates();
        long lastX = Long.MIN_VALUE;
        long lastY = Long.MIN_VALUE;
        for (int i = 0; i < corners.length - 1; i++) {
            long x = Math.round(corners[i].x * parts);
            long y = Math.round(-corners[i].y * parts);
            if (x == lastX && y == lastY) {
                continue;
            }
            path.append(i == 0 ? 'M' : 'L');
            number(path, x, parts);
            path.append(' ');
            number(path, y, parts);
            lastX = x;
            lastY = y;
        }
        path.append('Z');
    }

    static String rings(List<List<CupView.Point>> rings) {
        StringBuilder path = new StringBuilder();
        for (List<CupView.Point> ring : rings) {
            line(path, ring);
            path.append('Z');
        }
        return path.toString();
    }

    static String line(List<CupView.Point> points) {
        StringBuilder path = new StringBuilder();
        line(path, points);
        return path.toString();
    }

    private static void line(StringBuilder path, List<CupView.Point> points) {
        long lastX = Long.MIN_VALUE;
        long lastY = Long.MIN_VALUE;
        boolean first = true;
        for (CupView.Point point : points) {
            long x = Math.round(point.xMm() * 10);
            long y = Math.round(point.yMm() * 10);
            if (x == lastX && y == lastY) {
                continue;
            }
            path.append(first ? 'M' : 'L');
            first = false;
            number(path, x, 10);
            path.append(' ');
            number(path, y, 10);
            lastX = x;
            lastY = y;
        }
    }

    /** By hand: a drawing holds tens of thousands of these. */
    private static void number(StringBuilder text, long value, int parts) {
        if (value < 0) {
            text.append('-');
        }
        long whole = Math.abs(value) / parts;
        long rest = Math.abs(value) % parts;
        text.append(whole);
        if (rest != 0) {
            String digits = String.valueOf(rest * (parts == 20 ? 5 : 1));
            int places = parts == 1000 ? 3 : parts == 20 ? 2 : 1;
            text.append('.').append("0".repeat(places - digits.length())).append(digits);
        }
    }
}
