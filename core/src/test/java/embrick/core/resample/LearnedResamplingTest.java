package embrick.core.resample;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import embrick.core.colour.Encoding;
import embrick.core.found.JpegCoded;
import embrick.core.found.Photographs;
import embrick.core.found.SmallPixels;
import embrick.core.pixels.Orientation;
import embrick.core.pixels.PixelRect;
import embrick.core.pixels.Raster;
import embrick.core.pixels.Strip;
import embrick.core.resample.Resampler.LastChannel;
import embrick.core.resample.Resampling.Light;
import embrick.core.resample.Resampling.Ringing;
import embrick.core.units.PixelSize;
import java.io.IOException;
import java.lang.foreign.ValueLayout;
import java.nio.file.Path;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/**
 * Enlarging by learned filters. Photographs are from Debian's plasma-workspace-wallpapers, none that the filters were trained
 * on (docs/methods.md names them).
 */
class LearnedResamplingTest {
    private static final Encoding SRGB = Encoding.srgb();

    /** A tone for each pixel and channel, 0 to 255. */
    private interface Tones {
        double at(int x, int y, int channel);
    }

    private static Raster drawn(int width, int height, int channels, Tones tones) {
        Raster raster = Raster.allocate(new PixelSize(width, height), channels, 1);
        for (int y = 0; y < height; y++) {
            for (int x = 0; x < width; x++) {
                for (int c = 0; c < channels; c++) {
                    raster.samples().set(ValueLayout.JAVA_BYTE, (long) (y * width + x) * channels + c, (byte)
                            Math.clamp(Math.round(tones.at(x, y, c)), 0, 255));
                }
            }
        }
        return raster;
    }

    private static Raster noise(int width, int height, int channels) {
        Random random = new Random(width + height);
        return drawn(width, height, channels, (x, y, c) -> random.nextInt(256));
    }

    private static Window window(Raster raster, double enlarged, double tilt) {
        int width = (int) (raster.stored().width() * enlarged);
        int height = (int) (raster.stored().height() * enlarged);
        return new Window(
                Orientation.UPRIGHT,
                new PixelSize(width, height),
                raster.stored().width() / 2.0,
                raster.stored().height() / 2.0,
                1 / enlarged,
                tilt);
    }

    private static Resampler resampler(Raster raster, Window window, Method method) {
        return Resampler.of(
                raster, window, new Resampling(method, Light.ENCODED, Ringing.FREE), LastChannel.COLOUR, SRGB);
    }

    private static float[] render(Raster raster, Window window, Method method, PixelRect part) {
        float[] into = new float[part.width() * part.height() * raster.channels()];
        resampler(raster, window, method).render(part, into, 0);
        return into;
    }

    private static float[] render(Raster raster, double enlarged, Method method) {
        Window window = window(raster, enlarged, 0);
        return render(raster, window, method, PixelRect.whole(window.output()));
    }

    @ParameterizedTest
    @CsvSource({
        "LEARNED, 2, 0, 3",
        "LEARNED, 1.5, 0, 1",
        "LEARNED, 3.3, 0, 3",
        "LEARNED, 4, 0, 1",
        "LEARNED, 2, 7, 3",
        "LEARNED_SOFTENING, 2, 0, 3",
        "LEARNED_SOFTENING, 2.7, -41, 3"
    })
    void anyPartHasThePixelsOfTheWhole(Method method, double enlarged, double tilt, int channels) {
        try (Raster raster = noise(271, 133, channels)) {
            Window window = window(raster, enlarged, tilt);
            PixelSize size = window.output();
            float[] whole = render(raster, window, method, PixelRect.whole(size));
            for (PixelRect part : new PixelRect[] {
                new PixelRect(0, 0, size.width(), 3),
                new PixelRect(size.width() / 3, size.height() / 3, 41, 37),
                new PixelRect(size.width() - 9, size.height() - 70, 9, 70)
            }) {
                float[] got = render(raster, window, method, part);
                for (int i = 0; i < got.length; i++) {
                    int x = part.x() + i / channels % part.width();
                    int y = part.y() + i / channels / part.width();
                    assertThat(got[i]).isEqualTo(whole[(y * size.width() + x) * channels + i % channels]);
                }
            }
        }
    }

