package nursery.app.wrap;

import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import nursery.app.floor.Floors;
import nursery.app.platform.Form;
import nursery.app.platform.FormReader;
import nursery.app.platform.Gone;
import nursery.core.floor.ShelfBlank;
import nursery.core.wrap.Concern;
import nursery.core.wrap.Design;
import nursery.core.wrap.Fitting;
import nursery.core.wrap.Flat;
import nursery.core.wrap.Item;
import nursery.core.wrap.Lay;
import nursery.core.wrap.OnCup;
import nursery.core.wrap.OnFlat;
import nursery.core.wrap.Repeat;
import nursery.core.wrap.Sheet;
import nursery.core.wrap.Side;
import nursery.core.wrap.WaveLine;
import org.springframework.stereotype.Component;

/** The fitting bench's draft: what is typed, fitted to its blank, and what a touch makes of it. */
@Component
class Bench {

    private static final double LEAST_SNAP = 1e-9;
    /** What is dropped this close to a line is meant to lie on it. */
    private static final double SNAP_MM = 3;

    private final ArtShelf shelf;
    private final Floors floors;

    Bench(ArtShelf shelf, Floors floors) {
        this.shelf = shelf;
        this.floors = floors;
    }

    /**
     * A draft as it stands.
     *
     * @param form with every field it holds
     * @param sketch what of it could be read; the kept one if nothing could
     */
    record Draft(Form form, Sketch sketch, ShelfBlank blank, Fitting fitting, List<String> problems) {}

    DesignForm form() {
        return new DesignForm(shelf, floors.ways().lengthUnit());
    }

    ShelfBlank blank(long id) {
        return floors.shelf().blanks().stream()
                .filter(found -> found.id() == id)
                .findFirst()
                .or(() -> floors.shelf().blanks().stream().findFirst())
                .orElseThrow(Gone::new);
    }

    static Fitting fitted(Sketch sketch, ShelfBlank blank) {
        return Fitting.of(sketch.design(), Flat.of(Side.of(blank.blank())));
    }

    /** A kept design, on its own blank or on another. */
    Sketch on(Sketch sketch, long otherBlank) {
        ShelfBlank from = blank(sketch.blankId());
        ShelfBlank to = blank(otherBlank);
        return from.id() == to.id()
                ? sketch
                : sketch.on(to.id(), sketch.design().onto(Side.of(from.blank()), Side.of(to.blank())));
    }

    Draft kept(Sketch sketch) {
        ShelfBlank blank = blank(sketch.blankId());
        Map<String, String> typed = form().filled(sketch, Side.of(blank.blank()));
        typed.put("blank", String.valueOf(blank.id()));
        return new Draft(Form.fresh(typed), sketch, blank, fitted(sketch, blank), List.of());
    }

    /** What is typed, after a touch. */
    Draft touched(Map<String, String> typed, Sketch kept, String press) {
        return touched(typed, kept, press, Optional.empty());
    }

    /** @param added art that was just put on the shelf, to be laid on the cup */
    Draft touched(Map<String, String> sent, Sketch kept, String press, Optional<Long> added) {
        Map<String, String> typed = new LinkedHashMap<>(sent);
        if (!sent.containsKey("was")) {
            // A file that came without the form around it: what is kept stands on the bench.
            typed.putAll(kept(kept).form().typed());
        }
        FormReader reader = new FormReader(typed);
        // Lengths around are counted on the blank they were typed for.
        ShelfBlank was = blank(number(typed.getOrDefault("was", ""), kept.blankId()));
        ShelfBlank blank = blank(number(typed.getOrDefault("blank", ""), kept.blankId()));
        Optional<Sketch> read = form().read(reader, Side.of(was.blank()), was.id());
        if (read.isEmpty()) {
            List<String> problems = reader.faults().found().stream()
                    .map(fault -> fault.message())
                    .toList();
            Map<String, String> back = new LinkedHashMap<>(typed);
            back.put("blank", String.valueOf(was.id()));
            return new Draft(
                    new Form(back, reader.faults().found(), typed.getOrDefault("token", "")),
                    kept,
                    was,
                    fitted(on(kept, was.id()), was),
                    problems);
        }
        Sketch sketch = pressed(on(read.get(), blank.id()), press);
        if (added.isPresent() && sketch.parts().size() < Design.MOST_ITEMS) {
            sketch = withArt(sketch, added.get(), blank);
        }
        Map<String, String> filled = form().filled(sketch, Side.of(blank.blank()));
        filled.put("blank", String.valueOf(blank.id()));
        filled.put("turn", typed.getOrDefault("turn", "0"));
        return new Draft(
                new Form(filled, List.of(), typed.getOrDefault("token", "")),
                sketch,
                blank,
                fitted(sketch, blank),
                List.of());
    }

