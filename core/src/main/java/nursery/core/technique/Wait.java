package nursery.core.technique;

import java.time.Duration;
import nursery.core.measure.Faults;

/** What must pass between the step before and this one. */
public sealed interface Wait {

    /** Go on at once. */
    record None() implements Wait {}

    /** Wall-clock time since the step before: paint, sealer. */
    record Dry(Duration atLeast) implements Wait {
        public Dry {
            minutes(atLeast);
        }
    }

    /** Let the film just spread settle, then work while it is still workable: glitter into adhesive. */
    record Settle(Duration atLeast) implements Wait {
        public Settle {
            minutes(atLeast);
        }
    }

    /** Until the newest coat has reached an age on the cure clock, in hours at its label's reference temperature. */
    record Age(double hours) implements Wait {
        public Age {
            Faults faults = new Faults();
            faults.within("wait", "A wait on the cure clock", hours, 0, 60 * 24, "h");
            faults.throwIfAny();
        }
    }

    /** Inside the newest coat's tack window, or any time once it has been scuffed or sanded. */
    record StraightOn() implements Wait {}

    /** Until the newest coat can be sanded. */
    record Sandable() implements Wait {}

    private static void minutes(Duration wait) {
        if (wait.isNegative() || wait.compareTo(Duration.ofDays(30)) > 0) {
            throw new IllegalArgumentException("A wait of %s is outside 0 to 30 days.".formatted(wait));
        }
    }
}
