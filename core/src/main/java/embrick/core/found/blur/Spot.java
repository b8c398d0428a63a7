package embrick.core.found.blur;

import java.util.Arrays;

/**
 * A small square of a picture's luminance, in its own pixels.
 *
 * <p>Shapes: {@code tones} is side × side, row-major. Units: 0..1 of the encoding.
 */
public record Spot(int side, float[] tones) {
    private static final double SMALL = 0.7;
    /** 1 − 2 z φ(z) / 0.7, where z = 1.0364 holds 0.7 of a normal distribution between −z and z. */
    private static final double SQUARES_OF_SMALL = 0.3097;

    public Spot {
        if (tones.length < side * side || side < 2) {
            throw new IllegalArgumentException("tones: expected " + side + " × " + side + ", got " + tones.length);
        }
    }

    float at(int x, int y) {
        return tones[y * side + x];
    }

    /**
     * The deviation of its grain, from the diagonal differences of 2 × 2 pixels, in the way of Donoho and Johnstone, "Ideal
     * spatial adaptation by wavelet shrinkage" (1994). Edges make large ones: the mean square of the smallest seven tenths
     * counts, which of a normal distribution is {@link #SQUARES_OF_SMALL} of its variance. A median of differences would
     * stand on whole steps of 8 bits.
     */
    double grain() {
        double[] squares = new double[(side / 2) * (side / 2)];
        int count = 0;
        for (int y = 0; y + 1 < side; y += 2) {
            for (int x = 0; x + 1 < side; x += 2) {
                double difference = (at(x, y) - at(x + 1, y) - at(x, y + 1) + at(x + 1, y + 1)) / 2;
                squares[count++] = difference * difference;
            }
        }
        Arrays.sort(squares);
        int small = Math.max(1, (int) (count * SMALL));
        return Math.sqrt(Arrays.stream(squares, 0, small).average().orElse(0) / SQUARES_OF_SMALL);
    }
}
