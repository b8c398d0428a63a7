package embrick.server.storage;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;

/** A file that has arrived and is not among the originals yet. Closing takes it away unless it was placed. */
public record Arrival(Path file, Fingerprint fingerprint) implements AutoCloseable {
    public String digest() {
        return fingerprint.sha256();
    }

    @Override
    public void close() throws IOException {
        Files.deleteIfExists(file);
    }
}
