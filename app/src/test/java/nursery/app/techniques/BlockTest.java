package nursery.app.techniques;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.tuple;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.Random;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import nursery.core.cup.Blank;
import nursery.core.cup.Straight;
import nursery.core.resin.Label;
import nursery.core.resin.StartingProfile;
import nursery.core.surface.Cell;
import nursery.core.surface.Composer;
import nursery.core.surface.Judgement;
import nursery.core.technique.PlanStep;
import nursery.core.technique.Schools;
import nursery.core.technique.StepKind;
import nursery.core.technique.Technique;
import nursery.core.technique.Technique.Place;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/** Whatever is put together from the blocks goes against nothing the rules of the craft know. */
class BlockTest {

    private static final Label REGULAR = StartingProfile.REGULAR.label();
    private static final Blank SLIM = new Blank(new Straight(205, 229.3), true, 5, 0, 0, OptionalDouble.of(20));

    private static List<String> faults(List<Block> blocks) {
        List<PlanStep> plan = Block.together("tried", blocks).plan(Schools.of(), Map.of());
        return Judgement.offered(plan, REGULAR, REGULAR, SLIM).stream()
                .filter(finding -> !finding.isAdvice())
                .map(finding -> finding.step().title() + ": " + finding.message())
                .toList();
    }

    /** What the techniques that ship lend besides. */
    private static List<Block> lent(Place place) {
        return TechniqueBook.shipped().stream()
                .flatMap(one -> Block.of(one).stream())
                .filter(block -> block.place() == place && !Block.SHIPPED.contains(block))
                .toList();
    }

    private static final List<Block> LAYERS = Stream.of(Block.COATS, Block.COLOURS, Block.DESIGNS)
            .flatMap(List::stream)
            .toList();

    @ParameterizedTest
    @MethodSource("bases")
    void eachLayerGoesOnEachBaseUnderEachFinish(Block base) {
        for (Block finish : Block.FINISHES) {
            assertThat(faults(List.of(base, finish))).as(titles(base, finish)).isEmpty();
            for (Block layer : LAYERS) {
                assertThat(faults(List.of(base, layer, finish)))
                        .as(titles(base, layer, finish))
                        .isEmpty();
            }
        }
    }

    static Stream<Block> bases() {
        return Block.BASES.stream();
    }

    @Test
    void whatTheTechniquesLendGoesWithWhatStandsAlone() {
        for (Block base : Block.BASES) {
            for (Block layer : lent(Place.LAYER)) {
                assertThat(faults(List.of(base, layer, Block.FINISH_SANDED)))
                        .as(titles(base, layer))
                        .isEmpty();
            }
            for (Block finish : lent(Place.FINISH)) {
                assertThat(faults(List.of(base, Block.LAYER_COAT, finish)))
                        .as(titles(base, finish))
                        .isEmpty();
            }
        }
        for (Block base : lent(Place.BASE)) {
            for (Block layer : LAYERS) {
                assertThat(faults(List.of(base, layer, Block.FINISH_ONE)))
                        .as(titles(base, layer))
                        .isEmpty();
            }
        }
    }

    @Test
    void layersGoOnLayersInAnyOrder() {
        Random random = new Random(20261126);
        List<Block> layers =
                Stream.concat(LAYERS.stream(), lent(Place.LAYER).stream()).toList();
        List<Block> bases =
                Stream.concat(Block.BASES.stream(), lent(Place.BASE).stream()).toList();
        for (int trial = 0; trial < 300; trial++) {
            List<Block> blocks = new ArrayList<>(List.of(bases.get(random.nextInt(bases.size()))));
            for (int i = 0; i < 1 + random.nextInt(4); i++) {
                blocks.add(layers.get(random.nextInt(layers.size())));
            }
            blocks.add(one(random, Block.FINISHES));
            assertThat(faults(blocks)).as(titles(blocks.toArray(Block[]::new))).isEmpty();
        }
    }

    /** What was put together is taken apart into the same blocks, and what was taken or left between them stays so. */
    @Test
    void eachHeapTakenApartGivesItsBlocksAgain() {
        Random random = new Random(20261201);
        for (int trial = 0; trial < 200; trial++) {
            List<Block> blocks = new ArrayList<>(List.of(one(random, Block.BASES)));
            for (int i = 0; i < random.nextInt(6); i++) {
                blocks.add(one(
                        random,
                        Stream.of(Block.COATS, Block.COLOURS, Block.DESIGNS)
                                .flatMap(List::stream)
                                .toList()));
            }
            blocks.add(one(random, Block.FINISHES));
            Map<String, Boolean> decided = new HashMap<>();
            Block.together("heap", blocks, Map.of()).joints().stream()
                    .flatMap(List::stream)
                    .forEach(joint -> decided.put(joint.key(), random.nextBoolean()));
            Technique made = Block.together("heap", blocks, decided).technique();
            Technique read = TechniqueFile.read(TechniqueFile.write(made));
            List<Block> apart = Block.of(new ShelvedTechnique("heap", true, 1, read));
            assertThat(apart)
                    .extracting(Block::key)
                    .as(titles(blocks.toArray(Block[]::new)))
                    .isEqualTo(blocks.stream().map(Block::key).toList());
            Map<String, String> typed = JointFields.asItIs(read, apart);
            Technique again =
                    Block.together("heap", apart, JointFields.decided(typed)).technique();
            assertThat(steps(again))
                    .as("%s %s", titles(blocks.toArray(Block[]::new)), decided)
                    .isEqualTo(steps(made));
            assertThat(again)
                    .as("%s %s", titles(blocks.toArray(Block[]::new)), decided)
                    .isEqualTo(made);
        }
    }

