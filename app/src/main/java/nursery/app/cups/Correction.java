package nursery.app.cups;

import java.time.Instant;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import nursery.app.floor.SpindleField;
import nursery.app.platform.FormReader;
import nursery.app.platform.Show;
import nursery.core.cure.Touch;
import nursery.core.floor.Floor;
import nursery.core.log.Cup;
import nursery.core.log.LogEntry;
import nursery.core.log.LogEntry.FaultsSeen;
import nursery.core.log.LogEntry.Poured;
import nursery.core.log.Mark;
import nursery.core.log.Pot;
import nursery.core.log.Sighting;
import nursery.core.log.Spindle;
import nursery.core.resin.Resin;
import nursery.core.technique.Field;
import nursery.core.technique.Fields;
import nursery.core.technique.PlanStep;
import nursery.core.technique.StepKind;

/** An entry as its correction shows it, and the one that stands in its place: all of it but what was changed. */
final class Correction {

    private final LogEntry wrong;
    private final Cup cup;
    private final Floor floor;
    private final Show show;

    Correction(LogEntry wrong, Cup cup, Floor floor) {
        this.wrong = wrong;
        this.cup = cup;
        this.floor = floor;
        this.show = Show.of(floor.ways(), floor.now());
    }

    /** The entry as its form is filled. */
    Map<String, String> filled() {
        Map<String, String> filled = new LinkedHashMap<>();
        filled.put("at", show.input(wrong.mark().happenedAt()));
        filled.put("note", wrong.mark().note());
        if (wrong instanceof Poured pour) {
            filled.put("amount", show.volumeNumber(pour.amountMl()));
            filled.put("resin", String.valueOf(resin(pour).id()));
            filled.put(
                    "spindle",
                    pour.spindle().map(Spindle::id).map(String::valueOf).orElse(""));
        }
        if (wrong instanceof LogEntry.OfStep done) {
            filled.putAll(LogForm.filled(cup.step(done), show.lengthUnit()));
        }
        if (wrong instanceof LogEntry.Touched touched) {
            filled.put("touch", touched.touch().name());
        }
        if (wrong instanceof FaultsSeen seen) {
            seen.sightings().forEach(one -> filled.put("seen-" + one.fault().name(), "on"));
            filled.put(
                    "zone",
                    seen.sightings().isEmpty()
                            ? "all"
                            : seen.sightings().get(0).zone().written());
            filled.put(
                    "extent",
                    seen.sightings().isEmpty()
                            ? "some"
                            : seen.sightings().get(0).extent().written());
        }
        return filled;
    }

    /** Resins it may have come from; a coat of a mix came from what was mixed. */
    List<Resin> resins() {
        return wrong instanceof Poured pour && pour.batch().isEmpty()
                ? floor.shelf().resins()
                : List.of();
    }

    /**
     * What stands in its place.
     *
     * @throws nursery.core.measure.InvalidInput with everything wrong on the form
     */
    LogEntry read(FormReader reader, String by) {
        String note = reader.text("note", "The note", LogForm.LONGEST_NOTE);
        Mark mark = Mark.unnumbered(at(reader), show.now(), by, note);
        LogEntry right =
                switch (wrong.kind()) {
                    case POURED -> poured((Poured) wrong, reader, mark);
                    case DONE ->
                        new LogEntry.StepDone(
                                mark, ((LogEntry.OfStep) wrong).step(), how((LogEntry.OfStep) wrong, reader));
                    case SKIPPED -> new LogEntry.Skipped(mark, ((LogEntry.OfStep) wrong).step());
                    case TOUCHED ->
                        new LogEntry.Touched(
                                mark,
                                reader.raw("touch").isEmpty()
                                        ? ((LogEntry.Touched) wrong).touch()
                                        : reader.choice("touch", "What was felt", Touch.class)
                                                .orElse(Touch.WET));
                    case FAULTS_SEEN -> new FaultsSeen(mark, seen((FaultsSeen) wrong, reader));
                    case REMEDY_CHOSEN -> {
                        LogEntry.RemedyChosen chosen = (LogEntry.RemedyChosen) wrong;
                        yield new LogEntry.RemedyChosen(mark, chosen.remedy(), chosen.cause());
                    }
                    case CAUSE_KNOWN -> new LogEntry.CauseKnown(mark, ((LogEntry.CauseKnown) wrong).cause());
                    case HANDED_OVER, ABANDONED, REOPENED, SCUFFED, TAKEN_OFF, NOTED ->
                        new LogEntry.Plain(mark, wrong.kind());
                    case CANCELLED -> throw new IllegalStateException("A correction is not corrected: " + wrong);
                };
        reader.faults().throwIfAny();
        return right;
    }

