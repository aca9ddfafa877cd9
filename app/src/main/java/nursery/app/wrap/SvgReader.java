package nursery.app.wrap;

import java.awt.Shape;
import java.awt.geom.AffineTransform;
import java.awt.geom.Ellipse2D;
import java.awt.geom.Path2D;
import java.awt.geom.PathIterator;
import java.awt.geom.Rectangle2D;
import java.awt.geom.RoundRectangle2D;
import java.io.IOException;
import java.io.StringReader;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import nursery.core.measure.Fault;
import nursery.core.measure.Faults;
import nursery.core.measure.InvalidInput;
import nursery.core.wrap.Art;
import org.apache.batik.parser.AWTPolygonProducer;
import org.apache.batik.parser.AWTTransformProducer;
import org.apache.batik.parser.ParseException;
import org.locationtech.jts.geom.Coordinate;
import org.w3c.dom.Document;
import org.w3c.dom.Element;
import org.w3c.dom.Node;

/**
 * Reads an SVG file: parsed with nothing outside of it, then walked from the root, transforms and fills being inherited
 * on the way down.
 */
final class SvgReader {

    private static final int MOST_ELEMENTS = 20_000;
    private static final int DEEPEST = 60;
    /** CSS 2.1: an inch is 96 px, 72 pt, 6 pc, 25.4 mm. */
    private static final Map<String, Double> UNITS =
            Map.of("", 25.4 / 96, "px", 25.4 / 96, "mm", 1.0, "cm", 10.0, "in", 25.4, "pt", 25.4 / 72, "pc", 25.4 / 6);
    /** A curve is nowhere further from its corners than this part of the drawing. */
    private static final double FINENESS = 1 / 20_000.0;

    private final List<SvgDrawing.Filled> found = new ArrayList<>();
    private final Set<String> left = new TreeSet<>();
    private int elements;
    private int points;
    private double flatness = 0.01;

    private SvgReader() {}

    /** @throws InvalidInput if it is no SVG that can be read, with what to do */
    static SvgDrawing read(byte[] file) {
        refuseIf(
                file.length > SvgDrawing.LARGEST_BYTES,
                "The file is larger than %d MB: simplify its paths.".formatted(SvgDrawing.LARGEST_BYTES >> 20));
        return new SvgReader().read(SvgXml.parsed(file));
    }

    private SvgDrawing read(Document document) {
        Element root = document.getDocumentElement();
        refuseIf(!"svg".equals(name(root)), "The file is not SVG: it begins with <%s>.".formatted(name(root)));
        double[] box = numbers(root.getAttribute("viewBox"));
        boolean hasBox = box.length == 4 && box[2] > 0 && box[3] > 0;
        double widthMm = lengthMm(root.getAttribute("width"), hasBox ? box[2] * UNITS.getOrDefault("", 1.0) : 100);
        double heightMm = lengthMm(root.getAttribute("height"), hasBox ? box[3] * widthMm / box[2] : widthMm);
        AffineTransform toMm = new AffineTransform();
        if (hasBox) {
            // preserveAspectRatio xMidYMid meet, what SVG does if nothing is said.
            double scale = Math.min(widthMm / box[2], heightMm / box[3]);
            toMm.translate((widthMm - box[2] * scale) / 2, (heightMm - box[3] * scale) / 2);
            toMm.scale(scale, scale);
            toMm.translate(-box[0], -box[1]);
        } else {
            toMm.scale(UNITS.getOrDefault("", 1.0), UNITS.getOrDefault("", 1.0));
        }
        Faults faults = new Faults();
        faults.within("file", "The drawing's width", widthMm, 0.1, 10_000, "mm");
        faults.within("file", "The drawing's height", heightMm, 0.1, 10_000, "mm");
        faults.throwIfAny();
        flatness = Math.hypot(widthMm, heightMm) * FINENESS;
        Style page = below(new Style("#000000", false, toMm, ""), own(root), root);
        children(root, new Style(page.fill(), page.evenOdd(), page.at(), ""), 0);
        return new SvgDrawing(List.copyOf(found), widthMm, heightMm, List.copyOf(left));
    }

