package embrick.bench.train;

import embrick.bench.train.TrainingPhotographs.Photograph;
import embrick.core.pixels.PixelRect;
import embrick.core.pixels.Raster;
import embrick.core.resample.Method;
import embrick.core.units.PixelSize;
import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;

/** Photographs in pairs of large and half as large: at several sizes, halved by several kernels. */
final class Pairs {
    /** Longer sides that photographs are brought to before they are halved; 0: as they are, their middle of 2048 × 1536. */
    private static final int[] SIZES = {0, 2400, 1200, 700};

    /**
     * Half by Lanczos: how much crispness a soft edge has lost depends on who halved it, which cannot be seen, and where Lanczos 3
     * would have been nearly right too much of it does most harm.
     */
    private static final Method[] KERNELS = {Method.LANCZOS3, Method.LANCZOS3, Method.KEYS, Method.AREA};

    private static final PixelSize MIDDLE = new PixelSize(2048, 1536);
    private static final int LEAST_QUALITY = 60;
    private static final int MOST_QUALITY = 92;

    private final boolean isJpeg;

    /** @param isJpeg whether the small ones went through JPEG of quality 60 to 92, drawn by lot */
    Pairs(boolean isJpeg) {
        this.isJpeg = isJpeg;
    }

    /** @param off mean square of what Lanczos 3 makes of the small one, less the large one */
    record Pair(Luminance small, Luminance large, double off) {}

    List<Pair> of(List<Photograph> photographs) throws IOException {
        List<Pair> pairs = new ArrayList<>();
        for (Photograph photograph : photographs) {
            Random lot = new Random(photograph.name().hashCode());
            try (Raster whole = Reductions.read(photograph.file())) {
                for (int size : SIZES) {
                    add(whole, size, lot, pairs);
                }
            }
        }
        return pairs;
    }

    private void add(Raster whole, int longer, Random lot, List<Pair> pairs) throws IOException {
        int longest = Math.max(whole.stored().width(), whole.stored().height());
        if (longer > longest) {
            return;
        }
        try (Raster large =
                longer == 0 ? Reductions.middle(whole, MIDDLE) : reduced(whole, (double) longer / longest)) {
            Luminance of = Luminance.of(large);
            PixelSize half = new PixelSize(of.width() / 2, of.height() / 2);
            for (Method kernel : KERNELS) {
                try (Raster halved = Reductions.scaled(large, half, kernel);
                        Raster small = isJpeg
                                ? Reductions.throughJpeg(
                                        halved, LEAST_QUALITY + lot.nextInt(MOST_QUALITY - LEAST_QUALITY + 1))
                                : Reductions.part(halved, PixelRect.whole(half));
                        Raster plain = Reductions.scaled(small, large.stored(), Method.LANCZOS3)) {
                    pairs.add(new Pair(Luminance.of(small), of, off(Luminance.of(plain), of)));
                }
            }
        }
    }

    private static Raster reduced(Raster whole, double scale) {
        int width = (int) (whole.stored().width() * scale) & ~1;
        int height = (int) (whole.stored().height() * scale) & ~1;
        return Reductions.scaled(whole, new PixelSize(width, height), Method.LANCZOS3);
    }

    private static double off(Luminance one, Luminance other) {
        double sum = 0;
        for (int y = 0; y < one.height(); y++) {
            for (int x = 0; x < one.width(); x++) {
                double off = one.at(x, y) - other.at(x, y);
                sum += off * off;
            }
        }
        return sum / one.width() / one.height();
    }
}
