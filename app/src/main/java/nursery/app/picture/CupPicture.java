package nursery.app.picture;

import java.util.List;
import java.util.Locale;
import java.util.stream.Stream;
import nursery.app.picture.CupLook.Decor;
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

    private static final String GLITTER =
            """
            <defs><pattern id="glitter-%1$s" width="13" height="13" patternUnits="userSpaceOnUse">\
            <rect width="13" height="13" fill="%2$s"/>\
            <g fill="#fff"><circle cx="2" cy="3" r="1" opacity=".75"/><circle cx="8" cy="1.4" r=".7" opacity=".45"/>\
            <circle cx="11" cy="7" r="1.1" opacity=".6"/><circle cx="5" cy="9" r=".8" opacity=".8"/>\
            <circle cx="9" cy="11.6" r=".6" opacity=".5"/></g>\
            <g fill="#000"><circle cx="5" cy="5" r=".9" opacity=".3"/><circle cx="10" cy="4" r=".7" opacity=".25"/>\
            <circle cx="1.6" cy="10" r="1" opacity=".3"/></g>\
            </pattern></defs>""";
    private static final String DECOR =
            """
            <defs><clipPath id="clip-%1$s"><path d="%3$s"/></clipPath>\
            <pattern id="ink-%1$s" width="46" height="58" patternUnits="userSpaceOnUse" fill="%2$s">\
            <circle cx="12" cy="14" r="11" opacity=".75"/><circle cx="34" cy="30" r="14" opacity=".6"/>\
            <circle cx="10" cy="46" r="8" opacity=".85"/>\
            <circle cx="30" cy="54" r="4" fill="#fff" opacity=".8"/></pattern>\
            <pattern id="bloom-%1$s" width="64" height="72" patternUnits="userSpaceOnUse" fill="%2$s">\
            <circle cx="20" cy="22" r="20" opacity=".28"/><circle cx="20" cy="22" r="13" opacity=".4"/>\
            <circle cx="20" cy="22" r="6" opacity=".8"/><circle cx="50" cy="56" r="15" opacity=".3"/>\
            <circle cx="50" cy="56" r="9" opacity=".45"/>\
            <circle cx="50" cy="56" r="4" fill="#fff" opacity=".8"/></pattern>\
            <pattern id="wrap-%1$s" width="30" height="30" patternUnits="userSpaceOnUse">\
            <rect width="30" height="30" fill="#f3efe2"/><g fill="%2$s"><path d="M15 3q9 6 0 14q-9-8 0-14z"/>\
            <path d="M0 18q9 6 0 14q-9-8 0-14zM30 18q9 6 0 14q-9-8 0-14z" opacity=".7"/></g></pattern>\
            <pattern id="marble-%1$s" width="60" height="50" patternUnits="userSpaceOnUse" fill="none" stroke="%2$s">\
            <path d="M0 12q16-14 30 2t30-2M0 36q20 12 34-2t26 2" stroke-width="3" opacity=".75"/>\
            <path d="M8 0q8 22-4 50M40 0q-10 26 6 50" stroke-width="1.4" opacity=".55"/></pattern>\
            <pattern id="coarse-%1$s" width="26" height="26" patternUnits="userSpaceOnUse">\
            <g fill="#fff" opacity=".7"><path d="M4 4l5-2 3 4-4 4zM17 15l5 1-1 5-5-1z"/></g>\
            <g fill="%2$s"><path d="M15 3l5 1 0 5-5 0zM5 15l4 3-3 5-4-3z"/></g>\
            <g fill="#000" opacity=".28"><path d="M20 9l4 2-2 3-3-2zM10 20l3 1 0 3-3 0z"/></g></pattern>\
            <pattern id="mica-%1$s" width="40" height="30" patternUnits="userSpaceOnUse" fill="#fff">\
            <path d="M2 8q10-6 18 0t18-2l0 4q-9 6-18 2t-18 0z" opacity=".4"/>\
            <path d="M0 24q8-4 14 0t10 0l0 3q-8 3-12 0t-12 0z" opacity=".28"/></pattern>\
            <pattern id="vinyl-%1$s" width="34" height="44" patternUnits="userSpaceOnUse" fill="%2$s">\
            <path d="M17 5l8 14-8 14-8-14z"/><path d="M0 33l5 9-5 9-5-9zM34 33l5 9-5 9-5-9z"/></pattern>\
            <pattern id="foil-%1$s" width="44" height="52" patternUnits="userSpaceOnUse" fill="#e3bd55">\
            <path d="M6 8l9-4 5 8-7 5zM30 30l8-2 2 9-9 1zM12 40l5-3 4 6-6 4z"/></pattern>\
            <pattern id="glow-%1$s" width="17" height="17" patternUnits="userSpaceOnUse" fill="#e9ffd0">\
            <circle cx="4" cy="5" r="1.3"/><circle cx="12" cy="3" r=".9"/><circle cx="9" cy="12" r="1.5"/>\
            <circle cx="15" cy="14" r=".8"/></pattern></defs>""";

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
            String coated = around(blank.coatedStations());
            StringBuilder svg = new StringBuilder();
            look.glitter().ifPresent(colour -> glitter(svg, colour));
            if (!look.decor().isEmpty()) {
                svg.append(DECOR.formatted(id, safe(look.accent()), coated));
            }
            if (blank.handleGapMm() > 0) {
                svg.append("<path class=\"cup-handle\" d=\"%s\"/>".formatted(handle()));
            }
            svg.append("<path class=\"cup-steel\" d=\"%s\" fill=\"url(#steel)\"/>".formatted(around(body)));
            look.paint().ifPresent(colour -> fill(svg, coated, safe(colour)));
            if (look.glitter().isPresent() && !look.more().isEmpty()) {
                fill(svg, coated, "url(#rainbow-" + id + ")");
            }
            look.glitter().ifPresent(colour -> fill(svg, coated, "url(#glitter-" + id + ")"));
            if (!look.decor().isEmpty()) {
                decorate(svg, coated);
            }
            look.paint().ifPresent(colour -> fill(svg, coated, "url(#round)"));
            if (look.coats() > 0 && !look.has(Decor.MATTE)) {
                String opacity = look.coats() > 2 ? ".75" : look.coats() > 1 ? ".55" : ".35";
                svg.append("<path class=\"cup-shine\" d=\"%s\" opacity=\"%s\"/>".formatted(shine(), opacity));
            }
            return svg.append("<ellipse class=\"cup-mouth\" cx=\"0\" cy=\"0\" rx=\"%s\" ry=\"%s\"/>"
                            .formatted(Figures.coordinates(rimMm), Figures.coordinates(rimMm * OPENNESS)))
                    .toString();
        }

        /** In one colour; or as many from the rim down, each running into the next, and the flakes over them. */
        private void glitter(StringBuilder svg, String colour) {
            svg.append(GLITTER.formatted(id, look.more().isEmpty() ? safe(colour) : "none"));
            if (!look.more().isEmpty()) {
                svg.append(
                        "<defs><linearGradient id=\"rainbow-%s\" x1=\"0\" y1=\"0\" x2=\"0\" y2=\"1\">".formatted(id));
                List<String> colours =
                        Stream.concat(Stream.of(colour), look.more().stream()).toList();
                for (int i = 0; i < colours.size(); i++) {
                    svg.append("<stop offset=\"%s\" stop-color=\"%s\"/>"
                            .formatted(Figures.coordinates((double) i / (colours.size() - 1)), safe(colours.get(i))));
                }
                svg.append("</linearGradient></defs>");
            }
        }

        private void decorate(StringBuilder svg, String coated) {
            String wave = wave();
            svg.append("<g clip-path=\"url(#clip-").append(id).append(")\">");
            for (Decor decor : Decor.values()) {
                if (look.has(decor)) {
                    decorate(svg, decor, coated, wave);
                }
            }
            svg.append("</g>");
        }

        private void decorate(StringBuilder svg, Decor decor, String coated, String wave) {
            double heightMm = blank.outline().heightMm();
            String middle = Figures.coordinates(heightMm * 0.48);
            String motif = Figures.coordinates(blank.outline().widestRadiusMm() * 0.58);
            switch (decor) {
                case WRAP, MARBLE, COARSE, INK, BLOOM, MICA, VINYL, FOIL, GLOW ->
                    fill(svg, coated, "url(#%s-%s)".formatted(decor.name().toLowerCase(Locale.ROOT), id));
                case SMOKE ->
                    svg.append("<path class=\"decor-smoke\" d=\"%s\" transform=\"translate(0 %s)\"/>"
                            .formatted(wave, Figures.coordinates(-heightMm / 3)));
                case WINDOW -> svg.append(WINDOW.formatted(middle, motif, safe(look.accent())));
                case SLIDE -> svg.append(SLIDE.formatted(middle, motif, safe(look.accent())));
                case WAVE ->
                    svg.append(("<path class=\"decor-wave\" d=\"%1$s\"/><path class=\"decor-sea\" d=\"%1$s\""
                                    + " transform=\"translate(0 7)\" fill=\"%2$s\"/>")
                            .formatted(wave, safe(look.paint().orElse("#2f6d8c"))));
                case MATTE -> svg.append("<path class=\"decor-matte\" d=\"%s\"/>".formatted(coated));
            }
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
        private String wave() {
            double heightMm = blank.outline().heightMm();
            double radiusMm = blank.outline().widestRadiusMm();
            double line = heightMm * 0.55;
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
