package nursery.app.keep;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.OutputStreamWriter;
import java.io.Writer;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Base64;
import java.util.HexFormat;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import nursery.app.platform.CsvText;
import nursery.app.platform.FileStore;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVPrinter;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/**
 * The whole shop in open formats: of each table a JSON file with its schema and a CSV of the same, each piece of art
 * and each version of a design as a file of its own, and a manifest with counts and SHA-256. What a shop was exported
 * to can be imported into an empty one with nothing lost but passwords and PINs.
 */
final class Export {

    static final int VERSION = 1;
    static final String FORMAT = "nursery-export";
    static final String MANIFEST = "manifest.json";

    /** What belongs to the running shop, not to what it is about. */
    private static final Set<String> NOT_TOLD = Set.of(
            "SPRING_SESSION",
            "SPRING_SESSION_ATTRIBUTES",
            "flyway_schema_history",
            "shedlock",
            "submission",
            "desk_run",
            "scale_shown",
            "join_code");
    /** A PIN of four digits is soon found from its hash: no file that is handed on has one. */
    private static final Set<String> SECRET = Set.of("maker.password_hash", "maker.pin_hash");

    private static final Set<String> BINARY =
            Set.of("blob", "mediumblob", "longblob", "tinyblob", "binary", "varbinary");
    private static final Set<String> WHOLE = Set.of("bigint", "int", "smallint", "tinyint", "mediumint");
    private static final Set<String> BROKEN_OFF = Set.of("double", "float", "decimal");
    private static final JsonMapper JSON = new JsonMapper();

    private Export() {}

    /** A column as its table has it. */
    record Column(String name, String type, boolean optional, String comment) {
        boolean isBinary() {
            return BINARY.contains(type);
        }

        String json() {
            return WHOLE.contains(type) ? "integer" : BROKEN_OFF.contains(type) ? "number" : "string";
        }
    }

    /** @return the rows of each table */
    static Map<String, Long> make(DatabaseTools database, Path files, Path file, Instant now) throws IOException {
        Path folder = file.toAbsolutePath().getParent();
        if (folder == null || !Files.isDirectory(folder)) {
            throw new IOException("There is no folder %s.".formatted(folder));
        }
        Path beside = Files.createTempFile(folder, ".export", ".part");
        try {
            Map<String, Long> rows;
            try (Parts parts = new Parts(new ZipOutputStream(Files.newOutputStream(beside), StandardCharsets.UTF_8))) {
                rows = write(database, files, parts, now);
            }
            Files.move(beside, file, StandardCopyOption.REPLACE_EXISTING);
            return rows;
        } finally {
            Files.deleteIfExists(beside);
        }
    }

    private static Map<String, Long> write(DatabaseTools database, Path files, Parts parts, Instant now)
            throws IOException {
        Map<String, Long> rows = new LinkedHashMap<>();
        Map<String, List<Column>> tables = tables(database);
        // One transaction, so that all tables are of one moment.
        StringBuilder sql = new StringBuilder("START TRANSACTION WITH CONSISTENT SNAPSHOT;\n");
        tables.forEach(
                (table, columns) -> sql.append(selection(table, columns, "")).append(";\n"));
        Map<String, ArrayNode> found = new LinkedHashMap<>();
        tables.keySet().forEach(table -> found.put(table, JSON.createArrayNode()));
        database.rows(sql.toString(), line -> {
            int tab = line.indexOf('\t');
            rowsOf(found, line.substring(0, tab)).add(JSON.readTree(line.substring(tab + 1)));
        });
        for (Map.Entry<String, List<Column>> table : tables.entrySet()) {
            ArrayNode all = rowsOf(found, table.getKey());
            rows.put(table.getKey(), (long) all.size());
            parts.put("tables/%s.json".formatted(table.getKey()), pretty(all));
            parts.put("tables/%s.csv".formatted(table.getKey()), csv(table.getValue(), all));
            parts.put("schemas/%s.schema.json".formatted(table.getKey()), pretty(schema(table)));
        }
        art(rowsOf(found, "art"), parts);
        designs(rowsOf(found, "design_version"), parts);
        for (Path photo : FileStore.all(files)) {
            parts.put("files/" + photo.getFileName(), Files.readAllBytes(photo));
        }
        ObjectNode manifest = JSON.createObjectNode().put("format", FORMAT).put("version", VERSION);
        manifest.put("madeAt", now.toString()).put("schema", Archive.schema(database));
        ObjectNode counts = manifest.putObject("rows");
        rows.forEach(counts::put);
        ObjectNode sums = manifest.putObject("sha256");
        parts.sums.forEach(sums::put);
        parts.put(MANIFEST, pretty(manifest));
        return rows;
    }

