package nursery.core.wrap;

import java.util.ArrayList;
import java.util.List;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.LineString;
import org.locationtech.jts.geom.Polygon;

/**
 * A cup seen from a side, from far away and a little above: a point at angle {@code a} from the middle line appears at
 * {@code r·sin a}. Units are mm, x to the right of the cup's axis, y down from the rim's middle.
 *
 * @param side the cup's side
 * @param yaw the angle that faces the eye, radians
 */
public record CupView(Side side, double yaw) {

    /** How open level circles look: sine of the angle the eye is above them. */
    public static final double OPENNESS = 0.13;

    private static final double STEP_ANGLE = 0.08;
    private static final double STEP_MM = 6;

    /** A point of a closed line on the picture. */
    public record Point(double xMm, double yMm) {}

    /** What is seen of a shape: closed lines, to be filled even-odd. */
    public record Seen(String colour, List<List<Point>> rings) {}

    /** What is seen of a piece that is laid on the side; no rings if it is behind. */
    public Seen of(Laid laid, Piece piece) {
        double widest = side.widestRadiusMm();
        List<List<Point>> rings = new ArrayList<>();
        for (Polygon polygon : Shapes.polygons(piece.shape())) {
            for (int turn : turnsOf(polygon, widest)) {
                double middle = yaw + 2 * Math.PI * turn;
                for (LineString ring : rings(polygon)) {
                    List<OnCup> front = clipped(ring.getCoordinates(), middle, widest);
                    if (front.size() >= 3) {
                        rings.add(drawn(front, middle));
                    }
                }
            }
        }
        return new Seen(piece.colour(), rings);
    }

    /** A line around the cup at a height that may change, from the left edge to the right. */
    public List<Point> around(WaveLine line) {
        List<Point> points = new ArrayList<>();
        for (double off = -Math.PI / 2; off <= Math.PI / 2 + 1e-9; off += STEP_ANGLE / 2) {
            points.add(at(new OnCup(yaw + off, line.upMm(yaw + off)), yaw));
        }
        return points;
    }

    /** The edge of the cup itself between two heights: up the left side, over, down the right, back. */
    public List<Point> body(double fromMm, double toMm) {
        List<OnCup> edge = new ArrayList<>();
        double left = yaw - Math.PI / 2;
        double right = yaw + Math.PI / 2;
        edge.add(new OnCup(left, fromMm));
        edge.add(new OnCup(left, toMm));
        edge.add(new OnCup(right, toMm));
        edge.add(new OnCup(right, fromMm));
        return drawn(edge, yaw);
    }

    /** What is seen of the side between a height and a line above it. */
    public List<Point> below(WaveLine line, double fromMm) {
        List<OnCup> edge = new ArrayList<>();
        for (double off = -Math.PI / 2; off <= Math.PI / 2 + 1e-9; off += Math.PI / 60) {
            edge.add(new OnCup(yaw + off, Math.max(fromMm, line.upMm(yaw + off))));
        }
        edge.add(new OnCup(yaw + Math.PI / 2, fromMm));
        edge.add(new OnCup(yaw - Math.PI / 2, fromMm));
        return drawn(edge, yaw);
    }

    public Point at(OnCup place) {
        return at(place, yaw);
    }

    private Point at(OnCup place, double middle) {
        double off = place.angle() - middle;
        double radius = side.radiusMm(place.upMm());
        return new Point(
                radius * Math.sin(off),
                side.heightMm(side.slantMm()) - side.heightMm(place.upMm()) + radius * OPENNESS * Math.cos(off));
    }

    /** Which turns of the cup a shape is in front on: one that runs around more than once may be on several. */
    private List<Integer> turnsOf(Geometry shape, double widest) {
        double from = shape.getEnvelopeInternal().getMinX() / widest;
        double to = shape.getEnvelopeInternal().getMaxX() / widest;
        List<Integer> turns = new ArrayList<>();
        int first = (int) Math.ceil((from - yaw - Math.PI / 2) / (2 * Math.PI));
        for (int turn = first; yaw + 2 * Math.PI * turn - Math.PI / 2 < to; turn++) {
            turns.add(turn);
        }
        return turns;
    }

    private static List<LineString> rings(Polygon polygon) {
        List<LineString> rings = new ArrayList<>();
        rings.add(polygon.getExteriorRing());
        for (int i = 0; i < polygon.getNumInteriorRing(); i++) {
            rings.add(polygon.getInteriorRingN(i));
        }
        return rings;
    }

    /** The half that faces the eye: cut off at both edges (Sutherland and Hodgman 1974). */
    private static List<OnCup> clipped(Coordinate[] ring, double middle, double widest) {
        List<OnCup> whole = new ArrayList<>(ring.length);
        for (int i = 0; i < ring.length - 1; i++) {
            whole.add(new OnCup(ring[i].x / widest, ring[i].y));
        }
        return halved(halved(whole, middle - Math.PI / 2, 1), middle + Math.PI / 2, -1);
    }

    private static List<OnCup> halved(List<OnCup> ring, double edge, int towards) {
        List<OnCup> kept = new ArrayList<>(ring.size());
        for (int i = 0; i < ring.size(); i++) {
            OnCup a = ring.get(i);
            OnCup b = ring.get((i + 1) % ring.size());
            boolean aIn = towards * (a.angle() - edge) >= 0;
            boolean bIn = towards * (b.angle() - edge) >= 0;
            if (aIn) {
                kept.add(a);
            }
            if (aIn != bIn) {
                double part = (edge - a.angle()) / (b.angle() - a.angle());
                kept.add(new OnCup(edge, a.upMm() + part * (b.upMm() - a.upMm())));
            }
        }
        return kept;
    }

    /** Long lines are curved on the picture, so they are drawn in steps. */
    private List<Point> drawn(List<OnCup> ring, double middle) {
        List<Point> points = new ArrayList<>(ring.size());
        for (int i = 0; i < ring.size(); i++) {
            OnCup a = ring.get(i);
            OnCup b = ring.get((i + 1) % ring.size());
            double steps =
                    Math.max(Math.abs(b.angle() - a.angle()) / STEP_ANGLE, Math.abs(b.upMm() - a.upMm()) / STEP_MM);
            int count = Math.max(1, (int) Math.ceil(steps));
            for (int step = 0; step < count; step++) {
                double part = (double) step / count;
                points.add(at(
                        new OnCup(a.angle() + part * (b.angle() - a.angle()), a.upMm() + part * (b.upMm() - a.upMm())),
                        middle));
            }
        }
        return points;
    }
}
