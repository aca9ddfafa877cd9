package nursery.core.wrap;

import java.util.ArrayList;
import java.util.List;
import java.util.function.UnaryOperator;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.CoordinateSequence;
import org.locationtech.jts.geom.CoordinateSequenceFilter;
import org.locationtech.jts.geom.Envelope;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.LinearRing;
import org.locationtech.jts.geom.Polygon;
import org.locationtech.jts.geom.util.GeometryTransformer;

/**
 * Art on a cup. Its pieces are kept where they lie on the side: x is the way around in mm at the cup's widest, y along
 * the side from the base; there a level line is straight, and what crosses on the cup crosses in it.
 */
public final class Laid {

    /** A bent curve is nowhere further from the true one than this. */
    public static final double TOLERANCE_MM = 0.05;

    private static final int DEEPEST = 14;

    private final Flat flat;
    private final Lay lay;
    private final List<Piece> pieces;
    private final double heightMm;

    private Laid(Flat flat, Lay lay, List<Piece> pieces, double heightMm) {
        this.flat = flat;
        this.lay = lay;
        this.pieces = List.copyOf(pieces);
        this.heightMm = heightMm;
    }

    public static Laid of(Flat flat, Art art, Lay lay) {
        Art sized = art.wide(lay.widthMm());
        return of(flat, sized.pieces(), sized.heightMm(), lay);
    }

    /** Pieces that have their size already, around their middle. */
    static Laid of(Flat flat, List<Piece> sized, double heightMm, Lay lay) {
        boolean straight = lay.bend() == Lay.Bend.STRAIGHT && flat instanceof SectorFlat;
        UnaryOperator<Coordinate> put = straight ? asItIs(flat, lay) : bent(flat.side(), lay);
        List<Piece> pieces = new ArrayList<>();
        for (Piece piece : sized) {
            // Bent art is straight in the chart; only what stays straight on the sheet is curved there.
            Geometry shape = straight ? curved(piece.shape(), put) : moved(piece.shape(), put);
            pieces.add(piece.with(shape));
        }
        return new Laid(flat, lay, pieces, heightMm);
    }

    /** Level stays level: a mm to the side is a mm around at the height of the middle. */
    private static UnaryOperator<Coordinate> bent(Side side, Lay lay) {
        double tilt = Math.toRadians(lay.tiltDeg());
        double cos = Math.cos(tilt);
        double sin = Math.sin(tilt);
        double widest = side.widestRadiusMm();
        double stretch = widest / side.radiusMm(lay.upMm());
        return at -> new Coordinate(
                lay.angle() * widest + (at.x * cos - at.y * sin) * stretch, lay.upMm() + at.x * sin + at.y * cos);
    }

    /** Moved and turned on the flat, and no more: its middle is level. */
    private static UnaryOperator<Coordinate> asItIs(Flat flat, Lay lay) {
        double widest = flat.side().widestRadiusMm();
        OnFlat middle = flat.at(new OnCup(lay.angle(), lay.upMm()));
        double turn = Math.toRadians(lay.tiltDeg()) - lean(flat, lay);
        double cos = Math.cos(turn);
        double sin = Math.sin(turn);
        return at -> {
            OnCup on = flat.onCup(
                    new OnFlat(middle.xMm() + at.x * cos - at.y * sin, middle.yMm() + at.x * sin + at.y * cos));
            return new Coordinate(on.angle() * widest, on.upMm());
        };
    }

    /** How far what points up the side leans to the right on the flat, radians. */
    private static double lean(Flat flat, Lay lay) {
        OnFlat middle = flat.at(new OnCup(lay.angle(), lay.upMm()));
        OnFlat above = flat.at(new OnCup(lay.angle(), lay.upMm() + 1));
        return Math.atan2(above.xMm() - middle.xMm(), above.yMm() - middle.yMm());
    }

    /** How far it leans to the right on its flat: turned back by it, it stands upright. Strips are upright. */
    double lean() {
        return flat instanceof SectorFlat ? lean(flat, lay) : 0;
    }

    /** Without the pieces that lie across a line up the side. */
    Laid clearOf(double angle) {
        double widest = flat.side().widestRadiusMm();
        List<Piece> clear = pieces.stream()
                .filter(piece -> {
                    Envelope box = piece.shape().getEnvelopeInternal();
                    double turns = Math.ceil((box.getMinX() / widest - angle) / (2 * Math.PI));
                    return (angle + turns * 2 * Math.PI) * widest > box.getMaxX();
                })
                .toList();
        return new Laid(flat, lay, clear, heightMm);
    }

    /** The same further around. */
    public Laid turned(double radians) {
        double by = radians * flat.side().widestRadiusMm();
        return radians == 0
                ? this
                : new Laid(
                        flat,
                        lay,
                        pieces.stream()
                                .map(piece -> piece.with(moved(piece.shape(), at -> new Coordinate(at.x + by, at.y))))
                                .toList(),
                        heightMm);
    }

    public Flat flat() {
        return flat;
    }

    public Lay lay() {
        return lay;
    }

    /** Its pieces on the side, x the way around at the widest. */
    public List<Piece> pieces() {
        return pieces;
    }

    /** How tall it is as drawn at this size, before any tilt. */
    public double heightMm() {
        return heightMm;
    }

