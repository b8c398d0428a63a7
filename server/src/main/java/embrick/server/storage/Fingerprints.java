package embrick.server.storage;

import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.LinkOption;
import java.nio.file.Path;
import java.security.MessageDigest;
import java.util.Collections;
import java.util.HexFormat;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.zip.CRC32;
import org.springframework.stereotype.Component;

/**
 * Fingerprints of files. A file that has not been touched since it was read is not read again: its inode, size, time of
 * change and time of status change are compared, the last of which no program can set.
 */
@Component
public class Fingerprints {
    private static final int MOST_KEPT = 50_000;

    private final Map<Path, Seen> seen = Collections.synchronizedMap(new LinkedHashMap<>(16, 0.75f, true) {
        private static final long serialVersionUID = 1L;

        @Override
        protected boolean removeEldestEntry(Map.Entry<Path, Seen> eldest) {
            return size() > MOST_KEPT;
        }
    });

    private record Seen(Object stamp, Fingerprint fingerprint) {}

    /**
     * Reads a file unless it was read before and has not been touched since.
     *
     * @throws java.nio.file.NoSuchFileException if it is not there
     */
    public Fingerprint of(Path file) throws IOException {
        return of(file, _ -> {});
    }

    /** Called after each part that was read, with its bytes; may wait, or end the reading. */
    interface Pace {
        void read(int bytes) throws IOException;
    }

    /** As above, at somebody's pace. */
    Fingerprint of(Path file, Pace pace) throws IOException {
        Object stamp = stampOf(file);
        Seen before = seen.get(file);
        if (before != null && before.stamp().equals(stamp)) {
            return before.fingerprint();
        }
        Fingerprint fingerprint = read(file, pace);
        if (stampOf(file).equals(stamp)) {
            seen.put(file, new Seen(stamp, fingerprint));
        }
        return fingerprint;
    }

    /** Whether nobody has touched a file since it was read. */
    boolean isUntouched(Path file) throws IOException {
        Seen before = seen.get(file);
        return before != null && before.stamp().equals(stampOf(file));
    }

    /** Notes what a file was found to be elsewhere, for instance while it was written. */
    public void note(Path file, Fingerprint fingerprint) throws IOException {
        seen.put(file, new Seen(stampOf(file), fingerprint));
    }

    /** Differs whenever anybody has written to the file. */
    static Object stampOf(Path file) throws IOException {
        // The names of the POSIX view's further parts in the JDK on Linux ("unix" attribute view).
        return Files.readAttributes(file, "unix:ino,size,lastModifiedTime,ctime", LinkOption.NOFOLLOW_LINKS);
    }

    static Fingerprint read(Path file) throws IOException {
        return read(file, _ -> {});
    }

    private static Fingerprint read(Path file, Pace pace) throws IOException {
        MessageDigest digest = Storage.sha256();
        CRC32 crc = new CRC32();
        long bytes = 0;
        try (InputStream in = Files.newInputStream(file)) {
            byte[] part = new byte[1 << 18];
            for (int read = in.read(part); read >= 0; read = in.read(part)) {
                pace.read(read);
                digest.update(part, 0, read);
                crc.update(part, 0, read);
                bytes += read;
            }
        }
        return new Fingerprint(HexFormat.of().formatHex(digest.digest()), crc.getValue(), bytes);
    }
}
