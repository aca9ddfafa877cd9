package nursery.core.worth;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import nursery.core.measure.InvalidInput;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class WorthTest {

    private static final CupCost.Amount NOTHING = new CupCost.Amount("", 0, "");

    private static BigDecimal euro(String amount) {
        return new BigDecimal(amount);
    }

    private static Asking asking(String margin, String fee, String fixed, String round) {
        return new Asking(Optional.of(euro(margin)), Optional.empty(), euro(fee), euro(fixed), euro(round), 2);
    }

    /** Check values of science.md, "Cost"; and the first one's own half: rounding the target first gives 22.49 too. */
    @Test
    void aMarginIsPartOfThePriceAndFeesComeOnTop() {
        Asking.Asked asked = asking("45", "6.5", "0.30", "0").of(euro("11.40"));
        assertThat(asked.target()).isEqualByComparingTo("20.73");
        assertThat(asked.price()).isEqualByComparingTo("22.49");
    }

    /** By hand: 10/(1 − 0.5) = 20; 10·1.5 = 15; (20 + 1)/(1 − 0.16) = 25; 25 up to a multiple of 0.90 is 25.20. */
    @ParameterizedTest
    @CsvSource({"50,,0,0,0,20.00", ",50,0,0,0,15.00", "50,,16,1,0,25.00", "50,,16,1,0.90,25.20", ",,0,0,0,10.00"})
    void pricesWorkedByHand(String margin, String markup, String fee, String fixed, String round, String price) {
        Asking asking = new Asking(
                Optional.ofNullable(margin).map(WorthTest::euro),
                Optional.ofNullable(markup).map(WorthTest::euro),
                euro(fee),
                euro(fixed),
                euro(round),
                2);
        assertThat(asking.of(euro("10")).price()).isEqualByComparingTo(price);
    }

    /** A price is rounded up, never to the nearest: 20.10 to halves is 20.50, and what is even stays. */
    @ParameterizedTest
    @CsvSource({"20.10, 0.50, 20.50", "20.00, 0.50, 20.00", "20.01, 5, 25.00", "20.60, 1, 21.00"})
    void aPriceIsRoundedUp(String cost, String round, String price) {
        assertThat(asking("0", "0", "0", round).of(euro(cost)).price()).isEqualByComparingTo(price);
    }

    /** Rounding the target to cents before the fee would ask 1.12 here: (0.335… → 0.34 + 0.33)/0.6. */
    @Test
    void roundingComesLast() {
        Asking asking = asking("70", "40", "0.33", "0");
        assertThat(asking.of(euro("0.1005")).price()).isEqualByComparingTo("1.11");
    }

    @ParameterizedTest
    @CsvSource({"-1,0,0,cost", "10,-1,0,marginPercent", "10,96,0,marginPercent", "10,45,91,feePercent"})
    void whatCannotBeIsNamed(String cost, String margin, String fee, String field) {
        assertThatThrownBy(() -> asking(margin, fee, "0", "0").of(euro(cost)))
                .isInstanceOfSatisfying(InvalidInput.class, refused -> assertThat(refused.faults())
                        .extracting("field")
                        .containsExactly(field));
    }

    /**
     * By hand: 1000 ml of resin for 40.00 and 1000 ml of hardener for 38.00. A batch of 30 + 30 ml, of which 4 ml were
     * lost in the pot, goes on two cups as 42 and 14 ml: 1.20 + 1.14 = 2.34, shared 3 to 1: 1.755 and 0.585. Of two
     * half cents the first gets its own: the resin's 1.20 is 0.90 and 0.30, the hardener's 1.14 is 0.86 (0.855) and
     * 0.28.
     */
    @Test
    void aSharedBatchBearsItsLosses() {
        BigDecimal resin = new PaidFor(euro("40.00"), 1000, 2).of(0, 30);
        BigDecimal hardener = new PaidFor(euro("38.00"), 1000, 2).of(0, 30);
        assertThat(resin).isEqualByComparingTo("1.20");
        assertThat(hardener).isEqualByComparingTo("1.14");
        assertThat(Split.of(resin, List.of(42.0, 14.0))).containsExactly(euro("0.90"), euro("0.30"));
        assertThat(Split.of(hardener, List.of(42.0, 14.0))).containsExactly(euro("0.86"), euro("0.28"));
    }

    /** By hand: 10 g left of a lot at 9.99 for 30 g, then 5 g of one at 12.00 for 30 g: 3.33 + 2.00. */
    @Test
    void oneStepOutOfTwoLots() {
        BigDecimal first = new PaidFor(euro("9.99"), 30, 2).of(20, 10);
        BigDecimal second = new PaidFor(euro("12.00"), 30, 2).of(0, 5);
        assertThat(first.add(second)).isEqualByComparingTo("5.33");
    }

    /** By hand: 10.00 over three is 3.34, 3.33, 3.33. */
    @Test
    void aLossIsSpreadToTheCent() {
        assertThat(Split.evenly(euro("10.00"), 3)).containsExactly(euro("3.34"), euro("3.33"), euro("3.33"));
        assertThat(Split.evenly(euro("0.00"), 2)).containsExactly(euro("0.00"), euro("0.00"));
        assertThat(Split.evenly(euro("1.00"), 0)).isEmpty();
    }

    /** One share asked for by its place is the one that stands there when all are worked out. */
    @Test
    void aShareByItsPlaceIsThatOfTheWholeList() {
        Random random = new Random(18);
        for (int i = 0; i < 2000; i++) {
            BigDecimal total = BigDecimal.valueOf(random.nextInt(200_000) - 20_000, random.nextInt(4));
            int count = 1 + random.nextInt(60);
            List<BigDecimal> all = Split.evenly(total, count);
            for (int place = 0; place < count; place++) {
                assertThat(Split.evenly(total, count, place)).isEqualByComparingTo(all.get(place));
            }
        }
    }

    /**
     * By hand: cost 10.00 of which 4.00 is work, 50 % margin, no fees: asked 20.00, so 10.00 and the work are earned.
     */
    @Test
    void whatACupEarnsIsWhatIsLeftAndItsWork() {
        CupCost cost = new CupCost(List.of(
                new CupCost.Line(CupCost.From.BLANK, NOTHING, "", "", Optional.empty(), Optional.of(euro("6.00"))),
                new CupCost.Line(CupCost.From.WORK, NOTHING, "", "", Optional.empty(), Optional.of(euro("4.00")))));
        assertThat(asking("50", "0", "0", "0").earned(cost)).isEqualByComparingTo("14.00");
    }

    @Test
    void whatIsPutBackCostsWhatItHadCost() {
        PaidFor lot = new PaidFor(euro("10.00"), 3, 2);
        assertThat(lot.of(1, 1).add(lot.of(2, -1))).isEqualByComparingTo("0");
    }

    /** Ten thousand shops made by chance: what cups bear, what nobody bears and what is left are what was paid. */
    @Test
    void nothingIsLostByRoundingInTenThousandShops() {
        Random random = new Random(16);
        for (int shop = 0; shop < 10_000; shop++) {
            int digits = random.nextInt(3);
            double amount = 1 + random.nextInt(1000) + random.nextDouble();
            BigDecimal price = BigDecimal.valueOf(random.nextInt(100_000), digits);
            PaidFor lot = new PaidFor(price, amount, digits);
            BigDecimal borne = BigDecimal.ZERO;
            double used = 0;
            for (int batch = 0; batch < 8; batch++) {
                double drawn = random.nextDouble() * (amount - used);
                BigDecimal cost = lot.of(used, drawn);
                used += drawn;
                List<Double> shares = new ArrayList<>();
                for (int cup = 0; cup <= random.nextInt(5); cup++) {
                    shares.add(random.nextInt(4) == 0 ? 0.0 : 60 * random.nextDouble());
                }
                List<BigDecimal> split = Split.of(cost, shares);
                assertThat(split.stream().reduce(BigDecimal.ZERO, BigDecimal::add))
                        .isEqualByComparingTo(cost);
                assertThat(split).allMatch(share -> share.signum() >= 0);
                borne = borne.add(cost);
            }
            assertThat(borne.add(lot.of(used, amount - used))).isEqualByComparingTo(price);
        }
    }

    @Test
    void aLotHasAPriceAndSomethingInIt() {
        assertThatThrownBy(() -> new PaidFor(euro("-0.01"), 1, 2)).isInstanceOf(InvalidInput.class);
        assertThatThrownBy(() -> new PaidFor(euro("1"), 0, 2)).isInstanceOf(InvalidInput.class);
        assertThatThrownBy(() -> new PaidFor(euro("1"), Double.NaN, 2)).isInstanceOf(InvalidInput.class);
    }
}
