package nursery.core.plan;

import java.util.Arrays;
import nursery.core.cure.CureClock;
import nursery.core.cure.RoomCourse;

/**
 * One cure clock's gain over the planner's slots, so that a window is two look-ups. Exact at each slot's begin; past
 * the forecast the room stands still, so it goes on as a straight line.
 */
final class CureTable {

    /**
     * Less than the millisecond to which the cure clock rounds a moment: a slot is taken only if the clock itself
     * agrees.
     */
    private static final double OPENS_H = 1e-7;

    private static final double CLOSES_H = 2e-7;
    private static final double HOURS_PER_SLOT = Grid.MINUTES / 60.0;

    private static final int AT_FIRST = 4 * 24 * Grid.SLOTS_PER_HOUR;

    private final CureClock clock;
    private final RoomCourse room;
    private final Grid grid;
    private final int known;
    private final double perSlot;
    /** No coat is handed over sooner than its label says, however fast the resin is. */
    private final double atLeast;
    /** By the hour, once it is asked what other rooms gain. */
    private double[] usual = {};
    /** As far as it was asked for: most plans are done long before the forecast ends. */
    private volatile Reckoned reckoned = new Reckoned(1, new double[] {0});

    /**
     * Gains that are known, and a way back from a gain to its slot: a search asks for that thousands of times a plan.
     */
    private static final class Reckoned {

        /** From one that is known to the next, slots; between them it goes as a straight line. */
        final int stride;

        final double[] gained;
        final int last;
        private final double perPart;
        /** Of as many equal parts of the whole gain as there are gains: the first that is not before each. */
        private final int[] begins;

        Reckoned(int stride, double[] gained) {
            this.stride = stride;
            this.gained = gained;
            int end = gained.length - 1;
            last = stride * end;
            perPart = end == 0 ? 1 : gained[end] / end;
            begins = new int[end + 1];
            int at = 0;
            for (int part = 0; part <= end; part++) {
                while (at < end && gained[at] < part * perPart) {
                    at++;
                }
                begins[part] = at;
            }
        }

        double end() {
            return gained[gained.length - 1];
        }

        double at(int slot) {
            if (stride == 1) {
                return gained[slot];
            }
            int before = slot / stride;
            int past = slot - before * stride;
            return past == 0 ? gained[before] : gained[before] + (gained[before + 1] - gained[before]) * past / stride;
        }

        /** The first slot that has gained so much, of a gain that is not past the end. */
        int first(double age) {
            // A part begins no later than the gain that lies in it, rounding aside: one part sooner is safe.
            int at = begins[Math.max(0, Math.min(gained.length - 1, (int) (age / perPart) - 1))];
            while (gained[at] < age) {
                at++;
            }
            if (stride == 1 || at == 0) {
                return at;
            }
            double part = (age - gained[at - 1]) / (gained[at] - gained[at - 1]);
            return stride * (at - 1) + Math.max(0, (int) Math.ceil(stride * part));
        }
    }

    CureTable(CureClock clock, RoomCourse room, Grid grid) {
        this.clock = clock;
        this.room = room;
        this.grid = grid;
        known = Math.max(1, grid.slotFrom(room.lastReadingAt()) + 1);
        perSlot = HOURS_PER_SLOT * clock.rateAt(room.temperatureCAt(grid.instant(known)));
        atLeast = 1;
        reckon(AT_FIRST);
    }

    private CureTable(CureTable expected, double[] faster, double speed, int slots) {
        clock = expected.clock;
        room = expected.room;
        grid = expected.grid;
        int hours = (slots + Grid.SLOTS_PER_HOUR - 1) / Grid.SLOTS_PER_HOUR;
        known = hours * Grid.SLOTS_PER_HOUR;
        atLeast = Math.max(1, speed);
        double[] usual = expected.byTheHour(hours);
        double[] gained = new double[hours + 1];
        for (int hour = 0; hour < hours; hour++) {
            double factor = speed * faster[Math.min(faster.length - 1, hour)];
            gained[hour + 1] = gained[hour] + (usual[hour + 1] - usual[hour]) * factor;
        }
        perSlot = (gained[hours] - gained[hours - 1]) / Grid.SLOTS_PER_HOUR;
        reckoned = new Reckoned(Grid.SLOTS_PER_HOUR, gained);
    }

    /**
     * The same resin in a room that runs it otherwise.
     *
     * @param faster by the hour from the origin on, how many times as fast
     * @param speed how many times as fast it is itself
     * @param slots how far ahead that is worked out, to the hour; behind it goes on as in the last hour
     */
    CureTable in(double[] faster, double speed, int slots) {
        return new CureTable(this, faster, speed, slots);
    }

    /** What is gained by each hour up to one; worked out once, however many rooms may come. */
    private synchronized double[] byTheHour(int hours) {
        if (usual.length != hours + 1) {
            double[] gains = new double[hours + 1];
            Arrays.setAll(gains, hour -> at(hour * Grid.SLOTS_PER_HOUR));
            usual = gains;
        }
        return usual;
    }

    /** What it shows when a coat may be handed over that is to reach an age. */
    double fullyCured(double ageH) {
        return ageH * atLeast;
    }

    CureClock clock() {
        return clock;
    }

    /** The gains up to a slot and some further. */
    private synchronized Reckoned reckon(int slot) {
        double[] before = reckoned.gained;
        int until = Math.min(known, Math.max(slot, 2 * before.length));
        if (until < before.length) {
            return reckoned;
        }
        double[] gained = Arrays.copyOf(before, until + 1);
        for (int next = before.length; next <= until; next++) {
            gained[next] =
                    gained[next - 1] + clock.equivalentAgeHours(room, grid.instant(next - 1), grid.instant(next));
        }
        reckoned = new Reckoned(1, gained);
        return reckoned;
    }

    /** The slot from which on the room stands still: past the forecast. */
    int steadyFrom() {
        return known;
    }

    /** What the clock has gained from the origin to a slot, hours at label speed. */
    double at(int slot) {
        Reckoned table = reckoned;
        if (slot > table.last && slot <= known) {
            table = reckon(slot);
        }
        return slot <= table.last ? table.at(Math.max(0, slot)) : table.end() + (slot - table.last) * perSlot;
    }

    /** The first slot at which the clock has gained so much. */
    int from(double age) {
        return first(age - OPENS_H);
    }

    /** The last slot at which the clock has gained no more than so much. */
    int last(double age) {
        return first(age + OPENS_H) - 1;
    }

    /** The first slot that is no longer before the clock has gained so much. */
    int untilExclusive(double age) {
        return first(age - CLOSES_H);
    }

    private int first(double age) {
        Reckoned table = reckoned;
        while (age > table.end() && table.last < known) {
            table = reckon(2 * table.gained.length);
        }
        if (age > table.end()) {
            return table.last + (int) Math.ceil((age - table.end()) / perSlot - 1e-9);
        }
        return table.first(age);
    }
}
