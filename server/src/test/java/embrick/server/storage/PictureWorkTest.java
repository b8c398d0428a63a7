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

    @Test
    void noMoreAreMadeAtOnceThanThereAreCores() throws Exception {
        AtomicInteger now = new AtomicInteger();
        AtomicInteger most = new AtomicInteger();
        try (ExecutorService askers = Executors.newVirtualThreadPerTaskExecutor()) {
            List<Future<Integer>> all = new ArrayList<>();
            for (int i = 0; i < 20; i++) {
                all.add(askers.submit(() -> work.promptly(() -> false, () -> {
                    most.accumulateAndGet(now.incrementAndGet(), Math::max);
                    Thread.onSpinWait();
                    return now.decrementAndGet();
                })));
            }
            for (Future<Integer> one : all) {
                one.get();
            }
        }
        assertThat(most.get()).isBetween(1, cores);
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

    @Test
    void workWithinWorkDoesNotWaitForItself() throws Exception {
        List<Integer> results = new ArrayList<>();
        for (int i = 0; i < cores * 2; i++) {
            results.add(work.promptly(() -> false, () -> work.promptly(() -> false, () -> 7)));
        }
        assertThat(results).containsOnly(7);
    }
}
