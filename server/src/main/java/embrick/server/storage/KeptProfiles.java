package embrick.server.storage;

import embrick.formats.icc.ProfileStore;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.util.Optional;
import java.util.UUID;

/** Profiles in the storage folder, named by their content, never changed and never deleted: pieces refer to them. */
final class KeptProfiles implements ProfileStore {
    private final Storage storage;

    KeptProfiles(Storage storage) {
        this.storage = storage;
    }

    @Override
    public Optional<byte[]> read(String digest) {
        if (!digest.matches("[0-9a-f]{64}")) {
            return Optional.empty();
        }
        Path file = storage.profile(digest);
        try {
            return Files.exists(file) ? Optional.of(Files.readAllBytes(file)) : Optional.empty();
        } catch (IOException unreadable) {
            throw new UncheckedIOException(unreadable);
        }
    }

    @Override
    public void keep(String digest, byte[] bytes) {
        Path file = storage.profile(digest);
        if (Files.exists(file)) {
            return;
        }
        try {
            Path part = file.resolveSibling(UUID.randomUUID() + ".part");
            Files.write(part, bytes);
            Files.move(part, file, StandardCopyOption.ATOMIC_MOVE, StandardCopyOption.REPLACE_EXISTING);
        } catch (IOException failed) {
            throw new UncheckedIOException("profile " + digest + " cannot be kept", failed);
        }
    }
}
