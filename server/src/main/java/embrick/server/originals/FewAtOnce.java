package embrick.server.originals;

import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.Semaphore;

/**
 * Works on many files a few at a time: enough to keep the threads for pictures busy, few enough to leave pages their turn.
 */
public final class FewAtOnce {
    private static final int AT_ONCE = Runtime.getRuntime().availableProcessors() + 1;

    private FewAtOnce() {}

    /** Work on one file. Whatever is wrong with the file alone is its own to tell. */
    public interface Work<T> {
        void on(T file) throws Exception;
    }

    /**
     * Works on all of them, and returns when the last is done.
     *
     * @throws ExecutionException around what the first of those that failed has thrown
     */
    public static <T> void each(List<T> files, Work<T> work) throws InterruptedException, ExecutionException {
        Semaphore room = new Semaphore(AT_ONCE);
        List<Future<?>> all = new ArrayList<>();
        try (ExecutorService threads = Executors.newVirtualThreadPerTaskExecutor()) {
            try {
                for (T file : files) {
                    room.acquire();
                    all.add(threads.submit(() -> {
                        try {
                            work.on(file);
                            return null;
                        } finally {
                            room.release();
                        }
                    }));
                }
                for (Future<?> one : all) {
                    one.get();
                }
            } catch (InterruptedException ending) {
                // Otherwise closing waits for all that were begun.
                threads.shutdownNow();
                throw ending;
            }
        }
    }
}
