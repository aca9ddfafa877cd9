package nursery.core.resin;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Random;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.DoubleRange;
import nursery.core.measure.Fault;
import nursery.core.measure.InvalidInput;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class BatchTest {

    private static final Label REGULAR = StartingProfile.REGULAR.label();
    private static final MeasuringCup CUP = new MeasuringCup(60, 2.5, 30, 40);
    private static final Pace PACE = new Pace(Pace.USUAL_MIXING_MIN, Pace.USUAL_PER_CUP_MIN);
    private static final Instant NOON = Instant.parse("2026-03-02T12:00:00Z");

    private static Portion portion(String cup, double ml) {
        return new Portion(cup, ml, Optional.empty());
    }

    private static BatchSheet sheet(List<Portion> portions) {
        return BatchSheet.of(REGULAR, portions, Losses.USUAL, CUP, PACE, REGULAR.referenceC());
    }

    private static Label label(OptionalDouble potLifeMin, OptionalDouble tolerancePercent) {
        return new Label(
                REGULAR.ratio(),
                REGULAR.times(),
                REGULAR.referenceC(),
                REGULAR.activationKjPerMol(),
                REGULAR.densities(),
                REGULAR.viscosity(),
                potLifeMin,
                tolerancePercent);
    }

    /** P3, common practice: for 1 ml of adhesive people mix 5. */
    @Test
    void oneMillilitreOfAdhesiveIsMixedAsFive() {
        BatchSheet sheet = BatchSheet.of(REGULAR, List.of(portion("F-07", 1)), new Losses(1, 0.2), CUP, PACE, 22);
        assertThat(sheet.mix()).isEqualTo(new Mix(2.5, 2.5));
        assertThat(sheet.raisedToSmallestBatch()).isTrue();
        assertThat(sheet.leftoverMl()).isCloseTo(2.8, within(1e-9));
        assertThat(sheet.servesMore(new Losses(1, 0.2)))
                .as("P7: one 5 ml batch serves 3–4 cups thin")
                .isEqualTo(2);
    }

    @Property(tries = 300)
    void sharesLossesAndLeftoverMakeUpTheMix(@ForAll Random random) {
        List<Portion> portions = new ArrayList<>();
        for (int i = 0; i <= random.nextInt(8); i++) {
            portions.add(portion("F-" + i, 0.5 + 40 * random.nextDouble()));
        }
        BatchSheet sheet = sheet(portions);
        assertThat(sheet.sharesMl() + sheet.lossesMl() + sheet.leftoverMl())
                .isCloseTo(sheet.mix().totalMl(), within(1e-9));
        assertThat(sheet.fills().stream().mapToDouble(Mix::totalMl).sum())
                .isCloseTo(sheet.mix().totalMl(), within(1e-9));
        assertThat(sheet.fills()).allSatisfy(fill -> assertThat(fill.totalMl()).isLessThanOrEqualTo(CUP.capacityMl()));
        assertThat(sheet.fills()).allSatisfy(fill -> assertThat(fill.partAMl()).isEqualTo(fill.partBMl()));
        assertThat(sheet.turns()).hasSameSizeAs(portions);
    }

    @Test
    void whatClosesFirstIsPouredFirst() {
        BatchSheet sheet = sheet(List.of(
                portion("open", 30),
                new Portion("late", 10, Optional.of(NOON.plusSeconds(3600))),
                new Portion("soon", 5, Optional.of(NOON)),
                portion("small", 2)));
        assertThat(sheet.turns())
                .extracting(turn -> turn.portion().cup())
                .containsExactly("soon", "late", "open", "small");
    }

    /**
     * A label's 40 min for 100 g: 4 min of mixing and 6 a cup reach the seventh cup; the pot here is 7 × 5 ml, under
     * 100 g.
     */
    @Test
    void theCupAtWhichToMixAgainIsNamed() {
        List<Portion> ten = new ArrayList<>();
        for (int i = 0; i < 10; i++) {
            ten.add(portion("F-0" + i, 5));
        }
        BatchSheet sheet =
                BatchSheet.of(label(OptionalDouble.of(40), OptionalDouble.empty()), ten, Losses.USUAL, CUP, PACE, 22);
        assertThat(sheet.potMinutes()).isCloseTo(40, within(1e-9));
        assertThat(sheet.mixAgainBefore()).hasValue(8);
        assertThat(sheet.shouldBeTwo()).isTrue();
        assertThat(sheet(List.of(portion("one", 20))).shouldBeTwo()).isFalse();
    }

    /**
     * Eight times the mass halves the time by the cube-root rule (from memory); 10 °C more about halves it too (P28).
     */
    @Test
    void massAndWarmthShortenThePot() {
        double base = PotLife.minutes(REGULAR, 90, 22);
        assertThat(base).as("under 100 g the label's figure holds").isCloseTo(40, within(1e-9));
        double hundredGrams = 100 / REGULAR.mixDensityGPerMl();
        assertThat(PotLife.minutes(REGULAR, 8 * hundredGrams, 22)).isCloseTo(20, within(1e-9));
        assertThat(PotLife.minutes(REGULAR, 90, 32) / base).isBetween(0.48, 0.54);
        assertThat(PotLife.mayRunHot(REGULAR, 300)).isTrue();
        assertThat(PotLife.mayRunHot(REGULAR, 100)).isFalse();
    }

    @ParameterizedTest
    @ValueSource(doubles = {0, -1, Double.NaN, 501, 1e308})
    void sharesThatAreNoneAreAllNamed(double ml) {
        assertThatThrownBy(() -> sheet(List.of(portion("F-01", ml), portion("F-02", 10), portion("F-03", ml))))
                .isInstanceOfSatisfying(InvalidInput.class, invalid -> assertThat(invalid.faults())
                        .extracting(Fault::field)
                        .containsExactly("share-F-01", "share-F-03"));
        assertThatThrownBy(() -> sheet(List.of())).hasMessageContaining("pick at least one");
    }

    @Test
    void aCupTooSmallForTheRatioIsRefused() {
        assertThatThrownBy(() -> Fills.of(new Mix(250, 107.5), CUP)).hasMessageContaining("more than the cup holds");
    }

    private static Label at(String ratio) {
        return StartingProfile.REGULAR.label().at(MixRatio.parse(ratio));
    }

    /**
     * By hand: 100:44 has 144 parts and the cup 24 marks. 9:4 = 100:44.4 is 1 % more hardener, 7:3 = 100:42.9 already
     * 2.6 % less; 100:83 is 6:5 = 100:83.3 but for 0.4 %. 19:1 is 20 parts and lies on the marks itself.
     */
    @Test
    void whereTheMarksDoNotCarryARatioTheNearestWithinToleranceIsOffered() {
        assertThat(Fills.measured(at("100:44"), CUP, 60)).contains(new MixRatio(9, 4));
        assertThat(Fills.measured(at("100:83"), CUP, 60)).contains(new MixRatio(6, 5));
        assertThat(Fills.measured(at("19:1"), CUP, 60)).contains(new MixRatio(19, 1));
        assertThat(Fills.nearly(at("100:44"), new MixRatio(9, 4)))
                .contains("25:11 does not lie on these marks. 9:4 does: 1 % more hardener than the label, within its "
                        + "5 %.");
        assertThat(Fills.nearly(at("19:1"), new MixRatio(19, 1))).isEmpty();
        assertThat(Fills.measured(at("100:83"), new MeasuringCup(10, 5, 30, 40), 60))
                .isEmpty();
    }

    /** 20.8 + 27.1 + 2.1 ml are 50 ml, and not a bit more that would ask for the next mark. */
    @Test
    void theLastBitOfASumAsksForNoFurtherMark() {
        assertThat(Mix.onMarks(MixRatio.parse("1:1"), 20.8 + 27.1 + 2.1, 2.5)).isEqualTo(new Mix(25, 25));
        assertThat(Mix.onMarks(MixRatio.parse("1:1"), 50.001, 2.5)).isEqualTo(new Mix(27.5, 27.5));
    }

    @Test
    void whatIsNotAllowedIsNotShownAsWhatIs() {
        RatioCheck check = RatioCheck.of(at("1:1"), 100, 105.04);
        assertThat(check.verdict()).isEqualTo(RatioCheck.Verdict.DO_NOT_USE);
        assertThat(check.words()).isEqualTo("5.04 % too much hardener; 5 % is allowed.");
    }

    /** 130 ml at 1:1 in a 60 ml cup with 2.5 ml marks: 26 steps of 5 ml in three fills of 45, 45 and 40. */
    @Test
    void moreThanACupfulIsSplitEvenly() {
        assertThat(Fills.of(new Mix(65, 65), CUP))
                .containsExactly(new Mix(22.5, 22.5), new Mix(22.5, 22.5), new Mix(20, 20));
    }

    @Property
    void aLevelHoldsTheVolumeThatStandsBelowIt(
            @ForAll @DoubleRange(min = 20, max = 80) double bottomMm,
            @ForAll @DoubleRange(min = 20, max = 80) double topMm,
            @ForAll @DoubleRange(min = 0.5, max = 60) double ml) {
        MeasuringCup cup = new MeasuringCup(60, 2.5, bottomMm, topMm);
        double level = cup.levelMm(ml);
        double r0 = bottomMm / 2;
        double r1 = cup.radiusMm(level);
        assertThat(Math.PI * level / 3 * (r0 * r0 + r0 * r1 + r1 * r1) / 1000)
                .as("volume of a frustum")
                .isCloseTo(ml, within(1e-4));
        assertThat(cup.levelMm(60)).isCloseTo(cup.heightMm(), within(1e-3));
    }

    @Test
    void aStraightCupsLevelsAreEven() {
        MeasuringCup straight = new MeasuringCup(60, 2.5, 40, 40);
        assertThat(straight.levelMm(30)).isCloseTo(straight.heightMm() / 2, within(1e-9));
        assertThatThrownBy(() -> new MeasuringCup(10, 8, 40, 40)).hasMessageContaining("closer");
        assertThatThrownBy(() -> new MeasuringCup(Double.NaN, 0, 1, 999))
                .isInstanceOfSatisfying(InvalidInput.class, invalid -> assertThat(invalid.faults())
                        .hasSize(4));
    }

    @ParameterizedTest
    @CsvSource({
        "10, 10, FINE, 0, 0",
        "10, 10.2, FINE, 0.2, 0",
        "10, 10.5, USABLE_WITH_A_NOTE, 0.5, 0",
        "10, 9.6, USABLE_WITH_A_NOTE, 0, 0.4",
        "10, 8.8, DO_NOT_USE, 0, 1.2",
        "10, 12, DO_NOT_USE, 2, 0"
    })
    void aMeasuredPairIsJudgedAndMended(double a, double b, RatioCheck.Verdict verdict, double addA, double addB) {
        RatioCheck check = RatioCheck.of(REGULAR, a, b);
        assertThat(check.verdict()).isEqualTo(verdict);
        assertThat(check.addAMl()).isCloseTo(addA, within(1e-9));
        assertThat(check.addBMl()).isCloseTo(addB, within(1e-9));
        assertThat(REGULAR.ratio().errorOf(a + check.addAMl(), b + check.addBMl()))
                .isCloseTo(0, within(1e-12));
    }

    /** By hand: 20 of A at 2:1 want 10 of B, at 100:44 8.8, at 3:1 6.667, at 1:2 40. */
    @ParameterizedTest
    @CsvSource({
        "2:1, 20, 11, 0.1, 2, 0",
        "2:1, 20, 9, -0.1, 0, 1",
        "100:44, 20, 8.8, 0, 0, 0",
        "100:44, 20, 9.68, 0.1, 2, 0",
        "3:1, 21, 6.3, -0.1, 0, 0.7",
        "1:2, 20, 44, 0.1, 2, 0",
        "1:2, 20, 36, -0.1, 0, 4"
    })
    void anOddRatioIsJudgedByItsOwnParts(String ratio, double a, double b, double error, double addA, double addB) {
        RatioCheck check = RatioCheck.of(REGULAR.at(MixRatio.parse(ratio)), a, b);
        assertThat(check.error()).isCloseTo(error, within(1e-9));
        assertThat(check.addAMl()).isCloseTo(addA, within(1e-9));
        assertThat(check.addBMl()).isCloseTo(addB, within(1e-9));
        assertThat(check.words())
                .isEqualTo(
                        error == 0
                                ? "Right on the ratio."
                                : "10 % too %s hardener; 5 % is allowed.".replace("%s", error > 0 ? "much" : "little"));
    }

    @Test
    void theLabelsOwnToleranceCounts() {
        Label strict = label(OptionalDouble.empty(), OptionalDouble.of(2));
        assertThat(RatioCheck.of(strict, 10, 10.3).verdict()).isEqualTo(RatioCheck.Verdict.DO_NOT_USE);
        assertThatThrownBy(() -> RatioCheck.of(strict, 0, Double.NaN))
                .isInstanceOfSatisfying(InvalidInput.class, invalid -> assertThat(invalid.faults())
                        .hasSize(2));
        assertThatThrownBy(() -> label(OptionalDouble.of(0), OptionalDouble.of(90)))
                .isInstanceOfSatisfying(InvalidInput.class, invalid -> assertThat(invalid.faults())
                        .hasSize(2));
    }
}
