package nursery.app;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.classes;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;
import static org.assertj.core.api.Assertions.assertThat;

import com.tngtech.archunit.base.DescribedPredicate;
import com.tngtech.archunit.core.domain.JavaClass;
import com.tngtech.archunit.core.domain.JavaClasses;
import com.tngtech.archunit.core.importer.ClassFileImporter;
import com.tngtech.archunit.core.importer.ImportOption;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.util.stream.Stream;
import nursery.app.platform.Published;
import org.apache.ibatis.annotations.Mapper;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

class BoundariesTest {

    private static final JavaClasses SHOP = new ClassFileImporter()
            .withImportOption(new ImportOption.DoNotIncludeTests())
            .importPackages("nursery.app");

    /** Every package there is, but what all rooms stand on: the platform and the pictures. */
    static Stream<String> rooms() {
        return SHOP.stream()
                .map(type -> type.getPackageName().split("\\."))
                .filter(parts -> parts.length > 2)
                .map(parts -> parts[2])
                .distinct()
                .filter(room -> !room.equals("platform") && !room.equals("picture"));
    }

    @Test
    void theRoomsAreFoundByLooking() {
        assertThat(rooms()).contains("floor", "plan", "cups", "mix", "room", "shelf", "settings");
    }

    @ParameterizedTest
    @MethodSource("rooms")
    void aRoomIsEnteredOnlyThroughWhatItPublishes(String room) {
        String inside = "nursery.app." + room + "..";
        DescribedPredicate<JavaClass> isPrivate = new DescribedPredicate<>("private to the room " + room) {
            @Override
            public boolean test(JavaClass type) {
                JavaClass outermost = type;
                while (outermost.getEnclosingClass().isPresent()) {
                    outermost = outermost.getEnclosingClass().get();
                }
                return outermost.getPackageName().startsWith("nursery.app." + room)
                        && !outermost.isAnnotatedWith(Published.class);
            }
        };
        noClasses()
                .that()
                .resideOutsideOfPackage(inside)
                .should()
                .dependOnClassesThat(isPrivate)
                .check(SHOP);
    }

    @Test
    void roomsDoNotUseEachOtherInCircles() {
        slices().matching("nursery.app.(*)..").should().beFreeOfCycles().check(SHOP);
    }

    @Test
    void sqlIsWrittenInMappersOnly() {
        noClasses()
                .that()
                .areNotAnnotatedWith(Mapper.class)
                // Reads what the driver says when the database is gone; writes none.
                .and()
                .doNotHaveSimpleName("Outage")
                // Hands the database to the lock library, which writes its own.
                .and()
                .doNotHaveSimpleName("JobLock")
                .should()
                .dependOnClassesThat()
                .resideInAnyPackage("java.sql..", "org.apache.ibatis.annotations..", "org.springframework.jdbc..")
                .check(SHOP);
        classes()
                .that()
                .areAnnotatedWith(Mapper.class)
                .should()
                .haveSimpleNameEndingWith("Mapper")
                .andShould()
                .bePackagePrivate()
                .check(SHOP);
    }

    @Test
    void nothingButMomentsReadsAClock() {
        noClasses()
                .that()
                .doNotHaveSimpleName("Moments")
                .should()
                .callMethod(java.time.Instant.class, "now")
                .orShould()
                .callMethod(java.time.LocalDate.class, "now")
                .orShould()
                .callMethod(System.class, "currentTimeMillis")
                .orShould()
                .callMethod(Clock.class, "systemUTC")
                .orShould()
                .callMethod(Clock.class, "systemDefaultZone")
                .check(SHOP);
    }

    /** The formatter wraps code; what stands in quotes it leaves as wide as it is. */
    @Test
    void noLineIsWiderThan120Characters() throws IOException {
        try (Stream<Path> files =
                Files.walk(Path.of("..")).filter(file -> file.toString().matches(".*/src/.*\\.java"))) {
            for (Path file : files.toList()) {
                assertThat(Files.readAllLines(file)).as(file.toString()).allMatch(line -> line.length() <= 120);
            }
        }
    }
}
