package embrick.core.found.scan;

import embrick.core.found.SmallPixels;
import java.util.Arrays;

/**
 * Where the first step is met by somebody who comes from the bed.
 *
 * <p>A step is a slope (a Gaussian's derivative; J. Canny, 1986) that is steeper the finer it is measured: by σ 1 pixel well steeper than
 * by σ 3, in all colours together. A shadow that darkens evenly towards a print is as steep in both and is no step; the
 * print's own edge in it is.
 */
final class Steps {
    /** Gaussians' derivatives, so that a step of 1 gives 0.4 finely and 0.13 coarsely. */
    private static final float[] FINE = Slope.weights(1);

    private static final float[] COARSE = Slope.weights(3);
    /** Pixels before a place at which the slope must have been less. */
    private static final int BEFORE = 4;
    /** A soft shadow is up to 1.2 times as steep finely as coarsely, a step 2.5 times. */
    private static final double STEEPER = 1.4;
    /** Steps of less than this cannot be told from what a bed has of its own. */
    private static final double LEAST = 0.009;
    /** Times the noise of one pixel: six times what is left of it in a slope of three colours. */
    private static final double ABOVE_NOISE = 0.9;
    /** Places beside one another that are averaged, in pixels along the side. */
    private static final double[] BESIDE = {-3, -1.5, 0, 1.5, 3};
    /** Pixels that are read at a time. */
    private static final int READ_AT_ONCE = 24;
    /** After a first rise the slope may go on rising for so long. */
    private static final int RISE = 3;

    private Steps() {}

    static double least(double noise) {
        return Math.max(LEAST, ABOVE_NOISE * noise);
    }

    /**
     * @param outside pixels outside the side to begin at, {@code inside} to end at
     * @return pixels inwards of the side, or NaN where nothing is met
     */
    static double first(SmallPixels scan, Across across, double along, int outside, int inside, double least) {
        int count = outside + inside + 1;
        float[][] profile = new float[SmallPixels.COLOURS][count];
        float[] sums = new float[SmallPixels.COLOURS];
        // Most steps are met early: the rest is read only where they are not.
        for (int read = 0, next = Math.min(count, 2 * READ_AT_ONCE);
                read < count;
                next = Math.min(count, next + READ_AT_ONCE)) {
            for (; read < next; read++) {
                Arrays.fill(sums, 0);
                for (double beside : BESIDE) {
                    double at = along + beside;
                    scan.addBetween(across.x(at, read - outside), across.y(at, read - outside), sums);
                }
                for (int c = 0; c < sums.length; c++) {
                    profile[c][read] = sums[c] / BESIDE.length;
                }
            }
            int certain = read < count ? read - COARSE.length : count - 1;
            double[] strength = strengths(profile, read, Math.min(certain + 1, read));
            double met = met(strength, certain, least);
            if (!Double.isNaN(met)) {
                return met - outside;
            }
        }
        return Double.NaN;
    }

    /** The top of the first rise above what counts, before an end; NaN if there is none. */
    private static double met(double[] strength, int end, double least) {
        for (int i = 1; i < end - RISE; i++) {
            if (strength[i] > least && strength[i] >= strength[i - 1]) {
                int top = i;
                while (top < i + RISE && strength[top + 1] > strength[top]) {
                    top++;
                }
                return top + betweenPeaks(strength, top);
            }
        }
        return Double.NaN;
    }

    /**
     * By how much the fine slope is steeper than the coarse one, and than it was shortly before: the coarse slope alone is none
     * where a shadow's and that of a step not yet reached cancel.
     */
    private static double[] strengths(float[][] profile, int count, int until) {
        double[] fine = new double[until];
        double[] strength = new double[until];
        for (int i = 0; i < until; i++) {
            fine[i] = Slope.steepness(profile, count, i, FINE);
            double even = Math.max(Slope.steepness(profile, count, i, COARSE), i < BEFORE ? 0 : fine[i - BEFORE]);
            strength[i] = fine[i] - STEEPER * even;
        }
        return strength;
    }

    /** The top of the parabola through a peak and its neighbours, pixels from the peak. */
    private static double betweenPeaks(double[] strength, int top) {
        double before = strength[top - 1];
        double after = strength[top + 1];
        double bend = before - 2 * strength[top] + after;
        return bend < 0 ? Math.clamp((before - after) / (2 * bend), -0.5, 0.5) : 0;
    }
}
