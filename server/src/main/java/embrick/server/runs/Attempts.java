package embrick.server.runs;

import embrick.core.plan.Plan;
import embrick.core.problem.Problem;
import embrick.server.originals.Original;
import embrick.server.storage.DeliveryPlace;
import embrick.server.storage.RootUnknownException;
import java.io.UncheckedIOException;
import java.nio.file.Path;
import java.time.Clock;
import java.util.Optional;
import java.util.UUID;
import java.util.function.Consumer;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionTemplate;

/**
 * Attempts at pieces: what of each is noted in the database, in which order, and who may note it. Whoever changes a piece has
 * locked its run first; an attempt that another has overtaken notes nothing.
 */
@Component
class Attempts {
    private final RunRepository runs;
    private final PieceRepository pieces;
    private final AttemptStart start;
    private final TransactionTemplate transaction;
    private final Clock clock;

    Attempts(
            RunRepository runs,
            PieceRepository pieces,
            AttemptStart start,
            TransactionTemplate transaction,
            Clock clock) {
        this.runs = runs;
        this.pieces = pieces;
        this.start = start;
        this.transaction = transaction;
        this.clock = clock;
    }

    /**
     * Everything an attempt needs, read in one transaction.
     *
     * @param folder of the delivery on this machine, {@code target} in it or in a subfolder
     */
    record Attempt(
            UUID pieceId,
            UUID runId,
            int number,
            Plan plan,
            Original original,
            DeliveryPlace place,
            Path folder,
            Path target,
            Optional<String> intended) {}

    /** Another attempt at the piece has begun: this one was taken for dead. */
    static final class OvertakenException extends RuntimeException {
        private static final long serialVersionUID = 1L;
    }

    /**
     * Begins an attempt; empty if there is nothing to make, or no way to.
     *
     * @throws RootUnknownException if this machine does not have the folder that is delivered to; nothing was begun
     */
    Optional<Attempt> begin(UUID pieceId) throws RootUnknownException {
        try {
            return transaction.execute(_ -> {
                try {
                    return start.begin(pieceId);
                } catch (RootUnknownException unknown) {
                    throw new UncheckedIOException(unknown);
                }
            });
        } catch (UncheckedIOException unknown) {
            if (unknown.getCause() instanceof RootUnknownException known) {
                throw known;
            }
            throw unknown;
        }
    }

    /** For a piece that no machine that tried it can even begin. */
    void failUnbegun(UUID pieceId, Problem problem) {
        transaction.executeWithoutResult(_ -> {
            UUID runId = pieces.row(pieceId).map(PieceRow::runId).orElse(null);
            if (runId != null) {
                runs.lockRow(runId);
                pieces.lock(pieceId)
                        .filter(piece -> piece.state() == Piece.State.WAITING)
                        .ifPresent(piece -> piece.fail(problem, clock.instant()));
                runs.finishIfDone(runId, clock.instant());
            }
        });
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
