package embrick.core.found.detail;

import embrick.core.lanes.Lanes;
import java.util.Arrays;
import java.util.List;

/**
 * How much of the slopes in each block of a picture is left when it is blurred further, by known amounts: what was blurred
 * already loses little.
 */
final class BlurScales {
    /** σ of the further blurs, in pixels. */
    private static final double[] SIGMAS = {0, 0.6, 1, 1.6, 2.5, 4};

    static final int COUNT = SIGMAS.length;
    /** Side of a block, in pixels. */
    private static final int BLOCK = 32;

    private static final int ACROSS = 4;
    private static final int MARGIN = (Patch.SIDE - ACROSS * BLOCK) / 2;
    /** Of σ: how far a blur reaches. */
    private static final double REACH = 3;

    private final Lanes lanes = Lanes.best();
    private final float[][] kernels = new float[COUNT][];
    private final int[] starts = new int[Patch.SIDE];
    private final float[] between = new float[Patch.SIDE * Patch.SIDE + Lanes.SLACK];
    private final float[] blurred = new float[Patch.SIDE * Patch.SIDE + Lanes.SLACK];
    private final float[] squares = new float[ACROSS * BLOCK + Lanes.SLACK];

    BlurScales() {
        for (int i = 0; i < COUNT; i++) {
            kernels[i] = kernel(SIGMAS[i]);
        }
    }

    /** σ² of a further blur. */
    static double variance(int scale) {
        return SIGMAS[scale] * SIGMAS[scale];
    }

    private static float[] kernel(double sigma) {
        int reach = (int) Math.ceil(REACH * sigma);
        float[] kernel = new float[2 * reach + 1];
        double sum = 0;
        for (int i = -reach; i <= reach; i++) {
            double weight = sigma == 0 ? 1 : Math.exp(-i * i / (2 * sigma * sigma));
            kernel[i + reach] = (float) weight;
            sum += weight;
        }
        for (int i = 0; i < kernel.length; i++) {
            kernel[i] /= (float) sum;
        }
        return kernel;
    }

    /**
     * What grain of variance 1 in each pixel, alike at all frequencies, adds to the energy at a scale: that of differences of
     * neighbours, across and down.
     */
    static double[] ofGrain() {
        double[] energies = new double[COUNT];
        for (int i = 0; i < COUNT; i++) {
            float[] kernel = kernel(SIGMAS[i]);
            double even = 0;
            double sloped = 0;
            for (int k = 0; k <= kernel.length; k++) {
                double here = k < kernel.length ? kernel[k] : 0;
                double before = k > 0 ? kernel[k - 1] : 0;
                even += here * here;
                sloped += (here - before) * (here - before);
            }
            energies[i] = 2 * even * sloped;
        }
        return energies;
    }

    /** @return for each block the mean square of its slopes at each scale */
    List<double[]> energies(Patch patch) {
        double[][] energies = new double[ACROSS * ACROSS][COUNT];
        for (int scale = 0; scale < COUNT; scale++) {
            float[] seen = scale == 0 ? patch.luminance() : blurred(patch.luminance(), kernels[scale]);
            for (int down = 0; down < ACROSS; down++) {
                sumSquaredSlopes(seen, MARGIN + down * BLOCK);
                for (int i = 0; i < ACROSS * BLOCK; i++) {
                    energies[down * ACROSS + i / BLOCK][scale] += squares[i];
                }
            }
        }
        return Arrays.stream(energies).map(BlurScales::ofOnePixel).toList();
    }

    private static double[] ofOnePixel(double[] sums) {
        return Arrays.stream(sums).map(sum -> sum / (BLOCK * BLOCK)).toArray();
    }

    /** Over the rows of a block, column by column. */
    private void sumSquaredSlopes(float[] seen, int top) {
        Arrays.fill(squares, 0);
        for (int y = top; y < top + BLOCK; y++) {
            lanes.addSquaredSlopes(seen, y * Patch.SIDE + MARGIN, Patch.SIDE, squares, ACROSS * BLOCK);
        }
    }

    /** Of the blocks and one pixel beside them. Across and down alike whole rows are mixed, each a pixel or a row further on. */
    private float[] blurred(float[] from, float[] kernel) {
        int reach = kernel.length / 2;
        int end = MARGIN + ACROSS * BLOCK + 1;
        for (int y = MARGIN - reach; y < end + reach; y++) {
            mix(from, y * Patch.SIDE + MARGIN - reach, 1, kernel, between, y * Patch.SIDE + MARGIN);
        }
        for (int y = MARGIN; y < end; y++) {
            int row = y * Patch.SIDE + MARGIN;
            mix(between, row - reach * Patch.SIDE, Patch.SIDE, kernel, blurred, row);
        }
        return blurred;
    }

    private void mix(float[] from, int first, int apart, float[] kernel, float[] into, int at) {
        for (int k = 0; k < kernel.length; k++) {
            starts[k] = first + k * apart;
        }
        lanes.mixRows(from, starts, kernel, 0, kernel.length, into, at, ACROSS * BLOCK + 1);
    }
}
