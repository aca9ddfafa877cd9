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
import nursery.core.technique.Field;
import nursery.core.technique.Fields;
import nursery.core.technique.Grit;
import nursery.core.technique.School;
import nursery.core.technique.StepKind;
import nursery.core.technique.Technique;
import nursery.core.technique.TechniqueStep;
import nursery.core.technique.Wait;
import nursery.core.technique.Words;
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
    /** Version 1 said in words what is a field now: sealer, cleaner, heat, what was laid, grit, dust. */
    private static final int VERSION = 2;

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
                stream(root.path("steps"))
                        .map(node -> part(node, root.path("version").asInt(VERSION) < VERSION))
                        .toList(),
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

    private static Technique.Part part(JsonNode node, boolean inWords) {
        return node.has("repeat")
                ? new Technique.Repeat(
                        node.path("repeat").asString("").strip(),
                        node.path("least").asInt(0),
                        node.path("most").asInt(0),
                        node.path("usual").asInt(0),
                        stream(node.path("steps"))
                                .map(step -> step(step, inWords))
                                .toList())
                : new Technique.Single(step(node, inWords));
    }

    private static TechniqueStep step(JsonNode node, boolean inWords) {
        JsonNode size = node.path("size");
        StepKind kind = StepKind.named(node.path("do").asString("")).orElseThrow();
        String title = node.path("title").asString("").strip();
        String detail = node.path("detail").asString("").strip();
        return new TechniqueStep(
                kind,
                title,
                wait(node.path("wait")),
                inWords ? withItsGrit(node, detail) : detail,
                node.has("coat") ? CoatRole.named(node.path("coat").asString("")) : Optional.empty(),
                how(
                        node,
                        kind,
                        inWords
                                ? read(node, kind, title, detail)
                                : Fields.usual(kind).with(Grit.UNSAID)),
                size.isObject()
                        ? Optional.of(new DecalSize(
                                size.path("widthMm").asDouble(0),
                                size.path("heightMm").asDouble(0)))
                        : Optional.empty(),
                stream(node.path("only"))
                        .map(school -> School.valueOf(
                                school.asString("").toUpperCase(Locale.ROOT).replace('-', '_')))
                        .toList());
    }

    /** What a step of the first version says in words. */
    private static Fields read(JsonNode node, StepKind kind, String title, String detail) {
        return Words.read(
                kind,
                title,
                detail,
                node.path("material").asString(""),
                node.path("grit").isString() ? node.path("grit").asString("") : "");
    }

    /** What a grit of the first version said beside its numbers stays readable. */
    private static String withItsGrit(JsonNode node, String detail) {
        String beside = node.path("grit").isString()
                ? Words.besideNumbers(node.path("grit").asString("").strip())
                : "";
        String words = (detail + " " + beside).strip();
        return words.length() <= Technique.LONGEST_TEXT ? words : detail;
    }

    /** @param otherwise what is not said */
    private static Fields how(JsonNode node, StepKind kind, Fields otherwise) {
        Fields fields = otherwise;
        for (Field field : Field.of(kind)) {
            JsonNode said = node.path(field.written());
            if (field.isChosen() && said.isString()) {
                fields = fields.with(field, said.asString("")).orElse(fields);
            } else if (said.isNumber()) {
                fields = fields.with(Grit.of(said.asInt(0)));
            } else if (said.isArray()) {
                fields = fields.with(grit(said.path(0).asInt(0), said.path(1).asInt(0)));
            }
        }
        return fields;
    }

    private static Grit grit(int one, int other) {
        return new Grit(Math.min(one, other), Math.max(one, other));
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
        putHow(node, step);
        step.size()
                .ifPresent(size ->
                        node.putObject("size").put("widthMm", size.widthMm()).put("heightMm", size.heightMm()));
        if (!step.only().isEmpty()) {
            ArrayNode only = node.putArray("only");
            step.only()
                    .forEach(school ->
                            only.add(school.name().toLowerCase(Locale.ROOT).replace('_', '-')));
        }
        return node;
    }

    /** What goes without saying is left out. */
    private static void putHow(ObjectNode node, TechniqueStep step) {
        Fields usual = Fields.usual(step.kind());
        for (Field field : Field.of(step.kind())) {
            if (field.isChosen() && !step.how().written(field).equals(usual.written(field))) {
                node.put(field.written(), step.how().written(field));
            }
        }
        Grit grit = step.how().grit();
        if (Field.GRIT.isOf(step.kind()) && grit.isSaid()) {
            if (grit.coarsest() == grit.finest()) {
                node.put(Field.GRIT.written(), grit.finest());
            } else {
                node.putArray(Field.GRIT.written()).add(grit.coarsest()).add(grit.finest());
            }
        }
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
