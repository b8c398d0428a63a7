package embrick.core.resample;

import embrick.core.pixels.PixelRect;
import embrick.core.pixels.Raster;
import java.util.Arrays;

/**
 * The path without tilt: the kernel is a product of two one-dimensional ones, so rows are mixed first and columns after.
 *
 * <p><b>Vertical first.</b> Mixing whole rows is one multiply-add a sample over consecutive floats, which the compiler
 * turns into vector code; the column pass, with its short gathers, then only runs on rows that will be output.
 *
 * <p><b>Rows are kept.</b> Source rows are converted to float once and held in a ring, because neighbouring output rows
 * read nearly the same ones. A strip that follows the last finds them there; any other request just refills it.
 *
 * <p><b>Same bytes for any region.</b> Weights come from absolute output positions, taps are summed from first to last,
 * and no sum depends on where a region begins.
 */
final class SeparableResampler implements Resampler {
    private final SeenBlock block;
    private final Window window;
    private final Kernel kernel;
    private final double originX;
    private final double originY;

    private AxisWeights across;
    private int acrossX = -1;
    private int acrossWidth = -1;
    private int firstColumn;
    private int columns;
    private float[][] ring = new float[0][];
    private int[] ringRow = new int[0];
    private float[] together = new float[0];
    private float[] mixed = new float[0];

    SeparableResampler(Raster original, Window window, Kernel kernel, LastChannel last) {
        this.block = new SeenBlock(original, window.seenAs(), last);
        this.window = window;
        this.kernel = kernel;
        this.originX = window.centreX() - window.scale() * window.output().width() / 2.0;
        this.originY = window.centreY() - window.scale() * window.output().height() / 2.0;
    }

    @Override
    public void render(PixelRect region, float[] into) {
        prepareColumns(region);
        AxisWeights down =
                new AxisWeights(kernel, originY, window.scale(), block.seen().height(), region.y(), region.height());
        prepareRing(down, region);
        int channels = block.channels();
        for (int y = region.y(); y < region.bottom(); y++) {
            mixRows(down, y);
            mixColumns(region, into, (y - region.y()) * region.width() * channels);
        }
    }

    private void prepareColumns(PixelRect region) {
        if (region.x() == acrossX && region.width() == acrossWidth) {
            return;
        }
        acrossX = region.x();
        acrossWidth = region.width();
        across = new AxisWeights(kernel, originX, window.scale(), block.seen().width(), region.x(), region.width());
        firstColumn = across.first(region.x());
        columns = across.end(region.right() - 1) - firstColumn;
        mixed = new float[columns * block.channels()];
        ring = new float[0][];
        ringRow = new int[0];
    }

    private void prepareRing(AxisWeights down, PixelRect region) {
        int taps = 0;
        for (int y = region.y(); y < region.bottom(); y++) {
            taps = Math.max(taps, down.count(y));
        }
        int needed = taps + block.rowsTogether();
        if (ring.length < needed) {
            ring = new float[needed][columns * block.channels()];
            ringRow = new int[needed];
            Arrays.fill(ringRow, -1);
            together = new float[columns * block.channels() * block.rowsTogether()];
        }
    }

    private float[] seenRow(int row) {
        int slot = row % ring.length;
        if (ringRow[slot] != row) {
            int rows = Math.min(block.rowsTogether(), block.seen().height() - row);
            if (rows == 1) {
                block.read(firstColumn, row, columns, 1, ring[slot]);
                ringRow[slot] = row;
            } else {
                block.read(firstColumn, row, columns, rows, together);
                for (int i = 0; i < rows; i++) {
                    int target = (row + i) % ring.length;
                    System.arraycopy(together, i * ring[target].length, ring[target], 0, ring[target].length);
                    ringRow[target] = row + i;
                }
            }
        }
        return ring[slot];
    }

    private void mixRows(AxisWeights down, int y) {
        int first = down.first(y);
        int count = down.count(y);
        int at = down.at(y);
        float[] weights = down.weights();
        float[] sum = mixed;
        Arrays.fill(sum, 0f);
        int tap = 0;
        for (; tap + 4 <= count; tap += 4) {
            addFour(
                    sum,
                    seenRow(first + tap),
                    weights[at + tap],
                    seenRow(first + tap + 1),
                    weights[at + tap + 1],
                    seenRow(first + tap + 2),
                    weights[at + tap + 2],
                    seenRow(first + tap + 3),
                    weights[at + tap + 3]);
        }
        for (; tap < count; tap++) {
            addOne(sum, seenRow(first + tap), weights[at + tap]);
        }
    }

    private static void addFour(
            float[] sum, float[] a, float wa, float[] b, float wb, float[] c, float wc, float[] d, float wd) {
        for (int i = 0; i < sum.length; i++) {
            sum[i] = sum[i] + a[i] * wa + b[i] * wb + c[i] * wc + d[i] * wd;
        }
    }

    private static void addOne(float[] sum, float[] a, float weight) {
        for (int i = 0; i < sum.length; i++) {
            sum[i] += a[i] * weight;
        }
    }

    private void mixColumns(PixelRect region, float[] into, int at) {
        int channels = block.channels();
        float[] weights = across.weights();
        for (int x = 0; x < region.width(); x++) {
            int output = region.x() + x;
            int from = (across.first(output) - firstColumn) * channels;
            int weight = across.at(output);
            int count = across.count(output);
            int target = at + x * channels;
            if (channels == 3) {
                float r = 0;
                float g = 0;
                float b = 0;
                for (int tap = 0; tap < count; tap++, from += 3) {
                    float w = weights[weight + tap];
                    r += mixed[from] * w;
                    g += mixed[from + 1] * w;
                    b += mixed[from + 2] * w;
                }
                into[target] = r;
                into[target + 1] = g;
                into[target + 2] = b;
            } else {
                for (int c = 0; c < channels; c++) {
                    float sum = 0;
                    for (int tap = 0; tap < count; tap++) {
                        sum += mixed[from + tap * channels + c] * weights[weight + tap];
                    }
                    into[target + c] = sum;
                }
            }
        }
    }
}
