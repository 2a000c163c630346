package potamos.server;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.classes;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;

import com.tngtech.archunit.core.importer.ImportOption;
import com.tngtech.archunit.junit.AnalyzeClasses;
import com.tngtech.archunit.junit.ArchTest;
import com.tngtech.archunit.lang.ArchRule;
import org.apache.ibatis.annotations.Mapper;

@AnalyzeClasses(packages = "potamos.server", importOptions = ImportOption.DoNotIncludeTests.class)
class ArchitectureTest {

    @ArchTest
    static final ArchRule packagesDoNotGoRoundInCircles =
            slices().matching("potamos.server.(*)..").should().beFreeOfCycles();

    @ArchTest
    static final ArchRule sqlStandsInMappers = noClasses()
            .that()
            .areNotAnnotatedWith(Mapper.class)
            // The locks of jobs bring SQL of their own.
            .and()
            .doNotHaveFullyQualifiedName("potamos.server.Jobs")
            .should()
            .dependOnClassesThat()
            .resideInAnyPackage("java.sql..", "org.springframework.jdbc..");

    @ArchTest
    static final ArchRule mappersAreInterfaces =
            classes().that().areAnnotatedWith(Mapper.class).should().beInterfaces();

    @ArchTest
    static final ArchRule nobodyReadsTheMachinesClock = noClasses()
            .that()
            .doNotHaveFullyQualifiedName("potamos.server.KitchenClock")
            .should()
            .callMethod(java.time.Instant.class, "now");

    /** What an endpoint says is its own: whatever is behind it answers in words of its own, and can be asked by another. */
    @ArchTest
    static final ArchRule nobodyAnswersInAnEndpointsWords = noClasses()
            .that()
            .haveNameNotMatching(".*Endpoint(\\$.*)?")
            .should()
            .dependOnClassesThat()
            .haveNameMatching(".*Endpoint(\\$.*)?");
}