    private void children(Element parent, Style style, int depth) {
        refuseIf(depth > DEEPEST, "Its groups lie more than %d deep: ungroup them.".formatted(DEEPEST));
        for (Node child = parent.getFirstChild(); child != null; child = child.getNextSibling()) {
            if (child instanceof Element element) {
                elements++;
                refuseIf(
                        elements > MOST_ELEMENTS,
                        "It has more than %d elements: join or simplify them.".formatted(MOST_ELEMENTS));
                element(element, style, depth);
            }
        }
    }

    private void element(Element element, Style above, int depth) {
        Map<String, String> own = own(element);
        if ("none".equals(own.get("display")) || "hidden".equals(own.get("visibility"))) {
            return;
        }
        Style style = below(above, own, element);
        switch (name(element)) {
            case "g", "svg", "a", "switch" -> children(element, style, depth + 1);
            case "path" -> draw(element, style, path(element.getAttribute("d")));
            case "rect" -> draw(element, style, Optional.of(rectangle(element)));
            case "circle" -> draw(element, style, Optional.of(round(element, n(element, "r"), n(element, "r"))));
            case "ellipse" -> draw(element, style, Optional.of(round(element, n(element, "rx"), n(element, "ry"))));
            case "polygon", "polyline" -> draw(element, style, polygon(element.getAttribute("points"), style));
            case "line" -> left.add("Lines have no area: turn strokes into shapes first.");
            case "text", "tspan", "textPath" ->
                left.add("Text is left out: turn it into paths in the program it was drawn with.");
            case "image" -> left.add("Pictures are left out: trace them into shapes first.");
            case "use", "symbol" -> left.add("Clones are left out: turn them into shapes of their own first.");
            case "style" -> left.add("Its style sheet is not read: save it with the fills at each shape.");
            case "clipPath", "mask" -> left.add("Clips and masks are not read: cut the shapes by them first.");
            default -> {
                // Titles, descriptions, gradients and what other programs keep for themselves draws nothing.
            }
        }
    }

    private static String name(Element element) {
        return Optional.ofNullable(element.getLocalName()).orElse(element.getTagName());
    }

    /** Its attributes, those of its style attribute winning. */
    private static Map<String, String> own(Element element) {
        Map<String, String> own = new LinkedHashMap<>();
        for (String name : List.of("fill", "fill-rule", "display", "visibility", "stroke", "clip-path")) {
            if (element.hasAttribute(name)) {
                own.put(name, element.getAttribute(name).strip());
            }
        }
        for (String rule : element.getAttribute("style").split(";")) {
            int colon = rule.indexOf(':');
            if (colon > 0) {
                own.put(
                        rule.substring(0, colon).strip(),
                        rule.substring(colon + 1).strip());
            }
        }
        return own;
    }

    private Style below(Style above, Map<String, String> own, Element element) {
        AffineTransform at = new AffineTransform(above.at());
        String transform = element.getAttribute("transform");
        if (!transform.isBlank()) {
            try {
                at.concatenate(AWTTransformProducer.createAffineTransform(transform));
            } catch (ParseException e) {
                throw refused("A transform cannot be read: “%s”.".formatted(shortened(transform)));
            }
        }
        if ("inherit".equals(own.get("fill"))) {
            own.remove("fill");
        }
        if (own.containsKey("clip-path")) {
            left.add("Clips and masks are not read: cut the shapes by them first.");
        }
        return new Style(
                own.getOrDefault("fill", above.fill()),
                own.containsKey("fill-rule") ? "evenodd".equals(own.get("fill-rule")) : above.evenOdd(),
                at,
                element.getAttribute("id").isBlank()
                        ? above.group()
                        : shortened(element.getAttribute("id").strip()));
    }

    private static Optional<Shape> path(String data) {
        try {
            return data.isBlank() ? Optional.empty() : Optional.of(PathReading.of(data));
        } catch (ParseException e) {
            throw refused("A path cannot be read: “%s”.".formatted(shortened(data)));
        }
    }

