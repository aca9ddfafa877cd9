package nursery.core.log;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import nursery.core.cure.CoatTimes;
import nursery.core.cure.RoomCourse;
import nursery.core.log.CupState.Concern;
import nursery.core.log.CupState.SpindleHold;
import nursery.core.log.LogEntry.FaultsSeen;
import nursery.core.log.LogEntry.HandedOver;
import nursery.core.log.LogEntry.Noted;
import nursery.core.log.LogEntry.Poured;
import nursery.core.log.LogEntry.Scuffed;
import nursery.core.log.LogEntry.Skipped;
import nursery.core.log.LogEntry.StepDone;
import nursery.core.log.LogEntry.TakenOff;
import nursery.core.log.LogEntry.Touched;
import nursery.core.resin.Label;
import nursery.core.technique.Layers;
import nursery.core.technique.PlanStep;

/**
 * The fold of plan, log, room and now into a cup's state. Pure: the same arguments give the same state, so a state
 * can be replayed, simulated ahead and explained. The room's course runs into the future as its forecast.
 */
public final class CupFold {

    private static final double SECONDS_PER_MINUTE = 60;

    private final CupFile file;
    private final RoomCourse room;
    private final Map<Integer, LogEntry> done = new HashMap<>();
    private final List<CoatOnCup> coats = new ArrayList<>();
    private final List<Concern> concerns = new ArrayList<>();
    private Layers layers = Layers.bareSteel();
    private Optional<SpindleHold> hold = Optional.empty();
    private Optional<Instant> handedOverAt = Optional.empty();
    private Instant lastDone;

    private CupFold(CupFile file, RoomCourse room) {
        this.file = file;
        this.room = room;
        this.lastDone = file.startedAt();
    }

    public static CupState stateOf(CupFile file, RoomCourse room, Instant now) {
        return of(file, room).stateAt(now);
    }

    /** A fold of all that has happened, which more can be laid on: how the steps ahead are played through. */
    public static CupFold of(CupFile file, RoomCourse room) {
        CupFold fold = new CupFold(file, room);
        file.happened().forEach(fold::add);
        return fold;
    }

    /** Lays one more entry on, with what is questionable about it. */
    public void add(LogEntry entry) {
        LegalMoves.concernsAbout(stateAt(entry.mark().happenedAt()), file, entry).forEach(concerns::add);
        apply(entry);
    }

    /** Lays one more entry on without asking what is questionable about it: for what is only planned. */
    public void play(LogEntry entry) {
        apply(entry);
    }

    public CupState stateAt(Instant now) {
        Optional<NextAction> next = file.plan().stream().filter(step -> !done.containsKey(step.number())).findFirst()
                .map(step -> NextStep.of(step, newestCoat(), lastDone, now));
        return new CupState(done, coats, next, layers, hold, lastDone, handedOverAt, concerns);
    }

    /** Minutes from the start of a cup, the clock its layers are counted by. */
    static double minute(CupFile file, Instant at) {
        return Duration.between(file.startedAt(), at).toSeconds() / SECONDS_PER_MINUTE;
    }

    private void apply(LogEntry entry) {
        if (entry instanceof Poured pour) {
            pour(pour);
        } else if (entry instanceof StepDone step) {
            work(step);
        } else if (entry instanceof Skipped skipped) {
            done.put(skipped.step(), skipped);
        } else if (entry instanceof Scuffed scuffed) {
            scuff();
            layers = layers.scuffed();
            lastDone = scuffed.mark().happenedAt();
        } else if (entry instanceof TakenOff) {
            hold = Optional.empty();
        } else if (entry instanceof FaultsSeen) {
            layers = layers.withFaults();
        } else if (entry instanceof HandedOver handed) {
            handedOverAt = Optional.of(handed.mark().happenedAt());
        } else if (!(entry instanceof Noted) && !(entry instanceof Touched)) {
            throw new IllegalStateException("Cancellations do not happen to a cup: " + entry);
        }
    }

    private void pour(Poured pour) {
        PlanStep step = file.step(pour.step());
        Label label = file.labelFor(step);
        CoatTimes times = new CoatTimes(label, room, pour.mark().happenedAt());
        coats.add(new CoatOnCup(step, pour, label, times, false));
        done.put(pour.step(), pour);
        layers = layers.after(step, minute(file, times.pouredAt()));
        hold = pour.spindle().map(spindle -> new SpindleHold(spindle, times.pouredAt(), times.offTurnerFrom()));
        lastDone = times.pouredAt();
    }

    private void work(StepDone entry) {
        PlanStep step = file.step(entry.step());
        done.put(entry.step(), entry);
        lastDone = entry.mark().happenedAt();
        layers = layers.after(step, minute(file, lastDone));
        if (step.kind().isSanding()) {
            // Nobody sands a turning cup.
            hold = Optional.empty();
        }
        if (step.kind().scuffsTheBody()) {
            scuff();
        }
    }

    private void scuff() {
        hold = Optional.empty();
        newestCoat().ifPresent(coat -> coats.set(coats.size() - 1, coat.nowScuffed()));
    }

    private Optional<CoatOnCup> newestCoat() {
        return coats.isEmpty() ? Optional.empty() : Optional.of(coats.get(coats.size() - 1));
    }
}
