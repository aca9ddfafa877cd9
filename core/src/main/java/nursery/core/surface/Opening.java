package nursery.core.surface;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Predicate;
import nursery.core.surface.Bound.Side;
import nursery.core.surface.Cell.Grave;

/**
 * A doing's window on a timeline. Only what is asked about shuts it, so that what is offered is never asked about; what
 * is only told does not.
 *
 * @param from the latest of what must have passed; long ago where nothing must
 * @param bestUntil until when it is best done
 * @param until the earliest of what it must come before; never where there is none
 * @param never whether something else must be done first
 * @param placed every bound where it lies, the ones that decide first
 */
public record Opening(double from, double bestUntil, double until, boolean never, List<Placed> placed) {

    public Opening {
        placed = List.copyOf(placed);
    }

    /** A bound, and where on the timeline it lies. */
    public record Placed(Bound bound, double at) {

        private static List<Placed> all(List<Bound> bounds, Timeline time) {
            List<Placed> placed = new ArrayList<>(bounds.size());
            bounds.forEach(bound -> placed.add(new Placed(bound, bound.on(time))));
            return placed;
        }

        public boolean isBrokenAt(double moment) {
            return switch (bound.side()) {
                case FROM -> moment < at;
                case BEST_UNTIL, UNTIL -> moment >= at;
                case NEVER -> true;
            };
        }

        /** What is never comes first, then what lasts longest, then what ends soonest. */
        private double order() {
            return switch (bound.side()) {
                case NEVER -> Double.NEGATIVE_INFINITY;
                case FROM -> -at;
                case BEST_UNTIL, UNTIL -> at;
            };
        }

        private Grave grave() {
            return bound.cell().grave();
        }

        /** What is waited for must have come by the end of a work, and what is wet be wet until then. */
        private boolean isBrokenBy(double begun, double ended, double slack) {
            if (bound.side() == Side.FROM) {
                return isBrokenAt(ended + slack);
            }
            return bound.side() == Side.UNTIL && bound.cell().isOfTheWet() ? at < ended : isBrokenAt(begun);
        }
    }

    private static final Comparator<Placed> GRAVEST =
            Comparator.comparing(Placed::grave).reversed().thenComparing(Placed::order);

    /** As far as anything is asked about. */
    public static Opening of(List<Bound> bounds, Timeline time) {
        return of(Placed.all(bounds, time), Grave::isAsked);
    }

    /**
     * As a bench offers it: not before what is only told has passed as well, and not after. Where that leaves no time
     * at all, the coat below is scuffed, or else the plan's own way gives way.
     */
    public static Opening advised(List<Bound> bounds, Timeline time) {
        List<Placed> placed = Placed.all(bounds, time);
        Opening all = of(placed, Grave::isTold);
        if (all.isSome()) {
            return all;
        }
        Opening scuffed = without(placed, Cell::isWeak);
        Opening hurried = without(placed, cell -> cell == Cell.OWN_WAY);
        return scuffed.isSome() ? scuffed : hurried.isSome() ? hurried : of(placed, Grave::isAsked);
    }

    private static Opening without(List<Placed> placed, Predicate<Cell> cell) {
        return of(placed.stream().filter(one -> !cell.test(one.bound().cell())).toList(), Grave::isTold);
    }

    private boolean isSome() {
        return from < until;
    }

    private static Opening of(List<Placed> placed, Predicate<Grave> shuts) {
        double from = Double.NEGATIVE_INFINITY;
        double best = Double.POSITIVE_INFINITY;
        double until = Double.POSITIVE_INFINITY;
        boolean never = false;
        for (Placed one : placed) {
            boolean counts = shuts.test(one.grave());
            switch (one.bound().side()) {
                case FROM -> from = counts ? Math.max(from, one.at()) : from;
                case BEST_UNTIL -> best = Math.min(best, one.at());
                case UNTIL -> until = counts ? Math.min(until, one.at()) : until;
                case NEVER -> never |= one.bound().forbids();
            }
        }
        return new Opening(
                from, best, until, never, placed.stream().sorted(GRAVEST).toList());
    }

    /** Whether a work is done to what is still wet: then it must have ended when its window closes. */
    public static boolean isWet(Doing doing, List<Bound> bounds) {
        return !doing.isPour()
                && !doing.sandsTheBody()
                && bounds.stream()
                        .anyMatch(bound ->
                                bound.side() == Side.UNTIL && bound.cell().isOfTheWet());
    }

    /** Every bound, the ones that decide first. */
    public List<Bound> because() {
        return placed.stream().map(Placed::bound).toList();
    }

    /** The gravest of what is broken at a moment. */
    public Grave at(double moment) {
        return placed.stream()
                .filter(one -> one.isBrokenAt(moment))
                .map(Placed::grave)
                .max(Comparator.naturalOrder())
                .orElse(Grave.FINE);
    }

    /**
     * What a work is against, the gravest first. A bound is broken only if no part of the time the work may have taken
     * was right for it.
     *
     * @param begun when it may have been begun
     * @param ended when it was finished; of a pour, when it was poured
     * @param slack how much later it may have been, for all that was written down
     */
    public static List<Placed> broken(List<Bound> bounds, double begun, double ended, double slack, Timeline time) {
        return Placed.all(bounds, time).stream()
                .filter(one -> one.isBrokenBy(begun, ended, slack))
                .sorted(GRAVEST)
                .toList();
    }

    /** Of what is broken, what is told or asked about: of each rule the gravest. */
    public static List<Placed> told(List<Placed> broken) {
        Map<String, Placed> byRule = new LinkedHashMap<>();
        broken.stream()
                .filter(one -> one.grave().isTold())
                .forEach(one -> byRule.putIfAbsent(one.bound().cell().rule(), one));
        // Who is told that it hardly grips need not be told that it grips less.
        if (byRule.containsKey(Cell.GRIP_WEAK.rule())) {
            byRule.remove(Cell.GRIP_FADES.rule());
        }
        // A plan's own way is what its maker wished for, and needs no telling.
        byRule.remove(Cell.OWN_WAY.rule());
        return List.copyOf(byRule.values());
    }
}
