package embrick.core.resample;

import embrick.core.lanes.Lanes;

/**
 * The weights of one axis for a range of output positions; output i stands at source position
 * {@code origin + (i + ½) · scale}.
 *
 * <p>Every output has the same number of weights, a multiple of {@link Lanes#TAPS_TOGETHER}, the spare ones 0, and each
 * weight can be written {@code copies} times over, as {@link Lanes#mixPixels} wants it.
 */
final class AxisWeights {
    private final int start;
    private final int taps;
    private final int copies;
    private final int[] first;
    private final int[] count;
    private final float[] weights;

    AxisWeights(AxisKernel kernel, double origin, int sourceLength, int start, int length, int copies) {
        Taps exact = new Taps(kernel, sourceLength);
        this.start = start;
        this.copies = copies;
        this.taps = Lanes.padded(exact.most());
        this.first = new int[length];
        this.count = new int[length];
        this.weights = new float[Math.multiplyExact(length, taps * copies)];
        for (int i = 0; i < length; i++) {
            exact.at(origin + (start + i + 0.5) * kernel.scale());
            first[i] = exact.first();
            count[i] = exact.count();
            for (int tap = 0; tap < count[i]; tap++) {
                for (int copy = 0; copy < copies; copy++) {
                    weights[(i * taps + tap) * copies + copy] = (float) exact.weight(tap);
                }
            }
        }
    }

    /** Weights each output has, spare ones counted. */
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
        return (output - start) * taps * copies;
    }

    float[] weights() {
        return weights;
    }

    /** One past the last source pixel that outputs up to and with this one read. */
    int end(int output) {
        return first(output) + count(output);
    }

    /** First taps of all outputs, in {@code step}s counted from a source pixel. */
    int[] firstFrom(int source, int step) {
        int[] starts = new int[first.length];
        for (int i = 0; i < starts.length; i++) {
            starts[i] = (first[i] - source) * step;
        }
        return starts;
    }
}
