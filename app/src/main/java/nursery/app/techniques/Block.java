package nursery.app.techniques;

import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import nursery.core.cup.StartingBlank;
import nursery.core.resin.StartingProfile;
import nursery.core.surface.Composer;
import nursery.core.technique.Field;
import nursery.core.technique.StepKind;
import nursery.core.technique.Technique;
import nursery.core.technique.Technique.Place;
import nursery.core.technique.TechniqueStep;
import nursery.core.technique.Where;

/**
 * What a technique is put together from: one base, any number of layers on it in the order they are touched, one
 * finish. Each brings only what it is; what one asks for on another comes between them ({@link Composer}). Those that
 * ship are technique files of their own under {@code techniques/blocks}; every technique that knows its blocks lends
 * them as well.
 *
 * @param key its name in a form, such as {@code layer-decal}, or {@code waves.1} for the second of a technique's
 * @param where the part of the cup it is put on; where it usually goes if nothing is said
 */
record Block(String key, Place place, String title, String about, List<Technique.Part> parts, Where where) {

    static final Block BASE_BARE = shipped(Place.BASE, "bare");
    static final Block BASE_COATED = shipped(Place.BASE, "coated");
    static final Block BASE_PAINT = shipped(Place.BASE, "paint");
    static final Block BASE_BANDS = shipped(Place.BASE, "bands");
    static final Block BASE_GLITTER = shipped(Place.BASE, "glitter");
    static final Block BASE_CHUNKY = shipped(Place.BASE, "chunky");
    static final Block BASE_GLUE_GLITTER = shipped(Place.BASE, "glue-glitter");
    static final Block BASE_SPRAY_GLITTER = shipped(Place.BASE, "spray-glitter");
    static final Block BASE_POWDER = shipped(Place.BASE, "powder");
    static final Block BASE_INK = shipped(Place.BASE, "ink");
    static final Block BASE_WRAP = shipped(Place.BASE, "wrap");
    static final Block LAYER_COAT = shipped(Place.LAYER, "coat");
    static final Block LAYER_SANDED = shipped(Place.LAYER, "sanded");
    static final Block LAYER_RIM = shipped(Place.LAYER, "rim");
    static final Block LAYER_SEALED = shipped(Place.LAYER, "sealed");
    static final Block LAYER_PAINT = shipped(Place.LAYER, "paint");
    static final Block LAYER_MARBLED = shipped(Place.LAYER, "marbled");
    static final Block LAYER_DISTRESSED = shipped(Place.LAYER, "distressed");
    static final Block LAYER_GLITTER = shipped(Place.LAYER, "glitter");
    static final Block LAYER_CHUNKY = shipped(Place.LAYER, "chunky");
    static final Block LAYER_GLUE_GLITTER = shipped(Place.LAYER, "glue-glitter");
    static final Block LAYER_SPRAY_GLITTER = shipped(Place.LAYER, "spray-glitter");
    static final Block LAYER_POWDER = shipped(Place.LAYER, "powder");
    static final Block LAYER_FLAKES = shipped(Place.LAYER, "flakes");
    static final Block LAYER_INK = shipped(Place.LAYER, "ink");
    static final Block LAYER_BLOOM = shipped(Place.LAYER, "bloom");
    static final Block LAYER_MICA = shipped(Place.LAYER, "mica");
    static final Block LAYER_FOIL = shipped(Place.LAYER, "foil");
    static final Block LAYER_SMOKE = shipped(Place.LAYER, "smoke");
    static final Block LAYER_SOAP = shipped(Place.LAYER, "soap");
    static final Block LAYER_DECAL = shipped(Place.LAYER, "decal");
    static final Block LAYER_OUTLINE = shipped(Place.LAYER, "outline");
    static final Block LAYER_WRAP = shipped(Place.LAYER, "wrap");
    static final Block LAYER_SLIDE = shipped(Place.LAYER, "slide");
    static final Block LAYER_PEEKABOO = shipped(Place.LAYER, "peekaboo");
    static final Block LAYER_WAVE = shipped(Place.LAYER, "wave");
    static final Block FINISH_SANDED = shipped(Place.FINISH, "sanded");
    static final Block FINISH_ONE = shipped(Place.FINISH, "one");
    static final Block FINISH_TWO = shipped(Place.FINISH, "two");
    static final Block FINISH_TWO_SANDED = shipped(Place.FINISH, "two-sanded");
    static final Block FINISH_MATTE = shipped(Place.FINISH, "matte");
    static final Block FINISH_NONE = shipped(Place.FINISH, "none");

