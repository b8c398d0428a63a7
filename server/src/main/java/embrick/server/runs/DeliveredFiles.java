package embrick.server.runs;

import embrick.server.problems.ProblemException;
import embrick.server.runs.Piece.State;
import embrick.server.storage.DeliveryFolders;
import embrick.server.storage.Fingerprint;
import embrick.server.storage.Fingerprints;
import embrick.server.storage.RenameWithoutReplacing;
import embrick.server.storage.RootUnknownException;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.LinkOption;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.nio.file.attribute.BasicFileAttributes;
import java.time.Duration;
import java.util.Optional;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Component;

/** The files of finished pieces, and whether they still are what was checked. */
@Component
public class DeliveredFiles {
    private static final Logger LOG = LoggerFactory.getLogger(DeliveredFiles.class);

    /** A file system may round times. */
    private static final Duration SAME_TIME = Duration.ofSeconds(3);

    private final DeliveryFolders folders;
    private final Fingerprints fingerprints;

    DeliveredFiles(DeliveryFolders folders, Fingerprints fingerprints) {
        this.folders = folders;
        this.fingerprints = fingerprints;
    }

    /** What lies under the name of a finished piece. */
    public enum OnDisk {
        /** The file that was checked, as far as its size and time tell; where they do not, its content. */
        PRESENT,
        MISSING,
        /** Another file, or the same changed since. */
        CHANGED
    }

    /** @throws ProblemException if this machine does not have the folder that it was delivered to */
    public Path place(PieceRow piece) {
        try {
            return find(piece);
        } catch (RootUnknownException unknown) {
            throw new ProblemException(
                    HttpStatus.CONFLICT,
                    "folder-unknown",
                    piece.name(),
                    piece.name() + " lies in a folder that is not allowed any more: " + unknown.getMessage() + ".",
                    "Whoever runs this server allows it again by EMBRICK_ROOTS.");
        }
    }

    private Path find(PieceRow piece) throws RootUnknownException {
        return folders.path(piece.place()).resolve(piece.name());
    }

    /** Empty for a piece that is not finished. Quick: a file is read only if it was written after it was checked. */
    public Optional<OnDisk> look(PieceRow piece) {
        if (piece.state() != State.CHECKED) {
            return Optional.empty();
        }
        try {
            Path file = find(piece);
            BasicFileAttributes now = Files.readAttributes(file, BasicFileAttributes.class, LinkOption.NOFOLLOW_LINKS);
            if (!now.isRegularFile() || now.size() != piece.fileBytes().orElse(-1L)) {
                return Optional.of(OnDisk.CHANGED);
            }
            boolean isOld = now.lastModifiedTime()
                    .toInstant()
                    .isBefore(piece.changedAt().plus(SAME_TIME));
            return Optional.of(isOld || isIntact(piece) ? OnDisk.PRESENT : OnDisk.CHANGED);
        } catch (NoSuchFileException gone) {
            return Optional.of(OnDisk.MISSING);
        } catch (IOException unreadable) {
            return Optional.of(OnDisk.CHANGED);
        }
    }

    /** Whether a finished piece's file has the very bytes that were checked. */
    public boolean isIntact(PieceRow piece) {
        return fingerprint(piece).isPresent();
    }

    /** The fingerprint of a finished piece's file; empty if it is gone or not the file that was checked. */
    public Optional<Fingerprint> fingerprint(PieceRow piece) {
        try {
            Path file = find(piece);
            // What was made is a file. A link was put there by somebody else, and may lead to another file tomorrow.
            return Files.isSymbolicLink(file)
                    ? Optional.empty()
                    : Optional.of(fingerprints.of(file))
                            .filter(found -> piece.digest().equals(Optional.of(found.sha256())));
        } catch (IOException gone) {
            return Optional.empty();
        }
    }

    /**
     * Makes room for a piece that is made again: a file that was changed since keeps its content under a name beside it.
     */
    void setAside(PieceRow piece) {
        try {
            setAside(find(piece));
        } catch (RootUnknownException away) {
            // What this machine does not have it cannot look at either: whoever makes the piece finds the name taken.
            LOG.info("{} is not looked at: {}", piece.name(), away.getMessage());
        }
    }

    private static void setAside(Path file) {
        String pieceName = file.getFileName().toString();
        int dot = pieceName.lastIndexOf('.');
        for (int number = 1; Files.exists(file); number++) {
            Path beside = file.resolveSibling(
                    pieceName.substring(0, dot) + " (changed " + number + ")" + pieceName.substring(dot));
            try {
                if (!Files.exists(beside)) {
                    RenameWithoutReplacing.rename(file, beside);
                    LOG.info("{} was changed since it was checked and is now {}", file, beside.getFileName());
                }
            } catch (IOException failed) {
                throw new UncheckedIOException(failed);
            }
        }
    }
}
