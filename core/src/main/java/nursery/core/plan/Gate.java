package nursery.core.plan;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Objects;
import java.util.function.Predicate;
import java.util.stream.Stream;
import nursery.core.surface.Bound;
import nursery.core.surface.Cell;
import org.jspecify.annotations.Nullable;

/**
 * A step's window as the planner reads it: bounds worked out once, when the plan is begun, and read over slots as often
 * as it tries. It opens and closes as a bench would offer the step.
 */
final class Gate {

    /** All that is told, the same without the plan's own way, and what is asked about. */
    private final Ends told;

    private final Ends hurried;
    private final Ends asked;
    private final boolean isWet;
    private final int hands;

    /** @param isWet whether the work must have ended when its window closes */
    Gate(List<Bound> bounds, boolean isWet, int hands) {
        told = Ends.of(bounds, bound -> bound.cell().grave().isTold());
        hurried = Ends.of(bounds, bound -> bound.cell().grave().isTold() && bound.cell() != Cell.OWN_WAY);
        asked = Ends.of(bounds, bound -> bound.cell().grave().isAsked()).whatever();
        this.isWet = isWet;
        this.hands = hands;
    }

    private Gate(Gate as, int hands) {
        told = as.told.unsettled();
        hurried = as.hurried.unsettled();
        asked = as.asked.unsettled();
        isWet = as.isWet;
        this.hands = hands;
    }

    /** The same bounds for hands that take so many slots, to be settled anew. */
    Gate taking(int slots) {
        return new Gate(this, slots);
    }

    /** Places once what counts from work that is done already: that moves no more. */
    void settle(Progress start) {
        told.settle(start, isWet, hands);
        hurried.settle(start, isWet, hands);
        asked.settle(start, isWet, hands);
    }

    /**
     * When its bounds allow it.
     *
     * @param opens the first slot
     * @param closes the first slot at which it is too late to begin, or {@link Act#NEVER}
     */
    record Window(int opens, int closes) {}

    /** By those of its bounds that leave any time; one that is only too short for the hands it takes is a window. */
    Window window(Progress cup) {
        Window all = told.window(cup, isWet, hands);
        Window some = all == null ? hurried.window(cup, isWet, hands) : all;
        return some == null ? Objects.requireNonNull(asked.window(cup, isWet, hands)) : some;
    }

    /** Whether nothing in it counts from a work before one. */
    boolean countsOnlyFrom(int work) {
        return asked.countsOnlyFrom(work) && told.countsOnlyFrom(work);
    }

    /** The first slot its bounds allow. */
    int opens(Progress cup) {
        return window(cup).opens();
    }

    /** The first slot that is too late for hands that must be off by a bound, or only on by it. */
    private static int begunBy(Bound bound, Progress cup, boolean isWet, int hands) {
        return isWet ? cup.last(bound) - hands + 1 : cup.until(bound);
    }

    /** Both ends of a window. */
    private static final class Ends {

        private final Bound[] allFrom;
        private final Bound[] allUntil;
        private Bound[] from;
        private Bound[] until;
        /** What the bounds that are settled come to. */
        private int opens;

        private int closes = Act.NEVER;
        private int begunBy = Act.NEVER;

        /** Whether they leave time whatever the room does: all ages of one pour, the first before the last. */
        private boolean always;

        private Ends(List<Bound> from, List<Bound> until) {
            this(from.toArray(Bound[]::new), until.toArray(Bound[]::new));
            always = until.isEmpty()
                    || from.stream().allMatch(opens -> until.stream().allMatch(closes -> isBefore(opens, closes)));
        }

        private Ends(Bound[] from, Bound[] until) {
            allFrom = from;
            allUntil = until;
            this.from = from;
            this.until = until;
        }

        Ends unsettled() {
            Ends fresh = new Ends(allFrom, allUntil);
            fresh.always = always;
            return fresh;
        }

        /** These, even where they leave no time. */
        Ends whatever() {
            always = true;
            return this;
        }

        void settle(Progress start, boolean isWet, int hands) {
            for (Bound bound : from) {
                opens = start.isPast(bound) ? Math.max(opens, start.from(bound)) : opens;
            }
            for (Bound bound : until) {
                if (start.isPast(bound)) {
                    closes = Math.min(closes, start.until(bound));
                    begunBy = Math.min(begunBy, begunBy(bound, start, isWet, hands));
                }
            }
            from = ahead(from, start);
            until = ahead(until, start);
        }

        boolean countsOnlyFrom(int work) {
            return opens == 0
                    && closes == Act.NEVER
                    && Stream.of(from, until).flatMap(Arrays::stream).allMatch(bound -> bound.work() >= work);
        }

        private static Bound[] ahead(Bound[] bounds, Progress start) {
            int ahead = 0;
            for (Bound bound : bounds) {
                ahead += start.isPast(bound) ? 0 : 1;
            }
            if (ahead == bounds.length) {
                return bounds;
            }
            // Gates are settled for each of hundreds of worlds: no stream.
            Bound[] left = new Bound[ahead];
            int next = 0;
            for (Bound bound : bounds) {
                if (!start.isPast(bound)) {
                    left[next++] = bound;
                }
            }
            return left;
        }

        private static boolean isBefore(Bound opens, Bound closes) {
            return opens.work() == closes.work() && opens.since() == closes.since() && opens.amount() < closes.amount();
        }

        static Ends of(List<Bound> bounds, Predicate<Bound> counts) {
            List<Bound> from = new ArrayList<>();
            List<Bound> until = new ArrayList<>();
            for (Bound bound : bounds) {
                if (counts.test(bound)) {
                    switch (bound.side()) {
                        case FROM -> keep(bound, from, 1);
                        case UNTIL -> keep(bound, until, -1);
                        case BEST_UNTIL, NEVER -> {}
                    }
                }
            }
            return new Ends(from, until);
        }

        /** Of what counts the same way from the same work, only one decides. */
        private static void keep(Bound bound, List<Bound> kept, int sign) {
            for (int i = 0; i < kept.size(); i++) {
                Bound other = kept.get(i);
                if (other.work() == bound.work() && other.since() == bound.since()) {
                    if (sign * bound.amount() > sign * other.amount()) {
                        kept.set(i, bound);
                    }
                    return;
                }
            }
            kept.add(bound);
        }

        /** Both ends, or null if they leave no time. */
        @Nullable
        Window window(Progress cup, boolean isWet, int hands) {
            int first = opens;
            for (Bound bound : from) {
                first = Math.max(first, cup.from(bound));
            }
            int end = closes;
            int begun = begunBy;
            for (Bound bound : until) {
                end = Math.min(end, cup.until(bound));
                begun = Math.min(begun, begunBy(bound, cup, isWet, hands));
            }
            return always || first <= end ? new Window(first, begun) : null;
        }
    }
}
