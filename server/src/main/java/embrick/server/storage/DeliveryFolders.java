package embrick.server.storage;

import embrick.core.names.FileNames;
import java.io.IOException;
import java.nio.file.DirectoryNotEmptyException;
import java.nio.file.FileAlreadyExistsException;
import java.nio.file.Files;
import java.nio.file.LinkOption;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.util.Collection;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Component;

/** The folders of deliveries: the storage's own, and those below the roots that the settings allow. */
@Component
public class DeliveryFolders {
    /**
     * Lies in each delivery below a root, so that a folder of originals that is looked at again does not take Embrick's own
     * files for new pictures.
     */
    public static final String MARK = ".embrick-delivery";

    private static final Logger LOG = LoggerFactory.getLogger(DeliveryFolders.class);

    private static final int MOST_FOLDERS_OF_ONE_NAME = 10_000;

    private final Storage storage;
    private final Roots roots;

    public DeliveryFolders(Storage storage, Roots roots) {
        this.storage = storage;
        this.roots = roots;
    }

    /**
     * A delivery's folder on this machine, whether it is there or not.
     *
     * @throws RootUnknownException if this machine does not have the root
     */
    public Path path(DeliveryPlace place) throws RootUnknownException {
        Path top = top(place);
        Path path = top.resolve(place.folder()).normalize();
        if (!path.startsWith(top)) {
            throw new IllegalArgumentException("folder: expected one below " + top + ", got " + place.folder());
        }
        return path;
    }

    private Path top(DeliveryPlace place) throws RootUnknownException {
        return place.isOwn() ? storage.deliveries() : roots.shown(place.root());
    }

    /** As people see it, also where this machine does not have the root. */
    public String shown(DeliveryPlace place) {
        try {
            return path(place).toString();
        } catch (RootUnknownException unknown) {
            return place.root() + "/" + place.folder();
        }
    }

    /**
     * Whether a delivery's folder is there, and where it was made: a link that was laid into its path since leads nowhere.
     */
    public boolean isThere(DeliveryPlace place) {
        try {
            return place.isOwn()
                    ? Files.isDirectory(path(place))
                    : Files.isDirectory(roots.resolve(place.root(), place.folder()));
        } catch (IOException gone) {
            return false;
        }
    }

    /** Whether this user may write into a delivery's folder. */
    public boolean isWritable(DeliveryPlace place) {
        try {
            return Files.isWritable(path(place));
        } catch (RootUnknownException elsewhere) {
            return false;
        }
    }

    /** @throws NoSuchFileException if {@link #isThere} does not hold */
    public void require(DeliveryPlace place) throws IOException {
        if (!isThere(place)) {
            throw new NoSuchFileException(path(place).toString());
        }
    }

    /**
     * Makes a new folder for a run; one that exists is never used again.
     *
     * @param within where it is made: a folder that is there, or one that {@link #ofJob} names and that is made with it
     */
    public DeliveryPlace make(DeliveryPlace within, String wanted) throws IOException {
        String name = FileNames.folder(wanted);
        if (!Files.isDirectory(path(within))) {
            try {
                makeMarked(within);
            } catch (FileAlreadyExistsException another) {
                // Another run of the same job was quicker.
            }
        }
        if (!within.isOwn()) {
            roots.resolveFolder(within.root(), within.folder());
        }
        for (int number = 1; number <= MOST_FOLDERS_OF_ONE_NAME; number++) {
            DeliveryPlace place = within.child(name + (number == 1 ? "" : "-" + number));
            try {
                makeMarked(place);
                return place;
            } catch (FileAlreadyExistsException taken) {
                // The next number is tried.
            }
        }
        throw new IOException("no free name for a folder like " + wanted);
    }

    /** Of one level only: a folder above it that is gone is not quietly begun anew. */
    private void makeMarked(DeliveryPlace place) throws IOException {
        Files.createDirectory(path(place));
        if (!place.isOwn()) {
            Files.createFile(path(place).resolve(MARK));
        }
    }

    /**
     * Names a job's own folder, which {@link #make} makes if it is missing.
     *
     * @throws IOException if the folder that it is to lie in is not there
     */
    public DeliveryPlace ofJob(DeliveryPlace within, String jobName) throws IOException {
        if (!within.isOwn()) {
            roots.resolveFolder(within.root(), within.folder());
        }
        return within.child(FileNames.folder(jobName));
    }

    /** Takes a delivery's folder away again into which nothing was ever put, and its job's if that is empty too. */
    public void discardEmpty(DeliveryPlace place) {
        try {
            Path path = path(place);
            discardIfEmpty(place, path);
            discardIfEmpty(place, path.getParent());
        } catch (DirectoryNotEmptyException used) {
            // Another run's folder lies beside it.
        } catch (IOException failed) {
            LOG.warn("{} stays: {}", shown(place), failed.toString());
        }
    }

    /** Below a root only what carries the mark is Embrick's to delete. */
    private static void discardIfEmpty(DeliveryPlace place, Path folder) throws IOException {
        if (!place.isOwn()) {
            if (!isEmptyButForMark(folder)) {
                return;
            }
            Files.delete(folder.resolve(MARK));
        }
        Files.deleteIfExists(folder);
    }

    private static boolean isEmptyButForMark(Path folder) throws IOException {
        if (!Files.isDirectory(folder, LinkOption.NOFOLLOW_LINKS) || !Files.exists(folder.resolve(MARK))) {
            return false;
        }
        try (var files = Files.list(folder)) {
            return files.allMatch(file -> file.getFileName().toString().equals(MARK));
        }
    }

    /** Takes away folders of a delivery that nothing lies in any more, from one upwards; its own stays. */
    public void discardEmptySubfolders(DeliveryPlace place, Path from) {
        try {
            Path top = path(place);
            for (Path at = from; at.startsWith(top) && !at.equals(top); at = at.getParent()) {
                Files.deleteIfExists(at);
            }
        } catch (DirectoryNotEmptyException used) {
            // Other pieces lie in it.
        } catch (IOException failed) {
            LOG.warn("subfolders of {} stay: {}", shown(place), failed.toString());
        }
    }

    /** What is free for these deliveries where there is least: pieces are made in the storage before they are delivered. */
    public long freeBytes(Collection<DeliveryPlace> places) throws IOException {
        long free = storage.freeBytes();
        for (DeliveryPlace place : places) {
            if (!place.isOwn()) {
                Path path = path(place);
                free = Math.min(
                        free,
                        Files.getFileStore(Files.exists(path) ? path : top(place))
                                .getUsableSpace());
            }
        }
        return free;
    }
}
