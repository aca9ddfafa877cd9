package nursery.app.wrap;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import nursery.app.platform.FormReader;
import nursery.core.measure.LengthUnit;
import nursery.core.measure.Numbers;
import nursery.core.wrap.Art;
import nursery.core.wrap.Colours;
import nursery.core.wrap.Design;
import nursery.core.wrap.Item;
import nursery.core.wrap.Lay;
import nursery.core.wrap.Piece;
import nursery.core.wrap.Sheet;
import nursery.core.wrap.Side;
import nursery.core.wrap.WaveLine;

/**
 * A design as a form: its form is its draft. Items are rows {@code i0-…} from the lowest, bands {@code b0-…}; heights
 * are counted from the base or the rim, the way around from the front or the handle, as the form says.
 */
final class DesignForm {

    private static final String BASE = "#dfe3e6";
    private static final int DEGREES = 1;

    private final ArtShelf shelf;
    private final LengthUnit unit;

    DesignForm(ArtShelf shelf, LengthUnit unit) {
        this.shelf = shelf;
        this.unit = unit;
    }

    /** What is typed, as far as it can be read; what cannot is among the reader's faults. */
    Optional<Sketch> read(FormReader reader, Side side, long blankId) {
        List<Sketch.Part> parts = new ArrayList<>();
        for (int i = 0; i < Design.MOST_ITEMS; i++) {
            if (!reader.raw("i" + i + "-art").isEmpty()) {
                int place = i;
                part(reader, side, place).ifPresent(parts::add);
            }
        }
        List<Design.Band> bands = new ArrayList<>();
        for (int i = 0; i < Design.MOST_LINES; i++) {
            if (reader.isTicked("b" + i + "-front")) {
                band(reader, i).ifPresent(bands::add);
            }
        }
        String name = reader.line("name", "The name", Sketch.LONGEST_NAME, false);
        double seam = seam(reader);
        return reader.faults().none()
                ? Optional.of(new Sketch(
                        name,
                        blankId,
                        colour(reader.raw("base"), BASE),
                        reader.isTicked("glitter"),
                        parts,
                        seam,
                        bands))
                : Optional.empty();
    }

    /** In degrees around from the front. */
    private static double seam(FormReader reader) {
        double degrees = reader.optionalNumber("seam").orElse(180);
        reader.faults().within("seam", "The seam", degrees, -360, 360, "°");
        return Math.toRadians(degrees);
    }

    /**
     * A word's colour is its own once it was chosen for it: then the one it stood there with is sent as empty, else
     * beside it, and is what it goes on following.
     */
    private static Colours colours(FormReader reader, String at, Art art) {
        Map<String, String> drawn = recolour(reader, at, art);
        Map<String, String> own = new HashMap<>();
        List<Piece> words = art.words();
        for (int i = 0; i < words.size(); i++) {
            Piece word = words.get(i);
            String shown = reader.raw(at + "nw-" + i);
            String chosen = colour(reader.raw(at + "n-" + i), shown);
            if (!chosen.equals(shown) && !chosen.equals(new Colours(drawn, Map.of()).of(word))) {
                own.put(word.name(), chosen);
            }
        }
        return new Colours(drawn, own);
    }

    private static Map<String, String> recolour(FormReader reader, String at, Art art) {
        Map<String, String> other = new HashMap<>();
        for (Piece piece : art.pieces()) {
            String chosen = colour(reader.raw(at + "c-" + piece.colour().substring(1)), piece.colour());
            if (!chosen.equals(piece.colour())) {
                other.put(piece.colour(), chosen);
            }
        }
        return other;
    }

    private Optional<Sketch.Part> part(FormReader reader, Side side, int i) {
        String at = "i" + i + "-";
        Optional<Long> art = reader.id(at + "art", "The art");
        String name = reader.line(at + "name", "The name of row " + (i + 1), Sketch.LONGEST_NAME, true);
        double up = reader.quantity(at + "up", name + ": the height", unit);
        double around = reader.quantity(at + "around", name + ": the way around", unit);
        double width = reader.quantity(at + "width", name + ": the width", unit);
        double tilt = reader.optionalNumber(at + "tilt").orElse(0);
        double motifs = reader.optionalNumber(at + "motifs").orElse(1);
        double bridge = reader.optionalQuantity(at + "bridge", unit).orElse(0);
        List<Double> outlines = new ArrayList<>();
        List<String> colours = new ArrayList<>();
        for (int line = 1; line <= 2; line++) {
            String field = at + "out" + line;
            reader.optionalQuantity(field, unit).ifPresent(mm -> {
                if (mm != 0) {
                    outlines.add(mm);
                    colours.add(colour(reader.raw(field + "c"), "#ffffff"));
                }
            });
        }
        if (!reader.faults().none() || art.isEmpty()) {
            return Optional.empty();
        }
        double upMm = reader.raw(at + "from").equals("rim") ? side.slantMm() - up : up;
        double radius = Math.max(1, side.radiusMm(Math.max(0, Math.min(side.slantMm(), upMm))));
        double angle = around / radius + (reader.raw(at + "side").equals("handle") ? Math.PI : 0);
        return reader.faults()
                .attempt(
                        at + "up",
                        () -> new Sketch.Part(
                                art.get(),
                                new Item(
                                        name,
                                        shelf.find(art.get()).art(),
                                        new Lay(
                                                upMm,
                                                angle,
                                                tilt,
                                                width,
                                                Lay.Bend.named(reader.raw(at + "bend"))
                                                        .orElse(Lay.Bend.LEVEL)),
                                        Sheet.named(reader.raw(at + "sheet")).orElse(Sheet.VINYL),
                                        new Item.Make(
                                                reader.isTicked(at + "joined"),
                                                outlines,
                                                colours,
                                                !reader.raw(at + "under").equals("beside"),
                                                reader.isTicked(at + "holes"),
                                                bridge,
                                                reader.isTicked(at + "clear"),
                                                colours(
                                                        reader,
                                                        at,
                                                        shelf.find(art.get()).art())),
                                        (int) Math.round(motifs))));
    }

