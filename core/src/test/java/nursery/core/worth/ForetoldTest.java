package nursery.core.worth;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import nursery.core.worth.CupCost.Amount;
import nursery.core.worth.CupCost.From;
import nursery.core.worth.CupCost.Item;
import nursery.core.worth.CupCost.Line;
import nursery.core.worth.Foretold.Reason;
import org.junit.jupiter.api.Test;

class ForetoldTest {

    static Item item(From from, String of, String amount, double quantity, String unit) {
        return new Item(from, of, Optional.of(new BigDecimal(amount)), quantity, unit);
    }

    static List<Reason> reasons(Item then, Item now) {
        return Foretold.against(List.of(then), List.of(now), 2)
                .differences()
                .get(0)
                .reasons();
    }

    /**
     * By hand: 80 ml for 3.20 were foretold, 100 ml for 4.40 it was. 20 ml more at 0.04 are 0.80; the other 0.40 are
     * the dearer bottle.
     */
    @Test
    void moreOfItAndADearerBottleAreToldApart() {
        assertThat(reasons(item(From.RESIN, "", "3.20", 80, "ml"), item(From.RESIN, "", "4.40", 100, "ml")))
                .containsExactly(
                        new Reason("20 ml more", new BigDecimal("0.80")),
                        new Reason("dearer than what lay on the shelf then", new BigDecimal("0.40")));
    }

    /** By hand: 60 min at 18 an hour are 18.00, 45 min at 20 an hour 15.00: −4.50 for the time, +1.50 for the rate. */
    @Test
    void quickerHandsAndAnotherRate() {
        assertThat(reasons(item(From.WORK, "", "18.00", 60, "min"), item(From.WORK, "", "15.00", 45, "min")))
                .containsExactly(
                        new Reason("15 min less", new BigDecimal("-4.50")),
                        new Reason("an hour counts more", new BigDecimal("1.50")));
    }

    @Test
    void whatIsAsForetoldHasNoReason() {
        assertThat(reasons(item(From.BLANK, "20 oz", "4.50", 1, ""), item(From.BLANK, "20 oz", "4.50", 1, "")))
                .isEmpty();
    }

    /** Five pairs of gloves at 0.0767 are 0.38; drawn one by one each is 0.08 or 0.07. */
    @Test
    void aCentOrTwoIsRounding() {
        assertThat(reasons(
                        item(From.MATERIAL, "gloves", "0.40", 5, "pieces"),
                        item(From.MATERIAL, "gloves", "0.38", 5, "pieces")))
                .containsExactly(new Reason("by rounding", new BigDecimal("-0.02")));
    }

    @Test
    void whatWasNotNamedOrNotUsedOrHadNoPriceIsSaid() {
        Item gold = item(From.MATERIAL, "gold", "0.90", 6, "g");
        Item none = new Item(From.MATERIAL, "ink", Optional.empty(), 1, "ml");
        Foretold told = Foretold.against(
                List.of(gold, none),
                List.of(item(From.MATERIAL, "brass", "0.40", 3, "g"), item(From.MATERIAL, "ink", "0.25", 1, "ml")),
                2);
        assertThat(told.differences())
                .extracting(one -> one.of() + ": " + one.reasons().get(0).words())
                .containsExactlyInAnyOrder(
                        "gold: not used after all",
                        "ink: no price was kept then",
                        "brass: was not named when work began");
        assertThat(told.then()).isEqualByComparingTo("0.90");
        assertThat(told.now()).isEqualByComparingTo("0.65");
        assertThat(told.more()).isEqualByComparingTo("-0.25");
    }

    /** One thing out of two lots is one thing; if one of them has no price, it has none. */
    @Test
    void lotsOfOneThingAreOneThing() {
        CupCost cost = new CupCost(List.of(
                line("gold", 4, "0.60"), line("gold", 2.5, "0.45"), line("ink", 1, null), line("ink", 1, "0.20")));
        assertThat(cost.items()).hasSize(2);
        assertThat(cost.items().get(0)).isEqualTo(item(From.MATERIAL, "gold", "1.05", 6.5, "g"));
        assertThat(cost.items().get(1).amount()).isEmpty();
        assertThat(cost.quantity(From.MATERIAL)).isEqualTo(8.5);
    }

    private static Line line(String of, double quantity, String amount) {
        Optional<BigDecimal> cost = Optional.ofNullable(amount).map(BigDecimal::new);
        return new Line(From.MATERIAL, new Amount(of, quantity, "g"), of, "", cost, cost);
    }

    /** Ten thousand cups made by chance: reasons add up to differences, and differences to what is more. */
    @Test
    void reasonsAddUpToTheCent() {
        Random random = new Random(27);
        for (int cup = 0; cup < 10_000; cup++) {
            int digits = random.nextInt(4);
            List<Item> then = items(random, digits);
            List<Item> now = items(random, digits);
            Foretold told = Foretold.against(then, now, digits);
            BigDecimal all = BigDecimal.ZERO;
            for (Foretold.Difference one : told.differences()) {
                BigDecimal sum = one.reasons().stream().map(Reason::amount).reduce(BigDecimal.ZERO, BigDecimal::add);
                assertThat(sum).isEqualByComparingTo(one.amount());
                all = all.add(one.amount());
            }
            assertThat(all).isEqualByComparingTo(told.more());
        }
    }

    private static List<Item> items(Random random, int digits) {
        List<Item> items = new ArrayList<>();
        for (From from : From.values()) {
            if (random.nextInt(5) > 0) {
                Optional<BigDecimal> amount = random.nextInt(6) == 0
                        ? Optional.empty()
                        : Optional.of(BigDecimal.valueOf(random.nextInt(5000), digits));
                items.add(new Item(from, "x", amount, random.nextInt(3) == 0 ? 0 : 100 * random.nextDouble(), "ml"));
            }
        }
        return items;
    }
}
