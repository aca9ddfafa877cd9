package nursery.app.wrap;

import java.awt.Shape;
import java.awt.geom.Ellipse2D;
import java.awt.geom.PathIterator;
import java.awt.geom.Rectangle2D;
import java.awt.geom.RoundRectangle2D;
import java.io.IOException;
import java.io.StringReader;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import nursery.core.measure.Fault;
import nursery.core.measure.InvalidInput;
import org.apache.batik.parser.AWTPolygonProducer;
import org.apache.batik.parser.ParseException;
import org.w3c.dom.Element;

/** Shapes as SVG writes them, by its lengths. What cannot be read is refused, with what it is. */
final class SvgShapes {

    /** CSS 2.1: an inch is 96 px, 72 pt, 6 pc, 25.4 mm. */
    static final Map<String, Double> UNITS =
            Map.of("", 25.4 / 96, "px", 25.4 / 96, "mm", 1.0, "cm", 10.0, "in", 25.4, "pt", 25.4 / 72, "pc", 25.4 / 6);

    private SvgShapes() {}

    static Optional<Shape> path(String data) {
        try {
            return data.isBlank() ? Optional.empty() : Optional.of(PathReading.of(data));
        } catch (ParseException e) {
            throw refused("A path cannot be read: “%s”.".formatted(shortened(data)));
        }
    }

    static Optional<Shape> polygon(String data, boolean evenOdd) {
        try {
            return data.isBlank()
                    ? Optional.empty()
                    : Optional.of(AWTPolygonProducer.createShape(
                            new StringReader(data), evenOdd ? PathIterator.WIND_EVEN_ODD : PathIterator.WIND_NON_ZERO));
        } catch (ParseException | IOException e) {
            throw refused("A polygon cannot be read: “%s”.".formatted(shortened(data)));
        }
    }

    static String shortened(String text) {
        return text.length() > 60 ? text.substring(0, 60) + "…" : text;
    }

    static Shape rectangle(Element element, SvgView view) {
        double x = n(element, "x", view.width());
        double y = n(element, "y", view.height());
        double width = n(element, "width", view.width());
        double height = n(element, "height", view.height());
        double rx = element.hasAttribute("rx") ? n(element, "rx", view.width()) : n(element, "ry", view.height());
        double ry = element.hasAttribute("ry") ? n(element, "ry", view.height()) : rx;
        return rx > 0 && ry > 0
                ? new RoundRectangle2D.Double(
                        x, y, width, height, 2 * Math.min(rx, width / 2), 2 * Math.min(ry, height / 2))
                : new Rectangle2D.Double(x, y, width, height);
    }

    static Shape round(Element element, SvgView view, double rx, double ry) {
        return new Ellipse2D.Double(
                n(element, "cx", view.width()) - rx, n(element, "cy", view.height()) - ry, 2 * rx, 2 * ry);
    }

    /**
     * A length in user units: what has a unit is as many px, of which a user unit is one, a percentage a part of what
     * it is seen through (SVG 1.1, 7.10).
     */
    static double n(Element element, String attribute, double whole) {
        String text = element.getAttribute(attribute).strip();
        if (text.endsWith("%")) {
            double[] percent = numbers(text.substring(0, text.length() - 1));
            return percent.length == 1 ? percent[0] / 100 * whole : 0;
        }
        return text.isEmpty() || text.equals("auto") ? 0 : lengthMm(text, 0) / UNITS.getOrDefault("px", 1.0);
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

    static double lengthMm(String text, double otherwise) {
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

    static void refuseIf(boolean wrong, String message) {
        if (wrong) {
            throw refused(message);
        }
    }
}
