package embrick.server.hotfolders;

import embrick.core.problem.Problem;
import embrick.server.Ids;
import embrick.server.jobs.JobService;
import embrick.server.problems.ProblemException;
import embrick.server.runs.Piece;
import embrick.server.runs.PieceRepository;
import embrick.server.runs.PieceRow;
import embrick.server.runs.Run;
import embrick.server.runs.RunService;
import embrick.server.runs.RunStart;
import java.time.Clock;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.Collectors;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionTemplate;

/** Runs what was taken in, a burst of files as one run, and looks what became of it. */
@Component
class HotRuns {
    private final HotFileRepository rows;
    private final RunStart starts;
    private final RunService runs;
    private final PieceRepository pieces;
    private final TransactionTemplate transaction;
    private final Clock clock;

    HotRuns(
            HotFileRepository rows,
            RunStart starts,
            RunService runs,
            PieceRepository pieces,
            TransactionTemplate transaction,
            Clock clock) {
        this.rows = rows;
        this.starts = starts;
        this.runs = runs;
        this.pieces = pieces;
        this.transaction = transaction;
        this.clock = clock;
    }

    /** Makes one batch of all that wait for a run, those of one job. */
    void gather(List<HotFile> listed) {
        Map<UUID, List<HotFile>> byJob = listed.stream()
                .filter(file -> file.batchId().isEmpty())
                .collect(Collectors.groupingBy(
                        file -> file.jobId().orElseThrow(), LinkedHashMap::new, Collectors.toList()));
        byJob.values().forEach(files -> {
            UUID batch = Ids.next();
            set(files, row -> row.join(batch));
        });
    }

    /**
     * Starts the run of each batch. The batch's id is the key of the start: one that a kill ended gives the same run again.
     *
     * @throws ProblemException if there is no room, or no folder to deliver to: nothing is lost, it is tried again
     */
    void start(HotFolder folder, List<HotFile> listed) {
        Map<UUID, List<HotFile>> batches = listed.stream()
                .filter(file -> file.batchId().isPresent())
                .collect(Collectors.groupingBy(
                        file -> file.batchId().orElseThrow(), LinkedHashMap::new, Collectors.toList()));
        batches.forEach((batch, files) -> start(folder, batch, files));
    }

    private void start(HotFolder folder, UUID batch, List<HotFile> files) {
        List<UUID> originals = files.stream()
                .map(file -> file.originalId().orElseThrow())
                .distinct()
                .toList();
        UUID jobId = files.getFirst().jobId().orElseThrow();
        String key = "hot folder " + batch;
        try {
            // Where its files go may have been changed since it was started and not yet noted.
            Run run = runs.startedBy(jobId, key)
                    .orElseGet(() -> starts.start(
                            new RunStart.Wanted(
                                    jobId,
                                    Optional.empty(),
                                    Optional.of(originals),
                                    Optional.of(folder.target()),
                                    false),
                            Optional.of(key)));
            set(files, row -> row.run(run.id()));
        } catch (ProblemException refused) {
            answer(refused, files);
        }
    }

    /** The folder to deliver to is not there now: no file's fault, and gone when it is back. */
    private static boolean isOfTheTarget(ProblemException refused) {
        return refused.problems().stream().anyMatch(problem -> problem.code().equals(JobService.TARGET_UNFIT));
    }

    private void answer(ProblemException refused, List<HotFile> files) {
        if (refused.status() == HttpStatus.NOT_FOUND) {
            // The job, or a picture of it, was deleted meanwhile: the files are still here, and go into a new one.
            set(files, HotFile::take);
        } else if (refused.status() == HttpStatus.INSUFFICIENT_STORAGE || isOfTheTarget(refused)) {
            throw refused;
        } else if (files.size() > 1) {
            // What stands against one, or against two together, must not stop the others.
            files.forEach(file -> {
                UUID own = Ids.next();
                set(List.of(file), row -> row.join(own));
            });
        } else {
            Problem problem = refused.problems().getFirst();
            set(files, row -> row.fail(problem.text() + " " + problem.remedy(), clock.instant()));
        }
    }

    /** Notes which files are printed and which are not, as soon as their pieces are. */
    void settle(List<HotFile> running) {
        Map<UUID, List<HotFile>> byRun = running.stream()
                .collect(Collectors.groupingBy(file -> file.runId().orElseThrow()));
        byRun.forEach((runId, files) -> {
            Map<UUID, PieceRow> made = new HashMap<>();
            pieces.rows(runId).forEach(piece -> made.put(piece.originalId(), piece));
            files.forEach(file ->
                    settle(file, Optional.ofNullable(made.get(file.originalId().orElseThrow()))));
        });
    }

    private void settle(HotFile file, Optional<PieceRow> piece) {
        if (piece.isEmpty()) {
            set(
                    List.of(file),
                    row -> row.fail(
                            file.path() + " was not printed: its run was deleted. Drop it again.", clock.instant()));
            return;
        }
        Piece.State state = piece.get().state();
        if (state == Piece.State.CHECKED) {
            set(List.of(file), row -> row.print(clock.instant()));
        } else if (state == Piece.State.FAILED) {
            Problem problem = piece.get().problem().orElseThrow();
            set(List.of(file), row -> row.fail(problem.text() + " " + problem.remedy(), clock.instant()));
        }
    }

    private void set(List<HotFile> files, java.util.function.Consumer<HotFile> change) {
        transaction.executeWithoutResult(_ -> rows.findAllById(
                        files.stream().map(HotFile::id).toList())
                .forEach(row -> {
                    if (!row.isSettled()) {
                        change.accept(row);
                    }
                }));
    }
}
