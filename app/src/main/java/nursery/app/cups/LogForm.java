package nursery.app.cups;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalLong;
import nursery.app.platform.FormReader;
import nursery.app.platform.Published;
import nursery.app.platform.Show;
import nursery.core.cure.Touch;
import nursery.core.floor.Floor;
import nursery.core.log.Cup;
import nursery.core.log.LogEntry;
import nursery.core.log.LogEntry.Kind;
import nursery.core.log.Mark;
import nursery.core.log.Pot;
import nursery.core.log.Spindle;
import nursery.core.resin.Resin;

/** The form something is logged on: what, when, how much, where it turns, and a note. */
@Published
public final class LogForm {

    static final int LONGEST_NOTE = 10_000;
    /** Why makers usually do what the label or practice speaks against. */
    public static final List<String> USUAL_REASONS =
            List.of("Tried it at a hidden spot", "Done in time, written later", "It could not wait", "On purpose");

    private static final String ALL_THE_SAME = "All the same, because: ";
    private static final int LONGEST_WHY = 200;
    private static final String AT_A_TIME = "at";

    private final FormReader reader;
    private final Show show;
    private final Floor floor;
    private final Cup cup;

    LogForm(Map<String, String> typed, Floor floor, Cup cup) {
        this.reader = new FormReader(typed);
        this.show = Show.of(floor.ways(), floor.now());
        this.floor = floor;
        this.cup = cup;
    }

    /**
     * Why a maker overrules what was questioned, one of the usual reasons or words of their own; empty if nothing is
     * overruled.
     */
    public static Optional<String> overruled(FormReader reader) {
        String usual = reader.raw("because");
        if (USUAL_REASONS.contains(usual) && reader.raw("why").isEmpty()) {
            return Optional.of(usual);
        }
        return reader.isTicked("confirmed") || !reader.raw("why").isEmpty()
                ? Optional.of(reader.line("why", "Why it was done all the same", LONGEST_WHY, true))
                : Optional.empty();
    }

    /** Whether an entry was made against what was questioned, with a reason. */
    static boolean isOverruling(Mark mark) {
        return mark.note().contains(ALL_THE_SAME);
    }

    /** A note that keeps why something was overruled. */
    public static String noteWith(String note, Optional<String> overruled) {
        return overruled.map(why -> (note + "\n" + ALL_THE_SAME + why).strip()).orElse(note);
    }

    boolean isConfirmed() {
        return overruled(reader).isPresent();
    }

    /** @throws nursery.core.measure.InvalidInput with everything wrong on the form */
    LogEntry entry(String by) {
        Kind kind = reader.choice("what", "What happened", Kind.class).orElse(Kind.NOTED);
        Instant at = at();
        String note = reader.text("note", "The note", LONGEST_NOTE);
        reader.faults().require(kind != Kind.NOTED || !note.isEmpty(), "note", "The note is empty: write a few words.");
        Optional<String> overruled = overruled(reader);
        Mark mark = Mark.unnumbered(at, show.now(), by, noteWith(note, overruled));
        LogEntry entry =
                switch (kind) {
                    case DONE -> new LogEntry.StepDone(mark, step());
                    case SKIPPED -> new LogEntry.Skipped(mark, step());
                    case POURED -> poured(mark, step());
                    case TOUCHED ->
                        new LogEntry.Touched(
                                mark,
                                reader.choice("touch", "What was felt", Touch.class)
                                        .orElse(Touch.WET));
                    case CANCELLED, REMEDY_CHOSEN, CAUSE_KNOWN -> elsewhere(mark);
                    case FAULTS_SEEN -> new LogEntry.FaultsSeen(mark, List.of());
                    case HANDED_OVER, ABANDONED, REOPENED, SCUFFED, TAKEN_OFF, NOTED -> new LogEntry.Plain(mark, kind);
                };
        reader.faults().throwIfAny();
        return entry;
    }

    /** An entry is cancelled on a page of its own, with what happened instead; so is a cause confirmed. */
    private LogEntry elsewhere(Mark mark) {
        reader.faults().add("what", "What happened: choose one of those offered.");
        return new LogEntry.Plain(mark, Kind.NOTED);
    }

    private LogEntry poured(Mark mark, int step) {
        double amountMl = reader.quantity("amount", "The amount on the cup", show.volumeUnit());
        Resin planned = cup.find(step).map(cup::resinFor).orElse(cup.resins().base());
        Resin resin = reader.raw("resin").isEmpty()
                ? planned
                : reader.id("resin", "The resin").flatMap(floor.shelf()::resin).orElse(planned);
        return new LogEntry.Poured(mark, step, amountMl, spindle(), Optional.of(Pot.of(resin, OptionalLong.empty())));
    }

    private int step() {
        return reader.id("step", "The step")
                .filter(id -> id >= 0 && id <= Integer.MAX_VALUE)
                .map(Long::intValue)
                .orElse(0);
    }

    private Instant at() {
        String when = reader.raw("when");
        if (when.equals(AT_A_TIME)) {
            return reader.moment("at", "The time", show.zone(), show.now()).orElse(show.now());
        }
        if (!when.matches("\\d{1,3}")) {
            reader.faults().add("at", "Choose when it happened.");
            return show.now();
        }
        return show.now().minus(Duration.ofMinutes(Long.parseLong(when)));
    }

    private Optional<Spindle> spindle() {
        if (reader.raw("spindle").isEmpty()) {
            return Optional.empty();
        }
        Optional<Spindle> chosen = floor.shelf().spindles().stream()
                .filter(spindle -> String.valueOf(spindle.id()).equals(reader.raw("spindle")))
                .findFirst();
        reader.faults()
                .require(chosen.isPresent(), "spindle", "That spindle is not on the shelf any more: choose another.");
        return chosen;
    }
}