    private static long number(String typed, long otherwise) {
        return typed.matches("\\d{1,18}") ? Long.parseLong(typed) : otherwise;
    }

    /** In the middle of the front, as wide as it was drawn if that fits. */
    private Sketch withArt(Sketch sketch, long art, ShelfBlank blank) {
        Side side = Side.of(blank.blank());
        ArtShelf.Shelved found = shelf.find(art);
        double middle = (side.coatedFromMm() + side.coatedToMm()) / 2;
        double most = Math.min(
                side.aroundMm(middle) / 3,
                (side.coatedMm() - 8) * found.art().widthMm() / found.art().heightMm());
        Item item = new Item(
                found.name(),
                found.art(),
                new Lay(middle, 0, 0, Math.max(2, Math.min(found.art().widthMm(), most)), Lay.Bend.LEVEL),
                found.isPicture() ? Sheet.WATER_SLIDE : Sheet.VINYL,
                Item.Make.NOTHING,
                1);
        List<Sketch.Part> parts = new ArrayList<>(sketch.parts());
        parts.add(new Sketch.Part(art, item));
        return sketch.with(parts);
    }

    /** What a touch makes of it; one that means nothing leaves it as it is. */
    Sketch pressed(Sketch sketch, String press) {
        String[] parts = press.split("-", 3);
        int at = parts.length > 1 && parts[1].matches("\\d{1,3}") ? Integer.parseInt(parts[1]) : -1;
        switch (parts[0]) {
            case "art" -> {
                return at > 0
                                && sketch.parts().size() < Design.MOST_ITEMS
                                && shelf.all().stream().anyMatch(row -> row.id() == at)
                        ? withArt(sketch, at, blank(sketch.blankId()))
                        : sketch;
            }
            case "band" -> {
                return bands(sketch, at);
            }
            case "fix" -> {
                List<Concern> concerns = fitted(sketch, blank(sketch.blankId())).concerns();
                return at >= 0 && at < concerns.size()
                        ? concerns.get(at)
                                .fix()
                                .map(item -> sketch.with(concerns.get(at).item(), item))
                                .orElse(sketch)
                        : sketch;
            }
            default -> {
                return at >= 0 && at < sketch.parts().size() ? row(sketch, parts, at) : sketch;
            }
        }
    }

    private Sketch bands(Sketch sketch, int at) {
        List<Design.Band> bands = new ArrayList<>(sketch.bands());
        Side side = Side.of(blank(sketch.blankId()).blank());
        if (at >= 0 && at < bands.size()) {
            bands.remove(at);
        } else if (bands.size() < Design.MOST_LINES) {
            double last = bands.isEmpty()
                    ? side.coatedFromMm()
                    : bands.get(bands.size() - 1).line().frontMm();
            double up = Math.round(last + (side.coatedToMm() - last) / 3);
            bands.add(new Design.Band("", "#7fa6c9", WaveLine.level(up)));
        }
        return sketch.withBands(bands);
    }

