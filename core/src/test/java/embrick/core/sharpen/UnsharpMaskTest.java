package embrick.core.sharpen;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import embrick.core.colour.Encoding;
import embrick.core.pixels.PixelRect;
import embrick.core.pixels.PixelSource;
import embrick.core.units.PixelSize;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class UnsharpMaskTest {
    private static PixelSource source(float[] pixels, PixelSize size, int channels) {
        return (region, into, at) -> {
            int row = region.width() * channels;
            for (int y = 0; y < region.height(); y++) {
                int from = ((region.y() + y) * size.width() + region.x()) * channels;
                System.arraycopy(pixels, from, into, at + y * row, row);
            }
        };
    }

    private static Sharpened sharpening(
            double amount, double sigma, double threshold, float[] pixels, PixelSize size, int channels) {
        return new Sharpened(
                new UnsharpMasking(amount, sigma, threshold),
                size,
                channels,
                Encoding.srgb(),
                source(pixels, size, channels));
    }

    private static float[] whole(Sharpened sharpening, PixelSize size, int channels) {
        float[] into = new float[(int) size.pixels() * channels];
        sharpening.render(PixelRect.whole(size), into, 0);
        return into;
    }

    private static float[] step(PixelSize size, float low, float high) {
        float[] pixels = new float[(int) size.pixels()];
        for (int i = 0; i < pixels.length; i++) {
            pixels[i] = i % size.width() < size.width() / 2 ? low : high;
        }
        return pixels;
    }

    /** Share of a discrete Gaussian's weight at and beyond k pixels on one side: what a step's far side takes away. */
    private static double tail(double sigma, int k) {
        double all = 0;
        double beyond = 0;
        for (int x = -60; x <= 60; x++) {
            double weight = Math.exp(-x * x / (2 * sigma * sigma));
            all += weight;
            beyond += x >= k ? weight : 0;
        }
        return beyond / all;
    }

    /**
     * On a step of height h the pixel beside the edge differs from its blurred value by h · tail(1), the next by h · tail(2);
     * sharpening adds amount times that.
     */
    @ParameterizedTest
    @CsvSource({"0.6, 1.0", "1, 2.0", "2, 0.7", "0.4, 5"})
    void theOvershootOfAStepIsWhatItsArithmeticSays(double amount, double sigma) {
        PixelSize size = new PixelSize(128, 64);
        Sharpened sharpening = sharpening(amount, sigma, 0, step(size, 0.4f, 0.5f), size, 1);
        float[] sharpened = whole(sharpening, size, 1);
        int middle = 32 * 128 + 64;
        // The blur is cut off at 3.5 σ: 0.05 % of its weight.
        double tolerance = 0.1 * amount * 1e-3;
        assertThat(sharpened[middle] - 0.5).isCloseTo(0.1 * amount * tail(sigma, 1), within(tolerance));
        assertThat(sharpened[middle + 1] - 0.5).isCloseTo(0.1 * amount * tail(sigma, 2), within(tolerance));
        assertThat(0.4 - sharpened[middle - 1]).isCloseTo(0.1 * amount * tail(sigma, 1), within(tolerance));
        // Contours are counted from a tenth of the range; the figure is given in half per cents.
        assertThat(sharpening.halo().percent()).isCloseTo(100 * amount * tail(sigma, 1), within(0.5));
        assertThat(sharpening.halo().isNoticed()).isEqualTo(sharpening.halo().percent() > 25);
    }

    @Test
    void theThresholdIsTakenOffAndWhatIsFlatterStays() {
        PixelSize size = new PixelSize(64, 48);
        Random random = new Random(3);
        float[] noise = new float[(int) size.pixels()];
        for (int i = 0; i < noise.length; i++) {
            noise[i] = 0.5f + (random.nextFloat() - 0.5f) * 0.018f;
        }
        assertThat(whole(sharpening(2, 1.5, 0.02, noise, size, 1), size, 1)).isEqualTo(noise);
        float[] sharpened = whole(sharpening(1, 1, 0.01, step(size, 0.4f, 0.6f), size, 1), size, 1);
        assertThat(sharpened[20 * 64 + 32] - 0.6).isCloseTo(0.2 * tail(1, 1) - 0.01, within(1e-3));
    }

    @Test
    void allChannelsGetTheSame() {
        PixelSize size = new PixelSize(40, 30);
        float[] pixels = new float[40 * 30 * 3];
        for (int i = 0; i < 1200; i++) {
            boolean left = i % 40 < 20;
            pixels[i * 3] = left ? 0.6f : 0.3f;
            pixels[i * 3 + 1] = left ? 0.4f : 0.5f;
            pixels[i * 3 + 2] = 0.5f;
        }
        float[] sharpened = whole(sharpening(1, 1, 0, pixels, size, 3), size, 3);
        // Luminance rises by −0.3·0.2225 + 0.1·0.7169 = 0.00494 from left to right.
        double expected = 0.00494 * tail(1, 1);
        for (int c = 0; c < 3; c++) {
            int at = (15 * 40 + 20) * 3 + c;
            assertThat(sharpened[at] - pixels[at]).isCloseTo((float) expected, within(2e-5f));
        }
    }

    @Test
    void resultsAreClippedToTheRange() {
        PixelSize size = new PixelSize(64, 32);
        float[] sharpened = whole(sharpening(2, 1, 0, step(size, 0, 1), size, 1), size, 1);
        for (float value : sharpened) {
            assertThat(value).isBetween(0f, 1f);
        }
    }

    /** The blur beside its definition: a double-precision sum over the whole plane, normalised where the plane ends. */
    @ParameterizedTest
    @CsvSource({"0.5, 0.0006", "2.3, 0.0006", "7.9, 0.0006", "8, 0.002", "13, 0.002", "31, 0.004"})
    void blurKeepsToTheGaussian(double sigma, double tolerance) {
        int width = 141;
        int height = 117;
        Random random = new Random(1);
        float[] plane = new float[width * height];
        for (int i = 0; i < plane.length; i++) {
            plane[i] = i / width < 60 == i % width < 50 ? 0.9f : random.nextFloat() * 0.2f;
        }
        GaussianBlur blur = new GaussianBlur(sigma, width, height);
        blur.from(0, width, 0, height);
        for (int y = 0; y < height; y++) {
            blur.feed(plane, y * width);
        }
        float[] row = new float[width];
        // Blocks are cut by the rim, which a wide blur feels: inside, straight lines between blocks cost up to 0.5 % of
        // a
        // contrast of 0.9.
        int margin = sigma < GaussianBlur.WIDE_FROM ? 0 : 20;
        for (int y = margin; y < height - margin; y += 13) {
            blur.row(y, 0, width, row);
            for (int x = margin; x < width - margin; x += 7) {
                assertThat((double) row[x]).isCloseTo(exact(plane, width, height, sigma, x, y), within(tolerance));
            }
        }
    }

    private static double exact(float[] plane, int width, int height, double sigma, int x, int y) {
        double sum = 0;
        double weights = 0;
        for (int j = 0; j < height; j++) {
            for (int i = 0; i < width; i++) {
                double square = (double) (i - x) * (i - x) + (double) (j - y) * (j - y);
                double weight = Math.exp(-square / (2 * sigma * sigma));
                sum += weight * plane[j * width + i];
                weights += weight;
            }
        }
        return sum / weights;
    }
}
