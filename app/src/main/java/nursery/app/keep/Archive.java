package nursery.app.keep;

import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStream;
import java.io.InputStreamReader;
import java.io.OutputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.nio.file.attribute.PosixFilePermissions;
import java.security.DigestOutputStream;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.time.Instant;
import java.util.Enumeration;
import java.util.HexFormat;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.SortedMap;
import java.util.TreeMap;
import java.util.zip.ZipEntry;
import java.util.zip.ZipException;
import java.util.zip.ZipFile;
import java.util.zip.ZipOutputStream;
import nursery.app.platform.FileStore;

/**
 * A backup: one zip with a dump of the database, the files beside it, each under its SHA-256, and a manifest that says
 * what is in it, with counts and SHA-256. It is written beside its place and moved there when it is complete.
 */
final class Archive {

    private static final String FILES = "files/";
    private static final long LARGEST_FILE = 64L * 1024 * 1024;
    private static final String DUMP = "shop.sql";

    /** Rows of text pack to a tenth, rows all alike to a hundredth. */
    private static final long MOST_PACKED = 300;

    private static final long SMALL = 1024L * 1024;

    private Archive() {}

    /** A backup that is none, or not a whole one. */
    static final class Broken extends IOException {
        private static final long serialVersionUID = 1;

        Broken(String message) {
            super(message);
        }
    }

    /**
     * Makes one of the database as it is at this moment; then of the files, so that none it names is missing.
     *
     * @param files where they lie
     */
    static Manifest make(DatabaseTools database, Path files, Path file, Instant now) throws IOException {
        int schema = schema(database);
        Path folder = file.toAbsolutePath().getParent();
        if (folder == null || !Files.isDirectory(folder)) {
            throw new IOException("There is no folder %s: is the stick mounted?".formatted(folder));
        }
        Path beside = Files.createTempFile(folder, ".backup", ".part");
        try {
            Manifest manifest;
            try (OutputStream out = Files.newOutputStream(beside);
                    ZipOutputStream zip = new ZipOutputStream(out, StandardCharsets.UTF_8)) {
                MessageDigest digest = sha256();
                RowCount rows = new RowCount();
                long[] bytes = {0};
                zip.putNextEntry(new ZipEntry(DUMP));
                OutputStream dump = new DigestOutputStream(zip, digest);
                database.dump(lines -> bytes[0] = copy(lines, dump, rows));
                zip.closeEntry();
                long count = 0;
                for (Path one : FileStore.all(files)) {
                    zip.putNextEntry(new ZipEntry(FILES + one.getFileName()));
                    Files.copy(one, zip);
                    zip.closeEntry();
                    count++;
                }
                manifest = new Manifest(now, schema, rows.rows(), bytes[0], hex(digest), count);
                zip.putNextEntry(new ZipEntry(Manifest.NAME));
                zip.write(manifest.written());
                zip.closeEntry();
            }
            // What was written is read again, before it counts as a backup.
            check(beside);
            Files.setPosixFilePermissions(beside, PosixFilePermissions.fromString("rw-------"));
            Files.move(beside, file, StandardCopyOption.ATOMIC_MOVE);
            return manifest;
        } catch (UnsupportedOperationException e) {
            // A stick with a file system of its own kind knows no owners.
            Files.move(beside, file, StandardCopyOption.REPLACE_EXISTING);
            return check(file);
        } finally {
            Files.deleteIfExists(beside);
        }
    }

    /** @throws Broken with what is wrong with it */
    static Manifest check(Path file) throws IOException {
        try (ZipFile zip = new ZipFile(file.toFile(), StandardCharsets.UTF_8)) {
            Manifest said = Manifest.of(zip);
            for (Enumeration<? extends ZipEntry> all = zip.entries(); all.hasMoreElements(); ) {
                String name = all.nextElement().getName();
                if (!name.equals(Manifest.NAME) && !name.equals(DUMP) && !isFile(name)) {
                    throw new Broken("It holds “%s”, which no backup does.".formatted(name));
                }
            }
            long[] files = {0};
            eachFile(zip, bytes -> files[0]++);
            if (files[0] != said.files()) {
                throw new Broken("It holds %d files, its manifest says %d.".formatted(files[0], said.files()));
            }
            RowCount rows = new RowCount();
            MessageDigest digest = sha256();
            read(zip, said, new DigestOutputStream(OutputStream.nullOutputStream(), digest), rows);
            if (!hex(digest).equals(said.sha256())) {
                throw new Broken("The database in it is not what its manifest says: it was damaged or changed.");
            }
            if (!filled(rows.rows()).equals(filled(said.rows()))) {
                throw new Broken("It holds other numbers of rows than its manifest says.");
            }
            return said;
        } catch (ZipException e) {
            throw new Broken("It is not a whole zip file: copy it again. (%s)".formatted(e.getMessage()));
        }
    }

