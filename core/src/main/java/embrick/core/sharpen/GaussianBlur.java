package embrick.core.sharpen;

import embrick.core.lanes.Lanes;
import java.util.Arrays;

/**
 * A Gaussian blur of a plane, row by row, for any span of its columns.
 *
 * <p>Up to {@link #WIDE_FROM} it is the plain sum, cut off at 3.5 σ (what is left out is 0.05 %) and normalised. Wider ones
 * are taken from the means of square blocks: those are smoothed and drawn between linearly, with the variance of block and
 * line taken off, so that the whole has the variance asked for. The blocks lie on absolute positions, so neither span nor
 * strip changes a result. Beyond the plane's rim taps are dropped and the rest renormalised.
 *
 * <p>Rows are fed downwards by {@link #feed} and given by {@link #row}; {@link #from} begins a new span.
 */
final class GaussianBlur implements PlaneBlur {
    /** From this σ on, blocks are used; a block is then at most a quarter of σ wide. */
    static final double WIDE_FROM = 8;

    private static final double CUT = 3.5;

    private final Lanes lanes = Lanes.best();
    private final int width;
    private final int height;
    private final int block;
    private final int radius;
    private final float[] weights;
    private final int gridWidth;
    private final int gridHeight;

    private int spanX;
    private int gridX;
    private int gridColumns;
    private int spanColumns;
    private int nextRow;
    private int slots;
    private float[] ring = new float[0];
    private float[] gathered = new float[0];
    private float[] padded = new float[0];
    private float[] above = new float[0];
    private float[] below = new float[0];
    private final int[] starts;
    private final float[] rimWeights;

    GaussianBlur(double sigma, int width, int height) {
        this.width = width;
        this.height = height;
        this.block = sigma < WIDE_FROM ? 1 : (int) (sigma / 4);
        // A block's mean adds (k² − 1)/12 to the variance, a line drawn between blocks (k² − 1)/6.
        double left = sigma * sigma - (block * block - 1) / 4.0;
        double gridSigma = Math.sqrt(left) / block;
        this.radius = Math.max(1, (int) Math.ceil(CUT * gridSigma));
        this.weights = gaussian(gridSigma, radius);
        this.gridWidth = Math.ceilDiv(width, block);
        this.gridHeight = Math.ceilDiv(height, block);
        this.starts = new int[weights.length];
        this.rimWeights = new float[weights.length];
    }

    static float[] gaussian(double sigma, int radius) {
        double[] exact = new double[2 * radius + 1];
        for (int i = 0; i < exact.length; i++) {
            double x = (i - radius) / sigma;
            exact[i] = Math.exp(-x * x / 2);
        }
        double sum = Arrays.stream(exact).sum();
        float[] weights = new float[exact.length];
        for (int i = 0; i < exact.length; i++) {
            weights[i] = (float) (exact[i] / sum);
        }
        return weights;
    }

    @Override
    public int firstColumn(int x) {
        return first(x);
    }

    @Override
    public int endColumn(int x) {
        return end(x, width);
    }

    @Override
    public int firstRow(int y) {
        return first(y);
    }

    @Override
    public int endRow(int y) {
        return end(y, height);
    }

    private int first(int at) {
        return Math.max(0, (gridBefore(at) - radius) * block);
    }

    private int end(int at, int length) {
        int last = block == 1 ? at : gridBefore(at) + 1;
        return Math.min(length, (last + radius + 1) * block);
    }

    /** The grid line at or before a pixel; block centres lie at (j + ½)·block − ½. */
    private int gridBefore(int at) {
        return block == 1 ? at : Math.floorDiv(2 * at + 1 - block, 2 * block);
    }

    @Override
    public void from(int x, int columns, int y, int rows) {
        spanX = x;
        spanColumns = columns;
        gridX = x / block;
        gridColumns = Math.ceilDiv(x + columns, block) - gridX;
        nextRow = y;
        slots = 2 * radius + 3 + Math.ceilDiv(rows, block) + 1;
        ring = new float[slots * gridColumns + Lanes.SLACK];
        gathered = new float[gridColumns];
        padded = new float[gridColumns + 2 * radius + Lanes.SLACK];
        above = new float[gridColumns + Lanes.SLACK];
        below = new float[gridColumns + Lanes.SLACK];
    }

