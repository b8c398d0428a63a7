package embrick.server.folders;

import embrick.server.Failures;
import embrick.server.folders.FolderLook.Seen;
import embrick.server.folders.FolderWalk.FoundFile;
import embrick.server.folders.OpenedFolder.Wish;
import embrick.server.originals.FewAtOnce;
import embrick.server.originals.Intake;
import embrick.server.originals.NotTakenException;
import embrick.server.originals.Original;
import embrick.server.originals.StillWrittenException;
import embrick.server.problems.ProblemException;
import embrick.server.storage.OutsideRootException;
import embrick.server.storage.ReadingLane;
import jakarta.annotation.PreDestroy;
import java.io.IOException;
import java.nio.file.AccessDeniedException;
import java.nio.file.NoSuchFileException;
import java.time.Clock;
import java.time.Duration;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Queue;
import java.util.UUID;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.ConcurrentLinkedQueue;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.atomic.AtomicBoolean;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.concurrent.atomic.AtomicLong;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.boot.autoconfigure.condition.ConditionalOnWebApplication;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionTemplate;

/**
 * Takes the files of opened folders in, in the background, one folder's files a few at a time. That an intake is wanted is
 * kept in the database: one that a kill ended goes on at the next start, and what it had taken is not taken again.
 */
@Component
@ConditionalOnWebApplication
class FolderIntake {
    private static final Logger LOG = LoggerFactory.getLogger(FolderIntake.class);

    /** A file that was written to within this time is looked at again before it is taken. */
    private static final Duration FRESHLY_WRITTEN = Duration.ofSeconds(3);

    private static final int MOST_TRIES = 20;

    private final OpenedFolderRepository folders;
    private final FolderLook look;
    private final FolderLooks looks;
    private final Intake intake;
    private final ReadingLane lane;
    private final TransactionTemplate transaction;
    private final Clock clock;
    private final ExecutorService threads = Executors.newVirtualThreadPerTaskExecutor();
    private final Map<UUID, Progress> atWork = new ConcurrentHashMap<>();
    private final Map<UUID, List<Refusal>> refusals = new ConcurrentHashMap<>();

    FolderIntake(
            OpenedFolderRepository folders,
            FolderLook look,
            FolderLooks looks,
            Intake intake,
            ReadingLane lane,
            TransactionTemplate transaction,
            Clock clock) {
        this.folders = folders;
        this.look = look;
        this.looks = looks;
        this.intake = intake;
        this.lane = lane;
        this.transaction = transaction;
        this.clock = clock;
    }

    /**
     * How far an intake is.
     *
     * @param bytes of all its files
     * @param readBytes of those that were not read before
     */
    record State(int files, int done, long bytes, long readBytes) {}

    /**
     * A file that could not be taken in.
     *
     * @param reason a sentence
     */
    record Refusal(String path, String reason) {}

    private static final class Progress {
        private final ReadingLane.Reader reader;
        private final AtomicLong bytes = new AtomicLong();
        private final AtomicInteger files = new AtomicInteger();
        private final AtomicInteger done = new AtomicInteger();
        private final AtomicBoolean isAskedAgain = new AtomicBoolean();

        Progress(ReadingLane.Reader reader) {
            this.reader = reader;
        }
    }

    /** Asks for an intake. One that is under way takes what is new when it has ended. */
    void begin(UUID folderId, Wish wish) {
        transaction.executeWithoutResult(_ -> folders.findById(folderId)
                .orElseThrow(() -> ProblemException.notFound("folder"))
                .want(wish));
        run(folderId);
    }

    /** Empty if none is under way. */
    Optional<State> state(UUID folderId) {
        return Optional.ofNullable(atWork.get(folderId))
                .map(progress -> new State(
                        progress.files.get(), progress.done.get(), progress.bytes.get(), progress.reader.readBytes()));
    }

    /** What the last intake could not take. */
    List<Refusal> refusals(UUID folderId) {
        return refusals.getOrDefault(folderId, List.of());
    }

    void forget(UUID folderId) {
        cancel(folderId);
        refusals.remove(folderId);
    }

    /** What was taken in stays; what was not may be taken in later. */
    void cancel(UUID folderId) {
        Progress underWay = atWork.get(folderId);
        if (underWay != null) {
            underWay.isAskedAgain.set(false);
            underWay.reader.giveUp();
        }
    }

    @EventListener(ApplicationReadyEvent.class)
    void goOn() {
        try {
            folders.findByIntakeIsNotNull().forEach(folder -> run(folder.id()));
        } catch (RuntimeException later) {
            LOG.warn("folders that are being taken in go on at the next start: {}", later.toString());
        }
    }

    @PreDestroy
    void end() {
        threads.shutdownNow();
    }

