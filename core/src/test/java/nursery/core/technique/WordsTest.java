package nursery.core.technique;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;

class WordsTest {

    @ParameterizedTest
    @CsvSource({
        "'Aerosol clear, two light passes. Brush loose flakes off first.', AEROSOL",
        "'Brush on a thin sealer.', BRUSHED",
        "'', AEROSOL"
    })
    void aCanThatAlsoSaysBrushIsACan(String said, Fields.Sealer sealer) {
        assertThat(new Words(said).sealer()).isEqualTo(sealer);
    }

    @ParameterizedTest
    @CsvSource({
        "'dish soap, rinse, then ipa', ALCOHOL",
        "'soap and water', SOAP",
        "'scouring paste alone', PASTE",
        "'soap, then acetone', ACETONE",
        "'wipe it', ACETONE"
    })
    void ofSeveralCleanersTheOneThatBurnsCounts(String said, Fields.Cleaner cleaner) {
        assertThat(new Words(said).cleaner()).isEqualTo(cleaner);
    }

    /** Of a rim and a body it is the body's: that is what a coat sees. */
    @ParameterizedTest
    @CsvSource({
        "'60–80 rim, 180–220 body', 180–220",
        "'60–220', 60–220",
        "'220', 220",
        "'220, then 400 wet', 220–400",
        "'wet or dry', ''",
        "'9999', ''"
    })
    void aGritIsItsNumbers(String said, String grit) {
        assertThat(Words.grit(said).written()).isEqualTo(grit);
        assertThat(Grit.parse(grit)).contains(Words.grit(said));
    }

    @ParameterizedTest
    @CsvSource({"'Warm it on low', GUN_LOW", "'Warm air, upright', WARM_AIR", "'A torch on low', TORCH", "'', TORCH"})
    void ofWhatNamesAFlameTheFlameCounts(String said, Fields.Heat heat) {
        assertThat(new Words(said).heat()).isEqualTo(heat);
    }

    @Test
    void whatAGritSaysBesideItsNumbersIsKept() {
        assertThat(Words.besideNumbers("60–80 rim, 180–220 body")).isEqualTo("Grit: 60–80 rim, 180–220 body.");
        assertThat(Words.besideNumbers("220")).isEmpty();
    }

    @ParameterizedTest
    @CsvSource({"220, 220–220", "60–220, 60–220", "220-60, 60–220", "60 to 220, 60–220"})
    void aGritIsANumberOrTwo(String written, String range) {
        Grit grit = Grit.parse(written).orElseThrow();
        assertThat(grit.coarsest() + "–" + grit.finest()).isEqualTo(range);
    }

    @ParameterizedTest
    @CsvSource({"coarse", "10", "6000", "220–", "1e3", "-80"})
    void whatIsNoGritIsNone(String written) {
        assertThat(Grit.parse(written)).isEmpty();
    }

    /** Whatever is chosen, and left to be chosen, comes back as it was written. */
    @ParameterizedTest
    @EnumSource
    void whatIsSaidOfAKindIsReadAgain(StepKind kind) {
        assertThat(Fields.parse(kind, Fields.usual(kind).written(kind))).isEqualTo(Fields.usual(kind));
        for (Field field : Field.of(kind)) {
            for (Field.Choice choice : field.choices(kind, false)) {
                Fields fields = choice == Where.Part.BAND
                        ? Fields.usual(kind).with(Where.band(12, 60.5))
                        : Fields.usual(kind).with(choice);
                assertThat(fields.choice(field)).contains(choice);
                assertThat(Fields.parse(kind, fields.written(kind))).isEqualTo(fields);
                assertThat(choice.word()).isNotBlank();
            }
        }
    }

    @Test
    void whatNoFieldHasIsNotReadOver() {
        assertThatThrownBy(() -> Fields.parse(StepKind.SEAL, "sealer=dipped")).hasMessageContaining("dipped");
        assertThatThrownBy(() -> Fields.parse(StepKind.SEAL, "colour=red")).hasMessageContaining("colour");
    }

    /** Cleaning: soap / acetone / alcohol (practice, section 7). */
    @Test
    void whatIsLeftToTheSchoolIsDecidedInAPlan() {
        Fields open = Fields.usual(StepKind.CLEAN).with(Fields.Cleaner.BY_SCHOOL);
        assertThat(open.by(Schools.of()).cleaner()).isEqualTo(Fields.Cleaner.SOAP);
        assertThat(open.by(Schools.of(School.ALCOHOL)).cleaner()).isEqualTo(Fields.Cleaner.ALCOHOL);
        assertThat(open.by(Schools.of(School.ACETONE)).cleaner()).isEqualTo(Fields.Cleaner.ACETONE);
        assertThat(open.cleaner().isSolvent()).isTrue();
    }
}
