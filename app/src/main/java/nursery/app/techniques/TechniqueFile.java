package nursery.app.techniques;

import java.time.Duration;
import java.util.ArrayList;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.Stream;
import java.util.stream.StreamSupport;
import nursery.app.platform.CheckedJson;
import nursery.core.film.CoatRole;
import nursery.core.measure.InvalidInput;
import nursery.core.technique.DecalSize;
import nursery.core.technique.Material;
import nursery.core.technique.School;
import nursery.core.technique.StepKind;
import nursery.core.technique.Technique;
import nursery.core.technique.TechniqueStep;
import nursery.core.technique.Wait;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/**
 * A technique as a file: JSON by the schema in {@code techniques/technique.schema.json}, described in
 * docs/techniques.md. What is read is checked against the schema first, then by the technique itself; every fault is
 * named at once.
 */
final class TechniqueFile {

    private static final String FORMAT = "nursery-technique";
    private static final int VERSION = 1;
    private static final CheckedJson FILE = new CheckedJson("/techniques/technique.schema.json", "technique");

    private TechniqueFile() {}

    /** @throws InvalidInput with every fault, named by its place in the file */
    static Technique read(byte[] file) {
        return read(FILE.read(file));
    }

    static Technique read(String text) {
        return read(FILE.read(text));
    }

    private static Technique read(JsonNode root) {
        return new Technique(
                root.path("name").asString("").strip(),
                root.path("about").asString("").strip(),
                stream(root.path("steps")).map(TechniqueFile::part).toList(),
                stream(root.path("blocks")).map(TechniqueFile::block).toList());
    }

    static String write(Technique technique) {
        ObjectNode root = CheckedJson.object()
                .put("format", FORMAT)
                .put("version", VERSION)
                .put("name", technique.name())
                .put("about", technique.about());
        ArrayNode steps = root.putArray("steps");
        technique.parts().forEach(part -> steps.add(node(part)));
        if (!technique.blocks().isEmpty()) {
            ArrayNode blocks = root.putArray("blocks");
            technique.blocks().forEach(block -> blocks.addObject()
                    .put("place", block.place().written())
                    .put("title", block.title())
                    .put("parts", block.parts()));
        }
        return CheckedJson.written(root);
    }

    /** The schema itself, for who writes files by other means. */
    static byte[] schemaFile() {
        return FILE.schemaFile();
    }

    private static Technique.Block block(JsonNode node) {
        return new Technique.Block(
                Technique.Place.valueOf(node.path("place").asString("").toUpperCase(Locale.ROOT)),
                node.path("title").asString("").strip(),
                node.path("parts").asInt(0));
    }

    private static Technique.Part part(JsonNode node) {
        return node.has("repeat")
                ? new Technique.Repeat(
                        node.path("repeat").asString("").strip(),
                        node.path("least").asInt(0),
                        node.path("most").asInt(0),
                        node.path("usual").asInt(0),
                        stream(node.path("steps")).map(TechniqueFile::step).toList())
                : new Technique.Single(step(node));
    }

    private static TechniqueStep step(JsonNode node) {
        JsonNode size = node.path("size");
        return new TechniqueStep(
                StepKind.named(node.path("do").asString("")).orElseThrow(),
                node.path("title").asString("").strip(),
                wait(node.path("wait")),
                node.path("detail").asString("").strip(),
                node.has("coat") ? CoatRole.named(node.path("coat").asString("")) : Optional.empty(),
                Material.named(node.path("material").asString("ordinary")).orElseThrow(),
                size.isObject()
                        ? Optional.of(new DecalSize(
                                size.path("widthMm").asDouble(0),
                                size.path("heightMm").asDouble(0)))
                        : Optional.empty(),
                node.path("grit").asString("").strip(),
                stream(node.path("only"))
                        .map(school -> School.valueOf(
                                school.asString("").toUpperCase(Locale.ROOT).replace('-', '_')))
                        .toList());
    }

    private static Wait wait(JsonNode node) {
        Wait.Kind kind = Wait.Kind.named(node.path("kind").asString("none")).orElseThrow();
        double hours = node.path("hours").asDouble(0);
        return kind.isMinutes()
                ? Wait.of(kind, Duration.ofMinutes(node.path("minutes").asLong(0)))
                : new Wait(kind, Duration.ZERO, hours, node.path("fastHours").asDouble(hours));
    }

    private static ObjectNode node(Technique.Part part) {
        if (part instanceof Technique.Repeat repeat) {
            ObjectNode node = CheckedJson.object()
                    .put("repeat", repeat.title())
                    .put("least", repeat.least())
                    .put("most", repeat.most())
                    .put("usual", repeat.usual());
            ArrayNode steps = node.putArray("steps");
            repeat.steps().forEach(step -> steps.add(node(step)));
            return node;
        }
        return node(((Technique.Single) part).step());
    }

    private static ObjectNode node(TechniqueStep step) {
        ObjectNode node = CheckedJson.object().put("do", step.kind().written());
        putUnlessEmpty(node, "title", step.title());
        if (step.waiting().kind() != Wait.Kind.NONE) {
            node.set("wait", node(step.waiting()));
        }
        putUnlessEmpty(node, "detail", step.detail());
        step.role().ifPresent(role -> node.put("coat", role.written()));
        if (step.material() != Material.ORDINARY) {
            node.put("material", step.material().written());
        }
        step.size()
                .ifPresent(size ->
                        node.putObject("size").put("widthMm", size.widthMm()).put("heightMm", size.heightMm()));
        putUnlessEmpty(node, "grit", step.grit());
        if (!step.only().isEmpty()) {
            ArrayNode only = node.putArray("only");
            step.only()
                    .forEach(school ->
                            only.add(school.name().toLowerCase(Locale.ROOT).replace('_', '-')));
        }
        return node;
    }

    private static ObjectNode node(Wait wait) {
        ObjectNode node = CheckedJson.object().put("kind", wait.kind().written());
        if (wait.kind().isMinutes()) {
            node.put("minutes", wait.atLeast().toMinutes());
        } else if (wait.kind() == Wait.Kind.AGE) {
            node.put("hours", wait.hours());
            if (wait.fastHours() != wait.hours()) {
                node.put("fastHours", wait.fastHours());
            }
        }
        return node;
    }

    private static void putUnlessEmpty(ObjectNode node, String field, String value) {
        if (!value.isEmpty()) {
            node.put(field, value);
        }
    }

    private static Stream<JsonNode> stream(JsonNode array) {
        return new ArrayList<>(StreamSupport.stream(array.spliterator(), false).toList()).stream();
    }
}
