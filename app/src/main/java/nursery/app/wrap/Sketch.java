package nursery.app.wrap;

import java.util.ArrayList;
import java.util.List;
import nursery.app.platform.Published;
import nursery.core.wrap.Design;
import nursery.core.wrap.Item;

/**
 * A design with what it is drawn on and made of.
 *
 * @param blankId the blank it is fitted to
 * @param base the colour below it all
 * @param glitter whether that glitters
 * @param parts its items, each with the art it comes from
 */
@Published
public record Sketch(
        String name,
        long blankId,
        String base,
        boolean glitter,
        List<Part> parts,
        double seamAngle,
        List<Design.Band> bands) {

    public static final int LONGEST_NAME = 80;

    /** @param art its number on the shelf of art */
    public record Part(long art, Item item) {}

    public Sketch {
        parts = List.copyOf(parts);
        bands = List.copyOf(bands);
    }

    public Design design() {
        return new Design(parts.stream().map(Part::item).toList(), seamAngle, bands);
    }

    Sketch with(int place, Item item) {
        List<Part> changed = new ArrayList<>(parts);
        changed.set(place, new Part(parts.get(place).art(), item));
        return with(changed);
    }

    Sketch with(List<Part> others) {
        return new Sketch(name, blankId, base, glitter, others, seamAngle, bands);
    }

    Sketch withBands(List<Design.Band> others) {
        return new Sketch(name, blankId, base, glitter, parts, seamAngle, others);
    }

    Sketch called(String other) {
        return new Sketch(other, blankId, base, glitter, parts, seamAngle, bands);
    }

    Sketch on(long otherBlank, Design fitted) {
        List<Part> moved = new ArrayList<>();
        for (int i = 0; i < parts.size(); i++) {
            moved.add(new Part(parts.get(i).art(), fitted.items().get(i)));
        }
        return new Sketch(name, otherBlank, base, glitter, moved, seamAngle, fitted.lines());
    }
}
