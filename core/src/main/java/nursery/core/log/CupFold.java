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
import nursery.core.log.CupState.Gone;
import nursery.core.log.CupState.SpindleHold;
import nursery.core.log.LogEntry.Poured;
import nursery.core.log.LogEntry.StepDone;
import nursery.core.technique.Ground;
import nursery.core.technique.Layers;
import nursery.core.technique.PlanStep;
import nursery.core.technique.Wait;

/**
 * The fold of plan, log, room and now into a cup's state. Pure: the same arguments give the same state, so a state can
 * be replayed, simulated ahead and explained. The room's course runs into the future as its forecast.
 */
public final class CupFold {

    private final Cup cup;
    private final RoomCourse room;
    private final Map<Integer, LogEntry> done = new HashMap<>();
    private final List<CoatOnCup> coats = new ArrayList<>();
    private final List<Concern> concerns = new ArrayList<>();
    private Layers layers = Layers.bareSteel();
    private Optional<SpindleHold> hold = Optional.empty();
    private Optional<Gone> gone = Optional.empty();
    private Instant lastDone;
    private Instant lastEnded;
    private Instant lastSeen;

    private CupFold(Cup cup, RoomCourse room) {
        this.cup = cup;
        this.room = room;
        this.lastDone = cup.startedAt();
        this.lastEnded = cup.startedAt();
        this.lastSeen = cup.startedAt();
    }

    /** A fold of all that has happened, which more can be laid on: how the steps ahead are played through. */
    public static CupFold of(Cup cup, RoomCourse room) {
        CupFold fold = new CupFold(cup, room);
        cup.happened().forEach(fold::add);
        return fold;
    }

    /** Lays one more entry on, with what is questionable about it. */
    public void add(LogEntry entry) {
        LegalMoves.concernsAbout(stateAt(entry.mark().happenedAt()), cup, entry).forEach(concerns::add);
        play(entry);
    }

    /** Lays one more entry on without asking what is questionable about it: for what is only planned. */
    public void play(LogEntry entry) {
        layers = switch (entry.kind()) {
            case POURED -> pour((Poured) entry);
            case DONE -> work((StepDone) entry);
            case SKIPPED -> leaveOut((LogEntry.Skipped) entry);
            case SCUFFED -> scuff(entry);
            case TAKEN_OFF -> takeOff();
            case FAULTS_SEEN -> layers.withFaults();
            case HANDED_OVER, ABANDONED -> leave(entry);
            case REOPENED -> comeBack();
            case REMEDY_CHOSEN -> ((LogEntry.RemedyChosen) entry).strips() ? strip() : layers;
            case NOTED, TOUCHED, CAUSE_KNOWN -> layers;
            case CANCELLED -> throw new IllegalStateException("Cancellations do not happen to a cup: " + entry);
        };
        lastSeen = entry.mark().happenedAt();
    }

    public CupState stateAt(Instant now) {
        Instant worked = notBeforeWork(lastDone, now);
        Instant ended = notBeforeWork(lastEnded, now);
        Optional<NextAction> next = cup.plan().stream()
                .filter(step -> !done.containsKey(step.number()))
                .findFirst()
                .map(step -> NextStep.of(
                        step, waiting(step), new WallClock(CupState.coatToMind(coats, layers), worked, ended), now));
        return new CupState(done, coats, next, layers, hold, worked, ended, lastSeen, gone, concerns);
    }

    /** A cup that nothing was done to had begun whenever one looks: what is written about earlier work begins it. */
    private Instant notBeforeWork(Instant last, Instant now) {
        return done.isEmpty() && last.equals(cup.startedAt()) && now.isBefore(last) ? now : last;
    }

    private Wait waiting(PlanStep step) {
        return Ground.waiting(step.kind(), effective(step), layers);
    }

    /** A step that was left out has nothing to dry: what it would have waited for itself is waited for instead. */
    private Wait effective(PlanStep step) {
        int before = cup.plan().indexOf(step) - 1;
        Wait own = step.waiting();
        boolean dries = own.kind() == Wait.Kind.DRY || own.kind() == Wait.Kind.NONE;
        if (!dries || before < 0) {
            return own;
        }
        PlanStep leftOut = cup.plan().get(before);
        if (!(done.get(leftOut.number()) instanceof LogEntry.Skipped)) {
            return own;
        }
        Wait instead = effective(leftOut);
        return instead.kind() == Wait.Kind.DRY ? instead : Wait.none();
    }

    private Layers pour(Poured pour) {
        PlanStep step = cup.step(pour.step());
        CoatTimes times = new CoatTimes(cup.labelOf(pour), room, pour.mark().happenedAt());
        coats.add(new CoatOnCup(step, pour, times, false));
        done.put(pour.step(), pour);
        hold = pour.spindle().map(spindle -> new SpindleHold(spindle, times.pouredAt(), times.offTurnerFrom()));
        lastDone = times.pouredAt();
        lastEnded = lastDone.plus(Duration.ofMinutes(step.handsOnMinutes()));
        return layers.after(step, cup.minute(times.pouredAt()));
    }

    private Layers work(StepDone entry) {
        PlanStep step = cup.step(entry.step());
        done.put(entry.step(), entry);
        lastDone = entry.mark().happenedAt();
        lastEnded = lastDone;
        if (step.kind().endsTurning()) {
            hold = Optional.empty();
        }
        if (step.kind().scuffsTheBody()) {
            newestIsScuffed();
        }
        return layers.after(step, cup.minute(lastDone));
    }

    private Layers leaveOut(LogEntry.Skipped entry) {
        done.put(entry.step(), entry);
        return layers;
    }

    private Layers scuff(LogEntry entry) {
        newestIsScuffed();
        lastDone = entry.mark().happenedAt();
        lastEnded = lastDone;
        return layers.scuffed();
    }

    /** Stripped to the steel: its coats are history, and nothing has to grip on them. */
    private Layers strip() {
        newestIsScuffed();
        return Layers.bareSteel();
    }

    private Layers takeOff() {
        hold = Optional.empty();
        return layers;
    }

    private Layers leave(LogEntry entry) {
        gone = Optional.of(new Gone(entry.kind(), entry.mark()));
        return takeOff();
    }

    private Layers comeBack() {
        gone = Optional.empty();
        return layers;
    }

    private void newestIsScuffed() {
        hold = Optional.empty();
        newestCoat().ifPresent(coat -> coats.set(coats.size() - 1, coat.nowScuffed()));
    }

    private Optional<CoatOnCup> newestCoat() {
        return coats.isEmpty() ? Optional.empty() : Optional.of(coats.get(coats.size() - 1));
    }
}
