package embrick.formats.picture;

import embrick.core.units.Resolution;
import embrick.formats.exif.ColourTag;

/**
 * What goes into a file besides its pixels.
 *
 * @param profile the ICC profile's bytes
 */
public record PrintFile(Resolution marked, byte[] profile, ColourTag colour) {
    /** Told after each strip; may throw to end the writing. */
    public interface Progress {
        void strip(int done, int all);

        static Progress none() {
            return (_, _) -> {};
        }
    }
}
