package nursery.core.wrap;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Envelope;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.Polygon;
import org.locationtech.jts.geom.util.AffineTransformation;

/**
 * What a design takes of sheets. Each colour is a roll of its own; where a motif has several, a cross and a square are
 * cut beside it out of each, at the same places, by which one is laid exactly on another.
 */
public final class Cuts {

    private static final double CM2_PER_MM2 = 0.01;
    /** As large as fingers and a needle can peel off again; from memory. */
    private static final double MARK_MM = 5;
    /** No arm of a mark is thinner than any sheet can be weeded. */
    private static final double ARM_MM = 1.6;
    /** So far from the art that a mark is peeled off without it. */
    private static final double CLEAR_MM = 2;

    private Cuts() {}

    /**
     * What is cut out of one roll.
     *
     * @param colour as it is cut, {@code #rrggbb}; of one film, whatever shows through or is printed on it, the first
     * @param cm2 of the sheet, what falls out of it as well
     */
    public record Cut(Sheet sheet, String colour, double cm2) {}

    /**
     * What is cut from one colour and carried over by one film: its pieces keep their places to each other, and to
     * those of the motif's other colours.
     *
     * @param item whose it is
     * @param pieces true in size, the motif upright, y upwards
     * @param marks that register it on the other colours; none if there are no others
     */
    public record Part(Item item, String name, String colour, List<Polygon> pieces, List<Polygon> marks) {

        public Part {
            pieces = List.copyOf(pieces);
            marks = List.copyOf(marks);
        }

        public double areaMm2() {
            return pieces.stream().mapToDouble(Polygon::getArea).sum();
        }

        /** What it takes of its roll. */
        public Envelope box() {
            Envelope box = around(pieces);
            box.expandToInclude(around(marks));
            return box;
        }
    }

    public static List<Part> parts(Fitting fitting) {
        List<Part> parts = new ArrayList<>();
        for (int i = 0; i < fitting.laid().size(); i++) {
            Item item = fitting.design().items().get(i);
            List<Laid> motifs = fitting.laid().get(i);
            for (int motif = 0; motif < motifs.size(); motif++) {
                String name = item.name() + (motifs.size() > 1 ? " " + (motif + 1) : "");
                Map<String, List<Polygon>> colours = colours(item.sheet(), motifs.get(motif));
                List<Polygon> marks = colours.size() < 2
                        ? List.of()
                        : marks(around(
                                colours.values().stream().flatMap(List::stream).toList()));
                colours.forEach((colour, pieces) -> parts.add(new Part(item, name, colour, pieces, marks)));
            }
        }
        return parts;
    }

    public static List<Cut> of(Fitting fitting) {
        record Of(Item item, String colour) {}
        Map<Of, Double> taken = new LinkedHashMap<>();
        for (Part part : parts(fitting)) {
            taken.merge(new Of(part.item(), part.colour()), part.box().getArea(), Double::sum);
        }
        List<Cut> cuts = new ArrayList<>();
        taken.forEach((of, mm2) -> cuts.add(new Cut(of.item().sheet(), of.colour(), mm2 * CM2_PER_MM2)));
        return cuts;
    }

    private static Map<String, List<Polygon>> colours(Sheet sheet, Laid laid) {
        AffineTransformation upright = AffineTransformation.rotationInstance(laid.lean());
        Map<String, List<Polygon>> colours = new LinkedHashMap<>();
        for (Piece piece : laid.cut()) {
            String colour = sheet.isOneFilm() && !colours.isEmpty()
                    ? colours.keySet().iterator().next()
                    : piece.colour();
            colours.computeIfAbsent(colour, fresh -> new ArrayList<>())
                    .addAll(Shapes.polygons(upright.transform(piece.shape())));
        }
        return colours;
    }

    /** Above its upper left corner and below its lower right one: as far apart as can be, and no wider than it is. */
    private static List<Polygon> marks(Envelope box) {
        double half = MARK_MM / 2;
        return List.of(
                cross(new Coordinate(box.getMinX() + half, box.getMaxY() + CLEAR_MM + half)),
                square(new Coordinate(
                        Math.max(box.getMaxX() - half, box.getMinX() + half), box.getMinY() - CLEAR_MM - half)));
    }

    private static Polygon cross(Coordinate middle) {
        double far = MARK_MM / 2;
        double near = ARM_MM / 2;
        double[][] corners = {
            {near, near},
            {near, far},
            {-near, far},
            {-near, near},
            {-far, near},
            {-far, -near},
            {-near, -near},
            {-near, -far},
            {near, -far},
            {near, -near},
            {far, -near},
            {far, near}
        };
        return polygon(middle, corners);
    }

    private static Polygon square(Coordinate middle) {
        double far = MARK_MM / 2;
        return polygon(middle, new double[][] {{far, far}, {-far, far}, {-far, -far}, {far, -far}});
    }

    private static Polygon polygon(Coordinate middle, double[][] corners) {
        Coordinate[] ring = new Coordinate[corners.length + 1];
        for (int i = 0; i < ring.length; i++) {
            double[] corner = corners[i % corners.length];
            ring[i] = new Coordinate(middle.x + corner[0], middle.y + corner[1]);
        }
        return Shapes.FACTORY.createPolygon(ring);
    }

    private static Envelope around(List<? extends Geometry> shapes) {
        Envelope box = new Envelope();
        shapes.forEach(shape -> box.expandToInclude(shape.getEnvelopeInternal()));
        return box;
    }
}
