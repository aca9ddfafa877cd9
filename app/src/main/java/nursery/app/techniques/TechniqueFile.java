package nursery.app.techniques;

import com.fasterxml.jackson.core.JsonParser;
import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.DeserializationFeature;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.json.JsonMapper;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import com.networknt.schema.JsonSchema;
import com.networknt.schema.JsonSchemaFactory;
import com.networknt.schema.PathType;
import com.networknt.schema.SchemaValidatorsConfig;
import com.networknt.schema.SpecVersion;
import com.networknt.schema.ValidationMessage;
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

/**
 * A technique as a file: JSON by the schema in {@code techniques/technique.schema.json}, described in docs/techniques.md. What is
 * read is checked against the schema first, then by the technique itself; every fault is named at once.
 */
final class TechniqueFile {

    /** The largest technique anyone can follow is far smaller. */
    static final int LARGEST_BYTES = 256 * 1024;
    private static final int MOST_FAULTS = 50;
    private static final String FORMAT = "nursery-technique";
    private static final int VERSION = 1;
    private static final ObjectMapper JSON = JsonMapper.builder().enable(JsonParser.Feature.STRICT_DUPLICATE_DETECTION).enable(DeserializationFeature.FAIL_ON_TRAILING_TOKENS).build();
    private static final JsonSchema SCHEMA = schema();

    private TechniqueFile() {}

    /** @throws InvalidInput with every fault, named by its place in the file */
    static Technique read(byte[] file) {
        refuseIf(file.length > LARGEST_BYTES, "The file is larger than %d kB: no technique is.".formatted(LARGEST_BYTES / 1024));
        return read(text(file));
    }

    static Technique read(String text) {
        JsonNode root = parse(text);
        List<Fault> faults = SCHEMA.validate(root).stream().map(TechniqueFile::fault).distinct().limit(MOST_FAULTS).toList();
        if (!faults.isEmpty()) {
            throw new InvalidInput(faults);
        }
        return new Technique(root.path("name").asText().strip(), root.path("about").asText().strip(), stream(root.path("steps")).map(TechniqueFile::part).toList());
    }

    static String write(Technique technique) {
        ObjectNode root = JSON.createObjectNode().put("format", FORMAT).put("version", VERSION).put("name", technique.name()).put("about", technique.about());
        ArrayNode steps = root.putArray("steps");
        technique.parts().forEach(part -> steps.add(node(part)));
        try {
            return JSON.writerWithDefaultPrettyPrinter().writeValueAsString(root) + "\n";
        } catch (JsonProcessingException e) {
            throw new IllegalStateException(e);
        }
    }

    /** The schema itself, for who writes files by other means. */
    static byte[] schemaFile() {
        try (InputStream schema = TechniqueFile.class.getResourceAsStream("/techniques/technique.schema.json")) {
            return Optional.ofNullable(schema).orElseThrow().readAllBytes();
        } catch (IOException e) {
            throw new IllegalStateException(e);
        }
    }

    private static JsonSchema schema() {
        return JsonSchemaFactory.getInstance(SpecVersion.VersionFlag.V202012).getSchema(new String(schemaFile(), StandardCharsets.UTF_8),
                SchemaValidatorsConfig.builder().pathType(PathType.JSON_PATH).locale(Locale.ENGLISH).build());
    }

    private static String text(byte[] file) {
        try {
            String text = StandardCharsets.UTF_8.newDecoder().decode(ByteBuffer.wrap(file)).toString();
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
        } catch (JsonProcessingException e) {
            String where = e.getLocation() == null ? "" : " at line %d, column %d".formatted(e.getLocation().getLineNr(), e.getLocation().getColumnNr());
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

    private static Fault fault(ValidationMessage message) {
        String at = message.getInstanceLocation().toString().replaceFirst("^\\$\\.?", "");
        String field = at.isEmpty() ? "file" : at;
        return new Fault(field, "%s: %s.".formatted(at.isEmpty() ? "The file" : at, message.getMessage().replaceFirst("^\\$[^:]*: ", "")));
    }

    private static Technique.Part part(JsonNode node) {
        return node.has("repeat") ? new Technique.Repeat(node.path("repeat").asText().strip(), node.path("least").asInt(), node.path("most").asInt(), node.path("usual").asInt(),
                stream(node.path("steps")).map(TechniqueFile::step).toList()) : new Technique.Single(step(node));
    }

    private static TechniqueStep step(JsonNode node) {
        JsonNode size = node.path("size");
        return new TechniqueStep(StepKind.named(node.path("do").asText()).orElseThrow(), node.path("title").asText().strip(), wait(node.path("wait")), node.path("detail").asText().strip(),
                node.has("coat") ? CoatRole.named(node.path("coat").asText()) : Optional.empty(), Material.named(node.path("material").asText("ordinary")).orElseThrow(),
                size.isObject() ? Optional.of(new DecalSize(size.path("widthMm").asDouble(), size.path("heightMm").asDouble())) : Optional.empty(), node.path("grit").asText().strip(),
                stream(node.path("only")).map(school -> School.valueOf(school.asText().toUpperCase(Locale.ROOT).replace('-', '_'))).toList());
    }

    private static Wait wait(JsonNode node) {
        Duration minutes = Duration.ofMinutes(node.path("minutes").asLong());
        double hours = node.path("hours").asDouble();
        return switch (node.path("kind").asText("none")) {
            case "dry" -> new Wait.Dry(minutes);
            case "settle" -> new Wait.Settle(minutes);
            case "into-coat" -> new Wait.Into(minutes);
            case "age" -> new Wait.Age(hours, node.path("fastHours").asDouble(hours));
            case "straight-on" -> new Wait.StraightOn();
            case "sandable" -> new Wait.Sandable();
            case "cured" -> new Wait.Cured();
            default -> new Wait.None();
        };
    }

    private static ObjectNode node(Technique.Part part) {
        if (part instanceof Technique.Repeat repeat) {
            ObjectNode node = JSON.createObjectNode().put("repeat", repeat.title()).put("least", repeat.least()).put("most", repeat.most()).put("usual", repeat.usual());
            ArrayNode steps = node.putArray("steps");
            repeat.steps().forEach(step -> steps.add(node(step)));
            return node;
        }
        return node(((Technique.Single) part).step());
    }

    private static ObjectNode node(TechniqueStep step) {
        ObjectNode node = JSON.createObjectNode().put("do", step.kind().written());
        putUnlessEmpty(node, "title", step.title());
        if (!(step.waiting() instanceof Wait.None)) {
            node.set("wait", node(step.waiting()));
        }
        putUnlessEmpty(node, "detail", step.detail());
        step.role().ifPresent(role -> node.put("coat", role.written()));
        if (step.material() != Material.ORDINARY) {
            node.put("material", step.material().written());
        }
        step.size().ifPresent(size -> node.putObject("size").put("widthMm", size.widthMm()).put("heightMm", size.heightMm()));
        putUnlessEmpty(node, "grit", step.grit());
        if (!step.only().isEmpty()) {
            ArrayNode only = node.putArray("only");
            step.only().forEach(school -> only.add(school.name().toLowerCase(Locale.ROOT).replace('_', '-')));
        }
        return node;
    }

    private static ObjectNode node(Wait wait) {
        ObjectNode node = JSON.createObjectNode().put("kind", WaitWords.written(wait));
        if (wait instanceof Wait.Age age) {
            node.put("hours", age.hours());
            if (age.fastHours() != age.hours()) {
                node.put("fastHours", age.fastHours());
            }
        } else {
            WaitWords.minutes(wait).ifPresent(minutes -> node.put("minutes", minutes));
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
