package nursery.core.technique;

import java.util.ArrayList;
import java.util.List;
import nursery.core.cup.Blank;
import nursery.core.measure.Numbers;

/** Whether what is cut for a cup fits it: what is asked of a decal's size, wherever it goes on. */
public enum DecalFit {
    DECAL_TOO_LARGE(
            "P11", "Cut it no longer than the way around where it goes, less the handle, and no higher than the side."),
    FLAT_WRAP_ON_TAPER("P11, P56", "Bend it to this cup, or cut it into strips.");

    private final String source;
    private final String remedy;

    DecalFit(String source, String remedy) {
        this.source = source;
        this.remedy = remedy;
    }

    /** A decal that does not fit, and how. */
    public record Misfit(DecalFit rule, String words) {}

    /** What is wrong with a step's decal on a blank. */
    public static List<Misfit> of(PlanStep step, Blank blank) {
        List<Misfit> found = new ArrayList<>();
        step.size().ifPresent(size -> {
            double aroundMm = WrapRoom.aroundMm(blank, size.heightMm());
            double sideMm = blank.area().slantMm();
            double climbMm = WrapRoom.climbMm(blank, size);
            if (size.widthMm() > aroundMm + WrapRoom.overlapMm(blank) + Figures.CUT_MM
                    || size.heightMm() > sideMm + Figures.CUT_MM) {
                found.add(new Misfit(
                        DECAL_TOO_LARGE,
                        "%s × %s mm does not fit: there are %s mm around and %s mm of side."
                                .formatted(
                                        Numbers.show(size.widthMm(), 1),
                                        Numbers.show(size.heightMm(), 1),
                                        Numbers.show(aroundMm, 1),
                                        Numbers.show(sideMm, 1))));
            }
            if (climbMm > Figures.CLIMBS_MM) {
                found.add(new Misfit(
                        FLAT_WRAP_ON_TAPER,
                        "A straight piece of %s × %s mm climbs %s mm at its ends on this taper."
                                .formatted(
                                        Numbers.show(size.widthMm(), 0),
                                        Numbers.show(size.heightMm(), 0),
                                        Numbers.show(climbMm, 1))));
            }
        });
        return found;
    }

    /** Where practice says so. */
    public String source() {
        return source;
    }

    public String remedy() {
        return remedy;
    }
}
