package embrick.formats.picture;

import embrick.core.source.SourceFacts;
import java.io.IOException;

/** A file whose header was read: what it says, and how to go on. */
public record Picture(SourceFacts facts, Decoding decoding, Examining examining, PartDecoding inParts) {
    /** Decodes the pixels. */
    @FunctionalInterface
    public interface Decoding {
        Decoded decode(int leastEdge, RasterMemory memory) throws IOException;
    }

    /** Decodes the pixels in parts, each when it is first read. */
    @FunctionalInterface
    public interface PartDecoding {
        Decoded decode(byte[] index, RasterMemory memory, Watch watch) throws IOException;
    }

    /** Looks for damage that decoding does not see. */
    @FunctionalInterface
    public interface Examining {
        Examination examine() throws IOException;
    }

    /** Of a format that is only decoded whole. */
    public Picture(SourceFacts facts, Decoding decoding, Examining examining) {
        this(
                facts,
                decoding,
                examining,
                (_, memory, watch) -> watch.during(() -> decoding.decode(Integer.MAX_VALUE, memory)));
    }

    /** Of a format that lets nothing more be found than its decoder finds. */
    public Picture(SourceFacts facts, Decoding decoding) {
        this(facts, decoding, () -> Examination.SOUND);
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
     * Decodes the whole picture, each part when it is first read, where the format lets reading begin in its midst.
     *
     * @param index as examining the file gave it
     * @param watch around the decoding of each part
     */
    public Decoded decodeInParts(byte[] index, RasterMemory memory, Watch watch) throws IOException {
        return inParts.decode(index, memory, watch);
    }

    /** Reads the file to its end for damage that its decoder does not see, where the format lets it be found. */
    public Examination examine() throws IOException {
        return examining.examine();
    }
}
