package nursery.core.resin;

/**
 * What of a mix is on no cup.
 *
 * @param mixedMl what was measured
 * @param pouredMl what is on the cups by their logs
 * @param toPourMl what the coats still to be poured from it take
 * @param lossesMl what it leaves on cups, sticks and gloves here
 */
public record Remainder(double mixedMl, double pouredMl, double toPourMl, double lossesMl) {

    /** Sticks and gloves differ; more than so many times what they take is somewhere else. From memory. */
    private static final double TIMES_USUAL = 2;
    /** A mark of an ordinary measuring cup: who reads it is no nearer. */
    private static final double READING_ML = 2.5;

    /** What can be left at most. */
    public double hadMl() {
        return Math.max(0, mixedMl - pouredMl);
    }

    /** What is in the pot and meant for no cup. */
    public double spareMl() {
        return Math.max(0, mixedMl - pouredMl - toPourMl - lossesMl);
    }

    /**
     * Whether more is missing than cups, sticks and gloves take.
     *
     * @param toldMl what was thrown away or put aside
     */
    public boolean isMissing(double toldMl) {
        return hadMl() - toldMl > TIMES_USUAL * lossesMl + READING_ML;
    }
}