    static final List<Block> BASES = List.of(
            BASE_BARE,
            BASE_COATED,
            BASE_PAINT,
            BASE_BANDS,
            BASE_GLITTER,
            BASE_CHUNKY,
            BASE_GLUE_GLITTER,
            BASE_SPRAY_GLITTER,
            BASE_POWDER,
            BASE_INK,
            BASE_WRAP);
    static final List<Block> COATS = List.of(LAYER_COAT, LAYER_SANDED, LAYER_RIM, LAYER_SEALED);
    static final List<Block> COLOURS = List.of(
            LAYER_GLITTER,
            LAYER_CHUNKY,
            LAYER_GLUE_GLITTER,
            LAYER_SPRAY_GLITTER,
            LAYER_POWDER,
            LAYER_FLAKES,
            LAYER_INK,
            LAYER_BLOOM,
            LAYER_PAINT,
            LAYER_MARBLED,
            LAYER_DISTRESSED,
            LAYER_SOAP,
            LAYER_MICA,
            LAYER_FOIL,
            LAYER_SMOKE);
    static final List<Block> DESIGNS =
            List.of(LAYER_DECAL, LAYER_OUTLINE, LAYER_WRAP, LAYER_SLIDE, LAYER_PEEKABOO, LAYER_WAVE);
    static final List<Block> FINISHES =
            List.of(FINISH_SANDED, FINISH_ONE, FINISH_TWO, FINISH_TWO_SANDED, FINISH_MATTE, FINISH_NONE);
    /** Those that ship on their own, in the order they are offered. */
    static final List<Block> SHIPPED = Stream.of(BASES, COATS, COLOURS, DESIGNS, FINISHES)
            .flatMap(List::stream)
            .toList();

    Block {
        parts = List.copyOf(parts);
    }

    /** The blocks a technique is known to be made of, without what was put between them; none if it is not. */
    static List<Block> of(ShelvedTechnique shelved) {
        Technique technique = shelved.technique();
        return IntStream.range(0, technique.blocks().size())
                .filter(i -> technique.blocks().get(i).place() != Place.BETWEEN)
                .mapToObj(i -> new Block(
                        shelved.key() + "." + i,
                        technique.blocks().get(i).place(),
                        technique.blocks().get(i).title(),
                        "As in “%s”.".formatted(technique.name()),
                        technique.partsOf(i),
                        Where.USUAL))
                .map(lent -> SHIPPED.stream()
                        .map(shipped -> shipped.at(lent.lies()))
                        .filter(lent::isMadeLike)
                        .findFirst()
                        .orElse(lent))
                .toList();
    }

    /**
     * One technique of these, in their order, with what the table requires between them and nothing it only advises.
     */
    static Technique together(String name, List<Block> blocks) {
        return together(name, blocks, Map.of()).technique();
    }

    /** @param decided of what stands between them, by its key, whether it is done */
    static Composer.Composed together(String name, List<Block> blocks, Map<String, Boolean> decided) {
        return Composer.compose(
                name,
                blocks.stream().map(Block::piece).toList(),
                decided,
                StartingProfile.REGULAR.label(),
                StartingBlank.SLIM_20.blank());
    }

    /** The parts of a cup it can be put on; none for a finish, and for what has its place by its nature. */
    public List<Field.Choice> places() {
        List<TechniqueStep> placed = place == Place.FINISH
                ? List.of()
                : steps().filter(this::isPlacedWithIt).toList();
        return placed.isEmpty()
                ? List.of()
                : Field.PLACE
                        .choices()
                        .filter(part -> placed.stream()
                                .allMatch(step ->
                                        Field.PLACE.choices(step.kind(), false).contains(part)))
                        .toList();
    }

