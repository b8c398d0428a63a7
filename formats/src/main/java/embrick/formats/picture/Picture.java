package embrick.formats.picture;

import embrick.core.source.SourceFacts;
import java.io.IOException;

/** A file whose header was read. */
public interface Picture {
    SourceFacts facts();

    /**
     * Decodes the pixels.
     *
     * @param leastEdge the longest side wanted at least, where the format can give less than all; all with
     *     {@code Integer.MAX_VALUE}
     * @throws UnusablePictureException if nothing of it can be seen
     */
    Decoded decode(int leastEdge, RasterMemory memory) throws IOException;
}
