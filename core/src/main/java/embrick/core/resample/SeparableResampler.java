package embrick.core.resample;

import embrick.core.lanes.Lanes;
import embrick.core.pixels.PixelRect;
import java.util.Arrays;

/**
 * The path without tilt: the kernel is a product of two one-dimensional ones, so rows are mixed first and columns after.
 *
 * <p><b>Vertical first.</b> Mixing whole rows is one multiplication and one addition a sample over consecutive floats; the
 * column pass then only runs on rows that will be output, sixteen at a time ({@link ColumnPass}).
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

    private ColumnPass across;
    private int slots;
    private int rowLength;
    private float[] ring = new float[0];
    private int[] ringRow = new int[0];
    private int[] rowStarts = new int[0];

    SeparableResampler(SeenBlock block, Window window, AxisKernel kernel, boolean bounded) {
        this.block = block;
        this.window = window;
        this.kernel = kernel;
        this.channels = block.channels();
        this.bounded = bounded;
    }

    @Override
    public void render(PixelRect region, float[] into, int start) {
        ColumnPass pass = columnPass(region);
        int length = pass.columns() * channels;
        AxisWeights down =
                new AxisWeights(kernel, window.originY(), block.seen().height(), region.y(), region.height());
        prepareRing(down, length);
        RingingBound bound = bounded ? new RingingBound(kernel, window, block.seen(), region, length) : null;
        for (int y = region.y(); y < region.bottom(); y += ColumnPass.ROWS) {
            int rows = Math.min(ColumnPass.ROWS, region.bottom() - y);
            for (int i = 0; i < rows; i++) {
                mixRow(pass, down, y + i, pass.at(i));
            }
            int at = start + (y - region.y()) * region.width() * channels;
            pass.mix(rows, into, at);
            for (int i = 0; bound != null && i < rows; i++) {
                bound.hold(
                        ring,
                        this::seenRow,
                        pass.firstColumn(),
                        channels,
                        y + i,
                        into,
                        at + i * region.width() * channels);
            }
        }
    }

    private ColumnPass columnPass(PixelRect region) {
        if (across == null || !across.isOf(region.x(), region.width())) {
            AxisWeights weights =
                    new AxisWeights(kernel, window.originX(), block.seen().width(), region.x(), region.width());
            across = new ColumnPass(weights, region.x(), region.width(), window.scale(), channels);
            slots = 0;
        }
        return across;
    }

    private void prepareRing(AxisWeights down, int length) {
        // What bounds ringing is looked up when the rows that are mixed together are done.
        int rowsMixed = bounded ? (int) Math.ceil(ColumnPass.ROWS * window.scale()) : 0;
        int needed = down.taps() + rowsMixed + 1;
        if (slots < needed) {
            slots = needed;
            rowLength = length;
            ring = new float[Math.addExact(Math.multiplyExact(slots, length), Lanes.SLACK)];
            ringRow = new int[slots];
            rowStarts = new int[slots];
            Arrays.fill(ringRow, -1);
        }
    }

    private void mixRow(ColumnPass pass, AxisWeights down, int y, int to) {
        int first = down.first(y);
        int count = down.count(y);
        for (int tap = 0; tap < count; tap++) {
            rowStarts[tap] = seenRow(first + tap);
        }
        lanes.mixRows(ring, rowStarts, down.weights(), down.at(y), count, pass.rows(), to, rowLength);
    }

    /** Where in the ring a row of the seen picture begins; it is read if it is not there. */
    private int seenRow(int row) {
        int length = rowLength;
        int slot = row % slots;
        if (ringRow[slot] != row) {
            block.read(across.firstColumn(), row, across.columns(), 1, ring, slot * length);
            ringRow[slot] = row;
        }
        return slot * length;
    }
}
