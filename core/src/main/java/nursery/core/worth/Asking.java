package nursery.core.worth;

import java.math.BigDecimal;
import java.math.MathContext;
import java.math.RoundingMode;
import java.util.Optional;
import nursery.core.measure.Faults;

/**
 * How a price is made from a cost. A margin is part of what is left after the fees, a mark-up is on top of the cost: 45
 * % margin is 82 % mark-up.
 *
 * @param marginPercent part of the target that is earned, 0 to 95
 * @param markupPercent on top of the cost, 0 to 1000; one of the two
 * @param feePercent what a channel takes of the price, 0 to 90
 * @param feeFixed what it takes of each piece beside
 * @param roundTo the price is rounded up to a multiple of it, if it is more than 0, so that the margin holds
 * @param digits decimals of the currency
 */
public record Asking(
        Optional<BigDecimal> marginPercent,
        Optional<BigDecimal> markupPercent,
        BigDecimal feePercent,
        BigDecimal feeFixed,
        BigDecimal roundTo,
        int digits) {

    private static final BigDecimal HUNDRED = BigDecimal.valueOf(100);

    /**
     * @param target what the shop wants to keep of it: the cost and what is earned
     * @param price what is asked, so that the target is left after the fees
     */
    public record Asked(BigDecimal target, BigDecimal price) {}

    public Asking {
        Faults faults = new Faults();
        faults.require(
                marginPercent.isEmpty() || markupPercent.isEmpty(),
                "markupPercent",
                "Margin and mark-up are two ways of saying one thing: give one of them.");
        marginPercent.ifPresent(
                margin -> faults.within("marginPercent", "The margin", margin.doubleValue(), 0, 95, "%"));
        markupPercent.ifPresent(
                markup -> faults.within("markupPercent", "The mark-up", markup.doubleValue(), 0, 1000, "%"));
        faults.within("feePercent", "The channel's part of the price", feePercent.doubleValue(), 0, 90, "%");
        faults.within("feeFixed", "The channel's fixed fee", feeFixed.doubleValue(), 0, 10_000, "");
        faults.within("roundTo", "What the price is rounded to", roundTo.doubleValue(), 0, 1000, "");
        faults.throwIfAny();
    }

    /**
     * price = (target + fixed fee)/(1 − fee), target = cost/(1 − margin) or cost·(1 + mark-up); rounded half up to
     * cents at the end only.
     *
     * @param cost 0 to 100,000
     */
    public Asked of(BigDecimal cost) {
        Faults faults = new Faults();
        faults.within("cost", "The cost", cost.doubleValue(), 0, PaidFor.MOST.doubleValue(), "");
        faults.throwIfAny();
        BigDecimal target = marginPercent
                .map(margin -> cost.multiply(HUNDRED).divide(HUNDRED.subtract(margin), MathContext.DECIMAL128))
                .orElseGet(() -> cost.multiply(HUNDRED.add(markupPercent.orElse(BigDecimal.ZERO)))
                        .divide(HUNDRED, MathContext.DECIMAL128));
        BigDecimal price = target.add(feeFixed)
                .multiply(HUNDRED)
                .divide(HUNDRED.subtract(feePercent), MathContext.DECIMAL128)
                .setScale(digits, RoundingMode.HALF_UP);
        if (roundTo.signum() > 0) {
            price = price.divide(roundTo, 0, RoundingMode.CEILING)
                    .multiply(roundTo)
                    .setScale(digits, RoundingMode.HALF_UP);
        }
        return new Asked(target.setScale(digits, RoundingMode.HALF_UP), price);
    }

    /** What a cup earns: of its price after fees what is left when all but the work is paid. */
    public BigDecimal earned(CupCost cost) {
        return left(of(cost.foretold()).price()).subtract(cost.foretold()).add(cost.foretold(CupCost.From.WORK));
    }

    /** What is left of a price after the fees. */
    public BigDecimal left(BigDecimal price) {
        return price.multiply(HUNDRED.subtract(feePercent))
                .divide(HUNDRED, MathContext.DECIMAL128)
                .subtract(feeFixed)
                .setScale(digits, RoundingMode.HALF_UP);
    }
}
