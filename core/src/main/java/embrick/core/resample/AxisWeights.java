package embrick.core.resample;

import embrick.core.lanes.Lanes;

/**
 * The weights of one axis for a range of output positions; output i stands at source position
 * {@code origin + (i + ½) · scale}.
 *
 * <p>Every output has the same number of taps; the weights of those it does not need are 0. From one output's weights to the
 * next there are {@link Lanes#padded} of them.
 */
final class AxisWeights {
    private final int start;
    private final int taps;
    private final int apart;
    private final int[] first;
    private final int[] count;
    private final float[] weights;

    AxisWeights(AxisKernel kernel, double origin, int sourceLength, int start, int length) {
        Taps exact = new Taps(kernel, sourceLength);
        this.start = start;
        this.taps = exact.most();
        this.apart = Lanes.padded(taps);
        this.first = new int[length];
        this.count = new int[length];
        this.weights = new float[Math.multiplyExact(length, apart)];
        for (int i = 0; i < length; i++) {
            exact.at(origin + (start + i + 0.5) * kernel.scale());
            first[i] = exact.first();
            count[i] = exact.count();
            for (int tap = 0; tap < count[i]; tap++) {
                weights[i * apart + tap] = (float) exact.weight(tap);
            }
        }
    }

    /** Taps of each output, those counted that weigh nothing. */
    int taps() {
        return taps;
    }

    int first(int output) {
        return first[output - start];
    }

    int count(int output) {
        return count[output - start];
    }

    /** Where this output's weights begin in {@link #weights()}. */
    int at(int output) {
        return (output - start) * apart;
    }

    float[] weights() {
        return weights;
    }

    /** One past the last source pixel that outputs up to and with this one read. */
    int end(int output) {
        return first(output) + count(output);
    }
}
