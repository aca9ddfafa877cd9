package nursery.app.keep;

import static java.nio.charset.StandardCharsets.UTF_8;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.io.OutputStream;
import java.nio.file.FileSystem;
import java.nio.file.FileSystems;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.zip.ZipEntry;
import java.util.zip.ZipFile;
import java.util.zip.ZipOutputStream;
import nursery.app.ShopUnderTest;
import nursery.app.ShopUnderTest.Running;
import nursery.app.platform.FileStore;
import nursery.app.shelf.ShelfBook;
import nursery.core.cup.Blank;
import nursery.core.cup.Straight;
import org.flywaydb.core.Flyway;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** What was backed up comes back to the last bit; what is no backup is not taken for one. */
@ExtendWith(ShopUnderTest.class)
class BackupTest {

    private static final Instant NOW = Instant.parse("2026-11-26T20:00:00Z");

    @TempDir
    private Path folder;

    private Running shop;

    @BeforeEach
    void aShopWithCups(Running running) {
        shop = running;
        shop.empty();
        shop.settle("UTC");
        shop.bean(ShelfBook.class)
                .addBlank(
                        "20 oz slim",
                        new Blank(new Straight(205, 229.3), true, 5, 0, 0, java.util.OptionalDouble.empty()));
        // Text with everything that an import could trip over.
        for (String name :
                List.of("Winter sky", "O'Brien; \\! DROP `x`", "Ünïcode ☄ \"quoted\"", "line\nbreak\r\ttab")) {
            shop.start(name, shop.shelf().resins().get(0).id(), shop.clock().instant());
        }
    }

    private DatabaseTools database() {
        return new KeptShop(shop).database();
    }

    private Path files() {
        return new KeptShop(shop).files();
    }

    /** Of every table that is kept. */
    private Map<String, Long> checksums() throws IOException {
        // Who is at work in the background says nothing of the shop, and changes by itself.
        Set<String> besides = new HashSet<>(DatabaseTools.NOT_KEPT);
        besides.add("shedlock");
        return new KeptShop(shop).checksums(besides);
    }

    /** Tests run two at a time: the pictures of one are not another's to take away while it backs them up. */
    @Test
    void eachShopUnderTestHasPicturesOfItsOwn() {
        assertThat(files().toAbsolutePath().toString())
                .contains("/var/test/%d/".formatted(ProcessHandle.current().pid()));
    }

    @Test
    void whatIsRestoredIsWhatWasThereTableByTable() throws IOException {
        Map<String, Long> before = checksums();
        Path file = folder.resolve("shop.zip");
        Manifest made = Archive.make(database(), files(), file, NOW);
        assertThat(made.cups()).isEqualTo(4);
        assertThat(Files.getPosixFilePermissions(file)).hasSize(2);
        shop.sql().update("DELETE FROM cup_step");
        shop.sql().update("UPDATE cup SET name = 'lost'");
        assertThat(checksums()).isNotEqualTo(before);
        assertThat(Archive.restore(database(), new KeptShop(shop).loader(), files(), file, Archive.newest()))
                .isEqualTo(made);
        assertThat(checksums()).isEqualTo(before);
        assertThat(shop.cup("A-02").cup().about().name()).isEqualTo("O'Brien; \\! DROP `x`");
        assertThat(database().ask("SHOW DATABASES LIKE 'nursery_%'")).isEmpty();
        // The references between tables hold as before.
        assertThatThrownBy(() -> shop.sql().update("DELETE FROM blank")).hasMessageContaining("foreign key constraint");
    }

    @Test
    void picturesAreInItAndComeBack() throws IOException {
        byte[] picture = {1, 2, 3, 4};
        String name = FileStore.put(files(), picture);
        Path file = folder.resolve("shop.zip");
        assertThat(Archive.make(database(), files(), file, NOW).files())
                .isEqualTo(FileStore.all(files()).size());
        Files.delete(files().resolve(name));
        Archive.restore(database(), new KeptShop(shop).loader(), files(), file, Archive.newest());
        assertThat(files().resolve(name)).hasBinaryContent(picture);
        try (FileSystem zip = FileSystems.newFileSystem(file)) {
            Files.write(zip.getPath("files", name), new byte[] {9});
        }
        assertThatThrownBy(() -> Archive.check(file)).hasMessageContaining("not what its name says");
        Files.delete(files().resolve(name));
    }

    @Test
    void aNewerOneIsRefusedAndNothingIsTouched() throws IOException {
        Path file = folder.resolve("shop.zip");
        Archive.make(database(), files(), file, NOW);
        Map<String, Long> before = checksums();
        assertThatThrownBy(() ->
                        Archive.restore(database(), new KeptShop(shop).loader(), files(), file, Archive.newest() - 1))
                .hasMessageContaining("made by a newer Nursery");
        assertThat(checksums()).isEqualTo(before);
    }

