package embrick.server.folders;

import embrick.server.Failures;
import embrick.server.problems.ProblemException;
import embrick.server.storage.OutsideRootException;
import embrick.server.storage.RootAwayException;
import embrick.server.storage.RootUnknownException;
import embrick.server.storage.Roots;
import java.io.IOException;
import java.nio.file.AccessDeniedException;
import java.nio.file.DirectoryIteratorException;
import java.nio.file.DirectoryStream;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.nio.file.attribute.BasicFileAttributes;
import java.util.ArrayList;
import java.util.List;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Component;

/** Lists folders below the roots, one level at a time. */
@Component
class Browsing {
    /** Entries of one folder that are looked at. */
    private static final int MOST_ENTRIES = 50_000;

    private final Roots roots;

    Browsing(Roots roots) {
        this.roots = roots;
    }

    /**
     * @param path below the root
     * @param folders names of its subfolders, sorted
     * @param files how many files lie in the folder itself
     * @param bytes of them
     */
    record Listing(String path, List<String> folders, int files, long bytes) {}

    /** @throws ProblemException if it is not there, may not be read, or is not below the root */
    Listing list(String root, String path) {
        String clean = requireFolder(root, path);
        try {
            return list(clean, roots.resolve(root, clean));
        } catch (DirectoryIteratorException failed) {
            throw problem(root, path, failed.getCause());
        } catch (IOException failed) {
            throw problem(root, path, failed);
        }
    }

    private Listing list(String path, Path folder) throws IOException {
        List<String> folders = new ArrayList<>();
        int files = 0;
        long bytes = 0;
        int seen = 0;
        try (DirectoryStream<Path> entries = Files.newDirectoryStream(folder)) {
            for (Path entry : entries) {
                if (FolderWalk.isHidden(entry) || seen++ == MOST_ENTRIES) {
                    continue;
                }
                BasicFileAttributes attributes;
                try {
                    attributes = Files.readAttributes(entry, BasicFileAttributes.class);
                } catch (IOException dangling) {
                    continue;
                }
                if (attributes.isDirectory() && !roots.isOfStorage(entry.toRealPath())) {
                    folders.add(entry.getFileName().toString());
                } else if (attributes.isRegularFile()) {
                    files++;
                    bytes += attributes.size();
                }
            }
        }
        folders.sort(String.CASE_INSENSITIVE_ORDER);
        return new Listing(path, folders, files, bytes);
    }

    /**
     * A folder's path below its root without anything needless in it.
     *
     * @throws ProblemException if it is no folder that may be opened
     */
    String requireFolder(String root, String path) {
        try {
            return roots.pathOfFolder(root, path);
        } catch (IOException failed) {
            throw problem(root, path, failed);
        }
    }

    private static ProblemException problem(String root, String path, IOException failed) {
        String shown = path.isEmpty() ? root : root + "/" + path;
        return switch (failed) {
            case RootUnknownException _ ->
                new ProblemException(
                        HttpStatus.NOT_FOUND,
                        "folder-unknown",
                        "root",
                        "No folder “" + root + "” may be opened here.",
                        "Choose one of those that are listed; whoever runs this server allows others by EMBRICK_ROOTS.");
            case RootAwayException _ ->
                new ProblemException(
                        HttpStatus.CONFLICT,
                        "folder-away",
                        "root",
                        "The folder “" + root + "” is not there.",
                        "See that its disk is there, then try again.");
            case OutsideRootException _ ->
                ProblemException.invalid(
                        "path-leaves-folder",
                        "path",
                        "“" + path + "” leads out of the folder “" + root + "”.",
                        "Choose a folder below it.");
            case AccessDeniedException _ ->
                new ProblemException(
                        HttpStatus.CONFLICT,
                        "folder-unreadable",
                        "path",
                        "“" + shown + "” may not be read by the user that Embrick runs as.",
                        "Let that user read it, then try again.");
            case NoSuchFileException _ ->
                new ProblemException(
                        HttpStatus.NOT_FOUND,
                        "folder-gone",
                        "path",
                        "There is no folder “" + shown + "”.",
                        "It may have been moved: choose it again.");
            default ->
                new ProblemException(
                        HttpStatus.CONFLICT,
                        "folder-unreadable",
                        "path",
                        "“" + shown + "” cannot be read: " + Failures.words(failed) + ".",
                        "See that its disk is there, then try again.");
        };
    }
}
