package nursery.app.scale;

import java.time.DateTimeException;
import java.time.Instant;
import java.util.Locale;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * What a scale shows at one moment.
 *
 * @param grams since it was last tared
 * @param stable whether it has come to rest
 */
public record ScaleReading(Instant at, double grams, boolean stable) {

    private static final Pattern LINE = Pattern.compile("(\\S+) ([+-]?\\d{1,6}(?:\\.\\d{1,4})?) g( stable)?");
    private static final double HEAVIEST_G = 20_000;

    public ScaleReading {
        if (!(Math.abs(grams) <= HEAVIEST_G)) {
            throw new IllegalArgumentException("A weight of %s g is outside ±20000 g.".formatted(grams));
        }
    }

    /**
     * Reads the line form: {@code 2026-03-01T18:00:00.200Z 12.34 g stable}.
     *
     * @throws IllegalArgumentException with a sentence for whoever wrote the device
     */
    public static ScaleReading parse(String line) {
        Matcher parts = LINE.matcher(line.strip());
        if (!parts.matches()) {
            throw new IllegalArgumentException(
                    "“%s” is not a reading: write a UTC moment, grams, g, and stable if it is at rest."
                            .formatted(line.length() > 60 ? line.substring(0, 60) + "…" : line));
        }
        try {
            return new ScaleReading(
                    Instant.parse(parts.group(1)), Double.parseDouble(parts.group(2)), parts.group(3) != null);
        } catch (DateTimeException e) {
            throw new IllegalArgumentException(
                    "“%s” is not a moment: write it in UTC, as 2026-03-01T18:00:00Z.".formatted(parts.group(1)), e);
        }
    }

    public String line() {
        return String.format(Locale.ROOT, "%s %.2f g%s", at, grams, stable ? " stable" : "");
    }
}
