package embrick.core.pixels;

import embrick.core.lanes.Lanes;

/**
 * Some whole rows of an output.
 *
 * <p>Shapes: {@code samples} is rows × width × channels, interleaved, row-major. Units: 0..1 of the encoding, may
 * overshoot before it is clipped. A strip has one owner at a time; whoever asked for it owns it, and it is filled anew by
 * the next request to the same source.
 */
public record Strip(int y, int rows, int width, int channels, float[] samples) {
    public Strip {
        if ((long) rows * width * channels > samples.length) {
            throw new IllegalArgumentException(
                    "samples: expected " + (long) rows * width * channels + " or more, got " + samples.length);
        }
    }

    public int rowLength() {
        return width * channels;
    }

    /** All samples as counts of 8 bits, rounded to nearest and clipped. */
    public void toBytes(byte[] into) {
        Lanes.best().toBytes(samples, 0, into, 0, rows * rowLength());
    }

    /** All samples as counts of 16 bits, rounded to nearest and clipped. */
    public void toShorts(short[] into) {
        Lanes.best().toShorts(samples, 0, into, 0, rows * rowLength());
    }

    /** One sample as an 8-bit count, rounded to nearest and clipped. */
    public static int toByte(float value) {
        int rounded = (int) (value * 255f + 0.5f);
        return Math.clamp(rounded, 0, 255);
    }
}
