package embrick.core.resample;

import embrick.core.pixels.PixelRect;
import embrick.core.units.PixelSize;
import java.util.Arrays;
import java.util.function.IntUnaryOperator;

/**
 * Holds upright output rows between the least and the greatest source pixels under the kernel's middle lobe: within one
 * sample of the position when enlarging, one output pixel when shrinking, along both axes.
 */
final class RingingBound {
    private final AxisKernel kernel;
    private final Window window;
    private final PixelSize seen;
    private final PixelRect region;
    private final float[] least;
    private final float[] most;

    RingingBound(AxisKernel kernel, Window window, PixelSize seen, PixelRect region, int rowLength) {
        this.kernel = kernel;
        this.window = window;
        this.seen = seen;
        this.region = region;
        this.least = new float[rowLength];
        this.most = new float[rowLength];
    }

    /** First source pixel within {@code middle} of a position. */
    static int first(double position, double middle, int length) {
        return Math.clamp((long) Math.ceil(position - middle - 0.5), 0, length - 1);
    }

    /** Last source pixel within {@code middle} of a position. */
    static int last(double position, double middle, int length) {
        return Math.clamp((long) Math.floor(position + middle - 0.5), 0, length - 1);
    }

    void hold(float[] rows, IntUnaryOperator rowStart, int firstColumn, int channels, int y, float[] into, int at) {
        double down = window.originY() + (y + 0.5) * window.scale();
        Arrays.fill(least, Float.POSITIVE_INFINITY);
        Arrays.fill(most, Float.NEGATIVE_INFINITY);
        int end = last(down, kernel.middle(), seen.height());
        for (int row = first(down, kernel.middle(), seen.height()); row <= end; row++) {
            int start = rowStart.applyAsInt(row);
            for (int i = 0; i < least.length; i++) {
                least[i] = Math.min(least[i], rows[start + i]);
                most[i] = Math.max(most[i], rows[start + i]);
            }
        }
        for (int x = 0; x < region.width(); x++) {
            double across = window.originX() + (region.x() + x + 0.5) * window.scale();
            int from = first(across, kernel.middle(), seen.width()) - firstColumn;
            int to = last(across, kernel.middle(), seen.width()) - firstColumn;
            for (int c = 0; c < channels; c++) {
                float low = Float.POSITIVE_INFINITY;
                float high = Float.NEGATIVE_INFINITY;
                for (int column = from; column <= to; column++) {
                    low = Math.min(low, least[column * channels + c]);
                    high = Math.max(high, most[column * channels + c]);
                }
                int target = at + x * channels + c;
                into[target] = Math.clamp(into[target], low, high);
            }
        }
    }
}
