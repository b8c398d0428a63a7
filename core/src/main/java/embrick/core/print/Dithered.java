package embrick.core.print;

import embrick.core.pixels.PixelRect;
import embrick.core.pixels.PixelSource;

/**
 * Colours brought to whole counts of 8 bits, up or down by a hash of the place: as often up as they are near the upper one.
 *
 * <p>The hash knows only the absolute column, row and channel, so any part has the counts of the whole, and no error is
 * carried from pixel to pixel. A colour that is a whole count stays it.
 */
final class Dithered implements PixelSource {
    private static final float COUNTS = 255;
    /** A whole count that sums in floats have moved a little is whole still. */
    private static final float NEAR = 1f / 512;

    private static final float HASH_UNIT = 1f / (1 << 24);

    private final PixelSource source;
    private final int channels;

    Dithered(PixelSource source, int channels) {
        this.source = source;
        this.channels = channels;
    }

    @Override
    public void render(PixelRect region, float[] into, int at) {
        source.render(region, into, at);
        int i = at;
        for (int y = region.y(); y < region.bottom(); y++) {
            for (int x = region.x(); x < region.right(); x++) {
                for (int channel = 0; channel < channels; channel++, i++) {
                    float count = Math.clamp(into[i], 0f, 1f) * COUNTS;
                    float threshold = NEAR + chance(x, y, channel) * (1 - 2 * NEAR);
                    into[i] = (int) (count + threshold) / COUNTS;
                }
            }
        }
    }

    /**
     * Evenly between 0 and 1, never 1.
     * Source: the finalizer of MurmurHash3 (A. Appleby, public domain), over the three coordinates.
     */
    private static float chance(int x, int y, int channel) {
        int hash = x * 0x9E3779B1 ^ y * 0x85EBCA77 ^ channel * 0xC2B2AE3D;
        hash ^= hash >>> 16;
        hash *= 0x85EBCA6B;
        hash ^= hash >>> 13;
        hash *= 0xC2B2AE35;
        hash ^= hash >>> 16;
        return (hash >>> 8) * HASH_UNIT;
    }
}
