package embrick.core.resample;

/**
 * The weights of one axis for a range of output positions.
 *
 * <p>Output i stands at source position {@code origin + (i + ½) · scale}; its taps are the source pixels whose centres lie
 * within support · max(1, scale) of it, weighed by the kernel stretched by max(1, scale), so that shrinking is
 * antialiased. Taps beyond the picture's rim are dropped and the rest renormalised to 1 in double precision.
 */
final class AxisWeights {
    private final int start;
    private final int stride;
    private final int[] first;
    private final int[] count;
    private final float[] weights;

    AxisWeights(Kernel kernel, double origin, double scale, int sourceLength, int start, int length) {
        double stretch = Math.max(1, scale);
        double radius = kernel.support() * stretch;
        this.start = start;
        this.stride = (int) Math.ceil(radius) * 2 + 1;
        this.first = new int[length];
        this.count = new int[length];
        this.weights = new float[length * stride];
        double[] exact = new double[stride];
        for (int i = 0; i < length; i++) {
            double position = origin + (start + i + 0.5) * scale;
            int from = Math.clamp((long) Math.ceil(position - radius - 0.5), 0, sourceLength - 1);
            int to = Math.clamp((long) Math.floor(position + radius - 0.5), from, sourceLength - 1);
            double sum = 0;
            for (int tap = from; tap <= to; tap++) {
                exact[tap - from] = kernel.at((tap + 0.5 - position) / stretch);
                sum += exact[tap - from];
            }
            if (Math.abs(sum) < 1e-6) {
                // Only a position wholly outside the picture: it takes the rim.
                java.util.Arrays.fill(exact, 0);
                exact[position < 0 ? 0 : to - from] = 1;
                sum = 1;
            }
            first[i] = from;
            count[i] = to - from + 1;
            for (int tap = 0; tap < count[i]; tap++) {
                weights[i * stride + tap] = (float) (exact[tap] / sum);
            }
        }
    }

    int first(int output) {
        return first[output - start];
    }

    int count(int output) {
        return count[output - start];
    }

    /** Where this output's weights begin in {@link #weights()}. */
    int at(int output) {
        return (output - start) * stride;
    }

    float[] weights() {
        return weights;
    }

    /** One past the last source pixel that outputs up to and with this one read. */
    int end(int output) {
        return first(output) + count(output);
    }
}
