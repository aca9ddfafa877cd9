package nursery.app.cups;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import nursery.app.cups.Happening.Kind;
import nursery.app.platform.FormReader;
import nursery.app.platform.Published;
import nursery.app.platform.Show;
import nursery.core.cure.Touch;
import nursery.core.log.Spindle;
import nursery.core.measure.InvalidInput;

/** The form something is logged on: what, when, how much, where it turns, and a note. */
@Published
public final class LogForm {

    static final int LONGEST_NOTE = 10_000;
    private static final int LONGEST_WHY = 200;
    private static final String AT_A_TIME = "at";

    private final FormReader reader;
    private final Show show;
    private final List<Spindle> spindles;

    LogForm(Map<String, String> typed, Show show, List<Spindle> spindles) {
        this.reader = new FormReader(typed);
        this.show = show;
        this.spindles = spindles;
    }

    /** The word of why with which a maker overrules what was questioned; empty if nothing is overruled. */
    public static Optional<String> overruled(FormReader reader) {
        return reader.isTicked("confirmed") ? Optional.of(reader.line("why", "Why it was done all the same", LONGEST_WHY, true)) : Optional.empty();
    }

    /** A note that keeps why something was overruled. */
    public static String noteWith(String note, Optional<String> overruled) {
        return overruled.map(why -> (note + "\nAll the same, because: " + why).strip()).orElse(note);
    }

    boolean isConfirmed() {
        return reader.isTicked("confirmed");
    }

    /** @throws InvalidInput with everything wrong on the form */
    Happening happening(String by) {
        Kind kind = reader.choice("what", "What happened", Kind.class).orElse(Kind.NOTED);
        Instant at = at();
        boolean pour = kind == Kind.POURED;
        double amountMl = pour ? reader.quantity("amount", "The amount on the cup", show.volumeUnit()) : 0;
        Optional<Spindle> spindle = pour ? spindle() : Optional.empty();
        int step = kind == Kind.DONE || kind == Kind.SKIPPED || pour ? reader.id("step", "The step").map(Math::toIntExact).orElse(0) : 0;
        String note = reader.text("note", "The note", LONGEST_NOTE);
        reader.faults().require(kind != Kind.NOTED || !note.isEmpty(), "note", "The note is empty: write a few words.");
        Optional<String> overruled = overruled(reader);
        reader.faults().throwIfAny();
        if (kind == Kind.TOUCHED) {
            Touch touch = reader.choice("touch", "What was felt", Touch.class).orElse(Touch.WET);
            reader.faults().throwIfAny();
            return Happening.touched(touch, at, by, note);
        }
        return new Happening(kind, step, at, amountMl, spindle, by, noteWith(note, overruled));
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
        Optional<Spindle> chosen = spindles.stream().filter(spindle -> String.valueOf(spindle.id()).equals(reader.raw("spindle"))).findFirst();
        reader.faults().require(chosen.isPresent(), "spindle", "That spindle is not on the shelf any more: choose another.");
        return chosen;
    }
}
