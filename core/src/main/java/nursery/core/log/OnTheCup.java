package nursery.core.log;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import nursery.core.cure.CoatTimes;
import nursery.core.cure.RoomCourse;
import nursery.core.log.CupState.Upon;
import nursery.core.resin.LabelTimes;
import nursery.core.surface.Bound;
import nursery.core.surface.Doing;
import nursery.core.surface.Habit;
import nursery.core.surface.How;
import nursery.core.surface.Moments;
import nursery.core.surface.Surface;
import nursery.core.surface.Table;
import nursery.core.surface.Timeline;
import nursery.core.surface.Work;
import nursery.core.technique.PlanStep;

/**
 * What lies on a cup by its log: every work with its moments, and the bounds that come of it. A pour is logged when it
 * is begun, other work when it is finished. Never changed: with one more entry it is another.
 *
 * @param named what each work is called and when it was logged, the first one first
 * @param steps the number of the step that each work was, 0 for what was none of the plan's
 */
public record OnTheCup(Surface surface, Moments moments, List<Upon> named, List<Integer> steps) {

    private static final double MS_PER_MINUTE = 60_000;
    private static final Upon NAMELESS = new Upon("", Instant.MAX);

    public OnTheCup {
        named = List.copyOf(named);
        steps = List.copyOf(steps);
    }

    /** Before anything was done to it. */
    static OnTheCup blank(Cup cup) {
        return new OnTheCup(Surface.of(cup.blank().factoryCoat()), Moments.NONE, List.of(), List.of());
    }

    /** What lies on it after all that happened to it. */
    public static OnTheCup of(Cup cup, RoomCourse room) {
        OnTheCup on = blank(cup);
        for (LogEntry entry : cup.happened()) {
            on = on.after(entry, cup, room);
        }
        return on;
    }

    OnTheCup after(LogEntry entry, Cup cup, RoomCourse room) {
        Instant at = entry.mark().happenedAt();
        return switch (entry.kind()) {
            case POURED -> poured((LogEntry.Poured) entry, cup, room);
            case DONE -> done(cup.step((LogEntry.OfStep) entry), cup, at);
            case SCUFFED -> with(Doing.SCUFF, "Scuffed", at);
            case REMEDY_CHOSEN -> ((LogEntry.RemedyChosen) entry).strips() ? once(Doing.STRIP, "Stripped", at) : this;
            case FAULTS_SEEN -> once(Doing.FAULT_SEEN, "Fault seen", at).seen((LogEntry.FaultsSeen) entry);
            case TOUCHED -> touched((LogEntry.Touched) entry);
            case SKIPPED, TAKEN_OFF, HANDED_OVER, ABANDONED, REOPENED, NOTED, CAUSE_KNOWN, CANCELLED -> this;
        };
    }

    private OnTheCup poured(LogEntry.Poured pour, Cup cup, RoomCourse room) {
        PlanStep step = cup.step(pour);
        CoatTimes times = new CoatTimes(cup.labelOf(pour), room, pour.mark().happenedAt());
        Work work = Work.of(next(), step, times.label().times(), cup.sideMm());
        return with(
                work.mixed(pour.pot().map(Pot::measured).orElse(How.Ratio.UNKNOWN)),
                moments.and(times, Duration.ofMinutes(step.handsOnMinutes())),
                new Upon(step.title(), times.pouredAt()),
                Optional.of(step));
    }

    private OnTheCup done(PlanStep step, Cup cup, Instant at) {
        Duration hands = Duration.ofMinutes(step.handsOnMinutes());
        return with(
                work(next(), step, cup),
                moments.and(at.minus(hands), hands),
                new Upon(step.title(), at),
                Optional.of(step));
    }

    /**
     * A coat of a mix nobody measured, soft all over when it could be sanded for sure: nothing is laid over it (P39).
     */
    private OnTheCup seen(LogEntry.FaultsSeen seen) {
        boolean isSoft =
                seen.sightings().stream().anyMatch(one -> one.fault() == Blemish.SOFT && one.zone() == Zone.ALL);
        return isSoft
                ? newestPour(How.Ratio.UNKNOWN, How.Ratio.SOFT, seen.mark().happenedAt())
                : this;
    }

    private OnTheCup touched(LogEntry.Touched touched) {
        Instant at = touched.mark().happenedAt();
        return switch (touched.touch()) {
            case FIRM, SANDS_TO_DUST -> newestPour(How.Ratio.SOFT, How.Ratio.UNKNOWN, at);
            case STICKY_NEXT_DAY -> newestPour(How.Ratio.UNKNOWN, How.Ratio.SOFT, at);
            case WET, STRINGS, TACKY, FIRM_WITH_PRINT, GUMS_PAPER -> this;
        };
    }

    /** With the newest pour's mix known otherwise, if that is old enough to tell. */
    private OnTheCup newestPour(How.Ratio was, How.Ratio known, Instant at) {
        return surface.newestPour()
                .filter(pour -> pour.how().ratio() == was)
                .filter(pour ->
                        moments.age(pour.id(), pour.label().orElseThrow().sandableSureH()) <= at.toEpochMilli())
                .map(pour -> new OnTheCup(surface.mixed(pour.id(), known), moments, named, steps))
                .orElse(this);
    }

