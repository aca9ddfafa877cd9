package nursery.core.worth;

import java.math.BigDecimal;
import java.math.MathContext;
import java.math.RoundingMode;
import nursery.core.measure.Faults;

/**
 * Something bought at a price and used up bit by bit. What a bit costs is the difference of what all until then and all
 * before it cost, each rounded: so the bits and what is left always add up to the price, and none is off by more than a
 * cent.
 *
 * @param price what was paid, in the shop's currency
 * @param amount how much it was, in its own unit
 * @param digits decimals of the currency: 2 for most, 0 for some (ISO 4217)
 */
public record PaidFor(BigDecimal price, double amount, int digits) {

    /** More than any lot a workshop buys. */
    public static final BigDecimal MOST = BigDecimal.valueOf(100_000);

    public PaidFor {
        Faults faults = new Faults();
        faults.require(
                price.signum() >= 0 && price.compareTo(MOST) <= 0,
                "price",
                "What was paid is %s: enter 0 to %s.".formatted(price.toPlainString(), MOST));
        faults.within("amount", "How much it was", amount, 1e-6, 1e7, "");
        faults.throwIfAny();
    }

    /** What so much of it cost, counted from its beginning; never more than the price, never less than nothing. */
    public BigDecimal upTo(double used) {
        double part = Math.max(0, Math.min(amount, used));
        return price.multiply(BigDecimal.valueOf(part))
                .divide(BigDecimal.valueOf(amount), MathContext.DECIMAL64)
                .setScale(digits, RoundingMode.HALF_UP);
    }

    /**
     * What a bit of it cost.
     *
     * @param before how much had been used up before it
     * @param used how much it is; what is put back is negative, and so is its cost
     */
    public BigDecimal of(double before, double used) {
        return upTo(before + used).subtract(upTo(before));
    }
}