    private Optional<Shape> polygon(String data, Style style) {
        try {
            return data.isBlank()
                    ? Optional.empty()
                    : Optional.of(AWTPolygonProducer.createShape(
                            new StringReader(data),
                            style.evenOdd() ? PathIterator.WIND_EVEN_ODD : PathIterator.WIND_NON_ZERO));
        } catch (ParseException | IOException e) {
            throw refused("A polygon cannot be read: “%s”.".formatted(shortened(data)));
        }
    }

    private static String shortened(String text) {
        return text.length() > 60 ? text.substring(0, 60) + "…" : text;
    }

    private Shape rectangle(Element element) {
        double width = n(element, "width");
        double height = n(element, "height");
        double rx = element.hasAttribute("rx") ? n(element, "rx") : n(element, "ry");
        double ry = element.hasAttribute("ry") ? n(element, "ry") : rx;
        return rx > 0 && ry > 0
                ? new RoundRectangle2D.Double(
                        n(element, "x"),
                        n(element, "y"),
                        width,
                        height,
                        2 * Math.min(rx, width / 2),
                        2 * Math.min(ry, height / 2))
                : new Rectangle2D.Double(n(element, "x"), n(element, "y"), width, height);
    }

    private Shape round(Element element, double rx, double ry) {
        return new Ellipse2D.Double(n(element, "cx") - rx, n(element, "cy") - ry, 2 * rx, 2 * ry);
    }

    /** A length in user units: what has a unit is as many px, of which a user unit is one (SVG 1.1, 7.10). */
    private static double n(Element element, String attribute) {
        String text = element.getAttribute(attribute).strip();
        return text.isEmpty() ? 0 : lengthMm(text, 0) / UNITS.getOrDefault("px", 1.0);
    }

    private void draw(Element element, Style style, Optional<Shape> shape) {
        if (shape.isEmpty()) {
            return;
        }
        if ("none".equals(style.fill()) || "transparent".equals(style.fill())) {
            left.add("Shapes without a fill are left out: what is to be cut must be filled.");
            return;
        }
        List<Coordinate[]> rings = rings(shape.get(), style.at());
        if (!rings.isEmpty()) {
            String named = style.group().isEmpty() ? "%s %d".formatted(name(element), found.size() + 1) : style.group();
            found.add(new SvgDrawing.Filled(named, colour(style.fill()), style.evenOdd(), rings));
        }
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
                refuseIf(
                        !Double.isFinite(xy[0]) || !Double.isFinite(xy[1]) || Math.hypot(xy[0], xy[1]) > 1e7,
                        "It has a point that lies nowhere near: %s, %s.".formatted(xy[0], xy[1]));
                points++;
                refuseIf(
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

    static double[] numbers(String text) {
        try {
            return text.isBlank()
                    ? new double[0]
                    : java.util.Arrays.stream(text.strip().split("[\\s,]+"))
                            .mapToDouble(Double::parseDouble)
                            .toArray();
        } catch (NumberFormatException e) {
            return new double[0];
        }
    }

    private static double lengthMm(String text, double otherwise) {
        String plain = text.strip();
        if (plain.isEmpty() || plain.endsWith("%")) {
            return otherwise;
        }
        String unit = plain.replaceAll("^[-+0-9.eE]*?(?=[a-z]*$)", "");
        try {
            double value = Double.parseDouble(plain.substring(0, plain.length() - unit.length()));
            return value * Optional.ofNullable(UNITS.get(unit)).orElse(Double.NaN);
        } catch (NumberFormatException e) {
            throw refused("A length cannot be read: “%s”.".formatted(shortened(plain)));
        }
    }

    static InvalidInput refused(String message) {
        return new InvalidInput(List.of(new Fault("file", message)));
    }

    private static void refuseIf(boolean wrong, String message) {
        if (wrong) {
            throw refused(message);
        }
    }

    /** What is inherited on the way down. */
    /** @param group the name of the group it lies in, empty in none */
    private record Style(String fill, boolean evenOdd, AffineTransform at, String group) {}
}
