package potamos.core;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.classes;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;

import com.tngtech.archunit.core.domain.JavaClasses;
import com.tngtech.archunit.core.importer.ImportOption;
import com.tngtech.archunit.junit.AnalyzeClasses;
import com.tngtech.archunit.junit.ArchTest;
import com.tngtech.archunit.lang.ArchRule;
import java.util.List;

/** The core stays plain: it knows nobody above it, and keeps to the dialect that could be compiled for a browser. */
@AnalyzeClasses(packages = "potamos.core", importOptions = ImportOption.DoNotIncludeTests.class)
class ArchitectureTest {

    @ArchTest
    static final ArchRule knowsNoFramework = noClasses()
            .should()
            .dependOnClassesThat()
            .resideInAnyPackage(
                    "org.springframework..",
                    "java.sql..",
                    "javax.sql..",
                    "tools.jackson..",
                    "com.fasterxml..",
                    "jakarta..",
                    "potamos.server..");

    @ArchTest
    static final ArchRule keepsNoClockNoChanceNoThreads = noClasses()
            .should()
            .dependOnClassesThat()
            .haveFullyQualifiedName("java.time.Clock")
            .orShould()
            .dependOnClassesThat()
            .haveFullyQualifiedName("java.util.Random")
            .orShould()
            .dependOnClassesThat()
            .resideInAnyPackage("java.util.concurrent..", "java.lang.reflect..", "java.text..")
            .orShould()
            .dependOnClassesThat()
            .haveFullyQualifiedName("java.util.Locale")
            .orShould()
            .callMethod(java.time.ZoneId.class, "systemDefault")
            .orShould()
            .callMethod(java.time.Instant.class, "now")
            .orShould()
            .callMethod(Math.class, "rint", double.class)
            .orShould()
            .callMethod(Math.class, "round", double.class);

    /** As docs/architecture.md draws them; each knows those before it alone, so that they do not go round in circles. */
    private static final List<String> FROM_THE_GROUND = List.of(
            "quantity",
            "figure",
            "safety",
            "vessel",
            "heat",
            "liquor",
            "formula",
            "flow",
            "charge",
            "larder",
            "cooling",
            "batch",
            "schedule",
            "course",
            "probe");

    @ArchTest
    static void arrowsPointDown(JavaClasses core) {
        for (int i = 0; i < FROM_THE_GROUND.size(); i++) {
            String[] above = FROM_THE_GROUND.subList(i + 1, FROM_THE_GROUND.size()).stream()
                    .map(name -> "potamos.core." + name + "..")
                    .toArray(String[]::new);
            noClasses()
                    .that()
                    .resideInAPackage("potamos.core." + FROM_THE_GROUND.get(i) + "..")
                    .should()
                    .dependOnClassesThat()
                    .resideInAnyPackage(above)
                    .allowEmptyShould(true)
                    .check(core);
        }
    }

    @ArchTest
    static final ArchRule everyPackageHasItsPlace = classes()
            .should()
            .resideInAnyPackage(FROM_THE_GROUND.stream()
                    .map(name -> "potamos.core." + name + "..")
                    .toArray(String[]::new));
}
