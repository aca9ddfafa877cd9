package nursery.core.plan;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.BitSet;
import java.util.Collections;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import nursery.core.cure.CoatTimes;
import nursery.core.cure.CureClock;
import nursery.core.log.Cup;
import nursery.core.log.CupFold;
import nursery.core.log.CupState;
import nursery.core.log.CupState.SpindleHold;
import nursery.core.log.OnTheCup;
import nursery.core.plan.Act.Place;
import nursery.core.plan.Act.Scuff;
import nursery.core.plan.Progress.Past;
import nursery.core.resin.Label;
import nursery.core.resin.PotLife;
import nursery.core.resin.Resin;
import nursery.core.surface.Bound;
import nursery.core.surface.Doing;
import nursery.core.surface.Opening;
import nursery.core.surface.Work;
import nursery.core.technique.PlanStep;
import org.jspecify.annotations.Nullable;

/**
 * A workshop in the planner's own terms: slots instead of moments, numbers instead of names. Made once, then only read.
 */
final class Problem {

    private static final double MINUTES_PER_HOUR = 60;
    private static final double MS_PER_MINUTE = 60_000;

    final Workshop workshop;
    final Grid grid;
    final List<Job> jobs = new ArrayList<>();
    /** Slots without hands at the bench. */
    final BitSet closed;

    final BitSet boothClosed;
    final int spindles;
    /** By resin: its clock and how old a mix may be, hours at label speed. */
    final List<Mixing> resins = new ArrayList<>();

    final int acts;
    private final List<Job> byAct = new ArrayList<>();
    private final BitSet pinnedHands = new BitSet();
    private final Map<CureClock, CureTable> clocks = new HashMap<>();
    private final Map<Long, Integer> numbers = new HashMap<>();

    /**
     * A cup with steps left.
     *
     * @param fold what has happened to it; never played on, only copies are
     * @param hold the spindle it turns on now
     * @param first the number of its first act among all
     * @param start how it stands now
     * @param due the slot at which it must be ready, or {@link Act#NEVER}
     * @param endsWhileWet for each act, the first after it that need not be done while its coat is wet
     */
    record Job(
            Cup cup,
            CupFold fold,
            Optional<SpindleHold> hold,
            int number,
            int first,
            List<Act> acts,
            Progress start,
            int due,
            int[] endsWhileWet) {

        /** The steps from one on that must all be done while the first one's coat is wet. */
        int endWhileWet(int from) {
            return endsWhileWet[from];
        }

        Job in(World world) {
            List<Act> others = new ArrayList<>(acts.size());
            for (int i = 0; i < acts.size(); i++) {
                Act act = acts.get(i);
                others.add(act.in(
                        world.hands(first + i, act.hands()), act.label() == null ? null : world.clock(act.label())));
            }
            Progress begun = start.in(world, others);
            others.forEach(act -> act.settle(begun));
            return new Job(cup, fold, hold, number, first, others, begun, due, endsWhileWet);
        }

        private static int[] endsWhileWet(List<Act> acts) {
            int[] ends = new int[acts.size()];
            Arrays.setAll(ends, from -> endWhileWet(acts, from));
            return ends;
        }

        private static int endWhileWet(List<Act> acts, int from) {
            int end = from + 1;
            boolean wet = acts.get(from).isPour();
            while (wet && end < acts.size() && (acts.get(end).isWet() || comesBeforeWet(acts, end))) {
                end++;
            }
            return end;
        }

        /** Whether a step that waits for nothing wet stands between the coat and one that does. */
        private static boolean comesBeforeWet(List<Act> acts, int at) {
            int after = at;
            while (after < acts.size() && !acts.get(after).isPour()) {
                if (acts.get(after++).isWet()) {
                    return true;
                }
            }
            return false;
        }
    }

    /** How long a mix of a resin serves. */
    record Mixing(Resin resin, CureTable clock, double ageH) {

