package nursery.core.wrap;

import java.util.ArrayList;
import java.util.List;
import nursery.core.measure.Faults;
import org.locationtech.jts.geom.Geometry;

/**
 * One thing of a design: art with its place, what it is cut from, and what is made of it.
 *
 * @param name as the maker knows it
 * @param make what is done with its pieces before they are cut
 * @param motifs how often it goes around; 1 for once
 */
public record Item(String name, Art art, Lay lay, Sheet sheet, Make make, int motifs) {

    /** The outline's width practice has, from 1.5 to 2 (P54). */
    public static final double USUAL_OUTLINE_MM = 1.75;

    private static final double WIDEST_OUTLINE_MM = 20;

    /**
     * What is made of art: joined, outlined, bridged. Outlines are made of the art in its size, so that they keep their
     * width when it changes.
     *
     * @param joined whether its pieces become one
     * @param outlinesMm widths of outlines, the inner first; none for none
     * @param colours of the outlines, as many
     * @param under whether an outline is a whole shape laid under the art; else it lies beside it
     * @param keepHoles whether outlines have the holes of the art
     * @param bridgeMm how wide the bridges are that hold a stencil's islands; 0 for none
     * @param clearSeam whether what would lie across the seam is left out: half motifs there
     * @param recoloured what is cut in another colour than it was drawn in
     */
    public record Make(
            boolean joined,
            List<Double> outlinesMm,
            List<String> colours,
            boolean under,
            boolean keepHoles,
            double bridgeMm,
            boolean clearSeam,
            Colours recoloured) {

        public static final Make NOTHING = new Make(false, List.of(), List.of(), true, false, 0);

        /** In the colours it was drawn in, all of it. */
        public Make(
                boolean joined,
                List<Double> outlinesMm,
                List<String> colours,
                boolean under,
                boolean keepHoles,
                double bridgeMm) {
            this(joined, outlinesMm, colours, under, keepHoles, bridgeMm, false, Colours.AS_DRAWN);
        }

        public Make {
            outlinesMm = List.copyOf(outlinesMm);
            colours = List.copyOf(colours);
            Faults faults = new Faults();
            outlinesMm.forEach(mm -> faults.within("outline", "An outline", mm, 0.1, WIDEST_OUTLINE_MM, "mm"));
            faults.within("bridge", "A bridge", bridgeMm, 0, WIDEST_OUTLINE_MM, "mm");
            faults.require(colours.size() == outlinesMm.size(), "outline", "Each outline has one colour.");
            faults.throwIfAny();
        }

        Make bridged(double mm) {
            return new Make(joined, outlinesMm, colours, under, keepHoles, mm, clearSeam, recoloured);
        }
    }

    public Item {
        Faults faults = new Faults();
        faults.within("motifs", "The number of motifs", motifs, 1, 500, "");
        faults.throwIfAny();
    }

    public Item at(Lay other) {
        return new Item(name, art, other, sheet, make, motifs);
    }

    public Item bridged(double mm) {
        return new Item(name, art, lay, sheet, make.bridged(mm), motifs);
    }

    /** Whether it is too jagged for the outlines that are wanted: it lies there without them. */
    boolean isTooFine() {
        return !make.outlinesMm().isEmpty()
                && !canBeOutlined(Shapes.joined(art.wide(lay.widthMm()).pieces().stream()
                        .map(Piece::shape)
                        .toList()));
    }

    private boolean canBeOutlined(Geometry inner) {
        double mm = 0;
        for (double wide : make.outlinesMm()) {
            mm += wide;
            if (!Shapes.canBeGrown(inner, mm)) {
                return false;
            }
        }
        return true;
    }

    /** Its pieces in their size around their middle, what lies lowest first. */
    public List<Piece> pieces() {
        List<Piece> sized = art.wide(lay.widthMm()).pieces().stream()
                .map(piece -> piece.coloured(make.recoloured().of(piece)))
                .toList();
        if (make.joined()) {
            sized = List.of(sized.get(0)
                    .with(Shapes.joined(sized.stream().map(Piece::shape).toList())));
        }
        if (make.bridgeMm() > 0) {
            sized = sized.stream()
                    .map(piece -> piece.with(Bridges.across(piece.shape(), make.bridgeMm())))
                    .toList();
        }
        if (make.outlinesMm().isEmpty()) {
            return sized;
        }
        List<Piece> pieces = new ArrayList<>();
        Geometry inner = Shapes.joined(sized.stream().map(Piece::shape).toList());
        if (!canBeOutlined(inner)) {
            return sized;
        }
        Geometry whole = inner;
        double mm = 0;
        for (int i = 0; i < make.outlinesMm().size(); i++) {
            mm += make.outlinesMm().get(i);
            Geometry grown = Shapes.grown(inner, mm, make.keepHoles());
            Geometry shown = make.under() ? grown : Shapes.beside(grown, whole);
            pieces.add(0, new Piece("outline " + (i + 1), make.colours().get(i), shown));
            whole = Shapes.joined(List.of(whole, grown));
        }
        pieces.addAll(sized);
        return pieces;
    }

    /**
     * As it lies on a side; one for each time it goes around.
     *
     * @param seamAngle where a seam is, radians from the front
     */
    public List<Laid> laid(Flat flat, double seamAngle) {
        List<Piece> pieces = pieces();
        double heightMm = art.heightMm() * scale();
        List<Laid> laid = new ArrayList<>();
        for (int i = 0; i < motifs; i++) {
            // Each motif within half a turn of the front: on the sheet they lie beside each other.
            double angle = motifs == 1 ? lay.angle() : Fitting.turned(lay.angle() + 2 * Math.PI * i / motifs);
            Laid one = Laid.of(flat, pieces, heightMm, lay.around(angle));
            laid.add(make.clearSeam() ? one.clearOf(seamAngle) : one);
        }
        List<Laid> left = laid.stream().filter(one -> !one.pieces().isEmpty()).toList();
        return left.isEmpty() ? laid.subList(0, 1) : left;
    }

    /** How much larger it is laid than it was drawn, 1 for as it is. */
    public double scale() {
        return lay.widthMm() / art.widthMm();
    }

    /** Strips of so many motifs each, as they are laid one after the other (P55). */
    public List<Integer> strips(Side side, int each) {
        return new Repeat(side.aroundMm(lay.upMm()), Math.max(1, lay.widthMm()), motifs).strips(each);
    }

    /** The width at which its motifs close around a cup, with so much between them. */
    public double closingWidthMm(Side side, double gapMm) {
        Repeat repeat = Repeat.closing(side.aroundMm(lay.upMm()), lay.widthMm() + gapMm);
        return lay.widthMm() * repeat.scale();
    }
}
