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
    private volatile double[] reckoned = {0};

    CureTable(CureClock clock, RoomCourse room, Grid grid) {
        this.clock = clock;
        this.room = room;
        this.grid = grid;
        known = Math.max(1, grid.slotFrom(room.lastReadingAt()) + 1);
        perSlot = HOURS_PER_SLOT * clock.rateAt(room.temperatureCAt(grid.instant(known)));
        reckon(AT_FIRST);
    }

    /** The gains up to a slot and some further. */
    private synchronized double[] reckon(int slot) {
        double[] before = reckoned;
        int until = Math.min(known, Math.max(slot, 2 * before.length));
        if (until < before.length) {
            return before;
        }
        double[] gained = Arrays.copyOf(before, until + 1);
        for (int next = before.length; next <= until; next++) {
            gained[next] =
                    gained[next - 1] + clock.equivalentAgeHours(room, grid.instant(next - 1), grid.instant(next));
        }
        reckoned = gained;
        return gained;
    }

    /** What the clock has gained from the origin to a slot, hours at label speed. */
    double at(int slot) {
        double[] gained = reckoned;
        if (slot >= gained.length && slot <= known) {
            gained = reckon(slot);
        }
        int last = gained.length - 1;
        return slot <= last ? gained[Math.max(0, slot)] : gained[last] + (slot - last) * perSlot;
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
        double[] gained = reckoned;
        while (age > gained[gained.length - 1] && gained.length <= known) {
            gained = reckon(2 * gained.length);
        }
        int last = gained.length - 1;
        if (age > gained[last]) {
            return last + (int) Math.ceil((age - gained[last]) / perSlot - 1e-9);
        }
        int found = Arrays.binarySearch(gained, age);
        return found >= 0 ? found : -found - 1;
    }
}