    /**
     * Puts a backup in the place of what is there. Until it is loaded whole and counted, beside the shop and by a user
     * who can see nothing else, the shop's own tables are not touched.
     *
     * @param loader who loads it: may do anything in the database beside the shop's, and nothing in any other
     * @param newest migration this Nursery knows
     * @throws Broken if it is not whole, does more than fill tables, or is of a newer Nursery
     */
    static Manifest restore(DatabaseTools database, DatabaseTools.User loader, Path files, Path file, int newest)
            throws IOException {
        Manifest manifest = check(file);
        if (manifest.schema() > newest) {
            throw new Broken(
                    "It was made by a newer Nursery (its tables are of version %d, this knows %d): install that one."
                            .formatted(manifest.schema(), newest));
        }
        // A file is under the sum of what is in it: what is there stays, what is missing comes.
        try (ZipFile zip = new ZipFile(file.toFile(), StandardCharsets.UTF_8)) {
            eachFile(zip, bytes -> FileStore.put(files, bytes));
        }
        Swap swap = new Swap(database);
        swap.open();
        try {
            prove(swap.beside(), load(swap.beside().as(loader), manifest, file));
            if (schema(database) == manifest.schema() && !tables(swap.beside()).equals(tables(database))) {
                throw new Broken("It does not hold the tables of a shop; nothing was changed.");
            }
        } catch (IOException e) {
            swap.settle();
            throw e;
        }
        swap.swap();
        return manifest;
    }

    /** @return how many rows of which tables were sent */
    private static SortedMap<String, Long> load(DatabaseTools fresh, Manifest manifest, Path file) throws IOException {
        RowCount sent = new RowCount();
        try (ZipFile zip = new ZipFile(file.toFile(), StandardCharsets.UTF_8)) {
            fresh.load(out -> read(zip, manifest, out, sent));
            return sent.rows();
        } catch (IOException e) {
            throw new Broken("It could not be loaded, and nothing was changed: " + e.getMessage());
        }
    }

    /** That what was loaded is tables with all their rows, and nothing else. */
    private static void prove(DatabaseTools fresh, SortedMap<String, Long> sent) throws IOException {
        for (String other : List.of(
                "tables WHERE table_type <> 'BASE TABLE' AND table_schema",
                "triggers WHERE trigger_schema",
                "routines WHERE routine_schema",
                "events WHERE event_schema")) {
            if (!fresh.ask("SELECT 1 FROM information_schema.%s = '%s' LIMIT 1".formatted(other, fresh.name()))
                    .isEmpty()) {
                throw new Broken("It holds more than tables, which no backup does; nothing was changed.");
            }
        }
        for (String table : tables(fresh)) {
            long found = Long.parseLong(
                    fresh.ask("SELECT COUNT(*) FROM `%s`".formatted(table)).get(0));
            long said = sent.getOrDefault(table, 0L);
            if (found != said) {
                throw new Broken("%s: %d rows arrived of %d; nothing was changed.".formatted(table, found, said));
            }
        }
        if (!tables(fresh).containsAll(sent.keySet())) {
            throw new Broken("Not all tables arrived; nothing was changed.");
        }
    }

    /** The newest migration a database has had; 0 for an empty one. */
    static int schema(DatabaseTools database) throws IOException {
        return tables(database).contains("flyway_schema_history")
                ? Integer.parseInt(
                        database.ask("SELECT COALESCE(MAX(CAST(version AS UNSIGNED)), 0) FROM flyway_schema_history "
                                        + "WHERE success")
                                .get(0))
                : 0;
    }

