package nursery.app.cups;

import java.time.Instant;
import java.util.Optional;
import java.util.OptionalLong;
import nursery.app.platform.Published;
import nursery.core.cure.Touch;
import nursery.core.log.LogEntry;
import nursery.core.log.Mark;
import nursery.core.log.Spindle;

/**
 * Something a maker wants written into a cup's log.
 *
 * @param step     the step it does; meaningful for DONE, POURED and SKIPPED
 * @param amountMl what went on the cup; meaningful for POURED
 * @param batch    the batch it came from, if any
 * @param touch    what was felt; there for TOUCHED
 */
@Published
public record Happening(Kind kind, int step, Instant at, double amountMl, Optional<Spindle> spindle, String by, String note, OptionalLong batch, Optional<Touch> touch) {

    /** Something that did not come out of a batch. */
    public Happening(Kind kind, int step, Instant at, double amountMl, Optional<Spindle> spindle, String by, String note) {
        this(kind, step, at, amountMl, spindle, by, note, OptionalLong.empty(), Optional.empty());
    }

    /** A coat out of a batch. */
    public static Happening pouredFrom(long batch, int step, Instant at, double amountMl, Optional<Spindle> spindle, String by, String note) {
        return new Happening(Kind.POURED, step, at, amountMl, spindle, by, note, OptionalLong.of(batch), Optional.empty());
    }

    /** A finger on the newest coat. */
    public static Happening touched(Touch touch, Instant at, String by, String note) {
        return new Happening(Kind.TOUCHED, 0, at, 0, Optional.empty(), by, note, OptionalLong.empty(), Optional.of(touch));
    }

    public enum Kind { DONE, POURED, SKIPPED, FAULTS_SEEN, HANDED_OVER, SCUFFED, TOUCHED, TAKEN_OFF, NOTED }

    /** The entry it makes. It sorts behind every entry there is until the database gives it its number. */
    LogEntry entry(Instant recordedAt) {
        Mark mark = new Mark(Long.MAX_VALUE, at, recordedAt, by, note);
        return switch (kind) {
            case DONE -> new LogEntry.StepDone(mark, step);
            case POURED -> new LogEntry.Poured(mark, step, amountMl, spindle, batch);
            case SKIPPED -> new LogEntry.Skipped(mark, step);
            case FAULTS_SEEN -> new LogEntry.FaultsSeen(mark);
            case HANDED_OVER -> new LogEntry.HandedOver(mark);
            case SCUFFED -> new LogEntry.Scuffed(mark);
            case TOUCHED -> new LogEntry.Touched(mark, touch.orElseThrow());
            case TAKEN_OFF -> new LogEntry.TakenOff(mark);
            case NOTED -> new LogEntry.Noted(mark);
        };
    }
}
