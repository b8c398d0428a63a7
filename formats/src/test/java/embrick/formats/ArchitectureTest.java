package embrick.formats;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;

import com.tngtech.archunit.core.importer.ImportOption;
import com.tngtech.archunit.junit.AnalyzeClasses;
import com.tngtech.archunit.junit.ArchTest;
import com.tngtech.archunit.lang.ArchRule;

@AnalyzeClasses(packages = "embrick.formats", importOptions = ImportOption.DoNotIncludeTests.class)
class ArchitectureTest {
    @ArchTest
    static final ArchRule packagesFormNoCycle =
            slices().matching("embrick.formats.(*)..").should().beFreeOfCycles();

    @ArchTest
    static final ArchRule onlyBindingsTouchTheLinker = noClasses()
            .that()
            .resideOutsideOfPackage("..binding..")
            .should()
            .dependOnClassesThat()
            .haveSimpleName("Linker");

    @ArchTest
    static final ArchRule theServerIsUnknownHere = noClasses()
            .should()
            .dependOnClassesThat()
            .resideInAnyPackage("embrick.server..", "org.springframework..", "java.sql..");
}
