package nursery.app.cups;

import java.time.Instant;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalLong;
import java.util.stream.Stream;
import nursery.app.floor.SpindleField;
import nursery.app.platform.FormReader;
import nursery.app.platform.Published;
import nursery.app.platform.Show;
import nursery.app.techniques.EditForm;
import nursery.app.techniques.EditReading;
import nursery.core.cure.Touch;
import nursery.core.floor.Floor;
import nursery.core.log.Cup;
import nursery.core.log.LogEntry;
import nursery.core.log.LogEntry.Kind;
import nursery.core.log.Mark;
import nursery.core.log.Pot;
import nursery.core.measure.LengthUnit;
import nursery.core.measure.MassUnit;
import nursery.core.measure.Unit;
import nursery.core.resin.Densities;
import nursery.core.resin.Mix;
import nursery.core.resin.Resin;
import nursery.core.technique.Field;
import nursery.core.technique.Fields;
import nursery.core.technique.PlanStep;

/** The form something is logged on: what, when, how much, where it turns, and a note. */
@Published
public final class LogForm {

    static final int LONGEST_NOTE = 10_000;
    /** Why makers usually do what the label or practice speaks against. */
    public static final List<String> USUAL_REASONS =
            List.of("Tried it at a hidden spot", "Done in time, written later", "It could not wait", "On purpose");

    private static final int LONGEST_WHY = 200;
    /** What the names of the inputs begin with that say how a step was done. */
    static final String HOW = "how";

    private static final String BAND = HOW + "." + EditForm.BAND;

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
     *
     * @param of names the question, empty for whatever was asked
     * @throws nursery.core.measure.InvalidInput if it is confirmed without a word
     */
    static Optional<String> reason(FormReader reader, String of) {
        String usual = reader.raw("because" + of);
        String own = "why" + of;
        if (USUAL_REASONS.contains(usual) && reader.raw(own).isEmpty()) {
            return Optional.of(usual);
        }
        if (of.isEmpty()
                ? !reader.isTicked("confirmed") && reader.raw(own).isEmpty()
                : reader.raw(own).isEmpty()) {
            return Optional.empty();
        }
        String said = reader.line(own, "Why it was done all the same", LONGEST_WHY, true);
        reader.faults().throwIfAny();
        return Optional.of(said);
    }

    /** Why it is done all the same, as the form answers what was asked. */
    Reasons reasons() {
        return Reasons.on(reader);
    }

    /**
     * What was measured for a coat, if that is said: volumes, or weights turned into volumes.
     *
     * @throws nursery.core.measure.InvalidInput if one part is missing, or neither can be
     */
    private Optional<Mix> measured(Resin resin) {
        if (reader.raw("partA").isEmpty() && reader.raw("partB").isEmpty()) {
            return Optional.empty();
        }
        Unit unit = isByScale() ? MassUnit.G : show.volumeUnit();
        double a = reader.quantity("partA", "A", unit);
        double b = reader.quantity("partB", "B", unit);
        reader.faults().within("partA", "A", a, 0.01, Mix.MAX_TOTAL_ML, isByScale() ? "g" : "ml");
        reader.faults().within("partB", "B", b, 0.01, Mix.MAX_TOTAL_ML, isByScale() ? "g" : "ml");
        if (!reader.faults().none()) {
            return Optional.empty();
        }
        return Optional.of(
                isByScale() ? resin.label().densities().orElse(Densities.USUAL).volumes(a, b) : new Mix(a, b));
    }

    private boolean isByScale() {
        return reader.raw("by").equals("scale");
    }

    /**
     * The entry, with the mix it was measured from kept beside it. To be called within the transaction that logs it.
     *
     * @throws nursery.core.measure.InvalidInput with everything wrong on the form
     */
    LogEntry entry(String by, Pots pots) {
        LogEntry entry = entry(by);
        if (!(entry instanceof LogEntry.Poured pour)) {
            return entry;
        }
        Optional<Mix> pair = measured(pour.pot().orElseThrow().resin());
        reader.faults()
                .require(
                        pair.filter(mix -> mix.totalMl() + 1e-9 < pour.amountMl())
                                .isEmpty(),
                        "amount",
                        "More went on the cup than was measured: put one of the two right.");
        reader.faults().throwIfAny();
        return pair.map(mix -> (LogEntry) pots.measured(cup, pour, mix, isByScale()))
                .orElse(entry);
    }

    /** @throws nursery.core.measure.InvalidInput with everything wrong on the form */
    LogEntry entry(String by) {
        Kind kind = reader.choice("what", "What happened", Kind.class).orElse(Kind.NOTED);
        reader.faults().require(!reader.raw("when").isEmpty(), "at", "Choose when it happened.");
        Instant at = reader.happened(show.zone(), show.now());
        String note = reader.text("note", "The note", LONGEST_NOTE);
        reader.faults().require(kind != Kind.NOTED || !note.isEmpty(), "note", "The note is empty: write a few words.");
        Mark mark = Mark.unnumbered(at, show.now(), by, note);
        LogEntry entry =
                switch (kind) {
                    case DONE -> new LogEntry.StepDone(mark, step(), how());
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
        return new LogEntry.Poured(
                mark,
                step,
                amountMl,
                SpindleField.read(reader, floor),
                Optional.of(Pot.of(resin, OptionalLong.empty())),
                how());
    }

    private int step() {
        return reader.id("step", "The step")
                .filter(id -> id >= 0 && id <= Integer.MAX_VALUE)
                .map(Long::intValue)
                .orElse(0);
    }

    private Optional<Fields> how() {
        return cup.find(step()).flatMap(planned -> how(reader, planned, planned.how(), show.lengthUnit()));
    }

    /**
     * How a step was really done, if that is not how its plan has it.
     *
     * @param otherwise what is meant where the form does not say
     */
    static Optional<Fields> how(FormReader reader, PlanStep planned, Fields otherwise, LengthUnit unit) {
        return Optional.of(EditReading.how(reader, HOW, planned.kind(), otherwise, unit))
                .filter(how -> !how.equals(planned.how()));
    }

    /** What can be said of how a step was done, but where it turns: that the spindle says. */
    static List<Field> fieldsOf(PlanStep step) {
        return Field.of(step.kind()).stream()
                .filter(field -> field != Field.TURNED)
                .toList();
    }

    /** How a step is done, as the inputs for it are filled. */
    static Map<String, String> filled(PlanStep step, LengthUnit unit) {
        Map<String, String> filled = new LinkedHashMap<>();
        fieldsOf(step).forEach(field -> filled.put(input(field), EditForm.filled(step.how(), field)));
        filled.put(BAND, step.how().where().bandIn(unit));
        return filled;
    }

    /** What a form of several steps says of how one was done. */
    static Map<String, String> told(PlanStep step, Map<String, String> typed, String of) {
        Map<String, String> told = new LinkedHashMap<>();
        Stream.concat(fieldsOf(step).stream().map(LogForm::input), Stream.of(BAND))
                .filter(input -> typed.containsKey(input + of))
                .forEach(input -> told.put(input, typed.get(input + of)));
        return told;
    }

    static boolean isInput(String name) {
        return name.startsWith(HOW + ".");
    }

    static String input(Field field) {
        return HOW + "." + field.written();
    }
}
