package nursery.app.wrap;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import java.util.stream.StreamSupport;
import nursery.app.platform.CheckedJson;
import nursery.core.wrap.Art;
import nursery.core.wrap.Colours;
import nursery.core.wrap.Design;
import nursery.core.wrap.Item;
import nursery.core.wrap.Lay;
import nursery.core.wrap.Sheet;
import nursery.core.wrap.WaveLine;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** A design as it is kept: JSON by the schema in {@code wrap/design.schema.json}; lengths in mm, angles in degrees. */
final class DesignFile {

    private static final CheckedJson FILE = new CheckedJson("/wrap/design.schema.json", "design");

    private DesignFile() {}

    static byte[] schemaFile() {
        return FILE.schemaFile();
    }

    static String write(Sketch sketch) {
        ObjectNode root = CheckedJson.object().put("format", "nursery-design").put("version", 1);
        root.put("name", sketch.name()).put("blank", sketch.blankId()).put("base", sketch.base());
        root.put("glitter", sketch.glitter());
        root.put("seamDeg", Math.toDegrees(sketch.seamAngle()));
        ArrayNode items = root.putArray("items");
        for (Sketch.Part part : sketch.parts()) {
            Item item = part.item();
            Lay lay = item.lay();
            ObjectNode node = items.addObject();
            node.put("art", part.art())
                    .put("name", item.name())
                    .put("upMm", lay.upMm())
                    .put("aroundDeg", Math.toDegrees(lay.angle()))
                    .put("tiltDeg", lay.tiltDeg())
                    .put("widthMm", lay.widthMm())
                    .put("bend", lay.bend().written())
                    .put("sheet", item.sheet().written())
                    .put("motifs", item.motifs())
                    .put("joined", item.make().joined())
                    .put("under", item.make().under())
                    .put("keepHoles", item.make().keepHoles())
                    .put("bridgeMm", item.make().bridgeMm())
                    .put("clearSeam", item.make().clearSeam());
            write(node.putObject("recolour"), item.make().recoloured().drawn());
            write(node.putObject("named"), item.make().recoloured().named());
            ArrayNode outlines = node.putArray("outlines");
            for (int i = 0; i < item.make().outlinesMm().size(); i++) {
                outlines.addObject()
                        .put("mm", item.make().outlinesMm().get(i))
                        .put("colour", item.make().colours().get(i));
            }
        }
        ArrayNode bands = root.putArray("bands");
        for (Design.Band band : sketch.bands()) {
            bands.addObject()
                    .put("name", band.name())
                    .put("colour", band.colour())
                    .put("frontMm", band.line().frontMm())
                    .put("backMm", band.line().backMm())
                    .put("swellMm", band.line().swellMm())
                    .put("swells", band.line().swells());
        }
        return CheckedJson.written(root);
    }

    private static void write(ObjectNode node, Map<String, String> colours) {
        colours.entrySet().stream()
                .sorted(Map.Entry.comparingByKey())
                .forEach(other -> node.put(other.getKey(), other.getValue()));
    }

    static Sketch read(String text, ArtShelf shelf) {
        JsonNode root = FILE.read(text);
        List<Sketch.Part> parts = new ArrayList<>();
        stream(root.path("items")).forEach(node -> parts.add(part(node, shelf)));
        return new Sketch(
                root.path("name").asString(""),
                root.path("blank").asLong(0),
                root.path("base").asString(""),
                root.path("glitter").asBoolean(false),
                parts,
                Math.toRadians(root.path("seamDeg").asDouble(180)),
                stream(root.path("bands"))
                        .map(node -> new Design.Band(
                                node.path("name").asString(""),
                                node.path("colour").asString(""),
                                new WaveLine(
                                        node.path("frontMm").asDouble(0),
                                        node.path("backMm").asDouble(0),
                                        node.path("swellMm").asDouble(0),
                                        node.path("swells").asInt(0))))
                        .toList());
    }

    private static Sketch.Part part(JsonNode node, ArtShelf shelf) {
        long art = node.path("art").asLong(0);
        Art found = shelf.find(art).art();
        return new Sketch.Part(
                art,
                new Item(
                        node.path("name").asString(""),
                        found,
                        new Lay(
                                node.path("upMm").asDouble(0),
                                Math.toRadians(node.path("aroundDeg").asDouble(0)),
                                node.path("tiltDeg").asDouble(0),
                                node.path("widthMm").asDouble(0),
                                Lay.Bend.named(node.path("bend").asString("")).orElse(Lay.Bend.LEVEL)),
                        Sheet.named(node.path("sheet").asString("")).orElse(Sheet.VINYL),
                        new Item.Make(
                                node.path("joined").asBoolean(false),
                                stream(node.path("outlines"))
                                        .map(line -> line.path("mm").asDouble(0))
                                        .toList(),
                                stream(node.path("outlines"))
                                        .map(line -> line.path("colour").asString(""))
                                        .toList(),
                                node.path("under").asBoolean(true),
                                node.path("keepHoles").asBoolean(false),
                                node.path("bridgeMm").asDouble(0),
                                node.path("clearSeam").asBoolean(false),
                                new Colours(colours(node.path("recolour")), colours(node.path("named")))),
                        node.path("motifs").asInt(1)));
    }

    private static Map<String, String> colours(JsonNode node) {
        Map<String, String> other = new HashMap<>();
        node.properties().forEach(one -> other.put(one.getKey(), one.getValue().asString("")));
        return other;
    }

    private static Stream<JsonNode> stream(JsonNode node) {
        return StreamSupport.stream(node.spliterator(), false);
    }
}
