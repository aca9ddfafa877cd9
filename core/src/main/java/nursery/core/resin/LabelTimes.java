package nursery.core.resin;

import nursery.core.measure.Faults;
import nursery.core.measure.Numbers;

/**
 * The ages at which a coat changes, in hours at the label's reference temperature.
 *
 * @param workingH how long it can still be spread on the cup
 * @param turningH when it has gelled and may come off the turner
 * @param recoatFromH when the next coat may go straight on, without sanding
 * @param recoatUntilH when that window closes
 * @param sandableFromH when it may be ready to sand: try it first
 * @param sandableSureH when it is ready to sand for sure
 * @param scuffAfterH after this the next coat will not grip without scuffing
 * @param curedH cured enough to work on
 * @param fullCureH full cure: may be used and handed over
 */
public record LabelTimes(
        double workingH,
        double turningH,
        double recoatFromH,
        double recoatUntilH,
        double sandableFromH,
        double sandableSureH,
        double scuffAfterH,
        double curedH,
        double fullCureH) {

    private static final double LONGEST_H = 60 * 24;

    public LabelTimes {
        Faults faults = new Faults();
        boolean sane = faults.within("working", "The working time", workingH, 1.0 / 60, 24, "h")
                & faults.within("turning", "The turning time", turningH, 1.0 / 60, 72, "h")
                & faults.within("recoatFrom", "Recoat straight on from", recoatFromH, 1.0 / 60, LONGEST_H, "h")
                & faults.within("recoatUntil", "Recoat straight on until", recoatUntilH, 1.0 / 60, LONGEST_H, "h")
                & faults.within("sandableFrom", "Sandable from", sandableFromH, 1.0 / 60, LONGEST_H, "h")
                & faults.within("sandableSure", "Sandable for sure", sandableSureH, 1.0 / 60, LONGEST_H, "h")
                & faults.within("scuffAfter", "Scuff needed after", scuffAfterH, 1.0 / 60, LONGEST_H, "h")
                & faults.within("cured", "Cured", curedH, 1.0 / 60, LONGEST_H, "h")
                & faults.within("fullCure", "Full cure", fullCureH, 1.0 / 60, LONGEST_H, "h");
        if (sane) {
            order(faults, "turning", "Turning", turningH, "the working time", workingH);
            order(faults, "recoatFrom", "Recoat from", recoatFromH, "the working time", workingH);
            faults.require(
                    recoatUntilH > recoatFromH,
                    "recoatUntil",
                    "The recoat window closes at %s h but opens at %s h: it must close later."
                            .formatted(Numbers.show(recoatUntilH), Numbers.show(recoatFromH)));
            order(faults, "sandableFrom", "Sandable from", sandableFromH, "the turning time", turningH);
            order(faults, "sandableSure", "Sandable for sure", sandableSureH, "sandable from", sandableFromH);
            order(
                    faults,
                    "scuffAfter",
                    "Scuff needed after",
                    scuffAfterH,
                    "the end of the recoat window",
                    recoatUntilH);
            order(faults, "cured", "Cured", curedH, "sandable for sure", sandableSureH);
            order(faults, "fullCure", "Full cure", fullCureH, "cured", curedH);
        }
        faults.throwIfAny();
    }

    /**
     * The same with every age divided by a factor; but full cure, which no finger can tell, is never sooner than the
     * label's.
     */
    LabelTimes faster(double speed) {
        return new LabelTimes(
                workingH / speed,
                turningH / speed,
                recoatFromH / speed,
                recoatUntilH / speed,
                sandableFromH / speed,
                sandableSureH / speed,
                scuffAfterH / speed,
                curedH / speed,
                Math.max(fullCureH, fullCureH / speed));
    }

    private static void order(Faults faults, String field, String what, double laterH, String than, double earlierH) {
        faults.require(
                laterH >= earlierH,
                field,
                "%s %s h is before %s, %s h: check the label."
                        .formatted(what, Numbers.show(laterH), than, Numbers.show(earlierH)));
    }
}
