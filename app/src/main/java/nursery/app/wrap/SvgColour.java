package nursery.app.wrap;

import java.util.Locale;
import java.util.Optional;

/** A colour as CSS writes it, but for the names the SVG library knows, as {@code #rrggbb}. */
final class SvgColour {

    private SvgColour() {}

    static Optional<String> of(String fill) {
        String plain = fill.toLowerCase(Locale.ROOT);
        if (plain.matches("#[0-9a-f]{6}")) {
            return Optional.of(plain);
        }
        if (plain.matches("#[0-9a-f]{8}")) {
            return Optional.of(plain.substring(0, 7));
        }
        if (plain.matches("#[0-9a-f]{3,4}")) {
            return Optional.of(
                    "#%1$c%1$c%2$c%2$c%3$c%3$c".formatted(plain.charAt(1), plain.charAt(2), plain.charAt(3)));
        }
        if (plain.equals("rebeccapurple")) {
            return Optional.of("#663399");
        }
        String[] parts = plain.replaceAll("^(?:rgb|hsl)a?\\(|\\)$", "").strip().split("[\\s,/]+");
        try {
            if (parts.length >= 3 && plain.startsWith("rgb")) {
                return Optional.of("#%02x%02x%02x".formatted(byteOf(parts[0]), byteOf(parts[1]), byteOf(parts[2])));
            }
            return parts.length >= 3 && plain.startsWith("hsl")
                    ? Optional.of(
                            hsl(Double.parseDouble(parts[0].replace("deg", "")), partOf(parts[1]), partOf(parts[2])))
                    : Optional.empty();
        } catch (NumberFormatException e) {
            return Optional.empty();
        }
    }

    /** By hue, saturation and lightness (CSS Color Module Level 4, section 7.1). */
    private static String hsl(double hue, double saturation, double lightness) {
        int[] channels = new int[3];
        int[] from = {0, 8, 4};
        for (int i = 0; i < channels.length; i++) {
            double k = ((from[i] + hue / 30) % 12 + 12) % 12;
            double by = saturation * Math.min(lightness, 1 - lightness);
            channels[i] = (int) Math.round(255 * (lightness - by * Math.max(-1, Math.min(Math.min(k - 3, 9 - k), 1))));
        }
        return "#%02x%02x%02x".formatted(channels[0], channels[1], channels[2]);
    }

    private static double partOf(String percent) {
        return Math.max(0, Math.min(1, Double.parseDouble(percent.replace("%", "")) / 100));
    }

    /** From 0 to 255, or a percentage of that. */
    private static int byteOf(String written) {
        double value = written.endsWith("%")
                ? Double.parseDouble(written.substring(0, written.length() - 1)) * 2.55
                : Double.parseDouble(written);
        return (int) Math.max(0, Math.min(255, Math.round(value)));
    }
}
