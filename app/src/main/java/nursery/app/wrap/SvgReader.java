package nursery.app.wrap;

import java.awt.Shape;
import java.awt.geom.AffineTransform;
import java.awt.geom.Path2D;
import java.awt.geom.PathIterator;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import nursery.core.measure.Faults;
import nursery.core.measure.InvalidInput;
import nursery.core.wrap.Art;
import org.apache.batik.parser.AWTTransformProducer;
import org.apache.batik.parser.ParseException;
import org.locationtech.jts.geom.Coordinate;
import org.w3c.dom.Element;
import org.w3c.dom.Node;

/**
 * Reads an SVG file: parsed with nothing outside of it, then walked from the root, transforms and fills being inherited
 * on the way down.
 */
final class SvgReader {

    private static final int MOST_ELEMENTS = 20_000;
    /** A curve is nowhere further from its corners than this part of the drawing. */
    private static final double FINENESS = 1 / 20_000.0;

    private static final String TEXT = "Text is left out: turn it into outlines first.";
    /** How deep clones may lie in one another. */
    private static final int MOST_CLONES = 12;

    private final SvgStyles styles;
    private final List<SvgDrawing.Filled> found = new ArrayList<>();
    private final Set<String> left = new TreeSet<>();
    private int elements;
    private int points;
    private double flatness = 0.01;

    private int clones;

    private SvgReader(SvgStyles styles) {
        this.styles = styles;
    }

    /** @throws InvalidInput if it is no SVG that can be read, with what to do */
    static SvgDrawing read(byte[] file) {
        SvgShapes.refuseIf(
                file.length > SvgDrawing.LARGEST_BYTES,
                "The file is larger than %d MB: simplify its paths.".formatted(SvgDrawing.LARGEST_BYTES >> 20));
        return new SvgReader(new SvgStyles(SvgXml.parsed(file))).read();
    }

    private SvgDrawing read() {
        Element root = styles.root();
        double[] box = SvgShapes.numbers(root.getAttribute("viewBox"));
        boolean hasBox = SvgView.isBox(box);
        double widthMm = SvgShapes.lengthMm(
                root.getAttribute("width"), hasBox ? box[2] * SvgShapes.UNITS.getOrDefault("", 1.0) : 100);
        double heightMm = SvgShapes.lengthMm(root.getAttribute("height"), hasBox ? box[3] * widthMm / box[2] : widthMm);
        double px = SvgShapes.UNITS.getOrDefault("px", 1.0);
        AffineTransform toMm = hasBox
                ? new SvgView(widthMm, heightMm).fitting(box, root.getAttribute("preserveAspectRatio"))
                : AffineTransform.getScaleInstance(px, px);
        SvgView view = hasBox ? new SvgView(box[2], box[3]) : new SvgView(widthMm / px, heightMm / px);
        Faults faults = new Faults();
        faults.within("file", "The drawing's width", widthMm, 0.1, 10_000, "mm");
        faults.within("file", "The drawing's height", heightMm, 0.1, 10_000, "mm");
        faults.throwIfAny();
        flatness = Math.hypot(widthMm, heightMm) * FINENESS;
        Style page = below(new Style(toMm, "", view), root);
        children(root, page.in(""), 0);
        if (styles.isPassedOver()) {
            left.add("Some rules of its style sheet are not read: look whether its colours are right.");
        }
        return new SvgDrawing(List.copyOf(found), widthMm, heightMm, List.copyOf(left));
    }

    private void children(Element parent, Style style, int depth) {
        SvgShapes.refuseIf(
                depth > MOST_CLONES * SvgStyles.DEEPEST, "Its clones lie too deep in one another: ungroup them.");
        for (Node child = parent.getFirstChild(); child != null; child = child.getNextSibling()) {
            if (child instanceof Element element) {
                elements++;
                SvgShapes.refuseIf(
                        elements > MOST_ELEMENTS,
                        "It has more than %d elements: join or simplify them.".formatted(MOST_ELEMENTS));
                element(element, style, depth);
            }
        }
    }

