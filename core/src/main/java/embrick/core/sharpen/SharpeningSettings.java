package embrick.core.sharpen;

/**
 * How finished pixels are sharpened: {@code out = in + amount · spared(Y − G(Y))}, where Y is luminance, G a Gaussian blur, and
 * {@code spared} takes {@code threshold} off both sides of 0, so that what is flatter than the threshold stays as it is.
 *
 * @param amount 0 is none; 2, the most, adds twice the difference
 * @param sigmaPixels of the Gaussian, in output pixels
 * @param threshold of luminance, 0 to 1
 */
public record SharpeningSettings(double amount, double sigmaPixels, double threshold) {
    public static final double MOST_AMOUNT = 2;
    /** Narrower, a Gaussian hardly reaches the next pixel. */
    public static final double LEAST_SIGMA = 0.3;

    public static final double MOST_SIGMA = 1000;

    public SharpeningSettings {
        require("amount", amount, 0, MOST_AMOUNT);
        require("sigmaPixels", sigmaPixels, LEAST_SIGMA, MOST_SIGMA);
        require("threshold", threshold, 0, 1);
    }

    private static void require(String name, double value, double low, double high) {
        if (!(value >= low && value <= high)) {
            throw new IllegalArgumentException(name + ": expected " + low + " to " + high + ", got " + value);
        }
    }
}
