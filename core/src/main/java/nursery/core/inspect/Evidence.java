package nursery.core.inspect;

/**
 * What a fact says of a cause while it lies in a band.
 *
 * @param from the band's lower end, within it
 * @param below its upper end, outside it
 * @param decibans ten times the common logarithm of how much likelier the fact is with the cause than without (Good
 *     1950): 10 is ten times, −10 a tenth
 * @param words why, with figures named in braces
 */
public record Evidence(Fact fact, double from, double below, double decibans, String words) {

    /** No single observation is worth more than this: a thousand to one. */
    public static final double MOST_DECIBANS = 30;

    boolean speaks(Facts facts) {
        return facts.value(fact).stream().anyMatch(value -> value >= from && value < below);
    }
}
