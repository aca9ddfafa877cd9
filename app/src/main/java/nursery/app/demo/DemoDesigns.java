package nursery.app.demo;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.List;
import nursery.app.wrap.DesignBook;
import nursery.app.wrap.Sketch;
import nursery.core.floor.ShelfBlank;
import nursery.core.wrap.Design;
import nursery.core.wrap.Item;
import nursery.core.wrap.Lay;
import nursery.core.wrap.Repeat;
import nursery.core.wrap.Sheet;
import nursery.core.wrap.Side;
import nursery.core.wrap.WaveLine;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.core.io.ClassPathResource;
import org.springframework.stereotype.Component;

/** The demo's designs, of art drawn for it. */
@Component
@ConditionalOnProperty("nursery.demo")
class DemoDesigns {

    private final DesignBook designs;

    DemoDesigns(DesignBook designs) {
        this.designs = designs;
    }

    /** One on each outline: straight, with a handle, tapered, bulged. */
    void onTheShelf(List<ShelfBlank> blanks, String by) {
        long comet = art("comet", by);
        long tram = art("tram", by);
        long seeds = art("seed-heads", by);
        long star = art("star-band", by);
        long line = art("tram-line", by);
        for (ShelfBlank blank : blanks) {
            Side side = Side.of(blank.blank());
            switch (blank.name()) {
                case "20 oz slim" ->
                    designs.add(
                            sketch(
                                    "Comet over the hill",
                                    blank,
                                    "#16264a",
                                    true,
                                    List.of(
                                            once(comet, "Comet", new Lay(128, 0, 0, 66, Lay.Bend.LEVEL), Sheet.VINYL),
                                            around(star, "Stars", side, 176, 17, 6)),
                                    List.of(band("Hill", "#22402f", new WaveLine(58, 44, 5, 2)))),
                            by);
                case "16 oz mug with handle" ->
                    designs.add(
                            sketch(
                                    "Tram number seven",
                                    blank,
                                    "#efe6cf",
                                    false,
                                    List.of(outlined(
                                            once(tram, "Tram", new Lay(60, 0, 0, 72, Lay.Bend.LEVEL), Sheet.VINYL))),
                                    List.of()),
                            by);
                case "30 oz tapered" ->
                    designs.add(
                            sketch(
                                    "Seed heads",
                                    blank,
                                    "#f3ead6",
                                    false,
                                    List.of(
                                            once(
                                                    seeds,
                                                    "In front",
                                                    new Lay(105, 0, 0, 66, Lay.Bend.LEVEL),
                                                    Sheet.VINYL),
                                            once(
                                                    seeds,
                                                    "Behind",
                                                    new Lay(98, Math.PI, 0, 54, Lay.Bend.LEVEL),
                                                    Sheet.WATER_SLIDE)),
                                    List.of(band("Earth", "#8a6a4b", WaveLine.level(46)))),
                            by);
                case "15 oz plump" ->
                    designs.add(
                            sketch(
                                    "Tram line around the belly",
                                    blank,
                                    "#d9c9a8",
                                    false,
                                    List.of(around(line, "Line", side, side.slantMm() * 0.45, 30, 0)),
                                    List.of()),
                            by);
                default -> {}
            }
        }
    }

    private static Sketch sketch(
            String name,
            ShelfBlank blank,
            String base,
            boolean glitters,
            List<Sketch.Part> parts,
            List<Design.Band> bands) {
        return new Sketch(name, blank.id(), base, glitters, parts, Math.PI, bands);
    }

    private static Design.Band band(String name, String colour, WaveLine line) {
        return new Design.Band(name, colour, line);
    }

    private Sketch.Part once(long art, String name, Lay lay, Sheet sheet) {
        return new Sketch.Part(art, new Item(name, designs.art(art), lay, sheet, Item.Make.NOTHING, 1));
    }

    /** P54: an outline of 1.75 mm. */
    private static Sketch.Part outlined(Sketch.Part part) {
        Item item = part.item();
        Item.Make make = new Item.Make(
                false, List.of(Item.USUAL_OUTLINE_MM), new ArrayList<>(List.of("#ffffff")), true, false, 0);
        return new Sketch.Part(
                part.art(), new Item(item.name(), item.art(), item.lay(), item.sheet(), make, item.motifs()));
    }

    /** @param gap between two motifs; a line that goes on has none */
    private Sketch.Part around(long art, String name, Side side, double up, double wide, double gap) {
        Repeat repeat = Repeat.closing(side.aroundMm(up), wide + gap);
        double width = wide * repeat.scale() * (1 - 1e-9);
        return new Sketch.Part(
                art,
                new Item(
                        name,
                        designs.art(art),
                        new Lay(up, 0, 0, width, Lay.Bend.LEVEL),
                        Sheet.VINYL,
                        Item.Make.NOTHING,
                        repeat.count()));
    }

    private long art(String name, String by) {
        try {
            return designs.addArt(name, new ClassPathResource("wrap/art/" + name + ".svg").getContentAsByteArray(), by);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
