package embrick.testing;

import static org.assertj.core.api.Assertions.assertThat;

import com.tngtech.archunit.base.DescribedPredicate;
import com.tngtech.archunit.core.domain.JavaClass;
import com.tngtech.archunit.core.domain.JavaClasses;
import com.tngtech.archunit.library.dependencies.SliceAssignment;
import com.tngtech.archunit.library.dependencies.SliceIdentifier;
import java.util.LinkedHashSet;
import java.util.Set;

/** Package patterns of architecture rules, which remembers them: a pattern that matches no class guards nothing. */
public final class Packages {
    private final Set<String> patterns = new LinkedHashSet<>();

    /** Patterns of our own packages, as ArchUnit writes them. */
    public String[] matching(String... named) {
        patterns.addAll(Set.of(named));
        return named;
    }

    /** Fails with the patterns that match no class. */
    public void requireMatches(JavaClasses classes) {
        assertThat(patterns)
                .as("patterns, each of which must match a class")
                .isNotEmpty()
                .allSatisfy(
                        pattern -> assertThat(classes.that(resideIn(pattern)).size())
                                .as(pattern)
                                .isPositive());
    }

    private static DescribedPredicate<JavaClass> resideIn(String pattern) {
        return JavaClass.Predicates.resideInAPackage(pattern);
    }

    /** Each package a slice of its own, so that a cycle inside a sub-package is seen too. */
    public static SliceAssignment each(String root) {
        return new SliceAssignment() {
            @Override
            public SliceIdentifier getIdentifierOf(JavaClass type) {
                String name = type.getPackageName();
                return name.equals(root) || name.startsWith(root + ".")
                        ? SliceIdentifier.of(name)
                        : SliceIdentifier.ignore();
            }

            @Override
            public String getDescription() {
                return "each package below " + root;
            }
        };
    }
}
