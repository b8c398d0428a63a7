package embrick.core.resample;

import embrick.core.colour.ToneCurve;
import embrick.core.pixels.Raster;
import embrick.core.units.PixelSize;
import java.util.Arrays;
import java.util.Optional;

/**
 * A picture whose pixels are means of squares of the original's, for outputs that are hundreds of times smaller.
 *
 * <p>Kernels grow with the reduction: at 1 : 5000 a circular one has a thousand million weights. Here the squares are at most
 * a 64th of an output pixel wide, which moves no result by a thousandth of a count, and all that is left is small: squares
 * are read once, a row of them at a time.
 */
final class ShrunkBlock extends SeenBlock {
    /** From this reduction on. */
    static final double FROM = 256;

    /** Squares to an output pixel, at least. */
    private static final double SQUARES = 64;

    private final int side;
    private final PixelSize shrunk;
    private final float[] pixels;

    private ShrunkBlock(
            Raster original, Window window, Resampler.LastChannel last, Optional<ToneCurve> tone, int side) {
        super(original, window.seenAs(), last, tone);
        this.side = side;
        PixelSize whole = super.seen();
        this.shrunk = new PixelSize(Math.ceilDiv(whole.width(), side), Math.ceilDiv(whole.height(), side));
        this.pixels = new float[Math.multiplyExact(Math.multiplyExact(shrunk.width(), shrunk.height()), channels())];
        shrink(whole);
    }

    static ShrunkBlock of(Raster original, Window window, Resampler.LastChannel last, Optional<ToneCurve> tone) {
        return new ShrunkBlock(original, window, last, tone, (int) (window.scale() / SQUARES));
    }

    /** The same window on the means. */
    Window seenBy(Window window) {
        return new Window(
                window.seenAs(),
                window.output(),
                window.centreX() / side,
                window.centreY() / side,
                window.scale() / side,
                window.tiltDegrees());
    }

    private void shrink(PixelSize whole) {
        int channels = channels();
        float[] row = new float[Math.multiplyExact(whole.width(), channels)];
        double[] sums = new double[shrunk.width() * channels];
        for (int y = 0; y < shrunk.height(); y++) {
            Arrays.fill(sums, 0);
            int rows = Math.min(side, whole.height() - y * side);
            for (int i = 0; i < rows; i++) {
                super.read(0, y * side + i, whole.width(), 1, row, 0);
                for (int x = 0; x < whole.width(); x++) {
                    int to = x / side * channels;
                    for (int c = 0; c < channels; c++) {
                        sums[to + c] += row[x * channels + c];
                    }
                }
            }
            for (int x = 0; x < shrunk.width(); x++) {
                int mixed = rows * Math.min(side, whole.width() - x * side);
                for (int c = 0; c < channels; c++) {
                    pixels[(y * shrunk.width() + x) * channels + c] = (float) (sums[x * channels + c] / mixed);
                }
            }
        }
    }

    @Override
    PixelSize seen() {
        return shrunk == null ? super.seen() : shrunk;
    }

    @Override
    void read(int x, int y, int count, int rows, float[] into, int at) {
        int length = count * channels();
        for (int row = 0; row < rows; row++) {
            int from = ((y + row) * shrunk.width() + x) * channels();
            System.arraycopy(pixels, from, into, at + row * length, length);
        }
    }
}
