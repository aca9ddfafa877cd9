package nursery.core.resin;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import nursery.core.measure.InvalidInput;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** What a label can say, and what follows from it. */
class LabelEdgesTest {

    private static final LabelTimes TIMES = new LabelTimes(0.75, 4, 3, 6, 8, 12, 24, 48, 120);

    private static Label label(double referenceC, Optional<Viscosity> viscosity, OptionalDouble tolerance) {
        return new Label(
                new MixRatio(1, 1),
                TIMES,
                referenceC,
                50,
                Optional.empty(),
                viscosity,
                OptionalDouble.empty(),
                tolerance);
    }

    private static Label plain() {
        return label(22, Optional.empty(), OptionalDouble.empty());
    }

    /** Every age divided by the factor; full cure is never sooner than the label's, but may be later. */
    @Test
    void aFasterResinIsFasterInAllButFullCure() {
        LabelTimes twice = TIMES.faster(2);
        assertThat(twice).isEqualTo(new LabelTimes(0.375, 2, 1.5, 3, 4, 6, 12, 24, 120));
        assertThat(TIMES.faster(0.5)).isEqualTo(new LabelTimes(1.5, 8, 6, 12, 16, 24, 48, 96, 240));
        assertThat(TIMES.faster(1)).isEqualTo(TIMES);
    }

    /** No label says more than 60 days or less than a minute: a factor counts as far as that. */
    @Test
    void howFastOrSlowALabelCanBe() {
        assertThat(TIMES.faster(0.01).fullCureH())
                .as("120 h by a hundredth are 500 days")
                .isEqualTo(60 * 24);
        assertThat(TIMES.faster(1000).workingH()).isCloseTo(1.0 / 60, within(1e-9));
        LabelTimes slowToTurn = new LabelTimes(1, 60, 3, 70, 61, 62, 90, 100, 200);
        assertThat(slowToTurn.faster(0.5).turningH()).as("72 h at most").isCloseTo(72, within(1e-9));
        LabelTimes slowToWork = new LabelTimes(20, 30, 21, 70, 61, 62, 90, 100, 200);
        assertThat(slowToWork.faster(0.5).workingH()).as("a day at most").isCloseTo(24, within(1e-9));
        LabelTimes lateToScuff = new LabelTimes(1, 4, 3, 6, 8, 12, 1000, 48, 120);
        assertThat(lateToScuff.faster(0.5).scuffAfterH()).isCloseTo(1440, within(1e-6));
    }

    /** Arrhenius by hand: 1 Pa·s at 22 °C with 70 kJ/mol is 1/exp(70000/8.314·(1/295.15 − 1/305.15)) at 32 °C. */
    @Test
    void aWarmMixIsThinner() {
        double factor = Math.exp(70_000 / 8.314462618 * (1 / 295.15 - 1 / 305.15));
        Label stated = label(22, Optional.of(new Viscosity(1.5, Optional.empty())), OptionalDouble.empty());
        assertThat(stated.viscosityPaSAt(32).orElseThrow()).isCloseTo(1.5 / factor, within(1e-6));
        assertThat(stated.viscosityPaS()).hasValue(1.5);
        assertThat(plain().viscosityPaSAt(32)).isEmpty();
        assertThat(plain().viscosityPaS()).isEmpty();
        assertThat(Viscosity.of(OptionalDouble.of(0.8))).contains(new Viscosity(0.8, Optional.empty()));
    }

    /** Two viscosities give a label's own energy: ln(3) over 10 K from 22 °C are R·ln 3 ÷ (1/295.15 − 1/305.15). */
    @Test
    void twoViscositiesSayHowStronglyItThins() {
        Viscosity two = new Viscosity(1.5, Optional.of(new Viscosity.Second(0.5, 32)));
        double byHand = 8.314462618e-3 * Math.log(3) / (1 / 295.15 - 1 / 305.15);
        assertThat(two.flowKjPerMol(22)).isCloseTo(byHand, within(0.01));
        assertThat(label(22, Optional.of(two), OptionalDouble.empty())
                        .viscosityPaSAt(32)
                        .orElseThrow())
                .isCloseTo(0.5, within(1e-9));
    }

