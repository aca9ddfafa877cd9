package nursery.core.surface;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Predicate;
import nursery.core.technique.Figures;

/**
 * What one work laid on a cup, and what was done to it since, each where it was done.
 *
 * @param lay what it is
 * @param by the work that laid it; its number is the layer's own
 * @param since what was done to it afterwards, in order
 */
record Layer(Lay lay, Work by, List<Treatment> since) {

    Layer {
        since = List.copyOf(since);
    }

    /** What a work did to a layer. */
    enum Effect {
        /** It was touched, and is as it was otherwise. */
        TOUCHED,
        /** Parts of it went: what lies below shows between. */
        CUT,
        GONE
    }

    /** One work's effect on one part of the cup. */
    record Treatment(Work work, Place part, Effect effect) {}

    int id() {
        return by.id();
    }

    Layer treated(Work work, Place part, Effect effect) {
        List<Treatment> more = new ArrayList<>(since);
        more.add(new Treatment(work, part, effect));
        return new Layer(lay, by, more);
    }

    /** The same as it is met at one part: with what was done to it there. */
    Layer at(Place part) {
        return new Layer(
                lay, by, since.stream().filter(one -> one.part().touches(part)).toList());
    }

    /** Whether any of it lies at a part of the cup. */
    boolean liesAt(Place part) {
        return by.place().touches(part)
                && since.stream()
                        .noneMatch(
                                one -> one.effect() == Effect.GONE && one.part().touches(part));
    }

    /** Whether nothing shows through it at a part. */
    boolean hides(Place part) {
        return by.place().whole()
                && since.stream()
                        .noneMatch(
                                one -> one.effect() == Effect.CUT && one.part().touches(part));
    }

    boolean isScuffed() {
        return last(work -> work.doing().family() == Doing.Family.SAND).isPresent();
    }

    /** Whether paper has been on it since it was last washed or wiped. */
    boolean isDusty() {
        return last(work -> switch (work.doing()) {
                    case SAND, TRIM_AND_SAND, WASH, WIPE, CLEAN -> true;
                    default -> false;
                })
                .filter(work -> work.doing().family() == Doing.Family.SAND
                        && !work.how().washed())
                .isPresent();
    }

    /** Whether its last sanding was coarser than 220. */
    boolean isSandedCoarsely() {
        return last(work ->
                        work.doing().family() == Doing.Family.SAND && work.how().grit() > 0)
                .filter(work -> work.how().grit() < Figures.FINE_GRIT)
                .isPresent();
    }

    Optional<Work> last(Predicate<Work> which) {
        return since.stream().map(Treatment::work).filter(which).reduce((before, after) -> after);
    }
}
