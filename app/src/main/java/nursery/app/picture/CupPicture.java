package nursery.app.picture;

import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.stream.Stream;
import nursery.app.picture.CupLook.Laid;
import nursery.app.picture.CupLook.Style;
import nursery.core.cup.Blank;
import nursery.core.cup.Station;
import nursery.core.wrap.CupView;
import org.springframework.web.util.HtmlUtils;

/**
 * A cup seen from the side and a little from above, in true proportion: one unit is one millimetre. It is drawn once; a
 * page full of cups would otherwise spend most of its time on their lines.
 *
 * @param inside what stands in its svg element
 */
public record CupPicture(String viewBox, String inside, double heightMm) {

    private static final double OPENNESS = CupView.OPENNESS;

    private static final double MARGIN_MM = 6;
    /** A motif's radius, as a part of the cup's. */
    private static final double MOTIF = 0.58;
    /** Soot rises from below the middle of where it lies. */
    private static final double SMOKE_LOWER = 45;

    /** Patterns by style: 1 is its id, 2 its colour, 3 what lies below it. */
    private static final Map<Style, String> PATTERNS = Map.ofEntries(
            Map.entry(
                    Style.GLITTER,
                    """
            <pattern id="%1$s" width="13" height="13" patternUnits="userSpaceOnUse">\
            <rect width="13" height="13" fill="%3$s"/>\
            <g fill="#fff"><circle cx="2" cy="3" r="1" opacity=".75"/><circle cx="8" cy="1.4" r=".7" opacity=".45"/>\
            <circle cx="11" cy="7" r="1.1" opacity=".6"/><circle cx="5" cy="9" r=".8" opacity=".8"/>\
            <circle cx="9" cy="11.6" r=".6" opacity=".5"/></g>\
            <g fill="#000"><circle cx="5" cy="5" r=".9" opacity=".3"/><circle cx="10" cy="4" r=".7" opacity=".25"/>\
            <circle cx="1.6" cy="10" r="1" opacity=".3"/></g></pattern>"""),
            Map.entry(
                    Style.INK,
                    """
            <pattern id="%1$s" width="46" height="58" patternUnits="userSpaceOnUse" fill="%2$s">\
            <circle cx="12" cy="14" r="11" opacity=".75"/><circle cx="34" cy="30" r="14" opacity=".6"/>\
            <circle cx="10" cy="46" r="8" opacity=".85"/>\
            <circle cx="30" cy="54" r="4" fill="#fff" opacity=".8"/></pattern>"""),
            Map.entry(
                    Style.BLOOM,
                    """
            <pattern id="%1$s" width="64" height="72" patternUnits="userSpaceOnUse" fill="%2$s">\
            <circle cx="20" cy="22" r="20" opacity=".28"/><circle cx="20" cy="22" r="13" opacity=".4"/>\
            <circle cx="20" cy="22" r="6" opacity=".8"/><circle cx="50" cy="56" r="15" opacity=".3"/>\
            <circle cx="50" cy="56" r="9" opacity=".45"/>\
            <circle cx="50" cy="56" r="4" fill="#fff" opacity=".8"/></pattern>"""),
            Map.entry(
                    Style.WRAP,
                    """
            <pattern id="%1$s" width="30" height="30" patternUnits="userSpaceOnUse">\
            <rect width="30" height="30" fill="%3$s"/><g fill="%2$s"><path d="M15 3q9 6 0 14q-9-8 0-14z"/>\
            <path d="M0 18q9 6 0 14q-9-8 0-14zM30 18q9 6 0 14q-9-8 0-14z" opacity=".7"/></g></pattern>"""),
            Map.entry(
                    Style.MARBLE,
                    """
            <pattern id="%1$s" width="60" height="50" patternUnits="userSpaceOnUse" fill="none" stroke="%2$s">\
            <path d="M0 12q16-14 30 2t30-2M0 36q20 12 34-2t26 2" stroke-width="3" opacity=".75"/>\
            <path d="M8 0q8 22-4 50M40 0q-10 26 6 50" stroke-width="1.4" opacity=".55"/></pattern>"""),
            Map.entry(
                    Style.COARSE,
                    """
            <pattern id="%1$s" width="26" height="26" patternUnits="userSpaceOnUse">\
            <g fill="#fff" opacity=".7"><path d="M4 4l5-2 3 4-4 4zM17 15l5 1-1 5-5-1z"/></g>\
            <g fill="%2$s"><path d="M15 3l5 1 0 5-5 0zM5 15l4 3-3 5-4-3z"/></g>\
            <g fill="#000" opacity=".28"><path d="M20 9l4 2-2 3-3-2zM10 20l3 1 0 3-3 0z"/></g></pattern>"""),
            Map.entry(
                    Style.MICA,
                    """
            <pattern id="%1$s" width="40" height="30" patternUnits="userSpaceOnUse" fill="#fff">\
            <path d="M2 8q10-6 18 0t18-2l0 4q-9 6-18 2t-18 0z" opacity=".4"/>\
            <path d="M0 24q8-4 14 0t10 0l0 3q-8 3-12 0t-12 0z" opacity=".28"/></pattern>"""),
            Map.entry(
                    Style.VINYL,
                    """
            <pattern id="%1$s" width="34" height="44" patternUnits="userSpaceOnUse" fill="%2$s">\
            <path d="M17 5l8 14-8 14-8-14z"/><path d="M0 33l5 9-5 9-5-9zM34 33l5 9-5 9-5-9z"/></pattern>"""),
            Map.entry(
                    Style.FOIL,
                    """
            <pattern id="%1$s" width="44" height="52" patternUnits="userSpaceOnUse" fill="#e3bd55">\
            <path d="M6 8l9-4 5 8-7 5zM30 30l8-2 2 9-9 1zM12 40l5-3 4 6-6 4z"/></pattern>"""),
            Map.entry(
                    Style.GLOW,
                    """
            <pattern id="%1$s" width="17" height="17" patternUnits="userSpaceOnUse" fill="#e9ffd0">\
            <circle cx="4" cy="5" r="1.3"/><circle cx="12" cy="3" r=".9"/><circle cx="9" cy="12" r="1.5"/>\
            <circle cx="15" cy="14" r=".8"/></pattern>"""));