    @Test
    void evenPartsStayEven() {
        try (Raster raster = drawn(150, 120, 3, (x, y, c) -> 40 + 50 * c + (x < 75 ? 0 : 60))) {
            Window window = window(raster, 2, 0);
            float[] got = render(raster, window, Method.LEARNED, PixelRect.whole(window.output()));
            for (int y = 0; y < 240; y++) {
                for (int x = 0; x < 300; x++) {
                    for (int c = 0; c < 3 && Math.abs(x - 150) > 8; c++) {
                        assertThat((double) got[(y * 300 + x) * 3 + c])
                                .isCloseTo((40 + 50 * c + (x < 150 ? 0 : 60)) / 255.0, within(1e-5));
                    }
                }
            }
        }
    }

    /** Text, line art, a zone plate and noise: the luminance never leaves that of the pixels round it by more than is said. */
    @Test
    void nothingIsDrawnThatNeighboursDoNotHold() {
        for (Tones tones : new Tones[] {
            (x, y, c) -> (x / 3 + y / 5) % 2 == 0 ? 10 : 245,
            (x, y, c) -> 127.5 + 127.5 * Math.cos((x * x + y * y) / 90.0),
            (x, y, c) -> new Random(x * 977L + y).nextInt(256)
        }) {
            try (Raster raster = drawn(140, 110, 1, tones)) {
                float[] got = render(raster, 2, Method.LEARNED);
                for (int y = 0; y < 220; y++) {
                    for (int x = 0; x < 280; x++) {
                        double least = 1;
                        double most = 0;
                        for (int v = Math.max(0, y / 2 - 1); v <= Math.min(109, y / 2 + 1); v++) {
                            for (int u = Math.max(0, x / 2 - 1); u <= Math.min(139, x / 2 + 1); u++) {
                                double tone =
                                        Byte.toUnsignedInt(raster.samples().get(ValueLayout.JAVA_BYTE, v * 140L + u))
                                                / 255.0;
                                least = Math.min(least, tone);
                                most = Math.max(most, tone);
                            }
                        }
                        double beyond = (most - least) * DoubledBlock.BEYOND + 1e-5;
                        assertThat((double) got[y * 280 + x]).isBetween(least - beyond, most + beyond);
                    }
                }
            }
        }
    }

    /** For line art: no pixel is brighter or darker than the brightest and darkest of the nine round it, in any colour. */
    @ParameterizedTest
    @CsvSource({"LEARNED, 3", "LEARNED_SOFTENING, 3", "LEARNED, 1"})
    void whereRingingIsLimitedNoColourLeavesItsNine(Method method, int channels) {
        try (Raster raster = noise(130, 110, channels)) {
            Window window = window(raster, 2, 0);
            float[] got = new float[260 * 220 * channels];
            Resampler.of(
                            raster,
                            window,
                            new Resampling(method, Light.ENCODED, Ringing.LIMITED),
                            LastChannel.COLOUR,
                            SRGB)
                    .render(PixelRect.whole(window.output()), got, 0);
            for (int i = 0; i < got.length; i++) {
                int c = i % channels;
                int x = i / channels % 260 / 2;
                int y = i / channels / 260 / 2;
                double least = 1;
                double most = 0;
                for (int at = 0; at < 9; at++) {
                    double tone =
                            tone(raster, Math.clamp(x + at % 3 - 1, 0, 129), Math.clamp(y + at / 3 - 1, 0, 109), c);
                    least = Math.min(least, tone);
                    most = Math.max(most, tone);
                }
                assertThat((double) got[i]).isBetween(least - 1e-6, most + 1e-6);
            }
        }
    }

    private static double tone(Raster raster, int x, int y, int channel) {
        long at = ((long) y * raster.stored().width() + x) * raster.channels() + channel;
        return Byte.toUnsignedInt(raster.samples().get(ValueLayout.JAVA_BYTE, at)) / 255.0;
    }

