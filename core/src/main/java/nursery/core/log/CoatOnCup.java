package nursery.core.log;

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
 */
public record CoatOnCup(PlanStep step, LogEntry.Poured pour, CoatTimes times, boolean scuffed, boolean bearsPaper) {

    public Label label() {
        return times.label();
    }

    /** The mean film this amount makes on an area. */
    public double filmMm(double coatedCm2) {
        return Film.thicknessMm(pour.amountMl(), coatedCm2);
    }
}
