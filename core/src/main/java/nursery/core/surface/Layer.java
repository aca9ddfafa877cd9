package nursery.core.surface;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;
import nursery.core.technique.Fields;
import nursery.core.technique.Figures;

/**
 * What one work laid on a part of a cup, and what was done to it there since.
 *
 * @param lay what it is
 * @param by the work that laid it; its number is the layer's own
 * @param since the works that touched it afterwards, in order
 * @param cuts the works that took parts of it: what lies below shows through the holes they left
 */
record Layer(Lay lay, Work by, List<Work> since, Set<Integer> cuts) {

    Layer(Lay lay, Work by) {
        this(lay, by, List.of(), Set.of());
    }

    int id() {
        return by.id();
    }

    /** After a work that touched it. */
    Layer touchedBy(Work work) {
        List<Work> more = new ArrayList<>(since.size() + 1);
        more.addAll(since);
        more.add(work);
        return new Layer(lay, by, more, cuts);
    }

    Layer mixed(How.Ratio known) {
        return new Layer(lay, by.mixed(known), since, cuts);
    }

    /** After a work that took parts of it. */
    Layer cutBy(Work work) {
        Set<Integer> more = new HashSet<>(cuts);
        more.add(work.id());
        return new Layer(lay, by, touchedBy(work).since(), Set.copyOf(more));
    }

    /** Whether nothing shows through it. */
    boolean hides() {
        return cuts.isEmpty() && by.place().whole();
    }

    /** Whether one sees past it through holes alone: then what the same works took from below is gone there, too. */
    boolean showsThroughHoles() {
        return !cuts.isEmpty() && by.place().whole();
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
                        && work.how().fields().dust() == Fields.Dust.LEFT)
                .isPresent();
    }

    /** Whether its last sanding was coarser than 220. */
    boolean isSandedCoarsely() {
        return last(work -> work.doing().family() == Doing.Family.SAND
                        && work.how().fields().grit().isSaid())
                .filter(work -> work.how().fields().grit().finest() < Figures.FINE_GRIT)
                .isPresent();
    }

    /** The newest of the works that touched it that is of some kind. */
    Optional<Work> last(Predicate<Work> which) {
        for (int i = since.size() - 1; i >= 0; i--) {
            if (which.test(since.get(i))) {
                return Optional.of(since.get(i));
            }
        }
        return Optional.empty();
    }
}