    private static List<String> steps(Technique technique) {
        return technique.plan(Schools.of(), Map.of()).stream()
                .map(PlanStep::title)
                .toList();
    }

    private static String titles(Block... blocks) {
        return Stream.of(blocks).map(Block::title).collect(Collectors.joining(" · "));
    }

    private static Block one(Random random, List<Block> blocks) {
        return blocks.get(random.nextInt(blocks.size()));
    }

    /**
     * What is required is done unless it is left, and then that is told; what is advised is done only if it is taken.
     */
    @Test
    void whatIsRequiredIsPutInAndWhatIsAdvisedIsOffered() {
        List<Block> blocks = List.of(Block.BASE_SPRAY_GLITTER, Block.LAYER_SLIDE, Block.LAYER_DECAL, Block.FINISH_ONE);
        Composer.Composed made = Block.together("tried", blocks, Map.of());
        assertThat(made.joints().get(0))
                .extracting(Composer.Joint::key, Composer.Joint::because, Composer.Joint::isTaken)
                .containsExactly(
                        tuple("0-advised-seal", Cell.FLAKES_OPEN, false),
                        tuple("0-needed-flood-coat", Cell.FLAKES_BELOW, true));
        assertThat(made.joints().get(1))
                .extracting(Composer.Joint::key, Composer.Joint::because, Composer.Joint::isTaken)
                .containsExactly(tuple("1-needed-thin-coat", Cell.SLIDE_OPEN, true));
        Composer.Composed left =
                Block.together("tried", blocks, Map.of("1-needed-thin-coat", false, "0-advised-seal", true));
        assertThat(Judgement.offered(left.technique().plan(Schools.of(), Map.of()), REGULAR, REGULAR, SLIM))
                .extracting(Judgement.Finding::rule)
                .contains("SLIDE_UNCOATED")
                .doesNotContain("FLAKES_UNSEALED");
    }

    /** P33: three coats lie over coarse flakes before paper comes near them, one over fine. */
    @Test
    void asManyCoatsArePutInAsTheFlakesAskFor() {
        Map<Block, Integer> coats = Map.of(Block.BASE_GLITTER, 1, Block.BASE_CHUNKY, 3, Block.BASE_PAINT, 0);
        coats.forEach((base, count) -> assertThat(Block.together("tried", List.of(base, Block.FINISH_SANDED), Map.of())
                        .joints()
                        .get(0))
                .as("%s", base.title())
                .filteredOn(Composer.Joint::isTaken)
                .hasSize(count));
    }

    /** P16: an everyday coat within the day asks for no scuff; a water-slide takes none at all (P41). */
    @Test
    void noScuffIsPutInThatNobodyDoes() {
        for (Block layer : List.of(Block.LAYER_WAVE, Block.LAYER_WRAP, Block.LAYER_MICA, Block.LAYER_FOIL)) {
            assertThat(Block.together(
                                    "tried",
                                    List.of(Block.BASE_PAINT, Block.LAYER_COAT, layer, Block.FINISH_ONE),
                                    Map.of())
                            .joints())
                    .as("%s", layer.title())
                    .allSatisfy(joints -> assertThat(joints).isEmpty());
        }
    }

    @Test
    void eightOfTheLongestStillMakeATechnique() {
        Block longest = Stream.concat(LAYERS.stream(), lent(Place.LAYER).stream())
                .max(Comparator.comparing(block -> block.parts().size()))
                .orElseThrow();
        List<Block> blocks = new ArrayList<>(List.of(Block.BASE_CHUNKY));
        for (int i = 0; i < 8; i++) {
            blocks.add(longest);
        }
        blocks.add(Block.FINISH_MATTE);
        assertThat(Block.together("heap", blocks).parts()).hasSizeLessThanOrEqualTo(100);
    }

    /** P69: two and three last coats are common. */
    @Test
    void aFinishHasAsManyLastCoatsAsItSays() {
        Map<Block, Integer> coats = Map.of(
                Block.FINISH_NONE,
                0,
                Block.FINISH_ONE,
                1,
                Block.FINISH_SANDED,
                1,
                Block.FINISH_TWO,
                2,
                Block.FINISH_TWO_SANDED,
                2,
                Block.FINISH_MATTE,
                1);
        coats.forEach((finish, count) -> assertThat(Block.together("tried", List.of(Block.BASE_PAINT, finish))
                        .plan(Schools.of(), Map.of()))
                .filteredOn(step -> step.kind() == StepKind.FINISHING_COAT)
                .as("%s", finish)
                .hasSize(count));
    }

    @Test
    void eachIsKnownByItsKeyAndTitled() {
        for (Block block : Block.SHIPPED) {
            assertThat(block.title()).isNotBlank();
            assertThat(block.about()).endsWith(".");
        }
        assertThat(Block.SHIPPED).extracting(Block::key).doesNotHaveDuplicates();
    }
}