    @ParameterizedTest
    @CsvSource({
        "0.5, 24.9, at least 3 K",
        "0.5, 19.1, at least 3 K",
        "3, 32, cannot be",
        "1.4, 32, cannot be",
        "0.02, 25, cannot be"
    })
    void whatTwoViscositiesCannotBe(double paS, double atC, String words) {
        Viscosity two = new Viscosity(1.5, Optional.of(new Viscosity.Second(paS, atC)));
        assertThatThrownBy(() -> label(22, Optional.of(two), OptionalDouble.empty()))
                .isInstanceOf(InvalidInput.class)
                .hasMessageContaining(words);
    }

    @ParameterizedTest
    @CsvSource({"0.9, 25", "0.9, 32", "4, 12"})
    void whatTheyCanBe(double paS, double atC) {
        Viscosity two = new Viscosity(1.5, Optional.of(new Viscosity.Second(paS, atC)));
        assertThat(label(22, Optional.of(two), OptionalDouble.empty()).viscosity())
                .contains(two);
    }

    /** Pot life is when it has doubled; quadrupled from half a Pa·s down; between them until 2 Pa·s. */
    @ParameterizedTest
    @CsvSource({"2, 2", "1, 2", "0.8, 2.5", "0.5, 4", "0.2, 4"})
    void howThickItIsAtTheEndOfItsPotLife(double freshPaS, double times) {
        Viscosity fresh = new Viscosity(freshPaS, Optional.empty());
        assertThat(fresh.thickerAtPotLife()).isCloseTo(times, within(1e-12));
        assertThat(fresh.thickerAt(0, 0.75, 4)).isEqualTo(1);
        assertThat(fresh.thickerAt(0.75, 0.75, 4)).isCloseTo(times, within(1e-9));
        assertThat(fresh.thickerAt(4, 0.75, 4)).isInfinite();
        Label stated = label(22, Optional.of(fresh), OptionalDouble.empty());
        assertThat(stated.viscosityPaSAt(22, 0.75).orElseThrow()).isCloseTo(times * freshPaS, within(1e-9));
        assertThat(stated.viscosityPaSAt(22, 3.999)).isPresent();
        assertThat(stated.viscosityPaSAt(22, 4)).as("it has gelled").isEmpty();
    }

    /**
     * ∫(1 − a/g)ⁿ da = g/(n + 1); n = ln 2 ÷ −ln(1 − 0.75/4) = 3.338 at 1 Pa·s, in a warm room the Arrhenius factor
     * less.
     */
    @Test
    void forHowLongAFreshMixWouldFlow() {
        double n = Math.log(2) / -Math.log(1 - 0.75 / 4);
        assertThat(plain().freshHoursAt(22)).isCloseTo(4 / (n + 1), within(1e-9));
        double faster = Math.exp(50_000 / 8.314462618 * (1 / 295.15 - 1 / 305.15));
        assertThat(plain().freshHoursAt(32)).isCloseTo(4 / (n + 1) / faster, within(1e-6));
    }

    @ParameterizedTest
    @CsvSource({"5", "22", "45"})
    void roomsALabelIsFor(double referenceC) {
        assertThat(label(referenceC, Optional.empty(), OptionalDouble.of(25)).referenceC())
                .isEqualTo(referenceC);
    }

    @ParameterizedTest
    @CsvSource({
        "72, did you mean 72 °F (22.2 °C)?",
        "113, did you mean 113 °F (45 °C)?",
        "114, labels are for a heated room.",
        "4.9, labels are for a heated room.",
        "46, did you mean 46 °F (7.8 °C)?"
    })
    void whatIsNoRoom(double referenceC, String hint) {
        assertThatThrownBy(() -> label(referenceC, Optional.empty(), OptionalDouble.empty()))
                .hasMessageContaining(hint);
    }

    @Test
    void whatElseALabelCannotSay() {
        assertThatThrownBy(() -> label(22, Optional.empty(), OptionalDouble.of(26)))
                .hasMessageContaining("tolerance");
        assertThatThrownBy(() -> new Label(
                        new MixRatio(1, 1),
                        TIMES,
                        22,
                        201,
                        Optional.empty(),
                        Optional.empty(),
                        OptionalDouble.of(0.5),
                        OptionalDouble.empty()))
                .hasMessageContaining("activation energy")
                .hasMessageContaining("pot life");
    }