        /** The first slot at which a mix mixed at one is too old. */
        int serves(int slot) {
            return Math.max(slot + 1, clock.untilExclusive(clock.at(slot) + ageH));
        }
    }

    Problem(Workshop workshop) {
        this(workshop, List.of());
    }

    /** @param settled steps that stay where they are, whatever else moves; a pin of their own goes before it */
    Problem(Workshop workshop, List<Placement> settled) {
        this.workshop = workshop;
        grid = Grid.from(workshop.now(), workshop.horizon());
        closed = grid.outside(workshop.hours().benchSpans(grid.origin(), grid.instant(grid.slots())));
        boothClosed = grid.outside(workshop.hours().boothSpans(grid.origin(), grid.instant(grid.slots())));
        spindles = workshop.spindles().size();
        Map<String, Map<Integer, Pin>> pins = Stream.concat(
                        settled.stream().map(stays -> new Pin(stays.cup(), stays.step(), stays.begins())),
                        workshop.pins().stream())
                .collect(Collectors.groupingBy(Pin::cup, Collectors.toMap(Pin::step, pin -> pin, (a, b) -> b)));
        int count = 0;
        for (Cup cup : workshop.cups()) {
            CupFold fold = CupFold.played(cup, workshop.room());
            CupState state = fold.stateAt(workshop.now());
            if (!state.isFinished()) {
                Job job = job(fold, cup, state, count, pins.getOrDefault(cup.code(), Map.of()));
                jobs.add(job);
                byAct.addAll(Collections.nCopies(job.acts().size(), job));
                count += job.acts().size();
            }
        }
        acts = count;
    }

    /** The same shop in a world in which it may find itself. */
    Problem(Problem known, World world) {
        workshop = known.workshop;
        grid = world.grid();
        closed = world.closed(known.closed);
        boothClosed = known.boothClosed;
        spindles = known.spindles;
        acts = known.acts;
        for (Mixing mixing : known.resins) {
            resins.add(new Mixing(mixing.resin(), world.clock(mixing.resin().label()), mixing.ageH()));
        }
        for (Job job : known.jobs) {
            Job other = job.in(world);
            jobs.add(other);
            byAct.addAll(Collections.nCopies(other.acts().size(), other));
        }
    }

    /** The cup an act is of. */
    Job jobOf(int act) {
        return byAct.get(act);
    }

    /** The number of the act that is a step of a cup, if it has that step left. */
    OptionalInt find(String cup, int step) {
        for (Job job : jobs) {
            for (int i = 0; job.cup().code().equals(cup) && i < job.acts().size(); i++) {
                if (job.acts().get(i).step().number() == step) {
                    return OptionalInt.of(job.first() + i);
                }
            }
        }
        return OptionalInt.empty();
    }

    private Job job(CupFold fold, Cup cup, CupState state, int first, Map<Integer, Pin> pins) {
        List<Act> acts = acts(cup, state, pins);
        Progress start = start(state, acts);
        acts.forEach(act -> act.settle(start));
        return new Job(
                cup,
                fold,
                state.hold(),
                jobs.size(),
                first,
                acts,
                start,
                cup.promise()
                        .dueAt()
                        .map(due -> Math.max(0, (int) Math.floor(grid.minutes(due) / Grid.MINUTES)))
                        .orElse(Act.NEVER),
                Job.endsWhileWet(acts));
    }

    /** The steps ahead, each with what bounds it on what will lie there then. */
    private List<Act> acts(Cup cup, CupState state, Map<Integer, Pin> pins) {
        List<Act> left = new ArrayList<>();
        OnTheCup on = state.on();
        for (PlanStep step : cup.plan()) {
            if (!state.done().containsKey(step.number())) {
                List<Bound> bounds = on.bounds(step, cup);
                left.add(Act.of(
                        step,
                        on.surface().works().size() + 1,
                        bounds,
                        Opening.isWet(Doing.of(step.kind()), bounds),
                        scuff(on, step, cup, bounds),
                        place(cup, step, pins)));
                on = on.planned(step, cup);
            }
        }
        return left;
    }

