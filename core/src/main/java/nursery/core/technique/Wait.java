package nursery.core.technique;

import java.time.Duration;
import nursery.core.measure.Faults;

/** What must pass between the step before and this one. */
public sealed interface Wait {

    /** A resin that gels within this counts as fast (P13). */
    double FAST_TURNING_H = 2;

    /** Go on at once. */
    record None() implements Wait {}

    /** Wall-clock time since the step before: paint, glue, ink, sealer, a water-slide overnight. */
    record Dry(Duration atLeast) implements Wait {
        public Dry {
            minutes(atLeast);
        }
    }

    /** Let the film just spread settle, then work while it is still workable: glitter into adhesive, ink into a coat. */
    record Settle(Duration atLeast) implements Wait {
        public Settle {
            minutes(atLeast);
        }
    }

    /** So long into the newest coat, and before it has gelled: tape is pulled then (P22). */
    record Into(Duration atLeast) implements Wait {
        public Into {
            minutes(atLeast);
        }
    }

    /**
     * Until the newest coat has reached an age on the cure clock, in hours at its label's reference temperature.
     *
     * @param fastHours the same for a fast resin
     */
    record Age(double hours, double fastHours) implements Wait {
        public Age {
            Faults faults = new Faults();
            faults.within("wait", "A wait on the cure clock", hours, 0, 60 * 24, "h");
            faults.within("wait", "A wait on the cure clock", fastHours, 0, 60 * 24, "h");
            faults.throwIfAny();
        }

        public Age(double hours) {
            this(hours, hours);
        }

        /** For a resin that comes off the turner after so long. */
        public double hoursFor(double turningH) {
            return turningH <= FAST_TURNING_H ? fastHours : hours;
        }
    }

    /** Inside the newest coat's tack window, or any time once it has been scuffed or sanded. */
    record StraightOn() implements Wait {}

    /** Until the newest coat can be sanded. */
    record Sandable() implements Wait {}

    /** Until the newest coat is cured enough to work on. */
    record Cured() implements Wait {}

    private static void minutes(Duration wait) {
        if (wait.isNegative() || wait.compareTo(Duration.ofDays(30)) > 0) {
            throw new IllegalArgumentException("A wait of %s is outside 0 to 30 days.".formatted(wait));
        }
    }
}
