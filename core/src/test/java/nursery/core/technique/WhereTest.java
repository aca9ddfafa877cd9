package nursery.core.technique;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.DoubleRange;
import nursery.core.measure.LengthUnit;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;
import org.junit.jupiter.params.provider.ValueSource;

class WhereTest {

    /** 1 in is 25.4 mm exactly (NIST SP 811): 15/16 in is 23.8125 mm, 2 3/8 in 60.325. */
    @ParameterizedTest
    @CsvSource(
            delimiter = ';',
            value = {
                "0-60;MM;0;60",
                "60 – 12.5;MM;12.5;60",
                "12 to 60;MM;12;60",
                "12 to 60 mm;MM;12;60",
                "1,5–6 cm;MM;15;60",
                "15/16–2 3/8;IN;23.81;60.33",
                "15/16 to 2 3/8 in;MM;23.81;60.33",
                "1 in to 60 mm;MM;25.4;60",
                "15/16 – 2 3/8”;MM;23.81;60.33",
                "15/16″ – 2 3/8″;MM;23.81;60.33",
                "12 mm – 60 mm;IN;12;60"
            })
    void aBandIsReadInWhicheverUnitAndOrder(String typed, LengthUnit unit, double fromMm, double toMm) {
        Where where = Where.band(typed, unit);
        assertThat(where.fromMm()).isCloseTo(fromMm, within(1e-9));
        assertThat(where.toMm()).isCloseTo(toMm, within(1e-9));
        assertThat(Where.parse(where.written())).contains(where);
    }

    @ParameterizedTest
    @ValueSource(
            strings = {"", "60", "a-b", "-5-20", "0–60–90", "60-60", "12-12.4", "0-4000", "1e9-2e9", "–", "to", "0-NaN"
            })
    void whatIsNoBandIsSaid(String typed) {
        assertThatThrownBy(() -> Where.band(typed, LengthUnit.MM)).isInstanceOf(IllegalArgumentException.class);
        assertThat(Where.parse(typed)).isEmpty();
    }

    @ParameterizedTest
    @EnumSource
    void everyPartIsReadAsItIsWritten(Where.Part part) {
        Where where = part == Where.Part.BAND ? Where.band(0, 1) : new Where(part);
        assertThat(Where.parse(where.written())).contains(where);
        assertThat(where.word()).isNotBlank();
    }

    /** A form that is sent as it was filled changes no band, in inches neither. */
    @Property
    void aBandComesBackFromItsInput(
            @ForAll @DoubleRange(max = 390) double fromMm, @ForAll @DoubleRange(min = 1, max = 9) double moreMm) {
        Where band = Where.band(fromMm, fromMm + moreMm + 0.1);
        for (LengthUnit unit : LengthUnit.values()) {
            assertThat(Where.band(band.bandIn(unit), unit)).isEqualTo(band);
        }
    }

    /** A coat runs: it is not poured in spots, nor on a rim alone. */
    @Test
    void aCoatIsOfferedNoPlaceItWouldNotStayOn() {
        assertThat(Field.PLACE.choices(StepKind.FLOOD_COAT, true))
                .doesNotContain(Where.Part.RIM, Where.Part.RIM_AND_BASE, Where.Part.HANDLE_SIDE, Where.Part.SPOTS)
                .contains(Where.Part.LOWER_HALF, Where.Part.BAND);
        assertThat(Field.PLACE.choices(StepKind.MASK, true))
                .containsAll(Field.PLACE.choices().toList());
        assertThat(Field.PLACE.choices(StepKind.FLOOD_COAT, true)).doesNotContain(Where.Part.ALL);
        assertThat(Field.PLACE.word(StepKind.FLOOD_COAT, Where.Part.USUAL)).isEqualTo("all over");
        assertThat(Field.PLACE.word(StepKind.PARTIAL_COAT, Where.Part.USUAL)).isEqualTo("lower half");
    }

    @Test
    void aStepIsCalledWithItsPlace() {
        PlanStep glue = TechniqueStep.usual(StepKind.GLUE).in(1);
        assertThat(glue.titleAndPlace()).isEqualTo("Brush on craft glue");
        assertThat(glue.doneAs(glue.how().with(Where.Part.LOWER_HALF)).titleAndPlace())
                .isEqualTo("Brush on craft glue, lower half");
        assertThat(glue.doneAs(glue.how().with(Where.band(12, 60))).titleAndPlace())
                .isEqualTo("Brush on craft glue, in a band");
    }
}
