package nursery.core.wrap;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import nursery.core.measure.Numbers;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Envelope;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.Polygon;
import org.locationtech.jts.geom.util.AffineTransformation;
import org.locationtech.jts.simplify.DouglasPeuckerSimplifier;

/**
 * A design on a cup, checked before anything is cut. What passes lies wholly on what a coat covers, off the handle, and
 * not over itself.
 */
public final class Fitting {

    /** Closer than this to the bare band a piece is in the way of the blade that trims the coat; from memory. */
    static final double TRIM_MM = 3;
    /** A part smaller than this is lost when it is weeded; from memory. */
    static final double SMALL_MM = 2;
    /** Overlaps smaller than this are the tape's error. */
    private static final double OVERLAP_MM2 = 0.5;
    /** A name is read from one side if it takes no more than a third of the way around. */
    private static final double READABLE = 2 * Math.PI / 3;
    /** Climbs less than this are not seen; from memory. */
    private static final double SEEN_CLIMB_MM = 1;

    private static final double BRIDGE_MM = 1.5;
    /** P12: a full wrap laps over itself on purpose; how much is from memory. */
    private static final double MOST_LAP_MM = 12;

    private static final double USUAL_LAP_MM = 5;
    private static final double SLIT_MM = 0.5;
    /** A wrap that goes this far around is meant to go all the way. */
    private static final double GAPING = 5.2;
    /** What lies with its middle on the seam covers it. */
    private static final double COVERS = 0.15;

    private static final double TOUCH_MM = 1e-6;
    /** Finer than that no blade follows; and thin places are found as well without it. */
    private static final double COARSER_MM = 0.05;

    private final Design design;
    private final Flat flat;
    private final Side side;
    private final List<List<Laid>> laid;
    private final List<Concern> concerns = new ArrayList<>();

    private Fitting(Design design, Flat flat) {
        this.design = design;
        this.flat = flat;
        this.side = flat.side();
        this.laid = design.items().stream()
                .map(item -> item.laid(flat, design.seamAngle()))
                .toList();
    }

    public static Fitting of(Design design, Flat flat) {
        Fitting fitting = new Fitting(design, flat);
        for (int i = 0; i < design.items().size(); i++) {
            fitting.height(i);
            fitting.around(i);
            fitting.bend(i);
            fitting.cutting(i);
            fitting.over(i);
        }
        return fitting;
    }

    public Flat flat() {
        return flat;
    }

    public Design design() {
        return design;
    }

    /** Each item as it lies, as often as it goes around. */
    public List<List<Laid>> laid() {
        return laid;
    }

    public List<Concern> concerns() {
        return List.copyOf(concerns);
    }

    /** Whether nothing speaks against cutting it. */
    public boolean isFit() {
        return concerns.stream().allMatch(concern -> concern.kind().isAdvice());
    }

    private Item item(int i) {
        return design.items().get(i);
    }

    private void say(Concern.Kind kind, int i, String words, Optional<Item> fix) {
        concerns.add(new Concern(kind, i, words, fix));
    }

    private static String mm(double value) {
        return Numbers.show(value, 1) + " mm";
    }

    private void height(int i) {
        Envelope box = laid.get(i).get(0).box();
        double over = box.getMaxY() - side.coatedToMm();
        double under = side.coatedFromMm() - box.getMinY();
        Item item = item(i);
        Lay place = item.lay();
        if (box.getHeight() > side.coatedMm() + TOUCH_MM) {
            double factor = (side.coatedMm() - 2 * TRIM_MM) / box.getHeight();
            say(
                    Concern.Kind.TALLER_THAN_THE_SIDE,
                    i,
                    "%s is %s tall, and only %s of the side are coated."
                            .formatted(item.name(), mm(box.getHeight()), mm(side.coatedMm())),
                    Optional.of(item.at(place.wide(Math.max(0.5, place.widthMm() * factor))
                            .up((side.coatedFromMm() + side.coatedToMm()) / 2))));
            return;
        }
        // As far off the trim as there is room for.
        double room = Math.min(TRIM_MM, (side.coatedMm() - box.getHeight()) / 2);
        if (over > TOUCH_MM) {
            say(
                    Concern.Kind.PAST_THE_RIM,
                    i,
                    "%s stands %s over where the coat ends at the rim.".formatted(item.name(), mm(over)),
                    Optional.of(item.at(place.up(place.upMm() - over - room))));
        } else if (under > TOUCH_MM) {
            say(
                    Concern.Kind.PAST_THE_BASE,
                    i,
                    "%s reaches %s below where the coat begins at the base.".formatted(item.name(), mm(under)),
                    Optional.of(item.at(place.up(place.upMm() + under + room))));
        } else if (Math.max(over, under) > -room + TOUCH_MM) {
            double move = over > under ? -room - over : room + under;
            say(
                    Concern.Kind.NEAR_THE_TRIM,
                    i,
                    "%s ends %s from where the coat is trimmed.".formatted(item.name(), mm(-Math.max(over, under))),
                    Optional.of(item.at(place.up(place.upMm() + move))));
        }
    }

