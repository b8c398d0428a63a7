package embrick.core.lift;

import java.util.Arrays;

/**
 * Measures overshoot in cells of 16 × 16 pixels: how far the lifted extremes of a cell leave those before, as a share of
 * the cell's contrast before. Only cells with a contour count. Two lattices of cells lie on absolute positions, half a cell
 * apart, so that a contour between the cells of one is inside a cell of the other.
 */
final class HaloMeter {
    private static final int CELL = 16;
    /** A tenth of the whole range, a rounding error forgiven: less is texture. */
    private static final float CONTOUR = 0.1f - 1e-5f;

    private static final int BINS = 401;
    private static final double BIN_PERCENT = 0.5;
    private static final double SHARE = 0.95;

    private final long[] bins = new long[BINS];
    private final Lattice[] lattices;
    private int spanX = -1;
    private int spanColumns;
    private int nextRow = -1;

    HaloMeter(int height) {
        lattices = new Lattice[] {new Lattice(0, height), new Lattice(CELL / 2, height)};
    }

    /** Takes one row of a span that begins at column {@code x}. */
    void row(int y, int x, int count, float[] before, float[] after) {
        boolean follows = y == nextRow && x == spanX && count == spanColumns;
        for (Lattice lattice : lattices) {
            if (!follows) {
                lattice.begin(x, count);
            }
            lattice.row(y, x, count, before, after);
        }
        spanX = x;
        spanColumns = count;
        nextRow = y + 1;
    }

    Halo halo() {
        long all = Arrays.stream(bins).sum();
        long under = 0;
        for (int bin = 0; bin < BINS && all > 0; bin++) {
            under += bins[bin];
            if (under >= Math.ceil(all * SHARE)) {
                return new Halo(bin * BIN_PERCENT, all);
            }
        }
        return new Halo(0, 0);
    }

    private final class Lattice {
        private final int offset;
        private final int height;
        private float[] lowBefore = new float[0];
        private float[] highBefore = new float[0];
        private float[] lowAfter = new float[0];
        private float[] highAfter = new float[0];

        Lattice(int offset, int height) {
            this.offset = offset;
            this.height = height;
        }

        void begin(int x, int count) {
            int cells = (x + count - 1 + offset) / CELL - (x + offset) / CELL + 1;
            lowBefore = new float[cells];
            highBefore = new float[cells];
            lowAfter = new float[cells];
            highAfter = new float[cells];
            clear();
        }

        private void clear() {
            Arrays.fill(lowBefore, Float.POSITIVE_INFINITY);
            Arrays.fill(lowAfter, Float.POSITIVE_INFINITY);
            Arrays.fill(highBefore, Float.NEGATIVE_INFINITY);
            Arrays.fill(highAfter, Float.NEGATIVE_INFINITY);
        }

        void row(int y, int x, int count, float[] before, float[] after) {
            int firstCell = (x + offset) / CELL;
            for (int i = 0; i < count; ) {
                int cell = (x + i + offset) / CELL;
                int end = Math.min(count, (cell + 1) * CELL - offset - x);
                take(cell - firstCell, i, end, before, after);
                i = end;
            }
            if ((y + 1 + offset) % CELL == 0 || y + 1 == height) {
                count();
                clear();
            }
        }

        private void take(int cell, int from, int end, float[] before, float[] after) {
            float low = lowBefore[cell];
            float high = highBefore[cell];
            float lowest = lowAfter[cell];
            float highest = highAfter[cell];
            for (int i = from; i < end; i++) {
                low = Math.min(low, before[i]);
                high = Math.max(high, before[i]);
                lowest = Math.min(lowest, after[i]);
                highest = Math.max(highest, after[i]);
            }
            lowBefore[cell] = low;
            highBefore[cell] = high;
            lowAfter[cell] = lowest;
            highAfter[cell] = highest;
        }

        private void count() {
            for (int cell = 0; cell < lowBefore.length; cell++) {
                float contrast = highBefore[cell] - lowBefore[cell];
                if (contrast >= CONTOUR) {
                    float over = Math.max(highAfter[cell] - highBefore[cell], lowBefore[cell] - lowAfter[cell]);
                    double percent = 100.0 * Math.max(0f, over) / contrast;
                    bins[Math.min(BINS - 1, (int) Math.round(percent / BIN_PERCENT))]++;
                }
            }
        }
    }
}