    private static ArrayNode rowsOf(Map<String, ArrayNode> found, String table) {
        return found.computeIfAbsent(table, none -> JSON.createArrayNode());
    }

    /** What of a cup is told, and how its rows are found; the first is the cup itself. */
    private static final Map<String, String> OF_A_CUP = new LinkedHashMap<>();

    static {
        OF_A_CUP.put("cup", "id = %1$d");
        OF_A_CUP.put("cup_step", "cup_id = %1$d");
        OF_A_CUP.put("log_entry", "cup_id = %1$d");
        OF_A_CUP.put("entry_question", "entry_id IN (SELECT id FROM log_entry WHERE cup_id = %1$d)");
        OF_A_CUP.put("batch_share", "cup_id = %1$d");
        OF_A_CUP.put("batch", "id IN (SELECT batch_id FROM batch_share WHERE cup_id = %1$d)");
        OF_A_CUP.put("cup_design", "cup_id = %1$d");
        OF_A_CUP.put("cup_material", "cup_id = %1$d");
        OF_A_CUP.put("material_move", "cup_id = %1$d");
        OF_A_CUP.put(
                "material_lot",
                "id IN (SELECT lot_id FROM material_move WHERE cup_id = %1$d) OR material_id IN (SELECT material_id "
                        + "FROM cup_material WHERE cup_id = %1$d)");
        OF_A_CUP.put("material", "id IN (SELECT material_id FROM cup_material WHERE cup_id = %1$d)");
        OF_A_CUP.put("photo", "cup_id = %1$d");
        OF_A_CUP.put("cup_next_time", "cup_id = %1$d");
        OF_A_CUP.put("blank", "id IN (SELECT blank_id FROM cup WHERE id = %1$d)");
        OF_A_CUP.put("blank_edition", "blank_id IN (SELECT blank_id FROM cup WHERE id = %1$d)");
        OF_A_CUP.put(
                "resin",
                "id IN (SELECT base_resin_id FROM cup WHERE id = %1$d UNION "
                        + "SELECT last_resin_id FROM cup WHERE id = %1$d)");
        OF_A_CUP.put(
                "resin_edition",
                "resin_id IN (SELECT base_resin_id FROM cup WHERE id = %1$d UNION "
                        + "SELECT last_resin_id FROM cup WHERE id = %1$d)");
    }

    /** Cups with all that belongs to them, each an object of tables as the whole export has them. */
    static byte[] cups(DatabaseTools database, List<Long> ids, Instant now) throws IOException {
        Map<String, List<Column>> tables = tables(database);
        ObjectNode root = JSON.createObjectNode().put("format", "nursery-cups").put("version", VERSION);
        root.put("madeAt", now.toString()).put("schema", Archive.schema(database));
        ArrayNode cups = root.putArray("cups");
        for (long id : ids) {
            ObjectNode cup = cups.addObject();
            StringBuilder sql = new StringBuilder("START TRANSACTION WITH CONSISTENT SNAPSHOT;\n");
            OF_A_CUP.forEach((table, where) -> {
                cup.putArray(table);
                sql.append(selection(table, tables.getOrDefault(table, List.of()), " WHERE " + where.formatted(id)))
                        .append(";\n");
            });
            database.rows(sql.toString(), line -> {
                int tab = line.indexOf('\t');
                cup.withArray(line.substring(0, tab)).add(JSON.readTree(line.substring(tab + 1)));
            });
        }
        return pretty(root);
    }

    static Map<String, List<Column>> tables(DatabaseTools database) throws IOException {
        Map<String, List<Column>> tables = new LinkedHashMap<>();
        for (String line : database.ask(("SELECT c.table_name, c.column_name, c.data_type, c.is_nullable, "
                        + "c.column_comment FROM information_schema.columns c JOIN information_schema.tables t USING "
                        + "(table_schema, table_name) WHERE c.table_schema = '%s' AND t.table_type = 'BASE TABLE' AND "
                        + "COALESCE(c.generation_expression, '') = '' ORDER BY c.table_name, c.ordinal_position")
                .formatted(database.name()))) {
            String[] cells = line.split("\t", -1);
            if (!NOT_TOLD.contains(cells[0]) && !SECRET.contains(cells[0] + "." + cells[1])) {
                tables.computeIfAbsent(cells[0], table -> new ArrayList<>())
                        .add(new Column(cells[1], cells[2], cells[3].equals("YES"), cells[4]));
            }
        }
        return tables;
    }