    private Sketch row(Sketch sketch, String[] parts, int at) {
        List<Sketch.Part> rows = new ArrayList<>(sketch.parts());
        Item item = rows.get(at).item();
        Side side = Side.of(blank(sketch.blankId()).blank());
        switch (parts[0]) {
            case "remove" -> rows.remove(at);
            case "lower" -> Collections.swap(rows, at, Math.max(0, at - 1));
            case "higher" -> Collections.swap(rows, at, Math.min(rows.size() - 1, at + 1));
            case "close" -> {
                Lay lay = item.lay();
                Repeat repeat = Repeat.closing(side.aroundMm(lay.upMm()), Math.max(2, lay.widthMm()));
                Item closing = new Item(
                        item.name(),
                        item.art(),
                        lay.wide(lay.widthMm() * repeat.scale() * (1 - LEAST_SNAP)),
                        item.sheet(),
                        item.make(),
                        repeat.count());
                rows.set(at, new Sketch.Part(rows.get(at).art(), closing));
            }
            case "move" ->
                rows.set(
                        at,
                        new Sketch.Part(
                                rows.get(at).art(), moved(item, parts.length > 2 ? parts[2] : "", sketch, side)));
            case "seam" -> {
                return new Sketch(
                        sketch.name(),
                        sketch.blankId(),
                        sketch.base(),
                        sketch.glitter(),
                        rows,
                        Fitting.turned(item.lay().angle()),
                        sketch.bands());
            }
            case "snap" ->
                rows.set(
                        at,
                        new Sketch.Part(
                                rows.get(at).art(), snapped(item, parts.length > 2 ? parts[2] : "", sketch, side)));
            default -> {}
        }
        return sketch.with(rows);
    }

    /** Dragged on the flat: where its middle was dropped, y downwards; close to a line it lies on it. */
    private static Item moved(Item item, String to, Sketch sketch, Side side) {
        String[] xy = to.split("_");
        if (xy.length != 2
                || !xy[0].matches("-?\\d{1,5}(\\.\\d{1,3})?")
                || !xy[1].matches("-?\\d{1,5}(\\.\\d{1,3})?")) {
            return item;
        }
        OnCup on = Flat.of(side).onCup(new OnFlat(Double.parseDouble(xy[0]), -Double.parseDouble(xy[1])));
        double up = Math.max(0, Math.min(side.slantMm(), on.upMm()));
        List<Double> levels = new ArrayList<>(List.of((side.coatedFromMm() + side.coatedToMm()) / 2));
        List<Double> angles =
                new ArrayList<>(List.of(0.0, Math.PI / 2, -Math.PI / 2, Math.PI, -Math.PI, sketch.seamAngle()));
        for (Sketch.Part other : sketch.parts()) {
            if (other.item() != item) {
                levels.add(other.item().lay().upMm());
                angles.add(other.item().lay().angle());
            }
        }
        double radius = Math.max(1, side.radiusMm(up));
        return item.at(
                item.lay().up(nearest(up, levels, SNAP_MM)).around(nearest(on.angle(), angles, SNAP_MM / radius)));
    }

    private static double nearest(double value, List<Double> lines, double within) {
        return lines.stream()
                .filter(line -> Math.abs(line - value) <= within)
                .min(Comparator.comparing(line -> Math.abs(line - value)))
                .orElse(value);
    }

    /** P52: the front is opposite the handle; what others see while a hand holds it is a quarter around from there. */
    private static Item snapped(Item item, String where, Sketch sketch, Side side) {
        Lay lay = item.lay();
        double middle = (side.coatedFromMm() + side.coatedToMm()) / 2;
        return switch (where) {
            case "front" -> item.at(lay.around(0));
            case "back" -> item.at(lay.around(Math.PI));
            case "right" -> item.at(lay.around(-Math.PI / 2));
            case "left" -> item.at(lay.around(Math.PI / 2));
            case "seam" -> item.at(lay.around(sketch.seamAngle()));
            case "middle" -> item.at(lay.up(middle));
            default -> item;
        };
    }
}
