package embrick.bench;

import embrick.core.colour.Encoding;
import embrick.core.pixels.Orientation;
import embrick.core.pixels.PixelRect;
import embrick.core.pixels.Raster;
import embrick.core.resample.Method;
import embrick.core.resample.Resampler;
import embrick.core.resample.Resampling;
import embrick.core.resample.Window;
import embrick.core.units.PixelSize;
import java.util.Map;

/** Resampling alone, of pixels that are in memory. */
final class StageWorks {
    private final Bed bed;

    StageWorks(Bed bed) {
        this.bed = bed;
    }

    void addTo(Map<String, Work.Making> works) {
        works.put("stage", () -> stage(0, Method.LANCZOS3));
        works.put("magnify", this::magnify);
        works.put("tilted", () -> stage(2, Method.LANCZOS3));
        works.put("tilted-bilinear", () -> stage(2, Method.BILINEAR));
        works.put("circular", () -> stage(0, Method.CIRCULAR_LANCZOS));
        for (int megapixels : new int[] {7, 50, 380}) {
            works.put("enlarge-" + megapixels, () -> enlarge(megapixels, Method.LANCZOS3));
        }
        works.put("doubled", () -> enlarge(24, Method.LANCZOS3));
        works.put("learned", () -> enlarge(24, Method.LEARNED));
    }

    /** A method alone, 20 to 7.2 MP. */
    private Work stage(double tilt, Method method) {
        Raster raster = bed.noise(5000, 4000);
        Window window = new Window(Orientation.UPRIGHT, new PixelSize(3000, 2400), 2500, 2000, 5000 / 3000.0, tilt);
        int warmUps = method == Method.CIRCULAR_LANCZOS ? 3 : 20;
        return new Work(warmUps, () -> resample(raster, window, method));
    }

    /** Lanczos alone, 2 to 7.2 MP. */
    private Work magnify() {
        Raster raster = bed.noise(1600, 1280);
        Window window = new Window(Orientation.UPRIGHT, new PixelSize(3000, 2400), 800, 640, 1600 / 3000.0, 0);
        return new Work(20, () -> resample(raster, window, Method.LANCZOS3));
    }

    /** Twice as large, so that 380 MP of output come from 95 MP of source. */
    private Work enlarge(int megapixels, Method method) {
        int height = (int) Math.round(Math.sqrt(megapixels * 1e6 / 1.5) / 2);
        int width = height * 3 / 2;
        Raster raster = bed.noise(width, height);
        Window window = new Window(
                Orientation.UPRIGHT, new PixelSize(width * 2, height * 2), width / 2.0, height / 2.0, 0.5, 0);
        int warmUps = method.isLearned() ? 2 : Math.max(1, 200 / megapixels);
        return new Work(warmUps, () -> resample(raster, window, method));
    }

    private static void resample(Raster raster, Window window, Method method) {
        Resampler resampler =
                Resampler.of(raster, window, Resampling.by(method), Resampler.LastChannel.COLOUR, Encoding.srgb());
        int rows = 64;
        float[] strip = new float[rows * window.output().width() * 3];
        for (int y = 0; y < window.output().height(); y += rows) {
            int count = Math.min(rows, window.output().height() - y);
            resampler.render(new PixelRect(0, y, window.output().width(), count), strip, 0);
        }
    }
}
