package embrick.core;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.classes;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;

import com.tngtech.archunit.core.domain.JavaClasses;
import com.tngtech.archunit.core.importer.ImportOption;
import com.tngtech.archunit.junit.AnalyzeClasses;
import com.tngtech.archunit.junit.ArchTest;
import com.tngtech.archunit.lang.ArchRule;
import embrick.testing.Packages;

@AnalyzeClasses(packages = "embrick.core", importOptions = ImportOption.DoNotIncludeTests.class)
class ArchitectureTest {
    private static final Packages OURS = new Packages();

    @ArchTest
    static final ArchRule packagesFormNoCycle =
            slices().assignedFrom(Packages.each("embrick.core")).should().beFreeOfCycles();

    @ArchTest
    static final ArchRule vectorCodeIsInOnePackage = noClasses()
            .that()
            .resideOutsideOfPackages(OURS.matching("..lanes.."))
            .should()
            .dependOnClassesThat()
            .resideInAPackage("jdk.incubator.vector..");

    @ArchTest
    static final ArchRule coreUsesOnlyTheJavaBase = classes()
            .that()
            // Vectors are of a module of their own; the filters that ship are read from beside their class.
            .haveNameNotMatching(".*\\.lanes\\.Vector.*|.*\\.learned\\.ShippedFilters")
            .should()
            .onlyDependOnClassesThat()
            .resideInAnyPackage(
                    "embrick.core..",
                    "java.lang..",
                    "java.util..",
                    "java.math..",
                    "java.text..",
                    "java.time..",
                    "java.nio.charset..");

    @ArchTest
    static final ArchRule ticketsKnowNoPixelsOfPictures = noClasses()
            .that()
            .resideInAnyPackage(OURS.matching("..ticket.."))
            .should()
            .dependOnClassesThat()
            .resideInAnyPackage(OURS.matching("..source..", "..framing..", "..plan..", "..pixels..", "..print.."));

    @ArchTest
    static final ArchRule stagesKnowNoTickets = noClasses()
            .that()
            .resideInAnyPackage(OURS.matching(
                    "..resample..", "..pixels..", "..colour..", "..framing..", "..sharpen..", "..lanes.."))
            .should()
            .dependOnClassesThat()
            .resideInAnyPackage(OURS.matching("..ticket..", "..plan..", "..print..", "..paper.."));

    @ArchTest
    static final ArchRule planningReadsNoPixels = noClasses()
            .that()
            .resideInAnyPackage(OURS.matching("..plan.."))
            .should()
            .dependOnClassesThat()
            .haveSimpleName("Raster");

    @ArchTest
    static void everyPatternMatchesAClass(JavaClasses classes) {
        OURS.requireMatches(classes);
    }
}
