package nursery.core.plan;

import java.util.ArrayList;
import java.util.BitSet;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import nursery.core.cure.CureClock;
import nursery.core.log.CoatOnCup;
import nursery.core.log.Cup;
import nursery.core.log.CupState;
import nursery.core.log.NextAction;
import nursery.core.resin.Label;
import nursery.core.resin.PotLife;
import nursery.core.resin.Resin;
import nursery.core.technique.Ground;
import nursery.core.technique.Layers;
import nursery.core.technique.PlanStep;
import nursery.core.technique.Wait;

/**
 * A workshop in the planner's own terms: slots instead of moments, numbers instead of names. Made once, then only read.
 */
final class Problem {

    private static final double MINUTES_PER_HOUR = 60;
    /** What lies on a cup is the same whenever it was laid. */
    private static final double WHENEVER = 0;

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
    private final BitSet pinnedHands = new BitSet();
    private final Map<CureClock, CureTable> clocks = new HashMap<>();
    private final Map<Long, Integer> numbers = new HashMap<>();

    /**
     * A cup with steps left.
     *
     * @param first the number of its first act among all
     * @param start how it stands now
     * @param due the slot at which it must be ready, or {@link Act#NEVER}
     */
    record Job(Cup cup, int number, int first, List<Act> acts, Progress start, int due) {}

    /** How long a mix of a resin serves. */
    record Mixing(Resin resin, CureTable clock, double ageH) {

        /** The first slot at which a mix mixed at one is too old. */
        int serves(int slot) {
            return Math.max(slot + 1, clock.untilExclusive(clock.at(slot) + ageH));
        }
    }

    Problem(Workshop workshop) {
        this.workshop = workshop;
        grid = Grid.from(workshop.now(), workshop.horizon());
        closed = grid.outside(workshop.hours().benchSpans(grid.origin(), grid.instant(grid.slots())));
        boothClosed = grid.outside(workshop.hours().boothSpans(grid.origin(), grid.instant(grid.slots())));
        spindles = workshop.spindles().size();
        Map<String, Map<Integer, Pin>> pins = workshop.pins().stream()
                .collect(Collectors.groupingBy(Pin::cup, Collectors.toMap(Pin::step, pin -> pin, (a, b) -> b)));
        int count = 0;
        for (Cup cup : workshop.cups()) {
            CupState state = cup.at(workshop.room(), workshop.now());
            if (!state.isFinished()) {
                Job job = job(cup, state, count, pins.getOrDefault(cup.code(), Map.of()));
                jobs.add(job);
                count += job.acts().size();
            }
        }
        acts = count;
    }

    private Job job(Cup cup, CupState state, int first, Map<Integer, Pin> pins) {
        Optional<NextAction> next = state.next();
        List<Act> left = new ArrayList<>();
        Layers on = state.layers();
        for (PlanStep step : cup.plan()) {
            if (!state.done().containsKey(step.number())) {
                Wait own = step.waiting();
                Wait waiting = left.isEmpty()
                        ? next.map(NextAction::waiting).orElse(own)
                        : Ground.waiting(step.kind(), own, on);
                left.add(act(cup, step, waiting, pins));
                on = on.after(step, WHENEVER);
            }
        }
        return new Job(
                cup,
                jobs.size(),
                first,
                left,
                start(state),
                cup.promise()
                        .dueAt()
                        .map(due -> Math.max(0, (int) Math.floor(grid.minutes(due) / Grid.MINUTES)))
                        .orElse(Act.NEVER));
    }

    private Act act(Cup cup, PlanStep step, Wait waiting, Map<Integer, Pin> pins) {
        int pinned = Optional.ofNullable(pins.get(step.number()))
                .map(pin -> pinned(step, pin))
                .orElse(Act.FREE);
        if (!step.kind().isPour()) {
            return Act.of(step, waiting, false, null, null, Act.FREE, pinned);
        }
        Resin mixed = cup.resinFor(step);
        Label label = mixed.label();
        CureTable clock = clock(label);
        int resin = numbers.computeIfAbsent(mixed.id(), id -> {
            resins.add(new Mixing(mixed, clock, PotLife.statedMin(label) / MINUTES_PER_HOUR));
            return resins.size() - 1;
        });
        return Act.of(step, waiting, cup.turns(step), clock, label, resin, pinned);
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

    private Progress start(CupState state) {
        Progress start = new Progress();
        start.lastMin = grid.minutes(state.lastEndedAt());
        start.logged = grid.slotFrom(state.lastDoneAt());
        state.coatToMind()
                .ifPresent(coat -> start.coat(
                        clock(coat.label()),
                        coat.label(),
                        coat.step().role().orElseThrow(),
                        grid.minutes(coat.times().pouredAt()),
                        ageAtOriginH(coat),
                        coat.scuffed()));
        start.heldUntil = state.hold()
                .filter(hold -> workshop.spindles().stream()
                        .anyMatch(spindle -> spindle.id() == hold.spindle().id()))
                .map(hold -> Math.max(0, grid.slotFrom(hold.mayComeOffAt())))
                .orElse(0);
        start.cured =
                state.fullCureAt().map(at -> Math.max(0, grid.slotFrom(at))).orElse(0);
        return start;
    }

    private double ageAtOriginH(CoatOnCup coat) {
        return coat.times().ageHoursAt(grid.origin());
    }

    private CureTable clock(Label label) {
        return clocks.computeIfAbsent(CureClock.of(label), clock -> new CureTable(clock, workshop.room(), grid));
    }
}