    /** As found at the bench: faster on the cup; the pot keeps what it says, or the working time it stood for. */
    @Test
    void whatAShopFoundSaysNothingOfThePot() {
        Label found = plain().found(2, 60);
        assertThat(found.times()).isEqualTo(TIMES.faster(2));
        assertThat(found.activationKjPerMol()).isEqualTo(60);
        assertThat(PotLife.statedMin(found)).as("0.75 h, not half of it").isEqualTo(45);
        assertThat(plain().at(new MixRatio(2, 1)).ratio()).isEqualTo(new MixRatio(2, 1));
    }

    /** By hand at 2:1: (2·1.15 + 0.96)/3 = 1.0867 g/ml; weighed as volumes it is 1.15/0.96 − 1 = 19.8 % too much. */
    @Test
    void densities() {
        Label two = new Label(new MixRatio(2, 1), TIMES, 22, 50, Optional.of(Densities.USUAL), OptionalDouble.empty());
        assertThat(two.mixDensityGPerMl()).isCloseTo(3.26 / 3, within(1e-12));
        assertThat(plain().mixDensityGPerMl()).isEqualTo(1.1);
        assertThat(Densities.USUAL.errorIfWeighedAsVolumes()).isCloseTo(0.19792, within(1e-5));
        Mix volumes = Densities.USUAL.volumes(23, 9.6);
        assertThat(volumes.partAMl()).isCloseTo(20, within(1e-12));
        assertThat(volumes.partBMl()).isCloseTo(10, within(1e-12));
    }

    /** P47, from memory: from 250 g on a pot may run hot; at 1.1 g/ml that is 227.3 ml. */
    @Test
    void aBigPotRunsHot() {
        assertThat(PotLife.mayRunHot(plain(), 227)).isFalse();
        assertThat(PotLife.mayRunHot(plain(), 227.5)).isTrue();
        assertThat(PotLife.minutes(plain(), 90.909, 22))
                .as("100 g: as on the label")
                .isCloseTo(45, within(0.001));
        assertThat(PotLife.minutes(plain(), 20, 22))
                .as("a small pot is promised no more")
                .isEqualTo(45);
        assertThat(PotLife.minutes(plain(), 8 * 90.9090909, 22))
                .as("eight times: by half")
                .isCloseTo(22.5, within(0.001));
    }

    private static List<Instant> pours(double... minutes) {
        Instant at = Instant.parse("2026-03-02T18:00:00Z");
        return java.util.Arrays.stream(minutes)
                .mapToObj(minute -> at.plusSeconds(Math.round(minute * 60)))
                .toList();
    }

    /** By hand: gaps of 4, 5 and 9 min: the middle is 5; of 4, 5, 7 and 9 it is 6. An hour and more was a break. */
    @Test
    void theMakersPace() {
        assertThat(Pace.learnedMinutesPerCup(List.of(pours(0, 4, 9), pours(0, 9))))
                .isEqualTo(5);
        assertThat(Pace.learnedMinutesPerCup(List.of(pours(0, 4, 9, 16), pours(0, 9))))
                .isEqualTo(6);
        assertThat(Pace.learnedMinutesPerCup(List.of(pours(0, 4, 9))))
                .as("two gaps teach nothing")
                .isEqualTo(6);
        assertThat(Pace.learnedMinutesPerCup(List.of(pours(0, 60, 120, 181, 181.4, 181.9))))
                .as("60, 60 and 0.5 count; 61 and 0.4 do not")
                .isEqualTo(60);
        assertThat(Pace.of(true, 5).mixingMinutes())
                .as("4 min, and 5 of rest (P6)")
                .isEqualTo(9);
        assertThat(Pace.of(false, 5).mixingMinutes()).isEqualTo(4);
    }

