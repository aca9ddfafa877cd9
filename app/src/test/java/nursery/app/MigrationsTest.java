package nursery.app;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.HexFormat;
import java.util.Map;
import java.util.TreeMap;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;

/** A migration that has landed has run in somebody's shop: it is never edited, what is to change comes in another. */
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
            Map.entry("V31__trust.sql", "ada0714492006569"));

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
}
