package embrick.server.storage;

import java.io.IOException;
import java.nio.file.Path;
import java.util.concurrent.Semaphore;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.concurrent.atomic.AtomicLong;
import java.util.concurrent.locks.LockSupport;
import org.springframework.stereotype.Component;

/**
 * Reads whole files that lie in opened folders, to know their content: apart from the threads for pictures, which large files
 * would hold for minutes. A folder reads one file at a time and all folders two, in the order in which they ask; while
 * somebody sends files, what is read is bounded, so that the disk has time for them.
 */
@Component
public class ReadingLane {
    private static final int AT_ONCE = 2;
    private static final long BYTES_A_SECOND_BESIDE_AN_UPLOAD = 64L << 20;

    private final Semaphore readers = new Semaphore(AT_ONCE, true);
    private final AtomicInteger uploads = new AtomicInteger();

    /** Something that somebody waits for; closed when it has arrived. */
    public interface Upload extends AutoCloseable {
        @Override
        void close();
    }

    /** Notes that somebody sends a file. */
    Upload giveWay() {
        uploads.incrementAndGet();
        return uploads::decrementAndGet;
    }

    /** For the files of one folder. */
    public Reader reader() {
        return new Reader();
    }

    /** Reading was given up. */
    public static final class GivenUpException extends IOException {
        private static final long serialVersionUID = 1L;

        GivenUpException() {
            super("reading was given up");
        }
    }

    /** Reads the files of one folder, one after the other. */
    public final class Reader {
        private final Semaphore own = new Semaphore(1, true);
        private final AtomicLong read = new AtomicLong();
        private volatile boolean isGivenUp;

        private Reader() {}

        /** Bytes that were read so far. */
        public long readBytes() {
            return read.get();
        }

        /** What is being read, and all that comes after, ends with {@link GivenUpException}. */
        public void giveUp() {
            isGivenUp = true;
        }

        public boolean isGivenUp() {
            return isGivenUp;
        }

        /** @throws GivenUpException if it was given up meanwhile */
        Fingerprint read(Fingerprints fingerprints, Path file) throws IOException {
            try {
                own.acquire();
                try {
                    readers.acquire();
                    try {
                        return fingerprints.of(file, this::paced);
                    } finally {
                        readers.release();
                    }
                } finally {
                    own.release();
                }
            } catch (InterruptedException interrupted) {
                Thread.currentThread().interrupt();
                throw new IOException("interrupted while a file waited to be read", interrupted);
            }
        }

        private void paced(int bytes) throws GivenUpException {
            if (isGivenUp) {
                throw new GivenUpException();
            }
            read.addAndGet(bytes);
            if (uploads.get() > 0) {
                LockSupport.parkNanos(TimeUnit.SECONDS.toNanos(bytes) / BYTES_A_SECOND_BESIDE_AN_UPLOAD);
            }
        }
    }
}
