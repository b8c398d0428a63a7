package embrick.core.learned;

import embrick.core.lanes.Lanes;
import embrick.core.lanes.PlaneLanes;
import embrick.core.lanes.PlaneLanes.Filters;
import java.util.ArrayList;
import java.util.List;

/** Applies filters to tiles of one size. Keeps the memory of one tile; one thread at a time. */
public final class DetailTile {
    /** What is taken from a luminance of 0 to 1 before it is put in. */
    public static final float MIDDLE = 0.5f;

    private final Lanes lanes = Lanes.best();
    private final List<Filters> layers;
    private final int radius;
    private final int columns;
    private final int rows;
    private final int apart;
    private final List<int[]> taps = new ArrayList<>();
    private float[] from;
    private float[] to;

    /**
     * @param columns of the tile that detail is wanted of; those beside it that it depends on are read on top of them
     * @param rows likewise
     */
    public DetailTile(LearnedFilters filters, int columns, int rows) {
        this.layers = filters.layers();
        this.radius = filters.radius();
        this.columns = columns;
        this.rows = rows;
        this.apart = roundedUp(columns + 2 * radius) + PlaneLanes.ROW;
        int inRows = rows + 2 * radius;
        for (Filters layer : layers) {
            taps.add(layer.taps(inRows * apart, apart));
            inRows -= layer.side() - 1;
        }
        int most = layers.stream().mapToInt(DetailTile::outputs).max().orElse(1);
        int length = most * (rows + 2 * radius) * apart + Lanes.SLACK;
        this.from = new float[length];
        this.to = new float[length];
    }

    private static int roundedUp(int length) {
        return Math.ceilDiv(length, PlaneLanes.ROW) * PlaneLanes.ROW;
    }

    private static int outputs(Filters layer) {
        return layer.biases().length;
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
        return from;
    }

    public int apart() {
        return apart;
    }

    /**
     * What the parts of the tile's pixels are more than a Lanczos 3 kernel makes of them; {@link #at} says where each is. It
     * holds until the next luminance is put.
     */
    public float[] find() {
        int inRows = rows + 2 * radius;
        int width = columns + 2 * radius;
        for (int l = 0; l < layers.size(); l++) {
            Filters layer = layers.get(l);
            int outRows = inRows - layer.side() + 1;
            width -= layer.side() - 1;
            for (int y = 0; y < outRows; y++) {
                for (int group = 0; group < outputs(layer) / PlaneLanes.OUTPUTS_TOGETHER; group++) {
                    lanes.filterRow(
                            from,
                            y * apart,
                            taps.get(l),
                            layer,
                            group,
                            to,
                            (group * PlaneLanes.OUTPUTS_TOGETHER * outRows + y) * apart,
                            outRows * apart,
                            width);
                }
            }
            float[] done = to;
            to = from;
            from = done;
            inRows = outRows;
        }
        return from;
    }

    /** Where in what was found a part's row of the tile begins. */
    public int at(int part, int row) {
        return (part * rows + row) * apart;
    }
}
