package embrick.core.lift;

import java.util.Arrays;

/**
 * Measures overshoot in cells of 16 × 16 pixels: how far the lifted extremes of a cell leave those before, as a share of
 * the cell's contrast before. Only cells with a contour count. Two lattices of cells lie on absolute positions, half a cell
 * apart, so that a contour between the cells of one is inside a cell of the other.
 *
 * <p>Extremes are kept a column until eight rows are full, then a tile of 8 × 8; a cell of either lattice is four tiles.
 */
final class HaloMeter {
    private static final int TILE = 8;
    /** A tenth of the whole range, a rounding error forgiven: less is texture. */
    private static final float CONTOUR = 0.1f - 1e-5f;

    private static final int BINS = 401;
    private static final double BIN_PERCENT = 0.5;
    private static final double SHARE = 0.95;

    private final int height;
    private final long[] bins = new long[BINS];
    private int spanX = -1;
    private int spanColumns;
    private int nextRow = -1;
    private Extremes columns = new Extremes(0);
    private Extremes above = new Extremes(0);
    private Extremes tiles = new Extremes(0);

    HaloMeter(int height) {
        this.height = height;
    }

    /** Takes one row of a span that begins at column {@code x}. */
    void row(int y, int x, int count, float[] before, float[] after) {
        if (y != nextRow || x != spanX || count != spanColumns) {
            begin(x, count);
        }
        columns.widen(before, after, count);
        nextRow = y + 1;
        if (nextRow % TILE == 0 || nextRow == height) {
            closeTiles(y / TILE);
        }
    }

    private void begin(int x, int count) {
        spanX = x;
        spanColumns = count;
        columns = new Extremes(count);
        int tilesAcross = (x + count - 1) / TILE - x / TILE + 1;
        above = new Extremes(tilesAcross);
        tiles = new Extremes(tilesAcross);
    }

    private void closeTiles(int band) {
        int firstTile = spanX / TILE;
        for (int i = 0; i < spanColumns; i++) {
            tiles.widen((spanX + i) / TILE - firstTile, columns, i);
        }
        columns.clear();
        boolean last = nextRow == height;
        for (int lattice = 0; lattice < 2; lattice++) {
            boolean endsCells = band % 2 != lattice;
            if (endsCells || last) {
                countCells(lattice, firstTile, endsCells);
            }
        }
        Extremes free = above;
        above = tiles;
        tiles = free;
        tiles.clear();
    }

    /** @param lattice 0 for cells that begin at even tiles, 1 at odd ones */
    private void countCells(int lattice, int firstTile, boolean withAbove) {
        int begin = Math.floorDiv(firstTile - lattice, 2) * 2 + lattice - firstTile;
        Extremes cell = new Extremes(1);
        for (int left = begin; left < tiles.length(); left += 2) {
            cell.clear();
            for (int tile = Math.max(0, left); tile < Math.min(left + 2, tiles.length()); tile++) {
                cell.widen(0, tiles, tile);
                if (withAbove) {
                    cell.widen(0, above, tile);
                }
            }
            count(cell);
        }
    }

    private void count(Extremes cell) {
        float contrast = cell.highBefore[0] - cell.lowBefore[0];
        if (contrast >= CONTOUR) {
            float over = Math.max(cell.highAfter[0] - cell.highBefore[0], cell.lowBefore[0] - cell.lowAfter[0]);
            double percent = 100.0 * Math.max(0f, over) / contrast;
            bins[Math.min(BINS - 1, (int) Math.round(percent / BIN_PERCENT))]++;
        }
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

    /** The least and the greatest, before and after, of several places. */
    private static final class Extremes {
        final float[] lowBefore;
        final float[] highBefore;
        final float[] lowAfter;
        final float[] highAfter;

        Extremes(int places) {
            lowBefore = new float[places];
            highBefore = new float[places];
            lowAfter = new float[places];
            highAfter = new float[places];
            clear();
        }

        int length() {
            return lowBefore.length;
        }

        void clear() {
            Arrays.fill(lowBefore, Float.POSITIVE_INFINITY);
            Arrays.fill(lowAfter, Float.POSITIVE_INFINITY);
            Arrays.fill(highBefore, Float.NEGATIVE_INFINITY);
            Arrays.fill(highAfter, Float.NEGATIVE_INFINITY);
        }

        /** Four plain loops: the compiler makes vectors of each. */
        void widen(float[] before, float[] after, int count) {
            for (int i = 0; i < count; i++) {
                lowBefore[i] = Math.min(lowBefore[i], before[i]);
            }
            for (int i = 0; i < count; i++) {
                highBefore[i] = Math.max(highBefore[i], before[i]);
            }
            for (int i = 0; i < count; i++) {
                lowAfter[i] = Math.min(lowAfter[i], after[i]);
            }
            for (int i = 0; i < count; i++) {
                highAfter[i] = Math.max(highAfter[i], after[i]);
            }
        }

        void widen(int place, Extremes others, int other) {
            lowBefore[place] = Math.min(lowBefore[place], others.lowBefore[other]);
            highBefore[place] = Math.max(highBefore[place], others.highBefore[other]);
            lowAfter[place] = Math.min(lowAfter[place], others.lowAfter[other]);
            highAfter[place] = Math.max(highAfter[place], others.highAfter[other]);
        }
    }
}
