package embrick.server.hotfolders;

import embrick.core.problem.Problem;
import embrick.server.Failures;
import embrick.server.hotfolders.HotFile.State;
import embrick.server.originals.FewAtOnce;
import embrick.server.originals.Intake;
import embrick.server.originals.Original;
import embrick.server.problems.ProblemException;
import embrick.server.storage.Arrival;
import embrick.server.storage.Reception;
import embrick.server.storage.StorageFullException;
import java.io.IOException;
import java.io.InputStream;
import java.nio.file.AccessDeniedException;
import java.nio.file.Files;
import java.nio.file.LinkOption;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.OptionalLong;
import java.util.UUID;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.ExecutionException;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionTemplate;

/** Takes files that lie apart into the day's job, as if they had been sent: copied, judged, with a small picture. */
@Component
class HotIntake {
    private static final Logger LOG = LoggerFactory.getLogger(HotIntake.class);

    /** Times the patience for one that seems broken: a file that still cannot be read fails. */
    private static final int LONGEST_PATIENCE = 10;

    private final HotFileRepository rows;
    private final Reception reception;
    private final Intake intake;
    private final HotSettings settings;
    private final TransactionTemplate transaction;
    private final Clock clock;

    /** When files that seemed broken were last written to: they are read again only once that is another time. */
    private final Map<UUID, Instant> doubted = new ConcurrentHashMap<>();

    HotIntake(
            HotFileRepository rows,
            Reception reception,
            Intake intake,
            HotSettings settings,
            TransactionTemplate transaction,
            Clock clock) {
        this.rows = rows;
        this.reception = reception;
        this.intake = intake;
        this.settings = settings;
        this.transaction = transaction;
        this.clock = clock;
    }

    /** Takes all of them in, a few at a time; one that cannot be used fails with its reason and stops no other. */
    void takeIn(List<HotFile> taken, HotFiles files, UUID jobId) throws InterruptedException, StorageFullException {
        try {
            FewAtOnce.each(taken, file -> takeIn(file, files, jobId));
        } catch (ExecutionException failed) {
            switch (failed.getCause()) {
                case StorageFullException full -> throw full;
                case RuntimeException known -> throw known;
                default -> throw new IllegalStateException(failed.getCause());
            }
        }
    }

    /** @throws StorageFullException if there is no room: nothing is held against the file */
    private void takeIn(HotFile file, HotFiles files, UUID jobId) throws StorageFullException {
        Path lies = files.atWork(file.id());
        try {
            Instant before = Files.getLastModifiedTime(lies).toInstant();
            if (before.equals(doubted.get(file.id())) && mayStillGrow(lies, before)) {
                return;
            }
            Original original;
            try (InputStream content = Files.newInputStream(lies, LinkOption.NOFOLLOW_LINKS);
                    Arrival arrival = reception.receive(content, OptionalLong.of(Files.size(lies)))) {
                original = intake.take(jobId, file.path(), arrival);
            }
            if (original.isForPieces()) {
                doubted.remove(file.id());
                set(file, row -> row.list(jobId, original.id()));
            } else if (mayStillGrow(lies, before)) {
                LOG.info("{} seems broken and is given time: it was written to just now", file.path());
                doubted.put(file.id(), before);
            } else {
                doubted.remove(file.id());
                set(file, row -> row.fail(why(file, original), clock.instant()));
            }
        } catch (NoSuchFileException gone) {
            set(file, row -> row.fail(file.path() + " was taken away before it was printed.", clock.instant()));
        } catch (AccessDeniedException denied) {
            set(
                    file,
                    row -> row.fail(
                            file.path()
                                    + " may not be read by the user that Embrick runs as. Let it be read, then drop it again.",
                            clock.instant()));
        } catch (StorageFullException full) {
            throw full;
        } catch (ProblemException refused) {
            Problem problem = refused.problems().getFirst();
            set(file, row -> row.fail(problem.text() + " " + problem.remedy(), clock.instant()));
        } catch (IOException failed) {
            laterOrNever(file, lies, failed);
        } catch (RuntimeException failed) {
            if (Failures.isDatabaseAway(failed)) {
                throw failed;
            }
            LOG.error("{} could not be taken in", file.path(), failed);
            set(
                    file,
                    row -> row.fail(
                            file.path() + " could not be taken in, by a mistake inside Embrick. "
                                    + "Report what the log says.",
                            clock.instant()));
        }
    }

    /** A disk may come back, and a file that grows while it is copied out rests in the end; not for ever. */
    private void laterOrNever(HotFile file, Path lies, IOException failed) {
        boolean isLink = Files.isSymbolicLink(lies);
        Duration waited = Duration.between(file.seenAt(), clock.instant());
        if (isLink || waited.compareTo(settings.patience().multipliedBy(LONGEST_PATIENCE)) > 0) {
            String why =
                    isLink ? " is a link, and a hot folder takes files" : " cannot be read: " + Failures.words(failed);
            set(file, row -> row.fail(file.path() + why + ". Drop the file itself again.", clock.instant()));
        } else {
            LOG.info("{} is taken in later: {}", file.path(), failed.toString());
        }
    }

    /** A copy that had only stalled goes on in the file that was taken. */
    private boolean mayStillGrow(Path lies, Instant before) throws IOException {
        Instant now = clock.instant();
        Instant written = Files.getLastModifiedTime(lies).toInstant();
        return !written.equals(before) || Duration.between(written, now).abs().compareTo(settings.patience()) < 0;
    }

    private static String why(HotFile file, Original original) {
        return original.problem()
                .map(problem -> file.path() + " " + problem.text() + ". " + problem.remedy())
                .orElse(file.path() + " cannot be printed.");
    }

    private void set(HotFile file, java.util.function.Consumer<HotFile> change) {
        transaction.executeWithoutResult(_ -> rows.findById(file.id())
                .filter(row -> row.state() == State.TAKEN)
                .ifPresent(change));
    }
}