    private void around(int i) {
        Item item = item(i);
        Lay place = item.lay();
        double taken = laid.get(i).get(0).angleTaken();
        double each = 2 * Math.PI / item.motifs();
        double radius = side.radiusMm(place.upMm());
        boolean climbs = Math.abs(place.tiltDeg()) > 1 && taken > Math.PI;
        boolean wrap = item.sheet() == Sheet.PAPER && item.motifs() == 1;
        double lapMm = (taken - each) * radius;
        if (wrap && lapMm > TOUCH_MM && lapMm <= MOST_LAP_MM) {
            say(
                    Concern.Kind.LAPS,
                    i,
                    "%s laps %s over itself: trim it along the seam.".formatted(item.name(), mm(lapMm)),
                    Optional.empty());
        } else if (wrap && taken > GAPING && lapMm < -SLIT_MM) {
            say(
                    Concern.Kind.GAPES,
                    i,
                    "%s leaves %s of the ground bare at the seam.".formatted(item.name(), mm(-lapMm)),
                    Optional.of(item.at(place.wide(place.widthMm() * (each + USUAL_LAP_MM / radius) / taken))));
        } else if (!climbs && taken > each + 1e-9) {
            double closing = place.widthMm() * each / taken * (1 - 1e-9);
            say(
                    Concern.Kind.OVER_ITSELF,
                    i,
                    "%s takes %s around, and has %s: it lies %s over itself."
                            .formatted(item.name(), mm(taken * radius), mm(each * radius), mm((taken - each) * radius)),
                    Optional.of(item.at(place.wide(closing))));
        } else if (item.motifs() == 1 && !wrap && !climbs && taken > READABLE) {
            double shorter = place.widthMm() * READABLE / taken * (1 - 1e-9);
            say(
                    Concern.Kind.TOO_LONG_TO_READ,
                    i,
                    "%s takes %s °; from one side 120 ° can be read, that is %s here."
                            .formatted(item.name(), Numbers.show(Math.toDegrees(taken), 0), mm(READABLE * radius)),
                    Optional.of(item.at(place.wide(shorter))));
        }
        if (side.hasHandle()) {
            handle(i, taken);
        }
        seam(i, taken);
    }

    /** The handle takes the back. */
    private void handle(int i, double taken) {
        double deepest = 0;
        for (Laid one : laid.get(i)) {
            for (Piece piece : one.pieces()) {
                for (double turn = -3; turn <= 3; turn++) {
                    Geometry handle = handle((2 * turn + 1) * Math.PI);
                    if (handle.getEnvelopeInternal().intersects(piece.shape().getEnvelopeInternal())) {
                        Geometry on = Shapes.common(handle, piece.shape());
                        deepest = Math.max(deepest, on.getEnvelopeInternal().getWidth());
                    }
                }
            }
        }
        if (deepest > TOUCH_MM) {
            Item item = item(i);
            say(
                    Concern.Kind.ON_THE_HANDLE,
                    i,
                    "%s runs %s into the handle.".formatted(item.name(), mm(deepest * widthShare(item))),
                    item.motifs() > 1 ? Optional.empty() : Optional.of(offTheHandle(i, taken)));
        }
    }

