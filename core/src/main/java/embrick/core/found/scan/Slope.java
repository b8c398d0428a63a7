package embrick.core.found.scan;

/** How steep a profile of several colours is at a place, by a Gaussian's derivative (J. Canny, 1986). */
final class Slope {
    private Slope() {}

    /** By distance from the place, from 0 to three σ; a step of 1 gives 0.4 ÷ σ. */
    static float[] weights(double sigma) {
        float[] weights = new float[1 + (int) Math.ceil(3 * sigma)];
        for (int k = 0; k < weights.length; k++) {
            weights[k] = (float)
                    (k * Math.exp(-k * k / (2 * sigma * sigma)) / (sigma * sigma * sigma * Math.sqrt(2 * Math.PI)));
        }
        return weights;
    }

    /**
     * All colours together; beyond either end the profile goes on as it ends.
     *
     * @param count of each colour's values that are there
     */
    static double steepness(float[][] profile, int count, int at, float[] weights) {
        double sum = 0;
        for (float[] plane : profile) {
            float slope = 0;
            for (int k = 1; k < weights.length; k++) {
                slope += weights[k] * (plane[Math.min(count - 1, at + k)] - plane[Math.max(0, at - k)]);
            }
            sum += (double) slope * slope;
        }
        return Math.sqrt(sum);
    }
}
