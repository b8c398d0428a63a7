package embrick.server.counter;

import embrick.server.Failures;
import embrick.server.outside.OutsideRefusedException;
import jakarta.annotation.PreDestroy;
import java.io.IOException;
import java.time.Duration;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.TimeUnit;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.boot.autoconfigure.condition.ConditionalOnWebApplication;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;

/** Goes on with all open orders again and again, with growing pauses while the counter is away. */
@Component
@ConditionalOnWebApplication
class CounterWatch {
    private static final Logger LOG = LoggerFactory.getLogger(CounterWatch.class);
    private static final int MOST_DOUBLINGS = 20;
    private static final int ROUNDS_AT_REST = 3;

    private final CounterOrders orders;
    private final CounterRound round;
    private final CounterClient client;
    private final CounterSettings settings;
    private final ScheduledExecutorService clock = Executors.newSingleThreadScheduledExecutor(
            Thread.ofPlatform().daemon().name("counter").factory());
    private final ExecutorService threads = Executors.newVirtualThreadPerTaskExecutor();
    private final Set<UUID> atWork = ConcurrentHashMap.newKeySet();
    private final Map<UUID, Pause> pauses = new ConcurrentHashMap<>();

    /**
     * @param failures in a row
     * @param untilNanos by {@link System#nanoTime}, which no clock that is set changes
     */
    private record Pause(int failures, long untilNanos) {
        static Pause of(int failures, Duration length) {
            return new Pause(failures, System.nanoTime() + length.toNanos());
        }

        boolean isOver() {
            return System.nanoTime() - untilNanos >= 0;
        }
    }

    CounterWatch(CounterOrders orders, CounterRound round, CounterClient client, CounterSettings settings) {
        this.client = client;
        this.orders = orders;
        this.round = round;
        this.settings = settings;
    }

    @EventListener(ApplicationReadyEvent.class)
    void begin() {
        if (client.isSetUp()) {
            long every = settings.every().toMillis();
            clock.scheduleWithFixedDelay(this::lookAtAll, every, every, TimeUnit.MILLISECONDS);
        }
    }

    @PreDestroy
    void end() {
        clock.shutdownNow();
        threads.shutdownNow();
    }

    /** Goes on with an order at once: somebody has done something about it. */
    void wake(UUID id) {
        pauses.remove(id);
        goOn(id);
    }

    private void lookAtAll() {
        try {
            List<UUID> open = orders.open();
            pauses.keySet().retainAll(open);
            open.stream().filter(this::isAwake).forEach(this::goOn);
        } catch (RuntimeException later) {
            LOG.warn("orders at the counter are looked at later: {}", later.toString());
        }
    }

    private boolean isAwake(UUID id) {
        Pause pause = pauses.get(id);
        return pause == null || pause.isOver();
    }

    private void goOn(UUID id) {
        if (atWork.add(id)) {
            threads.submit(() -> look(id));
        }
    }

    private void look(UUID id) {
        try {
            rest(id, round.goOn(id));
        } catch (OutsideRefusedException refused) {
            pause(id, refused.getMessage() + " It is tried again by itself.");
        } catch (IOException broken) {
            pause(id, "The counter cannot be reached, or the connection broke. Sending resumes automatically.");
        } catch (RuntimeException | Error failed) {
            if (!Failures.isDatabaseAway(failed)) {
                LOG.error("the order {} at the counter is looked at again", id, failed);
            }
            pauses.put(id, Pause.of(1, settings.longestPause()));
        } finally {
            atWork.remove(id);
        }
    }

    /** Where the counter or a person is next, it is asked less often. */
    private void rest(UUID id, CounterOrder.State state) {
        Duration rest = switch (state) {
            case WAITING, RECEIVING, CANCELLED, FAILED, READY -> Duration.ZERO;
            case INSPECTING, TO_MEND -> settings.every().multipliedBy(ROUNDS_AT_REST);
            case ACCEPTED -> settings.longestPause();
        };
        if (rest.isZero()) {
            pauses.remove(id);
        } else {
            pauses.put(id, Pause.of(0, rest));
        }
    }

    private void pause(UUID id, String why) {
        int failures = pauses.containsKey(id) ? pauses.get(id).failures + 1 : 1;
        Duration wanted = settings.every().multipliedBy(1L << Math.min(MOST_DOUBLINGS, failures - 1));
        Duration pause = wanted.compareTo(settings.longestPause()) < 0 ? wanted : settings.longestPause();
        pauses.put(id, Pause.of(failures, pause));
        orders.hinder(id, why);
    }
}
