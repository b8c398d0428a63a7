package embrick.formats.apart;

import embrick.core.source.SourceFacts;
import embrick.core.source.SourceFacts.FileKind;
import embrick.formats.picture.Damage;
import embrick.formats.picture.Decoded;
import embrick.formats.picture.Picture;
import embrick.formats.picture.PictureFormat;
import embrick.formats.picture.RasterMemory;
import java.io.IOException;
import java.nio.file.Path;
import java.util.Optional;

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

    @Override
    public Picture read(Path file) throws IOException {
        Picture here = format.read(file);
        SourceFacts facts = here.facts();
        return new Picture() {
            @Override
            public SourceFacts facts() {
                return facts;
            }

            /** By code of ours, in this process. */
            @Override
            public Optional<Damage> examine() throws IOException {
                return here.examine();
            }

            /** In memory that is shared with the child, wherever others are to be. */
            @Override
            public Decoded decode(int leastEdge, RasterMemory memory) throws IOException {
                return pool.pixels(file, facts, leastEdge);
            }
        };
    }
}
