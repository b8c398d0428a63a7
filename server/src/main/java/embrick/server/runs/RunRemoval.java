package embrick.server.runs;

import embrick.core.problem.Problem;
import embrick.server.problems.ProblemException;
import embrick.server.runs.DeliveredFiles.OnDisk;
import embrick.server.runs.Piece.State;
import embrick.server.runs.RunInUse.Ending;
import embrick.server.storage.DeliveryFolders;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import java.util.function.Consumer;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Service;
import org.springframework.transaction.support.TransactionTemplate;

/** Deletes runs, with their delivered files or without. */
@Service
public class RunRemoval {
    private final RunRepository runs;
    private final PieceRepository pieces;
    private final RunOrderRepository orders;
    private final DeliveredFiles delivered;
    private final DeliveryFolders folders;
    private final RunUses uses;
    private final RunsBeingDeleted deletions;
    private final TransactionTemplate transaction;
    private final Clock clock;

    RunRemoval(
            RunRepository runs,
            PieceRepository pieces,
            RunOrderRepository orders,
            DeliveredFiles delivered,
            DeliveryFolders folders,
            RunUses uses,
            RunsBeingDeleted deletions,
            TransactionTemplate transaction,
            Clock clock) {
        this.uses = uses;
        this.deletions = deletions;
        this.transaction = transaction;
        this.clock = clock;
        this.orders = orders;
        this.runs = runs;
        this.pieces = pieces;
        this.delivered = delivered;
        this.folders = folders;
    }

    /** What becomes of the files that a run has delivered. */
    public enum FilesThen {
        KEPT,
        /** Those that are as they were checked; one that somebody changed stays, and what else lies in the folder. */
        DELETED
    }

    /**
     * Deletes a run that is at rest. Files go before rows: if this is ended in between, the run is still there with files that
     * are missing, and is deleted again.
     *
     * @throws ProblemException if some of its pieces wait or are being made, or somebody needs its files
     */
    public void remove(UUID id, FilesThen files) {
        whileClaimed(id, Ending.REMOVED, all -> {
            if (files == FilesThen.DELETED) {
                all.forEach(this::deleteFile);
            }
            discardEmptyFolders(id);
            transaction.executeWithoutResult(_ -> runs.delete(lock(id)));
        });
    }

    /**
     * Deletes the files of a run that is at rest and keeps the run: its list, its certificate, and how each piece is made
     * again. A file that somebody changed stays, and what else lies in the folder; so does the folder itself, whose name no
     * other run is to get: pieces that are made again come back into it.
     *
     * @throws ProblemException if some of its pieces wait or are being made, or somebody needs its files
     */
    public void clear(UUID id) {
        whileClaimed(id, Ending.CLEARED, all -> {
            all.forEach(this::deleteFile);
            transaction.executeWithoutResult(_ -> {
                Run run = lock(id);
                run.clear(clock.instant());
                runs.saveAndFlush(run);
            });
        });
    }

    /** Deletes a run's files with no transaction open: disks are slow. */
    private void whileClaimed(UUID id, Ending ending, Consumer<List<PieceRow>> work) {
        uses.requireNone(id, ending, true);
        deletions.claim(id);
        try {
            work.accept(transaction.execute(_ -> {
                // A request that held the lock before this claim has ended, so its changes are visible here.
                lock(id);
                return atRest(id, ending);
            }));
        } finally {
            deletions.release(id);
        }
    }

    private Run lock(UUID id) {
        return runs.lock(id).orElseThrow(() -> ProblemException.notFound("run"));
    }

    private void discardEmptyFolders(UUID id) {
        orders.findByRunIdOrderByPosition(id).forEach(order -> folders.discardEmpty(order.place()));
    }

    private List<PieceRow> atRest(UUID id, Ending ending) {
        List<PieceRow> all = pieces.rows(id);
        if (all.stream().anyMatch(piece -> piece.state() == State.WAITING || piece.state() == State.MAKING)) {
            throw new ProblemException(
                    HttpStatus.CONFLICT,
                    List.of(new Problem(
                            "run-at-work",
                            "run",
                            "This run is at work.",
                            "Stop it, wait for the piece that is being made, then delete it.")));
        }
        uses.requireNone(id, ending, false);
        return all;
    }

    private void deleteFile(PieceRow piece) {
        if (delivered.look(piece).equals(Optional.of(OnDisk.PRESENT))) {
            try {
                // Nothing is deleted behind a link that somebody has laid in the folder's stead.
                folders.require(piece.place());
                Path file = delivered.place(piece);
                Files.deleteIfExists(file);
                folders.discardEmptySubfolders(piece.place(), file.getParent());
            } catch (IOException failed) {
                throw new UncheckedIOException(failed);
            }
        }
    }
}
