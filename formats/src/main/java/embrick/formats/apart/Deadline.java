package embrick.formats.apart;

import java.time.Duration;
import java.util.concurrent.Executors;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.ScheduledFuture;
import java.util.concurrent.TimeUnit;

/** Ends a process that takes too long, and knows how long that had computed. */
final class Deadline implements AutoCloseable {
    private static final ScheduledExecutorService WATCH = Executors.newSingleThreadScheduledExecutor(
            Thread.ofPlatform().daemon().name("decoder-watch").factory());

    private final Process process;
    private final Duration before;
    private final ScheduledFuture<?> end;
    private volatile Duration atItsEnd;

    private Deadline(Process process, Duration limit) {
        this.process = process;
        this.before = processorTime(process);
        this.end = WATCH.schedule(this::end, limit.toMillis(), TimeUnit.MILLISECONDS);
    }

    static Deadline of(Process process, Duration limit) {
        return new Deadline(process, limit);
    }

    private void end() {
        atItsEnd = processorTime(process);
        process.destroyForcibly();
    }

    /** Whether it ended the process. */
    boolean isOver() {
        return atItsEnd != null;
    }

    /** Processor time from the beginning to the end. */
    Duration computed() {
        return atItsEnd.minus(before);
    }

    private static Duration processorTime(Process process) {
        return process.info().totalCpuDuration().orElse(Duration.ZERO);
    }

    @Override
    public void close() {
        end.cancel(false);
    }
}
