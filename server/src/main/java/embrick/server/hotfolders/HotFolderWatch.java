package embrick.server.hotfolders;

import embrick.server.Failures;
import embrick.server.hotfolders.HotFolderRound.TroubleException;
import embrick.server.storage.OutsideRootException;
import embrick.server.storage.RootAwayException;
import embrick.server.storage.RootUnknownException;
import embrick.server.storage.StorageFullException;
import jakarta.annotation.PreDestroy;
import java.io.IOException;
import java.nio.file.NoSuchFileException;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.TimeUnit;
import java.util.stream.Collectors;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.boot.autoconfigure.condition.ConditionalOnWebApplication;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;

/** Looks at all hot folders again and again, each in a thread of its own: a slow one holds up no other. */
@Component
@ConditionalOnWebApplication
class HotFolderWatch {
    private static final Logger LOG = LoggerFactory.getLogger(HotFolderWatch.class);

    private final HotFolderRepository folders;
    private final HotFileRepository files;
    private final HotFolderRound round;
    private final HotSettings settings;
    private final ScheduledExecutorService clock = Executors.newSingleThreadScheduledExecutor(
            Thread.ofPlatform().daemon().name("hot-folders").factory());
    private final ExecutorService threads = Executors.newVirtualThreadPerTaskExecutor();
    private final Set<UUID> atWork = ConcurrentHashMap.newKeySet();
    private final Map<UUID, Stillness> stillness = new ConcurrentHashMap<>();
    private final Map<UUID, String> troubles = new ConcurrentHashMap<>();

    HotFolderWatch(HotFolderRepository folders, HotFileRepository files, HotFolderRound round, HotSettings settings) {
        this.folders = folders;
        this.files = files;
        this.round = round;
        this.settings = settings;
    }

    @EventListener(ApplicationReadyEvent.class)
    void begin() {
        long every = settings.every().toMillis();
        clock.scheduleWithFixedDelay(this::lookAtAll, every, every, TimeUnit.MILLISECONDS);
    }

    @PreDestroy
    void end() {
        clock.shutdownNow();
        threads.shutdownNow();
    }

    /** What is in the way of a folder's work; empty if nothing is. */
    Optional<String> trouble(UUID folderId) {
        return Optional.ofNullable(troubles.get(folderId));
    }

    private void lookAtAll() {
        try {
            List<HotFolder> all = folders.findAll();
            Set<UUID> ids = all.stream().map(HotFolder::id).collect(Collectors.toSet());
            stillness.keySet().retainAll(ids);
            troubles.keySet().retainAll(ids);
            Set<UUID> busy = files.foldersAtWork();
            all.stream()
                    .filter(folder -> atWork.add(folder.id()))
                    .forEach(folder -> threads.submit(() -> look(folder, busy.contains(folder.id()))));
        } catch (RuntimeException later) {
            LOG.warn("hot folders are looked at later: {}", later.toString());
        }
    }

    private void look(HotFolder folder, boolean isAtWork) {
        UUID id = folder.id();
        try {
            round.look(folder, isAtWork, stillness.computeIfAbsent(id, _ -> new Stillness(settings.still())));
            troubles.remove(id);
        } catch (TroubleException trouble) {
            troubles.put(id, trouble.getMessage());
        } catch (IOException failed) {
            troubles.put(id, words(failed));
        } catch (InterruptedException ending) {
            Thread.currentThread().interrupt();
        } catch (RuntimeException | Error failed) {
            if (!Failures.isDatabaseAway(failed)) {
                LOG.error("hot folder {} is looked at again", id, failed);
            }
            troubles.put(id, "Something went wrong inside Embrick; it is tried again. See its log.");
        } finally {
            atWork.remove(id);
        }
    }

    private static String words(IOException failed) {
        return switch (failed) {
            case RootAwayException away ->
                "The folder “" + away.root() + "” is not there: its disk may be away. It goes on when it is back.";
            case RootUnknownException _ -> "It is not allowed any more. Allow it by EMBRICK_ROOTS, or delete it here.";
            case OutsideRootException _ -> "It now leads out of its root by a link.";
            case NoSuchFileException _ -> "It is no longer there. It goes on when it is back.";
            case StorageFullException _ ->
                "The disk that Embrick's storage is on is full. Make room on it: it goes on by itself.";
            default -> "It cannot be read or written to: " + Failures.words(failed) + ".";
        };
    }
}
