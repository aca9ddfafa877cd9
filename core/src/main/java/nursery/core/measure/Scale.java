package nursery.core.measure;

/**
 * How a unit is written and converted: {@code base = (value - zero) * factor}.
 *
 * @param symbol as printed behind a number
 * @param decimals how many decimals a bench reading in this unit is worth
 * @param factor base units in one of this unit
 * @param zero the reading in this unit at which the base reads 0
 */
public record Scale(String symbol, int decimals, double factor, double zero) {

    static Scale of(String symbol, int decimals, double factor) {
        return new Scale(symbol, decimals, factor, 0);
    }
}
