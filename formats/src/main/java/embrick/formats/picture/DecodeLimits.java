package embrick.formats.picture;

import embrick.core.source.SourceFacts;
import embrick.core.source.SourceFacts.FileKind;
import embrick.core.units.PixelSize;
import java.util.Optional;

/**
 * How large an original may be, judged from its header before any memory is taken.
 *
 * @param mostPixels of one picture
 * @param mostBytes unpacked
 */
public record DecodeLimits(long mostPixels, long mostBytes) {
    public static final DecodeLimits DEFAULT = new DecodeLimits(250_000_000L, 4L << 30);

    /** Words, previews and profiles beside the pixels. */
    private static final long BESIDE_PIXELS = 64L << 20;

    /** Bytes a pixel of the kinds that pack: more than the most that noise takes. */
    private static final int PACKED_PIXEL = 4;

    /**
     * @param kind that its first bytes tell; empty for none that is read
     * @throws UnusablePictureException if the file is larger than any picture of its kind can be
     */
    public void requireLength(Optional<FileKind> kind, long bytes) throws UnusablePictureException {
        long most = kind.map(this::mostFileBytes).orElse(mostBytes);
        if (bytes > most) {
            throw new UnusablePictureException(
                    UnusablePictureException.Kind.TOO_LARGE,
                    "too-large",
                    "has " + bytes / 1_000_000 + " MB; "
                            + kind.map(one -> "a " + one.name()).orElse("a file") + " that is opened has at most "
                            + most / 1_000_000 + " MB",
                    "Save it smaller, or as TIFF.");
        }
    }

    private long mostFileBytes(FileKind kind) {
        return switch (kind) {
            case JPEG, HEIF, WEBP -> mostPixels * PACKED_PIXEL + BESIDE_PIXELS;
            case PNG -> mostBytes + BESIDE_PIXELS;
            // Of several pages the first is used.
            case TIFF, PDF -> 4 * mostBytes;
        };
    }

    public void require(SourceFacts facts) throws UnusablePictureException {
        PixelSize size = facts.stored();
        if (size.pixels() > mostPixels || facts.unpackedBytes() > mostBytes) {
            throw new UnusablePictureException(
                    UnusablePictureException.Kind.TOO_LARGE,
                    "too-large",
                    "says it holds " + size + " px (" + size.pixels() / 1_000_000 + " MP); at most "
                            + mostPixels / 1_000_000 + " MP are opened",
                    "Save it smaller, or have the limit raised.");
        }
    }
}
