package nursery.app.techniques;

import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.Stream;
import nursery.core.technique.Technique;

/**
 * What a technique is put together from: one base, any number of layers on it in the order they are touched, one
 * finish. Each ends on a coat, so that any other may follow; each is a technique file of its own under
 * {@code techniques/blocks}.
 */
enum Block {
    BASE_PAINT,
    BASE_GLITTER,
    BASE_GLUE_GLITTER,
    BASE_CHUNKY,
    BASE_INK,
    BASE_WRAP,
    LAYER_DECAL,
    LAYER_OUTLINE,
    LAYER_WRAP,
    LAYER_PEEKABOO,
    LAYER_SMOKE,
    LAYER_MICA,
    LAYER_FOIL,
    LAYER_DISTRESSED,
    LAYER_SOAP,
    LAYER_WAVE,
    LAYER_SLIDE,
    LAYER_BLOOM,
    FINISH_ONE,
    FINISH_TWO,
    FINISH_THREE,
    FINISH_MATTE;

    /** Where it may stand. */
    enum Place {
        BASE,
        LAYER,
        FINISH
    }

    private final Technique technique;

    Block() {
        this.technique = read(key());
    }

    static Optional<Block> named(String key) {
        return Arrays.stream(values()).filter(block -> block.key().equals(key)).findFirst();
    }

    static List<Block> at(Place place) {
        return Arrays.stream(values()).filter(block -> block.place() == place).toList();
    }

    /** One technique of these, in their order. */
    static Technique together(String name, List<Block> blocks) {
        String about = String.join(" · ", blocks.stream().map(Block::title).toList()) + ".";
        return new Technique(
                name,
                about.length() > Technique.LONGEST_TEXT ? about.substring(0, Technique.LONGEST_TEXT) : about,
                blocks.stream().flatMap(Block::parts).toList());
    }

    /** Its name in a form, such as {@code layer-decal}. */
    public String key() {
        return name().toLowerCase(Locale.ROOT).replace('_', '-');
    }

    Place place() {
        return Place.valueOf(name().substring(0, name().indexOf('_')));
    }

    public String title() {
        return technique.name();
    }

    public String about() {
        return technique.about();
    }

    private Stream<Technique.Part> parts() {
        return technique.parts().stream();
    }

    private static Technique read(String key) {
        try (InputStream file = Block.class.getResourceAsStream("/techniques/blocks/" + key + ".json")) {
            return TechniqueFile.read(
                    new String(Optional.ofNullable(file).orElseThrow().readAllBytes(), StandardCharsets.UTF_8));
        } catch (IOException e) {
            throw new IllegalStateException(e);
        }
    }
}
