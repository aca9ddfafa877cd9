package nursery.core.resin;

import nursery.core.measure.Faults;

/**
 * How fast a maker works.
 *
 * @param mixingMinutes from the first stir to the first cup: stirring, scraping, the second cup, a rest if that is the school
 * @param minutesPerCup from one cup to the next
 */
public record Pace(double mixingMinutes, double minutesPerCup) {

    /** Stirring twice and scraping; from memory. */
    public static final double USUAL_MIXING_MIN = 4;
    /** Common practice (P6). */
    public static final double REST_MIN = 5;
    /** Until the log knows better; from memory. */
    public static final double USUAL_PER_CUP_MIN = 6;

    public Pace {
        Faults faults = new Faults();
        faults.within("mixingMinutes", "The time to mix", mixingMinutes, 0, 60, "min");
        faults.within("minutesPerCup", "The time a cup takes", minutesPerCup, 0.5, 120, "min");
        faults.throwIfAny();
    }
}
