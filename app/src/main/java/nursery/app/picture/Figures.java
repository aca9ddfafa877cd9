package nursery.app.picture;

/** How a number stands in a drawing: to a tenth, with a point. */
final class Figures {

    private static final int TENTHS = 10;

    private Figures() {}

    static double rounded(double value) {
        return Math.round(value * TENTHS) / (double) TENTHS;
    }

    /** Numbers one after the other, as a path takes them. */
    static String coordinates(double... values) {
        StringBuilder text = new StringBuilder();
        for (double value : values) {
            long tenths = Math.round(value * TENTHS);
            text.append(text.isEmpty() ? "" : " ").append(tenths < 0 ? "-" : "");
            // By hand: a page holds thousands of these, and a formatter costs more than all the rest of a drawing.
            text.append(Math.abs(tenths) / TENTHS).append('.').append(Math.abs(tenths) % TENTHS);
        }
        return text.toString();
    }
}