    private void run(UUID folderId) {
        Progress progress = new Progress(lane.reader());
        Progress underWay = atWork.putIfAbsent(folderId, progress);
        if (underWay == null) {
            threads.submit(() -> takeAll(folderId, progress));
        } else {
            underWay.isAskedAgain.set(true);
        }
    }

    private void takeAll(UUID folderId, Progress progress) {
        try {
            Optional<OpenedFolder> folder = folders.findById(folderId);
            if (folder.isEmpty() || folder.get().intake().isEmpty()) {
                return;
            }
            List<Refusal> refused = take(folder.get(), folder.get().intake().get(), progress);
            refusals.put(folderId, refused);
            if (!progress.isAskedAgain.get()) {
                transaction.executeWithoutResult(_ -> folders.findById(folderId).ifPresent(OpenedFolder::endIntake));
            }
        } catch (InterruptedException ending) {
            Thread.currentThread().interrupt();
        } catch (RuntimeException | Error failed) {
            // It stays wanted: the next start, or a person who asks again, goes on with it.
            LOG.warn("the intake of folder {} ended early", folderId, failed);
            refusals.put(folderId, List.of(new Refusal("", "The intake ended early: begin it again.")));
        } finally {
            looks.forget(folderId);
            atWork.remove(folderId, progress);
            if (progress.isAskedAgain.get()) {
                run(folderId);
            }
        }
    }

    private List<Refusal> take(OpenedFolder folder, Wish wish, Progress progress) throws InterruptedException {
        Seen seen = look.look(folder);
        if (seen.away() != null) {
            return List.of(new Refusal("", seen.away()));
        }
        Map<Original, FoundFile> changed = wish == Wish.NEW_AND_CHANGED ? seen.changed() : Map.of();
        List<Step> steps = new ArrayList<>();
        seen.fresh()
                .forEach(file -> steps.add(new Step(
                        file,
                        () -> intake.takeInPlace(
                                folder.jobId(), file.path(), folder.root(), file.rootPath(), progress.reader))));
        changed.forEach((original, file) -> steps.add(
                new Step(file, () -> intake.renewInPlace(original, folder.root(), file.rootPath(), progress.reader))));
        progress.files.set(steps.size());
        progress.bytes.set(steps.stream().mapToLong(step -> step.file().bytes()).sum());
        Queue<Refusal> refused = new ConcurrentLinkedQueue<>();
        try {
            FewAtOnce.each(steps, step -> {
                if (progress.reader.isGivenUp()) {
                    return;
                }
                taken(step.file(), step.taking()).ifPresent(refused::add);
                progress.done.incrementAndGet();
            });
        } catch (ExecutionException failed) {
            throw new IllegalStateException(failed.getCause());
        }
        return refused.stream().sorted(Comparator.comparing(Refusal::path)).toList();
    }

    private record Step(FoundFile file, Taking taking) {}

    private interface Taking {
        Object take() throws IOException;
    }

    /** Nothing about one file stops another. */
    private Optional<Refusal> taken(FoundFile file, Taking taking) throws InterruptedException {
        try {
            for (int tries = 1; ; tries++) {
                if (isFreshlyWritten(file)) {
                    Thread.sleep(FRESHLY_WRITTEN);
                }
                try {
                    taking.take();
                    return Optional.empty();
                } catch (StillWrittenException growing) {
                    if (tries == MOST_TRIES) {
                        throw growing;
                    }
                    Thread.sleep(FRESHLY_WRITTEN);
                }
            }
        } catch (StillWrittenException growing) {
            return refusal(file, "is still being written to. Take it in when that has ended");
        } catch (NoSuchFileException gone) {
            return refusal(file, "went away before it was taken in");
        } catch (AccessDeniedException denied) {
            return refusal(file, "may not be read by the user that Embrick runs as. Let it be read");
        } catch (OutsideRootException out) {
            return refusal(file, "leads out of the folder by a link");
        } catch (ReadingLane.GivenUpException cancelled) {
            return Optional.empty();
        } catch (NotTakenException not) {
            return refusal(file, not.getMessage());
        } catch (IOException failed) {
            return refusal(file, "cannot be read: " + Failures.words(failed));
        } catch (ProblemException refused) {
            return Optional.of(
                    new Refusal(file.path(), refused.problems().getFirst().text()));
        } catch (RuntimeException failed) {
            if (Failures.isDatabaseAway(failed)) {
                throw failed;
            }
            LOG.error("{} could not be taken in", file.rootPath(), failed);
            return refusal(file, "could not be taken in, by a mistake inside Embrick");
        }
    }

    private static Optional<Refusal> refusal(FoundFile file, String reason) {
        return Optional.of(new Refusal(file.path(), file.path() + " " + reason + "."));
    }

    private boolean isFreshlyWritten(FoundFile file) {
        return Duration.between(file.modified(), clock.instant()).abs().compareTo(FRESHLY_WRITTEN) < 0;
    }
}
