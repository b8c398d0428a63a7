package embrick.server.runs;

import embrick.server.problems.ProblemException;
import embrick.server.storage.Storage;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.List;
import java.util.Locale;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionSynchronization;
import org.springframework.transaction.support.TransactionSynchronizationManager;

/** Where a run's files will lie: room on the disk, and a folder of their own. */
@Component
class DeliverySpace {
    /** Room kept beyond the estimate. Common practice, no source. */
    static final double RESERVE = 1.2;

    private final PieceRepository pieces;
    private final Storage storage;

    DeliverySpace(PieceRepository pieces, Storage storage) {
        this.pieces = pieces;
        this.storage = storage;
    }

    /** @throws ProblemException if these pieces, with all that are still to come, would not fit */
    void require(List<Piece> made) {
        long expected = made.stream().mapToLong(Piece::expectedBytes).sum() + pieces.bytesStillToCome();
        long free;
        try {
            free = storage.freeBytes();
        } catch (IOException failed) {
            throw new UncheckedIOException(failed);
        }
        if (expected * RESERVE > free) {
            throw new ProblemException(
                    HttpStatus.INSUFFICIENT_STORAGE,
                    "no-room",
                    "storage",
                    String.format(
                            Locale.ROOT,
                            "The run needs about %.1f GB and %.1f GB are free.",
                            expected * RESERVE / 1e9,
                            free / 1e9),
                    "Make room on the disk, or choose smaller files.");
        }
    }

    /** Makes a new folder. A start that fails after all leaves none behind. */
    String newFolder(String jobName, String name) {
        String folder;
        try {
            folder = storage.newDelivery(jobName, name);
        } catch (IOException failed) {
            throw new ProblemException(
                    HttpStatus.INSUFFICIENT_STORAGE,
                    "folder-failed",
                    name,
                    "The folder “" + name + "” cannot be made: " + failed.getMessage(),
                    "See that the storage disk is there and has room.");
        }
        TransactionSynchronizationManager.registerSynchronization(new TransactionSynchronization() {
            @Override
            public void afterCompletion(int status) {
                if (status == STATUS_ROLLED_BACK) {
                    storage.discardEmptyDelivery(folder);
                }
            }
        });
        return folder;
    }
}