    /** What it takes of the side: x around at the widest, y up. */
    public Envelope box() {
        Envelope box = new Envelope();
        pieces.forEach(piece -> box.expandToInclude(piece.shape().getEnvelopeInternal()));
        return box;
    }

    /** The angle it takes around the cup. */
    public double angleTaken() {
        return box().getWidth() / flat.side().widestRadiusMm();
    }

    public OnCup onCup(Coordinate at) {
        return new OnCup(at.x / flat.side().widestRadiusMm(), at.y);
    }

    /** A shape of the side as it lies on the flat, true in size; on a bulged side cut apart into its strips. */
    public Geometry onFlat(Geometry shape) {
        return flat instanceof StripsFlat strips ? onStrips(strips, shape) : onOneSheet(shape);
    }

    private Geometry onStrips(StripsFlat strips, Geometry shape) {
        double widest = flat.side().widestRadiusMm();
        double half = Math.PI / strips.count();
        Envelope box = shape.getEnvelopeInternal();
        List<Geometry> parts = new ArrayList<>();
        for (int strip = strips.strip(box.getMinX() / widest); strip <= strips.strip(box.getMaxX() / widest); strip++) {
            double middle = strips.middle(strip);
            Envelope own = new Envelope(
                    (middle - half) * widest, (middle + half) * widest, box.getMinY() - 1, box.getMaxY() + 1);
            int number = strip;
            parts.addAll(Shapes.polygons(curved(Shapes.common(shape, Shapes.FACTORY.toGeometry(own)), at -> {
                OnFlat place = strips.in(number, onCup(at));
                return new Coordinate(place.xMm(), place.yMm());
            })));
        }
        return Shapes.FACTORY.buildGeometry(parts);
    }

    private Geometry onOneSheet(Geometry shape) {
        return curved(shape, at -> {
            OnFlat place = flat.at(onCup(at));
            return new Coordinate(place.xMm(), place.yMm());
        });
    }

    /** True in size, as it is cut. */
    public List<Piece> cut() {
        return pieces.stream()
                .map(piece -> piece.with(onFlat(piece.shape())))
                .filter(piece -> !piece.shape().isEmpty())
                .toList();
    }

    private static Geometry moved(Geometry shape, UnaryOperator<Coordinate> to) {
        Geometry copy = shape.copy();
        copy.apply(new CoordinateSequenceFilter() {
            @Override
            public void filter(CoordinateSequence sequence, int i) {
                Coordinate moved = to.apply(sequence.getCoordinate(i));
                sequence.setOrdinate(i, 0, moved.x);
                sequence.setOrdinate(i, 1, moved.y);
            }

            @Override
            public boolean isDone() {
                return false;
            }

            @Override
            public boolean isGeometryChanged() {
                return true;
            }
        });
        return copy;
    }

    /** Moved by something that bends: each line is parted until it is true to the tolerance. */
    static Geometry curved(Geometry shape, UnaryOperator<Coordinate> to) {
        return new GeometryTransformer() {
            @Override
            protected CoordinateSequence transformCoordinates(CoordinateSequence sequence, Geometry parent) {
                List<Coordinate> bent = new ArrayList<>();
                Coordinate last = sequence.getCoordinate(0);
                Coordinate lastTo = to.apply(last);
                bent.add(lastTo);
                for (int i = 1; i < sequence.size(); i++) {
                    Coordinate next = sequence.getCoordinate(i);
                    Coordinate nextTo = to.apply(next);
                    part(last, lastTo, next, nextTo, to, bent, 0);
                    bent.add(nextTo);
                    last = next;
                    lastTo = nextTo;
                }
                return createCoordinateSequence(bent.toArray(new Coordinate[0]));
            }

            @Override
            protected Geometry transformLinearRing(LinearRing ring, Geometry parent) {
                return factory.createLinearRing(transformCoordinates(ring.getCoordinateSequence(), ring));
            }

            @Override
            protected Geometry transformPolygon(Polygon polygon, Geometry parent) {
                LinearRing shell = (LinearRing) transformLinearRing(polygon.getExteriorRing(), polygon);
                LinearRing[] holes = new LinearRing[polygon.getNumInteriorRing()];
                for (int i = 0; i < holes.length; i++) {
                    holes[i] = (LinearRing) transformLinearRing(polygon.getInteriorRingN(i), polygon);
                }
                return factory.createPolygon(shell, holes);
            }
        }.transform(shape);
    }

    private static void part(
            Coordinate a,
            Coordinate aTo,
            Coordinate b,
            Coordinate bTo,
            UnaryOperator<Coordinate> to,
            List<Coordinate> bent,
            int depth) {
        if (depth == DEEPEST || a.distance(b) < TOLERANCE_MM) {
            return;
        }
        Coordinate middle = new Coordinate((a.x + b.x) / 2, (a.y + b.y) / 2);
        Coordinate middleTo = to.apply(middle);
        double off = Math.hypot(middleTo.x - (aTo.x + bTo.x) / 2, middleTo.y - (aTo.y + bTo.y) / 2);
        // A curve that bends both ways can have its middle on the line: long ones are parted once in any case.
        if (off > TOLERANCE_MM || (depth == 0 && a.distance(b) > 200)) {
            part(a, aTo, middle, middleTo, to, bent, depth + 1);
            bent.add(middleTo);
            part(middle, middleTo, b, bTo, to, bent, depth + 1);
        }
    }
}
