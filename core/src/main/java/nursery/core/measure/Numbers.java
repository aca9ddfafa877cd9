package nursery.core.measure;

import java.math.BigDecimal;
import java.math.MathContext;
import java.math.RoundingMode;
import java.text.Normalizer;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * Numbers as people write them at a bench: {@code 7.5}, {@code 7,5}, {@code 1 234,5}, {@code 15/16}, {@code 8 1/2},
 * {@code 8½}.
 */
public final class Numbers {

    private static final Pattern PLAIN = Pattern.compile("[+-]?(\\d{1,12}(\\.\\d{0,12})?|\\.\\d{1,12})");
    private static final Pattern FRACTION =
            Pattern.compile("([+-]?)(?:(\\d{1,6})(?: | ?- ?))?([1-9]\\d{0,5}) ?/ ?([1-9]\\d{0,5})");
    /** A nought in front rules the thousand out: {@code 0,125} is an eighth. */
    private static final Pattern AMBIGUOUS = Pattern.compile("[+-]?[1-9]\\d{0,2},\\d{3}");

    private static final Pattern COMMA_GROUPS =
            Pattern.compile("[+-]?\\d{1,3}(,\\d{3})+\\.\\d*|[+-]?\\d{1,3}(,\\d{3}){2,}");
    private static final Pattern POINT_GROUPS =
            Pattern.compile("[+-]?\\d{1,3}(\\.\\d{3})+,\\d*|[+-]?\\d{1,3}(\\.\\d{3}){2,}");
    private static final Pattern SPACE_GROUPS = Pattern.compile("[+-]?\\d{1,3}([ '’]\\d{3})+([.,]\\d*)?");
    private static final Pattern SPACES = Pattern.compile("[\\s\\u00a0\\u2007\\u2009\\u202f]+");
    private static final Pattern VULGAR = Pattern.compile("[¼-¾⅐-⅞]");
    private static final int LONGEST_SHOWN = 30;

    private Numbers() {}

    /**
     * Reads a number. Marks between thousands may be commas, points, spaces or apostrophes, where what is written can
     * mean nothing else. A single comma is taken as a decimal point unless exactly three digits follow it, which could
     * as well be a thousand: then the writer is asked, because a guess would be off by a factor of 1000. A single point
     * is a decimal point: Nursery itself writes it so.
     *
     * @throws IllegalArgumentException with a sentence for the writer
     */
    public static double parse(String text) {
        String written = SPACES.matcher(text).replaceAll(" ").strip().replace('\u2212', '-');
        if (written.isEmpty()) {
            throw new IllegalArgumentException("Nothing was entered: a number is needed.");
        }
        String spelled = spelled(written);
        if (spelled.indexOf('/') >= 0) {
            return fraction(written, spelled);
        }
        return Double.parseDouble(digits(written));
    }

    /**
     * Reads a number exactly as it is written, such as an amount of money; fractions are none.
     *
     * @throws IllegalArgumentException with a sentence for the writer
     */
    public static BigDecimal decimal(String text) {
        String written = SPACES.matcher(text).replaceAll(" ").strip().replace('\u2212', '-');
        if (written.isEmpty()) {
            throw new IllegalArgumentException("Nothing was entered: a number is needed.");
        }
        return new BigDecimal(digits(written));
    }

    /** What is written, as digits with a point before the decimals. */
    private static String digits(String written) {
        if (AMBIGUOUS.matcher(written).matches()) {
            throw new IllegalArgumentException("“%s” could mean %s or %s: write it with a point or without the comma."
                    .formatted(written, written.replace(',', '.'), written.replace(",", "")));
        }
        String pointed = pointed(written);
        if (!PLAIN.matcher(pointed).matches()) {
            throw notANumber(written);
        }
        return pointed;
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

    /** Fractions of one sign, such as ⅞, as two numbers and a stroke, set off from what stands before. */
    private static String spelled(String written) {
        return VULGAR.matcher(written)
                .replaceAll(sign -> " " + Normalizer.normalize(sign.group(), Normalizer.Form.NFKD))
                .replaceAll(" +", " ")
                .replace('\u2044', '/')
                .replace('\u2215', '/')
                .strip();
    }

    /** Without marks between thousands, and with a point before the decimals. */
    private static String pointed(String written) {
        if (COMMA_GROUPS.matcher(written).matches()) {
            return written.replace(",", "");
        }
        if (POINT_GROUPS.matcher(written).matches()) {
            return written.replace(".", "").replace(',', '.');
        }
        String joined = SPACE_GROUPS.matcher(written).matches() ? written.replaceAll("[ '’]", "") : written;
        boolean oneComma = joined.indexOf(',') == joined.lastIndexOf(',') && joined.indexOf('.') < 0;
        return oneComma ? joined.replace(',', '.') : joined;
    }

    private static double fraction(String written, String spelled) {
        Matcher parts = FRACTION.matcher(spelled.replace("- ", "-"));
        if (!parts.matches()) {
            throw notANumber(written);
        }
        double part = Double.parseDouble(parts.group(3)) / Double.parseDouble(parts.group(4));
        String whole = parts.group(2);
        if (whole != null && part >= 1) {
            throw new IllegalArgumentException(
                    "“%s”: the fraction behind a whole number must be less than 1.".formatted(shorten(written)));
        }
        double value = (whole == null ? 0 : Double.parseDouble(whole)) + part;
        return parts.group(1).equals("-") ? -value : value;
    }

    private static IllegalArgumentException notANumber(String written) {
        return new IllegalArgumentException(
                "“%s” is not a number: write digits, such as 12 or 7.5.".formatted(shorten(written)));
    }

    private static String shorten(String written) {
        return written.length() <= LONGEST_SHOWN ? written : written.substring(0, LONGEST_SHOWN) + "…";
    }
}
