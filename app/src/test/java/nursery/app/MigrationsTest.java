package nursery.app;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.time.Instant;
import java.util.HexFormat;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.TreeMap;
import java.util.function.BiConsumer;
import java.util.stream.Stream;
import nursery.core.technique.Fields;
import nursery.core.technique.StepKind;
import nursery.core.technique.Words;
import org.flywaydb.core.Flyway;
import org.flywaydb.core.api.configuration.FluentConfiguration;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.jdbc.datasource.DriverManagerDataSource;

/** A migration that has landed has run in somebody's shop: it is never edited, what is to change comes in another. */
@ExtendWith(ShopUnderTest.class)
class MigrationsTest {

    private static final Path FOLDER = Path.of("src/main/resources/db/migration");
    /** The beginning of each one's SHA-256; a new migration gets its line here when it lands. */
    private static final Map<String, String> LANDED = Map.ofEntries(
            Map.entry("V1__shop.sql", "282e92a1c9807b0f"),
            Map.entry("V2__mixing.sql", "3dfc6db28540fe45"),
            Map.entry("V3__stock.sql", "1f052ecfd2716618"),
            Map.entry("V4__techniques.sql", "2598ce434e6c7803"),
            Map.entry("V5__room.sql", "cd9c23dc5ce1a9ca"),
            Map.entry("V6__feed.sql", "bf40024eaa84f9b4"),
            Map.entry("V7__touch.sql", "d5dc6898fa971573"),
            Map.entry("V8__plan.sql", "c88a354ab1bdc3f7"),
            Map.entry("V9__floor.sql", "f31e7d4f80e4b0dc"),
            Map.entry("V10__viscosity.sql", "066e8736887a7261"),
            Map.entry("V11__own_units.sql", "9f2a7431dc6ca43e"),
            Map.entry("V12__assumed.sql", "c9356e642bea07d3"),
            Map.entry("V13__decided_amounts.sql", "ca6ea4572686f9fe"),
            Map.entry("V14__several_additions.sql", "ceb8d604859e7e88"),
            Map.entry("V15__faults.sql", "1d0a4ea3f1d9ec2b"),
            Map.entry("V16__own_causes.sql", "168424ec1497072f"),
            Map.entry("V17__stirring.sql", "80920d4c45fe6fbe"),
            Map.entry("V18__designs.sql", "88d1098a79558c5f"),
            Map.entry("V19__technique_designs.sql", "f41d27380984e555"),
            Map.entry("V20__people.sql", "e34ce67c7e644936"),
            Map.entry("V21__keeping.sql", "ec6364475017dc86"),
            Map.entry("V22__shared.sql", "73da27f2a06128a1"),
            Map.entry("V23__materials.sql", "90de19c155acfd20"),
            Map.entry("V24__photos.sql", "6ed6d07b4aea4b7a"),
            Map.entry("V25__stories.sql", "7c74e66f27212717"),
            Map.entry("V26__hands.sql", "1381cd9ee30a3eca"),
            Map.entry("V27__foretold.sql", "060c30a72e9bf741"),
            Map.entry("V28__at_the_step.sql", "fd0b1b45cda78793"),
            Map.entry("V29__stores.sql", "95981c99c6a13b37"),
            Map.entry("V30__cured.sql", "64a3a64ee00a2a31"),
            Map.entry("V31__trust.sql", "08cb3d63b4b89425"),
            Map.entry("V32__surface.sql", "18afc004ccf3d93a"),
            Map.entry("V33__fields.sql", "cb9c0bc3588d94fc"),
            Map.entry("V34__as_planned.sql", "1d69d11ceb8f3401"),
            Map.entry("V35__how_it_was_done.sql", "1348fd6dbcba9b8e"),
            Map.entry("V36__put_aside.sql", "cb7557eb704cd11f"),
            Map.entry("V37__doubt.sql", "4603317a3f97af4b"));

    @Test
    void aMigrationThatHasLandedIsNeverEdited() throws IOException, NoSuchAlgorithmException {
        Map<String, String> found = new TreeMap<>();
        try (Stream<Path> files = Files.list(FOLDER)) {
            for (Path file : files.toList()) {
                byte[] digest = MessageDigest.getInstance("SHA-256").digest(Files.readAllBytes(file));
                found.put(
                        file.getFileName().toString(),
                        HexFormat.of().formatHex(digest).substring(0, 16));
            }
        }
        assertThat(found).containsExactlyInAnyOrderEntriesOf(LANDED);
    }

