package nursery.app.picture;

import java.util.List;
import java.util.stream.Stream;
import nursery.core.cup.Blank;
import nursery.core.cup.Station;

/**
 * A cup seen from the side and a little from above, in true proportion: one unit is one millimetre.
 *
 * @param id distinguishes its patterns from another cup's on the same page
 * @param silhouette the whole body, base to rim
 * @param coated the part between the bare bands
 * @param wave what lies below a wavy line, wider than the cup: to be clipped to its coated part
 * @param shine the highlight of the clear coats on it
 */
public record CupPicture(
        String id,
        String viewBox,
        String silhouette,
        String coated,
        String shine,
        String wave,
        Ellipse rim,
        String handle,
        CupLook look,
        double widthMm,
        double heightMm) {

    /** How open the ellipses look: sine of the angle the eye is above the horizontal. */
    private static final double OPENNESS = 0.13;

    private static final double MARGIN_MM = 6;

    public record Ellipse(double rx, double ry, double cy) {}

    public static CupPicture of(String id, Blank blank, CupLook look) {
        List<Station> body = blank.outline().stations();
        double heightMm = blank.outline().heightMm();
        double radiusMm = blank.outline().widestRadiusMm();
        boolean handled = blank.handleGapMm() > 0;
        double rimMm = body.get(body.size() - 1).radiusMm();
        double baseMm = body.get(0).radiusMm();
        double top = -rimMm * OPENNESS - MARGIN_MM;
        double bottom = heightMm + baseMm * OPENNESS + MARGIN_MM;
        double right = radiusMm + MARGIN_MM + (handled ? radiusMm * 0.75 : 0);
        String box = Figures.coordinates(-radiusMm - MARGIN_MM, top, right + radiusMm + MARGIN_MM, bottom - top);
        return new CupPicture(
                id,
                box,
                around(body, heightMm),
                around(blank.coatedStations(), heightMm),
                shine(blank.coatedStations(), heightMm),
                wave(radiusMm, heightMm),
                new Ellipse(Figures.rounded(rimMm), Figures.rounded(rimMm * OPENNESS), 0),
                handled ? handle(radiusMm, heightMm) : "",
                look,
                right + radiusMm + MARGIN_MM,
                bottom - top);
    }

    /** Its height as a percentage of the tallest on a shelf, so that all stand there to one scale. */
    public double percentOf(double tallestMm) {
        return 100 * heightMm / tallestMm;
    }

    public static double tallestMm(Stream<CupPicture> pictures) {
        return pictures.mapToDouble(CupPicture::heightMm).max().orElse(1);
    }

    /**
     * Up the left side, across the front edge of the top, down the right side, back along the front edge of the foot.
     */
    private static String around(List<Station> part, double heightMm) {
        StringBuilder path = new StringBuilder();
        for (int i = 0; i < part.size(); i++) {
            path.append(i == 0 ? "M" : "L").append(point(-part.get(i).radiusMm(), part.get(i), heightMm));
        }
        Station top = part.get(part.size() - 1);
        path.append(arc(top.radiusMm(), 0)).append(point(top.radiusMm(), top, heightMm));
        for (int i = part.size() - 2; i >= 0; i--) {
            path.append("L").append(point(part.get(i).radiusMm(), part.get(i), heightMm));
        }
        Station foot = part.get(0);
        return path.append(arc(foot.radiusMm(), 1))
                .append(point(-foot.radiusMm(), foot, heightMm))
                .append("Z")
                .toString();
    }

    private static String shine(List<Station> part, double heightMm) {
        StringBuilder path = new StringBuilder();
        for (int i = 0; i < part.size(); i++) {
            path.append(i == 0 ? "M" : "L").append(point(-part.get(i).radiusMm() * 0.62, part.get(i), heightMm));
        }
        for (int i = part.size() - 1; i >= 0; i--) {
            path.append("L").append(point(-part.get(i).radiusMm() * 0.42, part.get(i), heightMm));
        }
        return path.append("Z").toString();
    }

    private static String wave(double radiusMm, double heightMm) {
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

    private static String handle(double radiusMm, double heightMm) {
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

    private static String point(double x, Station station, double heightMm) {
        return Figures.coordinates(x, heightMm - station.heightMm());
    }
}
