package embrick.server.storage;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.PosixFilePermissions;
import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

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
