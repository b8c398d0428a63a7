package embrick.formats;

import embrick.core.units.Resolution;

/**
 * What goes into a file besides its pixels.
 *
 * @param profile the ICC profile's bytes
 */
public record PrintFile(Resolution marked, byte[] profile, ColourTag colour) {
    /** What Exif's ColorSpace tag says (Exif 2.32, 4.6.5): 1 for sRGB, else 65535. */
    public enum ColourTag {
        SRGB(1),
        UNCALIBRATED(0xFFFF);

        private final int value;

        ColourTag(int value) {
            this.value = value;
        }

        public int value() {
            return value;
        }
    }

    /** Told after each strip; may throw to end the writing. */
    public interface Progress {
        void strip(int done, int all);

        static Progress none() {
            return (_, _) -> {};
        }
    }
}
