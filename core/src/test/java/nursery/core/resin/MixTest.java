package nursery.core.resin;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.math.BigDecimal;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.DoubleRange;
import net.jqwik.api.constraints.IntRange;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class MixTest {

    private static final Densities USUAL = new Densities(1.15, 0.96);

    /** Worked values of common practice. */
    @ParameterizedTest
    @CsvSource({"1:1, 15, 7.5, 7.5", "1:1, 5, 2.5, 2.5", "1:1, 10, 5, 5", "2:1, 30, 20, 10", "3:1, 30, 22.5, 7.5"})
    void aMixIsSplitByItsRatio(String ratio, double total, double a, double b) {
        assertThat(Mix.exactly(MixRatio.parse(ratio), total)).isEqualTo(new Mix(a, b));
    }

    @Test
    void aTwoToOneMixOfThirtyOneMillilitresOnWholeMarksIsTwentyTwoAndEleven() {
        Mix mix = Mix.onMarks(MixRatio.parse("2:1"), 31, 1);
        assertThat(mix).isEqualTo(new Mix(22, 11));
        assertThat(mix.partAGrams(USUAL)).isEqualTo(25.3);
        assertThat(mix.partBGrams(USUAL)).isEqualTo(10.56);
    }

    @Test
    void anAmountThatLiesOnTheMarksIsNotRounded() {
        assertThat(Mix.onMarks(MixRatio.parse("2:1"), 0.3, 0.1).totalMl()).isEqualTo(0.3);
        assertThat(Mix.onMarks(MixRatio.parse("1:1"), 25, 2.5)).isEqualTo(new Mix(12.5, 12.5));
    }

    /** Common practice: equal weights at these densities give about 20 % too much hardener by volume. */
    @Test
    void equalWeightsAreNotEqualVolumes() {
        assertThat(MixRatio.parse("1:1").errorOf(10 / USUAL.partAGPerMl(), 10 / USUAL.partBGPerMl()))
                .isCloseTo(0.198, within(0.001));
    }

    @Property
    void roundingNeverBendsTheRatioAndIsTheSmallestThatServes(
            @ForAll @IntRange(min = 1, max = 12) int a,
            @ForAll @IntRange(min = 1, max = 12) int b,
            @ForAll @DoubleRange(min = 0.2, max = 900) double totalMl,
            @ForAll @IntRange(min = 1, max = 40) int tenthsPerMark) {
        BigDecimal mark = BigDecimal.valueOf(tenthsPerMark, 1);
        MixRatio ratio = new MixRatio(a, b);
        Mix mix = Mix.onMarks(ratio, totalMl, mark.doubleValue());
        BigDecimal partA = BigDecimal.valueOf(mix.partAMl());
        BigDecimal partB = BigDecimal.valueOf(mix.partBMl());
        assertThat(partA.remainder(mark)).isZero();
        assertThat(partB.remainder(mark)).isZero();
        assertThat(partA.multiply(BigDecimal.valueOf(b))).isEqualByComparingTo(partB.multiply(BigDecimal.valueOf(a)));
        assertThat(mix.totalMl()).isGreaterThanOrEqualTo(totalMl);
        double oneStepLess = mix.totalMl() - mark.doubleValue() * ratio.parts();
        assertThat(oneStepLess).isLessThan(totalMl);
    }

    @ParameterizedTest
    @ValueSource(
            strings = {"0:1", "1:", ":1", "1/1", "1:0", "", "2", "-1:1", "1:1:1", "21:1", "NaN:1", "1e3:1", "<b>:1"})
    void whatIsNotARatioIsRefused(String written) {
        assertThatThrownBy(() -> MixRatio.parse(written))
                .isInstanceOf(IllegalArgumentException.class)
                .message()
                .endsWith(".");
    }

    @Test
    void aRatioIsKeptInLowestTerms() {
        assertThat(MixRatio.parse("1.5:1")).hasToString("3:2");
        assertThat(MixRatio.parse("100:50")).hasToString("2:1");
        assertThat(MixRatio.parse(" 2 : 1 ")).hasToString("2:1");
    }

    @ParameterizedTest
    @ValueSource(doubles = {0, -5, Double.NaN, 1e308, 5000.01})
    void amountsThatNobodyMixesAreRefused(double totalMl) {
        assertThatThrownBy(() -> Mix.exactly(new MixRatio(1, 1), totalMl)).isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> Mix.onMarks(new MixRatio(1, 1), 10, totalMl))
                .isInstanceOf(IllegalArgumentException.class);
    }
}