    /** Turned as little as takes it off the handle; narrower if it is too wide for what is left. */
    private Item offTheHandle(int i, double taken) {
        Item item = item(i);
        Lay place = item.lay();
        Envelope box = laid.get(i).get(0).box();
        double narrow = Math.max(
                side.handleHalfAngle(Math.max(0, box.getMinY())),
                side.handleHalfAngle(Math.min(side.slantMm(), box.getMaxY())));
        double edge = (Math.PI - narrow) * 0.999;
        // What is tilted on a taper does not lie evenly about its middle.
        double left = box.getMinX() / side.widestRadiusMm() - place.angle();
        double right = box.getMaxX() / side.widestRadiusMm() - place.angle();
        if (taken > 2 * edge) {
            double factor = 2 * edge / taken * 0.98;
            return item.at(place.wide(place.widthMm() * factor).around(-(left + right) / 2 * factor));
        }
        double angle = turned(place.angle());
        return item.at(place.around(Math.max(-edge - left, Math.min(edge - right, angle))));
    }

    private double widthShare(Item item) {
        return side.radiusMm(item.lay().upMm()) / side.widestRadiusMm();
    }

    /** The same angle within half a turn of the front. */
    public static double turned(double angle) {
        return Math.IEEEremainder(angle, 2 * Math.PI);
    }

    /** What the handle takes at a turn, in the chart. */
    private Geometry handle(double middle) {
        List<Coordinate> edge = new ArrayList<>();
        double widest = side.widestRadiusMm();
        int steps = 24;
        for (int i = 0; i <= steps; i++) {
            double up = side.slantMm() * i / steps;
            edge.add(new Coordinate((middle - side.handleHalfAngle(up)) * widest, up));
        }
        for (int i = steps; i >= 0; i--) {
            double up = side.slantMm() * i / steps;
            edge.add(new Coordinate((middle + side.handleHalfAngle(up)) * widest, up));
        }
        edge.add(edge.get(0).copy());
        return Shapes.FACTORY.createPolygon(edge.toArray(new Coordinate[0]));
    }

    /** A single thing must not lie across the seam of a wrap; where there is no wrap there is no seam. */
    private void seam(int i, double taken) {
        Item item = item(i);
        boolean wrapped = design.items().stream().anyMatch(other -> other.sheet() == Sheet.PAPER);
        if (!wrapped || item.sheet() == Sheet.PAPER || item.motifs() > 1 || taken >= 2 * Math.PI) {
            return;
        }
        double off = turned(item.lay().angle() - design.seamAngle());
        double in = taken / 2 - Math.abs(off);
        if (in > 1e-9 && Math.abs(off) > COVERS * taken) {
            double clear = off < 0 ? -taken / 2 : taken / 2;
            say(
                    Concern.Kind.ACROSS_THE_SEAM,
                    i,
                    "%s lies %s across the seam of the wrap."
                            .formatted(
                                    item.name(),
                                    mm(in * side.radiusMm(item.lay().upMm()))),
                    Optional.of(item.at(item.lay().around(turned(design.seamAngle() + clear * 1.01)))));
        }
    }

    private void bend(int i) {
        Item item = item(i);
        Lay place = item.lay();
        Laid one = laid.get(i).get(0);
        if (flat instanceof StripsFlat) {
            double here = side.radiusMm(place.upMm());
            double most = Math.max(
                    Math.abs(side.radiusMm(one.box().getMinY()) / here - 1),
                    Math.abs(side.radiusMm(one.box().getMaxY()) / here - 1));
            if (most > Flat.STRETCH) {
                say(
                        Concern.Kind.STRETCHES,
                        i,
                        "%s has to give by up to %s %% between its middle and its ends: lay it in upright strips."
                                .formatted(item.name(), Numbers.show(100 * most, 1)),
                        Optional.empty());
            }
        } else if (place.bend() == Lay.Bend.STRAIGHT) {
            double climb = flat.climbMm(place.upMm(), place.widthMm());
            if (climb > SEEN_CLIMB_MM) {
                boolean up = side.radiusMm(side.slantMm()) > side.radiusMm(0);
                say(
                        Concern.Kind.CLIMBS,
                        i,
                        "The ends of %s %s %s on this taper.".formatted(item.name(), up ? "climb" : "fall", mm(climb)),
                        Optional.of(item.at(new Lay(
                                place.upMm(), place.angle(), place.tiltDeg(), place.widthMm(), Lay.Bend.LEVEL))));
            }
        }
    }

