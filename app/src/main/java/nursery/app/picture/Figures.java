package nursery.app.picture;

import java.util.Locale;

/** How a number stands in a drawing: to a tenth, with a point. */
final class Figures {

    private static final double TENTHS = 10;

    private Figures() {}

    static double rounded(double value) {
        return Math.round(value * TENTHS) / TENTHS;
    }

    /** Numbers one after the other, as a path takes them. */
    static String coordinates(double... values) {
        StringBuilder text = new StringBuilder();
        for (double value : values) {
            text.append(text.isEmpty() ? "" : " ").append(String.format(Locale.ROOT, "%.1f", value));
        }
        return text.toString();
    }
}
