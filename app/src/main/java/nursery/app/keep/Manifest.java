package nursery.app.keep;

import java.io.IOException;
import java.io.InputStream;
import java.time.Instant;
import java.util.SortedMap;
import java.util.TreeMap;
import java.util.zip.ZipEntry;
import java.util.zip.ZipFile;
import nursery.app.keep.Archive.Broken;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;

/**
 * What a backup says of itself.
 *
 * @param schema the newest migration in it, such as 21
 * @param rows of each table
 * @param files how many files are in it
 */
record Manifest(Instant madeAt, int schema, SortedMap<String, Long> rows, long bytes, String sha256, long files) {

    static final int VERSION = 2;
    static final String NAME = "manifest.json";
    private static final String FORMAT = "nursery-backup";
    private static final long LARGEST_MANIFEST = 1024L * 1024;
    /** Of a shop of a hundred years, with room to spare. */
    private static final long LARGEST = 50L * 1024 * 1024 * 1024;

    private static final JsonMapper JSON = new JsonMapper();

    long cups() {
        return rows.getOrDefault("cup", 0L);
    }

    static Manifest of(ZipFile zip) throws IOException {
        ZipEntry entry = zip.getEntry(NAME);
        if (entry == null) {
            throw new Broken("There is no manifest in it: this is no backup of Nursery.");
        }
        byte[] text;
        try (InputStream in = new Bounded(zip.getInputStream(entry), LARGEST_MANIFEST)) {
            text = in.readAllBytes();
        }
        try {
            JsonNode root = JSON.readTree(text);
            SortedMap<String, Long> rows = new TreeMap<>();
            root.path("rows")
                    .properties()
                    .forEach(table -> rows.put(table.getKey(), table.getValue().asLong(-1)));
            Manifest manifest = new Manifest(
                    Instant.parse(root.path("madeAt").asString("")),
                    root.path("schema").asInt(-1),
                    rows,
                    root.path("bytes").asLong(-1),
                    root.path("sha256").asString(""),
                    root.path("files").asLong(0));
            boolean possible = FORMAT.equals(root.path("format").asString(""))
                    && manifest.schema() >= 1
                    && manifest.bytes() >= 0
                    && manifest.bytes() <= LARGEST
                    && rows.keySet().stream().allMatch(table -> table.matches("\\w{1,64}"));
            if (!possible) {
                throw new Broken("Its manifest is not that of a backup of Nursery.");
            }
            if (root.path("version").asInt(0) > VERSION) {
                throw new Broken("It was made by a newer Nursery: install that one.");
            }
            return manifest;
        } catch (JacksonException | java.time.DateTimeException e) {
            throw new Broken("Its manifest cannot be read: it was damaged or changed.");
        }
    }

    byte[] written() {
        ObjectNode root = JSON.createObjectNode().put("format", FORMAT).put("version", VERSION);
        root.put("madeAt", madeAt.toString())
                .put("schema", schema)
                .put("bytes", bytes)
                .put("sha256", sha256)
                .put("files", files);
        ObjectNode counts = root.putObject("rows");
        rows.forEach(counts::put);
        return JSON.writerWithDefaultPrettyPrinter().writeValueAsBytes(root);
    }
}
