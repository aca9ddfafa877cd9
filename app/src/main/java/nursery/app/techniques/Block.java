package nursery.app.techniques;

import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import nursery.core.technique.Technique;
import nursery.core.technique.Technique.Place;

/**
 * What a technique is put together from: one base, any number of layers on it in the order they are touched, one
 * finish. Each ends on a coat, so that any other may follow. Those that ship are technique files of their own under
 * {@code techniques/blocks}; every technique that knows its blocks lends them as well.
 *
 * @param key its name in a form, such as {@code layer-decal}, or {@code waves.1} for the second of a technique's
 */
record Block(String key, Place place, String title, String about, List<Technique.Part> parts) {

    static final Block BASE_PAINT = shipped(Place.BASE, "paint");
    static final Block BASE_GLITTER = shipped(Place.BASE, "glitter");
    static final Block BASE_GLUE_GLITTER = shipped(Place.BASE, "glue-glitter");
    static final Block BASE_CHUNKY = shipped(Place.BASE, "chunky");
    static final Block BASE_INK = shipped(Place.BASE, "ink");
    static final Block BASE_WRAP = shipped(Place.BASE, "wrap");
    static final Block LAYER_DECAL = shipped(Place.LAYER, "decal");
    static final Block LAYER_OUTLINE = shipped(Place.LAYER, "outline");
    static final Block LAYER_WRAP = shipped(Place.LAYER, "wrap");
    static final Block LAYER_PEEKABOO = shipped(Place.LAYER, "peekaboo");
    static final Block LAYER_SMOKE = shipped(Place.LAYER, "smoke");
    static final Block LAYER_MICA = shipped(Place.LAYER, "mica");
    static final Block LAYER_FOIL = shipped(Place.LAYER, "foil");
    static final Block LAYER_DISTRESSED = shipped(Place.LAYER, "distressed");
    static final Block LAYER_SOAP = shipped(Place.LAYER, "soap");
    static final Block LAYER_WAVE = shipped(Place.LAYER, "wave");
    static final Block LAYER_SLIDE = shipped(Place.LAYER, "slide");
    static final Block LAYER_BLOOM = shipped(Place.LAYER, "bloom");
    static final Block FINISH_ONE = shipped(Place.FINISH, "one");
    static final Block FINISH_TWO = shipped(Place.FINISH, "two");
    static final Block FINISH_THREE = shipped(Place.FINISH, "three");
    static final Block FINISH_MATTE = shipped(Place.FINISH, "matte");

    /** Those that ship on their own, in the order they are offered. */
    static final List<Block> SHIPPED = List.of(
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
            FINISH_MATTE);

    Block {
        parts = List.copyOf(parts);
    }

    /** The blocks a technique is known to be made of; none if it is not. */
    static List<Block> of(ShelvedTechnique shelved) {
        Technique technique = shelved.technique();
        return IntStream.range(0, technique.blocks().size())
                .mapToObj(i -> new Block(
                        shelved.key() + "." + i,
                        technique.blocks().get(i).place(),
                        technique.blocks().get(i).title(),
                        "As in “%s”.".formatted(technique.name()),
                        technique.partsOf(i)))
                .toList();
    }

    /** One technique of these, in their order. */
    static Technique together(String name, List<Block> blocks) {
        String about = String.join(" · ", blocks.stream().map(Block::title).toList()) + ".";
        Set<String> repeats = new HashSet<>();
        List<Technique.Part> parts = new ArrayList<>();
        blocks.forEach(block -> block.parts().forEach(part -> parts.add(told(part, repeats))));
        List<Technique.Block> shared = blocks.stream()
                .map(block -> new Technique.Block(
                        block.place(), block.title(), block.parts().size()))
                .toList();
        return new Technique(
                name,
                about.length() > Technique.LONGEST_TEXT ? about.substring(0, Technique.LONGEST_TEXT) : about,
                parts,
                Technique.inOrder(shared.stream().map(Technique.Block::place).toList()) ? shared : List.of());
    }

    /** How often is asked by a group's title: two of one title would be one question. */
    private static Technique.Part told(Technique.Part part, Set<String> taken) {
        if (part instanceof Technique.Repeat repeat && !taken.add(repeat.title())) {
            String title = Stream.iterate(2, i -> i + 1)
                    .map(i -> "%s, %d".formatted(repeat.title(), i))
                    .filter(taken::add)
                    .findFirst()
                    .orElseThrow();
            return new Technique.Repeat(title, repeat.least(), repeat.most(), repeat.usual(), repeat.steps());
        }
        return part;
    }

    private static Block shipped(Place place, String name) {
        String key = place.written() + "-" + name;
        try (InputStream file = Block.class.getResourceAsStream("/techniques/blocks/" + key + ".json")) {
            Technique technique = TechniqueFile.read(
                    new String(Optional.ofNullable(file).orElseThrow().readAllBytes(), StandardCharsets.UTF_8));
            return new Block(key, place, technique.name(), technique.about(), technique.parts());
        } catch (IOException e) {
            throw new IllegalStateException(e);
        }
    }
}
