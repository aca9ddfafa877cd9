package nursery.core.resin;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;

/** A batch sheet's sums and its thresholds, worked by hand. */
class SheetEdgesTest {

    private static final Label REGULAR = StartingProfile.REGULAR.label();
    private static final MeasuringCup CUP = new MeasuringCup(60, 2.5, 34, 42);
    private static final Pace PACE = new Pace(4, 6);

    private static BatchSheet sheet(Label label, MeasuringCup cup, Losses losses, double... shares) {
        List<Portion> portions = IntStream.range(0, shares.length)
                .mapToObj(i -> new Portion("A-0" + (i + 1), shares[i], Optional.empty()))
                .toList();
        return BatchSheet.of(label, portions, losses, cup, PACE, 22);
    }

    /** Three cups of 20, 0.5 on the glove for each and 2 for each of two cupfuls: 65.5, on marks 70. */
    @Test
    void lossesAreCountedForEachCupAndEachFilling() {
        BatchSheet three = sheet(REGULAR, CUP, new Losses(2, 0.5), 20, 20, 20);
        assertThat(three.fills()).hasSize(2);
        assertThat(three.lossesMl()).isCloseTo(5.5, within(1e-9));
        assertThat(three.mix().totalMl()).isEqualTo(70);
        assertThat(three.leftoverMl()).isCloseTo(4.5, within(1e-9));
        assertThat(three.servesMore(new Losses(2, 0.5))).isZero();
        assertThat(three.nearly()).isEmpty();
        BatchSheet small = sheet(REGULAR, CUP, new Losses(0, 0), 1, 1);
        assertThat(small.raisedToSmallestBatch()).isTrue();
        assertThat(small.servesMore(new Losses(0, 0))).as("3 left, 1 each").isEqualTo(3);
        assertThat(sheet(REGULAR, CUP, new Losses(0.5, 0.5), 2, 2).raisedToSmallestBatch())
                .as("4 and 1.5 lost")
                .isFalse();
        assertThat(sheet(REGULAR, CUP, new Losses(0, 0), 5).raisedToSmallestBatch())
                .as("five are enough (P3)")
                .isFalse();
    }

    /** Cups at 4, 10, 16, 22, 28, 34 and 40 min; a regular pot of 100 g lasts 40. */
    @Test
    void theCupThePotNoLongerServesIsNamed() {
        BatchSheet six = sheet(REGULAR, CUP, new Losses(0, 0), 10, 10, 10, 10, 10, 10);
        assertThat(six.mixAgainBefore()).isEmpty();
        assertThat(six.shouldBeTwo()).isFalse();
        BatchSheet eight = sheet(REGULAR, CUP, new Losses(0, 0), 10, 10, 10, 10, 10, 10, 10, 10);
        assertThat(eight.mixAgainBefore()).hasValue(7 + (eight.turns().get(6).inTime() ? 1 : 0));
        assertThat(eight.shouldBeTwo()).isTrue();
    }

    /** P47: above some 250 g a pot may run hot; at 1.055 g/ml that is 237 ml. */
    @Test
    void aLargePotIsBetterTwo() {
        assertThat(sheet(REGULAR, CUP, new Losses(0, 0), 230).mayRunHot()).isFalse();
        BatchSheet hot = sheet(REGULAR, CUP, new Losses(0, 0), 120, 120);
        assertThat(hot.mayRunHot()).isTrue();
        assertThat(hot.shouldBeTwo()).isTrue();
        assertThat(sheet(REGULAR, CUP, new Losses(0, 0), 240).shouldBeTwo())
                .as("one cup cannot be two mixes")
                .isFalse();
    }

    /** 100:83 wants 183 marks of a cup that has 24; 6:5 is 0.4 % off and wants 11. */
    @Test
    void theNearestRatioOnTheMarksIsSaid() {
        Label odd = REGULAR.at(MixRatio.parse("100:83"));
        MixRatio measured = Fills.measured(odd, CUP, 60).orElseThrow();
        assertThat(measured).isEqualTo(new MixRatio(6, 5));
        assertThat(Fills.nearly(odd, measured).orElseThrow())
                .startsWith("100:83 does not lie on these marks. 6:5 does: 0.4 % more hardener than the label");
        assertThat(sheet(odd, CUP, new Losses(0, 0), 20).nearly()).isPresent();
        Label other = REGULAR.at(MixRatio.parse("83:100"));
        assertThat(Fills.nearly(other, Fills.measured(other, CUP, 60).orElseThrow())
                        .orElseThrow())
                .contains("5:6 does: 0.4 % less hardener");
    }

    /** 24 marks carry 24 parts and not 25; what the cup holds exactly fits it. */
    @Test
    void aRatioOfAsManyPartsAsMarksStillFits() {
        assertThat(Fills.measured(REGULAR.at(MixRatio.parse("13:11")), CUP, 60)).contains(new MixRatio(13, 11));
        assertThat(Fills.measured(REGULAR.at(MixRatio.parse("13:12")), CUP, 60).orElseThrow())
                .isNotEqualTo(new MixRatio(13, 12));
        assertThat(Fills.of(new Mix(30, 30), CUP)).hasSize(1);
        assertThat(Fills.of(new Mix(32.5, 32.5), CUP)).hasSize(2);
        assertThat(Fills.of(new Mix(60, 60), CUP)).hasSize(2);
    }

    @Test
    void shareLimitsAreIn() {
        assertThat(sheet(REGULAR, CUP, new Losses(0, 0), 500).mix().totalMl()).isEqualTo(500);
        assertThatThrownBy(() -> sheet(REGULAR, CUP, new Losses(0, 0), 500.1)).hasMessageContaining("at most 500 ml");
    }

    /** P4, common practice: half the tolerance is fine, all of it usable; both ends are in. */
    @Test
    void theEndsOfToleranceAreIn() {
        Label ten = label(10);
        assertThat(RatioCheck.of(ten, 20, 21).verdict()).isEqualTo(RatioCheck.Verdict.FINE);
        assertThat(RatioCheck.of(ten, 20, 22).verdict()).isEqualTo(RatioCheck.Verdict.USABLE_WITH_A_NOTE);
        assertThat(RatioCheck.of(ten, 20, 22.01).verdict()).isEqualTo(RatioCheck.Verdict.DO_NOT_USE);
        assertThat(RatioCheck.of(ten, 20, 18).verdict()).isEqualTo(RatioCheck.Verdict.USABLE_WITH_A_NOTE);
    }

    @Test
    void aRatioOfTwentyToOneIsTheMostLopsided() {
        assertThat(MixRatio.parse("20:1").partsA()).isEqualTo(20);
        assertThat(MixRatio.parse("1:20").partsB()).isEqualTo(20);
        assertThatThrownBy(() -> MixRatio.parse("20.1:1")).hasMessageContaining("more lopsided than 20:1");
        assertThatThrownBy(() -> MixRatio.parse("1:20.1")).hasMessageContaining("more lopsided than 20:1");
        assertThatThrownBy(() -> MixRatio.parse("0:1")).hasMessageContaining("leaves one part out");
        assertThatThrownBy(() -> MixRatio.parse("1:0")).hasMessageContaining("leaves one part out");
    }

    private static Label label(double tolerancePercent) {
        return new Label(
                REGULAR.ratio(),
                REGULAR.times(),
                22,
                50,
                Optional.empty(),
                Optional.empty(),
                OptionalDouble.empty(),
                OptionalDouble.of(tolerancePercent));
    }
}
