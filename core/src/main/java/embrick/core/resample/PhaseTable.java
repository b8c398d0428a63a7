package embrick.core.resample;

/**
 * The normalised weights of a smooth kernel for positions between two taps, in small steps.
 *
 * <p>Linear interpolation between two rows is off by h²/8 · max|f″|: with 1024 steps a sample, and |f″| at most 3.7 for the
 * kernels here, 4.4e-7. Stretched kernels are flatter and need fewer steps.
 */
final class PhaseTable {
    private static final int STEPS = 1024;
    private static final int LEAST_STEPS = 64;

    private final int steps;
    private final int rowLength;
    private final float[] rows;

    /**
     * @param padded taps a row has room for; the spare ones weigh 0
     * @param copies each weight is written so many times over
     */
    PhaseTable(AxisKernel kernel, int taps, int padded, int copies) {
        this.steps = Math.max(LEAST_STEPS, (int) Math.ceil(STEPS / Math.max(1, kernel.scale())));
        this.rowLength = padded * copies;
        this.rows = new float[(steps + 2) * rowLength + embrick.core.lanes.Lanes.SLACK];
        double[] exact = new double[taps];
        for (int step = 0; step <= steps + 1; step++) {
            double sum = 0;
            for (int tap = 0; tap < taps; tap++) {
                exact[tap] = kernel.weight((double) step / steps - kernel.radius() + tap);
                sum += exact[tap];
            }
            for (int i = 0; i < taps * copies; i++) {
                rows[step * rowLength + i] = (float) (exact[i / copies] / sum);
            }
        }
    }

    float[] rows() {
        return rows;
    }

    int rowLength() {
        return rowLength;
    }

    /** How many rows make one sample. */
    int steps() {
        return steps;
    }
}
