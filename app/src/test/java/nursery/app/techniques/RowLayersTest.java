package nursery.app.techniques;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import nursery.core.measure.LengthUnit;
import nursery.core.technique.Technique;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/** An editor's rows read as layers. */
class RowLayersTest {

    private static Map<String, String> form(Block... blocks) {
        return EditForm.filled(Block.together("Layers", List.of(blocks)), LengthUnit.MM);
    }

    private static List<String> layers(Map<String, String> form) {
        return RowLayers.of(EditForm.rows(form)).stream()
                .map(RowLayers.Layer::title)
                .toList();
    }

    private static List<String> steps(Map<String, String> form) {
        return EditForm.rows(form).stream().map(EditForm.Row::title).toList();
    }

    private static int first(Map<String, String> form, String title) {
        return RowLayers.of(EditForm.rows(form)).stream()
                .filter(layer -> layer.title().contains(title))
                .findFirst()
                .orElseThrow()
                .from();
    }

    @Test
    void aLayerIsMovedAndTakenOutWithAllThatBelongsToIt() {
        Map<String, String> form =
                form(Block.BASE_PAINT, Block.LAYER_COAT, Block.LAYER_WAVE, Block.LAYER_DECAL, Block.FINISH_ONE);
        assertThat(layers(form).get(0)).isEqualTo("The blank");
        assertThat(layers(form).get(1)).startsWith("Layer 1: ");
        int wave = first(form, "the clear of the wave");
        Map<String, String> out = EditForm.pressed(form, "out-" + wave);
        assertThat(steps(out)).doesNotContain("Lay the clear of the wave", "Push the white", "Tint the white");
        assertThat(steps(form)).hasSize(steps(out).size() + 4);
        Map<String, String> outwards = EditForm.pressed(form, "outwards-" + wave);
        assertThat(steps(outwards)).containsExactlyInAnyOrderElementsOf(steps(form));
        assertThat(steps(outwards).indexOf("Lay the decal"))
                .isLessThan(steps(outwards).indexOf("Lay the clear of the wave"));
        assertThat(steps(outwards).indexOf("Push the white"))
                .as("with what is done to it")
                .isEqualTo(steps(outwards).indexOf("Lay the clear of the wave") + 3);
        Map<String, String> back = EditForm.pressed(outwards, "inwards-" + first(outwards, "the clear of the wave"));
        assertThat(steps(back)).isEqualTo(steps(form));
    }

    @Test
    void nothingGoesBelowTheSteelAndNothingBeyondTheLast() {
        Map<String, String> form = form(Block.BASE_PAINT, Block.LAYER_COAT, Block.FINISH_ONE);
        int last = RowLayers.of(EditForm.rows(form)).size() - 1;
        for (String press : List.of(
                "inwards-" + first(form, "Layer 1"),
                "out-0",
                "outwards-0",
                "inwards-0",
                "outwards-" + RowLayers.of(EditForm.rows(form)).get(last).from(),
                "out-1000",
                "out-x",
                "out")) {
            assertThat(steps(EditForm.pressed(form, press))).as(press).isEqualTo(steps(form));
        }
    }

    static List<Block> bases() {
        return Block.BASES;
    }

    /** Of whatever blocks: each row is of one layer, in their order, and a group is never torn. */
    @ParameterizedTest
    @MethodSource("bases")
    void theLayersAreAllOfTheRows(Block base) {
        for (Block layer : Block.SHIPPED) {
            if (layer.place() != Technique.Place.LAYER) {
                continue;
            }
            Map<String, String> form = form(base, layer, Block.FINISH_TWO_SANDED);
            List<RowLayers.Layer> layers = RowLayers.of(EditForm.rows(form));
            int next = 0;
            for (RowLayers.Layer one : layers) {
                assertThat(one.from()).as(layer.title()).isEqualTo(next);
                next = one.until();
            }
            assertThat(next).isEqualTo(EditForm.rows(form).size());
            for (RowLayers.Layer one : new ArrayList<>(layers)) {
                for (String press : List.of("out-", "inwards-", "outwards-")) {
                    List<EditForm.Row> rows = EditForm.rows(EditForm.pressed(form, press + one.from()));
                    int open = 0;
                    for (EditForm.Row row : rows) {
                        open += row.is("do", EditForm.REPEAT_FROM) ? 1 : row.is("do", EditForm.REPEAT_TO) ? -1 : 0;
                        assertThat(open).isBetween(0, 1);
                    }
                    assertThat(open).isZero();
                }
            }
        }
    }
}
