package embrick.core.sharpen;

import java.util.Optional;

/**
 * Unsharp masking: {@code out = in + amount · spared(Y − G(Y))}, where Y is luminance, G a Gaussian blur, and {@code spared}
 * takes {@code threshold} off both sides of 0, so that what is flatter than the threshold stays as it is.
 *
 * @param amount 0 is none; 2, the most, adds twice the difference
 * @param sigmaPixels of the Gaussian, in output pixels
 * @param threshold of luminance, 0 to 1
 */
public record UnsharpMasking(double amount, double sigmaPixels, double threshold) implements SharpeningSettings {
    public static final double MOST_AMOUNT = 2;
    /** Narrower, a Gaussian hardly reaches the next pixel. */
    public static final double LEAST_SIGMA = 0.3;

    public static final double MOST_SIGMA = 1000;

    public UnsharpMasking {
        SharpeningSettings.require("amount", amount, 0, MOST_AMOUNT);
        SharpeningSettings.require("sigmaPixels", sigmaPixels, LEAST_SIGMA, MOST_SIGMA);
        SharpeningSettings.require("threshold", threshold, 0, 1);
    }

    @Override
    public Optional<SharpeningSettings> reduced(double reduction) {
        double sigma = sigmaPixels / reduction;
        return sigma < LEAST_SIGMA ? Optional.empty() : Optional.of(new UnsharpMasking(amount, sigma, threshold));
    }
}
