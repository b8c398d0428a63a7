package embrick.core.resample;

import embrick.core.lanes.Lanes;

/**
 * Mixes the columns of rows that are mixed already, sixteen rows at a time.
 *
 * <p>The rows are turned first, so that the sixteen samples of one place lie together: a tap is then a whole register, or a
 * few, times one weight, where along a row it would be the three channels of one pixel. It goes in parts of a row that stay,
 * turned and mixed, in the nearest cache. A sample's taps are summed from first to last, as they would be along the row.
 */
final class ColumnPass {
    /** Rows mixed together: the lanes of the widest registers. */
    static final int ROWS = Lanes.BLOCK;

    private static final int MOST_PIXELS = 64;
    /** Columns of a part, about: turned, three channels of them are 24 KiB. */
    private static final int COLUMNS = 128;

    private final Lanes lanes = Lanes.best();
    private final AxisWeights across;
    private final int channels;
    private final int x;
    private final int width;
    private final int firstColumn;
    private final int columns;
    private final int part;
    private final int apart;
    private final float[] rows;
    private final float[] turned;
    private final float[] mixed;
    private final int[] starts;

    /**
     * @param x first output column, {@code width} how many
     * @param scale source columns to one output column
     */
    ColumnPass(AxisWeights across, int x, int width, double scale, int channels) {
        this.across = across;
        this.channels = channels;
        this.x = x;
        this.width = width;
        this.firstColumn = across.first(x);
        this.columns = across.end(x + width - 1) - firstColumn;
        // Whole squares to be turned back, whatever the number of channels.
        this.part = Math.clamp((long) (COLUMNS / scale), ROWS, MOST_PIXELS) / ROWS * ROWS;
        // At the right rim taps of weight 0 are read beyond the last column.
        this.apart = Math.multiplyExact(columns + across.taps(), channels);
        this.rows = new float[Math.multiplyExact(ROWS, apart) + Lanes.SLACK];
        int squares = Math.ceilDiv(mostColumns() * channels, ROWS);
        this.turned = new float[Math.multiplyExact(squares, ROWS * ROWS) + Lanes.SLACK];
        this.mixed = new float[part * channels * ROWS + 2 * Lanes.SLACK];
        this.starts = new int[part];
    }

    private int mostColumns() {
        int most = 0;
        for (int p = 0; p < width; p += part) {
            int last = Math.min(p + part, width) - 1;
            most = Math.max(most, across.first(x + last) + across.taps() - across.first(x + p));
        }
        return most;
    }

    boolean isOf(int x, int width) {
        return this.x == x && this.width == width;
    }

    /** The first source column of a row. */
    int firstColumn() {
        return firstColumn;
    }

    /** Source columns of a row. */
    int columns() {
        return columns;
    }

    /** Where rows are put before they are mixed, the i-th at {@link #at}. */
    float[] rows() {
        return rows;
    }

    int at(int i) {
        return i * apart;
    }

    /** Mixes the first {@code count} rows into rows of {@code width} pixels, one after the other from {@code at}. */
    void mix(int count, float[] into, int at) {
        int length = channels * ROWS;
        for (int p = 0; p < width; p += part) {
            int pixels = Math.min(part, width - p);
            int first = across.first(x + p);
            for (int i = 0; i < pixels; i++) {
                starts[i] = (across.first(x + p + i) - first) * length;
            }
            turn((first - firstColumn) * channels, starts[pixels - 1] / ROWS + across.taps() * channels);
            lanes.mixBlocks(
                    turned,
                    starts,
                    length,
                    across.weights(),
                    across.at(x + p),
                    across.taps(),
                    length,
                    mixed,
                    length,
                    pixels);
            turnBack(count, into, at + p * channels, pixels * channels);
        }
    }

    /** Whole squares; beyond the last column and the last row whatever lies there is turned too, and is not read. */
    private void turn(int from, int length) {
        lanes.turn(rows, from, apart, ROWS, turned, 0, ROWS, ROWS * ROWS, Math.ceilDiv(length, ROWS));
    }

    private void turnBack(int count, float[] into, int at, int length) {
        int next = width * channels;
        int done = 0;
        if (count == ROWS) {
            int squares = length / ROWS;
            lanes.turn(mixed, 0, ROWS, ROWS * ROWS, into, at, next, ROWS, squares);
            done = squares * ROWS;
        }
        for (int row = 0; row < count; row++) {
            int to = at + row * next;
            for (int i = done; i < length; i++) {
                into[to + i] = mixed[i * ROWS + row];
            }
        }
    }
}