    private void element(Element element, Style above, int depth) {
        if (styles.of(element, "display").equals("none") || isNothing(styles.of(element, "opacity"))) {
            return;
        }
        Style style = below(above, element);
        switch (SvgStyles.name(element)) {
            case "g", "a", "switch" -> children(element, style, depth + 1);
            case "svg" -> children(element, inside(element, style, Optional.empty()), depth + 1);
            case "use" -> clone(element, style, depth);
            case "path" -> draw(element, style, SvgShapes.path(element.getAttribute("d")));
            case "rect" -> draw(element, style, Optional.of(SvgShapes.rectangle(element, style.view())));
            case "circle" -> {
                double r = SvgShapes.n(element, "r", style.view().diagonal());
                draw(element, style, Optional.of(SvgShapes.round(element, style.view(), r, r)));
            }
            case "ellipse" ->
                draw(
                        element,
                        style,
                        Optional.of(SvgShapes.round(
                                element,
                                style.view(),
                                SvgShapes.n(element, "rx", style.view().width()),
                                SvgShapes.n(element, "ry", style.view().height()))));
            case "polygon", "polyline" ->
                draw(element, style, SvgShapes.polygon(element.getAttribute("points"), isEvenOdd(element)));
            case "line" -> left.add("Lines have no area: outline their strokes first.");
            case "text", "tspan", "textPath" -> left.add(TEXT);
            case "image" -> left.add("Pictures are left out: trace them into shapes first.");
            case "symbol" -> {
                // Drawn where it is used, and nowhere else.
            }
            case "clipPath", "mask" -> left.add("Clips and masks are not read: cut the shapes by them first.");
            default -> {
                // Titles, descriptions, gradients and what other programs keep for themselves draws nothing.
            }
        }
    }

    private static boolean isWithin(Node inner, Node outer) {
        for (Node at = inner; at != null; at = at.getParentNode()) {
            if (at == outer) {
                return true;
            }
        }
        return false;
    }

    private static boolean isNothing(String opacity) {
        return opacity.matches("0*\\.?0*") && opacity.contains("0");
    }

    /** A view of its own inside another: a drawing in a drawing, or a symbol where it is used. */
    private Style inside(Element element, Style style, Optional<Element> use) {
        SvgView outer = style.view();
        double width = size(element, use, "width", outer.width());
        double height = size(element, use, "height", outer.height());
        AffineTransform at = new AffineTransform(style.at());
        if (SvgStyles.name(element).equals("svg")) {
            at.translate(SvgShapes.n(element, "x", outer.width()), SvgShapes.n(element, "y", outer.height()));
        }
        double[] box = SvgShapes.numbers(element.getAttribute("viewBox"));
        SvgView view = new SvgView(width, height);
        if (SvgView.isBox(box) && width > 0 && height > 0) {
            at.concatenate(view.fitting(box, element.getAttribute("preserveAspectRatio")));
            view = new SvgView(box[2], box[3]);
        }
        return style.at(at, view);
    }

    /** What is said where it is used counts before what it says itself; else it is as large as what it lies in. */
    private static double size(Element element, Optional<Element> use, String attribute, double whole) {
        return use.filter(one -> one.hasAttribute(attribute))
                .or(() -> Optional.of(element).filter(one -> one.hasAttribute(attribute)))
                .map(one -> SvgShapes.n(one, attribute, whole))
                .orElse(whole);
    }

    /** Draws what is used where it is used (SVG 1.1, 5.6). */
    private void clone(Element use, Style style, int depth) {
        String id = use.getAttribute("href").strip();
        Optional<Element> used = id.startsWith("#") ? styles.find(id.substring(1)) : Optional.empty();
        if (used.isEmpty()) {
            left.add("A clone of something that is not in the file is left out.");
            return;
        }
        SvgShapes.refuseIf(
                clones >= MOST_CLONES || isWithin(use, used.get()),
                "A clone is made of itself: turn it into shapes of its own.");
        clones++;
        elements++;
        SvgShapes.refuseIf(
                elements > MOST_ELEMENTS,
                "It has more than %d elements: join or simplify them.".formatted(MOST_ELEMENTS));
        AffineTransform at = new AffineTransform(style.at());
        at.translate(
                SvgShapes.n(use, "x", style.view().width()),
                SvgShapes.n(use, "y", style.view().height()));
        Style there = style.at(at, style.view());
        // A copy of it where it is used: there it inherits what it inherits.
        Element target = (Element) used.get().cloneNode(true);
        use.appendChild(target);
        if (SvgStyles.name(target).equals("symbol")) {
            children(target, inside(target, below(there, target), Optional.of(use)), depth + 1);
        } else {
            element(target, there, depth + 1);
        }
        use.removeChild(target);
        clones--;
    }

