package embrick.core.resample;

import embrick.core.pixels.Orientation;
import embrick.core.pixels.PixelRect;
import java.util.function.Function;

/**
 * For originals that lie on their side: interpolates along the file's own rows and turns what comes of it, which is mostly
 * far less than what went in, and lies in the nearest caches. Read the other way, each row of the picture touches every row
 * of the file.
 */
final class TurnedResampler implements Resampler {
    private static final int TILE = 16;

    private final Resampler lying;
    private final int channels;
    private float[] samples = new float[0];

    private TurnedResampler(Resampler lying, int channels) {
        this.lying = lying;
        this.channels = channels;
    }

    /** @param path makes the resampler of a window that reads along the file's rows */
    static Resampler of(Window window, int channels, Function<Window, Resampler> path) {
        if (!window.seenAs().swapsAxes()) {
            return path.apply(window);
        }
        // Rows for columns: what turned clockwise turns the other way.
        Window lying = new Window(
                window.seenAs().then(Orientation.TRANSPOSED),
                window.output().turned(),
                window.centreY(),
                window.centreX(),
                window.scale(),
                -window.tiltDegrees());
        return new TurnedResampler(path.apply(lying), channels);
    }

    @Override
    public void render(PixelRect region, float[] into, int at) {
        int length = Math.multiplyExact(Math.multiplyExact(region.width(), region.height()), channels);
        if (samples.length < length) {
            samples = new float[length];
        }
        lying.render(new PixelRect(region.y(), region.x(), region.height(), region.width()), samples, 0);
        for (int x = 0; x < region.width(); x += TILE) {
            int columns = Math.min(TILE, region.width() - x);
            for (int y = 0; y < region.height(); y++) {
                turn(
                        (x * region.height() + y) * channels,
                        region.height() * channels,
                        columns,
                        into,
                        at + (y * region.width() + x) * channels);
            }
        }
    }

    /** Pixels below each other go beside each other; those of the next row lie in the same lines of the cache. */
    private void turn(int from, int apart, int count, float[] into, int at) {
        if (channels == 3) {
            for (int i = 0, one = from, to = at; i < count; i++, one += apart, to += 3) {
                into[to] = samples[one];
                into[to + 1] = samples[one + 1];
                into[to + 2] = samples[one + 2];
            }
            return;
        }
        for (int i = 0; i < count; i++) {
            System.arraycopy(samples, from + i * apart, into, at + i * channels, channels);
        }
    }
}
