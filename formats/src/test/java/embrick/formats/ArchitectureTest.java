package embrick.formats;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;

import com.tngtech.archunit.core.domain.JavaClasses;
import com.tngtech.archunit.core.importer.ImportOption;
import com.tngtech.archunit.junit.AnalyzeClasses;
import com.tngtech.archunit.junit.ArchTest;
import com.tngtech.archunit.lang.ArchRule;
import embrick.testing.Packages;

@AnalyzeClasses(packages = "embrick.formats", importOptions = ImportOption.DoNotIncludeTests.class)
class ArchitectureTest {
    private static final Packages OURS = new Packages();

    @ArchTest
    static final ArchRule packagesFormNoCycle =
            slices().assignedFrom(Packages.each("embrick.formats")).should().beFreeOfCycles();

    @ArchTest
    static final ArchRule onlyBindingsTouchTheLinker = noClasses()
            .that()
            .resideOutsideOfPackages(OURS.matching("..binding.."))
            .should()
            .dependOnClassesThat()
            .haveSimpleName("Linker");

    @ArchTest
    static final ArchRule theServerIsUnknownHere = noClasses()
            .should()
            .dependOnClassesThat()
            .resideInAnyPackage("embrick.server..", "org.springframework..", "java.sql..");

    /** The door knows its rooms; no room knows the door. What all formats share is in {@code picture}. */
    @ArchTest
    static final ArchRule noRoomKnowsTheDoor = noClasses()
            .that()
            .resideInAPackage("embrick.formats.*..")
            .should()
            .dependOnClassesThat()
            .resideInAnyPackage(OURS.matching("embrick.formats"));

    @ArchTest
    static final ArchRule whatFormatsShareKnowsNoFormat = noClasses()
            .that()
            .resideInAnyPackage(OURS.matching("..formats.picture.."))
            .should()
            .dependOnClassesThat()
            .resideInAnyPackage(
                    OURS.matching("..jpeg..", "..png..", "..tiff..", "..heif..", "..webp..", "..pdf..", "..apart.."));

    @ArchTest
    static void everyPatternMatchesAClass(JavaClasses classes) {
        OURS.requireMatches(classes);
    }
}
