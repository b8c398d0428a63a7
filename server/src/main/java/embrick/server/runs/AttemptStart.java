package embrick.server.runs;

import embrick.core.plan.Plan;
import embrick.core.problem.Problem;
import embrick.server.documents.StoredJson;
import embrick.server.originals.Original;
import embrick.server.originals.OriginalRepository;
import embrick.server.runs.Attempts.Attempt;
import embrick.server.runs.Piece.State;
import embrick.server.storage.DeliveryFolders;
import embrick.server.storage.RootUnknownException;
import embrick.server.workers.ProcessEnds;
import embrick.server.workers.ProcessId;
import java.nio.file.Path;
import java.time.Clock;
import java.util.Optional;
import java.util.UUID;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Component;

/** Begins attempts at pieces: reads all that one needs, or says why the piece cannot be made. */
@Component
class AttemptStart {
    private static final Logger LOG = LoggerFactory.getLogger(AttemptStart.class);

    private final RunRepository runs;
    private final PieceRepository pieces;
    private final OriginalRepository originals;
    private final DeliveryFolders folders;
    private final StoredJson json;
    private final ProcessId process;
    private final ProcessEnds ends;
    private final Clock clock;

    AttemptStart(
            RunRepository runs,
            PieceRepository pieces,
            OriginalRepository originals,
            DeliveryFolders folders,
            StoredJson json,
            ProcessId process,
            ProcessEnds ends,
            Clock clock) {
        this.runs = runs;
        this.pieces = pieces;
        this.originals = originals;
        this.folders = folders;
        this.json = json;
        this.process = process;
        this.ends = ends;
        this.clock = clock;
    }

    /**
     * Within the caller's transaction; empty if there is nothing to make, or no way to.
     *
     * @throws RootUnknownException if this machine does not have the folder that is delivered to; nothing was begun
     */
    Optional<Attempt> begin(UUID pieceId) throws RootUnknownException {
        PieceRow row = pieces.row(pieceId).orElse(null);
        if (row == null) {
            return Optional.empty();
        }
        Path folder = folders.path(row.place());
        UUID runId = row.runId();
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
        int blame = piece.interruptedBy(process.get()).map(ends::blameFor).orElse(0);
        int number = piece.begin(process.get(), blame, clock.instant());
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
                row.place(),
                folder,
                folder.resolve(piece.name()),
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
        if (piece.blame() >= ProcessEnds.MOST_BLAME) {
            return Optional.of(new Problem(
                    "set-aside",
                    "piece",
                    piece.originalPath()
                            + " was set aside: again and again Embrick's process ended while this piece was being made.",
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
}
