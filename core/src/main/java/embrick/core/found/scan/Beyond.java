package embrick.core.found.scan;

import embrick.core.found.SmallPixels;
import java.util.List;

/**
 * Looks beyond a print's side for a fainter one: a sky as pale as the bed ends at its lower edge for everybody who looks
 * for a step, and the print goes on.
 *
 * <p>The mean along the whole side, without specks, shows steps far below the noise of one pixel. A shadow has none:
 * its slope is the same measured finely and coarsely, a step's is the steeper the finer it is measured.
 */
final class Beyond {
    /** Along the side, in pixels. */
    private static final double APART = 3;
    /** At either end a corner's own shadow is left out, as a share of the side. */
    private static final double END = 0.1;
    /** Places of a line at which it is asked whether it is still bed. */
    private static final int PROBES = 12;
    /** What lies farther from a line's mean is dust. */
    private static final double NEAR = 0.03;
    /** Pixels from the side at which the looking begins: the side's own slope has ended. */
    private static final int BEGIN = 5;

    private static final float[] FINE = Slope.weights(1);
    private static final float[] COARSE = Slope.weights(3);
    /** A step's slope falls from fine to coarse by nearly three, a shadow's hardly. */
    private static final double FALLS = 1.9;
    /** Of the range: half a count of 8 bits as a slope of σ 1. */
    private static final double LEAST = 0.0008;

    /** Without grain an even fall of light ends in steps of one count: those are no edges. */
    private static final double GRAINLESS = 0.0015;

    private static final double LEAST_WITHOUT_GRAIN = 0.0035;

    private Beyond() {}

    /** @param others where other prints lie: nothing is told from what is there */
    static boolean goesOn(SmallPixels scan, Bed bed, Across side, List<Rectangle> others) {
        int reach = 0;
        while (isOpen(scan, side, -reach - 1, others)) {
            reach++;
        }
        if (reach < BEGIN + 8) {
            return false;
        }
        int count = reach + 1;
        int across = (int) ((1 - 2 * END) * side.length() / APART);
        float[][] means = means(scan, bed, side, count, across);
        double floor = bed.noise() < GRAINLESS ? LEAST_WITHOUT_GRAIN : LEAST;
        double least = Math.max(floor, 6 * 0.4 * bed.noise() / Math.sqrt(across));
        double[] fine = slopes(means, count, FINE);
        double[] coarse = slopes(means, count, COARSE);
        // The very rim of a scan has a line of its own now and then.
        for (int i = BEGIN; i < count - 4; i++) {
            double even = Math.max(coarse[i], Math.max(fine[i - 4], fine[i + 4]));
            if (fine[i] > least && fine[i] > FALLS * even && fine[i] >= fine[i - 1] && fine[i] >= fine[i + 1]) {
                return true;
            }
        }
        return false;
    }

    private static boolean isOpen(SmallPixels scan, Across side, int inwards, List<Rectangle> others) {
        for (int k = 0; k <= PROBES; k++) {
            double along = side.length() * (END + (1 - 2 * END) * k / PROBES);
            if (!side.isWithin(scan, along, inwards)) {
                return false;
            }
            for (Rectangle other : others) {
                if (other.holds(side.x(along, inwards), side.y(along, inwards))) {
                    return false;
                }
            }
        }
        return true;
    }

    /** Off the bed, along lines outside the side, each from its nearest pixels: a slant line meets all of their offsets. */
    private static float[][] means(SmallPixels scan, Bed bed, Across side, int count, int across) {
        float[][] means = new float[SmallPixels.COLOURS][count];
        float near = (float) (NEAR + 4 * bed.noise());
        float[] values = new float[across];
        int[] at = new int[across];
        for (int i = 0; i < count; i++) {
            for (int k = 0; k < across; k++) {
                double along = END * side.length() + k * APART;
                int x = Math.clamp((int) side.x(along, -i), 0, scan.width() - 1);
                int y = Math.clamp((int) side.y(along, -i), 0, scan.height() - 1);
                at[k] = y * scan.width() + x;
            }
            for (int c = 0; c < SmallPixels.COLOURS; c++) {
                float[] plane = scan.planes()[c];
                for (int k = 0; k < across; k++) {
                    values[k] = plane[at[k]];
                }
                double middle = side.length() / 2;
                means[c][i] = (float) (withoutSpecks(values, near) - bed.at(c, side.x(middle, -i), side.y(middle, -i)));
            }
        }
        return means;
    }

    /** The mean of what is near the mean. */
    private static double withoutSpecks(float[] values, float near) {
        float sum = 0;
        for (float value : values) {
            sum += value;
        }
        float mean = sum / values.length;
        float nearSum = 0;
        int count = 0;
        for (float value : values) {
            if (Math.abs(value - mean) < near) {
                nearSum += value;
                count++;
            }
        }
        return count == 0 ? mean : nearSum / (double) count;
    }

    private static double[] slopes(float[][] means, int count, float[] weights) {
        double[] slopes = new double[count];
        for (int i = 0; i < count; i++) {
            slopes[i] = Slope.steepness(means, count, i, weights);
        }
        return slopes;
    }
}
