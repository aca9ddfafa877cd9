package nursery.app.keep;

import java.io.IOException;
import java.lang.management.ManagementFactory;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.util.Map;

/**
 * Backups from the command line, for {@code ./nursery}: {@code backup FILE}, {@code check FILE}, {@code restore FILE},
 * {@code export FILE}, {@code import FILE}, {@code before-migrating FOLDER}, {@code settle}, {@code cups}. The database
 * is told by the environment, as to the application.
 */
public final class KeepCommand {

    private KeepCommand() {}

    public static void main(String[] arguments) {
        System.exit(run(arguments));
    }

    /** @return 0 if it was done, 1 if it was refused and told why, 2 if it was not understood */
    static int run(String... arguments) {
        try {
            return done(arguments);
        } catch (IOException e) {
            System.err.println(e.getMessage());
            return 1;
        }
    }

    private static int done(String... arguments) throws IOException {
        String what = arguments.length > 0 ? arguments[0] : "";
        Path file = Path.of(arguments.length > 1 ? arguments[1] : "");
        Instant now = Instant.ofEpochMilli(ManagementFactory.getRuntimeMXBean().getStartTime());
        switch (what) {
            case "backup" -> told("Backed up", Archive.make(database(), files(), file, now));
            case "check" -> told("A whole backup", Archive.check(file));
            case "restore" -> told("Restored", Archive.restore(database(), loader(), files(), file, Archive.newest()));
            case "export" ->
                System.out.printf("Exported: %d rows.%n", sum(Export.make(database(), files(), file, now)));
            case "import" -> System.out.printf("Imported: %d rows.%n", sum(Import.take(database(), files(), file)));
            case "cups" -> {
                DatabaseTools database = database();
                System.out.println(
                        Archive.tables(database).contains("cup")
                                ? database.ask("SELECT COUNT(*) FROM cup").get(0)
                                : "0");
            }
            // A restore that was cut short is finished or undone before anything reads the shop.
            case "settle" -> new Swap(database()).settle();
            case "before-migrating" -> {
                new Swap(database()).settle();
                int schema = Archive.schema(database());
                if (schema > Archive.newest()) {
                    throw new IOException(
                            "This shop was kept by a newer Nursery: install that one. Nothing was changed.");
                }
                if (schema > 0 && schema < Archive.newest()) {
                    Files.createDirectories(file);
                    Path kept = file.resolve("before-%d-%s.zip"
                            .formatted(Archive.newest(), now.toString().replaceAll("[:.]", "-")));
                    told(
                            "Backed up before its tables are brought up to date, in " + kept,
                            Archive.make(database(), files(), kept, now));
                }
            }
            default -> {
                System.err.println("backup, check, restore, export or import FILE, before-migrating FOLDER or cups");
                return 2;
            }
        }
        return 0;
    }

    private static long sum(Map<String, Long> rows) {
        return rows.values().stream().mapToLong(Long::longValue).sum();
    }

    private static void told(String what, Manifest manifest) {
        System.out.printf(
                "%s: %d cups, %d rows, %d files, of %s.%n",
                what,
                manifest.cups(),
                manifest.rows().values().stream().mapToLong(Long::longValue).sum(),
                manifest.files(),
                manifest.madeAt());
    }

    private static Path files() {
        return Path.of(environment("NURSERY_FILES"));
    }

    private static DatabaseTools.User loader() throws IOException {
        String name = environment("NURSERY_LOADER_USER");
        if (name.isEmpty()) {
            throw new IOException("Restore with ./nursery restore: it has a user who can load a backup and see "
                    + "nothing else. Nothing was changed.");
        }
        return new DatabaseTools.User(name, environment("NURSERY_LOADER_PASSWORD"));
    }

    private static DatabaseTools database() {
        return DatabaseTools.of(
                environment("NURSERY_DB_URL"), environment("NURSERY_DB_USER"), environment("NURSERY_DB_PASSWORD"));
    }

    private static String environment(String name) {
        String value = System.getenv(name);
        return value == null ? "" : value;
    }
}
