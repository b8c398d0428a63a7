package embrick.server.hotfolders;

import embrick.core.problem.Problem;
import embrick.server.Ids;
import embrick.server.documents.StoredJson;
import embrick.server.folders.FolderWalk;
import embrick.server.folders.FolderWalk.FoundFile;
import embrick.server.hotfolders.HotFile.State;
import embrick.server.jobs.Job;
import embrick.server.jobs.JobService;
import embrick.server.problems.ProblemException;
import embrick.server.savedtickets.SavedTicket;
import embrick.server.savedtickets.SavedTickets;
import embrick.server.storage.Roots;
import java.io.IOException;
import java.nio.file.FileAlreadyExistsException;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionTemplate;

/**
 * What is done with a hot folder each time it is looked at. A file goes through these states, each noted in the database:
 * seen · taken out of the folder · listed in the day's job · running · printed or failed · moved apart. Whatever state a
 * kill leaves it in, the next round goes on from there.
 */
@Component
class HotFolderRound {
    private static final Logger LOG = LoggerFactory.getLogger(HotFolderRound.class);

    /** A burst is one run; one that never ends is cut after so many files, or so long. */
    private static final int MOST_OF_A_RUN = 2000;

    private static final Duration LONGEST_BURST = Duration.ofMinutes(10);

    private final HotFolderRepository folders;
    private final HotFileRepository rows;
    private final Roots roots;
    private final FolderWalk walk;
    private final HotIntake intake;
    private final HotRuns runs;
    private final JobService jobs;
    private final SavedTickets saved;
    private final StoredJson json;
    private final TransactionTemplate transaction;
    private final Clock clock;

    HotFolderRound(
            HotFolderRepository folders,
            HotFileRepository rows,
            Roots roots,
            FolderWalk walk,
            HotIntake intake,
            HotRuns runs,
            JobService jobs,
            SavedTickets saved,
            StoredJson json,
            TransactionTemplate transaction,
            Clock clock) {
        this.folders = folders;
        this.rows = rows;
        this.roots = roots;
        this.walk = walk;
        this.intake = intake;
        this.runs = runs;
        this.jobs = jobs;
        this.saved = saved;
        this.json = json;
        this.transaction = transaction;
        this.clock = clock;
    }

    /** What is in the way of a folder's work, for a person to mend; the files stay where they are until it is. */
    static final class TroubleException extends Exception {
        private static final long serialVersionUID = 1L;

        TroubleException(String text) {
            super(text);
        }
    }

    /**
     * Looks at a folder once.
     *
     * @param isAtWork whether files of it are not where they end yet
     * @param stillness of this folder's files, from round to round
     */
    void look(HotFolder folder, boolean isAtWork, Stillness stillness)
            throws IOException, InterruptedException, TroubleException {
        Path real = roots.resolve(folder.root(), folder.path());
        HotFiles files = new HotFiles(real);
        if (isAtWork) {
            runs.settle(in(folder, State.RUNNING));
            moveApart(folder, files);
            takeOutAgain(folder, files);
        }
        Taken taken = folder.isOn() ? takeOut(folder, files, stillness, real) : Taken.NOTHING;
        if (isAtWork || taken.files > 0) {
            goOn(folder, files, taken.isAll);
        }
    }

    /** @param isQuiet whether no file is still being written */
    private void goOn(HotFolder folder, HotFiles files, boolean isQuiet)
            throws IOException, InterruptedException, TroubleException {
        List<HotFile> taken = in(folder, State.TAKEN);
        if (!taken.isEmpty()) {
            intake.takeIn(taken, files, jobOfToday(folder));
        }
        List<HotFile> listed = in(folder, State.LISTED);
        // One that seems broken, and is given time, holds up no other.
        if (isQuiet || isCut(listed)) {
            runs.gather(listed);
        }
        startRuns(folder);
    }

    private void startRuns(HotFolder folder) throws TroubleException {
        try {
            runs.start(folder, in(folder, State.LISTED));
        } catch (ProblemException refused) {
            Problem problem = refused.problems().getFirst();
            throw new TroubleException(problem.text() + " " + problem.remedy());
        }
    }

    private List<HotFile> in(HotFolder folder, State... states) {
        return rows.open(folder.id(), List.of(states));
    }

    private boolean isCut(List<HotFile> listed) {
        return listed.size() >= MOST_OF_A_RUN
                || listed.stream()
                        .filter(file -> file.batchId().isEmpty())
                        .findFirst()
                        .filter(oldest -> Duration.between(oldest.seenAt(), clock.instant())
                                        .compareTo(LONGEST_BURST)
                                > 0)
                        .isPresent();
    }

