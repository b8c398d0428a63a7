package embrick.server.folders;

import embrick.server.storage.DeliveryFolders;
import embrick.server.storage.Roots;
import java.io.IOException;
import java.nio.file.FileVisitResult;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.SimpleFileVisitor;
import java.nio.file.attribute.BasicFileAttributes;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumSet;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import org.springframework.stereotype.Component;

/**
 * Lists the files of a folder and its subfolders. Embrick's own deliveries are left out,
 * and links are not followed into folders, so that no walk is endless.
 */
@Component
public class FolderWalk {
    /** More files than any job takes; a walk ends there, and says so. */
    static final int MOST_FILES = 20_000;

    private static final int DEEPEST = 32;

    /** Files that systems leave in folders and nobody means. */
    private static final Set<String> LITTER = Set.of("thumbs.db", "desktop.ini");

    private final Roots roots;

    FolderWalk(Roots roots) {
        this.roots = roots;
    }

    /**
     * @param path below the folder, parted by {@code /}
     * @param rootPath below the root
     */
    public record FoundFile(String path, String rootPath, long bytes, Instant modified) {}

    /**
     * @param files by path
     * @param unread files and folders that this user may not read
     * @param isCut whether there are more than {@link #MOST_FILES}
     */
    public record Walked(List<FoundFile> files, List<String> unread, boolean isCut) {}

    /**
     * @throws java.nio.file.NoSuchFileException if the folder is not there
     */
    public Walked walk(String root, String path) throws IOException {
        Path top = roots.resolve(root, path);
        String prefix = path.isEmpty() ? "" : path + "/";
        List<FoundFile> files = new ArrayList<>();
        List<String> unread = new ArrayList<>();
        boolean[] isCut = new boolean[1];
        Files.walkFileTree(
                top, EnumSet.noneOf(java.nio.file.FileVisitOption.class), DEEPEST, new SimpleFileVisitor<>() {
                    @Override
                    public FileVisitResult preVisitDirectory(Path folder, BasicFileAttributes attributes) {
                        boolean isLeftOut = !folder.equals(top)
                                && (isHidden(folder)
                                        || roots.isOfStorage(folder)
                                        || Files.exists(folder.resolve(DeliveryFolders.MARK)));
                        return isLeftOut ? FileVisitResult.SKIP_SUBTREE : FileVisitResult.CONTINUE;
                    }

                    @Override
                    public FileVisitResult visitFile(Path file, BasicFileAttributes attributes) throws IOException {
                        if (isHidden(file) || isLitter(file)) {
                            return FileVisitResult.CONTINUE;
                        }
                        String path = below(file);
                        BasicFileAttributes known =
                                attributes.isSymbolicLink() ? linked(root, prefix + path) : attributes;
                        if (known == null || !known.isRegularFile()) {
                            return FileVisitResult.CONTINUE;
                        }
                        if (files.size() == MOST_FILES) {
                            isCut[0] = true;
                            return FileVisitResult.TERMINATE;
                        }
                        files.add(new FoundFile(
                                path,
                                prefix + path,
                                known.size(),
                                known.lastModifiedTime().toInstant()));
                        return FileVisitResult.CONTINUE;
                    }

                    @Override
                    public FileVisitResult visitFileFailed(Path file, IOException failed) {
                        unread.add(below(file));
                        return FileVisitResult.CONTINUE;
                    }

                    @Override
                    public FileVisitResult postVisitDirectory(Path folder, IOException failed) {
                        if (failed != null) {
                            unread.add(below(folder));
                        }
                        return FileVisitResult.CONTINUE;
                    }

                    private String below(Path path) {
                        return top.relativize(path).toString();
                    }
                });
        files.sort(Comparator.comparing(FoundFile::path));
        return new Walked(files, unread, isCut[0]);
    }

    /** What a link to a file leads to; null if that is not allowed, or not there. */
    private BasicFileAttributes linked(String root, String rootPath) {
        try {
            return Files.readAttributes(roots.resolve(root, rootPath), BasicFileAttributes.class);
        } catch (IOException leadsOut) {
            return null;
        }
    }

    static boolean isHidden(Path path) {
        return path.getFileName().toString().startsWith(".");
    }

    private static boolean isLitter(Path file) {
        return LITTER.contains(file.getFileName().toString().toLowerCase(Locale.ROOT));
    }
}
