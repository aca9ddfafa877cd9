package nursery.core.log;

import java.util.Optional;
import java.util.OptionalLong;
import nursery.core.cure.Touch;

/** Something that happened to a cup. Entries are only ever added. */
public sealed interface LogEntry {

    Mark mark();

    /** A step of the plan was done, other than pouring a coat. */
    record StepDone(Mark mark, int step) implements LogEntry {}

    /**
     * A coat was poured.
     *
     * @param amountMl what went on this cup, resin and hardener together
     * @param spindle  where it turns, empty if it hangs
     * @param batch    the number of the batch it came from, empty if it was mixed alone
     */
    record Poured(Mark mark, int step, double amountMl, Optional<Spindle> spindle, OptionalLong batch) implements LogEntry {

        public Poured(Mark mark, int step, double amountMl, Optional<Spindle> spindle) {
            this(mark, step, amountMl, spindle, OptionalLong.empty());
        }
    }

    /** A step of the plan is left out; the note says why. */
    record Skipped(Mark mark, int step) implements LogEntry {}

    /** Looking the cup over found what a polish or a last coat must not meet; the note says what. */
    record FaultsSeen(Mark mark) implements LogEntry {}

    /** The finished cup went to its owner. */
    record HandedOver(Mark mark) implements LogEntry {}

    /** The newest coat was scuffed so that the next one grips, outside the plan's own sanding. */
    record Scuffed(Mark mark) implements LogEntry {}

    /** A finger, or a paper, on the newest coat. */
    record Touched(Mark mark, Touch touch) implements LogEntry {}

    /** The cup came off its spindle. */
    record TakenOff(Mark mark) implements LogEntry {}

    /** A remark. */
    record Noted(Mark mark) implements LogEntry {}

    /** An earlier entry was wrong and counts no more; what replaces it, if anything, is an entry of its own. */
    record Cancelled(Mark mark, long cancelsId) implements LogEntry {}
}
