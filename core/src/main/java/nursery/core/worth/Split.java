package nursery.core.worth;

import java.math.BigDecimal;
import java.math.BigInteger;
import java.math.RoundingMode;
import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.List;
import java.util.stream.IntStream;

/** A sum shared out by weights, to the cent: the shares always add up to it. */
public final class Split {

    private Split() {}

    /** The same for all; the cents left over go to the first. */
    public static List<BigDecimal> evenly(BigDecimal total, int count) {
        return of(total, Collections.nCopies(count, 1.0));
    }

    /**
     * What one of many gets when all get the same, as {@link #evenly} has it.
     *
     * @param place from 0
     */
    public static BigDecimal evenly(BigDecimal total, int count, int place) {
        BigDecimal[] each = total.unscaledValue().compareTo(BigInteger.ZERO) == 0
                ? new BigDecimal[] {BigDecimal.ZERO, BigDecimal.ZERO}
                : new BigDecimal(total.unscaledValue()).divideAndRemainder(BigDecimal.valueOf(count));
        int extra = place < each[1].abs().intValueExact() ? total.signum() : 0;
        return BigDecimal.valueOf(each[0].longValueExact() + extra, total.scale());
    }

    /**
     * By the largest remainder: each gets its share rounded down, and the cents left over go to those that lost most,
     * of two that lost the same to the first.
     *
     * @param total with as many decimals as the currency has
     * @param weights 0 or more each; if all are 0, all count alike
     */
    public static List<BigDecimal> of(BigDecimal total, List<Double> weights) {
        if (weights.isEmpty()) {
            return List.of();
        }
        BigDecimal all = weights.stream().map(BigDecimal::valueOf).reduce(BigDecimal.ZERO, BigDecimal::add);
        if (all.signum() == 0) {
            return of(total, weights.stream().map(weight -> 1.0).toList());
        }
        BigDecimal cents = total.abs().movePointRight(total.scale());
        List<BigDecimal> whole = new ArrayList<>();
        List<BigDecimal> lost = new ArrayList<>();
        for (double weight : weights) {
            BigDecimal[] share = cents.multiply(BigDecimal.valueOf(weight)).divideAndRemainder(all);
            whole.add(share[0].setScale(0, RoundingMode.DOWN));
            lost.add(share[1]);
        }
        int over = cents.subtract(whole.stream().reduce(BigDecimal.ZERO, BigDecimal::add))
                .intValueExact();
        IntStream.range(0, weights.size())
                .boxed()
                .sorted(Comparator.comparing(lost::get, Comparator.reverseOrder()))
                .limit(over)
                .forEach(place -> whole.set(place, whole.get(place).add(BigDecimal.ONE)));
        return whole.stream()
                .map(share -> share.movePointLeft(total.scale()).setScale(total.scale(), RoundingMode.UNNECESSARY))
                .map(share -> total.signum() < 0 ? share.negate() : share)
                .toList();
    }
}
