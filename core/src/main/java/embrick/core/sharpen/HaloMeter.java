package embrick.core.sharpen;

import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/**
 * Measures overshoot in cells of 16 × 16 pixels: how far the sharpened extremes of a cell leave those before, as a share of
 * the cell's contrast before. Only cells with a contour count. Two lattices of cells lie on absolute positions, half a cell
 * apart, so that a contour between the cells of one is inside a cell of the other.
 *
 * <p>Extremes are kept a column until eight rows are full, then a tile of 8 × 8; a cell of either lattice is four tiles.
 *
 * <p>Rows come in runs, one under the other. Where a run begins or ends inside the picture, the rows of tiles at its rims are
 * kept: another meter may have measured what lies beyond, even the rest of the same tiles, and the cells there are counted
 * when all are put together. So the figure does not depend on how a picture was shared out.
 */
final class HaloMeter {
    private static final int TILE = 8;
    /** A tenth of the whole range, a rounding error forgiven: less is texture. */
    private static final float CONTOUR = 0.1f - 1e-5f;

    private static final int BINS = 401;
    private static final double BIN_PERCENT = 0.5;
    private static final double SHARE = 0.95;

    private static final Extremes NOTHING = new Extremes(0);

    private final int height;
    private int spanX = -1;
    private int spanColumns;
    private int nextRow = -1;
    private Extremes columns = new Extremes(0);
    private Extremes above = new Extremes(0);
    private Extremes tiles = new Extremes(0);
    private int runBegin;
    private boolean hasAbove;
    /** Rows of tiles at the rims of runs. */
    private final Map<Place, Extremes> rims = new HashMap<>();
    /** Of the cells that each row of tiles ends: the bins of those that count. Rows that are rendered again count once. */
    private final Map<Place, short[]> counted = new HashMap<>();

    /** A row of tiles, from column {@code x} on. */
    private record Place(int band, int x, int tiles) {
        Place above() {
            return new Place(band - 1, x, tiles);
        }
    }

    HaloMeter(int height) {
        this.height = height;
    }

    /** Takes one row of a span that begins at column {@code x}. */
    void row(int y, int x, int count, float[] before, float[] after) {
        if (y != nextRow || x != spanX || count != spanColumns) {
            keepLowerRim();
            begin(y, x, count);
        }
        columns.widen(before, after, count);
        nextRow = y + 1;
        if (nextRow % TILE == 0 || nextRow == height) {
            closeTiles(y / TILE);
        }
    }

    /** Keeps what the run that is under way has at its lower rim. */
    private void keepLowerRim() {
        if (nextRow > 0 && hasAbove) {
            keepRim(nextRow / TILE - 1, above);
        }
        if (nextRow > 0 && nextRow % TILE != 0 && nextRow != height) {
            keepRim(nextRow / TILE, gathered(new Extremes(above.length())));
        }
    }

    private void keepRim(int band, Extremes row) {
        rims.computeIfAbsent(place(band), _ -> new Extremes(row.length())).widen(row);
    }

    private Place place(int band) {
        return new Place(band, spanX, above.length());
    }

    private void begin(int y, int x, int count) {
        runBegin = y;
        hasAbove = false;
        spanX = x;
        spanColumns = count;
        columns = new Extremes(count);
        int tilesAcross = (x + count - 1) / TILE - x / TILE + 1;
        above = new Extremes(tilesAcross);
        tiles = new Extremes(tilesAcross);
    }

    private Extremes gathered(Extremes into) {
        int firstTile = spanX / TILE;
        for (int i = 0; i < spanColumns; i++) {
            into.widen((spanX + i) / TILE - firstTile, columns, i);
        }
        return into;
    }

    private void closeTiles(int band) {
        gathered(tiles);
        columns.clear();
        if (runBegin > band * TILE) {
            // The rest of these tiles lies above the run.
            keepRim(band, tiles);
            tiles.clear();
            return;
        }
        int firstTile = spanX / TILE;
        if (hasAbove || band == 0) {
            counted.put(place(band), cells(1 - band % 2, firstTile, tiles, above));
        } else {
            keepRim(band, tiles);
        }
        if (nextRow == height) {
            counted.put(place(band + 1), cells(band % 2, firstTile, tiles, NOTHING));
        }
        hasAbove = true;
        Extremes free = above;
        above = tiles;
        tiles = free;
        tiles.clear();
    }

    /**
     * The bins of the cells in which there is a contour.
     *
     * @param lattice 0 for cells that begin at even tiles, 1 at odd ones
     * @param lower the row of tiles that ends the cells, {@code upper} the one that begins them, or nothing
     */
    private static short[] cells(int lattice, int firstTile, Extremes lower, Extremes upper) {
        int begin = Math.floorDiv(firstTile - lattice, 2) * 2 + lattice - firstTile;
        short[] bins = new short[lower.length() / 2 + 1];
        int count = 0;
        Extremes cell = new Extremes(1);
        for (int left = begin; left < lower.length(); left += 2) {
            cell.clear();
            for (int tile = Math.max(0, left); tile < Math.min(left + 2, lower.length()); tile++) {
                cell.widen(0, lower, tile);
                if (upper.length() > 0) {
                    cell.widen(0, upper, tile);
                }
            }
            float contrast = cell.highBefore[0] - cell.lowBefore[0];
            if (contrast >= CONTOUR) {
                bins[count++] = bin(cell, contrast);
            }
        }
        return Arrays.copyOf(bins, count);
    }

    private static short bin(Extremes cell, float contrast) {
        float over = Math.max(cell.highAfter[0] - cell.highBefore[0], cell.lowBefore[0] - cell.lowAfter[0]);
        double percent = 100.0 * Math.max(0f, over) / contrast;
        return (short) Math.min(BINS - 1, (int) Math.round(percent / BIN_PERCENT));
    }

    /** What meters of one picture measured together. */
    static Halo halo(List<HaloMeter> meters) {
        Map<Place, Extremes> rims = new HashMap<>();
        Map<Place, short[]> counted = new HashMap<>();
        for (HaloMeter meter : meters) {
            meter.keepLowerRim();
            meter.rims.forEach((place, row) ->
                    rims.computeIfAbsent(place, _ -> new Extremes(row.length())).widen(row));
            counted.putAll(meter.counted);
        }
        rims.forEach((place, row) -> {
            if (!counted.containsKey(place)) {
                Extremes above = rims.getOrDefault(place.above(), NOTHING);
                counted.put(place, cells(1 - place.band() % 2, place.x() / TILE, row, above));
            }
        });
        long[] bins = new long[BINS];
        for (short[] cells : counted.values()) {
            for (short bin : cells) {
                bins[bin]++;
            }
        }
        return halo(bins);
    }

    private static Halo halo(long[] bins) {
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

        void widen(Extremes others) {
            for (int place = 0; place < length(); place++) {
                widen(place, others, place);
            }
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
