package nursery.app.wrap;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import nursery.core.wrap.Cuts;
import nursery.core.wrap.Fitting;
import nursery.core.wrap.Item;
import nursery.core.wrap.Nest;
import nursery.core.wrap.Shapes;
import nursery.core.wrap.Sheet;
import org.locationtech.jts.geom.Envelope;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.Polygon;
import org.locationtech.jts.geom.util.AffineTransformation;
import org.springframework.web.util.HtmlUtils;

/**
 * What is cut from one material: pieces in true size, set out on rolls, as SVG in true millimetres. Each colour is a
 * roll, and a file, of its own; in the file of all of them their rolls lie one below the other, a group each.
 */
final class CutFile {

    static final double GAP_MM = 4;
    /** A file of nothing has no size. */
    private static final double LEAST_MM = 10;

    /** One colour's parts as they lie on its roll. */
    record Roll(Sheet sheet, String colour, List<Cuts.Part> parts, Nest nest) {

        static Roll of(Sheet sheet, String colour, List<Cuts.Part> parts, double rollMm) {
            List<Nest.Box> boxes = parts.stream()
                    .map(part -> new Nest.Box(part.box().getWidth(), part.box().getHeight(), part.areaMm2()))
                    .toList();
            return new Roll(sheet, colour, parts, Nest.of(boxes, rollMm, GAP_MM));
        }

        public double areaCm2() {
            return parts.stream().mapToDouble(Cuts.Part::areaMm2).sum() / 100;
        }

        /** Whether it is of one colour: a film with several printed on it, or shown through it, is not. */
        public boolean isOneColour() {
            return !sheet.isOneFilm();
        }

        public List<String> tooWide() {
            return nest.tooWide().stream().map(i -> parts.get(i).name()).toList();
        }

        public boolean isMarked() {
            return parts.stream().anyMatch(part -> !part.marks().isEmpty());
        }

        /** As its colour is written in names of files and groups. */
        public String name() {
            return "%s-%s".formatted(sheet.written(), colour.substring(1));
        }

        private double heightMm() {
            return Math.max(nest.lengthMm(), LEAST_MM);
        }

        /** @param mirrored for what is laid with its cut side down */
        String svg(boolean mirrored) {
            return head(nest.widthMm(), heightMm()) + group(mirrored, 0) + "</svg>\n";
        }

        private String group(boolean mirrored, double downMm) {
            StringBuilder group = new StringBuilder("  <g id=\"%s\" fill=\"%s\">\n".formatted(name(), colour));
            for (Nest.Place place : nest.places()) {
                Cuts.Part part = parts.get(place.index());
                Envelope box = part.box();
                AffineTransformation set = AffineTransformation.translationInstance(
                        place.xMm() - box.getMinX(), -place.yMm() - downMm - box.getMaxY());
                if (mirrored) {
                    set.scale(-1, 1).translate(nest.acrossMm(), 0);
                }
                Geometry pieces =
                        Shapes.FACTORY.createMultiPolygon(part.pieces().toArray(new Polygon[0]));
                path(group, "piece", part.name(), set.transform(pieces));
                part.marks().forEach(mark -> path(group, "mark", "to lay it by", set.transform(mark)));
            }
            return group.append("  </g>\n").toString();
        }

        private static void path(StringBuilder group, String kind, String title, Geometry shape) {
            group.append("    <path class=\"%s\" fill-rule=\"evenodd\" d=\"".formatted(kind))
                    .append(SvgPath.exact(shape))
                    .append("\"><title>")
                    .append(HtmlUtils.htmlEscape(title, "UTF-8"))
                    .append("</title></path>\n");
        }
    }

    private final Sheet sheet;
    private final List<Roll> rolls;

    private CutFile(Sheet sheet, List<Roll> rolls) {
        this.sheet = sheet;
        this.rolls = rolls;
    }

    static List<Sheet> sheetsOf(Fitting fitting) {
        return fitting.design().items().stream().map(Item::sheet).distinct().toList();
    }

    static CutFile of(Fitting fitting, Sheet sheet, double rollMm) {
        Map<String, List<Cuts.Part>> byColour = new LinkedHashMap<>();
        Cuts.parts(fitting).stream()
                .filter(part -> part.item().sheet() == sheet)
                .forEach(part -> byColour.computeIfAbsent(part.colour(), fresh -> new ArrayList<>())
                        .add(part));
        return new CutFile(
                sheet,
                byColour.entrySet().stream()
                        .map(one -> Roll.of(sheet, one.getKey(), one.getValue(), rollMm))
                        .toList());
    }

    public Sheet sheet() {
        return sheet;
    }

    /** In the order in which they are laid, the lowest first. */
    public List<Roll> rolls() {
        return rolls;
    }

    public Optional<Roll> roll(String colour) {
        return rolls.stream().filter(roll -> roll.colour().equals(colour)).findFirst();
    }

    public boolean isMarked() {
        return rolls.stream().anyMatch(Roll::isMarked);
    }

    /** All of its rolls, one below the other. */
    String svg(boolean mirrored) {
        StringBuilder groups = new StringBuilder();
        double width = LEAST_MM;
        double height = 0;
        for (Roll roll : rolls) {
            groups.append(roll.group(mirrored, height));
            height += roll.heightMm();
            width = roll.nest().widthMm();
        }
        return head(width, Math.max(height, LEAST_MM)) + groups + "</svg>\n";
    }

    static String head(double widthMm, double heightMm) {
        return String.format(
                Locale.ROOT,
                "<?xml version=\"1.0\" encoding=\"UTF-8\"?>\n<svg xmlns=\"http://www.w3.org/2000/svg\" version=\"1.1\" "
                        + "width=\"%1$.3fmm\" height=\"%2$.3fmm\" viewBox=\"0 0 %1$.3f %2$.3f\">\n",
                widthMm,
                heightMm);
    }
}
