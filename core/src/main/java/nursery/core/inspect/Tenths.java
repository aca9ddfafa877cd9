package nursery.core.inspect;

/**
 * How likely something is, as it is said: so many times in ten. Causes act together, so their shares are no parts of a
 * whole, and per cent would be added up.
 *
 * @param percent for a bar
 */
public record Tenths(String words, long percent) {

    private static final double SURE = 0.95;
    private static final double SELDOM = 0.1;

    static String counted(double share) {
        return "%d in 10".formatted(Math.round(share * 10));
    }

    public static Tenths of(double share) {
        String words = share >= SURE
                ? "almost sure"
                : share < SELDOM ? "1 in %d".formatted(Math.round(1 / share)) : counted(share);
        return new Tenths(words, Math.round(share * 100));
    }
}