    /** Steps of less than two counts are no detail: there the kernel's pixels stay as they are, to the last bit. */
    @Test
    void whatIsEvenStaysAsTheKernelMakesIt() {
        try (Raster raster = drawn(90, 80, 1, (x, y, c) -> 90 + (x * 7 + y * 3) % 2)) {
            float[] plain = render(raster, 2, Method.LANCZOS3);
            float[] learned = render(raster, 2, Method.LEARNED);
            for (int y = 12; y < 148; y++) {
                for (int x = 12; x < 168; x++) {
                    assertThat(learned[y * 180 + x]).isCloseTo(plain[y * 180 + x], within(1e-6f));
                }
            }
        }
    }

    /** Coded by Java's own coder at quality 75. */
    @ParameterizedTest
    @CsvSource({"Kokkini, 0.5", "Canopee, 1.0", "MilkyWay, 0.5"})
    void marksOfJpegAreSoftened(String name, double gain) throws IOException {
        SmallPixels large = Photographs.read(file(name), 1200);
        SmallPixels coded = JpegCoded.of(halved(large), 75);
        double plain = psnr(large, coded, Method.LANCZOS3);
        double clean = psnr(large, coded, Method.LEARNED);
        double softened = psnr(large, coded, Method.LEARNED_SOFTENING);
        assertThat(softened)
                .as("against %.2f dB by Lanczos 3 and %.2f for clean ones", plain, clean)
                .isGreaterThan(Math.max(plain + gain, clean));
    }

    /** Of the difference of red and blue from green, which the filters do not touch. */
    @ParameterizedTest
    @CsvSource({"Kokkini, 0.3", "Canopee, 0.2", "MilkyWay, 0.2", "SafeLanding, 0.1"})
    void marksOfJpegInColoursAreSoftened(String name, double gain) throws IOException {
        SmallPixels large = Photographs.read(file(name), 1200);
        SmallPixels coded = JpegCoded.of(halved(large), 75);
        double plain = coloursOff(large, coded, Method.LEARNED);
        double softened = coloursOff(large, coded, Method.LEARNED_SOFTENING);
        assertThat(10 * Math.log10(plain / softened)).isGreaterThan(gain);
    }

    /** Mean square of what the differences of red and blue from green are off. */
    private static double coloursOff(SmallPixels large, SmallPixels small, Method method) {
        int width = small.width();
        try (Raster raster = drawn(width, small.height(), 3, (x, y, c) -> 255 * small.planes()[c][y * width + x])) {
            float[] got = render(raster, 2, method);
            double sum = 0;
            for (int i = 0; i < 4 * width * small.height(); i++) {
                int at = i / (2 * width) * large.width() + i % (2 * width);
                for (int c : new int[] {0, 2}) {
                    double off = got[3 * i + c] - got[3 * i + 1] - large.planes()[c][at] + large.planes()[1][at];
                    sum += off * off;
                }
            }
            return sum;
        }
    }

    @Test
    void huesStay() {
        try (Raster raster = noise(90, 80, 3)) {
            float[] plain = render(raster, 2, Method.LANCZOS3);
            float[] learned = render(raster, 2, Method.LEARNED);
            for (int i = 0; i < plain.length; i += 3) {
                // At the rim the kernel alone weighs pixels anew, where here the rim goes on.
                int x = i / 3 % 180;
                int y = i / 3 / 180;
                if (Math.min(Math.min(x, 179 - x), Math.min(y, 159 - y)) < 6) {
                    continue;
                }
                float added = learned[i] - plain[i];
                assertThat(learned[i + 1] - plain[i + 1]).isCloseTo(added, within(2e-5f));
                assertThat(learned[i + 2] - plain[i + 2]).isCloseTo(added, within(2e-5f));
            }
        }
    }

    /** Reduced by means of four pixels, and enlarged again. */
    @ParameterizedTest
    @CsvSource({"Path, 0.0", "Kokkini, 1.0", "SafeLanding, 0.3", "ColdRipple, 0.0"})
    void photographsThatTrainingNeverSawComeCloserThanByLanczos(String name, double gain) throws IOException {
        SmallPixels large = Photographs.read(file(name), 1200);
        SmallPixels small = halved(large);
        double plain = psnr(large, small, Method.LANCZOS3);
        double learned = psnr(large, small, Method.LEARNED);
        assertThat(learned).as("against %.2f dB by Lanczos 3", plain).isGreaterThan(plain + gain);
    }

