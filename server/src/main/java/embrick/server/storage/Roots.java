package embrick.server.storage;

import java.io.IOException;
import java.nio.file.DirectoryIteratorException;
import java.nio.file.DirectoryStream;
import java.nio.file.Files;
import java.nio.file.InvalidPathException;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import org.springframework.stereotype.Component;

/**
 * Folders on the disks of this machine that the settings allow, each known by a name. Whatever is asked of them by a path
 * stays below them, links followed: nothing else of the machine can be reached.
 */
@Component
public class Roots {
    private final Map<String, Path> roots;
    private final Path storage;

    public Roots(RootSettings settings, StorageSettings storage) {
        this.roots = settings.byName();
        this.storage = storage.storage().toAbsolutePath().normalize();
    }

    private static Path real(Path path) {
        try {
            return path.toRealPath();
        } catch (IOException away) {
            return path;
        }
    }

    /** Their names, as the settings order them. */
    public List<String> names() {
        return List.copyOf(roots.keySet());
    }

    public boolean isKnown(String root) {
        return roots.containsKey(root);
    }

    /** Where a root lies on this machine, as people see it. */
    public Path shown(String root) throws RootUnknownException {
        Path path = roots.get(root);
        if (path == null) {
            throw new RootUnknownException(root);
        }
        return path;
    }

    /** Whether its folder can be read and holds anything: a mount that is away leaves an empty folder behind. */
    public boolean isThere(String root) {
        Path path = roots.get(root);
        if (path == null) {
            return false;
        }
        try (DirectoryStream<Path> entries = Files.newDirectoryStream(path)) {
            return entries.iterator().hasNext();
        } catch (IOException | DirectoryIteratorException away) {
            return false;
        }
    }

    /**
     * The real path of a file or folder below a root.
     *
     * @param path parted by {@code /}; empty for the root itself
     * @throws RootUnknownException if this machine has no such root
     * @throws RootAwayException if the root's folder is not there
     * @throws NoSuchFileException if nothing of this path is there
     * @throws OutsideRootException if it leads out of the root
     */
    public Path resolve(String root, String path) throws IOException {
        Path top = shown(root);
        Path realTop;
        try {
            realTop = top.toRealPath();
        } catch (IOException away) {
            throw new RootAwayException(root);
        }
        Path wanted;
        try {
            wanted = realTop.resolve(path).normalize();
        } catch (InvalidPathException none) {
            throw new NoSuchFileException(path);
        }
        if (!wanted.startsWith(realTop)) {
            throw new OutsideRootException(root, path);
        }
        Path real;
        try {
            real = wanted.toRealPath();
        } catch (NoSuchFileException gone) {
            if (!isThere(root)) {
                throw new RootAwayException(root);
            }
            throw gone;
        }
        if (!real.startsWith(realTop) || isOfStorage(real)) {
            throw new OutsideRootException(root, path);
        }
        return real;
    }

    /**
     * As {@link #resolve}, of a folder.
     *
     * @throws NoSuchFileException if it is not there, or a file
     */
    public Path resolveFolder(String root, String path) throws IOException {
        Path real = resolve(root, path);
        if (!Files.isDirectory(real)) {
            throw new NoSuchFileException(path);
        }
        return real;
    }

    /** The path of a folder below its root without any link in it: it has one path, however it was come to. */
    public String pathOfFolder(String root, String path) throws IOException {
        return resolve(root, "").relativize(resolveFolder(root, path)).toString();
    }

    /** The storage is nobody's to open or to deliver to, wherever it lies. */
    public boolean isOfStorage(Path real) {
        return real.startsWith(real(storage));
    }
}
