package nursery.core.wrap;

import java.util.ArrayList;
import java.util.List;
import nursery.core.measure.Faults;

/**
 * What is to be on a cup.
 *
 * @param items what lies lowest first
 * @param seamAngle where the seam of a wrap lies, radians from the front
 * @param lines upper edges of bands and waves, the lowest first
 */
public record Design(List<Item> items, double seamAngle, List<Band> lines) {

    public static final int MOST_ITEMS = 12;
    public static final int MOST_LINES = 8;

    /** What is below a line and above the one before, in a colour. */
    public record Band(String name, String colour, WaveLine line) {}

    public Design {
        items = List.copyOf(items);
        lines = List.copyOf(lines);
        Faults faults = new Faults();
        faults.require(items.size() <= MOST_ITEMS, "items", "At most %d things go on a cup.".formatted(MOST_ITEMS));
        faults.require(lines.size() <= MOST_LINES, "lines", "At most %d bands go on a cup.".formatted(MOST_LINES));
        faults.within("seam", "The seam", seamAngle, -7, 7, "");
        faults.throwIfAny();
    }

    public Design with(int place, Item item) {
        List<Item> changed = new ArrayList<>(items);
        changed.set(place, item);
        return new Design(changed, seamAngle, lines);
    }

    /** The same on another cup: places in proportion, sizes in mm. */
    public Design onto(Side from, Side to) {
        return new Design(
                items.stream().map(item -> item.at(item.lay().onto(from, to))).toList(), seamAngle, lines);
    }
}
