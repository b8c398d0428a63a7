package embrick.server.runs;

import jakarta.annotation.PreDestroy;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.concurrent.Executors;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.TimeUnit;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionTemplate;

/**
 * Holds pieces against the queue now and then, so that nothing is stuck for ever: a piece that waits and is in no queue, a
 * run that is done and does not know it, a time that a clock set ahead has written, a run held up whose reason is gone.
 */
@Component
@ConditionalOnProperty(name = "embrick.worker", havingValue = "true", matchIfMissing = true)
class Reconciler {
    private static final Logger LOG = LoggerFactory.getLogger(Reconciler.class);

    /** Longer than the longest pause between two tries. */
    private static final Duration LATEST_TRY = Duration.ofMinutes(5);

    private static final Duration LATEST_BEAT = Duration.ofMinutes(1);

    private final RunRepository runs;
    private final PieceQueue queue;
    private final Pauses pauses;
    private final TransactionTemplate transaction;
    private final Clock clock;
    private final Duration every;

    /** A thread of its own: the one that tells pages what happens must not wait for it. */
    private final ScheduledExecutorService thread = Executors.newSingleThreadScheduledExecutor(
            Thread.ofPlatform().daemon().name("reconciler").factory());

    Reconciler(
            RunRepository runs,
            PieceQueue queue,
            Pauses pauses,
            TransactionTemplate transaction,
            Clock clock,
            @Value("${embrick.reconcile-every:5s}") Duration every) {
        this.every = every;
        this.runs = runs;
        this.queue = queue;
        this.pauses = pauses;
        this.transaction = transaction;
        this.clock = clock;
    }

    @EventListener(ApplicationReadyEvent.class)
    void begin() {
        thread.scheduleWithFixedDelay(this::reconcile, every.toMillis(), every.toMillis(), TimeUnit.MILLISECONDS);
    }

    @PreDestroy
    void end() {
        thread.shutdownNow();
    }

    void reconcile() {
        try {
            Instant now = clock.instant();
            int early = queue.pullBack(now, now.plus(LATEST_TRY), now.plus(LATEST_BEAT));
            int lost = queue.scheduleLost();
            if (early + lost > 0) {
                LOG.info("{} pieces were due in the future, {} were in no queue: both are due now", early, lost);
            }
            queue.unsettledRuns()
                    .forEach(id -> transaction.executeWithoutResult(_ -> {
                        runs.lockRow(id);
                        queue.stopAbandoned(id, now);
                        runs.finishIfDone(id, now);
                    }));
            pauses.look();
        } catch (RuntimeException later) {
            LOG.warn("pieces and queue are held against each other again later: {}", later.toString());
        }
    }
}
