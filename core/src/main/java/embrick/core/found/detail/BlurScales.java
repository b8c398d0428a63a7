package embrick.core.found.detail;

import java.util.ArrayList;
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

    private final float[][] kernels = new float[COUNT][];
    private final float[] between = new float[Patch.SIDE * Patch.SIDE];
    private final float[] blurred = new float[Patch.SIDE * Patch.SIDE];

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
            blur(patch.luminance(), kernels[scale]);
            for (int y = 0; y < ACROSS * BLOCK; y++) {
                for (int x = 0; x < ACROSS * BLOCK; x++) {
                    int at = (y + MARGIN) * Patch.SIDE + x + MARGIN;
                    float across = blurred[at + 1] - blurred[at];
                    float down = blurred[at + Patch.SIDE] - blurred[at];
                    energies[y / BLOCK * ACROSS + x / BLOCK][scale] += across * across + down * down;
                }
            }
        }
        List<double[]> means = new ArrayList<>();
        for (double[] sums : energies) {
            means.add(Arrays.stream(sums).map(sum -> sum / (BLOCK * BLOCK)).toArray());
        }
        return means;
    }

    /** Of the blocks and one pixel beside them. Pixels innermost: the loops become vectors. */
    private void blur(float[] from, float[] kernel) {
        int reach = kernel.length / 2;
        int end = MARGIN + ACROSS * BLOCK + 1;
        for (int y = MARGIN - reach; y < end + reach; y++) {
            add(from, y * Patch.SIDE + MARGIN - reach, 1, kernel, between, y * Patch.SIDE + MARGIN);
        }
        for (int y = MARGIN; y < end; y++) {
            int row = y * Patch.SIDE + MARGIN;
            add(between, row - reach * Patch.SIDE, Patch.SIDE, kernel, blurred, row);
        }
    }

    /** One row of sums. */
    private static void add(float[] from, int first, int apart, float[] kernel, float[] into, int at) {
        int count = ACROSS * BLOCK + 1;
        Arrays.fill(into, at, at + count, 0);
        for (int k = 0; k < kernel.length; k++) {
            float weight = kernel[k];
            int begin = first + k * apart;
            for (int x = 0; x < count; x++) {
                into[at + x] += weight * from[begin + x];
            }
        }
    }
}
