package nursery.app.wrap;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import nursery.app.platform.Show;
import nursery.core.wrap.Design;
import nursery.core.wrap.Fitting;
import nursery.core.wrap.Flat;
import nursery.core.wrap.Laid;
import nursery.core.wrap.OnCup;
import nursery.core.wrap.OnFlat;
import nursery.core.wrap.Piece;
import nursery.core.wrap.Shapes;
import nursery.core.wrap.Side;
import nursery.core.wrap.StripsFlat;
import nursery.core.wrap.WaveLine;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Envelope;
import org.locationtech.jts.geom.Geometry;

/**
 * The flat of a cup with what lies on it, one unit a millimetre, y downwards.
 *
 * @param clip once around: what reaches over one end of the sheet is drawn on at the other
 * @param shapes the sheet, what stays bare, where the handle is, lines
 * @param items what lies on it, each to be dragged
 * @param words measures, written in
 */
record FlatDrawing(
        double left,
        double top,
        double width,
        double height,
        String clip,
        List<Shaped> shapes,
        List<Placed> items,
        List<Word> words) {

    /** Around the sheet, for its measures. */
    private static final double MARGIN_MM = 25;

    private static final int EDGE_STEPS = 96;
    private static final int STRETCH_STEPS = 40;
    /** Where a band says its name: at the left end of the sheet, where pictures are seldom. */
    private static final double BAND_WORDS = -0.93 * Math.PI;
    /** What stands over rim or base is seen so far. */
    private static final double OVER_MM = 60;

    /** @param kind what it is, a class of the style sheet */
    record Shaped(String kind, String path) {}

    /** @param place which item; @param x,y its middle on the flat */
    record Placed(int place, double x, double y, List<Coloured> pieces) {}

    record Coloured(String colour, String path) {}

    record Word(double x, double y, String anchor, String text) {}

    static FlatDrawing of(Fitting fitting, Show show) {
        Flat flat = fitting.flat();
        Side side = flat.side();
        List<Shaped> shapes = new ArrayList<>();
        Envelope box = new Envelope();
        Geometry sheet = band(flat, 0, side.slantMm(), -Math.PI, Math.PI);
        box.expandToInclude(sheet.getEnvelopeInternal());
        shapes.add(new Shaped("flat-sheet", SvgPath.shown(sheet)));
        bare(flat, 0, side.coatedFromMm(), shapes);
        bare(flat, side.coatedToMm(), side.slantMm(), shapes);
        stretch(fitting, shapes);
        if (side.hasHandle()) {
            shapes.add(new Shaped("flat-handle", SvgPath.shown(handle(flat, -1))));
            shapes.add(new Shaped("flat-handle", SvgPath.shown(handle(flat, 1))));
        }
        shapes.add(new Shaped("flat-front", upright(flat, 0)));
        if (!side.hasHandle()) {
            shapes.add(new Shaped("flat-seam", upright(flat, fitting.design().seamAngle() * 0.9999)));
        }
        fitting.design().lines().forEach(band -> shapes.add(new Shaped("flat-band", line(flat, band.line()))));
        List<Placed> items = new ArrayList<>();
        for (int i = 0; i < fitting.laid().size(); i++) {
            items.add(placed(fitting.laid().get(i), i, box));
        }
        box.expandBy(MARGIN_MM);
        return new FlatDrawing(
                box.getMinX(),
                -box.getMaxY(),
                box.getWidth(),
                box.getHeight(),
                SvgPath.shown(once(flat)),
                shapes,
                items,
                words(fitting, sheet.getEnvelopeInternal(), show));
    }

    public String viewBox() {
        return "%.1f %.1f %.1f %.1f".formatted(left, top, width, height);
    }

    /** Once around, and past rim and base what may lie there by mistake. */
    static Geometry once(Flat flat) {
        return band(flat, -OVER_MM, flat.side().slantMm() + OVER_MM, -Math.PI, Math.PI);
    }

    private static Placed placed(List<Laid> laid, int place, Envelope box) {
        Laid first = laid.get(0);
        OnFlat middle =
                first.flat().at(new OnCup(first.lay().angle(), first.lay().upMm()));
        List<Coloured> pieces = new ArrayList<>();
        for (Laid one : laid) {
            for (Laid turned : onSheet(one)) {
                for (Piece piece : turned.cut()) {
                    pieces.add(new Coloured(piece.colour(), SvgPath.shown(piece.shape())));
                }
            }
            box.expandToInclude(0, one.box().getMinY());
            box.expandToInclude(0, one.box().getMaxY());
        }
        return new Placed(place, middle.xMm(), -middle.yMm(), pieces);
    }

    /** The same turned so that it lies on the sheet: once, or at both ends if it reaches over one. */
    static List<Laid> onSheet(Laid laid) {
        double widest = laid.flat().side().widestRadiusMm();
        List<Laid> turned = new ArrayList<>();
        for (int turn = -3; turn <= 3; turn++) {
            double by = 2 * Math.PI * turn;
            if (laid.box().getMinX() / widest + by < Math.PI && laid.box().getMaxX() / widest + by > -Math.PI) {
                turned.add(laid.turned(by));
            }
        }
        return turned;
    }

    /** Of a bulged side: how much the first thing on it would have to give, were it laid in one piece. */
    private static void stretch(Fitting fitting, List<Shaped> shapes) {
        if (!(fitting.flat() instanceof StripsFlat) || fitting.design().items().isEmpty()) {
            return;
        }
        Side side = fitting.flat().side();
        double here = side.radiusMm(fitting.design().items().get(0).lay().upMm());
        double step = side.slantMm() / STRETCH_STEPS;
        for (int i = 0; i < STRETCH_STEPS; i++) {
            double gives = Math.abs(side.radiusMm((i + 0.5) * step) / here - 1);
            int degree = gives > 0.06 ? 3 : gives > 0.03 ? 2 : gives > 0.01 ? 1 : 0;
            if (degree > 0) {
                shapes.add(new Shaped(
                        "flat-stretch s" + degree,
                        SvgPath.shown(band(fitting.flat(), i * step, (i + 1) * step, -Math.PI, Math.PI))));
            }
        }
    }

    private static void bare(Flat flat, double from, double to, List<Shaped> shapes) {
        if (to - from > 0.01) {
            shapes.add(new Shaped("flat-bare", SvgPath.shown(band(flat, from, to, -Math.PI, Math.PI))));
        }
    }

    /** The side between two heights and two angles; of strips each by itself. */
    static Geometry band(Flat flat, double from, double to, double left, double right) {
        if (flat instanceof StripsFlat strips) {
            List<Geometry> parts = new ArrayList<>();
            double half = Math.PI / strips.count();
            int middle = strips.count() / 2;
            for (int i = -middle; i < strips.count() - middle; i++) {
                double at = i * 2 * half;
                parts.add(outline(flat, from, to, at - half * 0.9999, at + half * 0.9999));
            }
            return Shapes.FACTORY.buildGeometry(parts);
        }
        return outline(flat, from, to, left, right);
    }

    private static Geometry outline(Flat flat, double from, double to, double left, double right) {
        List<Coordinate> edge = new ArrayList<>();
        for (int i = 0; i <= EDGE_STEPS; i++) {
            edge.add(at(flat, left + (right - left) * i / EDGE_STEPS, from));
        }
        for (int i = 0; i <= EDGE_STEPS; i++) {
            edge.add(at(flat, right, from + (to - from) * i / EDGE_STEPS));
        }
        for (int i = EDGE_STEPS; i >= 0; i--) {
            edge.add(at(flat, left + (right - left) * i / EDGE_STEPS, to));
        }
        for (int i = EDGE_STEPS; i >= 0; i--) {
            edge.add(at(flat, left, from + (to - from) * i / EDGE_STEPS));
        }
        edge.add(edge.get(0).copy());
        return Shapes.FACTORY.createPolygon(edge.toArray(new Coordinate[0]));
    }

    private static Coordinate at(Flat flat, double angle, double up) {
        OnFlat place = flat.at(new OnCup(angle, up));
        return new Coordinate(place.xMm(), place.yMm());
    }

    /** Half of what the handle takes, at one end of the sheet. */
    private static Geometry handle(Flat flat, int end) {
        Side side = flat.side();
        List<Coordinate> edge = new ArrayList<>();
        for (int i = 0; i <= EDGE_STEPS; i++) {
            edge.add(at(flat, end * Math.PI * 0.9999, side.slantMm() * i / EDGE_STEPS));
        }
        for (int i = EDGE_STEPS; i >= 0; i--) {
            double up = side.slantMm() * i / EDGE_STEPS;
            edge.add(at(flat, end * (Math.PI - side.handleHalfAngle(up)), up));
        }
        edge.add(edge.get(0).copy());
        return Shapes.FACTORY.createPolygon(edge.toArray(new Coordinate[0]));
    }

    private static String bandWords(Design.Band band, Show show) {
        String name = band.name().isEmpty() ? "" : band.name() + ", ";
        WaveLine line = band.line();
        return Math.abs(line.frontMm() - line.backMm()) < 0.5
                ? name + show.length(line.frontMm())
                : "%sfront %s, back %s".formatted(name, show.length(line.frontMm()), show.length(line.backMm()));
    }

    private static String line(Flat flat, WaveLine line) {
        StringBuilder path = new StringBuilder();
        for (int i = 0; i <= 2 * EDGE_STEPS; i++) {
            double angle = 0.9999 * Math.PI * (i / (double) EDGE_STEPS - 1);
            Coordinate on = at(flat, angle, line.upMm(angle));
            path.append("%s%.2f %.2f".formatted(i == 0 ? "M" : "L", on.x, -on.y));
        }
        return path.toString();
    }

    private static String upright(Flat flat, double angle) {
        Coordinate foot = at(flat, angle, 0);
        Coordinate top = at(flat, angle, flat.side().slantMm());
        return "M%.2f %.2fL%.2f %.2f".formatted(foot.x, -foot.y, top.x, -top.y);
    }

    private static List<Word> words(Fitting fitting, Envelope sheet, Show show) {
        Flat flat = fitting.flat();
        Side side = flat.side();
        List<Word> words = new ArrayList<>();
        Coordinate foot = at(flat, 0, 0);
        Coordinate top = at(flat, 0, side.slantMm());
        words.add(new Word(foot.x, -foot.y + 9, "middle", "base " + show.length(side.aroundMm(0)) + " around"));
        words.add(
                new Word(top.x, -top.y - 4, "middle", "rim " + show.length(side.aroundMm(side.slantMm())) + " around"));
        words.add(new Word(3, -foot.y - 3, "start", "front"));
        for (Design.Band band : fitting.design().lines()) {
            // Above its highest place, so that it does not run through its own name.
            double highest = Math.max(band.line().frontMm(), band.line().backMm())
                    + band.line().swellMm();
            Coordinate on = at(flat, BAND_WORDS, highest);
            words.add(new Word(on.x, -on.y - 2, "start", bandWords(band, show)));
        }
        double below = -sheet.getMinY() + 21;
        words.add(new Word(sheet.getMinX(), below, "start", show.length(side.slantMm()) + " along the side"));
        words.add(new Word(sheet.getMaxX(), below, "end", show.length(side.coatedMm()) + " of it coated"));
        if (side.hasHandle()) {
            words.add(new Word(sheet.getMaxX(), -sheet.getMaxY() - 4, "end", "handle"));
        }
        return words;
    }

    /** An item by its place, if there is one. */
    Optional<Placed> item(int place) {
        return items.stream().filter(item -> item.place() == place).findFirst();
    }
}
