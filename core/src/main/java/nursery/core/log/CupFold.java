package nursery.core.log;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import nursery.core.cure.CoatTimes;
import nursery.core.cure.RoomCourse;
import nursery.core.log.CupState.Concern;
import nursery.core.log.CupState.Gone;
import nursery.core.log.CupState.SpindleHold;
import nursery.core.log.LogEntry.Poured;
import nursery.core.log.LogEntry.StepDone;
import nursery.core.surface.Cell;
import nursery.core.surface.Opening;
import nursery.core.technique.PlanStep;

/**
 * The fold of plan, log, room and now into a cup's state. Pure: the same arguments give the same state, so a state can
 * be replayed, simulated ahead and explained. The room's course runs into the future as its forecast.
 */
public final class CupFold {

    private final Cup cup;
    private final RoomCourse room;
    private final Map<Integer, LogEntry> done = new HashMap<>();
    private final List<Laid> coats = new ArrayList<>();
    private final List<Concern> concerns = new ArrayList<>();
    private final Set<Cell> otherwise = EnumSet.noneOf(Cell.class);
    private OnTheCup on;
    private Optional<SpindleHold> hold = Optional.empty();
    private Optional<Gone> gone = Optional.empty();
    private Instant lastDone;
    private Instant lastEnded;
    private Instant lastSeen;

    /** A coat as it was poured, and the number of that work. */
    private record Laid(int work, PlanStep step, Poured pour, CoatTimes times) {}

    private CupFold(Cup cup, RoomCourse room) {
        this.cup = cup;
        this.room = room;
        this.on = OnTheCup.blank(cup);
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

    /** The same without what is questionable about it: for what is to be done. */
    public static CupFold played(Cup cup, RoomCourse room) {
        CupFold fold = new CupFold(cup, room);
        cup.happened().forEach(fold::play);
        return fold;
    }

    /** Another fold that goes on from here; this one stays as it is. */
    public CupFold copy() {
        CupFold copy = new CupFold(cup, room);
        copy.done.putAll(done);
        copy.coats.addAll(coats);
        copy.concerns.addAll(concerns);
        copy.otherwise.addAll(otherwise);
        copy.on = on;
        copy.hold = hold;
        copy.gone = gone;
        copy.lastDone = lastDone;
        copy.lastEnded = lastEnded;
        copy.lastSeen = lastSeen;
        return copy;
    }

    /** Lays one more entry on, with what is questionable about it. */
    public void add(LogEntry entry) {
        Concerns about = Concerns.about(on, cup, entry);
        concerns.addAll(about.told());
        otherwise.addAll(about.otherwise());
        play(entry);
    }

    /** Lays one more entry on without asking what is questionable about it: for what is only planned. */
    public void play(LogEntry entry) {
        on = on.after(entry, cup, room);
        switch (entry.kind()) {
            case POURED -> pour((Poured) entry);
            case DONE -> work((StepDone) entry);
            case SKIPPED -> done.put(((LogEntry.Skipped) entry).step(), entry);
            case SCUFFED -> {
                hold = Optional.empty();
                lastDone = entry.mark().happenedAt();
                lastEnded = lastDone;
            }
            case TAKEN_OFF -> hold = Optional.empty();
            case HANDED_OVER, ABANDONED -> leave(entry);
            case REOPENED -> gone = Optional.empty();
            case REMEDY_CHOSEN -> {
                if (((LogEntry.RemedyChosen) entry).strips()) {
                    hold = Optional.empty();
                }
            }
            case FAULTS_SEEN, NOTED, TOUCHED, CAUSE_KNOWN -> {}
            case CANCELLED -> throw new IllegalStateException("Cancellations do not happen to a cup: " + entry);
        }
        lastSeen = entry.mark().happenedAt();
    }

    public CupState stateAt(Instant now) {
        Instant worked = notBeforeWork(lastDone, now);
        Instant ended = notBeforeWork(lastEnded, now);
        Optional<NextAction> next = cup.plan().stream()
                .filter(step -> !done.containsKey(step.number()))
                .findFirst()
                .map(step -> NextStep.of(step, on, cup, on.bounds(step, cup), worked, now));
        return new CupState(done, coats(), next, on, hold, worked, ended, lastSeen, gone, concerns, otherwise);
    }

    /** When a step could be done, whatever is lacking before it. */
    Instant opens(PlanStep step) {
        double from = Opening.advised(on.bounds(step, cup), on.moments()).from();
        return from == Double.NEGATIVE_INFINITY ? lastDone : Instant.ofEpochMilli((long) Math.ceil(from));
    }

    /** A cup that nothing was done to had begun whenever one looks: what is written about earlier work begins it. */
    private Instant notBeforeWork(Instant last, Instant now) {
        return done.isEmpty() && last.equals(cup.startedAt()) && now.isBefore(last) ? now : last;
    }

    private void pour(Poured pour) {
        PlanStep step = cup.step(pour);
        CoatTimes times = new CoatTimes(cup.labelOf(pour), room, pour.mark().happenedAt());
        coats.add(new Laid(on.surface().works().size(), step, pour, times));
        done.put(pour.step(), pour);
        hold = pour.spindle().map(spindle -> new SpindleHold(spindle, times.pouredAt(), times.offTurnerFrom()));
        lastDone = times.pouredAt();
        lastEnded = lastDone.plus(Duration.ofMinutes(step.handsOnMinutes()));
    }

    private void work(StepDone entry) {
        PlanStep step = cup.step(entry);
        done.put(entry.step(), entry);
        lastDone = entry.mark().happenedAt();
        lastEnded = lastDone;
        if (step.kind().endsTurning() || step.kind().scuffsTheBody()) {
            hold = Optional.empty();
        }
    }

    private void leave(LogEntry entry) {
        gone = Optional.of(new Gone(entry.kind(), entry.mark()));
        hold = Optional.empty();
    }

    /** The coats that lie on it still, each as it lies there. */
    private List<CoatOnCup> coats() {
        return coats.stream()
                .flatMap(coat -> on
                        .surface()
                        .isScuffed(coat.work())
                        .map(scuffed -> new CoatOnCup(
                                coat.step(),
                                coat.pour(),
                                coat.times(),
                                scuffed,
                                on.surface().bearsPaper(),
                                cup.blankFor(coat.step())))
                        .stream())
                .toList();
    }
}