    /** A shop of before: reasons in notes, a pack by its name, a material left behind at a step that is no more. */
    private static final String OF_BEFORE =
            """
            INSERT INTO resin (id, name) VALUES (1, 'R');
            INSERT INTO blank (id, name) VALUES (1, 'Slim');
            INSERT INTO blank_edition (blank_id, number, product, made_at, made_by, why,
                form, base_coated, rim_bare_mm, base_bare_mm, handle_gap_mm)
                VALUES (1, 1, 1, '2026-01-01', '', 'FIRST', 'STRAIGHT', 1, 5, 0, 0);
            INSERT INTO cup (id, code, name, made_for, blank_id, base_resin_id, last_resin_id,
                paint_colour, glitter_colour, schools, started_at)
                VALUES (1, 'A-01', 'n', '', 1, 1, 1, '#000000', '#000000', '', '2026-01-01');
            INSERT INTO cup_step (cup_id, number, kind, wait_kind, wait_amount, detail)
                VALUES (1, 3, 'WASH', 'none', 0, '');
            INSERT INTO log_entry (id, cup_id, kind, step, happened_at, recorded_at, recorded_by, note) VALUES
                (1, 1, 'DONE', 3, '2026-01-02', '2026-01-02', 'Mira',
                    'warm water\\nAll the same, because: On purpose'),
                (2, 1, 'NOTED', NULL, '2026-01-03', '2026-01-03', 'Mira',
                    'All the same, because: x\\nAll the same, because: the hour'),
                (3, 1, 'NOTED', NULL, '2026-01-04', '2026-01-04', 'Mira',
                    'she said: All the same, because: why');
            INSERT INTO material (id, name, kind, colour, lead_days, place, mix)
                VALUES (1, 'slim', 'BLANK', '#000000', 7, '', ''), (2, 'Gold', 'GLITTER', '#000000', 7, '', '');
            INSERT INTO cup_material (cup_id, step, material_id, position) VALUES (1, 3, 2, 0), (1, 9, 2, 0);
            """;

    /** A shop of before with what people had: reasons in notes, a pack by its name, numbers used again, orphans. */
    @Test
    void whatStoodInNotesAndNamesIsCarriedOver(ShopUnderTest.Running shop) {
        onANewDatabase(shop, (flyway, before) -> {
            flyway.target("30").load().migrate();
            for (String sql : OF_BEFORE.split(";\\s*\n")) {
                before.execute(sql);
            }
            flyway.target("31").load().migrate();
            before.execute("INSERT INTO entry_question VALUES (3, 'HANDED_OVER_EARLY', 'the fair')");
            flyway.target("latest").load().migrate();
            assertThat(before.queryForList(
                            "SELECT CONCAT(entry_id, question, reason) FROM entry_question ORDER BY 1", String.class))
                    .containsExactly("1ALLOn purpose", "2ALLthe hour", "3NOT_FULLY_CUREDthe fair");
            assertThat(before.queryForList("SELECT note FROM log_entry ORDER BY id", String.class))
                    .containsExactly("warm water", "", "she said: All the same, because: why");
            assertThat(before.queryForObject("SELECT next_step FROM cup", Integer.class))
                    .as("no number that anything ever hung on")
                    .isEqualTo(10);
            assertThat(before.queryForList("SELECT step FROM cup_material", Integer.class))
                    .containsExactly(3);
            assertThat(before.queryForObject("SELECT blank_id FROM material WHERE id = 1", Integer.class))
                    .isOne();
            assertThat(before.queryForObject("SELECT last_at FROM cup", Instant.class))
                    .isEqualTo("2026-01-04T00:00:00Z");
            assertThat(before.queryForObject("SELECT said FROM cup_said", String.class))
                    .startsWith("warm water");
        });
    }

    /** Steps as they were kept before V33: kind, title, detail, material, grit. */
    private static final List<List<String>> IN_WORDS = List.of(
            List.of("SEAL", "", "Aerosol clear, two light passes. Brush loose flakes off first.", "ORDINARY", ""),
            List.of("SEAL", "", "Brush on a thin sealer.", "ORDINARY", ""),
            List.of("CLEAN", "", "Dish soap, rinse, then IPA.", "ORDINARY", ""),
            List.of("CLEAN", "Degrease", "One scouring paste.", "ORDINARY", ""),
            List.of("PREP", "", "Soap and water.", "ORDINARY", "60–220"),
            List.of("PREP", "", "Acetone, then soap.", "ORDINARY", "scouring pad"),
            List.of("TRIM_AND_SAND", "", "Wash, dry.", "ORDINARY", "60–80 rim, 180–220 body"),
            List.of("SAND", "", "Wipe it.", "ORDINARY", "220, then 400"),
            List.of("SAND_RIM", "", "", "ORDINARY", "80"),
            List.of("HEAT", "", "Warm on low; a flame is too hot.", "ORDINARY", ""),
            List.of("HEAT", "", "Warm air, upright.", "ORDINARY", ""),
            List.of("GLITTER", "", "", "MIXED_GLITTER", ""),
            List.of("GLITTER", "", "", "CHUNKY_GLITTER", ""),
            List.of("GLITTER", "", "", "ORDINARY", ""),
            List.of("VINYL", "", "", "METALLIC_VINYL", ""),
            List.of("STENCIL", "", "", "PERMANENT_VINYL", ""),
            List.of("STENCIL", "", "", "ORDINARY", ""),
            List.of("FLOOD_COAT", "", "Torch it.", "ORDINARY", ""),
            List.of("WASH", "", "", "ORDINARY", ""));