    @Test
    void aCutOffFileIsNoBackup() throws IOException {
        Path file = folder.resolve("shop.zip");
        Archive.make(database(), files(), file, NOW);
        byte[] whole = Files.readAllBytes(file);
        for (int part = 1; part < 10; part++) {
            Path cut = folder.resolve("cut-%d.zip".formatted(part));
            Files.write(cut, java.util.Arrays.copyOf(whole, whole.length * part / 10));
            assertThatThrownBy(() -> Archive.check(cut)).as("%d tenths", part).isInstanceOf(Archive.Broken.class);
        }
        Path empty = Files.createFile(folder.resolve("empty.zip"));
        assertThatThrownBy(() -> Archive.check(empty)).isInstanceOf(Archive.Broken.class);
    }

    /** The same zip with one of its parts changed. */
    private Path changed(Path file, String part, String from, String to) throws IOException {
        Path other = folder.resolve("changed-%d.zip".formatted(System.nanoTime()));
        try (ZipFile zip = new ZipFile(file.toFile());
                ZipOutputStream out = new ZipOutputStream(Files.newOutputStream(other))) {
            for (ZipEntry entry : java.util.Collections.list(zip.entries())) {
                byte[] bytes = zip.getInputStream(entry).readAllBytes();
                if (entry.getName().equals(part)) {
                    String text = new String(bytes, UTF_8);
                    assertThat(text).contains(from);
                    bytes = text.replace(from, to).getBytes(UTF_8);
                }
                out.putNextEntry(new ZipEntry(entry.getName()));
                out.write(bytes);
            }
        }
        return other;
    }

    @Test
    void aManifestThatLiesIsFoundOut() throws IOException {
        Path file = folder.resolve("shop.zip");
        Manifest made = Archive.make(database(), files(), file, NOW);
        List<Path> lies = new ArrayList<>();
        lies.add(changed(file, "manifest.json", "\"cup\" : 4", "\"cup\" : 5"));
        lies.add(changed(file, "manifest.json", made.sha256(), "0".repeat(64)));
        lies.add(changed(file, "manifest.json", "\"bytes\" : ", "\"bytes\" : -"));
        lies.add(changed(file, "manifest.json", "\"version\" : 2", "\"version\" : 9"));
        lies.add(changed(file, "manifest.json", "nursery-backup", "another"));
        lies.add(changed(file, "manifest.json", "{", "["));
        lies.add(changed(file, "shop.sql", "Winter sky", "Summer sky"));
        for (Path lie : lies) {
            assertThatThrownBy(() -> Archive.check(lie))
                    .as("lie %d", lies.indexOf(lie))
                    .isInstanceOf(Archive.Broken.class);
        }
    }

    @ParameterizedTest
    @ValueSource(strings = {"../outside.sql", "/etc/passwd", "files/../../x", "more.sql"})
    void whatClimbsOutOrDoesNotBelongIsRefused(String name) throws IOException {
        Path file = folder.resolve("shop.zip");
        Archive.make(database(), files(), file, NOW);
        Path other = folder.resolve("other.zip");
        try (ZipFile zip = new ZipFile(file.toFile());
                ZipOutputStream out = new ZipOutputStream(Files.newOutputStream(other))) {
            for (ZipEntry entry : java.util.Collections.list(zip.entries())) {
                out.putNextEntry(new ZipEntry(entry.getName()));
                zip.getInputStream(entry).transferTo(out);
            }
            out.putNextEntry(new ZipEntry(name));
            out.write(1);
        }
        assertThatThrownBy(() -> Archive.check(other)).hasMessageContaining("which no backup does");
    }

    /** A gigabyte of nothing, a megabyte when packed: reading stops where the manifest says that it ends. */
    @Test
    void aBombIsNotUnpacked() throws IOException {
        Path bomb = folder.resolve("bomb.zip");
        try (OutputStream file = Files.newOutputStream(bomb);
                ZipOutputStream out = new ZipOutputStream(file)) {
            out.putNextEntry(new ZipEntry("manifest.json"));
            out.write(("{\"format\":\"nursery-backup\",\"version\":1,\"madeAt\":\"2026-01-01T00:00:00Z\",\"schema\":3,"
                            + "\"bytes\":1000,\"sha256\":\"00\",\"rows\":{}}")
                    .getBytes(UTF_8));
            out.putNextEntry(new ZipEntry("shop.sql"));
            byte[] nothing = new byte[1 << 20];
            for (int i = 0; i < 1024; i++) {
                out.write(nothing);
            }
        }
        assertThatThrownBy(() -> Archive.check(bomb)).hasMessageContaining("unpacks to more than its manifest says");
    }

