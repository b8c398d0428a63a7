package embrick.server.storage;

import java.time.Instant;

/** Where the bytes of an original lie. {@link OriginalFiles} is the one door to them. */
public sealed interface OriginalPlace {
    /** SHA-256 of the content that was taken in: whatever lies there now, only this content is ever used. */
    String digest();

    /** In the storage folder, by its digest: nobody but Embrick writes there. */
    record Kept(String digest) implements OriginalPlace {}

    /**
     * Where it lay when it was taken in, on a disk of the server's that others write to.
     *
     * @param root by its name: machines may have it at different paths
     * @param path below the root, parted by {@code /}, as the file system writes it
     * @param modified when the file was last written to, as it was found at intake
     */
    record InPlace(String digest, String root, String path, Instant modified) implements OriginalPlace {}
}
