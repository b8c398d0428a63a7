package embrick.core.resample;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import embrick.core.pixels.Orientation;
import embrick.core.pixels.PixelRect;
import embrick.core.pixels.Raster;
import embrick.core.pixels.Strip;
import embrick.core.resample.Resampler.LastChannel;
import embrick.core.units.PixelSize;
import java.lang.foreign.ValueLayout;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;

class ResamplerTest {
    /** Half a count of 8 bits: what rounding for output forgives. */
    private static final double HALF_COUNT = 0.5 / 255;

    private static Raster noise(int width, int height, int channels, int bytesPerSample) {
        Raster raster = Raster.allocate(new PixelSize(width, height), channels, bytesPerSample);
        Random random = new Random(width * 31L + height);
        for (long i = 0; i < raster.samples().byteSize(); i++) {
            raster.samples().set(ValueLayout.JAVA_BYTE, i, (byte) random.nextInt(256));
        }
        return raster;
    }

    private static float[] render(Raster raster, Window window) {
        float[] into = new float[(int) window.output().pixels() * raster.channels()];
        Resampler.of(raster, window, Kernel.LANCZOS3, LastChannel.COLOUR)
                .render(PixelRect.whole(window.output()), into);
        return into;
    }

    private static Window window(Raster raster, Orientation seenAs, PixelSize output, double scale, double tilt) {
        PixelSize seen = seenAs.seenSize(raster.stored());
        return new Window(seenAs, output, seen.width() * 0.48, seen.height() * 0.53, scale, tilt);
    }

    @ParameterizedTest
    @CsvSource({"0, 1", "0.5, 0.607927", "1, 0", "1.5, -0.135095", "2, 0", "2.5, 0.024317", "3, 0", "-0.5, 0.607927"})
    void lanczosAsItsFormulaSays(double x, double value) {
        // sinc(x)·sinc(x/3); six decimals by the formula.
        assertThat(Kernel.LANCZOS3.at(x)).isCloseTo(value, within(5e-7));
        assertThat((double) new KernelTable(Kernel.LANCZOS3).at(x)).isCloseTo(value, within(1e-6));
    }

    /** At most 1 count of 255 anywhere, and at most 0.1 % of samples differ at all. */
    @ParameterizedTest
    @CsvSource({
        "0.08, 0",
        "0.3, 0",
        "0.77, 0",
        "1, 0",
        "1.25, 0",
        "2, 0",
        "3.7, 0",
        "12, 0",
        "0.3, 0.3",
        "0.77, 5",
        "1, 37",
        "1.25, -5",
        "2, 0.3",
        "3.7, -37",
        "12, 5"
    })
    void agreesWithTheDirectSum(double scale, double tilt) {
        try (Raster raster = noise(211, 173, 3, 1)) {
            // Centres stay over the picture, as every plan's do.
            int width = Math.min(61, (int) (140 / scale));
            int height = Math.min(47, (int) (110 / scale));
            Window window = window(raster, Orientation.UPRIGHT, new PixelSize(width, height), scale, tilt);
            float[] got = render(raster, window);
            long differ = 0;
            for (int y = 0; y < height; y++) {
                for (int x = 0; x < width; x++) {
                    double[] exact = DirectSum.pixel(raster, window, Kernel.LANCZOS3, x, y);
                    for (int c = 0; c < 3; c++) {
                        int ours = Strip.toByte(got[(y * width + x) * 3 + c]);
                        int reference = (int) Math.clamp(Math.floor(exact[c] * 255 + 0.5), 0, 255);
                        assertThat(ours).isCloseTo(reference, within(1));
                        differ += ours == reference ? 0 : 1;
                    }
                }
            }
            assertThat(differ).isLessThanOrEqualTo(width * height * 3 / 1000);
        }
    }

    @ParameterizedTest
    @EnumSource(Orientation.class)
    void agreesWithTheDirectSumEitherWayUp(Orientation orientation) {
        try (Raster raster = noise(120, 80, 1, 2)) {
            for (double tilt : new double[] {0, 3}) {
                Window window = window(raster, orientation, new PixelSize(31, 29), 1.7, tilt);
                float[] got = render(raster, window);
                for (int at = 0; at < got.length; at += 7) {
                    double[] exact = DirectSum.pixel(raster, window, Kernel.LANCZOS3, at % 31, at / 31);
                    assertThat((double) got[at]).isCloseTo(exact[0], within(2.0 / 65535));
                }
            }
        }
    }

