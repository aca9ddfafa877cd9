package nursery.core.wrap;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.IntStream;
import nursery.core.measure.Fault;
import nursery.core.measure.InvalidInput;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.GeometryFactory;
import org.locationtech.jts.geom.LineString;
import org.locationtech.jts.geom.Polygon;
import org.locationtech.jts.geom.Position;
import org.locationtech.jts.operation.buffer.BufferOp;
import org.locationtech.jts.operation.buffer.BufferParameters;
import org.locationtech.jts.operation.buffer.OffsetCurveBuilder;
import org.locationtech.jts.operation.overlayng.OverlayNGRobust;
import org.locationtech.jts.operation.polygonize.Polygonizer;
import org.locationtech.jts.operation.union.UnaryUnionOp;
import org.locationtech.jts.simplify.DouglasPeuckerSimplifier;

/** Shapes joined, outlined, cut apart, and read out of the closed lines a drawing fills. */
public final class Shapes {

    public static final GeometryFactory FACTORY = new GeometryFactory();

    /** A quarter of a round join has so many corners: an arc of 10 mm is true to 0.003 mm. */
    private static final int QUARTER = 32;

    private static final int MOST_SIMPLE = 64;

    /** Finer than this no blade follows. */
    private static final double SIMPLER_MM = 0.02;

    private static final double TRUE_MM = 0.003;
    private static final int FEW_POINTS = 2000;
    /** More corners than this, when it is simplified, are noise and no outline. */
    private static final int MOST_GROWN = 40_000;

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
        BufferParameters round = new BufferParameters(quarter(mm), BufferParameters.CAP_ROUND);
        round.setSimplifyFactor(0.001);
        Geometry grown = BufferOp.bufferOp(simpler(shape, mm), mm, round);
        return keepHoles ? grown : filled(grown);
    }

    /**
     * Whether an outline so wide can be made of it: not of what is so jagged that the line around it crosses itself
     * tens of thousands of times.
     */
    static boolean canBeGrown(Geometry shape, double mm) {
        Geometry simpler = simpler(shape, mm);
        if (simpler.getNumPoints() > MOST_GROWN) {
            return false;
        }
        BufferParameters round = new BufferParameters(quarter(mm), BufferParameters.CAP_ROUND);
        round.setSimplifyFactor(0.001);
        OffsetCurveBuilder curves = new OffsetCurveBuilder(FACTORY.getPrecisionModel(), round);
        List<Coordinate[]> around = new ArrayList<>();
        for (Polygon polygon : polygons(simpler)) {
            around.add(curves.getRingCurve(polygon.getExteriorRing().getCoordinates(), Position.LEFT, mm));
            for (int i = 0; i < polygon.getNumInteriorRing(); i++) {
                around.add(curves.getRingCurve(polygon.getInteriorRingN(i).getCoordinates(), Position.LEFT, mm));
            }
        }
        return Effort.isBearable(around.stream().filter(line -> line.length > 1).toList());
    }

    /** So many corners to a quarter that an arc of this radius is true to 0.003 mm. */
    private static int quarter(double mm) {
        return (int) Math.max(4, Math.min(QUARTER, Math.ceil(Math.PI / 4 / Math.acos(1 - Math.min(1, TRUE_MM / mm)))));
    }

    /** Without corners that no blade follows and no outline shows. */
    private static Geometry simpler(Geometry shape, double mm) {
        return shape.getNumPoints() < FEW_POINTS
                ? shape
                : DouglasPeuckerSimplifier.simplify(shape, Math.min(SIMPLER_MM, mm / 20));
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
        if (!canBeGrown(shape, mm / 2)) {
            // Nothing is said of what cannot be looked at; that it is too fine is said elsewhere.
            return List.of();
        }
        Geometry coarser = simpler(shape, mm);
        Geometry opened = coarser.buffer(-mm / 2, QUARTER).buffer(mm / 2 * 1.02, QUARTER);
        return polygons(beside(coarser, opened)).stream()
                .filter(part -> part.getArea() > mm * mm / 2)
                .toList();
    }

    /**
     * What a drawing fills: closed lines, which may cross themselves and one another.
     *
     * @param evenOdd fill by how often a line is crossed on the way out; else by how often they wind around
     * @throws InvalidInput if they cross so often that nothing can be made of them
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
        if (!Effort.isBearable(closed)) {
            throw new InvalidInput(List.of(new Fault(
                    "art",
                    "Its lines cross one another more than %d times: join its shapes, or draw it simpler."
                            .formatted(Effort.MOST_CROSSINGS))));
        }
        Polygonizer polygonizer = new Polygonizer();
        polygonizer.add(UnaryUnionOp.union(lines));
        List<Geometry> inside = new ArrayList<>();
        Windings windings = new Windings(closed);
        for (Object face : polygonizer.getPolygons()) {
            Coordinate within = ((Polygon) face).getInteriorPoint().getCoordinate();
            int winds = windings.around(within);
            if (evenOdd ? winds % 2 != 0 : winds != 0) {
                inside.add((Polygon) face);
            }
        }
        return joined(inside);
    }

    /** A line as wide as a blade or pen draws it, as a shape. */
    public static Geometry stroked(LineString line, double widthMm) {
        return BufferOp.bufferOp(line, widthMm / 2, new BufferParameters(QUARTER, BufferParameters.CAP_FLAT));
    }
}