    /** To the second it was kept with, unless another minute was typed. */
    private Instant at(FormReader reader) {
        return reader.raw("at").equals(show.input(wrong.mark().happenedAt()))
                ? wrong.mark().happenedAt()
                : reader.moment("at", "The time", show.zone(), show.now()).orElse(show.now());
    }

    private Poured poured(Poured pour, FormReader reader, Mark mark) {
        double amountMl = reader.raw("amount").equals(show.volumeNumber(pour.amountMl()))
                ? pour.amountMl()
                : reader.quantity("amount", "The amount on the cup", show.volumeUnit());
        Optional<Pot> other = reader.raw("resin").isEmpty() || pour.batch().isPresent()
                ? Optional.empty()
                : reader.id("resin", "The resin")
                        .filter(id -> id != resin(pour).id())
                        .flatMap(floor.shelf()::resin)
                        .map(resin -> Pot.of(resin, pour.batch()));
        return new Poured(
                mark, pour.step(), amountMl, SpindleField.read(reader, floor), other.or(pour::pot), how(pour, reader));
    }

    /** How it was done: as it was written before, but for what the form says otherwise. */
    private Optional<Fields> how(LogEntry.OfStep entry, FormReader reader) {
        PlanStep planned = cup.step(entry.step());
        return LogForm.how(reader, planned, cup.step(entry).how(), show.lengthUnit());
    }

    /** What its form can say of how it was done. */
    private List<Field> hows() {
        return wrong instanceof LogEntry.OfStep done && wrong.kind() != LogEntry.Kind.SKIPPED
                ? LogForm.fieldsOf(cup.step(done))
                : List.of();
    }

    private Resin resin(Poured pour) {
        return pour.pot().map(Pot::resin).orElseGet(() -> cup.resinFor(cup.step(pour)));
    }

    private List<Sighting> seen(FaultsSeen before, FormReader reader) {
        Map<String, String> filled = filled();
        boolean same = reader.raw("zone").equals(filled.get("zone"))
                        && reader.raw("extent").equals(filled.get("extent"))
                        && Sighting.ticked(reader::isTicked, "seen-", "", "").stream()
                                .map(Sighting::fault)
                                .toList()
                                .equals(before.sightings().stream()
                                        .map(Sighting::fault)
                                        .sorted()
                                        .toList())
                || reader.raw("zone").isEmpty();
        return same
                ? before.sightings()
                : Sighting.ticked(reader::isTicked, "seen-", reader.raw("zone"), reader.raw("extent"));
    }

    /** Of no step, nothing can be said of how it was done. */
    private StepKind stepKind() {
        return wrong instanceof LogEntry.OfStep done ? cup.step(done).kind() : StepKind.INSPECT;
    }

    /** What the page shows beside the form itself. */
    Map<String, Object> shown() {
        return Map.ofEntries(
                Map.entry("what", HistoryLine.what(wrong, cup, show)),
                Map.entry("isPour", wrong instanceof Poured),
                Map.entry("isTouch", wrong instanceof LogEntry.Touched),
                Map.entry(
                        "isSeen",
                        wrong instanceof FaultsSeen seen && !seen.sightings().isEmpty()),
                Map.entry("hows", hows()),
                Map.entry("kind", stepKind()),
                Map.entry("resins", resins()),
                Map.entry("spindles", floor.shelf().spindles()),
                Map.entry("faults", Arrays.asList(nursery.core.log.Blemish.values())),
                Map.entry("zones", Arrays.asList(nursery.core.log.Zone.values())),
                Map.entry("extents", Arrays.asList(nursery.core.log.Extent.values())));
    }
}
