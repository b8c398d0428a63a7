package embrick.formats.apart;

import embrick.core.source.SourceFacts;
import embrick.core.source.SourceFacts.FileKind;
import embrick.formats.metadata.MetadataBlocks;
import embrick.formats.picture.Picture;
import embrick.formats.picture.PictureFormat;
import java.io.IOException;
import java.nio.file.Path;

/** A format whose pixels are decoded by a process of its own; its headers are read as ever. */
public final class ApartPictures implements PictureFormat {
    private final PictureFormat format;
    private final DecoderPool pool;

    public ApartPictures(PictureFormat format, DecoderPool pool) {
        this.format = format;
        this.pool = pool;
    }

    @Override
    public FileKind kind() {
        return format.kind();
    }

    /** Read by code of ours and of Java libraries, here. */
    @Override
    public MetadataBlocks metadata(Path file) throws IOException {
        return format.metadata(file);
    }

    @Override
    public Picture read(Path file) throws IOException {
        Picture here = format.read(file);
        SourceFacts facts = here.facts();
        // In memory that is shared with the child, wherever others are to be; what is examined is by code of ours,
        // here.
        return new Picture(facts, (leastEdge, _) -> pool.pixels(file, facts, leastEdge), here::examine);
    }
}
