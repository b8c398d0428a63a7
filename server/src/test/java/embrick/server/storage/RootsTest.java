package embrick.server.storage;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** What is asked of a root stays below it. */
class RootsTest {
    @TempDir
    Path top;

    private Path lab;
    private Roots roots;

    @BeforeEach
    void open() throws IOException {
        lab = Files.createDirectories(top.resolve("lab"));
        Files.createDirectories(lab.resolve("in/week"));
        Files.createDirectories(top.resolve("lab-two"));
        Files.createDirectories(lab.resolve("storage/originals"));
        roots = new Roots(
                new RootSettings(List.of("lab=" + lab, "away=" + top + "/away")),
                StorageSettings.in(lab.resolve("storage")));
    }

    @Test
    void pathsBelowItAreFound() throws IOException {
        assertThat(roots.resolve("lab", "")).isEqualTo(lab.toRealPath());
        assertThat(roots.resolve("lab", "in/../in/week"))
                .isEqualTo(lab.toRealPath().resolve("in/week"));
        Files.createSymbolicLink(lab.resolve("short"), lab.resolve("in/week"));
        assertThat(roots.resolve("lab", "short")).isEqualTo(lab.toRealPath().resolve("in/week"));
    }

    @ParameterizedTest
    @ValueSource(
            strings = {"..", "../lab-two", "in/../../lab-two", "/etc", "storage", "storage/originals", "in/../storage"})
    void pathsThatLeadOutOrIntoTheStorageAreRefused(String path) {
        assertThatThrownBy(() -> roots.resolve("lab", path)).isInstanceOf(OutsideRootException.class);
    }

    @Test
    void linksThatLeadOutAreRefusedWhereverTheyStand() throws IOException {
        Files.createSymbolicLink(lab.resolve("in/out"), top.resolve("lab-two"));
        Files.createDirectories(top.resolve("lab-two/deep"));
        assertThatThrownBy(() -> roots.resolve("lab", "in/out")).isInstanceOf(OutsideRootException.class);
        assertThatThrownBy(() -> roots.resolve("lab", "in/out/deep")).isInstanceOf(OutsideRootException.class);
    }

    @Test
    void whatIsNotThereIsToldApart() {
        assertThatThrownBy(() -> roots.resolve("lab", "nothing")).isInstanceOf(NoSuchFileException.class);
        assertThatThrownBy(() -> roots.resolve("lab", "a\0b")).isInstanceOf(NoSuchFileException.class);
        assertThatThrownBy(() -> roots.resolve("away", "x")).isInstanceOf(RootAwayException.class);
        assertThatThrownBy(() -> roots.resolve("unheard-of", "")).isInstanceOf(RootUnknownException.class);
        assertThat(roots.isThere("away")).isFalse();
        assertThat(roots.isThere("unheard-of")).isFalse();
    }

    /** A mount point without its disk is an empty folder. */
    @Test
    void anEmptyRootIsAway() throws IOException {
        Files.createDirectories(top.resolve("away"));
        assertThat(roots.isThere("away")).isFalse();
        assertThatThrownBy(() -> roots.resolve("away", "kite.jpg")).isInstanceOf(RootAwayException.class);
    }

    @ParameterizedTest
    @ValueSource(strings = {"lab", "lab=relative", "=/srv", "a/b=/srv", "lab=/srv,lab=/mnt"})
    void aSettingThatIsNoneIsToldByItsName(String setting) {
        assertThatThrownBy(() -> RootSettings.check(setting))
                .isInstanceOf(IllegalArgumentException.class)
                .hasMessageContaining("EMBRICK_ROOTS");
    }

    @Test
    void noSettingIsNoRoot() {
        RootSettings.check("");
        assertThat(new Roots(new RootSettings(List.of()), StorageSettings.in(top)).names())
                .isEmpty();
    }
}
