package nursery.core.measure;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class RetoldTest {

    /**
     * 25.4 mm to the inch, 29.5735 ml to the US fluid ounce, 6.4516 cm² to the square inch: NIST SP 811, appendix B.
     */
    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "235 × 60 mm does not fit: 229 mm around. | 9.25 × 2.36 in does not fit: 9.02 in around.",
                "The area asks for 29.6 ml; no less. | The area asks for 1 fl oz; no less.",
                "generous: 5–10 ml | generous: 0.17–0.34 fl oz",
                "a film of 0.39 mm. | a film of 15 thou.",
                "on 399 cm²: | on 61.8 sq in:",
                "At 12 °C it spreads badly | At 53.6 °F it spreads badly",
                "At -10 °C never | At 14 °F never",
                "2.5 K above the dew point, 10 °C: 3 K needed | 4.5 °F above the dew point, 50 °F: 5.4 °F needed",
                "the blank “75 mm mug” holds 60 ml | the blank “75 mm mug” holds 2.03 fl oz",
                "did you mean 9.03 in (229 mm)? | did you mean 9.03 in (229 mm)?",
                "100 g in 3 cups of 12 oz, A-12 mm | 100 g in 3 cups of 12 oz, A-12 mm"
            })
    void aShopInInchesAndFluidOuncesIsToldInThem(String said, String told) {
        assertThat(Retold.in(said, LengthUnit.IN, VolumeUnit.FL_OZ, TemperatureUnit.F)
                        .replace('\u00a0', ' '))
                .isEqualTo(told);
    }

    @Test
    void aMetricShopIsToldWhatWasSaid() {
        String said = "Only 2 mm, 5 ml, 7 cm² at 12 °C and “3 K” of it.";
        assertThat(Retold.in(said, LengthUnit.MM, VolumeUnit.ML, TemperatureUnit.C))
                .isEqualTo(said);
        assertThat(Retold.in("3 K above the dew point", LengthUnit.MM, VolumeUnit.ML, TemperatureUnit.C))
                .as("a difference reads as degrees there as well")
                .isEqualTo("3\u00a0°C above the dew point");
    }

    @Test
    void eachUnitIsAChoiceOfItsOwn() {
        assertThat(Retold.in("50 mm and 50 ml", LengthUnit.IN, VolumeUnit.ML, TemperatureUnit.C))
                .isEqualTo("1.97\u00a0in and 50 ml");
    }
}