    /** A part as it is read here: the usual one is that of all its steps, if they share it. */
    public String word(Field.Choice part) {
        List<String> words = steps().filter(this::isPlacedWithIt)
                .map(step -> Field.PLACE.word(step.kind(), part))
                .distinct()
                .toList();
        return words.size() == 1 ? words.get(0) : part.word();
    }

    /** As it ships, if it is one of those that do. */
    Block unplaced() {
        return SHIPPED.stream()
                .filter(shipped -> shipped.key.equals(key))
                .findFirst()
                .orElse(this);
    }

    /** The same on a part of the cup. What has its place by its nature keeps it. */
    Block at(Where other) {
        return other.isUsual()
                ? this
                : new Block(
                        key,
                        place,
                        title,
                        about,
                        parts.stream().map(part -> at(part, other)).toList(),
                        other);
    }

    private Technique.Part at(Technique.Part part, Where other) {
        if (part instanceof Technique.Repeat repeat) {
            return new Technique.Repeat(
                    repeat.title(),
                    repeat.least(),
                    repeat.most(),
                    repeat.usual(),
                    repeat.steps().stream().map(step -> at(step, other)).toList());
        }
        return part instanceof Technique.Single single ? new Technique.Single(at(single.step(), other)) : part;
    }

    private TechniqueStep at(TechniqueStep step, Where other) {
        return isPlacedWithIt(step) ? step.doneAs(step.how().with(other)) : step;
    }

    /** The cup is got ready and painted all over, whatever part of it a base decorates. */
    private boolean isPlacedWithIt(TechniqueStep step) {
        return Field.PLACE.isOf(step.kind())
                && (step.how().where().isUsual() || step.how().where().equals(where))
                && step.kind() != StepKind.PREP
                && step.kind() != StepKind.MASK
                && step.kind() != StepKind.PULL_TAPE
                && !(place == Place.BASE && step.kind() == StepKind.PAINT);
    }

    /** Where all that is said to lie somewhere lies. */
    private Where lies() {
        return steps().map(step -> step.how().where())
                .filter(said -> !said.isUsual())
                .findFirst()
                .orElse(Where.USUAL);
    }

    private Stream<TechniqueStep> steps() {
        return parts.stream()
                .flatMap(part -> part instanceof Technique.Repeat repeat
                        ? repeat.steps().stream()
                        : part instanceof Technique.Single single ? Stream.of(single.step()) : Stream.empty());
    }

    /** Whether another is the same but for its key, what is said about it, and which clear coat it is. */
    private boolean isMadeLike(Block other) {
        List<Technique.Part> own = withoutTape(parts);
        List<Technique.Part> others = withoutTape(other.parts);
        return place == other.place
                && title.equals(other.title)
                && own.size() == others.size()
                && IntStream.range(0, own.size())
                        .allMatch(i -> own.get(i).equals(others.get(i))
                                || other.isCoat() && isCoat(own.get(i)) && isCoat(others.get(i)));
    }

    /** Where flakes are sprinkled on a coat, its tape is pulled after them. */
    private static List<Technique.Part> withoutTape(List<Technique.Part> parts) {
        return parts.stream().filter(part -> !Composer.isTapePulled(part)).toList();
    }

    private static boolean isCoat(Technique.Part part) {
        return part instanceof Technique.Single single && single.step().kind().isWholeCoat();
    }

    private boolean isCoat() {
        return key.equals("layer-coat");
    }

    private Composer.Piece piece() {
        return new Composer.Piece(place, title, parts, isCoat());
    }

    private static Block shipped(Place place, String name) {
        String key = place.written() + "-" + name;
        try (InputStream file = Block.class.getResourceAsStream("/techniques/blocks/" + key + ".json")) {
            Technique technique = TechniqueFile.read(
                    new String(Optional.ofNullable(file).orElseThrow().readAllBytes(), StandardCharsets.UTF_8));
            return new Block(key, place, technique.name(), technique.about(), technique.parts(), Where.USUAL);
        } catch (IOException e) {
            throw new IllegalStateException(e);
        }
    }
}
