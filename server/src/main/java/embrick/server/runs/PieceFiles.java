package embrick.server.runs;

import embrick.formats.FileTarget;
import embrick.formats.tiff.TiffWriter;
import embrick.server.storage.Storage;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.DirectoryStream;
import java.nio.file.FileAlreadyExistsException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.UUID;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Component;

/** The files of pieces under way: temporary ones outside any delivery, and how one becomes final. */
@Component
class PieceFiles {
    private static final Logger LOG = LoggerFactory.getLogger(PieceFiles.class);

    private final Storage storage;

    PieceFiles(Storage storage) {
        this.storage = storage;
    }

    /** A file that is being written; closing forces it to the disk. */
    interface NewFile extends TiffWriter.Target, AutoCloseable {
        @Override
        void close() throws IOException;
    }

    /** Something else already lies under the final name. */
    static final class NameTakenException extends IOException {
        private static final long serialVersionUID = 1L;

        NameTakenException(Path target) {
            super("Another file named " + target.getFileName() + " already lies in " + target.getParent() + ".");
        }
    }

    Path temporary(UUID pieceId, int attempt) {
        return storage.making().resolve(pieceId + "-" + attempt + ".part");
    }

    NewFile create(Path temporary) throws IOException {
        FileTarget target = FileTarget.create(temporary);
        return new NewFile() {
            @Override
            public java.io.OutputStream stream() {
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
        return Files.exists(target) && Storage.digestOf(target).equals(digest);
    }

    /**
     * Gives a finished file its final name without ever replacing one: by a hard link, which fails if the name exists;
     * where links are missing, by a copy into an exclusively created file. An atomic move would replace silently.
     */
    void publish(Path made, Path target) throws IOException {
        try {
            Files.createLink(target, made);
        } catch (FileAlreadyExistsException exists) {
            if (!holds(target, Storage.digestOf(made))) {
                throw new NameTakenException(target);
            }
        } catch (UnsupportedOperationException noLinks) {
            copyExclusively(made, target);
        }
        Storage.forceFolder(target.getParent());
    }

    private static void copyExclusively(Path made, Path target) throws IOException {
        try (var in = Files.newInputStream(made);
                FileTarget out = FileTarget.create(target)) {
            in.transferTo(out.stream());
        } catch (FileAlreadyExistsException exists) {
            throw new NameTakenException(target);
        }
    }

    /** Takes away what this and former attempts at a piece have left; a later one's file is its own. */
    void discardAttempts(UUID pieceId, int upTo) {
        try {
            for (int attempt = upTo; attempt >= 1; attempt--) {
                Files.deleteIfExists(temporary(pieceId, attempt));
            }
        } catch (IOException failed) {
            LOG.warn("temporary files of piece {} stay", pieceId, failed);
        }
    }

    /** All temporary files with the pieces they belong to. */
    void forEachTemporary(java.util.function.BiConsumer<UUID, Path> action) {
        try (DirectoryStream<Path> left = Files.newDirectoryStream(storage.making(), "*.part")) {
            for (Path part : left) {
                String name = part.getFileName().toString();
                action.accept(UUID.fromString(name.substring(0, 36)), part);
            }
        } catch (IOException failed) {
            throw new UncheckedIOException(failed);
        }
    }
}
