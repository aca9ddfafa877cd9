package nursery.core.wrap;

import java.util.ArrayList;
import java.util.List;
import nursery.core.measure.Faults;

/**
 * A pattern that closes around a cup without a seam: {@code n = round(C/p)} motifs, each drawn at {@code C/(n·p)} of
 * its size.
 *
 * @param aroundMm the way around where it lies
 * @param periodMm from one motif to the next, as drawn
 * @param count of motifs
 */
public record Repeat(double aroundMm, double periodMm, int count) {

    private static final int MOST = 500;

    public Repeat {
        Faults faults = new Faults();
        faults.within("around", "The way around", aroundMm, 10, 5000, "mm");
        faults.within("period", "From motif to motif", periodMm, 1, 5000, "mm");
        faults.within("count", "The number of motifs", count, 1, MOST, "");
        faults.throwIfAny();
    }

    /** As many as bend it least. */
    public static Repeat closing(double aroundMm, double periodMm) {
        Faults faults = new Faults();
        faults.within("period", "From motif to motif", periodMm, Math.max(1, aroundMm / MOST), 5000, "mm");
        faults.throwIfAny();
        return new Repeat(aroundMm, periodMm, (int) Math.max(1, Math.round(aroundMm / periodMm)));
    }

    /** How much larger each motif is drawn, 1 for as it is. */
    public double scale() {
        return aroundMm / (count * periodMm);
    }

    /** From motif to motif as it is laid. */
    public double pitchMm() {
        return aroundMm / count;
    }

    /** Where motifs have their middles, the first in the middle of the front; radians. */
    public List<Double> angles() {
        List<Double> angles = new ArrayList<>();
        for (int i = 0; i < count; i++) {
            angles.add(2 * Math.PI * i / count);
        }
        return angles;
    }

    /** Strips of so many motifs each, laid one after the other: how many motifs are in each, the last the rest. */
    public List<Integer> strips(int motifs) {
        List<Integer> strips = new ArrayList<>();
        for (int left = count; left > 0; left -= motifs) {
            strips.add(Math.min(Math.max(1, motifs), left));
        }
        return strips;
    }
}
