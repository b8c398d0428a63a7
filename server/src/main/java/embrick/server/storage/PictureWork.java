package embrick.server.storage;

import jakarta.annotation.PreDestroy;
import java.io.IOException;
import java.util.concurrent.Callable;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.atomic.AtomicInteger;
import org.springframework.stereotype.Component;

/**
 * The threads that decode and render for pages: as many as the machine has cores. Requests themselves run on virtual
 * threads, which cost nothing while they wait and must not be held by native code.
 */
@Component
public class PictureWork {
    /** Pictures that may wait for a page; who asks for more asks again later. */
    private static final int MOST_WAITING = 64;

    private final ExecutorService threads = Executors.newFixedThreadPool(
            Runtime.getRuntime().availableProcessors(),
            Thread.ofPlatform().daemon().name("picture-work-", 0).factory());
    private final AtomicInteger waiting = new AtomicInteger();

    /** Work that fails as reading does. */
    public interface Work<T> {
        T run() throws IOException;
    }

    /** Who waits for a picture. */
    public interface Asker {
        boolean isGone();
    }

    /** Does work for an upload: it waits its turn, however long that takes. */
    public <T> T patiently(Work<T> work) throws IOException {
        return finished(threads.submit(work::run));
    }

    /**
     * Does work for a page.
     *
     * @param asker is looked after before the work is begun; who has left gets nothing made
     * @throws BusyException if too many wait
     * @throws AskerGoneException if the asker has left
     */
    public <T> T promptly(Asker asker, Work<T> work) throws IOException {
        int before = waiting.getAndIncrement();
        if (before >= MOST_WAITING) {
            waiting.decrementAndGet();
            throw new BusyException(before);
        }
        Callable<T> once = () -> {
            waiting.decrementAndGet();
            if (asker.isGone()) {
                throw new AskerGoneException();
            }
            return work.run();
        };
        return finished(threads.submit(once));
    }

    private static <T> T finished(Future<T> future) throws IOException {
        try {
            return future.get();
        } catch (InterruptedException interrupted) {
            future.cancel(true);
            Thread.currentThread().interrupt();
            throw new IOException("interrupted while a picture was made", interrupted);
        } catch (ExecutionException failed) {
            switch (failed.getCause()) {
                case IOException known -> throw known;
                case RuntimeException known -> throw known;
                case Error known -> throw known;
                default -> throw new IllegalStateException(failed.getCause());
            }
        }
    }

    @PreDestroy
    void end() {
        threads.shutdownNow();
    }
}
