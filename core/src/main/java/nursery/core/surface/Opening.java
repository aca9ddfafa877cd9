package nursery.core.surface;

import java.util.Comparator;
import java.util.List;
import java.util.stream.DoubleStream;
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
 * @param because every bound, the ones that decide first
 */
public record Opening(double from, double bestUntil, double until, boolean never, List<Bound> because) {

    public Opening {
        because = List.copyOf(because);
    }

    public static Opening of(List<Bound> bounds, Timeline time) {
        double from = ends(bounds, Side.FROM, time).max().orElse(Double.NEGATIVE_INFINITY);
        double until = ends(bounds, Side.UNTIL, time).min().orElse(Double.POSITIVE_INFINITY);
        double best = bounds.stream()
                .filter(bound -> bound.side() == Side.BEST_UNTIL)
                .mapToDouble(bound -> bound.on(time))
                .min()
                .orElse(Double.POSITIVE_INFINITY);
        boolean never = bounds.stream()
                .anyMatch(bound ->
                        bound.side() == Side.NEVER && bound.cell().grave().isAsked());
        List<Bound> sorted = bounds.stream()
                .sorted(Comparator.comparing((Bound bound) -> bound.cell().grave())
                        .reversed()
                        .thenComparing(bound -> order(bound, time)))
                .toList();
        return new Opening(from, best, until, never, sorted);
    }

    /** What is never comes first, then what lasts longest, then what ends soonest. */
    private static double order(Bound bound, Timeline time) {
        return switch (bound.side()) {
            case NEVER -> Double.NEGATIVE_INFINITY;
            case FROM -> -bound.on(time);
            case BEST_UNTIL, UNTIL -> bound.on(time);
        };
    }

    /** The gravest of what is broken at a moment. */
    public Grave at(double moment, Timeline time) {
        return because.stream()
                .filter(bound -> isBroken(bound, moment, time))
                .map(bound -> bound.cell().grave())
                .max(Comparator.naturalOrder())
                .orElse(Grave.FINE);
    }

    public static boolean isBroken(Bound bound, double moment, Timeline time) {
        return switch (bound.side()) {
            case FROM -> moment < bound.on(time);
            case BEST_UNTIL, UNTIL -> moment >= bound.on(time);
            case NEVER -> true;
        };
    }

    private static DoubleStream ends(List<Bound> bounds, Side side, Timeline time) {
        return bounds.stream()
                .filter(bound -> bound.side() == side && bound.cell().grave().isAsked())
                .mapToDouble(bound -> bound.on(time));
    }
}
