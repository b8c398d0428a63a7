package embrick.formats.picture;

import embrick.core.source.SourceFacts;
import java.io.IOException;
import java.util.Optional;

/** A file whose header was read: what it says, and how to go on. */
public record Picture(SourceFacts facts, Decoding decoding, Examining examining) {
    /** Decodes the pixels. */
    @FunctionalInterface
    public interface Decoding {
        Decoded decode(int leastEdge, RasterMemory memory) throws IOException;
    }

    /** Looks for damage that decoding does not see. */
    @FunctionalInterface
    public interface Examining {
        Optional<Damage> examine() throws IOException;
    }

    /** Of a format that lets nothing more be found than its decoder finds. */
    public Picture(SourceFacts facts, Decoding decoding) {
        this(facts, decoding, Optional::empty);
    }

    /**
     * Decodes the pixels.
     *
     * @param leastEdge the longest side wanted at least, where the format can give less than all; all with
     *     {@code Integer.MAX_VALUE}
     * @throws UnusablePictureException if nothing of it can be seen
     */
    public Decoded decode(int leastEdge, RasterMemory memory) throws IOException {
        return decoding.decode(leastEdge, memory);
    }

    /**
     * Reads the file to its end for damage that its decoder does not see, where the format lets it be found.
     *
     * @return the damage, with the first row it may concern
     */
    public Optional<Damage> examine() throws IOException {
        return examining.examine();
    }
}
