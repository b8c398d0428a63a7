package embrick.core.resample;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import embrick.core.colour.Encoding;
import embrick.core.colour.ToneCurve;
import embrick.core.pixels.Orientation;
import embrick.core.pixels.PixelRect;
import embrick.core.pixels.Raster;
import embrick.core.pixels.Strip;
import embrick.core.resample.Resampler.LastChannel;
import embrick.core.resample.Resampling.Light;
import embrick.core.resample.Resampling.Ringing;
import embrick.core.units.PixelSize;
import java.lang.foreign.ValueLayout;
import java.util.Random;
import java.util.stream.DoubleStream;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;
import org.junit.jupiter.params.provider.MethodSource;

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

    /** Hard edges, dark and bright, each block a little different. */
    private static Raster blocks(int width, int height) {
        Raster raster = Raster.allocate(new PixelSize(width, height), 3, 1);
        for (int i = 0; i < width * height * 3; i++) {
            int x = i / 3 % width / 11;
            int y = i / 3 / width / 11;
            raster.samples().set(ValueLayout.JAVA_BYTE, i, (byte) ((x + y) % 2 == 0 ? 30 + 3 * x : 220 - 5 * y));
        }
        return raster;
    }

    private static float[] render(Raster raster, Window window) {
        return render(raster, window, Resampling.by(Method.LANCZOS3));
    }

    private static float[] render(Raster raster, Window window, Resampling settings) {
        float[] into = new float[(int) window.output().pixels() * raster.channels()];
        of(raster, window, settings).render(PixelRect.whole(window.output()), into, 0);
        return into;
    }

    private static Resampler of(Raster raster, Window window, Resampling settings) {
        return Resampler.of(raster, window, settings, LastChannel.COLOUR, Encoding.srgb());
    }

    private static Window window(Raster raster, Orientation seenAs, PixelSize output, double scale, double tilt) {
        PixelSize seen = seenAs.seenSize(raster.stored());
        return new Window(seenAs, output, seen.width() * 0.48, seen.height() * 0.53, scale, tilt);
    }

    static Stream<Arguments> everyMethodScaleAndTilt() {
        return Stream.of(Method.values())
                // What is learned is no sum of kernels.
                .filter(method -> !method.isLearned())
                .flatMap(method -> DoubleStream.of(0.05, 0.3, 0.77, 1, 1.25, 2, 3.7, 12)
                        .boxed()
                        .flatMap(scale ->
                                DoubleStream.of(0, 0.3, 5, -37).mapToObj(tilt -> Arguments.of(method, scale, tilt))));
    }

    /** Hundreds and thousands of times smaller, with bounded memory: as the direct sum has it. */
    @ParameterizedTest
    @CsvSource({
        "AREA, 300, 0", "LANCZOS3, 300, 0", "LANCZOS3, 300, 20", "CIRCULAR_LANCZOS, 300, 0",
                "CIRCULAR_LANCZOS, 260, -7",
        "MITCHELL, 700, 45", "NEAREST, 300, 0", "NEAREST, 300, 11", "BILINEAR, 255, 3", "CIRCULAR_LANCZOS, 255, 0"
    })
    void farSmallerOutputsAgreeWithTheDirectSum(Method method, double scale, double tilt) {
        try (Raster raster = noise(420, 330, 1, 1)) {
            Window window = window(raster, Orientation.UPRIGHT, new PixelSize(2, 1), scale, tilt);
            DirectSum direct = new DirectSum(raster, window, method);
            float[] ours = render(raster, window, Resampling.by(method));
            for (int i = 0; i < ours.length; i++) {
                assertThat((double) ours[i]).isCloseTo(direct.pixel(i % 2, i / 2)[0], within(HALF_COUNT));
            }
        }
    }

    /** Kernels of a thousand million weights are never made: a plain picture comes out plain. */
    @Test
    void thousandsOfTimesSmallerIsNoMatterOfMemory() {
        try (Raster raster = Raster.allocate(new PixelSize(6000, 4000), 1, 1)) {
            raster.samples().fill((byte) 51);
            for (Method method : Method.values()) {
                double tilt = method.ordinal() % 2 == 0 ? 0 : 10;
                Window window = window(raster, Orientation.UPRIGHT, new PixelSize(2, 1), 5000, tilt);
                for (float sample : render(raster, window, Resampling.by(method))) {
                    assertThat((double) sample).as(method.name()).isCloseTo(0.2, within(1e-4));
                }
            }
        }
    }

    /** At most 1 count of 255 anywhere, and at most 0.1 % of samples differ at all. */
    @ParameterizedTest
    @MethodSource("everyMethodScaleAndTilt")
    void agreesWithTheDirectSum(Method method, double scale, double tilt) {
        try (Raster raster = noise(211, 173, 3, 1)) {
            // Centres stay over the picture, as every plan's do.
            double reach = Math.abs(tilt) > 5 ? 0.7 : 1;
            int width = Math.min(61, (int) (140 * reach / scale));
            int height = Math.min(47, (int) (110 * reach / scale));
            Window window = window(raster, Orientation.UPRIGHT, new PixelSize(width, height), scale, tilt);
            float[] got = render(raster, window, Resampling.by(method));
            DirectSum direct = new DirectSum(raster, window, method);
            long differ = 0;
            int most = 0;
            for (int y = 0; y < height; y++) {
                for (int x = 0; x < width; x++) {
                    double[] exact = direct.pixel(x, y);
                    for (int c = 0; c < 3; c++) {
                        int ours = Strip.toByte(got[(y * width + x) * 3 + c]);
                        int reference = (int) Math.clamp(Math.floor(exact[c] * 255 + 0.5), 0, 255);
                        most = Math.max(most, Math.abs(ours - reference));
                        differ += ours == reference ? 0 : 1;
                    }
                }
            }
            assertThat(most).isLessThanOrEqualTo(1);
            assertThat(differ).isLessThanOrEqualTo(width * height * 3 / 1000);
        }
    }

    @ParameterizedTest
    @CsvSource({
        "LANCZOS3, 0.413, 0",
        "LANCZOS3, 2.317, 0",
        "LANCZOS3, 0.413, 7",
        "LANCZOS3, 2.317, 7",
        "KEYS, 0.317, 0",
        "CIRCULAR_LANCZOS, 0.413, 0",
        "CIRCULAR_LANCZOS, 2.317, -20"
    })
    void boundedRingingStaysWithinThePixelsAround(Method method, double scale, double tilt) {
        try (Raster raster = blocks(70, 60)) {
            Window window = window(raster, Orientation.UPRIGHT, new PixelSize(21, 17), scale, tilt);
            float[] free = render(raster, window, Resampling.by(method));
            float[] held = render(raster, window, new Resampling(method, Light.ENCODED, Ringing.LIMITED));
            DirectSum direct = new DirectSum(raster, window, method);
            int changed = 0;
            for (int i = 0; i < held.length; i++) {
                double[] bounds = direct.bounds(i / 3 % 21, i / 63, i % 3);
                assertThat((double) held[i]).isEqualTo(Math.clamp(free[i], (float) bounds[0], (float) bounds[1]));
                changed += held[i] == free[i] ? 0 : 1;
            }
            assertThat(changed).as("samples that rang").isPositive();
        }
    }

    @Test
    void lightIsMixedAsLight() {
        // A checkerboard of black and white has half the light: sRGB 188 (IEC 61966-2-1: 0.5 → 0.7354), not 128.
        try (Raster raster = Raster.allocate(new PixelSize(64, 64), 1, 1)) {
            for (int i = 0; i < 64 * 64; i++) {
                raster.samples().set(ValueLayout.JAVA_BYTE, i, (byte) ((i + i / 64) % 2 == 0 ? 255 : 0));
            }
            Window window = new Window(Orientation.UPRIGHT, new PixelSize(8, 8), 32, 32, 8, 0);
            float[] light = render(raster, window, new Resampling(Method.AREA, Light.LINEAR, Ringing.FREE));
            float[] encoded = render(raster, window, Resampling.by(Method.AREA));
            float[] shown = new float[64];
            ToneCurve.srgb().encode(light, 0, shown, 0, 64);
            for (int i = 0; i < 64; i++) {
                assertThat((double) light[i]).isCloseTo(0.5, within(1e-6));
                assertThat(Strip.toByte(shown[i])).isEqualTo(188);
                assertThat(Strip.toByte(encoded[i])).isEqualTo(128);
            }
        }
    }

    @ParameterizedTest
    @EnumSource(Orientation.class)
    void agreesWithTheDirectSumEitherWayUp(Orientation orientation) {
        try (Raster raster = noise(120, 80, 1, 2)) {
            for (double tilt : new double[] {0, 3}) {
                Window window = window(raster, orientation, new PixelSize(31, 29), 1.7, tilt);
                float[] got = render(raster, window);
                DirectSum direct = new DirectSum(raster, window, Method.LANCZOS3);
                for (int at = 0; at < got.length; at += 7) {
                    double[] exact = direct.pixel(at % 31, at / 31);
                    assertThat((double) got[at]).isCloseTo(exact[0], within(2.0 / 65535));
                }
            }
        }
    }

    @ParameterizedTest
    @MethodSource("everyMethodScaleAndTilt")
    void aFlatFieldStaysExact(Method method, double scale, double tilt) {
        try (Raster raster = Raster.allocate(new PixelSize(90, 70), 3, 1)) {
            raster.samples().fill((byte) 201);
            // Also where the kernel hangs over the rim: dropped taps are renormalised.
            Window window = new Window(Orientation.UPRIGHT, new PixelSize(50, 40), 20, 15, scale, tilt);
            for (float sample : render(raster, window, Resampling.by(method))) {
                assertThat(Strip.toByte(sample)).isEqualTo(201);
            }
        }
    }

    /** Exact for bilinear and Keys when not shrinking, else within 0.03 of a source pixel, away from the rim. */
    @ParameterizedTest
    @EnumSource(value = Method.class, names = "NEAREST", mode = EnumSource.Mode.EXCLUDE)
    void aRampStaysWhereItIs(Method method) {
        try (Raster raster = Raster.allocate(new PixelSize(256, 16), 1, 2)) {
            for (int i = 0; i < 256 * 16; i++) {
                raster.samples().setAtIndex(ValueLayout.JAVA_SHORT, i, (short) (i % 256 * 200));
            }
            for (double scale : new double[] {0.4, 1, 1.5, 2.6}) {
                Window window = new Window(Orientation.UPRIGHT, new PixelSize(60, 4), 128, 8, scale, 0);
                float[] got = render(raster, window, Resampling.by(method));
                double tolerance = rampTolerance(method, scale);
                for (int x = 0; x < 60; x++) {
                    double source = got[x] * 65535 / 200 + 0.5;
                    assertThat(source).isCloseTo(window.seenX(x + 0.5, 2), within(tolerance));
                }
            }
        }
    }

    private static double rampTolerance(Method method, double scale) {
        return switch (method) {
            // A covered area is made of flat pixels: off by half a pixel less half the area, or by a part of one pixel.
            case AREA -> scale < 1 ? (1 - scale) / 2 + 1e-3 : 1 / (8 * scale) + 1e-3;
            // A stretched triangle sampled at whole pixels leans a little towards the nearest.
            case BILINEAR -> scale <= 1 ? 1e-3 : 0.04;
            case KEYS -> scale <= 1 ? 1e-3 : 0.03;
            // What was learned is no straight line to the last thousandth.
            case LEARNED, LEARNED_SOFTENING -> 0.1;
            default -> 0.03;
        };
    }

    @ParameterizedTest
    @EnumSource(Method.class)
    void atScaleOneOnWholePixelsTheyAreKept(Method method) {
        try (Raster raster = noise(64, 48, 3, 1)) {
            Window window = new Window(Orientation.UPRIGHT, new PixelSize(20, 10), 30, 25, 1, 0);
            float[] original = new float[20 * 10 * 3];
            raster.readSeen(Orientation.UPRIGHT, 20, 20, 20, 10, original, 0);
            assertThat(render(raster, window, Resampling.by(method))).isEqualTo(original);
        }
    }

    static Stream<Arguments> everyMethodAnyWay() {
        return Stream.of(Method.values())
                // What is learned is no sum of kernels.
                .filter(method -> !method.isLearned())
                .flatMap(method -> Stream.of(
                        Arguments.of(method, 2.3, 0, Orientation.UPRIGHT),
                        Arguments.of(method, 0.6, 0, Orientation.QUARTER_RIGHT),
                        Arguments.of(method, 2.3, 6, Orientation.UPRIGHT),
                        Arguments.of(method, 0.6, -11, Orientation.QUARTER_LEFT)));
    }

    @ParameterizedTest
    @MethodSource("everyMethodAnyWay")
    void anyRegionHasTheSameSamples(Method method, double scale, double tilt, Orientation seenAs) {
        try (Raster raster = noise(300, 260, 3, 1)) {
            Window window = window(raster, seenAs, new PixelSize(97, 89), scale, tilt);
            float[] whole = render(raster, window, Resampling.by(method));
            Resampler again = of(raster, window, Resampling.by(method));
            for (PixelRect region : new PixelRect[] {
                new PixelRect(0, 0, 97, 13), new PixelRect(0, 13, 97, 13), new PixelRect(5, 61, 31, 1),
                new PixelRect(0, 0, 97, 89), new PixelRect(96, 88, 1, 1), new PixelRect(40, 3, 57, 70)
            }) {
                float[] part = new float[region.width() * region.height() * 3];
                again.render(region, part, 0);
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
            Resampler.of(raster, window, Resampling.by(Method.LANCZOS3), LastChannel.ALPHA, Encoding.srgb())
                    .render(PixelRect.whole(window.output()), got, 0);
            for (int i = 0; i < 400; i++) {
                assertThat((double) got[i * 4]).as("premultiplied red").isCloseTo(0, within(HALF_COUNT));
            }
        }
    }
}
