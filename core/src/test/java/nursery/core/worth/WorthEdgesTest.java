package nursery.core.worth;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import java.util.List;
import java.util.Optional;
import nursery.core.worth.CupCost.Amount;
import nursery.core.worth.CupCost.From;
import nursery.core.worth.CupCost.Item;
import nursery.core.worth.CupCost.Line;
import nursery.core.worth.Foretold.Difference;
import nursery.core.worth.Foretold.Reason;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** A cup's cost line by line, and where a reason ends and the next begins. */
class WorthEdgesTest {

    private static Optional<BigDecimal> euro(String amount) {
        return amount.isEmpty() ? Optional.empty() : Optional.of(new BigDecimal(amount));
    }

    private static Line line(From from, String of, double much, String soFar, String foretold) {
        return new Line(from, new Amount(of, much, "g"), of, "", euro(soFar), euro(foretold));
    }

    /** By hand: 4.50 + 1.20 so far, 4.50 + 2.00 in the end; the ink has no price. */
    @Test
    void aCostIsTheSumOfItsLines() {
        CupCost cost = new CupCost(List.of(
                line(From.BLANK, "20 oz", 1, "4.50", "4.50"),
                line(From.MATERIAL, "gold", 3, "1.20", "2.00"),
                line(From.MATERIAL, "ink", 2, "", ""),
                line(From.MATERIAL, "glue", 5, "", "0.10")));
        assertThat(cost.soFar()).isEqualByComparingTo("5.70");
        assertThat(cost.foretold()).isEqualByComparingTo("6.60");
        assertThat(cost.unpriced()).extracting(Line::what).containsExactly("ink");
        assertThat(cost.quantity(From.MATERIAL)).isEqualTo(10);
        assertThat(cost.quantity(From.RESIN)).isZero();
        assertThat(From.SPOILED.word()).isEqualTo("Spoiled cups, shared");
    }

    private static Item item(From from, String of, String amount, double quantity) {
        return ForetoldTest.item(from, of, amount, quantity, from == From.WORK ? "min" : "g");
    }

    /** Told in the order a cup is made of it, whatever came first. */
    @Test
    void differencesAreToldInOneOrder() {
        Foretold told = Foretold.against(
                List.of(item(From.WORK, "", "9", 30), item(From.MATERIAL, "gold", "1", 3)),
                List.of(item(From.RESIN, "", "2", 40), item(From.BLANK, "20 oz", "4.50", 1)),
                2);
        assertThat(told.differences())
                .extracting(Difference::from)
                .containsExactly(From.BLANK, From.RESIN, From.MATERIAL, From.WORK);
    }

    /** Up to three of the smallest coin are rounding; a fourth is a price. */
    @ParameterizedTest
    @CsvSource({
        "0.43, by rounding", "0.37, by rounding",
        "0.44, dearer than what lay on the shelf then", "0.36, cheaper than what lay on the shelf then"
    })
    void threeCentsAreRounding(String now, String words) {
        assertThat(ForetoldTest.reasons(item(From.MATERIAL, "glue", "0.40", 5), item(From.MATERIAL, "glue", now, 5)))
                .extracting(Reason::words)
                .containsExactly(words);
    }

    /** By hand: a half of it less at 0.10 a gram; two hours where one was thought. */
    @Test
    void amountsAreToldAsTheyAreMeasured() {
        assertThat(ForetoldTest.reasons(
                        item(From.MATERIAL, "gold", "0.60", 6), item(From.MATERIAL, "gold", "0.35", 3.5)))
                .containsExactly(new Reason("2.5 g less", new BigDecimal("-0.25")));
        assertThat(ForetoldTest.reasons(item(From.WORK, "", "18.00", 60), item(From.WORK, "", "36.00", 120)))
                .containsExactly(new Reason("60 min more", new BigDecimal("18.00")));
        assertThat(ForetoldTest.reasons(item(From.MATERIAL, "gold", "0.60", 0), item(From.MATERIAL, "gold", "0.90", 3)))
                .as("none was thought of: it can only be the price")
                .extracting(Reason::words)
                .containsExactly("dearer than what lay on the shelf then");
    }

    @Test
    void whatCheaperAndFewerAre() {
        assertThat(ForetoldTest.reasons(item(From.WORK, "", "20.00", 60), item(From.WORK, "", "18.00", 60)))
                .containsExactly(new Reason("an hour counts less", new BigDecimal("-2.00")));
        assertThat(ForetoldTest.reasons(item(From.SPOILED, "", "2.00", 1), item(From.SPOILED, "", "1.00", 1)))
                .extracting(Reason::words)
                .containsExactly("more cups share it");
        assertThat(ForetoldTest.reasons(item(From.SPOILED, "", "1.00", 1), item(From.SPOILED, "", "2.00", 1)))
                .extracting(Reason::words)
                .containsExactly("more cups were given up");
    }

    /** By hand: −1.00 in three parts is −0.34, −0.33, −0.33, and nothing in none. */
    @Test
    void aLossIsSplitToo() {
        assertThat(Split.of(new BigDecimal("-1.00"), List.of(1.0, 1.0, 1.0)))
                .containsExactly(new BigDecimal("-0.34"), new BigDecimal("-0.33"), new BigDecimal("-0.33"));
        assertThat(Split.of(new BigDecimal("0.00"), List.of(1.0, 2.0)))
                .containsExactly(new BigDecimal("0.00"), new BigDecimal("0.00"));
        assertThat(Split.of(BigDecimal.ONE, List.of())).isEmpty();
    }
}
