package embrick.core.resample;

import embrick.core.pixels.PixelRect;
import embrick.core.pixels.Raster;

/**
 * Gives any rectangle of an output, interpolated once from the original.
 *
 * <p>Not safe for several threads; each makes its own, on the same {@link Raster}.
 */
public interface Resampler {
    /** Whether the last channel is alpha, by which the others are multiplied before they are mixed. */
    enum LastChannel {
        COLOUR,
        ALPHA
    }

    /**
     * Fills a rectangle of the output.
     * Shapes: into height × width × channels, interleaved, row-major.
     * Units: 0..1, may overshoot at edges; with alpha the colours are premultiplied.
     */
    void render(PixelRect region, float[] into);

    static Resampler of(Raster original, Window window, Kernel kernel, LastChannel last) {
        return window.isTilted()
                ? new TiltedResampler(original, window, kernel, last)
                : new SeparableResampler(original, window, kernel, last);
    }
}
