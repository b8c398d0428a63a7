package embrick.formats.picture;

import embrick.core.units.Resolution;
import embrick.formats.exif.ColourTag;
import embrick.formats.metadata.CarriedMetadata;

/**
 * What goes into a file besides its pixels.
 *
 * @param profile the ICC profile's bytes
 * @param metadata that it carries over from its original
 */
public record PrintFile(Resolution marked, byte[] profile, ColourTag colour, CarriedMetadata metadata) {
    /** Without words. */
    public PrintFile(Resolution marked, byte[] profile, ColourTag colour) {
        this(marked, profile, colour, CarriedMetadata.NOTHING);
    }

    /** Told after each strip; may throw to end the writing. */
    public interface Progress {
        void strip(int done, int all);

        static Progress none() {
            return (_, _) -> {};
        }
    }
}
