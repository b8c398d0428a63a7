package embrick.server.storage;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.PosixFilePermissions;
import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class StorageTest {
    @TempDir
    Path root;

    private Storage storage;

    @BeforeEach
    void open() throws IOException {
        storage = new Storage(StorageSettings.in(root));
    }

    @Test
    void nobodyElseLooksIntoIt() throws IOException {
        for (String folder : List.of("", "originals", "deliveries", "making", "incoming")) {
            assertThat(PosixFilePermissions.toString(Files.getPosixFilePermissions(root.resolve(folder))))
                    .isEqualTo("rwx------");
        }
    }

    @Test
    void aFolderOfALongNameIsShortened() throws IOException {
        String made = storage.newDelivery("\u98a8".repeat(120), "\u98a8".repeat(120));
        assertThat(storage.delivery(made)).isDirectory();
        assertThat(storage.newDelivery("\u98a8".repeat(120), "\u98a8".repeat(120)))
                .endsWith("-2");
    }

    @Test
    void eachDeliveryIsANewFolder() throws IOException {
        assertThat(storage.newDelivery("Kite Days", "prints")).isEqualTo("Kite Days/prints");
        assertThat(storage.newDelivery("Kite Days", "prints")).isEqualTo("Kite Days/prints-2");
        assertThat(storage.newDelivery("Kite Days", "prints")).isEqualTo("Kite Days/prints-3");
    }

    @ParameterizedTest
    @CsvSource({"../up, '../../etc'", "/, /", "'a/b', 'c:d'", "., .."})
    void namesThatClimbStayBelowDeliveries(String job, String folder) throws IOException {
        Path made = storage.delivery(storage.newDelivery(job, folder));
        assertThat(made).isDirectory();
        assertThat(made.getParent().getParent()).isEqualTo(root.resolve("deliveries"));
    }

    @ParameterizedTest
    @ValueSource(strings = {"../originals", "a/../../x", "/etc"})
    void aStoredFolderThatClimbsIsRefused(String folder) {
        assertThatThrownBy(() -> storage.delivery(folder)).isInstanceOf(IllegalArgumentException.class);
    }

    @Test
    void whatIsKeptOfAnOriginalGoesWithIt() throws IOException {
        String digest = "ab".repeat(32);
        assertThat(storage.keptIndex(digest)).isEmpty();
        storage.keepIndex(digest, new byte[] {1, 2, 3});
        storage.keepIndex(digest, new byte[] {4, 5});
        assertThat(storage.keptIndex(digest))
                .hasValueSatisfying(kept -> assertThat(kept).containsExactly(4, 5));
        storage.clear(digest);
        assertThat(storage.keptIndex(digest)).isEmpty();
        try (Stream<Path> left = Files.walk(root.resolve("previews"))) {
            assertThat(left.filter(Files::isRegularFile)).isEmpty();
        }
    }
}