    private Optional<Design.Band> band(FormReader reader, int i) {
        String at = "b" + i + "-";
        double front = reader.quantity(at + "front", "The band in front", unit);
        double back = reader.optionalQuantity(at + "back", unit).orElse(front);
        double swell = reader.optionalQuantity(at + "swell", unit).orElse(0);
        double swells = reader.optionalNumber(at + "swells").orElse(0);
        String name = reader.line(at + "name", "The band's name", Sketch.LONGEST_NAME, false);
        return reader.faults().none()
                ? reader.faults()
                        .attempt(
                                at + "front",
                                () -> new Design.Band(
                                        name,
                                        colour(reader.raw(at + "colour"), "#7fa6c9"),
                                        new WaveLine(front, back, swell, (int) Math.round(swells))))
                : Optional.empty();
    }

    private static String colour(String typed, String otherwise) {
        return typed.toLowerCase(java.util.Locale.ROOT).matches("#[0-9a-f]{6}")
                ? typed.toLowerCase(java.util.Locale.ROOT)
                : otherwise;
    }

    /** The fields of a form that holds this. */
    Map<String, String> filled(Sketch sketch, Side side) {
        Map<String, String> typed = new LinkedHashMap<>();
        typed.put("name", sketch.name());
        typed.put("base", sketch.base());
        if (sketch.glitter()) {
            typed.put("glitter", "on");
        }
        typed.put("seam", Numbers.show(Math.toDegrees(sketch.seamAngle()), 1));
        for (int i = 0; i < sketch.parts().size(); i++) {
            row(typed, "i" + i + "-", sketch.parts().get(i), side);
        }
        for (int i = 0; i < sketch.bands().size(); i++) {
            Design.Band band = sketch.bands().get(i);
            String at = "b" + i + "-";
            typed.put(at + "name", band.name());
            typed.put(at + "colour", band.colour());
            typed.put(at + "front", length(band.line().frontMm()));
            typed.put(at + "back", length(band.line().backMm()));
            typed.put(at + "swell", length(band.line().swellMm()));
            typed.put(at + "swells", String.valueOf(band.line().swells()));
        }
        return typed;
    }

    private void row(Map<String, String> typed, String at, Sketch.Part part, Side side) {
        Item item = part.item();
        Lay lay = item.lay();
        typed.put(at + "art", String.valueOf(part.art()));
        typed.put(at + "name", item.name());
        typed.put(at + "up", length(lay.upMm()));
        typed.put(at + "from", "base");
        double radius = Math.max(1, side.radiusMm(Math.max(0, Math.min(side.slantMm(), lay.upMm()))));
        typed.put(at + "around", length(lay.angle() * radius));
        typed.put(at + "side", "front");
        typed.put(at + "tilt", Numbers.show(lay.tiltDeg(), DEGREES));
        typed.put(at + "width", length(lay.widthMm()));
        typed.put(at + "bend", lay.bend().written());
        typed.put(at + "sheet", item.sheet().written());
        typed.put(at + "motifs", String.valueOf(item.motifs()));
        if (item.make().joined()) {
            typed.put(at + "joined", "on");
        }
        if (item.make().keepHoles()) {
            typed.put(at + "holes", "on");
        }
        if (item.make().clearSeam()) {
            typed.put(at + "clear", "on");
        }
        item.art()
                .pieces()
                .forEach(piece -> typed.put(
                        at + "c-" + piece.colour().substring(1),
                        item.make().recoloured().drawn().getOrDefault(piece.colour(), piece.colour())));
        List<Piece> words = item.art().words();
        for (int i = 0; i < words.size(); i++) {
            Piece word = words.get(i);
            String shown = item.make().recoloured().of(word);
            typed.put(at + "n-" + i, shown);
            typed.put(at + "nw-" + i, item.make().recoloured().named().containsKey(word.name()) ? "" : shown);
        }
        typed.put(at + "under", item.make().under() ? "under" : "beside");
        for (int line = 0; line < item.make().outlinesMm().size(); line++) {
            typed.put(at + "out" + (line + 1), length(item.make().outlinesMm().get(line)));
            typed.put(at + "out" + (line + 1) + "c", item.make().colours().get(line));
        }
        if (item.make().bridgeMm() > 0) {
            typed.put(at + "bridge", length(item.make().bridgeMm()));
        }
    }

    /** To a hundredth of a millimetre, or a thousandth of an inch. */
    private String length(double mm) {
        return Numbers.show(unit.fromBase(mm), unit == LengthUnit.MM ? 2 : 3);
    }
}
