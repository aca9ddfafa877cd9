package nursery.app.techniques;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import nursery.app.picture.CupPicture;
import nursery.app.picture.Looks;
import nursery.core.cup.StartingBlank;
import nursery.core.technique.Technique;
import nursery.core.technique.Technique.Place;

/**
 * What may be chosen from: the blocks that ship, and those of the technique that was begun from.
 *
 * @param lent the blocks of that technique, in its order
 */
record Palette(List<Block> lent) {

    /** More than the longest build has; how many steps they come to is looked at besides. */
    static final int MOST_LAYERS = 16;

    /** A block to touch, drawn as what it makes. */
    record Choice(Block block, CupPicture picture) {
        static Choice of(Block block) {
            List<Block> shown = block.place() == Place.BASE ? List.of(block) : List.of(Block.BASE_PAINT, block);
            return new Choice(block, drawn(block.key(), shown));
        }
    }

    private static CupPicture drawn(String key, List<Block> blocks) {
        return drawn(key, Block.together(key, blocks));
    }

    static CupPicture drawn(String key, Technique technique) {
        return Looks.of("block-" + key, technique, StartingBlank.SLIM_20.blank());
    }

    /** Layers to touch, of one sort. */
    record Group(String title, List<Choice> choices) {}

    Optional<Block> named(String key) {
        return all().filter(block -> block.key().equals(key)).findFirst();
    }

    Optional<Block> named(String key, Place place) {
        return named(key).filter(block -> block.place() == place);
    }

    List<Block> at(Place place) {
        return all().filter(block -> block.place() == place)
                .filter(this::isOffered)
                .distinct()
                .toList();
    }

    /** What the technique has itself is not offered again under the same name. */
    private boolean isOffered(Block block) {
        return lent.contains(block)
                || lent.stream()
                        .noneMatch(own ->
                                own.place() == block.place() && own.title().equals(block.title()));
    }

    List<Group> layers() {
        return Stream.of(
                        group(
                                "From this technique",
                                lent.stream()
                                        .filter(block -> block.place() == Place.LAYER)
                                        .filter(block -> !Block.SHIPPED.contains(block))
                                        .toList()),
                        group("Coats and sanding", Block.COATS),
                        group("Glitter, colour, texture", Block.COLOURS),
                        group("Designs", Block.DESIGNS))
                .filter(group -> !group.choices().isEmpty())
                .toList();
    }

    private Group group(String title, List<Block> blocks) {
        return new Group(
                title,
                blocks.stream()
                        .filter(this::isOffered)
                        .distinct()
                        .map(Choice::of)
                        .toList());
    }

    private Stream<Block> all() {
        return Stream.concat(lent.stream(), Block.SHIPPED.stream());
    }

    List<String> layers(Map<String, String> typed) {
        return IntStream.range(0, MOST_LAYERS)
                .mapToObj(i -> typed.getOrDefault("layer-" + i, ""))
                .filter(key -> named(key, Place.LAYER).isPresent())
                .toList();
    }

    List<Block> chosen(Map<String, String> typed) {
        Block base = named(typed.getOrDefault("base", ""), Place.BASE).orElse(Block.BASE_PAINT);
        Block finish = named(typed.getOrDefault("finish", ""), Place.FINISH).orElse(Block.FINISH_SANDED);
        return Stream.of(Stream.of(base), layers(typed).stream().flatMap(key -> named(key).stream()), Stream.of(finish))
                .flatMap(blocks -> blocks)
                .toList();
    }
}
