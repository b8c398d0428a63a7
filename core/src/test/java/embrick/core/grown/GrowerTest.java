package embrick.core.grown;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import embrick.core.grown.Grown.Reason;
import embrick.core.pixels.PixelRect;
import embrick.core.pixels.PixelSource;
import embrick.core.units.PixelSize;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;
import org.junit.jupiter.params.provider.ValueSource;

/** Backgrounds of invented scenes, of which it is known what would have been there. */
class GrowerTest {
    private static final int WIDTH = 300;
    private static final int HEIGHT = 220;
    private static final int BAND = 36;

    static Stream<Arguments> textures() {
        return Stream.of(
                Arguments.of("sky", Scenery.sky(HEIGHT)),
                Arguments.of("sand", Scenery.sand()),
                Arguments.of("grass", Scenery.grass()),
                Arguments.of("bricks", Scenery.bricks()),
                Arguments.of("coast", Scenery.coast(140, 0.05)));
    }

    private static BareArea bands(int left, int top, int right, int bottom) {
        return new BareArea(
                new PixelSize(WIDTH, HEIGHT),
                new PixelRect(left, top, WIDTH - left - right, HEIGHT - top - bottom),
                BareArea.Corners.NONE);
    }

    private static Grown grow(Scenery scene, BareArea area, GapSamples into, long seed) {
        return Grower.grow(scene.pixelsOf(area), 3, area, into, seed, _ -> {});
    }

    private static float[] grown(Scenery scene, BareArea area) {
        GapSamples samples = GapSamples.inMemory(area, 3);
        assertThat(grow(scene, area, samples, 1)).isInstanceOf(Grown.Done.class);
        return Scenery.whole(scene, area, samples);
    }

    /** Mean difference between a row of squares and the next, squares of so many pixels. */
    private static double step(float[] samples, int row, int scale) {
        double sum = 0;
        int count = 0;
        for (int x = 0; x + scale <= WIDTH; x += scale, count++) {
            for (int c = 0; c < 3; c++) {
                sum += Math.abs(mean(samples, x, row - scale, scale, c) - mean(samples, x, row, scale, c));
            }
        }
        return sum / count;
    }

    private static double mean(float[] samples, int left, int top, int scale, int channel) {
        double sum = 0;
        for (int y = top; y < top + scale; y++) {
            for (int x = left; x < left + scale; x++) {
                sum += samples[(y * WIDTH + x) * 3 + channel];
            }
        }
        return sum / scale / scale;
    }

    @ParameterizedTest(name = "{0}")
    @MethodSource("textures")
    void theSeamIsNoStrongerThanTheTexturesOwnStepsAndItsGrainTheSame(String name, Scenery scene) {
        float[] samples = grown(scene, bands(0, BAND, 0, 0));
        requireWeakSeam(name, samples);
        requireGrain(name, samples);
    }

    private static void requireWeakSeam(String name, float[] samples) {
        for (int scale : new int[] {1, 2, 4}) {
            List<Double> own = new ArrayList<>();
            for (int row = BAND + 2 * scale; row + scale <= HEIGHT / 2; row += 1) {
                own.add(step(samples, row, scale));
            }
            double strongest =
                    own.stream().mapToDouble(Double::doubleValue).max().orElseThrow();
            assertThat(step(samples, BAND, scale))
                    .as("the seam of %s in squares of %d px", name, scale)
                    .isLessThanOrEqualTo(strongest * 1.05);
        }
    }

    private static void requireGrain(String name, float[] samples) {
        double own = 0;
        double grown = 0;
        for (int row = 2; row < BAND - 2; row++) {
            grown += step(samples, row, 1) / (BAND - 4);
            own += step(samples, BAND + row, 1) / (BAND - 4);
        }
        assertThat(grown / own).as("grain of %s", name).isBetween(0.7, 1.3);
    }

    @Test
    void aSkyGoesOnAsItWent() {
        Scenery scene = Scenery.sky(HEIGHT);
        float[] samples = grown(scene, bands(0, BAND, 0, 0));

        for (int x = 20; x < WIDTH - 20; x += 40) {
            double there = mean(samples, x, 4, 12, 1);
            double truth = 0;
            for (int i = 0; i < 144; i++) {
                truth += scene.at(x + i % 12, 4 + i / 12)[1] / 144;
            }
            assertThat(there).isCloseTo(truth, within(0.03));
        }
    }