    /**
     * Made with the first Nursery there was (commit 8ab5ba7, its demo of nine cups): its tables are brought up to date
     * and its cups are read.
     */
    @Test
    void aBackupOfTheFirstSchemaIsBroughtUpToDate() throws IOException {
        Path now = folder.resolve("now.zip");
        Archive.make(database(), files(), now, NOW);
        try {
            Manifest first = Archive.restore(
                    database(),
                    new KeptShop(shop).loader(),
                    files(),
                    Path.of("src/test/resources/backups/first-schema.zip"),
                    Archive.newest());
            assertThat(first.schema()).isEqualTo(1);
            assertThat(first.cups()).isEqualTo(9);
            shop.bean(Flyway.class).migrate();
            assertThat(Archive.schema(database())).isEqualTo(Archive.newest());
            shop.sql().update("UPDATE stamp SET version = version + 1000");
            assertThat(shop.sql().queryForObject("SELECT COUNT(*) FROM log_entry", Long.class))
                    .isEqualTo(49);
            for (int cup = 1; cup <= 9; cup++) {
                assertThat(shop.cup("A-0" + cup).cup().plan()).isNotEmpty();
            }
        } finally {
            Archive.restore(database(), new KeptShop(shop).loader(), files(), now, Archive.newest());
            shop.sql().update("UPDATE stamp SET version = version + 2000");
        }
    }

    /** A backup whose dump is another, with sums and counts that fit it. */
    private Path signedAnew(Path file, java.util.function.UnaryOperator<String> dump) throws Exception {
        Path other = folder.resolve("signed-%d.zip".formatted(System.nanoTime()));
        try (ZipFile zip = new ZipFile(file.toFile());
                ZipOutputStream out = new ZipOutputStream(Files.newOutputStream(other))) {
            String sql = dump.apply(
                    new String(zip.getInputStream(zip.getEntry("shop.sql")).readAllBytes(), UTF_8));
            Manifest said = Manifest.of(zip);
            out.putNextEntry(new ZipEntry("shop.sql"));
            out.write(sql.getBytes(UTF_8));
            out.putNextEntry(new ZipEntry("manifest.json"));
            out.write(new Manifest(
                            said.madeAt(),
                            said.schema(),
                            said.rows(),
                            sql.getBytes(UTF_8).length,
                            java.util.HexFormat.of()
                                    .formatHex(java.security.MessageDigest.getInstance("SHA-256")
                                            .digest(sql.getBytes(UTF_8))),
                            0)
                    .written());
        }
        return other;
    }

    /** Whatever a file with right sums and counts does beyond filling tables, it does not do it to the shop. */
    @ParameterizedTest
    @ValueSource(
            strings = {
                "USE nursery; DROP TABLE cup_next_time; SELECT nonsense;",
                "DROP TABLE nursery.cup_next_time;",
                "UPDATE nursery.cup SET name = 'gone';",
                "CREATE TRIGGER t AFTER INSERT ON cup FOR EACH ROW SET @a = 1;",
                "CREATE VIEW v AS SELECT 1;",
                "INSERT INTO `stamp` (what, version) VALUES ('more', 1);",
                "DROP TABLE cup_next_time;",
                "SELECT nonsense;"
            })
    void aSignedBackupThatDoesMoreIsRefusedAndTheShopIsUntouched(String more) throws Exception {
        Path file = folder.resolve("shop.zip");
        Archive.make(database(), files(), file, NOW);
        Map<String, Long> before = checksums();
        Path evil = signedAnew(file, sql -> sql + "\n" + more + "\n");
        assertThatThrownBy(
                        () -> Archive.restore(database(), new KeptShop(shop).loader(), files(), evil, Archive.newest()))
                .isInstanceOf(Archive.Broken.class)
                .hasMessageContaining("nothing was changed");
        assertThat(checksums()).isEqualTo(before);
        assertThat(database().ask("SHOW DATABASES LIKE 'nursery_%'")).isEmpty();
    }

    /** Cut short before the last table is in its place it is undone; after that it is finished. */
    @Test
    void aSwapCutShortIsUndoneOrFinishedAtTheNextStart() throws IOException {
        Map<String, Long> before = checksums();
        for (String moved : List.of("maker", "maker stamp cup_counter")) {
            database().ask("CREATE DATABASE nursery_new; CREATE DATABASE nursery_old");
            for (String table : moved.split(" ")) {
                database()
                        .ask("CREATE TABLE nursery_new.%1$s LIKE nursery.%1$s; SET foreign_key_checks = 0; "
                                        .formatted(table)
                                + "RENAME TABLE nursery.%1$s TO nursery_old.%1$s".formatted(table));
            }
            // One of them came into the shop already; one that was never in it still waits.
            database().ask("RENAME TABLE nursery_new.maker TO nursery.maker; CREATE TABLE nursery_new.late (id INT)");
            new Swap(database()).settle();
            assertThat(checksums()).as(moved).isEqualTo(before);
            assertThat(database().ask("SHOW DATABASES LIKE 'nursery_%'")).isEmpty();
        }
        database()
                .ask("CREATE DATABASE nursery_new; CREATE DATABASE nursery_old; "
                        + "CREATE TABLE nursery_old.maker LIKE nursery.maker");
        new Swap(database()).settle();
        assertThat(checksums()).isEqualTo(before);
        assertThat(database().ask("SHOW DATABASES LIKE 'nursery_%'")).isEmpty();
    }