    /**
     * Rings with soft edges and a little grain, reduced by Lanczos 3: the kernel alone is nearly right there, and what is added for
     * crisp edges must do no harm.
     */
    @ParameterizedTest
    @CsvSource({"1.5, 2", "1.5, 3", "2.0, 2", "2.0, 3", "2.0, 4", "3.0, 2"})
    void softEdgesStaySoft(double spread, int times) {
        int side = 480;
        Random grain = new Random(3);
        try (Raster large = drawn(side, side, 1, (x, y, _) -> {
                    double wave = Math.sin(Math.PI * Math.hypot(x - 240.3, y - 239.1) / 80);
                    // Close to an edge the wave is as steep as the way to it.
                    double way = Math.asin(wave) * 80 / Math.PI;
                    return 125 + 85 * Math.tanh(way / spread * 0.8) + 0.7 * grain.nextGaussian();
                });
                Raster small = drawn(render(large, 1.0 / times, Method.LANCZOS3), side / times)) {
            double plain = psnr(large, render(small, times, Method.LANCZOS3));
            double learned = psnr(large, render(small, times, Method.LEARNED));
            assertThat(learned).as("against %.2f dB by Lanczos 3", plain).isGreaterThan(plain - 0.05);
        }
    }

    private static Raster drawn(float[] grey, int side) {
        return drawn(side, side, 1, (x, y, _) -> 255 * grey[y * side + x]);
    }

    /** Of square pictures in grey. */
    private static double psnr(Raster large, float[] got) {
        int side = large.stored().width();
        double sum = 0;
        for (int i = 0; i < got.length; i++) {
            int x = i % side;
            int y = i / side;
            if (Math.min(Math.min(x, y), side - 1 - Math.max(x, y)) >= 8) {
                int wanted = Byte.toUnsignedInt(large.samples().get(ValueLayout.JAVA_BYTE, i));
                double off = (Strip.toByte(got[i]) - wanted) / 255.0;
                sum += off * off;
            }
        }
        return -10 * Math.log10(sum / (side - 16) / (side - 16));
    }

    private static SmallPixels halved(SmallPixels large) {
        int width = large.width() / 2;
        int height = large.height() / 2;
        float[][] planes = new float[3][width * height];
        for (int c = 0; c < 3; c++) {
            float[] from = large.planes()[c];
            for (int i = 0; i < width * height; i++) {
                int at = i / width * 2 * large.width() + i % width * 2;
                planes[c][i] = (from[at] + from[at + 1] + from[at + large.width()] + from[at + large.width() + 1]) / 4;
            }
        }
        return new SmallPixels(width, height, planes);
    }

    private static Path file(String name) throws IOException {
        return Photographs.all().stream()
                .filter(path -> path.toString().contains("/" + name + "/"))
                .findFirst()
                .orElseThrow();
    }

    /** Of the luminance, at twice the size, in whole steps of 8 bits, in dB. */
    private static double psnr(SmallPixels large, SmallPixels small, Method method) {
        int width = Math.min(large.width(), 2 * small.width());
        int height = Math.min(large.height(), 2 * small.height());
        try (Raster raster =
                drawn(small.width(), small.height(), 3, (x, y, c) -> 255 * small.planes()[c][y * small.width() + x])) {
            float[] got = render(raster, 2, method);
            double sum = 0;
            for (int y = 8; y < height - 8; y++) {
                for (int x = 8; x < width - 8; x++) {
                    int at = (y * 2 * small.width() + x) * 3;
                    double off = 0;
                    for (int c = 0; c < 3; c++) {
                        double share = new double[] {SRGB.redLight(), SRGB.greenLight(), SRGB.blueLight()}[c];
                        off += share * (Strip.toByte(got[at + c]) / 255.0 - large.planes()[c][y * large.width() + x]);
                    }
                    sum += off * off;
                }
            }
            return -10 * Math.log10(sum / (width - 16) / (height - 16));
        }
    }
}
