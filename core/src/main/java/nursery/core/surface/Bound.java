package nursery.core.surface;

/**
 * One end of a window, without a moment in it: so long after a work, or an age of a pour.
 *
 * @param work the number of the work it counts from
 * @param since what it counts
 * @param amount minutes or hours, as {@code since} says; 0 where it is never
 */
public record Bound(int work, Since since, double amount, Side side, Cell cell) {

    /** What is counted. */
    public enum Since {
        /** Minutes on the wall's clock since its work ended. */
        ENDED_MIN,
        /** Hours on the cure clock since it was poured. */
        AGE_H,
        /** Minutes on the wall's clock since it was poured. */
        POURED_MIN
    }

    /** Which end of a window it is. */
    public enum Side {
        FROM,
        BEST_UNTIL,
        UNTIL,
        /** Not at all, until something else has been done. */
        NEVER
    }

    static Bound ended(int work, double minutes, Cell cell) {
        return new Bound(work, Since.ENDED_MIN, minutes, Side.FROM, cell);
    }

    static Bound age(int pour, double hours, Cell cell) {
        return new Bound(pour, Since.AGE_H, hours, Side.FROM, cell);
    }

    static Bound until(int pour, double hours, Cell cell) {
        return new Bound(pour, Since.AGE_H, hours, Side.UNTIL, cell);
    }

    static Bound bestUntil(int pour, double hours, Cell cell) {
        return new Bound(pour, Since.AGE_H, hours, Side.BEST_UNTIL, cell);
    }

    static Bound never(int work, Cell cell) {
        return new Bound(work, Since.ENDED_MIN, 0, Side.NEVER, cell);
    }

    /** Whether it is not to be done at all until something else has been. */
    public boolean forbids() {
        return side == Side.NEVER && cell.grave().isAsked();
    }

    /** Where it lies on a timeline. */
    public double on(Timeline time) {
        return switch (since) {
            case ENDED_MIN -> time.ended(work, amount);
            case AGE_H -> time.age(work, amount);
            case POURED_MIN -> time.begun(work, amount);
        };
    }
}
