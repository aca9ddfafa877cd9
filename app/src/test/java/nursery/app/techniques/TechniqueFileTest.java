package nursery.app.techniques;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.ArrayList;
import java.util.List;
import nursery.core.measure.InvalidInput;
import nursery.core.technique.Field;
import nursery.core.technique.Fields;
import nursery.core.technique.Grit;
import nursery.core.technique.StepKind;
import nursery.core.technique.Technique;
import nursery.core.technique.TechniqueStep;
import nursery.core.technique.Where;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

class TechniqueFileTest {

    private static TechniqueStep only(int version, String step) {
        Technique technique = TechniqueFile.read(
                """
                {"format": "nursery-technique", "version": %d, "name": "One", "steps": [%s]}"""
                        .formatted(version, step));
        return ((Technique.Single) technique.parts().get(0)).step();
    }

    /** P44, P45: words of the first version become fields once, the more dangerous where they are unclear. */
    @Test
    void whatTheFirstVersionSaidInWordsIsAField() {
        TechniqueStep can = only(
                1,
                """
                {"do": "seal", "detail": "Aerosol clear, two light passes. Brush loose flakes off first."}""");
        assertThat(can.how().sealer()).isEqualTo(Fields.Sealer.AEROSOL);
        TechniqueStep sand = only(
                1,
                """
                {"do": "trim-and-sand", "detail": "Wash, dry.", "grit": "60–80 rim, 180–220 body"}""");
        assertThat(sand.how().grit()).isEqualTo(new Grit(180, 220));
        assertThat(sand.how().dust()).isEqualTo(Fields.Dust.WASHED_OFF);
        assertThat(sand.detail()).isEqualTo("Wash, dry. Grit: 60–80 rim, 180–220 body.");
        assertThat(only(1, """
                {"do": "glitter", "material": "mixed-glitter"}""")
                        .how())
                .extracting(Fields::grain, Fields::colours)
                .containsExactly(Fields.Grain.COARSE, Fields.Colours.SEVERAL);
        assertThat(only(1, """
                {"do": "seal", "detail": "Brush it on.", "sealer": "aerosol"}""")
                        .how()
                        .sealer())
                .isEqualTo(Fields.Sealer.AEROSOL);
    }

    @Test
    void noWordOfTheSecondVersionDecides() {
        assertThat(only(2, """
                {"do": "seal", "detail": "Brush it on."}""")
                        .how())
                .isEqualTo(Fields.usual(StepKind.SEAL));
        assertThat(only(2, """
                {"do": "clean", "detail": "Soap."}""")
                        .how()
                        .cleaner())
                .isEqualTo(Fields.Cleaner.ACETONE);
        assertThat(only(2, """
                {"do": "sand"}""").how().grit()).isEqualTo(Grit.UNSAID);
        assertThat(only(2, """
                {"do": "sand", "grit": [220, 80]}""")
                        .how()
                        .grit())
                .isEqualTo(new Grit(80, 220));
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "{\"do\": \"glitter\", \"material\": \"mixed-glitter\"}",
                "{\"do\": \"sand\", \"grit\": \"220\"}",
                "{\"do\": \"sand\", \"grit\": 10}",
                "{\"do\": \"sand\", \"grit\": [80, 220, 400]}",
                "{\"do\": \"seal\", \"sealer\": \"dipped\"}",
                "{\"repeat\": \"x\", \"least\": 1, \"most\": 1, \"usual\": 1,"
                        + "\"steps\": [{\"do\": \"sand\", \"grit\": \"220\"}]}"
            })
    void whatIsNoFieldIsRefusedByItsPlace(String step) {
        assertThatThrownBy(() -> only(2, step)).isInstanceOfSatisfying(InvalidInput.class, wrong -> assertThat(
                        wrong.faults().get(0).field())
                .startsWith("steps[0]"));
    }

    /** The schema's lists are those of the fields. */
    @Test
    void theSchemaHasEveryFieldAndEveryChoice() {
        JsonNode step = JsonMapper.shared()
                .readTree(TechniqueFile.schemaFile())
                .path("$defs")
                .path("step")
                .path("properties");
        for (Field field : Field.values()) {
            assertThat(step.has(field.written())).as(field.written()).isTrue();
            if (field.isChosen()) {
                List<String> listed = new ArrayList<>();
                // A band is written as its ends.
                JsonNode schema = step.path(field.written());
                schema.path("anyOf").path(0).path("enum").forEach(one -> listed.add(one.asString()));
                schema.path("enum").forEach(one -> listed.add(one.asString()));
                assertThat(listed)
                        .as(field.written())
                        .containsExactlyInAnyOrderElementsOf(field.choices()
                                .filter(choice -> choice != Where.Part.BAND)
                                .map(Field.Choice::written)
                                .toList());
            }
        }
    }

    /** Whatever a step can say is written and read again. */
    @Test
    void everyFieldIsWrittenAndReadAgain() {
        for (StepKind kind : StepKind.values()) {
            for (Field field : Field.of(kind)) {
                for (Field.Choice choice : field.choices(kind, false)) {
                    TechniqueStep usual = TechniqueStep.usual(kind);
                    Technique one = new Technique(
                            "One",
                            "",
                            List.of(new Technique.Single(new TechniqueStep(
                                    kind,
                                    "",
                                    usual.waiting(),
                                    "",
                                    usual.role(),
                                    choice == Where.Part.BAND
                                            ? usual.how().with(Where.band(12.5, 60))
                                            : usual.how().with(choice),
                                    usual.size(),
                                    List.of()))));
                    assertThat(TechniqueFile.read(TechniqueFile.write(one))).isEqualTo(one);
                }
            }
        }
    }
}
