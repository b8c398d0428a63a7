package embrick.core.resample;

import embrick.core.pixels.Raster;
import embrick.core.units.PixelSize;

/** The resampler's definition in double precision: for each output pixel the plain sum over all its taps. */
final class DirectSum {
    private DirectSum() {}

    /** One output pixel of an upright picture, all channels. */
    static double[] pixel(Raster original, Window window, Kernel kernel, int x, int y) {
        double stretch = Math.max(1, window.scale());
        double radius = kernel.support() * stretch;
        double seenX = window.seenX(x + 0.5, y + 0.5);
        double seenY = window.seenY(x + 0.5, y + 0.5);
        PixelSize seen = window.seenAs().seenSize(original.stored());
        int channels = original.channels();
        double[] sum = new double[channels];
        double weights = 0;
        float[] one = new float[channels];
        for (int j = (int) Math.floor(seenY - radius) - 1; j <= seenY + radius + 1; j++) {
            for (int i = (int) Math.floor(seenX - radius) - 1; i <= seenX + radius + 1; i++) {
                if (i < 0 || j < 0 || i >= seen.width() || j >= seen.height()) {
                    continue;
                }
                double w = kernel.at((i + 0.5 - seenX) / stretch) * kernel.at((j + 0.5 - seenY) / stretch);
                if (w == 0) {
                    continue;
                }
                original.readSeen(window.seenAs(), i, j, 1, 1, one);
                weights += w;
                for (int c = 0; c < channels; c++) {
                    sum[c] += w * one[c];
                }
            }
        }
        for (int c = 0; c < channels; c++) {
            sum[c] /= weights;
        }
        return sum;
    }
}
