package embrick.server.runs;

import embrick.formats.picture.FileTarget;
import embrick.formats.picture.Target;
import embrick.server.storage.Fingerprint;
import embrick.server.storage.Fingerprints;
import embrick.server.storage.RenameWithoutReplacing;
import embrick.server.storage.Storage;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.file.FileAlreadyExistsException;
import java.nio.file.FileSystemException;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Component;

/** The files of pieces under way: temporary ones outside any delivery, and how one becomes final. */
@Component
class PieceFiles {
    private static final Logger LOG = LoggerFactory.getLogger(PieceFiles.class);
    private static final Pattern TEMPORARY = Pattern.compile("\\.?([0-9a-f-]{36})-(\\d+)\\.part");

    private final Storage storage;
    private final Fingerprints fingerprints;

    PieceFiles(Storage storage, Fingerprints fingerprints) {
        this.storage = storage;
        this.fingerprints = fingerprints;
    }

    /** Something else already lies under the final name. */
    static final class NameTakenException extends IOException {
        private static final long serialVersionUID = 1L;

        NameTakenException(Path target) {
            super("Another file named " + target.getFileName() + " already lies in " + target.getParent() + ".");
        }
    }

    Path temporary(UUID pieceId, int attempt) {
        return storage.making().resolve(temporaryName(pieceId, attempt));
    }

    private static String temporaryName(UUID pieceId, int attempt) {
        return pieceId + "-" + attempt + ".part";
    }

    /** The copy beside the final name that a delivery on another file system needs; hidden until it is published. */
    private static Path beside(Path target, Path made) {
        return target.resolveSibling("." + made.getFileName());
    }

    /** A file that is being written; closing forces it to the disk. */
    interface NewFile extends Target, AutoCloseable {
        @Override
        void close() throws IOException;
    }

    NewFile create(Path temporary) throws IOException {
        FileTarget target = FileTarget.create(temporary);
        return new NewFile() {
            @Override
            public OutputStream stream() {
                return target.stream();
            }

            @Override
            public void writeAt(long offset, byte[] bytes) throws IOException {
                target.writeAt(offset, bytes);
            }

            @Override
            public void close() throws IOException {
                target.close();
            }
        };
    }

    boolean holds(Path target, String digest) throws IOException {
        return Files.exists(target) && fingerprints.of(target).sha256().equals(digest);
    }

    /**
     * Makes the subfolders of a delivery that a piece lies in.
     *
     * @throws NoSuchFileException if the delivery's own folder is gone
     */
    void makeSubfolders(Path delivery, Path target) throws IOException {
        if (!target.getParent().equals(delivery)) {
            // A delivery that was taken away is not quietly begun anew.
            if (!Files.isDirectory(delivery)) {
                throw new NoSuchFileException(delivery.toString());
            }
            Storage.makeFolders(target.getParent());
        }
    }

    /**
     * Gives a finished file its final name without ever replacing one, and never a half one.
     *
     * <p>By a hard link, which fails if the name exists; an atomic move would replace silently. A link across file systems
     * is refused (EXDEV): then the file is copied under a temporary name into the target's folder and forced, and linked
     * there. Where the target's file system has no links (EPERM, as FAT has it) that copy is renamed without replacing.
     */
    void publish(Path made, Path target) throws IOException {
        try {
            link(made, target);
        } catch (FileAlreadyExistsException exists) {
            requireSame(made, target);
        } catch (NoSuchFileException folderIsGone) {
            throw folderIsGone;
        } catch (UnsupportedOperationException | FileSystemException noLinkFromHere) {
            publishByCopy(made, target);
        }
        Storage.forceFolder(target.getParent());
    }

    /** Tests stand in for file systems that refuse it. */
    void link(Path from, Path to) throws IOException {
        Files.createLink(to, from);
    }

    private void publishByCopy(Path made, Path target) throws IOException {
        Path copy = beside(target, made);
        Files.deleteIfExists(copy);
        try {
            try (var in = Files.newInputStream(made);
                    FileTarget out = FileTarget.create(copy)) {
                in.transferTo(out.stream());
            }
            try {
                link(copy, target);
            } catch (FileAlreadyExistsException exists) {
                throw exists;
            } catch (UnsupportedOperationException | FileSystemException noLinksHere) {
                RenameWithoutReplacing.rename(copy, target);
            }
        } catch (FileAlreadyExistsException exists) {
            requireSame(made, target);
        } finally {
            Files.deleteIfExists(copy);
        }
    }

    private void requireSame(Path made, Path target) throws IOException {
        if (!holds(target, fingerprints.of(made).sha256())) {
            throw new NameTakenException(target);
        }
    }

    /** Notes what a published file is, so that it is not read again before somebody touches it. */
    void note(Path target, Fingerprint fingerprint) {
        try {
            fingerprints.note(target, fingerprint);
        } catch (IOException gone) {
            LOG.info("{} was removed as soon as it was there", target);
        }
    }

    /** Deletes what this and former attempts at a piece have left; a later one's file is its own. */
    void discardAttempts(UUID pieceId, int upTo, Optional<Path> target) {
        try {
            for (int attempt = upTo; attempt >= 1; attempt--) {
                Path temporary = temporary(pieceId, attempt);
                Files.deleteIfExists(temporary);
                if (target.isPresent()) {
                    Files.deleteIfExists(beside(target.get(), temporary));
                }
            }
        } catch (IOException failed) {
            LOG.warn("temporary files of piece {} stay", pieceId, failed);
        }
    }

    /** A temporary file and the piece it belongs to. */
    record Temporary(UUID pieceId, Path file) {}

    /** All temporary files in a folder; whatever else lies there is no business of ours. */
    List<Temporary> temporaries(Path folder) {
        List<Temporary> found = new ArrayList<>();
        Storage.forEachFile(folder, "*.part", file -> {
            Matcher name = TEMPORARY.matcher(file.getFileName().toString());
            if (name.matches()) {
                found.add(new Temporary(UUID.fromString(name.group(1)), file));
            }
        });
        return found;
    }
}
