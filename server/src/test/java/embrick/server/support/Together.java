package embrick.server.support;

import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.Callable;
import java.util.concurrent.CyclicBarrier;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;

/** Does several things at the same moment. */
public final class Together {
    private Together() {}

    /** The results, in the order of the work. */
    public static <T> List<T> all(List<? extends Callable<T>> work) throws Exception {
        CyclicBarrier start = new CyclicBarrier(work.size());
        try (ExecutorService threads = Executors.newFixedThreadPool(work.size())) {
            List<Future<T>> futures = new ArrayList<>();
            for (Callable<T> one : work) {
                futures.add(threads.submit(() -> {
                    start.await();
                    return one.call();
                }));
            }
            List<T> done = new ArrayList<>();
            for (Future<T> future : futures) {
                done.add(future.get());
            }
            return done;
        }
    }
}
