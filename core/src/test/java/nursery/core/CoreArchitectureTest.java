package nursery.core;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static org.assertj.core.api.Assertions.assertThat;

import com.tngtech.archunit.core.domain.JavaClasses;
import com.tngtech.archunit.core.importer.ClassFileImporter;
import com.tngtech.archunit.core.importer.ImportOption;
import java.util.List;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import org.junit.jupiter.params.provider.ValueSource;

class CoreArchitectureTest {

    /** Each may use only those before it. */
    private static final List<String> ORDER = List.of(
            "measure",
            "worth",
            "cup",
            "wrap",
            "resin",
            "cure",
            "film",
            "technique",
            "surface",
            "stock",
            "log",
            "plan",
            "floor",
            "inspect");

    private static final JavaClasses CORE = new ClassFileImporter()
            .withImportOption(new ImportOption.DoNotIncludeTests())
            .importPackages("nursery.core");

    @Test
    void theCoreIsPlainJava() {
        noClasses()
                .should()
                .dependOnClassesThat()
                .resideOutsideOfPackages(
                        "java..", "nursery.core..", "org.jspecify..", "org.hipparchus..", "org.locationtech.jts..")
                .check(CORE);
        noClasses()
                .that()
                .haveNameNotMatching(".*\\.(Calibration|PossibleRooms|Rate)(\\$.*)?")
                .should()
                .dependOnClassesThat()
                .resideInAPackage("org.hipparchus..")
                .check(CORE);
        noClasses()
                .that()
                .resideOutsideOfPackage("nursery.core.wrap..")
                .should()
                .dependOnClassesThat()
                .resideInAPackage("org.locationtech.jts..")
                .check(CORE);
    }

    @ParameterizedTest
    @ValueSource(strings = {"java.time.Clock", "java.lang.System", "java.util.Random", "java.sql.Timestamp"})
    void theCoreHasNoClockOfItsOwn(String source) {
        noClasses()
                .should()
                .dependOnClassesThat()
                .haveFullyQualifiedName(source)
                .check(CORE);
        noClasses().should().callMethod(java.time.Instant.class, "now").check(CORE);
    }

    static IntStream places() {
        return IntStream.range(0, ORDER.size());
    }

    @Test
    void everyPackageHasItsPlace() {
        assertThat(CORE.stream()
                        .map(type -> type.getPackageName().replace("nursery.core.", ""))
                        .distinct())
                .containsExactlyInAnyOrderElementsOf(ORDER);
    }

    @ParameterizedTest
    @MethodSource("places")
    void aPackageUsesOnlyThoseAboveIt(int place) {
        String[] below = ORDER.subList(place + 1, ORDER.size()).stream()
                .map(name -> "nursery.core." + name + "..")
                .toArray(String[]::new);
        noClasses()
                .that()
                .resideInAPackage("nursery.core." + ORDER.get(place) + "..")
                .should()
                .dependOnClassesThat()
                .resideInAnyPackage(below)
                .check(CORE);
    }
}
