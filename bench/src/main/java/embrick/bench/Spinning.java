package embrick.bench;

import java.util.concurrent.Callable;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;

/** The control for two cores: threads that only count, so that a machine without two free cores shows itself. */
final class Spinning {
    private static final long COUNT = 400_000_000L;

    private Spinning() {}

    /** As wall time: how many times one thread's work two threads did in its time. */
    static Measured measure() throws InterruptedException {
        count();
        double one = seconds(1);
        double two = seconds(2);
        return new Measured(0, 2 * one / two, 0);
    }

    private static double seconds(int threads) throws InterruptedException {
        try (ExecutorService pool = Executors.newFixedThreadPool(threads)) {
            long began = System.nanoTime();
            Callable<Long> work = Spinning::count;
            for (var counted : pool.invokeAll(java.util.Collections.nCopies(threads, work))) {
                if (counted.get() == 0) {
                    throw new IllegalStateException("nothing was counted");
                }
            }
            return (System.nanoTime() - began) / 1e9;
        } catch (ExecutionException failed) {
            throw new IllegalStateException(failed);
        }
    }

    private static long count() {
        long value = 1;
        for (long i = 0; i < COUNT; i++) {
            value = value * 6364136223846793005L + 1442695040888963407L;
        }
        return value | 1;
    }
}
