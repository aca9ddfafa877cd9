package nursery.app.wrap;

import java.awt.geom.AffineTransform;

/**
 * What a drawing is seen through: how wide and high that is in its own units, of which its percentages are parts.
 *
 * @param width in user units
 */
record SvgView(double width, double height) {

    /** What a length that goes neither across nor down is a part of (SVG 1.1, 7.10). */
    double diagonal() {
        return Math.hypot(width, height) / Math.sqrt(2);
    }

    /**
     * How a box is laid into one of this size (SVG 1.1, 7.8).
     *
     * @param aspect what preserveAspectRatio says, or nothing
     */
    AffineTransform fitting(double[] box, String aspect) {
        double scaleX = width / box[2];
        double scaleY = height / box[3];
        String said = aspect.replace("defer", "").strip();
        AffineTransform at = new AffineTransform();
        if (!said.startsWith("none")) {
            double scale = said.endsWith("slice") ? Math.max(scaleX, scaleY) : Math.min(scaleX, scaleY);
            at.translate((width - box[2] * scale) * part(said, "x"), (height - box[3] * scale) * part(said, "Y"));
            scaleX = scale;
            scaleY = scale;
        }
        at.scale(scaleX, scaleY);
        at.translate(-box[0], -box[1]);
        return at;
    }

    /** How much of what is left over stands before it: none, half or all of it. */
    private static double part(String said, String axis) {
        if (said.contains(axis + "Min")) {
            return 0;
        }
        return said.contains(axis + "Max") ? 1 : 0.5;
    }

    static boolean isBox(double[] box) {
        return box.length == 4 && box[2] > 0 && box[3] > 0;
    }
}
