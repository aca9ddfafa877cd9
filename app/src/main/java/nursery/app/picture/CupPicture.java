package nursery.app.picture;

import java.util.List;
import java.util.stream.Stream;
import nursery.app.picture.CupLook.Decor;
import nursery.core.cup.Blank;
import nursery.core.cup.Station;
import org.springframework.web.util.HtmlUtils;

/**
 * A cup seen from the side and a little from above, in true proportion: one unit is one millimetre. It is drawn once; a
 * page full of cups would otherwise spend most of its time on their lines.
 *
 * @param inside what stands in its svg element
 */
public record CupPicture(String viewBox, String inside, double heightMm) {

    /** How open the ellipses look: sine of the angle the eye is above the horizontal. */
    private static final double OPENNESS = 0.13;

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
            <pattern id="vinyl-%1$s" width="34" height="44" patternUnits="userSpaceOnUse" fill="%2$s">\
            <path d="M17 5l8 14-8 14-8-14z"/><path d="M0 33l5 9-5 9-5-9zM34 33l5 9-5 9-5-9z"/></pattern>\
            <pattern id="specks-%1$s" width="17" height="17" patternUnits="userSpaceOnUse" fill="#fff3c4">\
            <circle cx="4" cy="5" r="1.3"/><circle cx="12" cy="3" r=".9"/><circle cx="9" cy="12" r="1.5"/>\
            <circle cx="15" cy="14" r=".8"/></pattern></defs>""";

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
            look.glitter().ifPresent(colour -> svg.append(GLITTER.formatted(id, safe(colour))));
            if (!look.decor().isEmpty()) {
                svg.append(DECOR.formatted(id, safe(look.accent()), coated));
            }
            if (blank.handleGapMm() > 0) {
                svg.append("<path class=\"cup-handle\" d=\"%s\"/>".formatted(handle()));
            }
            svg.append("<path class=\"cup-steel\" d=\"%s\" fill=\"url(#steel)\"/>".formatted(around(body)));
            look.paint().ifPresent(colour -> fill(svg, coated, safe(colour)));
            look.glitter().ifPresent(colour -> fill(svg, coated, "url(#glitter-" + id + ")"));
            if (!look.decor().isEmpty()) {
                decorate(svg, coated);
            }
            look.paint().ifPresent(colour -> fill(svg, coated, "url(#round)"));
            if (look.coats() > 0) {
                String opacity = look.coats() > 2 ? ".75" : look.coats() > 1 ? ".55" : ".35";
                svg.append("<path class=\"cup-shine\" d=\"%s\" opacity=\"%s\"/>".formatted(shine(), opacity));
            }
            return svg.append("<ellipse class=\"cup-mouth\" cx=\"0\" cy=\"0\" rx=\"%s\" ry=\"%s\"/>"
                            .formatted(Figures.coordinates(rimMm), Figures.coordinates(rimMm * OPENNESS)))
                    .toString();
        }

        private void decorate(StringBuilder svg, String coated) {
            String wave = wave();
            svg.append("<g clip-path=\"url(#clip-").append(id).append(")\">");
            if (look.has(Decor.SMOKE)) {
                svg.append("<path class=\"decor-smoke\" d=\"%s\" transform=\"translate(0 %s)\"/>"
                        .formatted(wave, Figures.coordinates(-blank.outline().heightMm() / 3)));
            }
            if (look.has(Decor.INK)) {
                fill(svg, coated, "url(#ink-" + id + ")");
            }
            if (look.has(Decor.VINYL)) {
                fill(svg, coated, "url(#vinyl-" + id + ")");
            }
            if (look.has(Decor.SPECKS)) {
                fill(svg, coated, "url(#specks-" + id + ")");
            }
            if (look.has(Decor.WAVE)) {
                svg.append(("<path class=\"decor-wave\" d=\"%1$s\"/>"
                                + "<path class=\"decor-sea\" d=\"%1$s\" transform=\"translate(0 7)\" fill=\"%2$s\"/>")
                        .formatted(wave, safe(look.paint().orElse("#2f6d8c"))));
            }
            svg.append("</g>");
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
