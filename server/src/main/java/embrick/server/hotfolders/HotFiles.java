package embrick.server.hotfolders;

import embrick.server.storage.RenameWithoutReplacing;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.FileAlreadyExistsException;
import java.nio.file.FileSystemException;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.nio.file.StandardOpenOption;
import java.util.UUID;

/** The files of a hot folder: those at work lie apart under names of their own, those that are done or failed likewise. */
final class HotFiles {
    static final String AT_WORK = "at work";
    static final String DONE = "done";
    static final String FAILED = "failed";

    private static final int MOST_OF_ONE_NAME = 10_000;

    private final Path folder;

    /** @param folder its real path */
    HotFiles(Path folder) {
        this.folder = folder;
    }

    /** Whether a path below the folder is one of the places that files are moved to. */
    static boolean isOurs(String path) {
        String first = path.split("/", 2)[0];
        return first.equals(AT_WORK) || first.equals(DONE) || first.equals(FAILED);
    }

    Path atWork(UUID id) {
        return folder.resolve(AT_WORK).resolve(id.toString());
    }

    boolean isAtWork(UUID id) {
        return Files.exists(atWork(id));
    }

    /**
     * Takes a file out of the folder: nobody drops over it, and it is not seen again.
     *
     * @throws NoSuchFileException if it went away
     */
    void take(String path, UUID id) throws IOException {
        Files.createDirectories(folder.resolve(AT_WORK));
        // Nothing else has the name of an id.
        Files.move(folder.resolve(path), atWork(id), StandardCopyOption.ATOMIC_MOVE);
    }

    /** A name below {@code done} or {@code failed} that nothing has. */
    String freeName(String kind, String path) throws IOException {
        String name = path.substring(path.lastIndexOf('/') + 1);
        int dot = name.lastIndexOf('.');
        int stem = dot > 0 ? dot : name.length();
        for (int number = 1; number <= MOST_OF_ONE_NAME; number++) {
            String wanted = number == 1 ? name : name.substring(0, stem) + " (" + number + ")" + name.substring(stem);
            Path place = folder.resolve(kind).resolve(wanted);
            if (!Files.exists(place) && !Files.exists(reasonFile(place))) {
                return kind + "/" + wanted;
            }
        }
        throw new IOException("no free name for a file like " + path + " in " + kind);
    }

    /** Whether a name that was chosen for a file is still free, or that file has it already. */
    boolean isFree(String to, UUID id) throws IOException {
        Path place = folder.resolve(to);
        return !isAtWork(id) || !Files.exists(place) || Files.isSameFile(place, atWork(id));
    }

    /**
     * Moves a file apart; one that was moved already is left.
     *
     * @param to as {@link #freeName} gave it
     * @throws FileAlreadyExistsException if somebody has put another file there meanwhile
     */
    void moveApart(UUID id, String to) throws IOException {
        Path from = atWork(id);
        if (!Files.exists(from)) {
            // Moved by a former try, or taken away by somebody: either way nothing is left to move.
            return;
        }
        Path place = folder.resolve(to);
        Files.createDirectories(place.getParent());
        try {
            Files.createLink(place, from);
            Files.delete(from);
        } catch (FileAlreadyExistsException exists) {
            if (!Files.isSameFile(from, place)) {
                throw exists;
            }
            // A former try ended between the two steps.
            Files.delete(from);
        } catch (UnsupportedOperationException | FileSystemException noLinks) {
            RenameWithoutReplacing.rename(from, place);
        }
    }

    /** Puts the reason beside a file that failed. */
    void explain(String to, String reason) throws IOException {
        Path text = reasonFile(folder.resolve(to));
        Files.createDirectories(text.getParent());
        Files.writeString(
                text,
                reason + "\n",
                StandardCharsets.UTF_8,
                StandardOpenOption.CREATE,
                StandardOpenOption.TRUNCATE_EXISTING,
                StandardOpenOption.WRITE);
    }

    private static Path reasonFile(Path place) {
        return place.resolveSibling(place.getFileName() + ".txt");
    }
}
