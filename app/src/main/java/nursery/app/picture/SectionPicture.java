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
            String thickness) {}

    public static SectionPicture of(List<Layer> layers, Show show) {
        double total =
                layers.stream().mapToDouble(layer -> layer.filmMm().orElse(0.0)).sum();
        double drawing = MARGIN_PX * 2
                + STEEL_PX
                + layers.stream().mapToDouble(SectionPicture::heightOf).sum();
        double needed = MARGIN_PX * 2 + (layers.size() + 1) * WORDS_PX;
        double height = Math.max(drawing, needed);
        List<Band> bands = new ArrayList<>();
        double foot = height - MARGIN_PX;
        double words = height - MARGIN_PX - STEEL_PX / 2 + 5;
        bands.add(new Band("steel", stretches(List.of()), foot - STEEL_PX, STEEL_PX, words, "Steel", ""));
        foot -= STEEL_PX;
        for (Layer layer : layers) {
            double thick = heightOf(layer);
            foot -= thick;
            words = Math.min(words - WORDS_PX, foot + thick / 2 + 5);
            String note = layer.note().isEmpty() ? "" : " (" + layer.note() + ")";
            bands.add(new Band(
                    styleOf(layer.kind()),
                    stretches(layer.colours()),
                    foot,
                    thick,
                    words,
                    layer.title() + note,
                    layer.filmMm().map(show::film).orElse("")));
        }
        return new SectionPicture(List.copyOf(bands), height, total, show.film(total));
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
