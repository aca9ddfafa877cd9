package nursery.core.log;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import nursery.core.cup.Blank;
import nursery.core.cup.Straight;
import nursery.core.cure.RoomCourse;
import nursery.core.resin.Label;
import nursery.core.resin.Resin;
import nursery.core.technique.OneColourGlitter;
import nursery.core.technique.School;
import nursery.core.technique.Schools;
import nursery.core.technique.StepKind;

/** Tells what happened to a cup, hour by hour, for tests. */
final class CupStory {

    static final Instant START = Instant.parse("2026-03-02T08:00:00Z");
    private static final Blank SLIM = new Blank(new Straight(205, 229.3), true, 5, 0, 0, OptionalDouble.of(20));

    private final Label label;
    private final RoomCourse room;
    private final Cup empty;
    private final List<LogEntry> log = new ArrayList<>();

    CupStory(Label label, RoomCourse room, School... schools) {
        this.label = label;
        this.room = room;
        Resin resin = Resin.of(1, "regular", label);
        this.empty = Cup.started(
                "A-01", SLIM, new Cup.Resins(resin, resin), OneColourGlitter.plan(Schools.of(schools), label), START);
    }

    static Instant hour(double hours) {
        return START.plus(Duration.ofSeconds(Math.round(hours * 3600)));
    }

    CupStory done(StepKind kind, double atHour) {
        log.add(new LogEntry.StepDone(mark(atHour), number(kind)));
        return this;
    }

    CupStory poured(StepKind kind, double atHour, double ml) {
        log.add(new LogEntry.Poured(mark(atHour), number(kind), ml, Optional.of(new Spindle(1, "Spindle 1"))));
        return this;
    }

    CupStory scuffed(double atHour) {
        log.add(LogEntry.scuffed(mark(atHour)));
        return this;
    }

    CupStory takenOff(double atHour) {
        log.add(LogEntry.takenOff(mark(atHour)));
        return this;
    }

    CupStory cancelled(int entry, double atHour) {
        log.add(new LogEntry.Cancelled(mark(atHour), entry));
        return this;
    }

    /** Up to the flood coat, poured at hour 6 with a thin adhesive spread at hour 2. */
    CupStory flooded() {
        return done(StepKind.PREP, 0.5)
                .done(StepKind.PAINT, 1)
                .poured(StepKind.ADHESIVE, 2, 1)
                .done(StepKind.GLITTER, 2.1)
                .poured(StepKind.FLOOD_COAT, 6, 23);
    }

    int number(StepKind kind) {
        return empty.plan().stream()
                .filter(step -> step.kind() == kind)
                .findFirst()
                .orElseThrow()
                .number();
    }

    /** An entry that is not in the log yet. */
    Mark mark(double atHour) {
        return new Mark(log.size() + 1, hour(atHour), hour(atHour), "Mira", "");
    }

    Cup file() {
        return empty.withLog(log);
    }

    CupState at(double hours) {
        return file().at(room, hour(hours));
    }

    Optional<Refusal> refusal(LogEntry entry, double nowHour) {
        return LegalMoves.refusalOf(at(nowHour), file(), entry, hour(nowHour));
    }

    RoomCourse room() {
        return room;
    }

    Label label() {
        return label;
    }
}
