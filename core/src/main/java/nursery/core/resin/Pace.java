package nursery.core.resin;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import nursery.core.measure.Faults;

/**
 * How fast a maker works.
 *
 * @param mixingMinutes from the first stir to the first cup: stirring, scraping, the second cup, a rest if that is the
 *     school
 * @param minutesPerCup from one cup to the next
 */
public record Pace(double mixingMinutes, double minutesPerCup) {

    /** Stirring, scraping sides and bottom; from memory. */
    public static final double STIR_MIN = 2;
    /** Into a clean cup, and stirred again (P5); the figure is from memory. */
    public static final double STIR_AGAIN_MIN = 2;
    /** From the first stir to the first cup. */
    public static final double USUAL_MIXING_MIN = STIR_MIN + STIR_AGAIN_MIN;
    /** Common practice (P6). */
    public static final double REST_MIN = 5;
    /** Until the log knows better; from memory. */
    public static final double USUAL_PER_CUP_MIN = 6;

    /** Fewer gaps than this teach nothing. */
    private static final int ENOUGH_GAPS = 3;

    private static final double SHORTEST_MIN = 0.5;
    private static final double LONGEST_MIN = 60;

    /**
     * The pace the log shows: the median time from one pour to the next out of the same batch; the usual one until
     * there are enough. A gap of over an hour was a break, not a cup.
     *
     * @param poursByBatch when the cups of each batch were poured, in order
     */
    public static double learnedMinutesPerCup(Collection<List<Instant>> poursByBatch) {
        List<Double> gaps = new ArrayList<>();
        for (List<Instant> pours : poursByBatch) {
            for (int i = 1; i < pours.size(); i++) {
                double minutes =
                        Duration.between(pours.get(i - 1), pours.get(i)).toSeconds() / 60.0;
                if (minutes >= SHORTEST_MIN && minutes <= LONGEST_MIN) {
                    gaps.add(minutes);
                }
            }
        }
        gaps.sort(null);
        return gaps.size() < ENOUGH_GAPS
                ? USUAL_PER_CUP_MIN
                : (gaps.get((gaps.size() - 1) / 2) + gaps.get(gaps.size() / 2)) / 2;
    }

    /** The usual way to mix. */
    public static Pace of(boolean rested, double minutesPerCup) {
        return new Pace(USUAL_MIXING_MIN + (rested ? REST_MIN : 0), minutesPerCup);
    }

    public Pace {
        Faults faults = new Faults();
        faults.within("mixingMinutes", "The time to mix", mixingMinutes, 0, 60, "min");
        faults.within("minutesPerCup", "The time a cup takes", minutesPerCup, 0.5, 120, "min");
        faults.throwIfAny();
    }
}
