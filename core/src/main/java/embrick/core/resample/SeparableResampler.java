package embrick.core.resample;

import embrick.core.lanes.Lanes;
import embrick.core.pixels.PixelRect;
import java.util.Arrays;

/**
 * The path without tilt: the kernel is a product of two one-dimensional ones, so rows are mixed first and columns after.
 *
 * <p><b>Vertical first.</b> Mixing whole rows is one multiplication and one addition a sample over consecutive floats; the
 * column pass, with its short sums, then only runs on rows that will be output.
 *
 * <p><b>Rows are kept.</b> Source rows are converted to float once and held in a ring, because neighbouring output rows
 * read nearly the same ones. A strip that follows the last finds them there; any other request just refills it.
 *
 * <p><b>Same bytes for any region.</b> Weights come from absolute output positions, taps are summed from first to last,
 * and no sum depends on where a region begins.
 */
final class SeparableResampler implements Resampler {
    private final Lanes lanes = Lanes.best();
    private final SeenBlock block;
    private final Window window;
    private final AxisKernel kernel;
    private final int channels;
    private final boolean bounded;

    private AxisWeights across;
    private int acrossX = -1;
    private int acrossWidth = -1;
    private int firstColumn;
    private int columns;
    private int[] pixelStarts = new int[0];
    private int slots;
    private float[] ring = new float[0];
    private int[] ringRow = new int[0];
    private int[] rowStarts = new int[0];
    private float[] together = new float[0];
    private float[] mixed = new float[0];

    SeparableResampler(SeenBlock block, Window window, AxisKernel kernel, boolean bounded) {
        this.block = block;
        this.window = window;
        this.kernel = kernel;
        this.channels = block.channels();
        this.bounded = bounded;
    }

    @Override
    public void render(PixelRect region, float[] into, int start) {
        prepareColumns(region);
        AxisWeights down =
                new AxisWeights(kernel, window.originY(), block.seen().height(), region.y(), region.height(), 1);
        prepareRing(down);
        RingingBound bound =
                bounded ? new RingingBound(kernel, window, block.seen(), region, columns * channels) : null;
        for (int y = region.y(); y < region.bottom(); y++) {
            int first = down.first(y);
            int count = down.count(y);
            for (int tap = 0; tap < count; tap++) {
                rowStarts[tap] = seenRow(first + tap);
            }
            int at = start + (y - region.y()) * region.width() * channels;
            lanes.mixRows(ring, rowStarts, down.weights(), down.at(y), count, mixed, columns * channels);
            lanes.mixPixels(mixed, pixelStarts, across.weights(), across.taps(), channels, into, at, region.width());
            if (bound != null) {
                bound.hold(ring, this::seenRow, firstColumn, channels, y, into, at);
            }
        }
    }

    private void prepareColumns(PixelRect region) {
        if (region.x() == acrossX && region.width() == acrossWidth) {
            return;
        }
        acrossX = region.x();
        acrossWidth = region.width();
        across = new AxisWeights(
                kernel, window.originX(), block.seen().width(), region.x(), region.width(), Lanes.TAPS_TOGETHER);
        firstColumn = across.first(region.x());
        columns = across.end(region.right() - 1) - firstColumn;
        pixelStarts = across.firstFrom(firstColumn, channels);
        mixed = new float[(columns + across.taps()) * channels + Lanes.SLACK];
        slots = 0;
    }

    private void prepareRing(AxisWeights down) {
        int needed = down.taps() + block.rowsTogether();
        if (slots < needed) {
            slots = needed;
            ring = new float[Math.addExact(Math.multiplyExact(slots, columns * channels), Lanes.SLACK)];
            ringRow = new int[slots];
            rowStarts = new int[slots];
            Arrays.fill(ringRow, -1);
            together = new float[columns * channels * block.rowsTogether()];
        }
    }

    /** Where in the ring a row of the seen picture begins; it is read if it is not there. */
    private int seenRow(int row) {
        int length = columns * channels;
        int slot = row % slots;
        if (ringRow[slot] != row) {
            int rows = Math.min(block.rowsTogether(), block.seen().height() - row);
            if (rows == 1) {
                block.read(firstColumn, row, columns, 1, ring, slot * length);
                ringRow[slot] = row;
            } else {
                block.read(firstColumn, row, columns, rows, together, 0);
                for (int i = 0; i < rows; i++) {
                    int target = (row + i) % slots;
                    System.arraycopy(together, i * length, ring, target * length, length);
                    ringRow[target] = row + i;
                }
            }
        }
        return slot * length;
    }
}
