package nursery.app.picture;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import nursery.app.platform.Show;
import nursery.core.technique.StepKind;

/**
 * A cup's wall in section, from the steel up, each coat as thick as what was really poured makes it. Coats are drawn to
 * one scale; what has no measured thickness gets a band of its own.
 *
 * @param bands from the steel at the bottom to the newest layer on top
 * @param heightPx how high the drawing is
 * @param totalMm all coats together
 */
public record SectionPicture(List<Band> bands, double heightPx, double totalMm, String totalWords) {

    private static final double PX_PER_MM = 62;
    private static final double THINNEST_PX = 5;
    private static final double UNMEASURED_PX = 9;
    /** Two lines of words need so much room, however thin their layers are. */
    private static final double WORDS_PX = 22;
    /** What does not stand beside a title stands below it. */
    private static final double MORE_PX = 16;
    /** So many letters go beside a thickness. */
    private static final int FITS = 32;

    private static final int FITS_ALONE = 42;
    /** On the second line, which is of narrow letters: amounts, and what is in it. */
    private static final int FITS_BELOW = 46;

    /** The first line of words stands no higher. */
    private static final double TOP_PX = 22;

    private static final double STEEL_PX = 16;
    private static final double MARGIN_PX = 8;
    private static final double LEFT_PX = 4;
    private static final double WIDE_PX = 84;

    /** A layer as the log has it. */
    public record Layer(StepKind kind, String title, Optional<Double> filmMm, String note, List<String> colours) {}

    /** A stretch of a band in one colour; in its style's own if it has none. */
    public record Stretch(double x, double width, Optional<String> colour) {}

    /** A layer as it is drawn: where its band lies, where its words stand, and a line between them. */
    public record Band(
            String style,
            List<Stretch> stretches,
            double y,
            double height,
            double wordsY,
            String words,
            String more,
            String thickness) {

        private Band lower(double px) {
            return new Band(style, stretches, y + px, height, wordsY + px, words, more, thickness);
        }

        /** Where the second line of words stands. */
        public double moreY() {
            return wordsY + MORE_PX;
        }
    }

    public static SectionPicture of(List<Layer> layers, Show show) {
        double total =
                layers.stream().mapToDouble(layer -> layer.filmMm().orElse(0.0)).sum();
        double drawing = MARGIN_PX * 2
                + STEEL_PX
                + layers.stream().mapToDouble(SectionPicture::heightOf).sum();
        double needed = MARGIN_PX * 2
                + (layers.size() + 1) * WORDS_PX
                + layers.stream().filter(layer -> !isOneLine(layer)).count() * MORE_PX;
        double height = Math.max(drawing, needed);
        List<Band> bands = new ArrayList<>();
        double foot = height - MARGIN_PX;
        double words = height - MARGIN_PX - STEEL_PX / 2 + 5;
        bands.add(new Band("steel", stretches(List.of()), foot - STEEL_PX, STEEL_PX, words, "Steel", "", ""));
        foot -= STEEL_PX;
        for (Layer layer : layers) {
            double thick = heightOf(layer);
            foot -= thick;
            boolean oneLine = isOneLine(layer);
            words = Math.min(words - WORDS_PX - (oneLine ? 0 : MORE_PX), foot + thick / 2 + 5);
            bands.add(new Band(
                    styleOf(layer.kind()),
                    stretches(layer.colours()),
                    foot,
                    thick,
                    words,
                    fitting(oneLine ? inOneLine(layer) : layer.title(), room(layer)),
                    oneLine ? "" : fitting(layer.note(), FITS_BELOW),
                    layer.filmMm().map(show::film).orElse("")));
        }
        double lower = Math.max(0, TOP_PX - words);
        return new SectionPicture(
                bands.stream().map(band -> band.lower(lower)).toList(), height + lower, total, show.film(total));
    }

    private static String inOneLine(Layer layer) {
        return layer.note().isEmpty() ? layer.title() : "%s (%s)".formatted(layer.title(), layer.note());
    }

    private static boolean isOneLine(Layer layer) {
        return inOneLine(layer).length() <= room(layer) || layer.note().isEmpty();
    }

    private static int room(Layer layer) {
        return layer.filmMm().isPresent() ? FITS : FITS_ALONE;
    }

    private static String fitting(String words, int room) {
        return words.length() <= room ? words : words.substring(0, room - 1).strip() + "…";
    }

    private static List<Stretch> stretches(List<String> colours) {
        if (colours.isEmpty()) {
            return List.of(new Stretch(LEFT_PX, WIDE_PX, Optional.empty()));
        }
        double each = WIDE_PX / colours.size();
        return IntStream.range(0, colours.size())
                .mapToObj(i -> new Stretch(LEFT_PX + i * each, each, Optional.of(colours.get(i))))
                .toList();
    }

    private static double heightOf(Layer layer) {
        return layer.filmMm().map(mm -> Math.max(THINNEST_PX, mm * PX_PER_MM)).orElse(UNMEASURED_PX);
    }

    private static String styleOf(StepKind kind) {
        return switch (kind) {
            case ADHESIVE, GLUE, FOIL_ADHESIVE, SPRAY_ADHESIVE -> "adhesive";
            case SEAL -> "sealer";
            case FLOOD_COAT, BUILD_COAT, THIN_COAT, PARTIAL_COAT, FINISHING_COAT -> "coat";
            case GLITTER, FOIL, SPONGE, MICA_SEAL -> "flakes";
            default -> "film";
        };
    }
}
