package nursery.app.keep;

import static java.nio.charset.StandardCharsets.UTF_8;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import com.networknt.schema.InputFormat;
import com.networknt.schema.SchemaRegistry;
import com.networknt.schema.SpecificationVersion;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.time.Instant;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.zip.ZipEntry;
import java.util.zip.ZipFile;
import java.util.zip.ZipOutputStream;
import nursery.app.ShopUnderTest;
import nursery.app.ShopUnderTest.Running;
import nursery.app.cups.LogBook;
import nursery.app.people.Makers;
import nursery.app.people.Role;
import nursery.app.platform.FileStore;
import nursery.app.shelf.ShelfBook;
import nursery.app.techniques.TechniqueBook;
import nursery.app.wrap.DesignBook;
import nursery.core.cup.Blank;
import nursery.core.cup.Straight;
import nursery.core.technique.Technique;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** Out in open formats and in again: every row of every table is there, told by the database's own checksums. */
@ExtendWith(ShopUnderTest.class)
class ExportTest {

    private static final Instant NOW = Instant.parse("2026-11-26T20:00:00Z");
    private static final List<String> ODD = List.of(
            "=1+1", "O'Brien\\", "a\"b,c;d", "line\nbreak\r\ttab", "☄ ünï", "<b>&amp;</b>", "NULL", "\\N", "-", " x");

    private static final Set<String> NOT_TOLD = Set.of(
            "SPRING_SESSION",
            "SPRING_SESSION_ATTRIBUTES",
            "submission",
            "shedlock",
            "join_code",
            "desk_run",
            "scale_shown");

    @TempDir
    private Path folder;

    private Running shop;

    @BeforeEach
    void anEmptyShop(Running running) {
        shop = running;
        shop.empty();
        shop.settle("Europe/Berlin");
    }

    private DatabaseTools database() {
        return new KeptShop(shop).database();
    }

    private Path files() {
        return new KeptShop(shop).files();
    }

    private Map<String, Long> checksums() throws IOException {
        return new KeptShop(shop).checksums(NOT_TOLD);
    }

