package nursery.core.measure;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class ReadingEdgesTest {

    /** 5 to 40 °C is a bench; 41 and 104 °F are those ends. */
    @ParameterizedTest
    @CsvSource({"5, 5", "40, 40", "21, 21", "70 °F, 21.11", "4 C, 4", "2, 2"})
    void aRoomIsReadInTheShopsUnit(String written, double celsius) {
        assertThat(Reading.parseRoom(written, TemperatureUnit.C)).isCloseTo(celsius, within(0.01));
    }

    @ParameterizedTest
    @CsvSource({"41, 5", "104, 40", "70, 21.11", "105, 40.56", "21 C, 21", "21 °F, -6.11"})
    void andInFahrenheit(String written, double celsius) {
        assertThat(Reading.parseRoom(written, TemperatureUnit.F)).isCloseTo(celsius, within(0.01));
    }

    @Test
    void whatNoBenchHasButWouldHaveInTheOtherUnitIsAskedAbout() {
        assertThatThrownBy(() -> Reading.parseRoom("70", TemperatureUnit.C))
                .hasMessageContaining("did you mean 70 °F (21.1 °C)?");
        assertThatThrownBy(() -> Reading.parseRoom("41", TemperatureUnit.C)).hasMessageContaining("did you mean 41 °F");
        assertThatThrownBy(() -> Reading.parseRoom("21", TemperatureUnit.F)).hasMessageContaining("did you mean 21 °C");
        assertThatThrownBy(() -> Reading.parseRoom("40", TemperatureUnit.F)).hasMessageContaining("did you mean 40 °C");
    }

    /** 6.4516 cm² to the square inch: NIST SP 811, appendix B.8. */
    @ParameterizedTest
    @CsvSource({
        "300, 300",
        "300 cm², 300",
        "300 cm2, 300",
        "300 sq cm, 300",
        "10 in², 64.516",
        "10 in2, 64.516",
        "10 sq in, 64.516",
        "10 square inches, 64.516",
        "'2,5 cm^2', 2.5"
    })
    void anAreaIsReadWithItsUnit(String typed, double cm2) {
        assertThat(Reading.parse(typed, AreaUnit.CM2)).isCloseTo(cm2, within(1e-9));
        assertThatThrownBy(() -> Reading.parse("12 ml", AreaUnit.CM2)).hasMessageContaining("not a measure in cm²");
        assertThat(Reading.parse("10", AreaUnit.SQ_IN)).isCloseTo(64.516, within(1e-9));
    }

    @Test
    void theUnitBehindALengthIsKnown() {
        assertThat(Reading.lengthNamed("7 in")).contains(LengthUnit.IN);
        assertThat(Reading.lengthNamed("8 1/2 inches")).contains(LengthUnit.IN);
        assertThat(Reading.lengthNamed("22.9 cm")).contains(LengthUnit.MM);
        assertThat(Reading.lengthNamed("229")).isEqualTo(Optional.empty());
        assertThat(Reading.lengthNamed("229 ml")).isEmpty();
        assertThat(Reading.lengthNamed("in")).isEmpty();
        assertThat(Reading.lengthNamed("")).isEmpty();
    }

    /** An inch is 25.4 mm, a foot twelve of them (NIST SP 811), whatever a keyboard makes of their marks. */
    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            quoteCharacter = '~',
            value = {
                "8.5\"|215.9",
                "8.5″|215.9",
                "8.5”|215.9",
                "8.5“|215.9",
                "8 1/2''|215.9",
                "8½’’|215.9",
                "8½′′|215.9",
                "8,5 ″|215.9",
                "3 3/8”|85.725",
                "1'|304.8",
                "1′|304.8",
                "1’|304.8",
                "1‘|304.8",
                "1 ft|304.8",
                "2 feet|609.6",
                "1' 2\"|355.6",
                "1′2″|355.6",
                "1’ 2 3/8”|365.125",
                "1 ft 2 in|355.6",
                "1 foot 2|355.6",
                "1' 2½″|368.3"
            })
    void everyMarkOfFootAndInchIsRead(String typed, double mm) {
        for (LengthUnit form : LengthUnit.values()) {
            assertThat(Reading.parse(typed, form)).as("%s in %s", typed, form).isCloseTo(mm, within(1e-9));
        }
        assertThat(Reading.lengthNamed(typed)).contains(LengthUnit.IN);
    }

    @Test
    void aMarkBetweenThousandsIsNoFoot() {
        assertThat(Reading.parse("1'000", LengthUnit.MM)).isEqualTo(1000);
        assertThat(Reading.parse("1’000 mm", LengthUnit.IN)).isEqualTo(1000);
        assertThat(Reading.parse("1'000\"", LengthUnit.MM)).isEqualTo(25_400);
        assertThatThrownBy(() -> Reading.parse("1' 13\"", LengthUnit.MM)).hasMessageContaining("less than 12 inches");
        assertThatThrownBy(() -> Reading.parse("1.5' 2\"", LengthUnit.MM)).hasMessageContaining("whole feet");
        assertThatThrownBy(() -> Reading.parse("8\"", VolumeUnit.ML)).hasMessageContaining("not a measure");
        assertThatThrownBy(() -> Reading.parse("8'", TemperatureUnit.C)).hasMessageContaining("not a measure");
    }

    @Test
    void aLongSlipIsShortened() {
        String forty = "1 " + "x".repeat(38);
        assertThatThrownBy(() -> Reading.parse(forty, LengthUnit.MM)).hasMessageContaining("“" + forty + "”");
        assertThatThrownBy(() -> Reading.parse(forty + "x", LengthUnit.MM)).hasMessageContaining("“" + forty + "…”");
    }

    @Test
    void faultsAreKeptInOrderAndThrownTogether() {
        Faults faults = new Faults();
        assertThat(faults.none()).isTrue();
        assertThat(faults.attempt("a", () -> 3)).contains(3);
        assertThat(faults.attempt("a", () -> {
                    throw new IllegalArgumentException("no three");
                }))
                .isEmpty();
        faults.require(true, "b", "never said");
        faults.add("c", "said");
        assertThat(faults.none()).isFalse();
        assertThat(faults.found()).containsExactly(new Fault("a", "no three"), new Fault("c", "said"));
    }
}
