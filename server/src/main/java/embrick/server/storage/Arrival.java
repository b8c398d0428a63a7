package embrick.server.storage;

import embrick.server.storage.OriginalPlace.InPlace;
import embrick.server.storage.OriginalPlace.Kept;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;

/**
 * A file that is not among the originals yet: one that has arrived and will be kept, or one that stays where it lies.
 * Closing takes away what has arrived unless it was placed.
 *
 * @param place where it will lie
 */
public record Arrival(Path file, Fingerprint fingerprint, OriginalPlace place) implements AutoCloseable {
    /** One that has arrived in the storage folder. */
    Arrival(Path file, Fingerprint fingerprint) {
        this(file, fingerprint, new Kept(fingerprint.sha256()));
    }

    public String digest() {
        return fingerprint.sha256();
    }

    @Override
    public void close() throws IOException {
        switch (place) {
            case Kept _ -> Files.deleteIfExists(file);
            case InPlace _ -> {}
        }
    }
}
