package embrick.server;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;

import com.tngtech.archunit.core.domain.JavaClasses;
import com.tngtech.archunit.core.importer.ImportOption;
import com.tngtech.archunit.junit.AnalyzeClasses;
import com.tngtech.archunit.junit.ArchTest;
import com.tngtech.archunit.lang.ArchRule;
import embrick.testing.Packages;

/** The arrows between features: originals, tickets ◀ jobs ◀ runs ◀ deliveries. */
@AnalyzeClasses(packages = "embrick.server", importOptions = ImportOption.DoNotIncludeTests.class)
class ArchitectureTest {
    private static final Packages OURS = new Packages();

    @ArchTest
    static final ArchRule featuresFormNoCycle =
            slices().assignedFrom(Packages.each("embrick.server")).should().beFreeOfCycles();

    @ArchTest
    static final ArchRule originalsAndTicketsKnowNoJobs = noClasses()
            .that()
            .resideInAnyPackage(
                    OURS.matching("..originals..", "..profiles..", "..tickets..", "..framings..", "..previews.."))
            .should()
            .dependOnClassesThat()
            .resideInAnyPackage(
                    OURS.matching("embrick.server.jobs..", "embrick.server.runs..", "embrick.server.deliveries.."));

    @ArchTest
    static final ArchRule runsKnowNoDeliveries = noClasses()
            .that()
            .resideInAnyPackage(OURS.matching("..runs.."))
            .should()
            .dependOnClassesThat()
            .resideInAnyPackage(OURS.matching("..deliveries.."));

    @ArchTest
    static final ArchRule onlyFeaturesOfPixelsOpenPictures = noClasses()
            .that()
            .resideOutsideOfPackages(OURS.matching(
                    "..backgrounds..",
                    "..counter..",
                    "..originals..",
                    "..found..",
                    "..practice..",
                    "..previews..",
                    "..profiles..",
                    "..problems..",
                    "..proofs..",
                    "..runs..",
                    "..deliveries..",
                    "..layouts..",
                    "..trials..",
                    "..storage.."))
            .should()
            .dependOnClassesThat()
            .resideInAPackage("embrick.formats..");

    /** Formats have one door, and beside it profiles and the words in which pictures are spoken of. */
    @ArchTest
    static final ArchRule noFormatIsKnownByName = noClasses()
            .should()
            .dependOnClassesThat()
            .resideInAnyPackage(
                    "embrick.formats.jpeg..",
                    "embrick.formats.png..",
                    "embrick.formats.tiff..",
                    "embrick.formats.heif..",
                    "embrick.formats.webp..",
                    "embrick.formats.pdf..",
                    "embrick.formats.apart..",
                    "embrick.formats.ifd..",
                    "embrick.formats.exif..",
                    "embrick.formats.probe..");

    @ArchTest
    static void everyPatternMatchesAClass(JavaClasses classes) {
        OURS.requireMatches(classes);
    }
}
