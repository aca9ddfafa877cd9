package nursery.core.plan;

import java.util.Arrays;
import java.util.BitSet;
import java.util.HashMap;
import java.util.Map;
import java.util.Objects;
import java.util.SplittableRandom;
import java.util.function.ToDoubleFunction;
import nursery.core.cure.CureClock;
import nursery.core.cure.PossibleRooms;
import nursery.core.plan.Progress.Past;
import nursery.core.resin.Label;

/**
 * One way the weeks ahead may go: a room that may come, resins as fast as they may be, hands as quick, and how late the
 * maker comes to each session.
 */
final class World {

    private final Problem known;
    private final Grid grid;
    private final PossibleRooms rooms;
    private final int room;
    private final ToDoubleFunction<Label> speedSpread;
    private final double handsSpread;
    private final int[] begins;
    private final int[] late;
    private final SplittableRandom random;
    private final Map<Label, Double> speeds = new HashMap<>();
    private final Map<Label, CureTable> clocks = new HashMap<>();
    private final Map<CureClock, double[]> faster = new HashMap<>();

    /** @param begins the slots at which the plan's sessions begin */
    World(Problem known, Grid grid, Doubt.Ranges ranges, int room, int[] begins, long seed) {
        this.known = known;
        this.grid = grid;
        rooms = ranges.rooms();
        this.room = room;
        speedSpread = ranges.speedSpread();
        handsSpread = ranges.handsSpread();
        this.begins = begins;
        random = new SplittableRandom(seed);
        late = new int[begins.length];
        Arrays.setAll(late, session -> late(ranges.meanLateMin()));
    }

    /** Slots not begun in; whole minutes, as a clock is read. */
    private int late(double meanMin) {
        double minutes = Math.rint(-meanMin * Math.log(1 - random.nextDouble()));
        return (int) Math.min(grid.slots(), Math.ceil(minutes / Grid.MINUTES));
    }

    Grid grid() {
        return grid;
    }

    /** How many slots hands come late to a session of the plan: mostly few, now and then many. */
    int lateTo(int session) {
        return late[session];
    }

    BitSet closed(BitSet usually) {
        BitSet closed = (BitSet) usually.clone();
        for (int session = 0; session < begins.length; session++) {
            closed.set(begins[session], begins[session] + late[session]);
        }
        return closed;
    }

    int hands(int act, int slots) {
        if (slots == 0 || handsSpread == 0) {
            return slots;
        }
        int takes = (int) Math.round(slots * Math.exp(handsSpread * random.nextGaussian()));
        return Math.max(1, takes);
    }

    private double speed(Label label) {
        return speeds.computeIfAbsent(
                label, fresh -> Math.exp(speedSpread.applyAsDouble(fresh) * random.nextGaussian()));
    }

    CureTable clock(Label label) {
        CureTable table = clocks.get(label);
        if (table == null) {
            CureTable expected = known.clock(label);
            double[] factors = faster.computeIfAbsent(
                    expected.clock(), clock -> rooms.faster(room, clock, grid.slots() / Grid.SLOTS_PER_HOUR + 1));
            table = expected.in(factors, speed(label), grid.slots());
            clocks.put(label, table);
        }
        return table;
    }

    /** Work that was done: a coat of a resin that is faster than known has come further, too. */
    Past past(Past work) {
        if (work.label() == null) {
            return work;
        }
        Label label = Objects.requireNonNull(work.label());
        return new Past(work.begunMin(), work.endedMin(), clock(label), label, work.ageAtOriginH() * speed(label));
    }
}
