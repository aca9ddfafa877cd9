package nursery.app.techniques;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import nursery.app.picture.CupPicture;
import nursery.app.picture.Looks;
import nursery.core.cup.StartingBlank;
import nursery.core.measure.LengthUnit;
import nursery.core.technique.Technique;
import nursery.core.technique.Technique.Place;
import nursery.core.technique.Where;

/**
 * What may be chosen from: the blocks that ship, and those of the technique that was begun from.
 *
 * @param lent the blocks of that technique, in its order
 */
record Palette(List<Block> lent) {

    Palette {
        lent = lent.stream().map(Block::unplaced).toList();
    }

    /**
     * A layer as a form has it.
     *
     * @param where the part of the cup it is put on, as it is chosen
     * @param band where that is a band, its ends as they were typed
     */
    record Chosen(String key, String where, String band) {

        static Chosen of(Block block, LengthUnit unit) {
            return new Chosen(
                    block.key(), block.where().part().written(), block.where().bandIn(unit));
        }

        /** A layer just touched. */
        static Chosen of(String key) {
            return new Chosen(key, Where.Part.USUAL.written(), "");
        }

        private static Chosen read(Map<String, String> typed, String key, String at) {
            return new Chosen(key, typed.getOrDefault("where-" + at, ""), typed.getOrDefault("band-" + at, ""));
        }

        void write(Map<String, String> typed, String at) {
            typed.put("where-" + at, where);
            typed.put("band-" + at, band);
        }

        /** Where it is put; what is no band yet is where it usually goes, until it is one. */
        private Where place(LengthUnit unit) {
            try {
                return where.equals(Where.Part.BAND.written())
                        ? Where.band(band, unit)
                        : Where.parse(where).orElse(Where.USUAL);
            } catch (IllegalArgumentException notYet) {
                return Where.USUAL;
            }
        }
    }

    /** More than the longest build has; how many steps they come to is looked at besides. */
    static final int MOST_LAYERS = 16;

    /** What the fields of the base end with, as those of a layer with its number. */
    static final String BASE = "base";

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

    List<Chosen> layers(Map<String, String> typed) {
        return IntStream.range(0, MOST_LAYERS)
                .mapToObj(i -> Chosen.read(typed, typed.getOrDefault("layer-" + i, ""), "" + i))
                .filter(chosen -> named(chosen.key(), Place.LAYER).isPresent())
                .toList();
    }

    /** @param unit what the ends of a band are typed in */
    List<Block> chosen(Map<String, String> typed, LengthUnit unit) {
        Block base = named(typed.getOrDefault("base", ""), Place.BASE).orElse(Block.BASE_PAINT);
        Block finish = named(typed.getOrDefault("finish", ""), Place.FINISH).orElse(Block.FINISH_SANDED);
        return Stream.of(
                        Stream.of(placed(base, Chosen.read(typed, base.key(), BASE), unit)),
                        layers(typed).stream()
                                .flatMap(chosen ->
                                        named(chosen.key()).map(block -> placed(block, chosen, unit)).stream()),
                        Stream.of(finish))
                .flatMap(blocks -> blocks)
                .toList();
    }

    /** A block put where it was chosen to be, if it can be there. */
    private static Block placed(Block block, Chosen chosen, LengthUnit unit) {
        Where where = chosen.place(unit);
        return block.places().contains(where.part()) ? block.at(where) : block;
    }
}
