package embrick.core.sharpen;

import java.util.Optional;

/** How finished pixels are sharpened, on luminance, in output pixels. */
public sealed interface SharpeningSettings permits UnsharpMasking, Deconvolution {
    /** The σ of the Gaussian that it works with, in output pixels; of a movement, that of a line as long. */
    double sigmaPixels();

    /** The same on pixels that are so many times larger; empty where it would be too narrow to do anything there. */
    Optional<SharpeningSettings> reduced(double reduction);

    static void require(String name, double value, double low, double high) {
        if (!(value >= low && value <= high)) {
            throw new IllegalArgumentException(name + ": expected " + low + " to " + high + ", got " + value);
        }
    }
}
