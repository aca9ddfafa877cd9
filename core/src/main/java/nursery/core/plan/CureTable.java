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
    /** As far as it was asked for: most plans are done long before the forecast ends. */
    private volatile Reckoned reckoned = new Reckoned(new double[] {0});

    /**
     * Gains that are known, and a way back from a gain to its slot: a search asks for that thousands of times a plan.
     */
    private static final class Reckoned {

        final double[] gained;
        final int last;
        private final double perPart;
        /** Of as many equal parts of the whole gain as there are slots: the first slot that is not before each. */
        private final int[] begins;

        Reckoned(double[] gained) {
            this.gained = gained;
            last = gained.length - 1;
            perPart = last == 0 ? 1 : gained[last] / last;
            begins = new int[last + 1];
            int slot = 0;
            for (int part = 0; part <= last; part++) {
                while (slot < last && gained[slot] < part * perPart) {
                    slot++;
                }
                begins[part] = slot;
            }
        }

        double end() {
            return gained[last];
        }

        /** The first slot that has gained so much, of a gain that is not past the end. */
        int first(double age) {
            // A part begins no later than the gain that lies in it, rounding aside: one part sooner is safe.
            int slot = begins[Math.max(0, Math.min(last, (int) (age / perPart) - 1))];
            while (gained[slot] < age) {
                slot++;
            }
            return slot;
        }
    }

    CureTable(CureClock clock, RoomCourse room, Grid grid) {
        this.clock = clock;
        this.room = room;
        this.grid = grid;
        known = Math.max(1, grid.slotFrom(room.lastReadingAt()) + 1);
        perSlot = HOURS_PER_SLOT * clock.rateAt(room.temperatureCAt(grid.instant(known)));
        reckon(AT_FIRST);
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
        reckoned = new Reckoned(gained);
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
        return slot <= table.last ? table.gained[Math.max(0, slot)] : table.end() + (slot - table.last) * perSlot;
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
