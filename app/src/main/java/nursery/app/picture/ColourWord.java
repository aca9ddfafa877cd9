package nursery.app.picture;

import java.util.List;

/** What a colour is called, roughly, so that a cup is found by it. */
public final class ColourWord {

    private static final double DARK = 0.13;
    private static final double LIGHT = 0.92;
    private static final double GREY = 0.1;
    private static final double BROWN_UNTIL = 0.45;

    /** Names around the wheel, each until so many degrees. */
    private static final List<Hue> WHEEL = List.of(
            new Hue(15, "red"),
            new Hue(42, "orange"),
            new Hue(68, "yellow"),
            new Hue(160, "green"),
            new Hue(195, "teal"),
            new Hue(255, "blue"),
            new Hue(295, "purple"),
            new Hue(345, "pink"),
            new Hue(360, "red"));

    private ColourWord() {}

    private record Hue(double untilDegrees, String word) {}

    /** @param hex as #rrggbb */
    public static String of(String hex) {
        if (!hex.matches("#[0-9a-fA-F]{6}")) {
            return "";
        }
        double red = Integer.parseInt(hex.substring(1, 3), 16) / 255.0;
        double green = Integer.parseInt(hex.substring(3, 5), 16) / 255.0;
        double blue = Integer.parseInt(hex.substring(5, 7), 16) / 255.0;
        double most = Math.max(red, Math.max(green, blue));
        double least = Math.min(red, Math.min(green, blue));
        double light = (most + least) / 2;
        double colourful = most - least;
        if (light < DARK && colourful < DARK) {
            return "black";
        }
        if (colourful < GREY) {
            return light > LIGHT ? "white" : "grey";
        }
        double degrees = most == red
                ? 60 * ((green - blue) / colourful)
                : most == green ? 60 * ((blue - red) / colourful + 2) : 60 * ((red - green) / colourful + 4);
        double around = (degrees + 360) % 360;
        String word = WHEEL.stream()
                .filter(hue -> around < hue.untilDegrees())
                .findFirst()
                .map(Hue::word)
                .orElse("red");
        return word.equals("orange") && light < BROWN_UNTIL ? "brown" : word;
    }
}
