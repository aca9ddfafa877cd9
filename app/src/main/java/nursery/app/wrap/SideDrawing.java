package nursery.app.wrap;

import java.util.List;
import java.util.function.BinaryOperator;
import nursery.core.wrap.CupView;
import nursery.core.wrap.Design;
import nursery.core.wrap.Fitting;
import nursery.core.wrap.Laid;
import nursery.core.wrap.Piece;
import nursery.core.wrap.Sheet;
import nursery.core.wrap.Side;

/** A cup with its design, seen from a side. */
record SideDrawing(String viewBox, String inside) {

    private static final double MARGIN_MM = 5;

    /** @param yaw the angle that faces the eye, radians */
    static SideDrawing of(Fitting fitting, Sketch sketch, double yaw) {
        return of(fitting, sketch, yaw, (sheet, colour) -> colour);
    }

    /** @param shown what a colour of a sheet, by the sheet's name, is drawn in */
    static SideDrawing of(Fitting fitting, Sketch sketch, double yaw, BinaryOperator<String> shown) {
        Side side = fitting.flat().side();
        CupView view = new CupView(side, yaw);
        StringBuilder svg = new StringBuilder();
        boolean handleBehind = Math.cos(Math.PI - yaw) <= 0;
        if (side.hasHandle() && handleBehind) {
            handle(svg, side, yaw);
        }
        String body = SvgPath.line(view.body(0, side.slantMm())) + "Z";
        fill(svg, body, "url(#steel)");
        String coated = SvgPath.line(view.body(side.coatedFromMm(), side.coatedToMm())) + "Z";
        fill(svg, coated, sketch.base());
        if (sketch.glitter()) {
            fill(svg, coated, "url(#glint)");
        }
        List<Design.Band> bands = fitting.design().lines();
        for (int i = bands.size() - 1; i >= 0; i--) {
            fill(
                    svg,
                    SvgPath.line(view.below(bands.get(i).line(), side.coatedFromMm())) + "Z",
                    bands.get(i).colour());
        }
        for (int i = 0; i < fitting.laid().size(); i++) {
            Sheet sheet = fitting.design().items().get(i).sheet();
            for (Laid laid : fitting.laid().get(i)) {
                for (Piece piece : laid.pieces()) {
                    CupView.Seen seen = view.of(laid, piece);
                    if (!seen.rings().isEmpty()) {
                        svg.append("<path fill-rule=\"evenodd\" fill=\"")
                                .append(shown.apply(sheet.name(), seen.colour()))
                                .append(sheet == Sheet.PEEKABOO ? "\" class=\"peek" : "")
                                .append("\" d=\"")
                                .append(SvgPath.rings(seen.rings()))
                                .append("\"/>");
                    }
                }
            }
        }
        fill(svg, body, "url(#round)");
        if (side.hasHandle() && !handleBehind) {
            handle(svg, side, yaw);
        }
        double rim = side.radiusMm(side.slantMm());
        svg.append("<ellipse class=\"cup-mouth\" cx=\"0\" cy=\"0\" rx=\"%.1f\" ry=\"%.1f\"/>"
                .formatted(rim, rim * CupView.OPENNESS));
        double reach = side.widestRadiusMm() * (side.hasHandle() ? 1.6 : 1) + MARGIN_MM;
        double height = side.heightMm(side.slantMm());
        double above = rim * CupView.OPENNESS + MARGIN_MM;
        return new SideDrawing(
                "%.1f %.1f %.1f %.1f"
                        .formatted(
                                -reach,
                                -above,
                                2 * reach,
                                height + above + side.radiusMm(0) * CupView.OPENNESS + MARGIN_MM),
                svg.toString());
    }

    private static void fill(StringBuilder svg, String path, String with) {
        svg.append("<path d=\"").append(path).append("\" fill=\"").append(with).append("\"/>");
    }

    private static void handle(StringBuilder svg, Side side, double yaw) {
        double height = side.heightMm(side.slantMm());
        double wide = side.widestRadiusMm();
        double to = Math.sin(Math.PI - yaw);
        svg.append("<path class=\"cup-handle\" d=\"M%.1f %.1fC%.1f %.1f %.1f %.1f %.1f %.1f\"/>"
                .formatted(
                        wide * 0.9 * to,
                        height * 0.2,
                        wide * 1.75 * to,
                        height * 0.15,
                        wide * 1.75 * to,
                        height * 0.75,
                        wide * 0.85 * to,
                        height * 0.7));
    }
}