    @Override
    public int rowsFor(int together) {
        return Math.min(height, together + (2 * radius + 3) * block);
    }

    @Override
    public int nextRow() {
        return nextRow;
    }

    @Override
    public void feed(float[] plane, int at) {
        if (block == 1) {
            System.arraycopy(plane, at, padded, radius, spanColumns);
            smoothAcross(nextRow++ % slots * gridColumns);
            return;
        }
        gather(plane, at);
        int row = nextRow++;
        if (nextRow % block == 0 || nextRow == height) {
            int rows = row % block + 1;
            for (int column = 0; column < gridColumns; column++) {
                int columns = Math.min(block, width - (gridX + column) * block);
                padded[radius + column] = gathered[column] / (rows * columns);
            }
            Arrays.fill(gathered, 0f);
            smoothAcross(row / block % slots * gridColumns);
        }
    }

    private void gather(float[] plane, int at) {
        for (int i = 0; i < spanColumns; i++) {
            gathered[(spanX + i) / block - gridX] += plane[at + i];
        }
    }

    private void smoothAcross(int to) {
        for (int t = 0; t < weights.length; t++) {
            starts[t] = t;
        }
        lanes.mixRows(padded, starts, weights, 0, weights.length, ring, to, gridColumns);
        // Near the plane's own rim the taps that hang over are left out.
        int left = Math.clamp(radius - (long) gridX, 0, gridColumns);
        int right = Math.clamp((long) gridWidth - radius - gridX, left, gridColumns);
        for (int column = 0; column < left; column++) {
            ring[to + column] = smoothedAtRim(column);
        }
        for (int column = right; column < gridColumns; column++) {
            ring[to + column] = smoothedAtRim(column);
        }
    }

    private float smoothedAtRim(int column) {
        float sum = 0;
        float weight = 0;
        for (int t = 0; t < weights.length; t++) {
            int tap = gridX + column - radius + t;
            if (tap >= 0 && tap < gridWidth) {
                sum += padded[column + t] * weights[t];
                weight += weights[t];
            }
        }
        return sum / weight;
    }

    @Override
    public void row(int y, int x, int count, float[] into) {
        if (block == 1) {
            smoothDown(y, above);
            System.arraycopy(above, x - gridX, into, 0, count);
            return;
        }
        int gridY = gridBefore(y);
        smoothDown(Math.max(0, gridY), above);
        smoothDown(Math.min(gridHeight - 1, gridY + 1), below);
        float down = part(y, gridY);
        for (int i = 0; i < gridColumns; i++) {
            above[i] += down * (below[i] - above[i]);
        }
        for (int i = 0; i < count; i++) {
            int before = gridBefore(x + i);
            int left = Math.max(0, before) - gridX;
            int right = Math.min(gridWidth - 1, before + 1) - gridX;
            into[i] = above[left] + part(x + i, before) * (above[right] - above[left]);
        }
    }

    /** How far a pixel lies from one grid line to the next. */
    private float part(int at, int gridLine) {
        return (float) ((at + 0.5) / block - 0.5 - gridLine);
    }

    private void smoothDown(int gridRow, float[] into) {
        int first = Math.max(0, gridRow - radius);
        int last = Math.min(gridHeight - 1, gridRow + radius);
        int count = last - first + 1;
        for (int t = 0; t < count; t++) {
            starts[t] = (first + t) % slots * gridColumns;
        }
        if (count == weights.length) {
            lanes.mixRows(ring, starts, weights, 0, count, into, 0, gridColumns);
            return;
        }
        float weight = 0;
        for (int t = 0; t < count; t++) {
            weight += weights[first - gridRow + radius + t];
        }
        for (int t = 0; t < count; t++) {
            rimWeights[t] = weights[first - gridRow + radius + t] / weight;
        }
        lanes.mixRows(ring, starts, rimWeights, 0, count, into, 0, gridColumns);
    }
}
