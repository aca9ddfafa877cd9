package nursery.core.resin;

import nursery.core.measure.Faults;
import nursery.core.measure.Numbers;

/**
 * Something stirred into part of a share: 5 ml of a wave's 20 tinted white (P7), glow powder in a whole coat.
 *
 * @param ml how much of the share is set aside for it; the whole share if nothing else is said
 * @param what the tint, glow or glitter
 */
public record Addition(double ml, String what) {

    /** More colour or powder than this in a mix can keep it from curing; from memory, the maker of the tint decides. */
    public static final double MOST_PERCENT = 5;

    /** @param field the input to blame */
    public static void check(Faults faults, String field, String cup, Addition addition, double shareMl) {
        faults.require(
                addition.ml() > 0 && addition.ml() <= shareMl,
                field,
                "%s: %s ml cannot be set aside out of a share of %s ml: more than 0, at most all of it."
                        .formatted(cup, Numbers.show(addition.ml()), Numbers.show(shareMl)));
        faults.require(
                !addition.what().isBlank(),
                field,
                "%s: say what is stirred into the %s ml set aside.".formatted(cup, Numbers.show(addition.ml())));
    }

    public boolean isWhole(double shareMl) {
        return ml >= shareMl;
    }
}
