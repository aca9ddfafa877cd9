package nursery.app.techniques;

import com.networknt.schema.Error;
import com.networknt.schema.InputFormat;
import com.networknt.schema.Schema;
import com.networknt.schema.SchemaRegistry;
import com.networknt.schema.SchemaRegistryConfig;
import com.networknt.schema.SpecificationVersion;
import com.networknt.schema.path.PathType;
import java.io.IOException;
import java.io.InputStream;
import java.nio.ByteBuffer;
import java.nio.charset.CharacterCodingException;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.Stream;
import java.util.stream.StreamSupport;
import nursery.core.film.CoatRole;
import nursery.core.measure.Fault;
import nursery.core.measure.InvalidInput;
import nursery.core.technique.DecalSize;
import nursery.core.technique.Material;
import nursery.core.technique.School;
import nursery.core.technique.StepKind;
import nursery.core.technique.Technique;
import nursery.core.technique.TechniqueStep;
import nursery.core.technique.Wait;
import tools.jackson.core.JacksonException;
import tools.jackson.core.StreamReadFeature;
import tools.jackson.core.TokenStreamLocation;
import tools.jackson.databind.DeserializationFeature;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/**
 * A technique as a file: JSON by the schema in {@code techniques/technique.schema.json}, described in
 * docs/techniques.md. What is read is checked against the schema first, then by the technique itself; every fault is
 * named at once.
 */
final class TechniqueFile {

    /** The largest technique anyone can follow is far smaller. */
    static final int LARGEST_BYTES = 256 * 1024;

    private static final int MOST_FAULTS = 50;
    private static final String FORMAT = "nursery-technique";
    private static final int VERSION = 1;
    private static final JsonMapper JSON = JsonMapper.builder()
            .enable(StreamReadFeature.STRICT_DUPLICATE_DETECTION)
            .enable(DeserializationFeature.FAIL_ON_TRAILING_TOKENS)
            .build();
    private static final Schema SCHEMA = schema();

    private TechniqueFile() {}

    /** @throws InvalidInput with every fault, named by its place in the file */
    static Technique read(byte[] file) {
        refuseIf(
                file.length > LARGEST_BYTES,
                "The file is larger than %d kB: no technique is.".formatted(LARGEST_BYTES / 1024));
        return read(text(file));
    }

    static Technique read(String text) {
        JsonNode root = parse(text);
        List<Fault> faults = SCHEMA.validate(root).stream()
                .map(TechniqueFile::fault)
                .distinct()
                .limit(MOST_FAULTS)
                .toList();
        if (!faults.isEmpty()) {
            throw new InvalidInput(faults);
        }
        return new Technique(
                root.path("name").asString("").strip(),
                root.path("about").asString("").strip(),
                stream(root.path("steps")).map(TechniqueFile::part).toList(),
                stream(root.path("blocks")).map(TechniqueFile::block).toList());
    }

    static String write(Technique technique) {
        ObjectNode root = JSON.createObjectNode()
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
        return JSON.writerWithDefaultPrettyPrinter().writeValueAsString(root) + "\n";
    }

    /** The schema itself, for who writes files by other means. */
    static byte[] schemaFile() {
        try (InputStream schema = TechniqueFile.class.getResourceAsStream("/techniques/technique.schema.json")) {
            return Optional.ofNullable(schema).orElseThrow().readAllBytes();
        } catch (IOException e) {
            throw new IllegalStateException(e);
        }
    }

    private static Schema schema() {
        SchemaRegistryConfig told = SchemaRegistryConfig.builder()
                .pathType(PathType.JSON_PATH)
                .locale(Locale.ENGLISH)
                .build();
        return SchemaRegistry.withDefaultDialect(
                        SpecificationVersion.DRAFT_2020_12, registry -> registry.schemaRegistryConfig(told))
                .getSchema(new String(schemaFile(), StandardCharsets.UTF_8), InputFormat.JSON);
    }

    private static String text(byte[] file) {
        try {
            String text = StandardCharsets.UTF_8
                    .newDecoder()
                    .decode(ByteBuffer.wrap(file))
                    .toString();
            return text.startsWith("\ufeff") ? text.substring(1) : text;
        } catch (CharacterCodingException e) {
            throw refused("The file is not UTF-8 text: save it as UTF-8 and try again.");
        }
    }

    private static JsonNode parse(String text) {
        try {
            JsonNode root = JSON.readTree(text);
            refuseIf(root == null || root.isMissingNode(), "The file is empty.");
            return Optional.ofNullable(root).orElseThrow();
        } catch (JacksonException e) {
            TokenStreamLocation at = e.getLocation();
            String where = at == null ? "" : " at line %d, column %d".formatted(at.getLineNr(), at.getColumnNr());
            throw refused("The file is not JSON%s: %s.".formatted(where, e.getOriginalMessage()));
        }
    }

    private static void refuseIf(boolean wrong, String message) {
        if (wrong) {
            throw refused(message);
        }
    }

    private static InvalidInput refused(String message) {
        return new InvalidInput(List.of(new Fault("file", message)));
    }

    private static Fault fault(Error message) {
        String at = message.getInstanceLocation().toString().replaceFirst("^\\$\\.?", "");
        String field = at.isEmpty() ? "file" : at;
        return new Fault(
                field,
                "%s: %s."
                        .formatted(
                                at.isEmpty() ? "The file" : at,
                                message.getMessage().replaceFirst("^\\$[^:]*: ", "")));
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
            ObjectNode node = JSON.createObjectNode()
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
        ObjectNode node = JSON.createObjectNode().put("do", step.kind().written());
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
        ObjectNode node = JSON.createObjectNode().put("kind", wait.kind().written());
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
