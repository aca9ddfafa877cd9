package nursery.app.platform;

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
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import nursery.core.measure.Fault;
import nursery.core.measure.InvalidInput;
import tools.jackson.core.JacksonException;
import tools.jackson.core.StreamReadFeature;
import tools.jackson.core.TokenStreamLocation;
import tools.jackson.databind.DeserializationFeature;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;

/**
 * A file of JSON by a schema of ours: read as UTF-8, checked against the schema, every fault named by its place in the
 * file at once.
 */
public final class CheckedJson {

    /** No file of ours comes near it. */
    public static final int LARGEST_BYTES = 256 * 1024;

    private static final int MOST_FAULTS = 50;
    private static final JsonMapper JSON = JsonMapper.builder()
            .enable(StreamReadFeature.STRICT_DUPLICATE_DETECTION)
            .enable(DeserializationFeature.FAIL_ON_TRAILING_TOKENS)
            .build();

    private final String what;
    private final byte[] schemaFile;
    private final Schema schema;

    /**
     * @param resource where the schema lies
     * @param what the file holds, in a word
     */
    public CheckedJson(String resource, String what) {
        this.what = what;
        try (InputStream file = CheckedJson.class.getResourceAsStream(resource)) {
            this.schemaFile = Optional.ofNullable(file).orElseThrow().readAllBytes();
        } catch (IOException e) {
            throw new IllegalStateException(e);
        }
        this.schema = schema(schemaFile);
    }

    /** @throws InvalidInput with every fault, named by its place in the file */
    public JsonNode read(byte[] file) {
        refuseIf(
                file.length > LARGEST_BYTES,
                "The file is larger than %d kB: no %s is.".formatted(LARGEST_BYTES / 1024, what));
        return read(text(file));
    }

    /** @throws InvalidInput with every fault, named by its place in the file */
    public JsonNode read(String text) {
        JsonNode root = parse(text);
        List<Fault> faults = schema.validate(root).stream()
                .map(CheckedJson::fault)
                .distinct()
                .limit(MOST_FAULTS)
                .toList();
        if (!faults.isEmpty()) {
            throw new InvalidInput(faults);
        }
        return root;
    }

    public byte[] schemaFile() {
        return schemaFile.clone();
    }

    public static ObjectNode object() {
        return JSON.createObjectNode();
    }

    public static String written(ObjectNode root) {
        return JSON.writerWithDefaultPrettyPrinter().writeValueAsString(root) + "\n";
    }

    private static Schema schema(byte[] file) {
        SchemaRegistryConfig told = SchemaRegistryConfig.builder()
                .pathType(PathType.JSON_PATH)
                .locale(Locale.ENGLISH)
                .build();
        return SchemaRegistry.withDefaultDialect(
                        SpecificationVersion.DRAFT_2020_12, registry -> registry.schemaRegistryConfig(told))
                .getSchema(new String(file, StandardCharsets.UTF_8), InputFormat.JSON);
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
}
