package nursery.core.log;

import java.util.List;
import java.util.Optional;
import java.util.OptionalLong;
import nursery.core.cure.Touch;
import nursery.core.technique.Fields;

/** Something that happened to a cup. Entries are only ever added. */
public sealed interface LogEntry {

    Mark mark();

    /** Which of the family it is, to be switched over without a default. */
    Kind kind();

    /** All there is to happen to a cup. */
    enum Kind {
        DONE,
        POURED,
        SKIPPED,
        FAULTS_SEEN,
        HANDED_OVER,
        ABANDONED,
        REOPENED,
        SCUFFED,
        TOUCHED,
        TAKEN_OFF,
        NOTED,
        REMEDY_CHOSEN,
        CAUSE_KNOWN,
        CANCELLED
    }

    /** What a step of the plan became of. */
    sealed interface OfStep extends LogEntry {
        int step();

        /** How it was done, where that is not how the plan has it. */
        Optional<Fields> how();
    }

    /** A step of the plan was done, other than pouring a coat. */
    record StepDone(Mark mark, int step, Optional<Fields> how) implements OfStep {

        /** As it was planned. */
        public StepDone(Mark mark, int step) {
            this(mark, step, Optional.empty());
        }

        @Override
        public Kind kind() {
            return Kind.DONE;
        }
    }

    /**
     * A coat was poured.
     *
     * @param amountMl what went on this cup, resin and hardener together
     * @param spindle where it turns, empty if it hangs
     * @param pot what it was mixed from; empty where nobody wrote it down, which the cup's own resin stands in for
     */
    record Poured(
            Mark mark, int step, double amountMl, Optional<Spindle> spindle, Optional<Pot> pot, Optional<Fields> how)
            implements OfStep {

        /** As it was planned. */
        public Poured(Mark mark, int step, double amountMl, Optional<Spindle> spindle, Optional<Pot> pot) {
            this(mark, step, amountMl, spindle, pot, Optional.empty());
        }

        public Poured(Mark mark, int step, double amountMl, Optional<Spindle> spindle) {
            this(mark, step, amountMl, spindle, Optional.empty());
        }

        /** The same, from another pot. */
        public Poured from(Pot other) {
            return new Poured(mark, step, amountMl, spindle, Optional.of(other), how);
        }

        @Override
        public Kind kind() {
            return Kind.POURED;
        }

        /** The number of the batch it came from, empty if it was mixed alone. */
        public OptionalLong batch() {
            return pot.map(Pot::batch).orElse(OptionalLong.empty());
        }
    }

    /** A step of the plan is left out; the note says why. */
    record Skipped(Mark mark, int step) implements OfStep {
        @Override
        public Optional<Fields> how() {
            return Optional.empty();
        }

        @Override
        public Kind kind() {
            return Kind.SKIPPED;
        }
    }

    /** A finger, or a paper, on the newest coat. */
    record Touched(Mark mark, Touch touch) implements LogEntry {
        @Override
        public Kind kind() {
            return Kind.TOUCHED;
        }
    }

    /** Faults were seen; older entries say what only in their note. */
    record FaultsSeen(Mark mark, List<Sighting> sightings) implements LogEntry {
        public FaultsSeen {
            sightings = List.copyOf(sightings);
        }

        @Override
        public Kind kind() {
            return Kind.FAULTS_SEEN;
        }
    }

    /**
     * Something is to be done about the faults seen before.
     *
     * @param remedy by its name, or what a shop calls its own
     * @param cause what was held likeliest then, by its key
     */
    record RemedyChosen(Mark mark, String remedy, String cause) implements LogEntry {

        /** The name of the one after which nothing is left on the steel. */
        public static final String STRIP_BACK = "strip-back";

        public boolean strips() {
            return remedy.equals(STRIP_BACK);
        }

        @Override
        public Kind kind() {
            return Kind.REMEDY_CHOSEN;
        }
    }

    /**
     * What was behind the faults seen before is known.
     *
     * @param cause by its key in the model of what goes wrong
     */
    record CauseKnown(Mark mark, String cause) implements LogEntry {
        @Override
        public Kind kind() {
            return Kind.CAUSE_KNOWN;
        }
    }

    /** An earlier entry was wrong and counts no more; what replaces it, if anything, is an entry of its own. */
    record Cancelled(Mark mark, long cancelsId) implements LogEntry {
        @Override
        public Kind kind() {
            return Kind.CANCELLED;
        }
    }

    /**
     * What its kind and its mark say all about: handed over, abandoned or opened again, the newest coat scuffed outside
     * the plan's own sanding, taken off its spindle, a remark.
     */
    record Plain(Mark mark, Kind kind) implements LogEntry {
        public Plain {
            boolean carriesMore =
                    switch (kind) {
                        case DONE, POURED, SKIPPED, TOUCHED, FAULTS_SEEN, REMEDY_CHOSEN, CAUSE_KNOWN, CANCELLED -> true;
                        case HANDED_OVER, ABANDONED, REOPENED, SCUFFED, TAKEN_OFF, NOTED -> false;
                    };
            if (carriesMore) {
                throw new IllegalArgumentException("An entry of kind " + kind + " carries more than its mark.");
            }
        }
    }

    static LogEntry scuffed(Mark mark) {
        return new Plain(mark, Kind.SCUFFED);
    }

    static LogEntry takenOff(Mark mark) {
        return new Plain(mark, Kind.TAKEN_OFF);
    }
}
