package nursery.core.wrap;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.stream.IntStream;
import nursery.core.measure.Faults;

/**
 * Pieces set out on a roll or sheet, box beside box in rows, the tallest first (next fit by decreasing height). It is
 * no better than it says: what lies between the boxes is waste.
 *
 * @param widthMm of the roll
 * @param acrossMm what is used of that: the rest beside it is still a strip to cut from
 * @param lengthMm what is used of its length
 * @param places where each piece's box begins, in the order they were given
 * @param tooWide which of them do not fit across
 * @param usedMm2 what the pieces themselves cover
 */
public record Nest(
        double widthMm, double acrossMm, double lengthMm, List<Place> places, List<Integer> tooWide, double usedMm2) {

    /** @param index of the piece */
    public record Place(int index, double xMm, double yMm) {}

    /** @param areaMm2 what it covers of its box */
    public record Box(double widthMm, double heightMm, double areaMm2) {}

    public static Nest of(List<Box> boxes, double widthMm, double gapMm) {
        Faults faults = new Faults();
        faults.within("roll", "The roll's width", widthMm, 20, 3000, "mm");
        faults.within("gap", "What lies between", gapMm, 0, 50, "mm");
        faults.throwIfAny();
        List<Place> places = new ArrayList<>();
        List<Integer> tooWide = new ArrayList<>();
        double x = gapMm;
        double row = 0;
        double y = gapMm;
        double used = 0;
        double across = 0;
        List<Integer> tallestFirst = IntStream.range(0, boxes.size())
                .boxed()
                .sorted(Comparator.comparing((Integer i) -> -boxes.get(i).heightMm()))
                .toList();
        for (int i : tallestFirst) {
            Box box = boxes.get(i);
            if (box.widthMm() + 2 * gapMm > widthMm) {
                tooWide.add(i);
                continue;
            }
            if (x + box.widthMm() + gapMm > widthMm) {
                x = gapMm;
                y += row + gapMm;
                row = 0;
            }
            places.add(new Place(i, x, y));
            used += box.areaMm2();
            x += box.widthMm() + gapMm;
            across = Math.max(across, x);
            row = Math.max(row, box.heightMm());
        }
        places.sort(Comparator.comparing(Place::index));
        return new Nest(widthMm, across, places.isEmpty() ? 0 : y + row + gapMm, places, tooWide, used);
    }

    /** What is thrown away of the piece that is cut off, as a share of it. */
    public double waste() {
        return lengthMm == 0 ? 0 : 1 - usedMm2 / (acrossMm * lengthMm);
    }
}
