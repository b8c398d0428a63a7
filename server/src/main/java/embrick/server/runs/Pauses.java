package embrick.server.runs;

import embrick.core.problem.Problem;
import embrick.server.Failures;
import embrick.server.storage.DeliveryFolders;
import embrick.server.storage.DeliveryPlace;
import embrick.server.storage.OriginalPlace;
import embrick.server.storage.Roots;
import embrick.server.storage.Storage;
import java.io.IOException;
import java.time.Clock;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionTemplate;

/**
 * Holds runs up for want of room or of a disk, with one reason for the whole run, and lets them go on by themselves when the
 * reason is gone.
 */
@Component
class Pauses {
    private static final Logger LOG = LoggerFactory.getLogger(Pauses.class);

    /** Room beyond a piece before its run goes on; otherwise it would be held up again at once. */
    private static final long SPARE_BYTES = 32L << 20;

    private final RunRepository runs;
    private final PieceRepository pieces;
    private final RunOrderRepository orders;
    private final PieceQueue queue;
    private final Storage storage;
    private final Roots roots;
    private final DeliveryFolders folders;
    private final TransactionTemplate transaction;
    private final Clock clock;

    Pauses(
            RunRepository runs,
            PieceRepository pieces,
            RunOrderRepository orders,
            PieceQueue queue,
            Storage storage,
            Roots roots,
            DeliveryFolders folders,
            TransactionTemplate transaction,
            Clock clock) {
        this.runs = runs;
        this.pieces = pieces;
        this.orders = orders;
        this.queue = queue;
        this.storage = storage;
        this.roots = roots;
        this.folders = folders;
        this.transaction = transaction;
        this.clock = clock;
    }

    /** The disk that originals lie on is not there. */
    static Problem awayReason(String root) {
        return new Problem(
                "originals-away",
                "folder",
                "The folder “" + root + "”, which the originals lie in, is not there.",
                "See that its disk is there: the run goes on by itself.");
    }

    /** The reason for which a whole run must wait, if a failure to write is not this one piece's. */
    Optional<Problem> reasonFor(IOException failed, OriginalPlace original, DeliveryPlace target) {
        if (original instanceof OriginalPlace.InPlace inPlace && !roots.isThere(inPlace.root())) {
            return Optional.of(awayReason(inPlace.root()));
        }
        String folder = folders.shown(target);
        if (Storage.isFull(failed)) {
            return Optional.of(new Problem(
                    "disk-full",
                    "folder",
                    "The storage disk, or the disk of " + folder + ", is full.",
                    "Free some space: the run resumes automatically. Finished pieces are kept."));
        }
        if (!folders.isThere(target)) {
            return Optional.of(new Problem(
                    "folder-gone",
                    "folder",
                    "The folder " + folder + " is gone.",
                    "Put it back, empty or as it was: the run resumes automatically."));
        }
        if (!storage.isWritable() || !folders.isWritable(target)) {
            return Optional.of(new Problem(
                    "disk-away",
                    "folder",
                    "Nothing can be written to the storage folder, or to " + folder + ": " + Failures.words(failed)
                            + ".",
                    "See that its disk is there and may be written to: the run goes on by itself."));
        }
        return Optional.empty();
    }

    /** Inside the caller's transaction. What others are making ends as it ends. */
    void pause(UUID runId, Problem reason) {
        runs.lock(runId).filter(run -> !run.isStopped()).ifPresent(run -> {
            run.pause(reason);
            runs.saveAndFlush(run);
            queue.unschedule(runId);
        });
    }

    /** Lets those runs go on whose reason is gone. */
    void look() {
        for (UUID runId : runs.paused()) {
            transaction.executeWithoutResult(_ -> runs.lock(runId).ifPresent(this::goOnIfPossible));
        }
    }

    private void goOnIfPossible(Run run) {
        if (run.pause().isPresent() && isGone(run)) {
            run.resume(clock.instant(), pieces.countByRunIdAndState(run.id(), Piece.State.CHECKED));
            runs.saveAndFlush(run);
            queue.schedule(run.id());
            LOG.info("run {} goes on", run.id());
        }
    }

    private boolean isGone(Run run) {
        try {
            List<DeliveryPlace> targets = orders.findByRunIdOrderByPosition(run.id()).stream()
                    .map(RunOrder::place)
                    .toList();
            return targets.stream().allMatch(target -> folders.isThere(target) && folders.isWritable(target))
                    && pieces.rootsOfOriginals(run.id()).stream()
                            .filter(roots::isKnown)
                            .allMatch(roots::isThere)
                    && storage.isWritable()
                    && folders.freeBytes(targets)
                            > pieces.largestToCome(run.id()) * DeliverySpace.RESERVE + SPARE_BYTES;
        } catch (IOException stillAway) {
            return false;
        }
    }
}
