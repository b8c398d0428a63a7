package embrick.core.resample;

import embrick.core.pixels.Raster;
import embrick.core.units.PixelSize;
import java.util.stream.IntStream;

/**
 * The resampler's definition in double precision: for each output pixel the plain sum over all source pixels near it. It
 * shares nothing with the resamplers but the kernels' formulas, which are held against published values.
 */
final class DirectSum {
    /** Straight lines between points so near miss a curve of this kernel's bend by less than 1e-9. */
    private static final int PER_PIXEL = 50_000;

    private static final double[] JINC = IntStream.rangeClosed(0, (int) (3.3 * PER_PIXEL))
            .mapToDouble(i -> Jinc.at((double) i / PER_PIXEL))
            .toArray();

    private final Window window;
    private final Method method;
    private final double stretch;
    private final PixelSize seen;
    private final int channels;
    /** The original as it is seen, row after row. */
    private final float[] samples;

    DirectSum(Raster original, Window window, Method method) {
        this.window = window;
        this.method = method;
        this.stretch = Math.max(1, window.scale());
        this.seen = window.seenAs().seenSize(original.stored());
        this.channels = original.channels();
        this.samples = new float[seen.width() * seen.height() * channels];
        original.readSeen(window.seenAs(), 0, 0, seen.width(), seen.height(), samples, 0);
    }

    /** One output pixel, all channels. */
    double[] pixel(int x, int y) {
        double seenX = window.seenX(x + 0.5, y + 0.5);
        double seenY = window.seenY(x + 0.5, y + 0.5);
        double reach = 3.3 * stretch + 2;
        int left = Math.max(0, (int) Math.floor(seenX - reach));
        int right = Math.min(seen.width() - 1, (int) Math.floor(seenX + reach));
        int top = Math.max(0, (int) Math.floor(seenY - reach));
        int bottom = Math.min(seen.height() - 1, (int) Math.floor(seenY + reach));
        boolean isCircular = method == Method.CIRCULAR_LANCZOS;
        double[] across = new double[Math.max(0, right - left + 1)];
        for (int i = left; i <= right && !isCircular; i++) {
            across[i - left] = weight(i + 0.5 - seenX);
        }
        double[] sum = new double[channels];
        double weights = 0;
        for (int j = top; j <= bottom; j++) {
            double dy = j + 0.5 - seenY;
            double down = isCircular ? 0 : weight(dy);
            for (int i = left; i <= right; i++) {
                double w = isCircular ? circular(i + 0.5 - seenX, dy) : across[i - left] * down;
                weights += w;
                for (int c = 0; c < channels && w != 0; c++) {
                    sum[c] += w * samples[(j * seen.width() + i) * channels + c];
                }
            }
        }
        for (int c = 0; c < channels; c++) {
            sum[c] /= weights;
        }
        return sum;
    }

    /** The kernel's own formula takes microseconds and is needed a thousand million times: drawn straight between its points. */
    private double circular(double dx, double dy) {
        double at = Math.sqrt(dx * dx + dy * dy) / stretch * PER_PIXEL;
        int before = (int) at;
        return before + 1 >= JINC.length ? 0 : JINC[before] + (at - before) * (JINC[before + 1] - JINC[before]);
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
            case CIRCULAR_LANCZOS, LEARNED, LEARNED_SOFTENING -> throw new AssertionError();
        };
    }

    /** The least and greatest source sample under the kernel's middle lobe. */
    double[] bounds(int x, int y, int channel) {
        double seenX = window.seenX(x + 0.5, y + 0.5);
        double seenY = window.seenY(x + 0.5, y + 0.5);
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
                    float sample = samples[(j * seen.width() + i) * channels + channel];
                    low = Math.min(low, sample);
                    high = Math.max(high, sample);
                }
            }
        }
        return new double[] {low, high};
    }
}
