package embrick.server.practice;

import com.github.kagkarlsson.scheduler.Scheduler;
import java.io.IOException;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;

/** Practises after a start, while no piece is being made: the first folder would wait several times as long as the second. */
@Component
@ConditionalOnProperty(name = "embrick.practice", havingValue = "true")
class IdlePractice {
    private static final Logger LOG = LoggerFactory.getLogger(IdlePractice.class);
    private static final int ROUNDS = 4;

    private final Practice practice;
    private final ObjectProvider<Scheduler> scheduler;

    IdlePractice(Practice practice, ObjectProvider<Scheduler> scheduler) {
        this.practice = practice;
        this.scheduler = scheduler;
    }

    @EventListener(ApplicationReadyEvent.class)
    void begin() {
        Thread.ofPlatform().daemon().name("practice").start(() -> {
            long begun = System.nanoTime();
            try {
                practice.practise(ROUNDS, this::isIdle);
                LOG.info("practised for {} ms", (System.nanoTime() - begun) / 1_000_000);
            } catch (IOException | RuntimeException failed) {
                LOG.warn("nothing was practised: {}", failed.toString());
            }
        });
    }

    /** Real pieces are practice too. */
    private boolean isIdle() {
        Scheduler queue = scheduler.getIfAvailable();
        return queue == null || queue.getCurrentlyExecuting().isEmpty();
    }
}