    @Test
    void aHorizonGoesOnWhereItMeetsTheRim() {
        double slope = 0.05;
        float[] samples = grown(Scenery.coast(140, slope), bands(BAND, 0, BAND, 0));

        for (int x : new int[] {6, 18, 30, WIDTH - 30, WIDTH - 18, WIDTH - 6}) {
            int line = 0;
            for (int y = 100; y < HEIGHT; y++) {
                if (mean(samples, Math.min(x, WIDTH - 3), y, 1, 2) < 0.48) {
                    line = y;
                    break;
                }
            }
            assertThat((double) line).as("at %d", x).isCloseTo(140 - slope * x, within(4.0));
        }
    }

    static Stream<Arguments> scenesForBalloons() {
        return textures().filter(arguments -> !arguments.get()[0].equals("bricks"));
    }

    @ParameterizedTest(name = "{0}")
    @MethodSource("scenesForBalloons")
    void nothingThatStandsOutIsCopied(String name, Scenery scene) {
        Scenery flown = scene.withBalloon(120, BAND + 40, 13).withBalloon(240, BAND + 52, 13);
        float[] samples = grown(flown, bands(0, BAND, 0, 0));

        int copied = 0;
        for (int i = 0; i < WIDTH * BAND; i++) {
            copied += Scenery.isBalloon(samples, i * 3) ? 1 : 0;
        }
        int own = 0;
        for (int i = WIDTH * BAND; i < WIDTH * HEIGHT; i++) {
            own += Scenery.isBalloon(samples, i * 3) ? 1 : 0;
        }
        assertThat(own).as("what is looked for is known when it is seen").isGreaterThan(800);
        assertThat(copied).as("pixels of balloons over %s", name).isZero();
    }

    @Test
    void whereTheRimCutsThroughDetailNothingIsGrown() {
        Scenery cut = Scenery.sky(HEIGHT).withBalloon(150, BAND + 4, 24);
        BareArea area = bands(0, BAND, 0, 0);

        Grown came = grow(cut, area, GapSamples.inMemory(area, 3), 1);

        assertThat(came).isInstanceOfSatisfying(Grown.Declined.class, declined -> {
            assertThat(declined.reason()).isEqualTo(Reason.DETAIL_CUT);
            assertThat(declined.places()).anySatisfy(place -> {
                assertThat(place.x()).isBetween(110, 160);
                assertThat(place.y()).isBetween(BAND - 4, BAND + 30);
            });
        });
    }

    @Test
    void aPictureThatIsTooSmallIsDeclined() {
        BareArea area = new BareArea(new PixelSize(30, 30), new PixelRect(0, 26, 30, 4), BareArea.Corners.NONE);

        assertThat(grow(Scenery.sand(), area, GapSamples.inMemory(area, 3), 1))
                .isInstanceOfSatisfying(
                        Grown.Declined.class,
                        declined -> assertThat(declined.reason()).isEqualTo(Reason.NOTHING_TO_COPY));
    }

    @Test
    void allFourSidesAndTheCornersOfATiltAreGrown() {
        int width = 180;
        double tan = Math.tan(Math.toRadians(3));
        BareArea area = new BareArea(
                new PixelSize(width, 140),
                new PixelRect(16, 16, width - 32, 108),
                (x, y) -> y < (90 - x) * tan || y > 115 - (x - 90) * tan);
        Scenery sand = Scenery.sand();

        float[] samples = grown(sand, area);

        for (int i = 0; i < samples.length / 3; i++) {
            boolean isStillBare = samples[i * 3] == 1 && samples[i * 3 + 1] == 0;
            assertThat(isStillBare).as("%d, %d", i % width, i / width).isFalse();
        }
    }

    @Test
    void theSameSeedGrowsTheSameAndAnotherAnother() {
        BareArea area = bands(0, 0, BAND, 0);
        List<float[]> made = new ArrayList<>();
        for (long seed : new long[] {5, 5, 6}) {
            GapSamples samples = GapSamples.inMemory(area, 3);
            assertThat(grow(Scenery.sand(), area, samples, seed)).isInstanceOf(Grown.Done.class);
            made.add(Scenery.whole(Scenery.sand(), area, samples));
        }

        assertThat(made.get(0)).isEqualTo(made.get(1));
        assertThat(Arrays.equals(made.get(0), made.get(2))).isFalse();
    }

