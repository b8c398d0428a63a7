package embrick.core.learned;

import embrick.core.lanes.Lanes;
import embrick.core.lanes.PlaneLanes;
import embrick.core.lanes.PlaneLanes.Filters;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;

/**
 * Applies filters to tiles of one size. Keeps the memory of one tile; one thread at a time.
 *
 * <p><b>Row by row.</b> As soon as a layer has made as many rows as the next one's filters are high, the next makes one of its own
 * from them. So only these few rows of each layer are kept, in a ring, and they stay in the caches.
 *
 * <p><b>Only where it is wanted.</b> Runs of {@link PlaneLanes#ROW} columns of which nothing is wanted are left out, and so is, in
 * each layer, whatever only they depend on.
 */
public final class DetailTile {
    /** What is taken from a luminance of 0 to 1 before it is put in. */
    public static final float MIDDLE = 0.5f;

    private final Lanes lanes = Lanes.best();
    private final int radius;
    private final int columns;
    private final int rows;
    private final int apart;
    private final List<Stage> stages = new ArrayList<>();
    private final float[] luminance;

    /** A layer, and the rows that it makes. */
    private static final class Stage {
        final Filters filters;
        /** Rows of the luminance that are read before the layer's first row can be made. */
        final int before;

        final int rows;
        final int width;
        /** The number of rows that are kept of each plane, as a ring: row y is at {@code y % kept}. */
        final int kept;

        final float[] made;
        /** Where taps read, for a row at each place of the ring that is read. */
        final List<int[]> taps = new ArrayList<>();
        /** For each row, one bit for each run of columns that something wanted depends on. */
        final long[] needed;

        Stage(Filters filters, int before, int rows, int width, int kept, int apart) {
            this.filters = filters;
            this.before = before;
            this.rows = rows;
            this.width = width;
            this.kept = kept;
            this.made = new float[groups() * PlaneLanes.OUTPUTS_TOGETHER * kept * apart + Lanes.SLACK];
            this.needed = new long[rows];
        }

        int groups() {
            return filters.biases().length / PlaneLanes.OUTPUTS_TOGETHER;
        }
    }

    /**
     * @param columns of the tile that detail is wanted of; those beside it that it depends on are read on top of them
     * @param rows likewise
     */
    public DetailTile(LearnedFilters filters, int columns, int rows) {
        this.radius = filters.radius();
        this.columns = columns;
        this.rows = rows;
        this.apart = runs(columns + 2 * radius) * PlaneLanes.ROW + PlaneLanes.ROW;
        this.luminance = new float[(rows + 2 * radius) * apart + Lanes.SLACK];
        int read = 0;
        int keptBefore = rows + 2 * radius;
        List<Filters> layers = filters.layers();
        for (int l = 0; l < layers.size(); l++) {
            Filters layer = layers.get(l);
            read += layer.side() - 1;
            int made = rows + 2 * radius - read;
            int kept = l + 1 < layers.size() ? layers.get(l + 1).side() : made;
            Stage stage = new Stage(layer, read, made, columns + 2 * radius - read, kept, apart);
            for (int place = 0; place < Math.min(keptBefore, made); place++) {
                stage.taps.add(layer.taps(keptBefore, place, apart));
            }
            stages.add(stage);
            keptBefore = kept;
        }
    }

    /** Runs of columns in a row, of which the last may be wanted in part. */
    private static int runs(int length) {
        return Math.ceilDiv(length, PlaneLanes.ROW);
    }

    public int columns() {
        return columns;
    }

    public int rows() {
        return rows;
    }

    /** Columns and rows beside the tile that are read. */
    public int radius() {
        return radius;
    }

    /** Where the luminance is to be put before {@link #find}: rows of {@code columns + 2 · radius} floats, {@link #apart} apart. */
    public float[] luminance() {
        return luminance;
    }

    public int apart() {
        return apart;
    }

    /** For each row of the tile, one bit for each run of {@link PlaneLanes#ROW} columns of which something is wanted; to be set before {@link #find}. */
    public long[] wanted() {
        return stages.getLast().needed;
    }

    /**
     * What the parts of the tile's pixels are more than a Lanczos 3 kernel makes of them, where it is {@link #wanted}, elsewhere any
     * finite number; {@link #at} says where each is. It holds until the next call.
     */
    public float[] find() {
        for (int l = stages.size() - 1; l > 0; l--) {
            need(stages.get(l), stages.get(l - 1));
        }
        for (int read = 0; read < rows + 2 * radius; read++) {
            float[] from = luminance;
            for (Stage stage : stages) {
                int y = read - stage.before;
                if (y >= 0) {
                    make(stage, from, y);
                }
                from = stage.made;
            }
        }
        return stages.getLast().made;
    }

    /** A run depends on the same of the rows that its filters read, and on the beginning of the next one. */
    private static void need(Stage of, Stage before) {
        int side = of.filters.side();
        Arrays.fill(before.needed, 0);
        long there = (1L << runs(before.width)) - 1;
        for (int y = 0; y < of.rows; y++) {
            long needed = (of.needed[y] | of.needed[y] << 1) & there;
            for (int dy = 0; dy < side; dy++) {
                before.needed[y + dy] |= needed;
            }
        }
    }

    private void make(Stage stage, float[] from, int y) {
        int[] taps = stage.taps.get(y % stage.taps.size());
        long needed = stage.needed[y];
        while (needed != 0) {
            int first = Long.numberOfTrailingZeros(needed);
            int end = first + Long.numberOfTrailingZeros(~(needed >>> first));
            int begin = first * PlaneLanes.ROW;
            int length = Math.min(end * PlaneLanes.ROW, stage.width) - begin;
            for (int group = 0; group < stage.groups(); group++) {
                int row = group * PlaneLanes.OUTPUTS_TOGETHER * stage.kept + y % stage.kept;
                lanes.filterRow(
                        from,
                        begin,
                        taps,
                        stage.filters,
                        group,
                        stage.made,
                        row * apart + begin,
                        stage.kept * apart,
                        length);
            }
            needed = end < Long.SIZE ? needed & -1L << end : 0;
        }
    }

    /** Where in what was found a part's row of the tile begins. */
    public int at(int part, int row) {
        return (part * rows + row) * apart;
    }
}
