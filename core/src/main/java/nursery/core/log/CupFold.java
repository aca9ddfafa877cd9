package nursery.core.log;

import java.time.Instant;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import nursery.core.cure.CoatTimes;
import nursery.core.cure.RoomCourse;
import nursery.core.film.Texture;
import nursery.core.log.CupState.Concern;
import nursery.core.log.CupState.SpindleHold;
import nursery.core.log.LogEntry.Noted;
import nursery.core.log.LogEntry.Poured;
import nursery.core.log.LogEntry.Scuffed;
import nursery.core.log.LogEntry.StepDone;
import nursery.core.log.LogEntry.TakenOff;
import nursery.core.technique.PlanStep;
import nursery.core.technique.StepKind;

/**
 * The fold of plan, log, room and now into a cup's state. Pure: the same arguments give the same state, so a state
 * can be replayed, simulated ahead and explained. The room's course runs into the future as its forecast.
 */
public final class CupFold {

    private final CupFile file;
    private final RoomCourse room;
    private final Map<Integer, LogEntry> done = new HashMap<>();
    private final List<CoatOnCup> coats = new ArrayList<>();
    private final List<Concern> concerns = new ArrayList<>();
    private Optional<SpindleHold> hold = Optional.empty();
    private Instant lastDone;

    private CupFold(CupFile file, RoomCourse room) {
        this.file = file;
        this.room = room;
        this.lastDone = file.startedAt();
    }

    public static CupState stateOf(CupFile file, RoomCourse room, Instant now) {
        CupFold fold = new CupFold(file, room);
        for (LogEntry entry : file.happened()) {
            LegalMoves.concernsAbout(fold.stateAt(entry.mark().happenedAt()), file, entry)
                    .forEach(fold.concerns::add);
            fold.apply(entry);
        }
        return fold.stateAt(now);
    }

    private CupState stateAt(Instant now) {
        Optional<NextAction> next = file.plan().stream().filter(step -> !done.containsKey(step.number())).findFirst()
                .map(step -> NextStep.of(step, newestCoat(), lastDone, now));
        return new CupState(done, coats, next, texture(), hold, lastDone, concerns);
    }

    private Texture texture() {
        return file.plan().stream().anyMatch(step -> step.kind() == StepKind.GLITTER && done.containsKey(step.number())) ? Texture.FINE : Texture.SMOOTH;
    }

    private void apply(LogEntry entry) {
        if (entry instanceof Poured pour) {
            pour(pour);
        } else if (entry instanceof StepDone step) {
            work(step);
        } else if (entry instanceof Scuffed scuffed) {
            scuff();
            lastDone = scuffed.mark().happenedAt();
        } else if (entry instanceof TakenOff) {
            hold = Optional.empty();
        } else if (!(entry instanceof Noted)) {
            throw new IllegalStateException("Cancellations do not happen to a cup: " + entry);
        }
    }

    private void pour(Poured pour) {
        PlanStep step = file.step(pour.step());
        CoatTimes times = new CoatTimes(file.labelFor(step), room, pour.mark().happenedAt());
        coats.add(new CoatOnCup(step, pour, times, false));
        done.put(pour.step(), pour);
        hold = pour.spindle().map(spindle -> new SpindleHold(spindle, times.pouredAt(), times.offTurnerFrom()));
        lastDone = times.pouredAt();
    }

    private void work(StepDone entry) {
        done.put(entry.step(), entry);
        lastDone = entry.mark().happenedAt();
        if (file.step(entry.step()).kind().isSanding()) {
            scuff();
        }
    }

    /** Sanding takes a cup off its spindle; nobody sands a turning cup. */
    private void scuff() {
        hold = Optional.empty();
        newestCoat().ifPresent(coat -> coats.set(coats.size() - 1, coat.nowScuffed()));
    }

    private Optional<CoatOnCup> newestCoat() {
        return coats.isEmpty() ? Optional.empty() : Optional.of(coats.get(coats.size() - 1));
    }
}
