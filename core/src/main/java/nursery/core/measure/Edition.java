package nursery.core.measure;

import java.time.Instant;

/**
 * One edition of something measured or copied down: a label, a blank.
 *
 * @param number counts the editions of one thing from 1
 * @param product which product it describes: corrections keep it, a changed product gets the next
 * @param madeAt from when it is known here
 */
public record Edition<T>(int number, int product, T value, Instant madeAt, String madeBy, Why why) {

    /** Why there is another edition. */
    public enum Why {
        FIRST,
        /** The one before was copied or measured wrong: it never was as it said. */
        CORRECTED,
        /** What is bought from now on is another. */
        CHANGED,
        /** What was learned here has been taken over, or put away again. */
        LEARNED
    }
}