    /** A row a line: the table, then its columns as JSON, which has no ends of lines in it. */
    private static String selection(String table, List<Column> columns, String where) {
        StringBuilder object = new StringBuilder();
        for (Column column : columns) {
            object.append(object.isEmpty() ? "" : ", ")
                    .append("'%s', ".formatted(column.name()))
                    .append(
                            column.isBinary()
                                    ? "REPLACE(TO_BASE64(`%s`), '\\n', '')".formatted(column.name())
                                    : "`%s`".formatted(column.name()));
        }
        return "SELECT '%s', JSON_OBJECT(%s) FROM `%1$s`%3$s ORDER BY 2".formatted(table, object, where);
    }

    private static ObjectNode schema(Map.Entry<String, List<Column>> table) {
        ObjectNode schema = JSON.createObjectNode();
        schema.put("$schema", "https://json-schema.org/draft/2020-12/schema")
                .put("title", table.getKey())
                .put("type", "array");
        ObjectNode row = schema.putObject("items").put("type", "object");
        ObjectNode properties = row.putObject("properties");
        ArrayNode required = row.putArray("required");
        for (Column column : table.getValue()) {
            ObjectNode property = properties.putObject(column.name());
            if (column.optional()) {
                property.putArray("type").add(column.json()).add("null");
            } else {
                property.put("type", column.json());
            }
            if (column.isBinary()) {
                property.put("contentEncoding", "base64");
            }
            property.put("description", column.comment().isEmpty() ? column.type() : column.comment());
            required.add(column.name());
        }
        row.put("additionalProperties", false);
        return schema;
    }

    private static byte[] csv(List<Column> columns, ArrayNode rows) throws IOException {
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        try (Writer writer = new OutputStreamWriter(bytes, StandardCharsets.UTF_8);
                CSVPrinter csv = new CSVPrinter(writer, CSVFormat.RFC4180)) {
            csv.printRecord(columns.stream().map(Column::name).toList());
            for (JsonNode row : rows) {
                List<Object> cells = new ArrayList<>();
                for (Column column : columns) {
                    JsonNode value = row.path(column.name());
                    cells.add(value.isNull() ? "" : spreadsheet(value.asString("")));
                }
                csv.printRecord(cells);
            }
        }
        return bytes.toByteArray();
    }

    /** A figure is one; all else that a spreadsheet would take for a formula is text. */
    private static String spreadsheet(String text) {
        return text.matches("-?\\d+(\\.\\d+)?([eE][-+]?\\d+)?") ? text : CsvText.safe(text);
    }

    private static void art(ArrayNode art, Parts parts) throws IOException {
        for (JsonNode one : art) {
            parts.put(
                    "art/%d-%s.%s"
                            .formatted(
                                    one.path("id").asLong(),
                                    plain(one.path("name").asString("")),
                                    one.path("kind").asString("")),
                    Base64.getDecoder().decode(one.path("body").asString("")));
        }
    }

    private static void designs(ArrayNode versions, Parts parts) throws IOException {
        for (JsonNode one : versions) {
            parts.put(
                    "designs/%d-version-%d.design.json"
                            .formatted(
                                    one.path("design_id").asLong(),
                                    one.path("number").asLong()),
                    one.path("body").asString("").getBytes(StandardCharsets.UTF_8));
        }
    }

    /** As a file is called on any machine. */
    private static String plain(String name) {
        String plain = name.replaceAll("[^\\p{L}\\p{N}_-]+", "-");
        return plain.substring(0, Math.min(40, plain.length()));
    }

    private static byte[] pretty(JsonNode node) {
        return JSON.writerWithDefaultPrettyPrinter().writeValueAsBytes(node);
    }

    static String sha256(byte[] bytes) {
        try {
            return HexFormat.of().formatHex(MessageDigest.getInstance("SHA-256").digest(bytes));
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException(e);
        }
    }

    /** The files of a zip, with their sums. */
    private static final class Parts implements AutoCloseable {
        private final ZipOutputStream zip;
        private final Map<String, String> sums = new LinkedHashMap<>();

        Parts(ZipOutputStream zip) {
            this.zip = zip;
        }

        void put(String name, byte[] bytes) throws IOException {
            zip.putNextEntry(new ZipEntry(name));
            zip.write(bytes);
            zip.closeEntry();
            sums.put(name, sha256(bytes));
        }

        @Override
        public void close() throws IOException {
            zip.close();
        }
    }
}
