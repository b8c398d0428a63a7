package embrick.core.resample;

/**
 * Works out the taps of single positions: which source pixels, and their weights, normalised to 1 in double precision.
 * Taps beyond the picture's rim are dropped.
 */
final class Taps {
    /** Kernels with hard ends count one of their two: a place on the rim itself is taken as just inside. */
    private static final double INSIDE = 1e-9;

    private final AxisKernel kernel;
    private final int length;
    private final double[] weights;
    private int first;
    private int count;

    /** @param length source pixels along the axis */
    Taps(AxisKernel kernel, int length) {
        this.kernel = kernel;
        this.length = length;
        this.weights = new double[most() + 1];
    }

    /** Taps that a position has at most. */
    int most() {
        return (int) Math.ceil(2 * kernel.radius());
    }

    /** A position outside the picture takes what its rim has: half a kernel there never sums to nothing. */
    void at(double asked) {
        double position = Math.clamp(asked, INSIDE, length - INSIDE);
        double radius = kernel.radius();
        first = Math.clamp((long) Math.ceil(position - radius - 0.5), 0, length - 1);
        int last = Math.clamp((long) Math.floor(position + radius - 0.5), first, length - 1);
        if (last - first == most()) {
            // Both ends lie at the radius itself, where at least the left one weighs nothing.
            first++;
        }
        count = last - first + 1;
        double sum = 0;
        for (int tap = 0; tap < count; tap++) {
            weights[tap] = kernel.weight(first + tap + 0.5 - position);
            sum += weights[tap];
        }
        for (int tap = 0; tap < count; tap++) {
            weights[tap] /= sum;
        }
    }

    int first() {
        return first;
    }

    int count() {
        return count;
    }

    double weight(int tap) {
        return weights[tap];
    }
}
