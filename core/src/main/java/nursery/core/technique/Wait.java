package nursery.core.technique;

import java.time.Duration;
import java.util.Arrays;
import java.util.Locale;
import java.util.Optional;
import nursery.core.measure.Faults;
import nursery.core.measure.Numbers;

/**
 * What a plan waits for of its own between the step before and this one. Practice asks for its own times whatever this
 * says; it only lengthens.
 *
 * @param atLeast on the wall's clock; zero where the cure clock decides
 * @param hours an age on the cure clock, hours at the label's reference temperature; 0 where none is stated
 * @param fastHours the same for a fast resin
 */
public record Wait(Kind kind, Duration atLeast, double hours, double fastHours) {

    /** A resin that gels within this counts as fast (P13). */
    public static final double FAST_TURNING_H = 2;

    private static final Duration LONGEST = Duration.ofDays(30);
    private static final double LONGEST_H = 60 * 24;
    private static final long MINUTES_READ_AS_HOURS = 120;

    /** What is waited for. */
    public enum Kind {
        /** Go on at once. */
        NONE,
        /** Wall-clock time since the end of the step before: paint, glue, ink, sealer, a water-slide overnight. */
        DRY,
        /**
         * Let the film just spread settle, then work while it is still workable: glitter into adhesive, ink into a
         * coat.
         */
        SETTLE,
        /** So long into the newest coat, and before it has gelled: tape is pulled then (P22). */
        INTO_COAT,
        /** Until the newest coat has reached an age on the cure clock. */
        AGE,
        /**
         * While the newest coat may be recoated straight on, or any time once it has been scuffed or sanded; not before
         * an age or so long after the work before, where they are stated.
         */
        STRAIGHT_ON,
        /** Until the newest coat can be sanded. */
        SANDABLE,
        /** Until the newest coat is cured enough to work on. */
        CURED;

        /** The kind with this name in a technique file and in the shop's tables, such as {@code into-coat}. */
        public static Optional<Kind> named(String written) {
            return Arrays.stream(values())
                    .filter(kind -> kind.written().equals(written))
                    .findFirst();
        }

        public String written() {
            return name().toLowerCase(Locale.ROOT).replace('_', '-');
        }

        /** Whether it is so many minutes on the wall's clock. */
        public boolean isMinutes() {
            return switch (this) {
                case DRY, SETTLE, INTO_COAT -> true;
                case NONE, AGE, STRAIGHT_ON, SANDABLE, CURED -> false;
            };
        }
    }

    public Wait {
        if (atLeast.isNegative() || atLeast.compareTo(LONGEST) > 0) {
            throw new IllegalArgumentException("A wait of %s is outside 0 to 30 days.".formatted(atLeast));
        }
        Faults faults = new Faults();
        faults.within("wait", "A wait on the cure clock", hours, 0, LONGEST_H, "h");
        faults.within("wait", "A wait on the cure clock", fastHours, 0, LONGEST_H, "h");
        faults.throwIfAny();
    }

    /** A wait that its kind says all about. */
    public static Wait of(Kind kind) {
        return new Wait(kind, Duration.ZERO, 0, 0);
    }

    /** A wait of so many minutes. */
    public static Wait of(Kind kind, Duration atLeast) {
        return new Wait(kind, atLeast, 0, 0);
    }

    public static Wait none() {
        return of(Kind.NONE);
    }

    public static Wait dry(Duration atLeast) {
        return of(Kind.DRY, atLeast);
    }

    public static Wait age(double hours) {
        return age(hours, hours);
    }

    public static Wait age(double hours, double fastHours) {
        return new Wait(Kind.AGE, Duration.ZERO, hours, fastHours);
    }

    public static Wait straightOn() {
        return of(Kind.STRAIGHT_ON);
    }

    /** For a resin that comes off the turner after so long. */
    public double hoursFor(double turningH) {
        return turningH <= FAST_TURNING_H ? fastHours : hours;
    }

    /** The same on a resin that comes off the turner after so long: of two ages one. */
    public Wait on(double turningH) {
        return kind == Kind.AGE ? age(hoursFor(turningH)) : this;
    }

    /** Whether the coat below may be scuffed instead, once it is too late. */
    public boolean mayScuffInstead() {
        return kind == Kind.STRAIGHT_ON;
    }

    /** Whether the step can only follow while the coat below is still wet, with no other way. */
    public boolean isWhileWet() {
        return kind == Kind.SETTLE || kind == Kind.INTO_COAT;
    }

    /** What it is, for who reads a plan; empty where there is nothing to wait for. */
    public String words() {
        return switch (kind) {
            case NONE -> "";
            case DRY -> "After %s of drying".formatted(span());
            case SETTLE -> "From %s after the pour, while it is workable".formatted(span());
            case INTO_COAT -> "%s into the coat, before it gels".formatted(span());
            case AGE ->
                "%s\u00a0h on the cure clock after the coat before".formatted(Numbers.show(hours, 1))
                        + (fastHours == hours
                                ? ""
                                : ", %s\u00a0h with a fast resin".formatted(Numbers.show(fastHours, 1)));
            case STRAIGHT_ON -> "Straight on, before the coat below must be scuffed";
            case SANDABLE -> "When the coat before is sandable";
            case CURED -> "When the coat before is cured";
        };
    }

    /** How long it takes on the wall's clock: {@code 2 h}, {@code 45 min}. */
    public String span() {
        long minutes = atLeast.toMinutes();
        return minutes >= MINUTES_READ_AS_HOURS && minutes % 60 == 0 ? atLeast.toHours() + " h" : minutes + " min";
    }
}