    /** What a wrap is printed on, where only one colour of it is known. */
    private static final String WRAP_GROUND = "#f3efe2";

    /** A motif in the middle of the cup, drawn around 0, 0 in a circle of radius 1. */
    private static final String SLIDE =
            """
            <g transform="translate(0 %1$s) scale(%2$s)">\
            <circle r="1" fill="#fbf9f2" stroke="%3$s" stroke-width=".09"/>\
            <path d="M0-.78L.18-.18.78 0 .18.18 0 .78-.18.18-.78 0-.18-.18z" fill="%3$s"/></g>""";

    private static final String WINDOW =
            """
            <g transform="translate(0 %1$s) scale(%2$s)"><circle r="1.12" fill="#fff" opacity=".85"/>\
            <circle r="1" fill="%3$s"/><path d="M-1 .1Q-.4-.5 0 .1T1 .1A1 1 0 0 1 -1 .1z" fill="#000" opacity=".3"/>\
            <circle cx=".4" cy="-.45" r=".16" fill="#fff" opacity=".9"/></g>""";

    /** @param id distinguishes its patterns from another cup's on the same page */
    public static CupPicture of(String id, Blank blank, CupLook look) {
        List<Station> body = blank.outline().stations();
        double heightMm = blank.outline().heightMm();
        double radiusMm = blank.outline().widestRadiusMm();
        boolean handled = blank.handleGapMm() > 0;
        double baseMm = body.get(0).radiusMm();
        double rimMm = body.get(body.size() - 1).radiusMm();
        double top = -rimMm * OPENNESS - MARGIN_MM;
        double bottom = heightMm + baseMm * OPENNESS + MARGIN_MM;
        double right = radiusMm + MARGIN_MM + (handled ? radiusMm * 0.75 : 0);
        String box = Figures.coordinates(-radiusMm - MARGIN_MM, top, right + radiusMm + MARGIN_MM, bottom - top);
        return new CupPicture(box, new Drawing(id, blank, look).drawn(), bottom - top);
    }

    /** Its height as a percentage of the tallest on a shelf, so that all stand there to one scale. */
    public double percentOf(double tallestMm) {
        return 100 * heightMm / tallestMm;
    }

    public static double tallestMm(Stream<CupPicture> pictures) {
        return pictures.mapToDouble(CupPicture::heightMm).max().orElse(1);
    }

    /** The lines of one cup, from the back to the front. */
    private record Drawing(String id, Blank blank, CupLook look) {

