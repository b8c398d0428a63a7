package embrick.server.runs;

import embrick.core.problem.Problem;
import embrick.server.problems.ProblemException;
import embrick.server.runs.Piece.State;
import java.time.Clock;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.support.TransactionTemplate;

/** Stops runs, lets them go on, and has pieces made again; by the plans that were ordered. */
@Service
public class RunService {
    private final RunRepository runs;
    private final PieceRepository pieces;
    private final DeliveredFiles delivered;
    private final PieceRenewal renewal;
    private final RunQueue queue;
    private final RunsBeingDeleted deletions;
    private final TransactionTemplate transaction;
    private final Clock clock;

    RunService(
            RunRepository runs,
            PieceRepository pieces,
            DeliveredFiles delivered,
            PieceRenewal renewal,
            RunQueue queue,
            RunsBeingDeleted deletions,
            TransactionTemplate transaction,
            Clock clock) {
        this.runs = runs;
        this.pieces = pieces;
        this.delivered = delivered;
        this.renewal = renewal;
        this.queue = queue;
        this.deletions = deletions;
        this.transaction = transaction;
        this.clock = clock;
    }

    @Transactional(readOnly = true)
    public Run get(UUID id) {
        return runs.findById(id).orElseThrow(() -> ProblemException.notFound("run"));
    }

    /** The run that a key has started, if it has. */
    @Transactional(readOnly = true)
    public Optional<Run> startedBy(UUID jobId, String idempotencyKey) {
        return runs.findByJobIdAndIdempotencyKey(jobId, idempotencyKey);
    }

    @Transactional(readOnly = true)
    public List<Run> of(UUID jobId) {
        return runs.findByJobIdOrderByStartedAtDesc(jobId);
    }

    /** Of all jobs, those that go on or are held up. */
    @Transactional(readOnly = true)
    public List<Run> open() {
        return runs.open();
    }

    /** Stops a run: what waits is taken out of the queue at once, what is being made ends after its strip. */
    @Transactional
    public Run stop(UUID id) {
        Run run = lock(id);
        if (!run.isStopped() && run.finishedAt().isEmpty()) {
            run.stop();
            runs.saveAndFlush(run);
        }
        return queue.withdraw(id);
    }

    /** Puts a run before the others, or back among them. */
    @Transactional
    public Run putFirst(UUID id, boolean first) {
        Run run = lock(id);
        if (run.isPutFirst() != first) {
            run.putFirst(first);
            runs.saveAndFlush(run);
            queue.order(id);
        }
        return run;
    }

    /** Goes on with what was stopped or held up, by the plans that were ordered. */
    @Transactional
    public Run resume(UUID id) {
        Run run = lock(id);
        List<Piece> stopped = pieces.findByRunIdOrderByPosition(id).stream()
                .filter(piece -> piece.state() == State.STOPPED)
                .toList();
        return run.pause().isPresent() || run.isStopped() || !stopped.isEmpty() ? again(run, stopped) : run;
    }

    /**
     * Makes failed pieces again, and finished ones whose file is no longer in the delivery as it was made; by the plans that
     * were ordered. Only a picture that could not be planned then is planned now.
     *
     * @param only the pieces wanted; empty for all that need it, an empty list for none
     */
    public Run retry(UUID id, Optional<List<UUID>> only) {
        get(id);
        List<PieceRow> wanted = chosen(pieces.rows(id), only);
        // Files are read before anything is locked.
        List<UUID> lost = wanted.stream()
                .filter(piece -> piece.state() == State.CHECKED && !delivered.isIntact(piece))
                .map(PieceRow::id)
                .toList();
        Set<UUID> ids = wanted.stream().map(PieceRow::id).collect(Collectors.toSet());
        return transaction.execute(_ -> {
            Run run = lock(id);
            List<Piece> again = pieces.findByRunIdOrderByPosition(id).stream()
                    .filter(piece -> ids.contains(piece.id()))
                    .filter(piece -> piece.state() == State.FAILED
                            || piece.state() == State.CHECKED && lost.contains(piece.id()))
                    .toList();
            Set<UUID> made = again.stream()
                    .filter(piece -> piece.state() == State.CHECKED)
                    .map(Piece::id)
                    .collect(Collectors.toSet());
            wanted.stream().filter(piece -> made.contains(piece.id())).forEach(delivered::setAside);
            return again.isEmpty() ? run : again(run, again);
        });
    }

    private static List<PieceRow> chosen(List<PieceRow> all, Optional<List<UUID>> only) {
        if (only.isEmpty()) {
            return all;
        }
        Map<UUID, PieceRow> known = all.stream().collect(Collectors.toMap(PieceRow::id, Function.identity()));
        List<Problem> unknown = only.get().stream()
                .filter(id -> !known.containsKey(id))
                .map(id -> new Problem(
                        "unknown-piece", id.toString(), "This run has no piece " + id + ".", "Load the run again."))
                .toList();
        if (!unknown.isEmpty()) {
            throw new ProblemException(HttpStatus.NOT_FOUND, unknown);
        }
        return only.get().stream().distinct().map(known::get).toList();
    }

    /**
     * Locks a run, whose files are needed, for the caller's transaction.
     *
     * @throws ProblemException if it is gone, or its files are being deleted
     */
    public Run lock(UUID id) {
        Run run = runs.lock(id).orElseThrow(() -> ProblemException.notFound("run"));
        deletions.requireNone(id);
        return run;
    }

    /** @param run locked by this transaction */
    private Run again(Run run, List<Piece> again) {
        renewal.await(run, again);
        run.resume(clock.instant(), pieces.countByRunIdAndState(run.id(), State.CHECKED));
        runs.saveAndFlush(run);
        return queue.begin(run.id());
    }
}
