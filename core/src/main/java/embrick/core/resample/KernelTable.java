package embrick.core.resample;

/** A kernel in small steps, for paths that need fresh weights at each pixel. */
final class KernelTable {
    /** Steps in one unit of x: linear interpolation is then within 1.1e-7 of the formula (h²·max|f″|/8). */
    private static final int STEPS = 2048;

    private final float[] steps;

    KernelTable(Kernel kernel) {
        steps = new float[kernel.support() * STEPS + 2];
        for (int i = 0; i < steps.length; i++) {
            steps[i] = (float) kernel.at((double) i / STEPS);
        }
    }

    float at(double x) {
        double step = Math.abs(x) * STEPS;
        int below = (int) step;
        if (below >= steps.length - 1) {
            return 0f;
        }
        float part = (float) (step - below);
        return steps[below] + part * (steps[below + 1] - steps[below]);
    }
}
