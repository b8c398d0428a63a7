package embrick.server.storage;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
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
        storage = new Storage(new StorageSettings(root, true, 1));
    }

    @Test
    void aFileIsNamedByItsContent() throws IOException {
        // SHA-256 of "abc", FIPS 180-2, appendix B.1.
        Storage.Taken taken = storage.take(new ByteArrayInputStream("abc".getBytes(StandardCharsets.US_ASCII)));
        assertThat(taken.digest()).isEqualTo("ba7816bf8f01cfea414140de5dae2223b00361a396177a9cb410ff61f20015ad");
        assertThat(storage.original(taken.digest())).hasContent("abc");
        assertThat(Storage.digestOf(storage.original(taken.digest()))).isEqualTo(taken.digest());
    }

    @Test
    @SuppressWarnings("InputStreamSlowMultibyteRead") // a thousand bytes
    void aTransferThatBreaksOffLeavesNothing() throws IOException {
        InputStream broken = new InputStream() {
            private int left = 1000;

            @Override
            public int read() throws IOException {
                if (--left < 0) {
                    throw new IOException("connection reset");
                }
                return 7;
            }
        };
        assertThatThrownBy(() -> storage.take(broken)).isInstanceOf(IOException.class);
        try (Stream<Path> incoming = Files.list(root.resolve("incoming"))) {
            assertThat(incoming).isEmpty();
        }
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
}