    /** What is said over and over is one work. */
    private OnTheCup once(Doing doing, String title, Instant at) {
        List<Work> works = surface.works();
        boolean isAgain = !works.isEmpty() && works.get(works.size() - 1).doing() == doing;
        return isAgain ? this : with(doing, title, at);
    }

    private OnTheCup with(Doing doing, String title, Instant at) {
        return with(Work.of(next(), doing), moments.and(at, Duration.ZERO), new Upon(title, at), Optional.empty());
    }

    /** With a step that is only planned: laid on, without a moment of its own. */
    public OnTheCup planned(PlanStep step, Cup cup) {
        return with(work(next(), step, cup), moments, NAMELESS, Optional.of(step));
    }

    /** With something outside the plan that is only planned. */
    public OnTheCup planned(Doing doing) {
        return with(Work.of(next(), doing), moments, NAMELESS, Optional.empty());
    }

    private OnTheCup with(Work work, Moments then, Upon name, Optional<PlanStep> of) {
        if (isFull()) {
            // Nothing more is logged then; what an older log has more of is still shown.
            return this;
        }
        List<Upon> names = new ArrayList<>(named);
        names.add(name);
        List<Integer> numbers = new ArrayList<>(steps);
        numbers.add(of.map(PlanStep::number).orElse(0));
        return new OnTheCup(surface.after(work), then, names, numbers);
    }

    /** Whether more was done to it than can be followed. */
    boolean isFull() {
        return surface.works().size() >= Surface.MOST_WORKS;
    }

    private int next() {
        return named.size() + 1;
    }

    private Work work(int id, PlanStep step, Cup cup) {
        return Work.of(id, step, cup.labelFor(step).times(), cup.sideMm());
    }

    /** All that bounds a step of its plan as the cup is now: by the table, and by the plan's own way. */
    public List<Bound> bounds(PlanStep step, Cup cup) {
        List<Bound> bounds = new ArrayList<>(Table.bounds(work(next(), step, cup), surface, Doing.of(cup.after(step))));
        bounds.addAll(Habit.bounds(step, cup.before(step), this::done));
        return bounds;
    }

    private Optional<Habit.Done> done(PlanStep step) {
        int work = steps.lastIndexOf(step.number()) + 1;
        return work == 0
                ? Optional.empty()
                : Optional.of(new Habit.Done(work, surface.works().get(work - 1).label()));
    }

    /**
     * All that bounds what is done outside the plan.
     *
     * @param label what a pour would be poured from
     * @param later what is to follow it
     */
    public List<Bound> bounds(Doing doing, LabelTimes label, List<Doing> later) {
        Work work = Work.of(next(), doing, How.usual(doing), doing.isPour() ? Optional.of(label) : Optional.empty());
        return Table.bounds(work, surface, later);
    }

    /** All that bounds scuffing the newest coat for a step. */
    public List<Bound> scuffingFor(PlanStep step, Cup cup) {
        return bounds(Doing.SCUFF, cup.labelFor(step).times(), List.of(Doing.of(step.kind())));
    }

    /** All that bounds what is done outside the plan before the steps ahead. */
    List<Bound> bounds(Doing doing, Cup cup) {
        List<PlanStep> ahead = cup.plan().stream()
                .filter(step -> !steps.contains(step.number()))
                .toList();
        return bounds(doing, cup.resins().base().label().times(), Doing.of(ahead));
    }

    /** What a bound counts from, as its maker knows it; empty for the blank itself. */
    public Optional<Upon> named(Bound bound) {
        return bound.work() == 0 ? Optional.empty() : Optional.of(named.get(bound.work() - 1));
    }

    /**
     * Solvent or propellant that is about a cup.
     *
     * @param left what left it
     * @param goneAt when it has flashed off
     */
    public record Vapour(Upon left, Instant goneAt) {}

    /** What is about it, if anything ever left any. */
    public Optional<Vapour> vapour() {
        return Table.vapour(surface).flatMap(bound -> named(bound)
                .map(left -> new Vapour(left, Instant.ofEpochMilli((long) bound.on(moments)))));
    }

    /** The same moments, as minutes from one. */
    public Timeline minutesFrom(Instant start) {
        double from = start.toEpochMilli();
        return new Timeline() {
            @Override
            public double begun(int work, double minutes) {
                return (moments.begun(work, minutes) - from) / MS_PER_MINUTE;
            }

            @Override
            public double ended(int work, double minutes) {
                return (moments.ended(work, minutes) - from) / MS_PER_MINUTE;
            }

            @Override
            public double age(int pour, double hours) {
                return (moments.age(pour, hours) - from) / MS_PER_MINUTE;
            }
        };
    }

    /** When the newest work was logged, if any was. */
    Optional<Instant> lastAt() {
        return named.isEmpty()
                ? Optional.empty()
                : Optional.of(named.get(named.size() - 1).at());
    }
}
