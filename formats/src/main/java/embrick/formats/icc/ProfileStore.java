package embrick.formats.icc;

import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;

/** Where profiles are kept beyond this process, by the SHA-256 of their bytes. */
public interface ProfileStore {
    Optional<byte[]> read(String digest);

    /** Keeps a profile for good; one that is there stays as it is. */
    void keep(String digest, byte[] bytes);

    /** Keeps all in this process's memory, as long as the store lives: for tests and short work. */
    static ProfileStore inMemory() {
        Map<String, byte[]> kept = new ConcurrentHashMap<>();
        return new ProfileStore() {
            @Override
            public Optional<byte[]> read(String digest) {
                return Optional.ofNullable(kept.get(digest));
            }

            @Override
            public void keep(String digest, byte[] bytes) {
                kept.putIfAbsent(digest, bytes.clone());
            }
        };
    }

    /** Keeps nothing. */
    static ProfileStore none() {
        return new ProfileStore() {
            @Override
            public Optional<byte[]> read(String digest) {
                return Optional.empty();
            }

            @Override
            public void keep(String digest, byte[] bytes) {}
        };
    }
}
