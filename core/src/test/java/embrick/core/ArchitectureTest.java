package embrick.core;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.classes;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;

import com.tngtech.archunit.core.importer.ImportOption;
import com.tngtech.archunit.junit.AnalyzeClasses;
import com.tngtech.archunit.junit.ArchTest;
import com.tngtech.archunit.lang.ArchRule;

@AnalyzeClasses(packages = "embrick.core", importOptions = ImportOption.DoNotIncludeTests.class)
class ArchitectureTest {
    @ArchTest
    static final ArchRule packagesFormNoCycle =
            slices().matching("embrick.core.(*)..").should().beFreeOfCycles();

    @ArchTest
    static final ArchRule vectorCodeIsInOnePackage = noClasses()
            .that()
            .resideOutsideOfPackage("..lanes..")
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
            .resideInAPackage("..ticket..")
            .should()
            .dependOnClassesThat()
            .resideInAnyPackage("..source..", "..framing..", "..plan..", "..pixels..", "..print..");

    @ArchTest
    static final ArchRule stagesKnowNoTickets = noClasses()
            .that()
            .resideInAnyPackage(
                    "..resample..", "..pixels..", "..colour..", "..framing..", "..sharpening..", "..lanes..")
            .should()
            .dependOnClassesThat()
            .resideInAnyPackage("..ticket..", "..plan..", "..print..", "..paper..");

    @ArchTest
    static final ArchRule planningReadsNoPixels = noClasses()
            .that()
            .resideInAPackage("..plan..")
            .should()
            .dependOnClassesThat()
            .haveSimpleName("Raster");
}
