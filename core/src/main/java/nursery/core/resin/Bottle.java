package nursery.core.resin;

import java.util.ArrayList;
import java.util.List;
import nursery.core.measure.Faults;

/**
 * A bottle of resin or hardener, as the book has it.
 *
 * @param lot as printed on it; what is traced when a batch goes wrong
 * @param holdsMl when it was full
 * @param leftMl what is in it still; never below 0, because a bottle is no emptier than empty
 */
public record Bottle(long id, Part part, String lot, double holdsMl, double leftMl) {

    private static final double DROP_ML = 1e-9;

    public Bottle {
        Faults faults = new Faults();
        faults.within("holds", "What a bottle holds", holdsMl, 10, 20_000, "ml");
        faults.throwIfAny();
        faults.within("left", "What is left", leftMl, 0, holdsMl, "ml");
        faults.throwIfAny();
    }

    /** So much out of one bottle. */
    public record Draw(long bottleId, double ml) {}

    /**
     * What a batch takes from the bottles.
     *
     * @param draws from which bottle how much, the one opened first being emptied first
     * @param shortMl what the bottles do not hold by the book; it was poured all the same, so the book is wrong by that
     *     much
     */
    public record Drawing(List<Draw> draws, double shortMl) {}

    /** @param bottles of one part, in the order they are used up */
    public static Drawing draw(List<Bottle> bottles, double ml) {
        List<Draw> draws = new ArrayList<>();
        double missing = ml;
        for (Bottle bottle : bottles) {
            double taken = Math.min(missing, bottle.leftMl());
            if (taken > DROP_ML) {
                draws.add(new Draw(bottle.id(), taken));
                missing -= taken;
            }
        }
        return new Drawing(List.copyOf(draws), Math.max(0, missing));
    }
}