    private void cutting(int i) {
        Item item = item(i);
        List<Piece> pieces = item.pieces();
        if (item.sheet() == Sheet.PAPER) {
            return;
        }
        int small = 0;
        int thin = 0;
        int islands = 0;
        for (Piece piece : pieces) {
            for (Polygon part : Shapes.polygons(piece.shape())) {
                Envelope box = part.getEnvelopeInternal();
                small += Math.max(box.getWidth(), box.getHeight()) < SMALL_MM ? 1 : 0;
            }
            Geometry coarser = piece.points() > 2000
                    ? DouglasPeuckerSimplifier.simplify(piece.shape(), COARSER_MM)
                    : piece.shape();
            thin += Shapes.thin(coarser, item.sheet().thinnestMm()).size();
            islands += item.sheet().isOpenings() ? Bridges.islands(piece.shape()) : 0;
        }
        if (item.isTooFine()) {
            say(
                    Concern.Kind.TOO_FINE,
                    i,
                    "%s is too jagged for an outline, and lies here without one: smooth or simplify its paths."
                            .formatted(item.name()),
                    Optional.empty());
        }
        if (small > 0) {
            say(
                    Concern.Kind.TOO_SMALL,
                    i,
                    "%s has %d %s under %s: they are lost when it is weeded."
                            .formatted(item.name(), small, small == 1 ? "part" : "parts", mm(SMALL_MM)),
                    Optional.empty());
        }
        if (thin > 0) {
            say(
                    Concern.Kind.TOO_THIN,
                    i,
                    "%s is thinner than %s in %d %s."
                            .formatted(
                                    item.name(), mm(item.sheet().thinnestMm()), thin, thin == 1 ? "place" : "places"),
                    Optional.empty());
        }
        if (islands > 0) {
            say(
                    Concern.Kind.ISLANDS,
                    i,
                    "%s has %d %s that nothing holds."
                            .formatted(item.name(), islands, islands == 1 ? "island" : "islands"),
                    Optional.of(item.bridged(BRIDGE_MM)));
        }
    }

    /** P63: uncoated vinyl or slides one over the other. */
    private void over(int i) {
        if (!item(i).sheet().buckles()) {
            return;
        }
        for (int below = 0; below < i; below++) {
            if (!item(below).sheet().buckles()) {
                continue;
            }
            double mm2 = overlapMm2(laid.get(i), laid.get(below));
            if (mm2 > OVERLAP_MM2) {
                say(
                        Concern.Kind.BUMPS,
                        i,
                        "%s lies on %s over %s mm²: a thin coat between, or they buckle."
                                .formatted(item(i).name(), item(below).name(), Numbers.show(mm2, 0)),
                        Optional.empty());
            }
        }
    }

    private double overlapMm2(List<Laid> upper, List<Laid> lower) {
        double mm2 = 0;
        for (Laid above : upper) {
            for (Laid below : lower) {
                double turns = Math.PI * 2 * side.widestRadiusMm();
                double apart = Math.rint((below.box().centre().x - above.box().centre().x) / turns) * turns;
                Envelope moved = new Envelope(above.box());
                moved.translate(apart, 0);
                if (moved.intersects(below.box())) {
                    mm2 += common(above, below, apart)
                            * side.radiusMm(above.lay().upMm())
                            / side.widestRadiusMm();
                }
            }
        }
        return mm2;
    }

    private static double common(Laid above, Laid below, double apart) {
        Geometry top = Shapes.joined(above.pieces().stream().map(Piece::shape).toList());
        Geometry ground =
                Shapes.joined(below.pieces().stream().map(Piece::shape).toList());
        Geometry moved = AffineTransformation.translationInstance(apart, 0).transform(top);
        return Shapes.common(moved, ground).getArea();
    }
}
