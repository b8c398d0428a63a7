package embrick.core.resample;

import embrick.core.pixels.Raster;
import embrick.core.units.PixelSize;

/**
 * The resampler's definition in double precision: for each output pixel the plain sum over all source pixels near it. It
 * shares nothing with the resamplers but the kernels' formulas, which are held against published values.
 */
final class DirectSum {
    private final Raster original;
    private final Window window;
    private final Method method;
    private final double stretch;

    DirectSum(Raster original, Window window, Method method) {
        this.original = original;
        this.window = window;
        this.method = method;
        this.stretch = Math.max(1, window.scale());
    }

    /** One output pixel, all channels. */
    double[] pixel(int x, int y) {
        double seenX = window.seenX(x + 0.5, y + 0.5);
        double seenY = window.seenY(x + 0.5, y + 0.5);
        double reach = 3.3 * stretch + 2;
        PixelSize seen = window.seenAs().seenSize(original.stored());
        int channels = original.channels();
        double[] sum = new double[channels];
        double weights = 0;
        float[] one = new float[channels];
        for (int j = (int) Math.floor(seenY - reach); j <= seenY + reach; j++) {
            for (int i = (int) Math.floor(seenX - reach); i <= seenX + reach; i++) {
                if (i < 0 || j < 0 || i >= seen.width() || j >= seen.height()) {
                    continue;
                }
                double w = weight(i + 0.5 - seenX, j + 0.5 - seenY);
                if (w == 0) {
                    continue;
                }
                original.readSeen(window.seenAs(), i, j, 1, 1, one, 0);
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

    private double weight(double dx, double dy) {
        return method == Method.CIRCULAR_LANCZOS ? Jinc.at(Math.hypot(dx, dy) / stretch) : weight(dx) * weight(dy);
    }

    private double weight(double d) {
        return switch (method) {
            case NEAREST -> Math.floor(0.5 - d) == 0 ? 1 : 0;
            case AREA -> {
                double left = Math.max(d - 0.5, -window.scale() / 2);
                double right = Math.min(d + 0.5, window.scale() / 2);
                yield Math.max(0, right - left);
            }
            case BILINEAR -> Kernel.TRIANGLE.at(d / stretch);
            case KEYS -> Kernel.KEYS.at(d / stretch);
            case MITCHELL -> Kernel.MITCHELL.at(d / stretch);
            case LANCZOS3 -> Kernel.LANCZOS3.at(d / stretch);
            case CIRCULAR_LANCZOS -> throw new AssertionError();
        };
    }

    /** The least and greatest source sample under the kernel's middle lobe. */
    double[] bounds(int x, int y, int channel) {
        double seenX = window.seenX(x + 0.5, y + 0.5);
        double seenY = window.seenY(x + 0.5, y + 0.5);
        PixelSize seen = window.seenAs().seenSize(original.stored());
        float[] one = new float[original.channels()];
        double low = 1;
        double high = 0;
        for (int j = 0; j < seen.height(); j++) {
            for (int i = 0; i < seen.width(); i++) {
                double dx = Math.abs(i + 0.5 - seenX) / stretch;
                double dy = Math.abs(j + 0.5 - seenY) / stretch;
                boolean inside = method == Method.CIRCULAR_LANCZOS
                        ? Math.hypot(dx, dy) <= 1.2196698912665045
                        : dx <= 1 && dy <= 1;
                if (inside) {
                    original.readSeen(window.seenAs(), i, j, 1, 1, one, 0);
                    low = Math.min(low, one[channel]);
                    high = Math.max(high, one[channel]);
                }
            }
        }
        return new double[] {low, high};
    }
}
