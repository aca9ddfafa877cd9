package nursery.core.measure;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.DoubleRange;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class QuantitiesTest {

    /** Factors from NIST SP 811, appendix B.8. */
    @Test
    void unitsAreThoseOfTheNistGuide() {
        assertThat(LengthUnit.IN.toBase(1)).isEqualTo(25.4);
        assertThat(VolumeUnit.FL_OZ.toBase(1)).isCloseTo(29.57353, within(5e-6));
        assertThat(MassUnit.OZ.toBase(1)).isCloseTo(28.34952, within(5e-6));
    }

    /** Fixed points of both scales: water freezes at 32 °F and boils at 212 °F; they meet at -40. */
    @ParameterizedTest
    @CsvSource({"32, 0", "212, 100", "-40, -40", "75, 23.888889"})
    void fahrenheitMeetsCelsiusAtTheFixedPoints(double fahrenheit, double celsius) {
        assertThat(TemperatureUnit.F.toBase(fahrenheit)).isCloseTo(celsius, within(1e-6));
        assertThat(TemperatureUnit.F.fromBase(celsius)).isCloseTo(fahrenheit, within(1e-5));
    }

    @Property
    void convertingThereAndBackChangesNothing(@ForAll @DoubleRange(min = -1000, max = 1000) double value) {
        for (Unit unit : List.of(LengthUnit.IN, VolumeUnit.FL_OZ, MassUnit.OZ, TemperatureUnit.F)) {
            assertThat(unit.fromBase(unit.toBase(value))).isCloseTo(value, within(1e-9));
        }
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "7.5|7.5",
                "7,5|7.5",
                " 12 |12",
                ".5|0.5",
                "8 1/2|8.5",
                "8-1/2|8.5",
                "1/4|0.25",
                "8½|8.5",
                "¾|0.75",
                "−3|-3",
                "-2 1/2|-2.5",
                "15/16|0.9375",
                "11/16|0.6875",
                "1 15/16|1.9375",
                "1-15/16|1.9375",
                "-1/2|-0.5",
                "100/8|12.5",
                "15 / 16|0.9375",
                "15\u204416|0.9375",
                "8 ½|8.5",
                "−1½|-1.5",
                "0,125|0.125",
                "1234,5|1234.5",
                "1,234.5|1234.5",
                "1.234,5|1234.5",
                "1 234,5|1234.5",
                "1\u202f234|1234",
                "1'234.5|1234.5",
                "12,345,678|12345678",
                "1.234.567|1234567",
                "8.125|8.125",
                "½|0.5"
            })
    void numbersAreReadAsPeopleWriteThem(String written, double value) {
        assertThat(Numbers.parse(written)).isEqualTo(value);
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "",
                "  ",
                "abc",
                "NaN",
                "1e308",
                "Infinity",
                "1.2.3",
                "1,2,3",
                "5/0",
                "--4",
                "12 34",
                "1,23,456.7",
                "1.234,5,6",
                "8 3/2",
                "1/2/3",
                "1 000/3",
                "3/",
                "5²",
                "5²/3",
                "½½",
                "<b>3</b>",
                "٣",
                "9999999999999999"
            })
    void whatIsNotANumberIsRefusedWithASentence(String written) {
        assertThatThrownBy(() -> Numbers.parse(written))
                .isInstanceOf(IllegalArgumentException.class)
                .message()
                .contains(" ")
                .endsWith(".");
    }

    @Test
    void aCommaBeforeThreeDigitsIsAskedAboutAndNotGuessed() {
        assertThatThrownBy(() -> Numbers.parse("1,234"))
                .hasMessageContaining("1.234")
                .hasMessageContaining("1234");
    }

    @Test
    void aUnitBehindTheNumberWinsOverTheFormsOwn() {
        assertThat(Reading.parse("8 1/2 in", LengthUnit.MM)).isCloseTo(215.9, within(1e-9));
        assertThat(Reading.parse("216mm", LengthUnit.IN)).isEqualTo(216);
        assertThat(Reading.parse("1 fl oz", VolumeUnit.ML)).isCloseTo(29.5735, within(1e-4));
        assertThat(Reading.parse("75 °F", TemperatureUnit.C)).isCloseTo(23.8889, within(1e-4));
        assertThat(Reading.parse("8½\"", LengthUnit.MM)).isCloseTo(215.9, within(1e-9));
        assertThat(Reading.parse("15/16 in", LengthUnit.MM)).isCloseTo(23.8125, within(1e-9));
        assertThat(Reading.parse("11/16''", LengthUnit.MM)).isCloseTo(17.4625, within(1e-9));
        assertThat(Reading.parse("22,9 cm", LengthUnit.IN)).isCloseTo(229, within(1e-9));
        assertThat(Reading.parse("3½ Inches", LengthUnit.MM)).isCloseTo(88.9, within(1e-9));
        assertThat(Reading.parse("1'000 mm", LengthUnit.MM)).isEqualTo(1000);
        assertThat(Reading.parse("1.5 fl. oz.", VolumeUnit.ML)).isCloseTo(44.3603, within(1e-4));
        assertThat(Reading.parse("1/2 l", VolumeUnit.FL_OZ)).isEqualTo(500);
        assertThat(Reading.parse("2 oz", MassUnit.G)).isCloseTo(56.699, within(1e-3));
        assertThat(Reading.parse("2 oz", VolumeUnit.ML)).isCloseTo(59.1471, within(1e-4));
        assertThat(Reading.parse("-4F", TemperatureUnit.C)).isCloseTo(-20, within(1e-9));
        assertThat(Reading.parse("20 º C", TemperatureUnit.F)).isEqualTo(20);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {"8 in 3|in 3", "8 yd|8 yd", "in|in", "5°|5°", "mm 5|mm 5", "1,234 mm|1234"})
    void whatCannotBeMeantSurelyIsRefused(String written, String named) {
        assertThatThrownBy(() -> Reading.parse(written, LengthUnit.MM))
                .isInstanceOf(IllegalArgumentException.class)
                .hasMessageContaining(named);
    }

    @Test
    void aUnitOfAnotherKindIsRefused() {
        assertThatThrownBy(() -> Reading.parse("20 g", VolumeUnit.ML)).hasMessageContaining("ml");
        assertThatThrownBy(() -> Reading.parse("20 cups", VolumeUnit.ML)).hasMessageContaining("20 cups");
    }

    @Test
    void allFaultsAreReportedAtOnceAndNanIsNeverInRange() {
        Faults faults = new Faults();
        assertThat(faults.within("a", "A", Double.NaN, 0, 1, "mm")).isFalse();
        assertThat(faults.within("b", "B", 2, 0, 1, "mm")).isFalse();
        assertThat(faults.within("c", "C", 1, 0, 1, "mm")).isTrue();
        assertThatThrownBy(faults::throwIfAny)
                .isInstanceOfSatisfying(InvalidInput.class, invalid -> assertThat(invalid.faults())
                        .extracting(Fault::field)
                        .containsExactly("a", "b"));
    }

    @ParameterizedTest
    @CsvSource({
        "0.1, 0.1",
        "12.5, 12.5",
        "1E-7, 0",
        "1234567, 1234567",
        "33.333333, 33.33",
        "1E300, more than a thousand million"
    })
    void numbersAreShownWithoutExponentsOrNoise(double value, String shown) {
        assertThat(Numbers.show(value)).isEqualTo(shown);
    }
}
