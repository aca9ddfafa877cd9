package nursery.core.log;

import nursery.core.cup.Blank;
import nursery.core.cure.CoatTimes;
import nursery.core.film.Film;
import nursery.core.resin.Label;
import nursery.core.technique.PlanStep;

/**
 * A coat that is on the cup.
 *
 * @param step the step it belongs to
 * @param pour the entry that put it there
 * @param times its phases and windows, by the label it was poured with
 * @param scuffed whether it has been sanded or scuffed since
 * @param bearsPaper whether nothing lies open on the cup that would be sanded away
 * @param on the part of the blank it lies on
 */
public record CoatOnCup(
        PlanStep step, LogEntry.Poured pour, CoatTimes times, boolean scuffed, boolean bearsPaper, Blank on) {

    public Label label() {
        return times.label();
    }

    /** The mean film this amount makes where it lies. */
    public double filmMm() {
        return Film.thicknessMm(pour.amountMl(), on.area().coatedCm2());
    }
}
