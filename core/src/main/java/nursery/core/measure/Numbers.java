package nursery.core.measure;

import java.math.BigDecimal;
import java.math.MathContext;
import java.math.RoundingMode;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** Numbers as people write them at a bench: {@code 7.5}, {@code 7,5}, {@code 8 1/2}, {@code 8½}. */
public final class Numbers {

    private static final Pattern PLAIN = Pattern.compile("[+-]?(\\d{1,12}(\\.\\d{0,12})?|\\.\\d{1,12})");
    private static final Pattern FRACTION = Pattern.compile("([+-]?)(?:(\\d{1,6})[ -])?(\\d{1,4})/(\\d{1,4})");
    private static final Pattern AMBIGUOUS = Pattern.compile("[+-]?\\d{1,3},\\d{3}");
    private static final Map<String, String> VULGAR =
            Map.of("½", " 1/2", "¼", " 1/4", "¾", " 3/4", "⅛", " 1/8", "⅜", " 3/8", "⅝", " 5/8", "⅞", " 7/8");

    private Numbers() {}

    /**
     * Reads a number. A single comma is taken as a decimal point unless exactly three digits follow it, which could as
     * well be a thousand: then the writer is asked, because a guess would be off by a factor of 1000.
     *
     * @throws IllegalArgumentException with a sentence for the writer
     */
    public static double parse(String text) {
        String written = text.strip().replace('\u2212', '-').replace('\u00a0', ' ');
        if (written.isEmpty()) {
            throw new IllegalArgumentException("Nothing was entered: a number is needed.");
        }
        if (AMBIGUOUS.matcher(written).matches()) {
            throw new IllegalArgumentException("“%s” could mean %s or %s: write it with a point or without the comma."
                    .formatted(written, written.replace(',', '.'), written.replace(",", "")));
        }
        String pointed = written.indexOf(',') == written.lastIndexOf(',') && written.indexOf('.') < 0
                ? written.replace(',', '.')
                : written;
        if (PLAIN.matcher(pointed).matches()) {
            return Double.parseDouble(pointed);
        }
        return fraction(written);
    }

    /** Shows a number with at most four significant digits behind a whole part, no exponent and no trailing zeros. */
    public static String show(double value) {
        if (!Double.isFinite(value)) {
            return Double.isNaN(value) ? "not a number" : "infinite";
        }
        if (Math.abs(value) >= 1e9) {
            return "more than a thousand million";
        }
        BigDecimal rounded = BigDecimal.valueOf(value).round(new MathContext(Math.abs(value) >= 1000 ? 9 : 4));
        return plain(rounded.setScale(Math.min(4, Math.max(0, rounded.scale())), RoundingMode.HALF_UP));
    }

    /** Shows a number rounded half up to a fixed number of decimals, without trailing zeros. */
    public static String show(double value, int decimals) {
        return Double.isFinite(value)
                ? plain(BigDecimal.valueOf(value).setScale(decimals, RoundingMode.HALF_UP))
                : show(value);
    }

    private static String plain(BigDecimal number) {
        return number.signum() == 0 ? "0" : number.stripTrailingZeros().toPlainString();
    }

    private static double fraction(String written) {
        String spelled = written;
        for (Map.Entry<String, String> vulgar : VULGAR.entrySet()) {
            spelled = spelled.replace(vulgar.getKey(), vulgar.getValue());
        }
        Matcher parts = FRACTION.matcher(spelled.strip().replaceAll("\\s+", " "));
        if (!parts.matches() || Integer.parseInt(parts.group(4)) == 0) {
            throw new IllegalArgumentException(
                    "“%s” is not a number: write digits, such as 12 or 7.5.".formatted(shorten(written)));
        }
        double whole = parts.group(2) == null ? 0 : Double.parseDouble(parts.group(2));
        double value = whole + Double.parseDouble(parts.group(3)) / Double.parseDouble(parts.group(4));
        return parts.group(1).equals("-") ? -value : value;
    }

    private static String shorten(String written) {
        return written.length() <= 30 ? written : written.substring(0, 30) + "…";
    }
}
