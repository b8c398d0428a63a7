package embrick.formats.picture;

import embrick.core.source.SourceFacts;
import java.io.IOException;
import java.util.Optional;

/** A file whose header was read. */
public interface Picture {
    SourceFacts facts();

    /**
     * Reads a file to its end for damage that its decoder does not see, where the format lets it be found.
     *
     * @return the damage, with the first row it may concern
     */
    default Optional<Damage> examine() throws IOException {
        return Optional.empty();
    }

    /**
     * Decodes the pixels.
     *
     * @param leastEdge the longest side wanted at least, where the format can give less than all; all with
     *     {@code Integer.MAX_VALUE}
     * @throws UnusablePictureException if nothing of it can be seen
     */
    Decoded decode(int leastEdge, RasterMemory memory) throws IOException;
}
