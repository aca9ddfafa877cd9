package nursery.app.cups;

import java.time.Instant;
import java.util.Optional;
import nursery.app.platform.Published;
import nursery.core.log.LogEntry;
import nursery.core.log.Mark;
import nursery.core.log.Spindle;

/**
 * Something a maker wants written into a cup's log.
 *
 * @param step     the step it does; meaningful for DONE and POURED
 * @param amountMl what went on the cup; meaningful for POURED
 */
@Published
public record Happening(Kind kind, int step, Instant at, double amountMl, Optional<Spindle> spindle, String by, String note) {

    public enum Kind { DONE, POURED, SCUFFED, TAKEN_OFF, NOTED }

    /** The entry it makes. It sorts behind every entry there is until the database gives it its number. */
    LogEntry entry(Instant recordedAt) {
        Mark mark = new Mark(Long.MAX_VALUE, at, recordedAt, by, note);
        return switch (kind) {
            case DONE -> new LogEntry.StepDone(mark, step);
            case POURED -> new LogEntry.Poured(mark, step, amountMl, spindle);
            case SCUFFED -> new LogEntry.Scuffed(mark);
            case TAKEN_OFF -> new LogEntry.TakenOff(mark);
            case NOTED -> new LogEntry.Noted(mark);
        };
    }
}
