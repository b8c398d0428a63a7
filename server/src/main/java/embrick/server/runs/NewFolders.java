package embrick.server.runs;

import embrick.server.Failures;
import embrick.server.problems.ProblemException;
import embrick.server.storage.DeliveryFolders;
import embrick.server.storage.DeliveryPlace;
import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import org.springframework.http.HttpStatus;

/** Folders that are made for a run before it is written down. A start that fails after all leaves none behind. */
final class NewFolders implements AutoCloseable {
    private final DeliveryFolders folders;
    private final DeliveryPlace within;
    private final List<DeliveryPlace> made = new ArrayList<>();

    NewFolders(DeliveryFolders folders, DeliveryPlace within) {
        this.folders = folders;
        this.within = within;
    }

    /** @throws ProblemException if it cannot be made */
    DeliveryPlace make(String name) {
        try {
            DeliveryPlace folder = folders.make(within, name);
            made.add(folder);
            return folder;
        } catch (IOException failed) {
            throw cannotBeMade(folders.shown(within) + "/" + name, failed);
        }
    }

    /** The run is written down: they are its own. */
    void keep() {
        made.clear();
    }

    @Override
    public void close() {
        made.forEach(folders::discardEmpty);
    }

    static ProblemException cannotBeMade(String folder, IOException failed) {
        return new ProblemException(
                HttpStatus.INSUFFICIENT_STORAGE,
                "folder-failed",
                folder,
                "A folder for the files cannot be made: " + folder + " (" + Failures.words(failed) + ").",
                "See that its disk is there, has room and may be written to, or choose another place to deliver to.");
    }
}
