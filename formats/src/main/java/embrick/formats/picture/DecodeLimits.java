package embrick.formats.picture;

import embrick.core.source.SourceFacts;
import embrick.core.units.PixelSize;

/**
 * How large an original may be, judged from its header before any memory is taken.
 *
 * @param mostPixels of one picture
 * @param mostBytes unpacked
 */
public record DecodeLimits(long mostPixels, long mostBytes) {
    public static final DecodeLimits DEFAULT = new DecodeLimits(250_000_000L, 4L << 30);

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
