package embrick.formats.picture;

import embrick.core.source.SourceFacts.FileKind;
import embrick.formats.metadata.MetadataBlocks;
import java.io.IOException;
import java.nio.file.Path;

/** A kind of file that pictures come in. Each is a package with one of these, listed in {@code Formats}. */
public interface PictureFormat {
    FileKind kind();

    /**
     * Reads a file's header; no pixels are decoded.
     *
     * @throws UnusablePictureException if it is damaged, or of a sort that is not read
     */
    Picture read(Path file) throws IOException;

    /**
     * What a file holds of metadata, not yet looked into.
     *
     * @throws UnusablePictureException if it is damaged where they are; {@link java.io.EOFException} if it ends before
     * @throws IOException if it cannot be read
     */
    MetadataBlocks metadata(Path file) throws IOException;
}
