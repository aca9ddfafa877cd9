package nursery.app.materials;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.Currency;
import java.util.Optional;
import nursery.app.platform.Published;
import nursery.core.worth.Asking;

/**
 * The shop's money.
 *
 * @param hourRate what an hour at the bench is worth
 */
@Published
public record Money(
        Currency currency,
        BigDecimal hourRate,
        BigDecimal marginPercent,
        BigDecimal feePercent,
        BigDecimal feeFixed,
        BigDecimal roundTo) {

    public int digits() {
        return Math.max(0, currency.getDefaultFractionDigits());
    }

    /** An amount with its currency, such as {@code 22.49 EUR}. */
    public String show(BigDecimal amount) {
        return number(amount) + "\u00a0" + currency.getCurrencyCode();
    }

    public String number(BigDecimal amount) {
        return amount.setScale(digits(), RoundingMode.HALF_UP).toPlainString();
    }

    /** A difference: {@code +1.20}, {@code −0.35}. */
    public String signed(BigDecimal amount) {
        BigDecimal rounded = amount.setScale(digits(), RoundingMode.HALF_UP);
        String sign = rounded.signum() > 0 ? "+" : rounded.signum() < 0 ? "−" : "";
        return sign + rounded.abs().toPlainString();
    }

    /** A figure without noughts at its end, as a form shows it. */
    public static String plain(BigDecimal figure) {
        return figure.signum() == 0 ? "0" : figure.stripTrailingZeros().toPlainString();
    }

    /** What so many minutes at the bench are worth. */
    public BigDecimal worthOf(double minutes) {
        return hourRate.multiply(BigDecimal.valueOf(minutes))
                .divide(BigDecimal.valueOf(60), digits(), RoundingMode.HALF_UP);
    }

    public Asking asking() {
        return new Asking(Optional.of(marginPercent), Optional.empty(), feePercent, feeFixed, roundTo, digits());
    }
}
