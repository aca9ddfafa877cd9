package nursery.core.resin;

import nursery.core.measure.Faults;

/**
 * What a batch leaves behind. Both figures are starting values from memory; a maker's own weighing overrides them.
 *
 * @param perFillMl on each mixing cup and its stick
 * @param perCupMl on the glove or brush, for each cup coated
 */
public record Losses(double perFillMl, double perCupMl) {

    /** More than this left on a cup or a glove is a slip. */
    public static final double MOST_ML = 20;

    public static final Losses USUAL = new Losses(1.5, 0.3);

    /** What so many coats out of so many fillings leave behind, ml. */
    public double of(int cups, int fills) {
        return perCupMl * cups + perFillMl * fills;
    }

    public Losses {
        Faults faults = new Faults();
        faults.within("lossFill", "The loss on a mixing cup", perFillMl, 0, MOST_ML, "ml");
        faults.within("lossCup", "The loss on the glove", perCupMl, 0, MOST_ML, "ml");
        faults.throwIfAny();
    }
}
