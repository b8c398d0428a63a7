package embrick.formats.apart;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.time.Duration;

/** The beginning of what a child writes to its error output; the rest is read and dropped, so that it never waits. */
final class ErrorTail {
    private static final int KEPT_BYTES = 4096;
    private static final Duration AT_ITS_END = Duration.ofSeconds(2);

    private final ByteArrayOutputStream kept = new ByteArrayOutputStream();
    private final Thread reader;

    private ErrorTail(InputStream errors) {
        // A thread of the system's: reading a pipe holds it, and virtual threads have few of those to share.
        reader = Thread.ofPlatform().daemon().name("decoder-errors").start(() -> read(errors));
    }

    static ErrorTail of(Process process) {
        return new ErrorTail(process.getErrorStream());
    }

    private void read(InputStream errors) {
        byte[] part = new byte[1024];
        try (errors) {
            for (int read = errors.read(part); read >= 0; read = errors.read(part)) {
                synchronized (kept) {
                    kept.write(part, 0, Math.min(read, KEPT_BYTES - kept.size()));
                }
            }
        } catch (IOException closed) {
            // The process is gone, and its output with it.
        }
    }

    /** All that was kept, waiting a moment for the end of a process that has ended. */
    String all() {
        try {
            reader.join(AT_ITS_END);
        } catch (InterruptedException interrupted) {
            Thread.currentThread().interrupt();
        }
        synchronized (kept) {
            return kept.toString(StandardCharsets.UTF_8);
        }
    }

    /** Its first line that is no warning. */
    String said() {
        return all().lines()
                .filter(line -> !line.isBlank() && !line.contains("WARNING"))
                .findFirst()
                .orElse("it said nothing")
                .strip();
    }
}
