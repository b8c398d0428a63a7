package embrick.core.resample;

/**
 * Lanczos 3 at twice the size: each pixel becomes two along a line, a quarter of a pixel to the left and to the right of its
 * middle.
 */
public final class Doubling {
    /** Pixels to each side that count. */
    public static final int REACH = 3;

    public static final int TAPS = 2 * REACH;

    private Doubling() {}

    /**
     * The first pixel that counts, from the one that becomes two.
     *
     * @param phase 0 for its left part, 1 for its right one
     */
    public static int firstTap(int phase) {
        return phase - REACH;
    }

    /** What each of the {@link #TAPS} pixels counts; 1 in sum. */
    public static float[] weights(int phase) {
        AxisKernel kernel = AxisKernel.of(Method.LANCZOS3, 0.5);
        double middle = phase == 0 ? -0.25 : 0.25;
        double[] exact = new double[TAPS];
        double sum = 0;
        for (int t = 0; t < TAPS; t++) {
            exact[t] = kernel.weight(firstTap(phase) + t - middle);
            sum += exact[t];
        }
        float[] weights = new float[TAPS];
        for (int t = 0; t < TAPS; t++) {
            weights[t] = (float) (exact[t] / sum);
        }
        return weights;
    }
}
