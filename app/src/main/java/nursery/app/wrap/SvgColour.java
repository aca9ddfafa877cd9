package nursery.app.wrap;

import java.util.Locale;
import java.util.Map;
import java.util.Optional;

/** A colour as SVG writes it, as {@code #rrggbb}: in hexadecimal, by three numbers, or by a common name. */
final class SvgColour {

    private static final Map<String, String> COLOURS = Map.ofEntries(
            Map.entry("black", "#000000"),
            Map.entry("white", "#ffffff"),
            Map.entry("red", "#ff0000"),
            Map.entry("green", "#008000"),
            Map.entry("blue", "#0000ff"),
            Map.entry("yellow", "#ffff00"),
            Map.entry("orange", "#ffa500"),
            Map.entry("purple", "#800080"),
            Map.entry("grey", "#808080"),
            Map.entry("gray", "#808080"),
            Map.entry("silver", "#c0c0c0"),
            Map.entry("gold", "#ffd700"),
            Map.entry("navy", "#000080"),
            Map.entry("teal", "#008080"),
            Map.entry("brown", "#a52a2a"),
            Map.entry("pink", "#ffc0cb"));

    private SvgColour() {}

    static Optional<String> of(String fill) {
        String plain = fill.toLowerCase(Locale.ROOT);
        if (plain.matches("#[0-9a-f]{6}")) {
            return Optional.of(plain);
        }
        if (plain.matches("#[0-9a-f]{3}")) {
            return Optional.of(
                    "#%1$c%1$c%2$c%2$c%3$c%3$c".formatted(plain.charAt(1), plain.charAt(2), plain.charAt(3)));
        }
        double[] rgb =
                plain.startsWith("rgb(") ? SvgReader.numbers(plain.substring(4).replace(")", "")) : new double[0];
        return rgb.length == 3
                ? Optional.of("#%02x%02x%02x".formatted(byteOf(rgb[0]), byteOf(rgb[1]), byteOf(rgb[2])))
                : Optional.ofNullable(COLOURS.get(plain));
    }

    private static int byteOf(double value) {
        return (int) Math.max(0, Math.min(255, Math.round(value)));
    }
}
