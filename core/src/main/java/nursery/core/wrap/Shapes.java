package nursery.core.wrap;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.IntStream;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.GeometryFactory;
import org.locationtech.jts.geom.LineString;
import org.locationtech.jts.geom.Polygon;
import org.locationtech.jts.operation.buffer.BufferOp;
import org.locationtech.jts.operation.buffer.BufferParameters;
import org.locationtech.jts.operation.overlayng.OverlayNGRobust;
import org.locationtech.jts.operation.polygonize.Polygonizer;
import org.locationtech.jts.operation.union.UnaryUnionOp;

/** Shapes joined, outlined, cut apart, and read out of the closed lines a drawing fills. */
public final class Shapes {

    public static final GeometryFactory FACTORY = new GeometryFactory();

    /** A quarter of a round join has so many corners: an arc of 10 mm is true to 0.003 mm. */
    private static final int QUARTER = 32;

    private static final int MOST_SIMPLE = 64;

    private Shapes() {}

    /** All in one, what touches or overlaps grown together. */
    public static Geometry joined(List<Geometry> shapes) {
        return shapes.isEmpty() ? FACTORY.createPolygon() : OverlayNGRobust.union(FACTORY.buildGeometry(shapes));
    }

    /**
     * A shape and what lies within so many mm of it, its corners rounded (Minkowski sum with a disc).
     *
     * @param keepHoles whether its holes stay, as much smaller; else they are filled
     */
    public static Geometry grown(Geometry shape, double mm, boolean keepHoles) {
        BufferParameters round = new BufferParameters(QUARTER, BufferParameters.CAP_ROUND);
        round.setSimplifyFactor(0.001);
        Geometry grown = BufferOp.bufferOp(shape, mm, round);
        return keepHoles ? grown : filled(grown);
    }

    /** Without its holes. */
    public static Geometry filled(Geometry shape) {
        List<Geometry> shells = new ArrayList<>();
        for (Polygon polygon : polygons(shape)) {
            shells.add(FACTORY.createPolygon(polygon.getExteriorRing().getCoordinateSequence()));
        }
        return joined(shells);
    }

    /** What of one lies outside another: an outline that lies beside the letters instead of below them. */
    public static Geometry beside(Geometry outline, Geometry inner) {
        return OverlayNGRobust.overlay(outline, inner, org.locationtech.jts.operation.overlayng.OverlayNG.DIFFERENCE);
    }

    public static Geometry common(Geometry one, Geometry other) {
        return OverlayNGRobust.overlay(one, other, org.locationtech.jts.operation.overlayng.OverlayNG.INTERSECTION);
    }

    /** Each part by itself. */
    public static List<Polygon> polygons(Geometry shape) {
        return IntStream.range(0, shape.getNumGeometries())
                .mapToObj(shape::getGeometryN)
                .filter(part -> part instanceof Polygon && !part.isEmpty())
                .map(Polygon.class::cast)
                .toList();
    }

    /**
     * What is thinner than so many mm: the shape less what a disc of that width can reach inside it (a morphological
     * opening); its corners are no thin places.
     */
    static List<Polygon> thin(Geometry shape, double mm) {
        Geometry opened = shape.buffer(-mm / 2, QUARTER).buffer(mm / 2 * 1.02, QUARTER);
        return polygons(beside(shape, opened)).stream()
                .filter(part -> part.getArea() > mm * mm / 2)
                .toList();
    }

    /**
     * What a drawing fills: closed lines, which may cross themselves and one another.
     *
     * @param evenOdd fill by how often a line is crossed on the way out; else by how often they wind around
     */
    public static Geometry filling(List<Coordinate[]> rings, boolean evenOdd) {
        List<Coordinate[]> closed =
                rings.stream().filter(ring -> ring.length >= 4).toList();
        if (closed.isEmpty()) {
            return FACTORY.createPolygon();
        }
        if (closed.size() == 1 && closed.get(0).length <= MOST_SIMPLE) {
            Polygon simple = FACTORY.createPolygon(closed.get(0));
            if (simple.isValid()) {
                return simple;
            }
        }
        List<Geometry> lines = closed.stream()
                .map(ring -> (Geometry) FACTORY.createLineString(ring))
                .toList();
        Polygonizer polygonizer = new Polygonizer();
        polygonizer.add(UnaryUnionOp.union(lines));
        List<Geometry> inside = new ArrayList<>();
        for (Object face : polygonizer.getPolygons()) {
            Coordinate within = ((Polygon) face).getInteriorPoint().getCoordinate();
            int winds = closed.stream().mapToInt(ring -> winding(ring, within)).sum();
            if (evenOdd ? winds % 2 != 0 : winds != 0) {
                inside.add((Polygon) face);
            }
        }
        return joined(inside);
    }

    /** How often a closed line winds around a point: crossings of the ray to its right, by their direction. */
    private static int winding(Coordinate[] ring, Coordinate at) {
        int winds = 0;
        for (int i = 1; i < ring.length; i++) {
            Coordinate a = ring[i - 1];
            Coordinate b = ring[i];
            if (a.y <= at.y != b.y <= at.y) {
                double left = (b.x - a.x) * (at.y - a.y) - (at.x - a.x) * (b.y - a.y);
                if (b.y > a.y && left > 0) {
                    winds++;
                } else if (b.y < a.y && left < 0) {
                    winds--;
                }
            }
        }
        return winds;
    }

    /** A line as wide as a blade or pen draws it, as a shape. */
    public static Geometry stroked(LineString line, double widthMm) {
        return BufferOp.bufferOp(line, widthMm / 2, new BufferParameters(QUARTER, BufferParameters.CAP_FLAT));
    }
}
