package nursery.core.plan;

import java.util.Arrays;
import nursery.core.cure.CureClock;
import nursery.core.cure.RoomCourse;

/**
 * One cure clock's gain over the planner's slots, so that a window is two look-ups. Exact at each slot's begin; past
 * the forecast the room stands still, so the table ends there and goes on as a straight line.
 */
final class CureTable {

    /**
     * Less than the millisecond to which the cure clock rounds a moment: a slot is taken only if the clock itself
     * agrees.
     */
    private static final double OPENS_H = 1e-7;

    private static final double CLOSES_H = 2e-7;
    private static final double HOURS_PER_SLOT = Grid.MINUTES / 60.0;

    private final double[] gained;
    private final double perSlot;

    CureTable(CureClock clock, RoomCourse room, Grid grid) {
        int known = Math.max(1, Math.min(grid.slots(), grid.slotFrom(room.lastReadingAt()) + 1));
        gained = new double[known + 1];
        for (int slot = 1; slot <= known; slot++) {
            gained[slot] =
                    gained[slot - 1] + clock.equivalentAgeHours(room, grid.instant(slot - 1), grid.instant(slot));
        }
        perSlot = HOURS_PER_SLOT * clock.rateAt(room.temperatureCAt(grid.instant(known)));
    }

    /** What the clock has gained from the origin to a slot, hours at label speed. */
    double at(int slot) {
        int last = gained.length - 1;
        return slot <= last ? gained[Math.max(0, slot)] : gained[last] + (slot - last) * perSlot;
    }

    /** The first slot at which the clock has gained so much. */
    int from(double age) {
        return first(age - OPENS_H);
    }

    /** The first slot that is no longer before the clock has gained so much. */
    int untilExclusive(double age) {
        return first(age - CLOSES_H);
    }

    private int first(double age) {
        int last = gained.length - 1;
        if (age > gained[last]) {
            return last + (int) Math.ceil((age - gained[last]) / perSlot - 1e-9);
        }
        int found = Arrays.binarySearch(gained, age);
        return found >= 0 ? found : -found - 1;
    }
}