    static List<String> tables(DatabaseTools database) throws IOException {
        return database.ask("SELECT table_name FROM information_schema.tables WHERE table_schema = '%s' ORDER BY 1"
                .formatted(database.name()));
    }

    /** A thing done with a file. */
    @FunctionalInterface
    interface EachFile {
        void of(byte[] bytes) throws IOException;
    }

    static boolean isFile(String name) {
        return name.startsWith(FILES) && FileStore.isName(name.substring(FILES.length()));
    }

    /** @throws Broken if one is not what its name says */
    static void eachFile(ZipFile zip, EachFile each) throws IOException {
        for (Enumeration<? extends ZipEntry> all = zip.entries(); all.hasMoreElements(); ) {
            ZipEntry entry = all.nextElement();
            if (isFile(entry.getName())) {
                try (InputStream in = new Bounded(zip.getInputStream(entry), LARGEST_FILE)) {
                    byte[] bytes = in.readAllBytes();
                    if (!entry.getName().equals(FILES + FileStore.nameOf(bytes))) {
                        throw new Broken(
                                "%s is not what its name says: it was damaged or changed.".formatted(entry.getName()));
                    }
                    each.of(bytes);
                }
            }
        }
    }

    /** A thing done with a line. */
    @FunctionalInterface
    interface EachLine {
        void of(String line) throws IOException;
    }

    /** Not by the platform's ends of lines, and a line may hold a carriage return: text is in quotes, written out. */
    static void eachLine(InputStream in, EachLine each) throws IOException {
        BufferedReader lines = new BufferedReader(new InputStreamReader(in, StandardCharsets.UTF_8), 1 << 16);
        StringBuilder line = new StringBuilder();
        for (int c = lines.read(); c >= 0; c = lines.read()) {
            if (c == '\n') {
                each.of(line.toString());
                line.setLength(0);
            } else {
                line.append((char) c);
            }
        }
        if (!line.isEmpty()) {
            each.of(line.toString());
        }
    }

    /** An older manifest says nothing of tables that are empty. */
    private static Map<String, Long> filled(Map<String, Long> rows) {
        Map<String, Long> filled = new TreeMap<>(rows);
        filled.values().removeIf(count -> count == 0);
        return filled;
    }

    /** Copies to both, and says how many bytes it was. */
    private static long copy(InputStream from, OutputStream to, OutputStream also) throws IOException {
        byte[] part = new byte[1 << 16];
        long bytes = 0;
        for (int read = from.read(part); read >= 0; read = from.read(part)) {
            to.write(part, 0, read);
            also.write(part, 0, read);
            bytes += read;
        }
        return bytes;
    }

    /** No more than it says there is, and no more than a dump can be packed to: a bomb is not unpacked to its end. */
    private static void read(ZipFile zip, Manifest said, OutputStream to, OutputStream also) throws IOException {
        ZipEntry entry = zip.getEntry(DUMP);
        if (entry == null) {
            throw new Broken("There is no database in it.");
        }
        if (said.bytes() > SMALL + MOST_PACKED * Math.max(0, entry.getCompressedSize())) {
            throw new Broken("It says that it unpacks to %d times its size: no backup does."
                    .formatted(said.bytes() / Math.max(1, entry.getCompressedSize())));
        }
        try (InputStream in = new Bounded(zip.getInputStream(entry), said.bytes())) {
            copy(in, to, also);
        }
    }

    private static MessageDigest sha256() {
        try {
            return MessageDigest.getInstance("SHA-256");
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException(e);
        }
    }

    private static String hex(MessageDigest digest) {
        return HexFormat.of().formatHex(digest.digest());
    }

    /** The newest migration among those that ship. */
    static int newest() throws IOException {
        return java.util.Arrays.stream(new org.springframework.core.io.support.PathMatchingResourcePatternResolver()
                        .getResources("classpath:/db/migration/V*.sql"))
                .map(org.springframework.core.io.Resource::getFilename)
                .flatMap(name -> Optional.ofNullable(name).stream())
                .mapToInt(name -> Integer.parseInt(name.substring(1, name.indexOf("__"))))
                .max()
                .orElseThrow();
    }
}
