package embrick.core.resample;

import embrick.core.lanes.Lanes;

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

    /** Rows have room for {@link Lanes#padded} taps; the spare ones weigh 0. */
    PhaseTable(AxisKernel kernel, int taps) {
        this.steps = Math.max(LEAST_STEPS, (int) Math.ceil(STEPS / Math.max(1, kernel.scale())));
        this.rowLength = Lanes.padded(taps);
        this.rows = new float[(steps + 2) * rowLength + Lanes.SLACK];
        double[] exact = new double[taps];
        for (int step = 0; step <= steps + 1; step++) {
            double sum = 0;
            for (int tap = 0; tap < taps; tap++) {
                exact[tap] = kernel.weight((double) step / steps - kernel.radius() + tap);
                sum += exact[tap];
            }
            for (int tap = 0; tap < taps; tap++) {
                rows[step * rowLength + tap] = (float) (exact[tap] / sum);
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
