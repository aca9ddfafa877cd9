package nursery.core.log;

import java.time.Instant;

/**
 * What every log entry carries.
 *
 * @param id unique within the shop; a later entry has a larger one
 * @param happenedAt when it was done at the bench
 * @param recordedAt when it was written down
 * @param recordedBy who wrote it down
 * @param note anything worth remembering, possibly empty
 */
public record Mark(long id, Instant happenedAt, Instant recordedAt, String recordedBy, String note) {

    /** Sorts behind every entry there is, until the book gives it its number. */
    private static final long NOT_YET = Long.MAX_VALUE;

    /** Whether somebody wrote it; what follows from other cups' logs was never written. */
    public boolean isInTheBook() {
        return id != NOT_YET;
    }

    /** Of an entry that is not in the book yet. */
    public static Mark unnumbered(Instant happenedAt, Instant recordedAt, String recordedBy, String note) {
        return new Mark(NOT_YET, happenedAt, recordedAt, recordedBy, note);
    }
}
