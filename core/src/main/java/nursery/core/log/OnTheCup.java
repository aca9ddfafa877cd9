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
import nursery.core.log.CupState.Upon;
import nursery.core.resin.Label;
import nursery.core.surface.Bound;
import nursery.core.surface.Doing;
import nursery.core.surface.How;
import nursery.core.surface.Moments;
import nursery.core.surface.Surface;
import nursery.core.surface.Table;
import nursery.core.surface.Words;
import nursery.core.surface.Work;
import nursery.core.technique.PlanStep;

/**
 * What lies on a cup by its log: every work with its moments, and the windows that come of it. A pour is logged when it
 * is begun, other work when it is finished.
 */
public final class OnTheCup {

    private final Cup cup;
    private final RoomCourse room;
    private final Moments moments = new Moments();
    private final Map<Integer, Upon> named = new HashMap<>();
    private Surface surface;

    private OnTheCup(Cup cup, RoomCourse room, boolean factoryCoat) {
        this.cup = cup;
        this.room = room;
        this.surface = Surface.of(factoryCoat);
    }

    /** @param factoryCoat whether the blank came with a coat of powder */
    public static OnTheCup of(Cup cup, RoomCourse room, boolean factoryCoat) {
        OnTheCup on = new OnTheCup(cup, room, factoryCoat);
        cup.happened().forEach(on::add);
        return on;
    }

    private void add(LogEntry entry) {
        switch (entry.kind()) {
            case POURED -> pour((LogEntry.Poured) entry);
            case DONE -> work(cup.step(((LogEntry.OfStep) entry).step()), entry);
            case SCUFFED -> without(Doing.SCUFF, entry);
            case REMEDY_CHOSEN -> {
                if (((LogEntry.RemedyChosen) entry).strips()) {
                    without(Doing.STRIP, entry);
                }
            }
            case HANDED_OVER -> without(Doing.HAND_OVER, entry);
            case SKIPPED, TAKEN_OFF, FAULTS_SEEN, ABANDONED, REOPENED, NOTED, TOUCHED, CAUSE_KNOWN, CANCELLED -> {}
        }
    }

    private int next() {
        return surface.works().size() + 1;
    }

    private void pour(LogEntry.Poured pour) {
        PlanStep step = cup.step(pour.step());
        Label label = cup.labelOf(pour);
        Work work = Words.work(next(), step, label.times(), surface);
        Instant at = pour.mark().happenedAt();
        moments.and(work.id(), new CoatTimes(label, room, at), Duration.ofMinutes(step.handsOnMinutes()));
        lay(work, step.title(), at);
    }

    private void work(PlanStep step, LogEntry entry) {
        Work work = Words.work(next(), step, cup.labelFor(step).times(), surface);
        Duration hands = Duration.ofMinutes(step.handsOnMinutes());
        moments.and(work.id(), entry.mark().happenedAt().minus(hands), hands);
        lay(work, step.title(), entry.mark().happenedAt());
    }

    private void without(Doing doing, LogEntry entry) {
        Work work = Work.of(next(), doing, How.USUAL, Optional.empty());
        moments.and(work.id(), entry.mark().happenedAt(), Duration.ZERO);
        lay(
                work,
                doing == Doing.SCUFF ? "Scuffed" : doing == Doing.STRIP ? "Stripped" : "Handed over",
                entry.mark().happenedAt());
    }

    private void lay(Work work, String title, Instant at) {
        named.put(work.id(), new Upon(title, at));
        surface = surface.after(work);
    }

    public Moments moments() {
        return moments;
    }

    /** All that bounds a step of its plan as the cup is now. */
    public List<Bound> bounds(PlanStep step) {
        List<Work> later = new ArrayList<>();
        for (PlanStep after : cup.after(step)) {
            later.add(Words.work(
                    next() + 1 + later.size(), after, cup.labelFor(after).times(), surface));
        }
        return Table.bounds(Words.work(next(), step, cup.labelFor(step).times(), surface), surface, later);
    }

    /** What a bound counts from, as its maker knows it; empty for the blank itself. */
    public Optional<Upon> named(Bound bound) {
        return Optional.ofNullable(named.get(bound.work()));
    }
}
