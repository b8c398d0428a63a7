package embrick.server.runs;

import embrick.server.jobs.DeliveryTarget;
import embrick.server.problems.ProblemException;
import embrick.server.storage.DeliveryFolders;
import embrick.server.storage.DeliveryPlace;
import embrick.server.storage.OriginalPlace;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.List;
import java.util.Locale;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Component;

/** Where a run's files will lie: room on the disk, and a folder of their own. */
@Component
class DeliverySpace {
    /** Room kept beyond the estimate. Common practice, no source. */
    static final double RESERVE = 1.2;

    private final PieceRepository pieces;
    private final DeliveryFolders folders;

    DeliverySpace(PieceRepository pieces, DeliveryFolders folders) {
        this.pieces = pieces;
        this.folders = folders;
    }

    /** @throws ProblemException if these pieces, with all that are still to come, would not fit */
    void require(List<Piece> made, DeliveryPlace within) {
        long expected = made.stream().mapToLong(Piece::expectedBytes).sum() + pieces.bytesStillToCome();
        long free;
        try {
            free = folders.freeBytes(List.of(within));
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

    /**
     * The folder that the orders of a run get their new folders in.
     *
     * @param originals of the run's pieces
     * @throws ProblemException if it is not there, or there is none that holds all originals
     */
    DeliveryPlace within(DeliveryTarget target, String jobName, List<OriginalPlace> originals) {
        DeliveryPlace place = switch (target) {
            case DeliveryTarget.Deliveries _ -> DeliveryPlace.own("");
            case DeliveryTarget.BesideOriginals _ -> folderOfAll(originals);
            case DeliveryTarget.Folder folder -> new DeliveryPlace(folder.root(), folder.path());
        };
        try {
            return target instanceof DeliveryTarget.BesideOriginals ? checked(place) : folders.ofJob(place, jobName);
        } catch (IOException failed) {
            throw NewFolders.cannotBeMade(folders.shown(place), failed);
        }
    }

    private DeliveryPlace checked(DeliveryPlace place) throws IOException {
        folders.require(place);
        return place;
    }

    /** The deepest folder that all originals lie in or below. */
    private static DeliveryPlace folderOfAll(List<OriginalPlace> originals) {
        String root = null;
        List<String> common = null;
        for (OriginalPlace original : originals) {
            if (!(original instanceof OriginalPlace.InPlace inPlace)) {
                throw notBeside("Some pictures of this run lie in Embrick's storage: nothing can be put beside them.");
            }
            List<String> parts = List.of(inPlace.path().split("/"));
            List<String> folder = parts.subList(0, parts.size() - 1);
            if (common == null) {
                root = inPlace.root();
                common = folder;
            } else if (!inPlace.root().equals(root)) {
                throw notBeside("The pictures of this run lie on different disks: no folder holds them all.");
            } else {
                common = shared(common, folder);
            }
        }
        return new DeliveryPlace(root, common == null ? "" : String.join("/", common));
    }

    private static List<String> shared(List<String> one, List<String> other) {
        int length = 0;
        while (length < Math.min(one.size(), other.size()) && one.get(length).equals(other.get(length))) {
            length++;
        }
        return one.subList(0, length);
    }

    private static ProblemException notBeside(String text) {
        return ProblemException.invalid("not-beside", "target", text, "Choose another place to deliver to.");
    }

    /** Makes folders in one that {@link #within} gave. */
    NewFolders newFolders(DeliveryPlace within) {
        return new NewFolders(folders, within);
    }
}