    @ParameterizedTest
    @CsvSource({"0.3, 0", "1.9, 0", "7, 0", "0.3, 4", "1.9, 4", "7, 30"})
    void aFlatFieldStaysExact(double scale, double tilt) {
        try (Raster raster = Raster.allocate(new PixelSize(90, 70), 3, 1)) {
            raster.samples().fill((byte) 201);
            // Also where the kernel hangs over the rim: dropped taps are renormalised.
            Window window = new Window(Orientation.UPRIGHT, new PixelSize(50, 40), 20, 15, scale, tilt);
            for (float sample : render(raster, window)) {
                assertThat(Strip.toByte(sample)).isEqualTo(201);
            }
        }
    }

    @Test
    void aRampStaysWhereItIs() {
        // Within 0.03 of a source pixel, away from the rim.
        try (Raster raster = Raster.allocate(new PixelSize(256, 16), 1, 2)) {
            for (int i = 0; i < 256 * 16; i++) {
                raster.samples().setAtIndex(ValueLayout.JAVA_SHORT, i, (short) (i % 256 * 200));
            }
            for (double scale : new double[] {0.4, 1, 1.5, 2.6}) {
                Window window = new Window(Orientation.UPRIGHT, new PixelSize(60, 4), 128, 8, scale, 0);
                float[] got = render(raster, window);
                for (int x = 0; x < 60; x++) {
                    double source = got[x] * 65535 / 200 + 0.5;
                    assertThat(source).isCloseTo(window.seenX(x + 0.5, 2), within(0.03));
                }
            }
        }
    }

    @Test
    void atScaleOneOnWholePixelsNothingIsChanged() {
        try (Raster raster = noise(64, 48, 3, 1)) {
            Window window = new Window(Orientation.UPRIGHT, new PixelSize(20, 10), 30, 25, 1, 0);
            float[] got = render(raster, window);
            float[] original = new float[20 * 10 * 3];
            raster.readSeen(Orientation.UPRIGHT, 20, 20, 20, 10, original);
            for (int i = 0; i < got.length; i++) {
                assertThat((double) got[i]).isCloseTo(original[i], within(1e-6));
            }
        }
    }

    @ParameterizedTest
    @CsvSource({"2.3, 0, UPRIGHT", "0.6, 0, QUARTER_RIGHT", "2.3, 6, UPRIGHT", "0.6, -11, QUARTER_LEFT"})
    void anyRegionHasTheSameSamples(double scale, double tilt, Orientation seenAs) {
        try (Raster raster = noise(300, 260, 3, 1)) {
            Window window = window(raster, seenAs, new PixelSize(97, 89), scale, tilt);
            float[] whole = render(raster, window);
            Resampler again = Resampler.of(raster, window, Kernel.LANCZOS3, LastChannel.COLOUR);
            for (PixelRect region : new PixelRect[] {
                new PixelRect(0, 0, 97, 13), new PixelRect(0, 13, 97, 13), new PixelRect(5, 61, 31, 1),
                new PixelRect(0, 0, 97, 89), new PixelRect(96, 88, 1, 1), new PixelRect(40, 3, 57, 70)
            }) {
                float[] part = new float[region.width() * region.height() * 3];
                again.render(region, part);
                for (int y = 0; y < region.height(); y++) {
                    for (int i = 0; i < region.width() * 3; i++) {
                        float expected = whole[((region.y() + y) * 97 + region.x()) * 3 + i];
                        assertThat(part[y * region.width() * 3 + i]).isEqualTo(expected);
                    }
                }
            }
        }
    }

    @Test
    void seeThroughPixelsDoNotBleedTheirColour() {
        // Left half opaque blue, right half see-through red: no red may appear in what is seen.
        try (Raster raster = Raster.allocate(new PixelSize(40, 40), 4, 1)) {
            for (int i = 0; i < 1600; i++) {
                boolean left = i % 40 < 20;
                raster.samples().setAtIndex(ValueLayout.JAVA_INT, i, left ? 0xFFFF0000 : 0x000000FF);
            }
            Window window = new Window(Orientation.UPRIGHT, new PixelSize(20, 20), 20, 20, 2, 0);
            float[] got = new float[20 * 20 * 4];
            Resampler.of(raster, window, Kernel.LANCZOS3, LastChannel.ALPHA)
                    .render(PixelRect.whole(window.output()), got);
            for (int i = 0; i < 400; i++) {
                assertThat((double) got[i * 4]).as("premultiplied red").isCloseTo(0, within(HALF_COUNT));
            }
        }
    }
}