    /**
     * Files that were taken out of a folder.
     *
     * @param isAll whether none is left that was still growing
     */
    private record Taken(int files, boolean isAll) {
        static final Taken NOTHING = new Taken(0, true);
    }

    /** Resumes files that an earlier round recorded and did not take out. */
    private void takeOutAgain(HotFolder folder, HotFiles files) throws IOException {
        if (folder.isOn()) {
            for (HotFile file : in(folder, State.SEEN)) {
                takeOut(file, files);
            }
        }
    }

    /** Takes files that have stopped growing out of the folder. */
    private Taken takeOut(HotFolder folder, HotFiles files, Stillness stillness, Path real)
            throws IOException, TroubleException {
        List<FoundFile> found = walk.walk(folder.root(), folder.path()).files().stream()
                .filter(file -> !HotFiles.isOurs(file.path()))
                .toList();
        List<FoundFile> resting = stillness.look(found, System.nanoTime());
        if (!resting.isEmpty()) {
            requireReady(folder, real);
        }
        for (FoundFile file : resting) {
            HotFile row = new HotFile(Ids.next(), folder.id(), file.path(), clock.instant());
            transaction.executeWithoutResult(_ -> rows.save(row));
            takeOut(row, files);
        }
        return new Taken(resting.size(), resting.size() == found.size());
    }

    private void requireReady(HotFolder folder, Path real) throws TroubleException {
        if (!Files.isWritable(real)) {
            throw new TroubleException("Embrick may not write to it, and so cannot take its files out. "
                    + "Let the user that Embrick runs as write to it.");
        }
        if (folder.savedTicketId().isEmpty()) {
            throw new TroubleException("Its saved ticket was deleted. Choose another one for it.");
        }
    }

    /** A file is taken out once: its row is there before it is moved, and says so afterwards. */
    private void takeOut(HotFile row, HotFiles files) throws IOException {
        if (!files.isAtWork(row.id())) {
            try {
                files.take(row.path(), row.id());
            } catch (NoSuchFileException gone) {
                transaction.executeWithoutResult(_ -> rows.deleteById(row.id()));
                return;
            }
        }
        transaction.executeWithoutResult(_ -> rows.findById(row.id()).ifPresent(HotFile::take));
    }

    /** The job that today's files go into, with the ticket as it is saved now. */
    private UUID jobOfToday(HotFolder folder) throws TroubleException {
        UUID ticketId = folder.savedTicketId()
                .orElseThrow(() -> new TroubleException("Its saved ticket was deleted. Choose another one for it."));
        SavedTicket ticket = saved.get(ticketId);
        LocalDate today = LocalDate.now(clock);
        Instant savedAt = ticket.savedAt().truncatedTo(ChronoUnit.MICROS);
        // Read again: the round before this one may have begun the day's job after this folder was listed.
        Optional<UUID> known = folders.findById(folder.id())
                .flatMap(now -> now.job(today, savedAt))
                .filter(jobs::exists);
        if (known.isPresent()) {
            return known.get();
        }
        return transaction.execute(_ -> {
            Job job = jobs.add(folder.name() + " " + today, json.ticket(ticket.document()));
            folders.findById(folder.id()).ifPresent(row -> row.workIn(job.id(), today, savedAt));
            return job.id();
        });
    }

    private void moveApart(HotFolder folder, HotFiles files) throws IOException {
        for (HotFile file : in(folder, State.PRINTED, State.FAILED)) {
            moveApart(file, files);
        }
    }

    private void moveApart(HotFile file, HotFiles files) throws IOException {
        String kind = file.state() == State.PRINTED ? HotFiles.DONE : HotFiles.FAILED;
        String to = file.movedTo().isPresent() && files.isFree(file.movedTo().get(), file.id())
                ? file.movedTo().get()
                : files.freeName(kind, file.path());
        transaction.executeWithoutResult(_ -> rows.findById(file.id()).ifPresent(row -> row.moveTo(to)));
        if (file.reason().isPresent()) {
            files.explain(to, file.reason().get());
        }
        try {
            files.moveApart(file.id(), to);
        } catch (FileAlreadyExistsException taken) {
            LOG.info("{} was taken by somebody: {} is moved apart next time", to, file.path());
            return;
        }
        transaction.executeWithoutResult(_ -> rows.findById(file.id()).ifPresent(HotFile::noteMoved));
    }
}
