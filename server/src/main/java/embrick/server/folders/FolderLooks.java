package embrick.server.folders;

import embrick.server.folders.FolderLook.Seen;
import jakarta.annotation.PreDestroy;
import java.time.Duration;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.TimeoutException;
import org.springframework.stereotype.Component;

/** What was last seen in each folder. A slow disk holds up no page: the last look is told while a new one is under way. */
@Component
class FolderLooks {
    /** A look is told again for this long at least, and for ten times what it took: a slow disk is left in peace. */
    private static final long AS_GOOD_AS_NEW = Duration.ofSeconds(1).toNanos();

    private static final int REST = 10;

    private static final long PATIENCE_MILLIS = 150;

    private final FolderLook look;
    private final Map<UUID, Last> last = new ConcurrentHashMap<>();
    private final ExecutorService threads = Executors.newVirtualThreadPerTaskExecutor();

    FolderLooks(FolderLook look) {
        this.look = look;
    }

    private static final class Last {
        private Seen seen;
        private long goodUntil;
        private Future<?> underWay;
    }

    /** Empty if the first look takes longer than a page waits. */
    Optional<Seen> of(OpenedFolder folder) {
        Last kept = last.computeIfAbsent(folder.id(), _ -> new Last());
        Future<?> looking;
        synchronized (kept) {
            if (kept.seen != null && System.nanoTime() - kept.goodUntil < 0) {
                return Optional.of(kept.seen);
            }
            if (kept.underWay == null || kept.underWay.isDone()) {
                kept.underWay = threads.submit(() -> look(folder, kept));
            }
            looking = kept.underWay;
        }
        try {
            looking.get(PATIENCE_MILLIS, TimeUnit.MILLISECONDS);
        } catch (TimeoutException slow) {
            // The next question finds it.
        } catch (ExecutionException failed) {
            throw new IllegalStateException(failed.getCause());
        } catch (InterruptedException ending) {
            Thread.currentThread().interrupt();
        }
        synchronized (kept) {
            return Optional.ofNullable(kept.seen);
        }
    }

    private void look(OpenedFolder folder, Last kept) {
        long begun = System.nanoTime();
        Seen seen = look.look(folder);
        long now = System.nanoTime();
        synchronized (kept) {
            kept.seen = seen;
            kept.goodUntil = now + Math.max(AS_GOOD_AS_NEW, REST * (now - begun));
        }
    }

    /** After something was taken in: the next question looks again. */
    void forget(UUID folderId) {
        last.remove(folderId);
    }

    @PreDestroy
    void end() {
        threads.shutdownNow();
    }
}
