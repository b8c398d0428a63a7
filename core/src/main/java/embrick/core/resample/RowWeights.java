package embrick.core.resample;

import embrick.core.lanes.Lanes;
import java.util.Arrays;
import java.util.Optional;

/**
 * The weights of a row of tilted pixels along one of the original's axes, each pixel at a place of its own.
 *
 * <p>Weights of smooth kernels are interpolated between tabled phases, all pixels at once. Those of other kernels, and of
 * pixels whose taps hang over the picture's rim, are then worked out one by one.
 */
final class RowWeights {
    private final Lanes lanes = Lanes.best();
    private final AxisKernel kernel;
    private final int length;
    private final Optional<PhaseTable> phases;
    private final Taps exact;
    private final int taps;
    private final int padded;
    private final int copies;
    private final double[] places;
    private final int[] firsts;
    private final int[] rows;
    private final float[] parts;
    private final float[] weights;

    /**
     * @param length source pixels along the axis
     * @param copies 1, or 4 for weights as {@link Lanes#mixPixels} takes them
     * @param most pixels of a row
     */
    RowWeights(AxisKernel kernel, int length, Optional<PhaseTable> phases, int copies, int most) {
        this.kernel = kernel;
        this.length = length;
        this.phases = phases;
        this.exact = new Taps(kernel, length);
        this.taps = exact.most();
        this.padded = Lanes.padded(taps);
        this.copies = copies;
        this.places = new double[most];
        this.firsts = new int[most];
        this.rows = new int[most];
        this.parts = new float[most];
        this.weights = new float[most * padded * copies + Lanes.SLACK];
    }

    /** The first source pixel that counts for pixel {@code p}. */
    int first(int p) {
        return firsts[p];
    }

    /** {@link Lanes#padded} taps a pixel, each so many times over; spare ones are 0. */
    float[] weights() {
        return weights;
    }

    /**
     * Works out a row: pixel {@code p} has its centre at {@code base + slope · (u + p)} along the axis. Only absolute
     * positions go in, held to the picture's rim, so that a pixel's weights do not depend on where its row begins.
     */
    void weigh(double base, double slope, double u, int count) {
        for (int p = 0; p < count; p++) {
            places[p] = Math.clamp(base + slope * (u + p), 0, length);
        }
        if (phases.isEmpty()) {
            for (int p = 0; p < count; p++) {
                weighExactly(p);
            }
            return;
        }
        PhaseTable table = phases.get();
        findPhases(count, kernel.radius() + 0.5, table.steps());
        if (copies == 1) {
            lanes.between(table.rows(), padded, rows, parts, weights, count);
        } else {
            lanes.betweenFourfold(table.rows(), padded, rows, parts, weights, count);
        }
        // Places run one way, so that no pixel hangs over if neither the first nor the last one does.
        if (hangsOver(0) || hangsOver(count - 1)) {
            for (int p = 0; p < count; p++) {
                if (hangsOver(p)) {
                    weighExactly(p);
                }
            }
        }
    }

    private void findPhases(int count, double reach, double steps) {
        for (int p = 0; p < count; p++) {
            double edge = places[p] - reach;
            double first = Math.ceil(edge);
            double step = (first - edge) * steps;
            int row = (int) step;
            firsts[p] = (int) first;
            rows[p] = row;
            parts[p] = (float) (step - row);
        }
    }

    private boolean hangsOver(int p) {
        return firsts[p] < 0 || firsts[p] + taps > length;
    }

    private void weighExactly(int p) {
        exact.at(places[p]);
        firsts[p] = exact.first();
        int at = p * padded * copies;
        Arrays.fill(weights, at, at + padded * copies, 0f);
        for (int tap = 0; tap < exact.count(); tap++) {
            int from = at + tap * copies;
            Arrays.fill(weights, from, from + copies, (float) exact.weight(tap));
        }
    }
}
