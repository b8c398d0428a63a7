package embrick.server.runs;

import embrick.core.plan.Plan;
import embrick.core.problem.Problem;
import embrick.server.documents.StoredJson;
import embrick.server.originals.Original;
import embrick.server.originals.OriginalRepository;
import embrick.server.runs.Piece.State;
import embrick.server.storage.Storage;
import java.nio.file.Path;
import java.time.Clock;
import java.util.Optional;
import java.util.UUID;
import java.util.function.Consumer;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionTemplate;

/**
 * Attempts at pieces: what of each is noted in the database, in which order, and who may note it. Whoever changes a piece has
 * locked its run first; an attempt that another has overtaken notes nothing.
 */
@Component
class Attempts {
    private static final Logger LOG = LoggerFactory.getLogger(Attempts.class);

    /** Processes that may end while they make one piece before it is set aside. */
    private static final int MOST_DEATHS = 3;

    private final RunRepository runs;
    private final PieceRepository pieces;
    private final OriginalRepository originals;
    private final Storage storage;
    private final StoredJson json;
    private final ProcessId process;
    private final TransactionTemplate transaction;
    private final Clock clock;

    Attempts(
            RunRepository runs,
            PieceRepository pieces,
            OriginalRepository originals,
            Storage storage,
            StoredJson json,
            ProcessId process,
            TransactionTemplate transaction,
            Clock clock) {
        this.runs = runs;
        this.pieces = pieces;
        this.originals = originals;
        this.storage = storage;
        this.json = json;
        this.process = process;
        this.transaction = transaction;
        this.clock = clock;
    }

    /** Everything an attempt needs, read in one transaction. */
    record Attempt(
            UUID pieceId,
            UUID runId,
            int number,
            Plan plan,
            Original original,
            Path target,
            Optional<String> intended) {}

    /** Another attempt at the piece has begun: this one was taken for dead. */
    static final class OvertakenException extends RuntimeException {
        private static final long serialVersionUID = 1L;
    }

    /** Begins an attempt; empty if there is nothing to make, or no way to. */
    Optional<Attempt> begin(UUID pieceId) {
        return transaction.execute(_ -> beginLocked(pieceId));
    }

    private Optional<Attempt> beginLocked(UUID pieceId) {
        UUID runId = pieces.row(pieceId).map(PieceRow::runId).orElse(null);
        if (runId == null) {
            return Optional.empty();
        }
        runs.lockRow(runId);
        Piece piece = pieces.lock(pieceId).orElse(null);
        if (piece == null || (piece.state() != State.WAITING && piece.state() != State.MAKING)) {
            return Optional.empty();
        }
        Run run = runs.findById(runId).orElseThrow();
        if (run.pause().isPresent() || run.isStopped()) {
            // Whoever lets the run go on puts it into the queue again.
            if (run.isStopped()) {
                piece.stop(clock.instant());
                runs.finishIfDone(runId, clock.instant());
            }
            return Optional.empty();
        }
        Optional<String> intended = piece.digest();
        int number = piece.begin(process.get(), clock.instant());
        Optional<Original> original = originals.findById(piece.originalId());
        Optional<Plan> plan = piece.plan().flatMap(stored -> readable(piece, stored));
        Optional<Problem> unmakeable = unmakeable(piece, original.isPresent(), plan.isPresent());
        if (unmakeable.isPresent()) {
            piece.fail(unmakeable.get(), clock.instant());
            runs.finishIfDone(runId, clock.instant());
            return Optional.empty();
        }
        return Optional.of(new Attempt(
                pieceId,
                runId,
                number,
                plan.orElseThrow(),
                original.orElseThrow(),
                storage.delivery(run.folder()).resolve(piece.name()),
                intended));
    }

    private Optional<Plan> readable(Piece piece, String stored) {
        try {
            return Optional.of(json.plan(stored));
        } catch (RuntimeException unreadable) {
            LOG.error("the plan of piece {} cannot be read", piece.id(), unreadable);
            return Optional.empty();
        }
    }

    /** Why a piece cannot even be begun. */
    private static Optional<Problem> unmakeable(Piece piece, boolean hasOriginal, boolean hasReadablePlan) {
        if (piece.deaths() >= MOST_DEATHS) {
            return Optional.of(new Problem(
                    "set-aside",
                    "piece",
                    piece.originalPath() + " was set aside: " + piece.deaths()
                            + " times Embrick's process ended while this piece was being made.",
                    "Try it again; if it happens again, leave this picture out."));
        }
        if (piece.plan().isEmpty() || !hasOriginal) {
            return Optional.of(new Problem(
                    "original-gone",
                    "piece",
                    piece.originalPath() + " is no longer in the pile.",
                    "Add it again and start a new run."));
        }
        return hasReadablePlan
                ? Optional.empty()
                : Optional.of(new Problem(
                        "plan-unreadable",
                        "piece",
                        "The stored plan of " + piece.name() + " cannot be read by this version of Embrick.",
                        "Start a new run of this picture."));
    }

    /**
     * Notes what is about to be published, before it is.
     *
     * @throws OvertakenException if another attempt has begun
     */
    void intend(Attempt attempt, Piece.Made made) {
        transaction.executeWithoutResult(_ -> {
            Piece piece = pieces.lock(attempt.pieceId()).orElseThrow(OvertakenException::new);
            if (!piece.isAttempt(attempt.number())) {
                throw new OvertakenException();
            }
            piece.intend(made);
        });
    }

    boolean isStopped(Attempt attempt) {
        return runs.findById(attempt.runId()).map(Run::isStopped).orElse(true);
    }

    /** A file is in its place: whoever made it, the piece is done. */
    void finish(Attempt attempt) {
        change(attempt, piece -> piece.finish(clock.instant()));
    }

    void stop(Attempt attempt) {
        settle(attempt, piece -> piece.stop(clock.instant()));
    }

    void fail(Attempt attempt, Problem problem) {
        settle(attempt, piece -> piece.fail(problem, clock.instant()));
    }

    /** Gives the attempt up for now and holds its run up. */
    void giveBack(Attempt attempt, Problem reason, Pauses pauses) {
        transaction.executeWithoutResult(_ -> {
            pauses.pause(attempt.runId(), reason);
            pieces.lock(attempt.pieceId())
                    .filter(piece -> piece.isAttempt(attempt.number()))
                    .ifPresent(piece -> piece.giveBack(clock.instant()));
        });
    }

    /** A worker that was taken for dead may still be at it: what went wrong with it is not the piece's problem any more. */
    private void settle(Attempt attempt, Consumer<Piece> change) {
        change(attempt, piece -> {
            if (piece.isAttempt(attempt.number())) {
                change.accept(piece);
            }
        });
    }

    private void change(Attempt attempt, Consumer<Piece> change) {
        transaction.executeWithoutResult(_ -> {
            runs.lockRow(attempt.runId());
            pieces.lock(attempt.pieceId()).ifPresent(change);
            runs.finishIfDone(attempt.runId(), clock.instant());
        });
    }
}