    /** A shop made by chance: blanks of odd sizes, cups with odd names, coats, notes, a technique, art. */
    private void fill(long seed) {
        Random random = new Random(seed);
        ShelfBook shelf = shop.bean(ShelfBook.class);
        for (int i = 0; i < 3; i++) {
            shelf.addBlank(
                    ODD.get(random.nextInt(ODD.size())).strip().replaceAll("\\p{Cntrl}", " ") + i,
                    new Blank(
                            new Straight(100 + 200 * random.nextDouble(), 150 + 150 * random.nextDouble()),
                            true,
                            random.nextDouble() * 7,
                            0,
                            0,
                            java.util.OptionalDouble.empty()));
        }
        for (int i = 0; i < 8; i++) {
            String code = shop.start(
                    ODD.get(random.nextInt(ODD.size())),
                    shop.shelf().resins().get(0).id(),
                    shop.clock().instant().minus(Duration.ofMinutes(random.nextInt(10_000))));
            int step = shop.cup(code).stepsAhead().get(0).number();
            shop.bean(LogBook.class)
                    .add(code, shop.entry(code, step, shop.clock().instant(), 20.123456789), true);
        }
        Technique shipped = shop.bean(TechniqueBook.class).shippedOnes().get(1).technique();
        shop.bean(TechniqueBook.class)
                .add(
                        new Technique("Mine " + seed, shipped.about(), shipped.parts(), shipped.blocks()),
                        "O'Brien \"B\"");
        shop.bean(DesignBook.class)
                .addArt(
                        "plate " + seed,
                        ("<svg xmlns='http://www.w3.org/2000/svg' width='40mm' height='20mm'>"
                                        + "<rect width='%d' height='9'/></svg>")
                                .formatted(10 + random.nextInt(90))
                                .getBytes(UTF_8),
                        "Mira");
    }

    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3})
    void whatIsImportedIsWhatWasExported(long seed) throws IOException {
        fill(seed);
        String picture = FileStore.put(files(), ("picture " + seed).getBytes(UTF_8));
        Map<String, Long> before = checksums();
        Path file = folder.resolve("export.zip");
        Map<String, Long> rows = Export.make(database(), files(), file, NOW);
        assertThat(rows.get("cup")).isEqualTo(8);
        shop.empty();
        assertThat(checksums()).isNotEqualTo(before);
        Files.delete(files().resolve(picture));
        assertThat(Import.take(database(), files(), file)).isEqualTo(rows);
        assertThat(files().resolve(picture)).hasContent("picture " + seed);
        Files.delete(files().resolve(picture));
        assertThat(checksums()).isEqualTo(before);
    }

    @Test
    void noExportHoldsAPasswordOrPin() throws IOException {
        shop.bean(Makers.class).add("Mira", Role.OWNER, "tram seed comet lantern", "4821");
        Path file = folder.resolve("export.zip");
        Export.make(database(), files(), file, NOW);
        String hash = shop.sql().queryForObject("SELECT pin_hash FROM maker", String.class);
        try (ZipFile zip = new ZipFile(file.toFile())) {
            for (ZipEntry entry : Collections.list(zip.entries())) {
                assertThat(new String(zip.getInputStream(entry).readAllBytes(), UTF_8))
                        .as(entry.getName())
                        .doesNotContain(hash)
                        .doesNotContain("pin_hash");
            }
        }
        shop.empty();
    }

    /** Each table's file is what its schema says, by a library that reads both as anybody would. */
    @Test
    void everyTableFitsItsSchema() throws IOException {
        fill(7);
        Path file = folder.resolve("export.zip");
        Map<String, Long> rows = Export.make(database(), files(), file, NOW);
        SchemaRegistry schemas = SchemaRegistry.withDefaultDialect(SpecificationVersion.DRAFT_2020_12);
        try (ZipFile zip = new ZipFile(file.toFile())) {
            for (String table : rows.keySet()) {
                String schema = text(zip, "schemas/%s.schema.json".formatted(table));
                assertThat(schemas.getSchema(schema, InputFormat.JSON)
                                .validate(text(zip, "tables/%s.json".formatted(table)), InputFormat.JSON))
                        .as(table)
                        .isEmpty();
            }
            assertThat(text(zip, "tables/cup.csv")).doesNotContain(",=1+1").doesNotContain(",\"=1+1");
            assertThat(Collections.list(zip.entries()))
                    .anyMatch(entry -> entry.getName().matches("art/\\d+-plate-7.svg"));
        }
    }

    @Test
    void aCupAndAnOrderComeByThemselves() throws IOException {
        fill(9);
        long id = shop.sql().queryForObject("SELECT MIN(id) FROM cup", Long.class);
        JsonNode cup = new JsonMapper()
                .readTree(Export.cups(database(), List.of(id), NOW))
                .path("cups")
                .path(0);
        assertThat(cup.path("cup").path(0).path("id").asLong()).isEqualTo(id);
        assertThat((long) cup.path("cup_step").size())
                .isEqualTo(shop.sql().queryForObject("SELECT COUNT(*) FROM cup_step WHERE cup_id = ?", Long.class, id));
        assertThat(cup.path("log_entry").size()).isEqualTo(1);
        assertThat(cup.path("resin").size()).isEqualTo(1);
        assertThat(cup.path("blank_edition").size()).isEqualTo(1);
        assertThat(new JsonMapper()
                        .readTree(Export.cups(
                                database(), shop.sql().queryForList("SELECT id FROM cup ORDER BY id", Long.class), NOW))
                        .path("cups")
                        .size())
                .isEqualTo(8);
    }

    private static String text(ZipFile zip, String name) throws IOException {
        return new String(zip.getInputStream(zip.getEntry(name)).readAllBytes(), UTF_8);
    }

    private Path changed(Path file, String part, String from, String to) throws IOException {
        Path other = folder.resolve("changed-%d.zip".formatted(System.nanoTime()));
        try (ZipFile zip = new ZipFile(file.toFile());
                ZipOutputStream out = new ZipOutputStream(Files.newOutputStream(other))) {
            for (ZipEntry entry : Collections.list(zip.entries())) {
                String text = text(zip, entry.getName());
                out.putNextEntry(new ZipEntry(entry.getName()));
                out.write((entry.getName().equals(part) ? text.replace(from, to) : text).getBytes(UTF_8));
            }
        }
        return other;
    }

    @Test
    void whatIsNoExportChangesNothing() throws IOException {
        fill(5);
        Path file = folder.resolve("export.zip");
        Export.make(database(), files(), file, NOW);
        assertThatThrownBy(() -> Import.take(database(), files(), file)).hasMessageContaining("not empty");
        shop.empty();
        Map<String, Long> before = checksums();
        byte[] whole = Files.readAllBytes(file);
        Path cut = folder.resolve("cut.zip");
        Files.write(cut, java.util.Arrays.copyOf(whole, whole.length / 2));
        List<Path> wrong = List.of(
                cut,
                changed(file, "tables/cup.json", "\"id\"", "\"ID\""),
                changed(file, "manifest.json", "nursery-export", "another"),
                changed(file, "manifest.json", "\"version\" : 1", "\"version\" : 9"),
                changed(file, "manifest.json", "\"cup\" : 8", "\"cup\" : 9"),
                changed(file, "manifest.json", "\"cup\" : 8", "\"mysql.user\" : 8"),
                changed(file, "manifest.json", "{", "<"));
        for (Path one : wrong) {
            assertThatThrownBy(() -> Import.take(database(), files(), one)).isInstanceOf(Archive.Broken.class);
            assertThat(checksums()).isEqualTo(before);
        }
    }
}
