package embrick.server.storage;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.atomic.AtomicInteger;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.Timeout;

/** Pictures made for pages: so many at a time, and none for whoever has left. */
@Timeout(30)
class PictureWorkTest {
    private final PictureWork work = new PictureWork();
    private final int cores = Runtime.getRuntime().availableProcessors();

    @AfterEach
    void end() {
        work.end();
    }

    /** The work stands at a gate: whatever were let in beyond the cores would be seen standing there. */
    @Test
    @SuppressWarnings("ThreadSleep")
    void noMoreAreMadeAtOnceThanThereAreCores() throws Exception {
        AtomicInteger now = new AtomicInteger();
        CountDownLatch gate = new CountDownLatch(1);
        try (ExecutorService askers = Executors.newVirtualThreadPerTaskExecutor()) {
            for (int i = 0; i < cores + 10; i++) {
                askers.submit(() -> work.promptly(() -> false, () -> {
                    now.incrementAndGet();
                    await(gate);
                    return 0;
                }));
            }
            while (now.get() < cores) {
                Thread.sleep(10);
            }
            Thread.sleep(300);
            assertThat(now).hasValue(cores);
            gate.countDown();
        }
        assertThat(now).hasValue(cores + 10);
    }

    @Test
    void nothingIsMadeForWhoeverHasLeft() {
        AtomicInteger made = new AtomicInteger();
        assertThatThrownBy(() -> work.promptly(() -> true, made::incrementAndGet))
                .isInstanceOf(AskerGoneException.class);
        assertThat(made).hasValue(0);
    }

    @Test
    void whoAsksForTooMuchIsToldSoAtOnce() throws Exception {
        CountDownLatch until = new CountDownLatch(1);
        try (ExecutorService askers = Executors.newVirtualThreadPerTaskExecutor()) {
            List<Future<Boolean>> all = new ArrayList<>();
            for (int i = 0; i < 200; i++) {
                all.add(askers.submit(() -> {
                    try {
                        work.promptly(() -> false, () -> {
                            await(until);
                            return 0;
                        });
                        return true;
                    } catch (BusyException busy) {
                        until.countDown();
                        return false;
                    }
                }));
            }
            int made = 0;
            for (Future<Boolean> one : all) {
                made += one.get() ? 1 : 0;
            }
            assertThat(made).isBetween(cores, 199);
        }
    }

    private static void await(CountDownLatch latch) {
        try {
            latch.await();
        } catch (InterruptedException interrupted) {
            Thread.currentThread().interrupt();
        }
    }
}