    /** 100:83 on 1 ml marks: 18 + 15 of 30 ml is 0.4 % off; nothing nearer is asked of a cup of so few marks. */
    @Test
    void theNearestRatioOnTheMarks() {
        MixRatio odd = new MixRatio(100, 83);
        assertThat(odd.nearest(40, 0.025, 0.05)).contains(new MixRatio(6, 5));
        assertThat(odd.nearest(10, 0.001, 0.05)).as("6:5 has eleven parts").contains(new MixRatio(5, 4));
        assertThat(odd.nearest(10, 0.001, 0.03)).isEmpty();
        assertThat(odd.nearest(11, 0.001, 0.05)).contains(new MixRatio(6, 5));
        assertThat(odd.nearest(40, 0.001, 0.05)).contains(bestOf(odd, 40));
        assertThat(new MixRatio(1, 1).nearest(2, 0, 0)).contains(new MixRatio(1, 1));
        assertThat(new MixRatio(20, 1).nearest(2, 0.025, 0.05)).isEmpty();
    }

    /** By trying all of them. */
    private static MixRatio bestOf(MixRatio ratio, int mostParts) {
        MixRatio best = new MixRatio(1, 1);
        for (int a = 1; a < mostParts; a++) {
            for (int b = 1; a + b <= mostParts; b++) {
                if (Math.abs(ratio.errorOf(a, b)) < Math.abs(ratio.errorOf(best.partsA(), best.partsB()))) {
                    best = new MixRatio(a, b);
                }
            }
        }
        return best;
    }

    /** A label's tolerance and half of it, to the last digit. */
    @Test
    void howFarOffIsFine() {
        Label label = label(22, Optional.empty(), OptionalDouble.of(5));
        assertThat(RatioCheck.of(label, 100, 102.5).verdict()).isEqualTo(RatioCheck.Verdict.FINE);
        assertThat(RatioCheck.of(label, 100, 102.6).verdict()).isEqualTo(RatioCheck.Verdict.USABLE_WITH_A_NOTE);
        assertThat(RatioCheck.of(label, 100, 105).verdict()).isEqualTo(RatioCheck.Verdict.USABLE_WITH_A_NOTE);
        assertThat(RatioCheck.of(label, 100, 105.01).verdict()).isEqualTo(RatioCheck.Verdict.DO_NOT_USE);
        assertThat(RatioCheck.of(label, 100, 105.01).words()).isEqualTo("5.01 % too much hardener; 5 % is allowed.");
        assertThat(RatioCheck.of(label, 100, 96).words()).isEqualTo("4 % too little hardener; 5 % is allowed.");
        assertThat(RatioCheck.of(label, 100, 100.04).words()).isEqualTo("Right on the ratio.");
        assertThat(RatioCheck.of(label, 100, 96).addBMl()).isCloseTo(4, within(1e-9));
        assertThat(RatioCheck.of(label, 100, 96).addAMl()).isZero();
    }

    /** By hand: 60 mixed, 40 poured, 10 still to pour, losses of 3: 7 to spare; 8.5 may be missing, 8.6 not. */
    @Test
    void whatIsOnNoCup() {
        Remainder left = new Remainder(60, 40, 10, 3);
        assertThat(left.hadMl()).isEqualTo(20);
        assertThat(left.spareMl()).isEqualTo(7);
        assertThat(left.isMissing(11.5)).isFalse();
        assertThat(left.isMissing(11.4)).isTrue();
        assertThat(new Remainder(40, 50, 0, 3).hadMl()).isZero();
    }

    /** All of a share is no part set aside of it. */
    @Test
    void whatIsSetAside() {
        List<Addition> two = Addition.of(
                "s0",
                20,
                List.of(
                        new Addition.Asked(OptionalDouble.empty(), "glow"),
                        new Addition.Asked(OptionalDouble.of(5), "white")));
        assertThat(two).containsExactly(new Addition(15, "glow"), new Addition(5, "white"));
        assertThat(Addition.words(two, 20)).isEqualTo("15 ml of it with glow, 5 ml of it with white stirred in.");
        assertThat(Addition.words(List.of(new Addition(20, "glow")), 20)).isEqualTo("Stirred in: glow.");
        assertThat(Addition.words(List.of(), 20)).isEmpty();
        assertThatThrownBy(() -> Addition.of(
                        "s0",
                        20,
                        List.of(
                                new Addition.Asked(OptionalDouble.of(16), "glow"),
                                new Addition.Asked(OptionalDouble.of(5), "white"))))
                .hasMessageContaining("21 ml set aside together are more than the share of 20 ml");
    }
}