    /** A megabyte that says it is three gigabytes in one line: it is not unpacked, and a long line takes no memory. */
    @Test
    void whatUnpacksToAThousandTimesItsSizeIsRefusedUnread() throws IOException {
        Path file = folder.resolve("packed.zip");
        try (ZipOutputStream out = new ZipOutputStream(Files.newOutputStream(file))) {
            out.putNextEntry(new ZipEntry("manifest.json"));
            out.write(("{\"format\":\"nursery-backup\",\"version\":1,\"madeAt\":\"2026-01-01T00:00:00Z\",\"schema\":3,"
                            + "\"bytes\":3221225472,\"sha256\":\"00\",\"rows\":{}}")
                    .getBytes(UTF_8));
            out.putNextEntry(new ZipEntry("shop.sql"));
            out.write(new byte[1 << 20]);
        }
        assertThatThrownBy(() -> Archive.check(file)).hasMessageContaining("no backup does");
        RowCount rows = new RowCount();
        rows.write("INSERT INTO `cup` VALUES (1,'".getBytes(UTF_8));
        byte[] much = new byte[1 << 20];
        for (int i = 0; i < 64; i++) {
            rows.write(much);
        }
        rows.write("');\nINSERT INTO `cup` VALUES (2);".getBytes(UTF_8));
        assertThat(rows.rows()).containsExactly(java.util.Map.entry("cup", 2L));
    }

    /** The client's own commands would run programs: in its sandbox they do not. */
    @Test
    void aDumpCannotRunPrograms() {
        Path mark = folder.resolve("mark");
        assertThatThrownBy(() -> database()
                        .load(out -> out.write(
                                "\\! touch %s\nSELECT 1;\n".formatted(mark).getBytes(UTF_8))))
                .isInstanceOf(IOException.class);
        assertThat(mark).doesNotExist();
    }

    @Test
    void theNewestOfEachSpanStays() {
        ZoneId zone = ZoneId.of("Europe/Berlin");
        Map<Instant, Integer> made = new LinkedHashMap<>();
        for (int day = 0; day < 500; day++) {
            made.put(NOW.minus(Duration.ofDays(day)), day);
            made.put(NOW.minus(Duration.ofDays(day)).minusSeconds(3600), day);
        }
        Set<Instant> kept = new Rotation(7, 5, 12).kept(made.keySet(), zone);
        assertThat(kept).contains(NOW).hasSizeBetween(12, 7 + 5 + 12);
        for (int day = 0; day < 7; day++) {
            assertThat(kept).as("the newest of a day").contains(NOW.minus(Duration.ofDays(day)));
            assertThat(kept).doesNotContain(NOW.minus(Duration.ofDays(day)).minusSeconds(3600));
        }
        assertThat(kept).contains(Instant.parse("2026-10-31T20:00:00Z"), Instant.parse("2025-12-31T20:00:00Z"));
        assertThat(kept).doesNotContain(Instant.parse("2025-11-30T20:00:00Z"));
        assertThat(new Rotation(1, 0, 0).kept(made.keySet(), zone)).containsExactly(NOW);
        assertThat(new Rotation(7, 5, 12).kept(List.of(), zone)).isEmpty();
    }

    @Test
    void oneIsMadeByHandAndChecked() throws IOException {
        Backups backups = shop.bean(Backups.class);
        backups.setWays(folder.toString(), 7, 5, 12);
        try {
            KeepMapper.RunRow run = backups.backUp();
            assertThat(run.good()).as(run.said()).isTrue();
            assertThat(backups.kept()).hasSize(1);
            assertThat(Archive.check(backups.kept().get(0).file()).cups()).isEqualTo(4);
            assertThatThrownBy(() -> backups.setWays("/nowhere/at/all", 7, 5, 12))
                    .hasMessageContaining("There is no folder");
            assertThatThrownBy(() -> backups.setWays("relative", 0, -1, 1e9)).hasMessageContaining("The days kept");
        } finally {
            shop.sql().update("UPDATE keep_ways SET folder = ''");
        }
    }
}
