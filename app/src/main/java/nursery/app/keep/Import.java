package nursery.app.keep;

import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.Base64;
import java.util.HexFormat;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.zip.ZipEntry;
import java.util.zip.ZipException;
import java.util.zip.ZipFile;
import nursery.app.keep.Archive.Broken;
import nursery.app.platform.FileStore;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** Takes what {@link Export} wrote into a new shop, all of it or nothing; nothing is lost but passwords and PINs. */
final class Import {

    private static final long LARGEST_PART = 2L * 1024 * 1024 * 1024;
    private static final int ROWS_AT_ONCE = 200;
    private static final JsonMapper JSON = new JsonMapper();

    private Import() {}

    /**
     * Takes an export into a shop that holds no cups.
     *
     * @throws Broken if it is not whole, of a newer Nursery, or the shop is not empty; nothing is changed then
     */
    static Map<String, Long> take(DatabaseTools database, Path files, Path file) throws IOException {
        if (Archive.schema(database) != Archive.newest()) {
            throw new Broken("Start the new shop once and stop it again: then there is something to import into.");
        }
        for (String table : List.of("cup", "design", "technique", "batch")) {
            if (!database.ask("SELECT COUNT(*) FROM " + table).get(0).equals("0")) {
                throw new Broken(
                        "This shop is not empty: an export is taken into a new one only. A backup is restored.");
            }
        }
        try (ZipFile zip = new ZipFile(file.toFile(), StandardCharsets.UTF_8)) {
            JsonNode manifest = json(part(zip, Export.MANIFEST));
            if (!Export.FORMAT.equals(manifest.path("format").asString(""))
                    || manifest.path("version").asInt(0) > Export.VERSION
                    || manifest.path("schema").asInt(Integer.MAX_VALUE) > Archive.newest()) {
                throw new Broken("It is no export of Nursery, or one of a newer Nursery: install that one.");
            }
            Map<String, List<Export.Column>> tables = Export.tables(database);
            Map<String, JsonNode> read = new LinkedHashMap<>();
            for (Map.Entry<String, JsonNode> table : manifest.path("rows").properties()) {
                if (!tables.containsKey(table.getKey())) {
                    throw new Broken("It holds a table “%s”, which no shop has.".formatted(table.getKey()));
                }
                String name = "tables/%s.json".formatted(table.getKey());
                byte[] bytes = part(zip, name);
                if (!Export.sha256(bytes)
                        .equals(manifest.path("sha256").path(name).asString(""))) {
                    throw new Broken(name + " is not what the manifest says: it was damaged or changed.");
                }
                JsonNode rows = json(bytes);
                if (!rows.isArray() || rows.size() != table.getValue().asLong(-1)) {
                    throw new Broken(name + " holds another number of rows than the manifest says.");
                }
                read.put(table.getKey(), rows);
            }
            Archive.eachFile(zip, bytes -> {});
            Archive.eachFile(zip, bytes -> FileStore.put(files, bytes));
            // Made before anything is sent: a value that cannot be is found before anything is changed.
            StringBuilder sql = new StringBuilder("SET foreign_key_checks = 0; SET autocommit = 0;\n");
            Map<String, Long> taken = new LinkedHashMap<>();
            for (Map.Entry<String, JsonNode> table : read.entrySet()) {
                sql.append("DELETE FROM `%s`;\n".formatted(table.getKey()));
                insert(table.getKey(), tables.getOrDefault(table.getKey(), List.of()), table.getValue(), sql);
                taken.put(table.getKey(), (long) table.getValue().size());
            }
            sql.append("COMMIT;\n");
            database.load(out -> out.write(sql.toString().getBytes(StandardCharsets.UTF_8)));
            return taken;
        } catch (ZipException e) {
            throw new Broken("It is not a whole zip file: copy it again. (%s)".formatted(e.getMessage()));
        }
    }

    /** A column the export does not have is left to its default: it came with a later Nursery. */
    private static void insert(String table, List<Export.Column> columns, JsonNode rows, StringBuilder sql)
            throws Broken {
        if (rows.isEmpty()) {
            return;
        }
        List<Export.Column> told = columns.stream()
                .filter(column -> rows.get(0).has(column.name()))
                .toList();
        String head = "INSERT INTO `%s` (%s) VALUES\n"
                .formatted(
                        table,
                        String.join(
                                ", ",
                                told.stream()
                                        .map(column -> "`" + column.name() + "`")
                                        .toList()));
        int at = 0;
        for (JsonNode row : rows) {
            sql.append(at % ROWS_AT_ONCE == 0 ? head : ",\n").append('(');
            for (int i = 0; i < told.size(); i++) {
                sql.append(i == 0 ? "" : ", ")
                        .append(value(table, told.get(i), row.path(told.get(i).name())));
            }
            sql.append(')');
            at++;
            if (at % ROWS_AT_ONCE == 0 || at == rows.size()) {
                sql.append(";\n");
            }
        }
    }

    /** Text is written as the digits of its bytes: nothing in it can end a statement. */
    private static String value(String table, Export.Column column, JsonNode value) throws Broken {
        if (value.isNull() || value.isMissingNode()) {
            return "NULL";
        }
        String text = value.asString("");
        if (column.json().equals("string")) {
            byte[] bytes = column.isBinary() ? Base64.getDecoder().decode(text) : text.getBytes(StandardCharsets.UTF_8);
            String hex = "X'%s'".formatted(HexFormat.of().formatHex(bytes));
            return column.isBinary() ? hex : "CONVERT(%s USING utf8mb4)".formatted(hex);
        }
        if (!text.matches("-?\\d{1,20}(\\.\\d{1,40})?([eE][-+]?\\d{1,3})?")) {
            throw new Broken("%s.%s: “%s” is no number.".formatted(table, column.name(), text));
        }
        return text;
    }

    private static byte[] part(ZipFile zip, String name) throws IOException {
        ZipEntry entry = zip.getEntry(name);
        if (entry == null) {
            throw new Broken("There is no %s in it.".formatted(name));
        }
        try (InputStream in = new Bounded(zip.getInputStream(entry), LARGEST_PART)) {
            return in.readAllBytes();
        }
    }

    private static JsonNode json(byte[] bytes) throws Broken {
        try {
            return JSON.readTree(bytes);
        } catch (JacksonException e) {
            throw new Broken("A part of it is no JSON: it was damaged or changed.");
        }
    }
}