    private Style below(Style above, Element element) {
        AffineTransform at = new AffineTransform(above.at());
        String transform = styles.transform(element);
        if (!transform.isBlank()) {
            try {
                at.concatenate(AWTTransformProducer.createAffineTransform(transform));
            } catch (ParseException e) {
                throw SvgShapes.refused("A transform cannot be read: “%s”.".formatted(SvgShapes.shortened(transform)));
            }
        }
        if (styles.isSet(element, "clip-path") || styles.isSet(element, "mask")) {
            left.add("Clips and masks are not read: cut the shapes by them first.");
        }
        String id = element.getAttribute("id").strip();
        return new Style(at, id.isEmpty() ? above.group() : SvgShapes.shortened(id), above.view());
    }

    private void draw(Element element, Style style, Optional<Shape> shape) {
        if (shape.isEmpty() || !styles.of(element, "visibility").equals("visible")) {
            return;
        }
        String fill = isNothing(styles.of(element, "fill-opacity")) ? "none" : styles.of(element, "fill");
        boolean isStroked = styles.isSet(element, "stroke");
        if (fill.equals("none")) {
            left.add(
                    isStroked
                            ? "Strokes without a fill are left out: outline them first."
                            : "Shapes without a fill are left out: what is to be cut must be filled.");
            return;
        }
        if (isStroked) {
            left.add("Of shapes with a stroke the fill alone is cut: outline the strokes, too, if they are meant.");
        }
        List<Coordinate[]> rings = rings(shape.get(), style.at());
        if (!rings.isEmpty()) {
            String named = style.group().isEmpty()
                    ? "%s %d".formatted(SvgStyles.name(element), found.size() + 1)
                    : style.group();
            found.add(new SvgDrawing.Filled(named, colour(fill), isEvenOdd(element), rings));
        }
    }

    private boolean isEvenOdd(Element element) {
        return styles.of(element, "fill-rule").equals("evenodd");
    }

    private String colour(String fill) {
        Optional<String> known = SvgColour.of(fill);
        if (known.isEmpty()) {
            left.add("Gradients, patterns and rare colour names are taken as grey: choose colours here.");
        }
        return known.orElse("#808080");
    }

    /** Each subpath as corners; a fill closes what is open. */
    private List<Coordinate[]> rings(Shape shape, AffineTransform at) {
        List<Coordinate[]> rings = new ArrayList<>();
        List<Coordinate> ring = new ArrayList<>();
        double[] xy = new double[6];
        for (PathIterator way = new Path2D.Double(shape).getPathIterator(at, flatness); !way.isDone(); way.next()) {
            int kind = way.currentSegment(xy);
            if (kind == PathIterator.SEG_MOVETO) {
                close(ring, rings);
                ring = new ArrayList<>();
            }
            if (kind != PathIterator.SEG_CLOSE) {
                SvgShapes.refuseIf(
                        !Double.isFinite(xy[0]) || !Double.isFinite(xy[1]) || Math.hypot(xy[0], xy[1]) > 1e7,
                        "It has a point that lies nowhere near: %s, %s.".formatted(xy[0], xy[1]));
                points++;
                SvgShapes.refuseIf(
                        points > Art.MOST_POINTS,
                        "It has more than %d points: simplify its paths.".formatted(Art.MOST_POINTS));
                ring.add(new Coordinate(xy[0], xy[1]));
            }
        }
        close(ring, rings);
        return rings;
    }

    private static void close(List<Coordinate> ring, List<Coordinate[]> rings) {
        if (ring.size() >= 3) {
            if (!ring.get(0).equals2D(ring.get(ring.size() - 1))) {
                ring.add(ring.get(0).copy());
            }
            rings.add(ring.toArray(new Coordinate[0]));
        }
    }

    /**
     * Where something is drawn.
     *
     * @param group the name of the group it lies in, empty in none
     * @param view what percentages are parts of
     */
    private record Style(AffineTransform at, String group, SvgView view) {

        Style in(String other) {
            return new Style(at, other, view);
        }

        Style at(AffineTransform other, SvgView through) {
            return new Style(other, group, through);
        }
    }
}
