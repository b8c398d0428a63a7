package embrick.formats.icc;

import java.util.Optional;

/** Where profiles are kept beyond this process, by the SHA-256 of their bytes. */
public interface ProfileStore {
    Optional<byte[]> read(String digest);

    /** Keeps a profile for good; one that is there stays as it is. */
    void keep(String digest, byte[] bytes);

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