    /** What the migration reads of a plan's words is what is read of a technique file's. */
    @Test
    void whatStoodInWordsIsAField(ShopUnderTest.Running shop) {
        onANewDatabase(shop, (flyway, before) -> {
            flyway.target("32").load().migrate();
            for (String sql : OF_BEFORE.split(";\\s*\n")) {
                if (!sql.contains("entry") && !sql.contains("material")) {
                    before.execute(sql);
                }
            }
            for (int i = 0; i < IN_WORDS.size(); i++) {
                before.update(
                        "INSERT INTO cup_step (cup_id, number, kind, title, wait_kind, wait_amount, detail,"
                                + " material, grit)"
                                + " VALUES (1, ?, ?, ?, 'none', 0, ?, ?, ?)",
                        Stream.concat(Stream.of(100 + i), IN_WORDS.get(i).stream())
                                .toArray());
            }
            flyway.target("latest").load().migrate();
            for (int i = 0; i < IN_WORDS.size(); i++) {
                List<String> step = IN_WORDS.get(i);
                StepKind kind = StepKind.valueOf(step.get(0));
                String made = step.get(3).toLowerCase(Locale.ROOT).replace('_', '-');
                String how = before.queryForObject("SELECT how FROM cup_step WHERE number = ?", String.class, 100 + i);
                assertThat(Fields.parse(kind, how))
                        .as(step.toString())
                        .isEqualTo(Words.read(kind, step.get(1), step.get(2), made, step.get(4)));
            }
            assertThat(before.queryForList(
                            "SELECT detail FROM cup_step WHERE detail LIKE '%Grit%' ORDER BY number", String.class))
                    .containsExactly(
                            "Acetone, then soap. Grit: scouring pad.",
                            "Wash, dry. Grit: 60–80 rim, 180–220 body.",
                            "Wipe it. Grit: 220, then 400.");
        });
    }

    /** What was logged otherwise than planned stood in the plan for a while: it goes to the entry that told of it. */
    @Test
    void howAStepWasDoneGoesFromThePlanToItsEntry(ShopUnderTest.Running shop) {
        onANewDatabase(shop, (flyway, before) -> {
            flyway.target("32").load().migrate();
            for (String sql : OF_BEFORE.split(";\\s*\n")) {
                if (!sql.contains("material")) {
                    before.execute(sql);
                }
            }
            flyway.target("34").load().migrate();
            int step = before.queryForObject(
                    "SELECT MIN(step) FROM log_entry WHERE cup_id = 1 AND kind = 'DONE'", Integer.class);
            before.update(
                    "UPDATE cup_step SET planned_how = 'cleaner=soap grit=220', how = 'cleaner=acetone grit=80'"
                            + " WHERE cup_id = 1 AND number = ?",
                    step);
            flyway.target("latest").load().migrate();
            assertThat(before.queryForList(
                            "SELECT how FROM cup_step WHERE cup_id = 1 AND number = ?", String.class, step))
                    .containsExactly("cleaner=soap grit=220");
            assertThat(before.queryForList(
                            "SELECT e.how FROM log_entry e WHERE e.cup_id = 1 AND e.step = ? AND NOT EXISTS"
                                    + " (SELECT 1 FROM log_entry c WHERE c.cancels_id = e.id)",
                            String.class,
                            step))
                    .containsExactly("cleaner=acetone grit=80");
            assertThat(before.queryForObject("SELECT COUNT(*) FROM log_entry WHERE how IS NOT NULL", Integer.class))
                    .isEqualTo(1);
        });
    }

    private static void onANewDatabase(
            ShopUnderTest.Running shop, BiConsumer<FluentConfiguration, JdbcTemplate> tries) {
        String url = String.valueOf(shop.environment().get("NURSERY_DB_URL")).replace("/nursery?", "/nursery_new?");
        String user = String.valueOf(shop.environment().get("NURSERY_DB_USER"));
        String password = String.valueOf(shop.environment().get("NURSERY_DB_PASSWORD"));
        shop.sql().execute("DROP DATABASE IF EXISTS nursery_new");
        shop.sql().execute("CREATE DATABASE nursery_new");
        try {
            tries.accept(
                    Flyway.configure().dataSource(url, user, password),
                    new JdbcTemplate(new DriverManagerDataSource(url, user, password)));
        } finally {
            shop.sql().execute("DROP DATABASE IF EXISTS nursery_new");
        }
    }
}