        String drawn() {
            List<Station> body = blank.outline().stations();
            double rimMm = body.get(body.size() - 1).radiusMm();
            StringBuilder svg = new StringBuilder();
            if (blank.handleGapMm() > 0) {
                svg.append("<path class=\"cup-handle\" d=\"%s\"/>".formatted(handle()));
            }
            svg.append("<path class=\"cup-steel\" d=\"%s\" fill=\"url(#steel)\"/>".formatted(around(body)));
            for (int i = 0; i < look.laid().size(); i++) {
                draw(svg, look.laid().get(i), id + "-" + i);
            }
            if (!look.laid().isEmpty()) {
                fill(svg, around(blank.coatedStations()), "url(#round)");
            }
            if (look.coats() > 0 && !look.has(Style.MATTE)) {
                String opacity = look.coats() > 2 ? ".75" : look.coats() > 1 ? ".55" : ".35";
                svg.append("<path class=\"cup-shine\" d=\"%s\" opacity=\"%s\"/>".formatted(shine(), opacity));
            }
            return svg.append("<ellipse class=\"cup-mouth\" cx=\"0\" cy=\"0\" rx=\"%s\" ry=\"%s\"/>"
                            .formatted(Figures.coordinates(rimMm), Figures.coordinates(rimMm * OPENNESS)))
                    .toString();
        }

        /** One layer, on the part of the side it lies on. */
        private void draw(StringBuilder svg, Laid laid, String name) {
            String there = around(part(laid));
            switch (laid.style()) {
                case PAINT -> fill(svg, there, plain(svg, laid, name));
                case WINDOW -> motif(svg, WINDOW, laid);
                case SLIDE -> motif(svg, SLIDE, laid);
                case MATTE -> svg.append("<path class=\"decor-matte\" d=\"%s\"/>".formatted(there));
                case SMOKE ->
                    clipped(
                            svg,
                            there,
                            name,
                            "<path class=\"decor-smoke\" d=\"%s\"/>"
                                    .formatted(wave(heightOf(laid.to()) + SMOKE_LOWER)));
                case WAVE ->
                    clipped(
                            svg,
                            around(part(new Laid(laid.style(), laid.colours(), laid.from(), 1))),
                            name,
                            ("<path class=\"decor-wave\" d=\"%1$s\"/><path class=\"decor-sea\" d=\"%1$s\""
                                            + " transform=\"translate(0 7)\" fill=\"%2$s\"/>")
                                    .formatted(wave(heightOf(laid.to())), safe(laid.first())));
                case GLITTER, COARSE, WRAP, MARBLE, INK, BLOOM, MICA, VINYL, FOIL, GLOW -> {
                    String below =
                            switch (laid.style()) {
                                case GLITTER -> plain(svg, laid, name + "-g");
                                case WRAP -> laid.colours().size() > 1 ? safe(laid.first()) : WRAP_GROUND;
                                default -> "none";
                            };
                    boolean isMany = below.startsWith("url");
                    if (isMany) {
                        fill(svg, there, below);
                    }
                    svg.append("<defs>")
                            .append(Objects.requireNonNull(PATTERNS.get(laid.style()))
                                    .formatted(name, safe(laid.last()), isMany ? "none" : below))
                            .append("</defs>");
                    fill(svg, there, "url(#" + name + ")");
                }
            }
        }

        /** In one colour, or in as many from the rim down, each running into the next. */
        private String plain(StringBuilder svg, Laid laid, String name) {
            if (laid.colours().size() == 1) {
                return safe(laid.first());
            }
            svg.append("<defs><linearGradient id=\"fade-%s\" x1=\"0\" y1=\"0\" x2=\"0\" y2=\"1\">".formatted(name));
            for (int i = 0; i < laid.colours().size(); i++) {
                svg.append("<stop offset=\"%s\" stop-color=\"%s\"/>"
                        .formatted(
                                Figures.coordinates((double) i / (laid.colours().size() - 1)),
                                safe(laid.colours().get(i))));
            }
            svg.append("</linearGradient></defs>");
            return "url(#fade-" + name + ")";
        }

        private static void clipped(StringBuilder svg, String to, String name, String inside) {
            svg.append("<defs><clipPath id=\"clip-%1$s\"><path d=\"%2$s\"/></clipPath></defs>".formatted(name, to))
                    .append("<g clip-path=\"url(#clip-")
                    .append(name)
                    .append(")\">")
                    .append(inside)
                    .append("</g>");
        }

