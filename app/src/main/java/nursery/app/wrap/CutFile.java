package nursery.app.wrap;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.TreeMap;
import nursery.core.wrap.Fitting;
import nursery.core.wrap.Item;
import nursery.core.wrap.Laid;
import nursery.core.wrap.Nest;
import nursery.core.wrap.Shapes;
import nursery.core.wrap.Sheet;
import org.locationtech.jts.geom.Envelope;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.util.AffineTransformation;

/**
 * What is cut from one material: pieces in true size, set out on a roll, as SVG in true millimetres. Each colour is a
 * group of its own, registration marks another.
 */
final class CutFile {

    static final double GAP_MM = 4;
    private static final double MARK_MM = 5;

    /**
     * What is cut from one colour and carried over by one film: its pieces keep their places to each other.
     *
     * @param item whose it is
     * @param pieces of how many
     * @param shape on the flat, y upwards
     */
    record Part(Item item, String name, String colour, int pieces, Geometry shape) {
        public double areaCm2() {
            return shape.getArea() / 100;
        }

        public double widthMm() {
            return shape.getEnvelopeInternal().getWidth();
        }

        public double heightMm() {
            return shape.getEnvelopeInternal().getHeight();
        }
    }

    private final Sheet sheet;
    private final List<Part> parts;
    private final Nest nest;

    private CutFile(Sheet sheet, List<Part> parts, double rollMm) {
        this.sheet = sheet;
        this.parts = parts;
        this.nest = Nest.of(
                parts.stream()
                        .map(part -> new Nest.Box(
                                part.widthMm(), part.heightMm(), part.shape().getArea()))
                        .toList(),
                rollMm,
                GAP_MM);
    }

    static List<Sheet> sheetsOf(Fitting fitting) {
        return fitting.design().items().stream().map(Item::sheet).distinct().toList();
    }

    static CutFile of(Fitting fitting, Sheet sheet, double rollMm) {
        List<Part> parts = new ArrayList<>();
        for (int i = 0; i < fitting.laid().size(); i++) {
            Item item = fitting.design().items().get(i);
            if (item.sheet() != sheet) {
                continue;
            }
            int count = fitting.laid().get(i).size();
            for (int motif = 0; motif < count; motif++) {
                Laid laid = fitting.laid().get(i).get(motif);
                Map<String, List<Geometry>> byColour = new LinkedHashMap<>();
                laid.cut().forEach(piece -> byColour.computeIfAbsent(piece.colour(), colour -> new ArrayList<>())
                        .addAll(Shapes.polygons(piece.shape())));
                for (Map.Entry<String, List<Geometry>> one : byColour.entrySet()) {
                    parts.add(new Part(
                            item,
                            item.name() + (count > 1 ? " " + (motif + 1) : ""),
                            one.getKey(),
                            one.getValue().size(),
                            Shapes.FACTORY.buildGeometry(one.getValue())));
                }
            }
        }
        return new CutFile(sheet, parts, rollMm);
    }

    public Sheet sheet() {
        return sheet;
    }

    public List<Part> parts() {
        return parts;
    }

    public Nest nest() {
        return nest;
    }

    public List<String> tooWide() {
        return nest.tooWide().stream().map(i -> parts.get(i).name()).toList();
    }

    public double areaCm2() {
        return parts.stream().mapToDouble(Part::areaCm2).sum();
    }

    /** @param mirrored for what is laid with its cut side down */
    String svg(boolean mirrored) {
        double width = nest.widthMm();
        double height = Math.max(nest.lengthMm(), 2 * MARK_MM + 2);
        TreeMap<String, StringBuilder> layers = new TreeMap<>();
        for (Nest.Place place : nest.places()) {
            Part part = parts.get(place.index());
            Envelope box = part.shape().getEnvelopeInternal();
            Geometry set = AffineTransformation.translationInstance(
                            place.xMm() - box.getMinX(), -place.yMm() - box.getMaxY())
                    .transform(part.shape());
            if (mirrored) {
                set = AffineTransformation.scaleInstance(-1, 1)
                        .translate(width, 0)
                        .transform(set);
            }
            layers.computeIfAbsent(part.colour(), colour -> new StringBuilder())
                    .append("    <path id=\"piece-%d\" fill-rule=\"evenodd\" d=\"".formatted(place.index() + 1))
                    .append(SvgPath.exact(set))
                    .append("\"><title>")
                    .append(org.springframework.web.util.HtmlUtils.htmlEscape(part.name(), "UTF-8"))
                    .append("</title></path>\n");
        }
        StringBuilder svg = new StringBuilder(head(width, height));
        layers.forEach((colour, paths) -> svg.append("  <g id=\"%s-%s\" fill=\"%s\">\n%s  </g>\n"
                .formatted(sheet.written(), colour.substring(1), colour, paths)));
        return svg.append(marks(width, height)).append("</svg>\n").toString();
    }

    static String head(double widthMm, double heightMm) {
        return String.format(
                Locale.ROOT,
                "<?xml version=\"1.0\" encoding=\"UTF-8\"?>\n<svg xmlns=\"http://www.w3.org/2000/svg\" version=\"1.1\" "
                        + "width=\"%1$.3fmm\" height=\"%2$.3fmm\" viewBox=\"0 0 %1$.3f %2$.3f\">\n",
                widthMm,
                heightMm);
    }

    /** Corners by which layers of several files are laid over one another. */
    private static String marks(double width, double height) {
        String corner = "M%1$.3f %2$.3fh%3$.3fv0.4h%4$.3fv%5$.3fh%6$.3fz";
        StringBuilder marks = new StringBuilder("  <g id=\"registration\" fill=\"#000000\">\n");
        for (int across : new int[] {1, -1}) {
            for (int down : new int[] {1, -1}) {
                double x = across > 0 ? 0 : width;
                double y = down > 0 ? 0 : height;
                marks.append("    <path d=\"")
                        .append(String.format(
                                Locale.ROOT,
                                corner.replace("v0.4", "v%7$.3f"),
                                x,
                                y,
                                across * MARK_MM,
                                -across * (MARK_MM - 0.4),
                                down * (MARK_MM - 0.4),
                                -across * 0.4,
                                down * 0.4))
                        .append("\"/>\n");
            }
        }
        return marks.append("  </g>\n").toString();
    }
}
