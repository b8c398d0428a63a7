package embrick.formats.apart;

import java.time.Duration;
import java.util.concurrent.Executors;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.ScheduledFuture;
import java.util.concurrent.TimeUnit;

/**
 * Ends a process that computes too long, or that waits too long: one that gets a core only now and then is given several times
 * as long by the clock as by its own processor time.
 */
final class Deadline implements AutoCloseable {
    private static final ScheduledExecutorService WATCH = Executors.newSingleThreadScheduledExecutor(
            Thread.ofPlatform().daemon().name("decoder-watch").factory());

    private static final long LOOK_MILLIS = 200;
    private static final int TIMES_BY_THE_CLOCK = 4;

    /** Why it was ended. */
    enum Reason {
        NOT_ENDED,
        COMPUTED_TOO_LONG,
        WAITED_TOO_LONG
    }

    private final Process process;
    private final Duration limit;
    private final Duration before;
    private final long begunNanos = System.nanoTime();
    private final ScheduledFuture<?> looks;
    private volatile Reason reason = Reason.NOT_ENDED;

    private Deadline(Process process, Duration limit) {
        this.process = process;
        this.limit = limit;
        this.before = processorTime(process);
        this.looks = WATCH.scheduleWithFixedDelay(this::look, LOOK_MILLIS, LOOK_MILLIS, TimeUnit.MILLISECONDS);
    }

    /** @param limit of processor time from now on */
    static Deadline of(Process process, Duration limit) {
        return new Deadline(process, limit);
    }

    private void look() {
        if (processorTime(process).minus(before).compareTo(limit) > 0) {
            end(Reason.COMPUTED_TOO_LONG);
        } else if (System.nanoTime() - begunNanos
                > limit.multipliedBy(TIMES_BY_THE_CLOCK).toNanos()) {
            end(Reason.WAITED_TOO_LONG);
        }
    }

    private void end(Reason why) {
        if (reason == Reason.NOT_ENDED) {
            reason = why;
            process.destroyForcibly();
        }
    }

    Reason reason() {
        return reason;
    }

    private static Duration processorTime(Process process) {
        return process.info().totalCpuDuration().orElse(Duration.ZERO);
    }

    @Override
    public void close() {
        looks.cancel(false);
    }
}
