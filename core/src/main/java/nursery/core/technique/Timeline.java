package nursery.core.technique;

import java.time.Duration;
import nursery.core.film.CoatRole;
import nursery.core.resin.LabelTimes;

/**
 * Whatever counts time on a cup. Where something lies is a number, later ones larger: what it counts is the timeline's
 * own business, and so is how a moment between two of its marks is rounded.
 */
public interface Timeline {

    /** Lies behind everything. */
    double NEVER = Double.POSITIVE_INFINITY;

    boolean hasCoat();

    /** The label's ages of the newest coat; only where there is one. */
    LabelTimes coat();

    /** What the newest coat is for; only where there is one. */
    CoatRole role();

    /** Whether the newest coat has been scuffed or sanded. */
    boolean isScuffed();

    /** As soon as the step before is done, or the cup was started. */
    double atOnce();

    /** So long after the end of the work before, or after the cup was started. */
    double afterWork(Duration wait);

    /** So long after the newest coat was poured. */
    double intoCoat(Duration wait);

    /** Where the newest coat has reached an age, hours at its label's reference. */
    double atAge(double hours);

    /**
     * The first place no longer before that age; {@link #NEVER} if the age is reached before something opens, so long
     * after the pour.
     */
    double untilAge(Duration opens, double hours);

    /** The last place not after that age, for work that must have ended by then; {@link #NEVER} as above. */
    double byAge(Duration opens, double hours);
}