    /** What it takes to scuff the coat below first, where that makes it as new. */
    private static @Nullable Scuff scuff(OnTheCup on, PlanStep step, Cup cup, List<Bound> bounds) {
        List<Bound> late = bounds.stream()
                .filter(bound -> bound.cell().isMendedByScuffing())
                .toList();
        List<Bound> sanding = late.isEmpty() ? List.of() : on.scuffingFor(step, cup);
        if (late.isEmpty() || sanding.stream().anyMatch(bound -> bound.forbids() || bound.side() == Bound.Side.UNTIL)) {
            return null;
        }
        int hands = Grid.lasting(step.handsOnMinutes());
        return new Scuff(
                late,
                new Gate(sanding, false, Act.SCUFF_SLOTS),
                new Gate(on.planned(Doing.SCUFF).bounds(step, cup), false, hands));
    }

    private Place place(Cup cup, PlanStep step, Map<Integer, Pin> pins) {
        int pinned = Optional.ofNullable(pins.get(step.number()))
                .map(pin -> pinned(step, pin))
                .orElse(Act.FREE);
        if (!step.kind().isPour()) {
            return new Place(false, null, null, Act.FREE, pinned);
        }
        Resin mixed = cup.resinFor(step);
        Label label = mixed.label();
        CureTable clock = clock(label);
        int resin = numbers.computeIfAbsent(mixed.id(), id -> {
            resins.add(new Mixing(mixed, clock, PotLife.statedMin(label) / MINUTES_PER_HOUR));
            return resins.size() - 1;
        });
        return new Place(cup.turns(step), clock, label, resin, pinned);
    }

    /**
     * The slot of a pin; the first pin that wants the hands at a time has them, and one that has passed says nothing
     * any more.
     */
    private int pinned(PlanStep step, Pin pin) {
        int slot = grid.slotFrom(pin.at());
        int until = slot + Grid.lasting(step.handsOnMinutes());
        if (slot < 0) {
            return Act.FREE;
        }
        int taken = pinnedHands.nextSetBit(slot);
        if (taken >= 0 && taken < until) {
            return Act.PINNED_IN_VAIN;
        }
        pinnedHands.set(slot, until);
        return slot;
    }

    private Progress start(CupState state, List<Act> acts) {
        Progress start = new Progress();
        start.begin(past(state.on()), acts);
        start.logged = grid.slotFrom(state.lastDoneAt());
        start.heldUntil = state.hold()
                .filter(hold -> workshop.spindles().stream()
                        .anyMatch(spindle -> spindle.id() == hold.spindle().id()))
                .map(hold -> Math.max(0, grid.slotFrom(hold.mayComeOffAt())))
                .orElse(0);
        start.cured =
                state.fullCureAt().map(at -> Math.max(0, grid.slotFrom(at))).orElse(0);
        return start;
    }

    private List<Past> past(OnTheCup on) {
        List<Past> works = new ArrayList<>();
        for (Work work : on.surface().works()) {
            double begunMin = minutes(on.moments().begun(work.id(), 0));
            double endedMin = minutes(on.moments().ended(work.id(), 0));
            if (work.doing().isPour()) {
                CoatTimes times = on.moments().pour(work.id());
                works.add(new Past(
                        begunMin, endedMin, clock(times.label()), times.label(), times.ageHoursAt(grid.origin())));
            } else {
                works.add(new Past(begunMin, endedMin, null, null, 0));
            }
        }
        return works;
    }

    private double minutes(double epochMs) {
        return (epochMs - grid.origin().toEpochMilli()) / MS_PER_MINUTE;
    }

    CureTable clock(Label label) {
        return clocks.computeIfAbsent(CureClock.of(label), clock -> new CureTable(clock, workshop.room(), grid));
    }
}
