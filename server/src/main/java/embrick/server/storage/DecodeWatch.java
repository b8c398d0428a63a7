package embrick.server.storage;

import embrick.formats.picture.Watch;
import java.io.IOException;
import java.nio.channels.FileChannel;
import java.nio.channels.FileLock;
import java.nio.channels.OverlappingFileLockException;
import java.nio.file.DirectoryStream;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.nio.file.StandardOpenOption;
import java.util.HashMap;
import java.util.Map;
import java.util.UUID;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Component;

/**
 * Remembers what each process is decoding right now, so that a picture that ends its process is known at the next start.
 *
 * <p>A native decoder can take the whole process with it. Each process has a folder below {@code decoding/} with a locked
 * file in it, which the system unlocks when the process is gone, however it went; in the folder lies an empty file for each
 * picture under its decoder. What lies in the folder of a process that is gone is a suspect: from then on it is decoded in a
 * process of its own (see {@code DecoderPool}), which it may end without harm. So no picture ends a process of ours twice,
 * and a process that was ended from outside costs its pictures nothing but a slower decoding.
 */
@Component
public class DecodeWatch {
    private static final Logger LOG = LoggerFactory.getLogger(DecodeWatch.class);
    private static final String LOCK = "lock";

    /** Files that a process needs for a moment. */
    private static final String SCRATCH = "scratch";

    private final Path suspects;
    private final Path own;
    /** How many threads decode a picture. */
    private final Map<String, Integer> decoders = new HashMap<>();

    @SuppressWarnings("unused") // held as long as this process lives
    private final FileLock lock;

    DecodeWatch(Storage storage) throws IOException {
        Path decoding = storage.decoding();
        this.suspects = Files.createDirectories(decoding.resolve("suspects"));
        gatherSuspects(decoding);
        this.own = Files.createDirectory(decoding.resolve("process-" + UUID.randomUUID()));
        Files.createDirectory(scratch());
        this.lock = FileChannel.open(own.resolve(LOCK), StandardOpenOption.CREATE_NEW, StandardOpenOption.WRITE)
                .lock();
    }

    private void gatherSuspects(Path decoding) throws IOException {
        try (DirectoryStream<Path> processes = Files.newDirectoryStream(decoding, "process-*")) {
            for (Path process : processes) {
                if (isGone(process)) {
                    try (DirectoryStream<Path> left = Files.newDirectoryStream(process)) {
                        for (Path mark : left) {
                            String digest = mark.getFileName().toString();
                            if (digest.equals(SCRATCH)) {
                                Storage.forEachFile(mark, "*", Files::deleteIfExists);
                                Files.deleteIfExists(mark);
                            } else if (!digest.equals(LOCK)) {
                                Files.move(mark, suspects.resolve(digest), StandardCopyOption.REPLACE_EXISTING);
                                LOG.warn(
                                        "a process ended while it decoded original {}; it is decoded apart now",
                                        digest);
                            }
                        }
                        Files.deleteIfExists(process.resolve(LOCK));
                        Files.deleteIfExists(process);
                    } catch (IOException another) {
                        LOG.info("{} is looked after by another process: {}", process, another.toString());
                    }
                }
            }
        }
    }

    private static boolean isGone(Path process) {
        try (FileChannel channel = FileChannel.open(process.resolve(LOCK), StandardOpenOption.WRITE);
                FileLock free = channel.tryLock()) {
            return free != null;
        } catch (OverlappingFileLockException thisProcess) {
            return false;
        } catch (NoSuchFileException neverLocked) {
            // It ended between making its folder and locking it, or is just about to: a folder without marks can wait.
            return false;
        } catch (IOException unreadable) {
            return false;
        }
    }

    /** A folder of this process; the next one to start clears what it leaves there. */
    public Path scratch() {
        return own.resolve(SCRATCH);
    }

    /** Whether a process ended while it decoded this picture. */
    public boolean isSuspect(String digest) {
        return Files.exists(suspects.resolve(digest));
    }

    /** A person wants it tried in the ordinary way again. */
    public void trust(String digest) {
        try {
            Files.deleteIfExists(suspects.resolve(digest));
        } catch (IOException stays) {
            LOG.warn("{} stays a suspect", digest, stays);
        }
    }

    /** The watch over one picture, decoded at once or in parts. */
    Watch of(String digest) {
        return new Watch() {
            @Override
            public <T> T during(Decoding<T> decoding) throws IOException {
                return DecodeWatch.this.during(digest, decoding);
            }
        };
    }

    /** Does work under the mark of the picture that it decodes, which stays until the last of several is done. */
    <T> T during(String digest, Watch.Decoding<T> decoding) throws IOException {
        Path mark = own.resolve(digest);
        synchronized (decoders) {
            if (!decoders.containsKey(digest)) {
                Files.createFile(mark);
            }
            decoders.merge(digest, 1, Integer::sum);
        }
        try {
            return decoding.run();
        } finally {
            synchronized (decoders) {
                if (decoders.merge(digest, -1, Integer::sum) == 0) {
                    decoders.remove(digest);
                    Files.deleteIfExists(mark);
                }
            }
        }
    }
}