        /** In the middle of where it lies, as large as that lets it be. */
        private void motif(StringBuilder svg, String motif, Laid laid) {
            double tallMm = (laid.to() - laid.from()) * blank.outline().heightMm();
            double radiusMm = Math.min(
                    blank.outline().widestRadiusMm() * MOTIF, laid.isAllOver() ? tallMm : tallMm * MOTIF / 1.2);
            double middleMm =
                    laid.isAllOver() ? blank.outline().heightMm() * 0.48 : heightOf((laid.from() + laid.to()) / 2);
            svg.append(
                    motif.formatted(Figures.coordinates(middleMm), Figures.coordinates(radiusMm), safe(laid.first())));
        }

        /** So far below the rim is this part of the side. */
        private double heightOf(double share) {
            return blank.outline().heightMm() * (1 - share);
        }

        private List<Station> part(Laid laid) {
            if (laid.isAllOver()) {
                return blank.coatedStations();
            }
            double sideMm = blank.sideMm();
            return blank.within(false, laid.from() * sideMm, laid.to() * sideMm).coatedStations();
        }

        private static void fill(StringBuilder svg, String path, String with) {
            svg.append("<path d=\"")
                    .append(path)
                    .append("\" fill=\"")
                    .append(with)
                    .append("\"/>");
        }

        private static String safe(String colour) {
            return HtmlUtils.htmlEscape(colour);
        }

        /**
         * Up the left side, across the front edge of the top, down the right side, back along the front edge of the
         * foot.
         */
        private String around(List<Station> part) {
            StringBuilder path = new StringBuilder();
            for (int i = 0; i < part.size(); i++) {
                path.append(i == 0 ? "M" : "L").append(point(-part.get(i).radiusMm(), part.get(i)));
            }
            Station top = part.get(part.size() - 1);
            path.append(arc(top.radiusMm(), 0)).append(point(top.radiusMm(), top));
            for (int i = part.size() - 2; i >= 0; i--) {
                path.append("L").append(point(part.get(i).radiusMm(), part.get(i)));
            }
            Station foot = part.get(0);
            return path.append(arc(foot.radiusMm(), 1))
                    .append(point(-foot.radiusMm(), foot))
                    .append("Z")
                    .toString();
        }

        /** The highlight of the clear coats. */
        private String shine() {
            List<Station> part = blank.coatedStations();
            StringBuilder path = new StringBuilder();
            for (int i = 0; i < part.size(); i++) {
                path.append(i == 0 ? "M" : "L").append(point(-part.get(i).radiusMm() * 0.62, part.get(i)));
            }
            for (int i = part.size() - 1; i >= 0; i--) {
                path.append("L").append(point(-part.get(i).radiusMm() * 0.42, part.get(i)));
            }
            return path.append("Z").toString();
        }

        /** What lies below a wavy line, wider than the cup: to be clipped to its coated part. */
        private String wave(double line) {
            double heightMm = blank.outline().heightMm();
            double radiusMm = blank.outline().widestRadiusMm();
            double swell = heightMm * 0.05;
            return "M%s Q%s %s T%s V%s H%s Z"
                    .formatted(
                            Figures.coordinates(-radiusMm * 1.2, line),
                            Figures.coordinates(-radiusMm * 0.6, line - swell * 2),
                            Figures.coordinates(0, line),
                            Figures.coordinates(radiusMm * 1.2, line),
                            Figures.coordinates(heightMm * 1.2),
                            Figures.coordinates(-radiusMm * 1.2));
        }

        private String handle() {
            double heightMm = blank.outline().heightMm();
            double radiusMm = blank.outline().widestRadiusMm();
            return "M%s C%s %s %s"
                    .formatted(
                            Figures.coordinates(radiusMm * 0.9, heightMm * 0.2),
                            Figures.coordinates(radiusMm * 1.8, heightMm * 0.15),
                            Figures.coordinates(radiusMm * 1.8, heightMm * 0.75),
                            Figures.coordinates(radiusMm * 0.85, heightMm * 0.7));
        }

        private static String arc(double radiusMm, int sweep) {
            return "A%s 0 0 %d ".formatted(Figures.coordinates(radiusMm, radiusMm * OPENNESS), sweep);
        }

        private String point(double x, Station station) {
            return Figures.coordinates(x, blank.outline().heightMm() - station.heightMm());
        }
    }
}