    @Test
    void anyPartIsReadAsItIsOfTheWhole() {
        BareArea area = bands(17, 9, 23, 0);
        GapSamples layer = GapSamples.inMemory(area, 3);
        assertThat(grow(Scenery.grass(), area, layer, 1)).isInstanceOf(Grown.Done.class);
        float[] whole = Scenery.whole(Scenery.grass(), area, layer);

        for (PixelRect part : List.of(
                new PixelRect(0, 0, 50, 40), new PixelRect(240, 100, 60, 7), new PixelRect(3, 3, WIDTH - 5, 1))) {
            float[] samples = new float[part.width() * part.height() * 3];
            Scenery.grass().pixelsOf(area).render(part, samples, 0);
            layer.read(part, samples, 0);
            for (int i = 0; i < samples.length; i++) {
                int x = part.x() + i / 3 % part.width();
                int y = part.y() + i / 3 / part.width();
                assertThat(samples[i]).isEqualTo(whole[(y * WIDTH + x) * 3 + i % 3]);
            }
        }
    }

    @ParameterizedTest
    @ValueSource(ints = {1, 4})
    void greyAndInksAreGrownToo(int channels) {
        BareArea area = bands(0, 0, BAND, 0);
        GapSamples layer = GapSamples.inMemory(area, channels);
        PixelSource picture = (part, into, at) -> {
            for (int i = 0; i < part.width() * part.height() * channels; i++) {
                int pixel = i / channels;
                int x = part.x() + pixel % part.width();
                int y = part.y() + pixel / part.width();
                into[at + i] = area.isBare(x, y) ? 1 : 0.4f + 0.1f * Scenery.chance(x, y, i % channels);
            }
        };

        assertThat(Grower.grow(picture, channels, area, layer, 1, _ -> {})).isInstanceOf(Grown.Done.class);

        float[] strip = new float[BAND * HEIGHT * channels];
        layer.read(new PixelRect(WIDTH - BAND, 0, BAND, HEIGHT), strip, 0);
        for (float sample : strip) {
            assertThat(sample).isBetween(0.25f, 0.55f);
        }
    }

    @Test
    void whoStopsItEndsItAndHearsHowFarItIs() {
        BareArea area = bands(0, BAND, 0, BAND);
        List<Double> heard = new ArrayList<>();

        assertThatThrownBy(() ->
                        Grower.grow(Scenery.sand().pixelsOf(area), 3, area, GapSamples.inMemory(area, 3), 1, share -> {
                            heard.add(share);
                            if (share > 0.4) {
                                throw new IllegalStateException("stopped");
                            }
                        }))
                .hasMessage("stopped");
        assertThat(heard).isSorted().allSatisfy(share -> assertThat(share).isBetween(0.0, 1.0));
    }

    @Test
    void likenessIsHighOnTextureAndCoversAllThatWasGrown() {
        BareArea area = bands(0, BAND, 0, 0);

        Grown came = grow(Scenery.sand(), area, GapSamples.inMemory(area, 3), 1);

        assertThat(came).isInstanceOfSatisfying(Grown.Done.class, done -> {
            assertThat(done.likeness().mean()).isGreaterThan(0.8);
            for (int column = 0; column < done.likeness().columns(); column++) {
                assertThat(done.likeness().values()[column]).isNotZero();
                assertThat(done.likeness().values()[10 * done.likeness().columns() + column])
                        .isZero();
            }
        });
    }

    @Test
    void aReducedLayerHasTheMeansOfTheWhole() {
        BareArea area = bands(0, BAND, 0, 0);
        GapSamples layer = GapSamples.inMemory(area, 3);
        grow(Scenery.sand(), area, layer, 1);
        float[] whole = Scenery.whole(Scenery.sand(), area, layer);
        BareArea small = new BareArea(
                new PixelSize(WIDTH / 4, HEIGHT / 4),
                new PixelRect(0, BAND / 4, WIDTH / 4, (HEIGHT - BAND) / 4),
                BareArea.Corners.NONE);

        float[] reduced = new float[WIDTH / 4 * (BAND / 4) * 3];
        new ReducedGrown(layer, area, small, 3).read(new PixelRect(0, 0, WIDTH / 4, BAND / 4), reduced, 0);

        for (int i = 0; i < reduced.length; i++) {
            int x = i / 3 % (WIDTH / 4);
            int y = i / 3 / (WIDTH / 4);
            assertThat((double) reduced[i]).isCloseTo(mean(whole, x * 4, y * 4, 4, i % 3), within(1e-5));
        }
    }
}
