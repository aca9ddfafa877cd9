package nursery.core.resin;

import nursery.core.measure.Faults;
import nursery.core.measure.Numbers;

/**
 * The ages at which a coat changes, in hours at the label's reference temperature.
 *
 * @param workingH how long it can still be spread on the cup
 * @param turningH when it has gelled and may come off the turner
 * @param recoatFromH when the next coat may go straight on, without sanding
 * @param recoatUntilH until when it grips well that way; after it, less hour by hour
 * @param sandableFromH when it may be ready to sand: try it first
 * @param sandableSureH when it is ready to sand for sure
 * @param scuffAfterH after this the next coat will not grip without scuffing: the window has closed
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

    private static final double SHORTEST_H = 1.0 / 60;
    private static final double LONGEST_WORKING_H = 24;
    private static final double LONGEST_TURNING_H = 72;
    private static final double LONGEST_H = 60 * 24;

    public LabelTimes {
        Faults faults = new Faults();
        boolean sane = faults.within("working", "The working time", workingH, SHORTEST_H, LONGEST_WORKING_H, "h")
                & faults.within("turning", "The turning time", turningH, SHORTEST_H, LONGEST_TURNING_H, "h")
                & faults.within("recoatFrom", "Recoat straight on from", recoatFromH, SHORTEST_H, LONGEST_H, "h")
                & faults.within("recoatUntil", "Recoat straight on until", recoatUntilH, SHORTEST_H, LONGEST_H, "h")
                & faults.within("sandableFrom", "Sandable from", sandableFromH, SHORTEST_H, LONGEST_H, "h")
                & faults.within("sandableSure", "Sandable for sure", sandableSureH, SHORTEST_H, LONGEST_H, "h")
                & faults.within("scuffAfter", "Scuff needed after", scuffAfterH, SHORTEST_H, LONGEST_H, "h")
                & faults.within("cured", "Cured", curedH, SHORTEST_H, LONGEST_H, "h")
                & faults.within("fullCure", "Full cure", fullCureH, SHORTEST_H, LONGEST_H, "h");
        if (sane) {
            order(faults, "turning", "Turning", turningH, "the working time", workingH);
            order(faults, "recoatFrom", "Recoat from", recoatFromH, "the working time", workingH);
            faults.require(
                    recoatUntilH > recoatFromH,
                    "recoatUntil",
                    "It grips well until %s h but may be recoated only from %s h: the end must be later."
                            .formatted(Numbers.show(recoatUntilH), Numbers.show(recoatFromH)));
            order(faults, "sandableFrom", "Sandable from", sandableFromH, "the turning time", turningH);
            order(faults, "sandableSure", "Sandable for sure", sandableSureH, "sandable from", sandableFromH);
            order(faults, "scuffAfter", "Scuff needed after", scuffAfterH, "the end of good grip", recoatUntilH);
            order(faults, "cured", "Cured", curedH, "sandable for sure", sandableSureH);
            order(faults, "fullCure", "Full cure", fullCureH, "cured", curedH);
        }
        faults.throwIfAny();
    }

    /**
     * The same with every age divided by a factor; but full cure, which no finger can tell, is never sooner than the
     * label's. A factor that would take an age out of what a label can say counts only as far as that.
     */
    LabelTimes faster(double factor) {
        double speed = Math.max(
                Math.max(fullCureH / LONGEST_H, scuffAfterH / LONGEST_H),
                Math.max(Math.max(workingH / LONGEST_WORKING_H, turningH / LONGEST_TURNING_H), factor));
        speed = Math.min(speed, workingH / SHORTEST_H);
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
