package nursery.app.techniques;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.Random;
import java.util.stream.Stream;
import nursery.core.cup.Blank;
import nursery.core.cup.Straight;
import nursery.core.resin.Label;
import nursery.core.resin.StartingProfile;
import nursery.core.surface.Judgement;
import nursery.core.technique.PlanStep;
import nursery.core.technique.Schools;
import nursery.core.technique.StepKind;
import nursery.core.technique.Technique.Place;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;

/** Whatever is put together from the blocks goes against nothing the rules of the craft know. */
class BlockTest {

    private static final Label REGULAR = StartingProfile.REGULAR.label();
    private static final Blank SLIM = new Blank(new Straight(205, 229.3), true, 5, 0, 0, OptionalDouble.of(20));

    private static List<String> faults(List<Block> blocks) {
        List<PlanStep> plan = Block.together("tried", blocks).plan(Schools.of(), Map.of());
        return Judgement.of(plan, REGULAR, REGULAR, SLIM).stream()
                .filter(finding -> !finding.isAdvice())
                .map(finding -> finding.step().title() + ": " + finding.message())
                .toList();
    }

    /** Those that ship on their own, and all that the techniques that ship lend. */
    private static List<Block> at(Place place) {
        return Stream.concat(
                        Block.SHIPPED.stream(), TechniqueBook.shipped().stream().flatMap(one -> Block.of(one).stream()))
                .filter(block -> block.place() == place)
                .toList();
    }

    static Stream<Arguments> pairs() {
        return at(Place.BASE).stream()
                .flatMap(base -> at(Place.LAYER).stream().map(layer -> Arguments.of(base, layer)));
    }

    @ParameterizedTest
    @MethodSource("pairs")
    void eachLayerGoesOnEachBaseUnderEachFinish(Block base, Block layer) {
        for (Block finish : at(Place.FINISH)) {
            assertThat(faults(List.of(base, layer, finish)))
                    .as("%s, %s, %s", base, layer, finish)
                    .isEmpty();
        }
    }

    @Test
    void aBaseAndAFinishAloneAreACup() {
        for (Block base : at(Place.BASE)) {
            for (Block finish : at(Place.FINISH)) {
                assertThat(faults(List.of(base, finish)))
                        .as("%s, %s", base, finish)
                        .isEmpty();
            }
        }
    }

    @Test
    void layersGoOnLayersInAnyOrder() {
        Random random = new Random(20261126);
        List<Block> layers = at(Place.LAYER);
        List<Block> bases = at(Place.BASE);
        for (int trial = 0; trial < 300; trial++) {
            List<Block> blocks = new ArrayList<>(List.of(bases.get(random.nextInt(bases.size()))));
            for (int i = 0; i < 1 + random.nextInt(4); i++) {
                blocks.add(layers.get(random.nextInt(layers.size())));
            }
            blocks.add(Block.FINISH_ONE);
            assertThat(faults(blocks)).as("%s", blocks).isEmpty();
        }
    }

    @Test
    void eightOfTheLongestStillMakeATechnique() {
        Block longest = at(Place.LAYER).stream()
                .max(Comparator.comparing(
                        block -> Block.together("one", List.of(block)).parts().size()))
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
        Map<Block, Integer> coats =
                Map.of(Block.FINISH_ONE, 1, Block.FINISH_TWO, 2, Block.FINISH_THREE, 3, Block.FINISH_MATTE, 1);
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
