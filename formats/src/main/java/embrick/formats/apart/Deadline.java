package embrick.formats.apart;

import java.time.Duration;
import java.util.concurrent.Executors;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.ScheduledFuture;
import java.util.concurrent.TimeUnit;

/**
 * Ends a process that computes too long, or that waits without getting anywhere. One that gets a core only now and then goes
 * on for as long as it gets one at all.
 */
final class Deadline implements AutoCloseable {
    private static final ScheduledExecutorService WATCH = Executors.newSingleThreadScheduledExecutor(
            Thread.ofPlatform().daemon().name("decoder-watch").factory());

    private static final long LOOK_MILLIS = 200;

    /** A process that uses a twentieth of its limit in this many times its limit is getting somewhere; an idle one uses less. */
    private static final int WAIT_IN_LIMITS = 4;

    private static final int STEPS_OF_LIMIT = 20;

    /** Why it was ended. */
    enum Reason {
        NOT_ENDED,
        COMPUTED_TOO_LONG,
        WAITED_TOO_LONG
    }

    private final Process process;
    private final Duration limit;
    private final Duration before;
    private final ScheduledFuture<?> looks;
    private Duration atLastStep;
    private long lastStepNanos = System.nanoTime();
    private volatile Reason reason = Reason.NOT_ENDED;

    private Deadline(Process process, Duration limit) {
        this.process = process;
        this.limit = limit;
        this.before = processorTime(process);
        this.atLastStep = before;
        this.looks = WATCH.scheduleWithFixedDelay(this::look, LOOK_MILLIS, LOOK_MILLIS, TimeUnit.MILLISECONDS);
    }

    /** @param limit of processor time from now on */
    static Deadline of(Process process, Duration limit) {
        return new Deadline(process, limit);
    }

    private void look() {
        Duration used = processorTime(process);
        if (used.minus(before).compareTo(limit) > 0) {
            end(Reason.COMPUTED_TOO_LONG);
        } else if (used.minus(atLastStep).compareTo(limit.dividedBy(STEPS_OF_LIMIT)) >= 0) {
            atLastStep = used;
            lastStepNanos = System.nanoTime();
        } else if (System.nanoTime() - lastStepNanos
                > limit.multipliedBy(WAIT_IN_LIMITS).toNanos()) {
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
