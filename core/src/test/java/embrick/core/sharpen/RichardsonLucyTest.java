package embrick.core.sharpen;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import embrick.core.colour.Encoding;
import embrick.core.pixels.PixelRect;
import embrick.core.pixels.PixelSource;
import embrick.core.sharpen.Deconvolution.Spread;
import embrick.core.units.PixelSize;
import java.util.Random;
import java.util.function.DoubleBinaryOperator;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Blurs are made here by plain sums over every tap, apart from the code that takes them back. */
class RichardsonLucyTest {
    private static final int WIDTH = 180;
    private static final int HEIGHT = 130;
    private static final PixelSize SIZE = new PixelSize(WIDTH, HEIGHT);
    /** As far as spreads of these tests reach. */
    private static final int FAR = 14;

    /** Steps in many directions, a fan of lines, and a soft ground: most of what pictures have. */
    private static float[] drawn() {
        float[] tones = new float[WIDTH * HEIGHT];
        for (int y = 0; y < HEIGHT; y++) {
            for (int x = 0; x < WIDTH; x++) {
                double tone = 0.45 + 0.15 * Math.sin(x / 37.0) * Math.cos(y / 29.0);
                double radius = Math.hypot(x - 60, y - 65);
                if (radius < 40) {
                    tone += 0.3 * Math.signum(Math.sin(5 * Math.atan2(y - 65, x - 60)));
                }
                if ((x + 2 * y) % 31 < 3 && x > 100) {
                    tone -= 0.3;
                }
                tones[y * WIDTH + x] = (float) Math.clamp(tone, 0.02, 0.98);
            }
        }
        return tones;
    }

    private static float[] spread(float[] tones, DoubleBinaryOperator weightAt) {
        float[] spread = new float[tones.length];
        for (int y = 0; y < HEIGHT; y++) {
            for (int x = 0; x < WIDTH; x++) {
                double sum = 0;
                double weights = 0;
                for (int dy = -FAR; dy <= FAR; dy++) {
                    for (int dx = -FAR; dx <= FAR; dx++) {
                        double weight = weightAt.applyAsDouble(dx, dy);
                        if (weight > 0) {
                            int from = Math.clamp(y + dy, 0, HEIGHT - 1) * WIDTH + Math.clamp(x + dx, 0, WIDTH - 1);
                            sum += weight * tones[from];
                            weights += weight;
                        }
                    }
                }
                spread[y * WIDTH + x] = (float) (sum / weights);
            }
        }
        return spread;
    }

    private static DoubleBinaryOperator gaussian(double sigma) {
        return (dx, dy) -> Math.exp(-(dx * dx + dy * dy) / (2 * sigma * sigma));
    }

    /** A level line of 9 pixels: nine taps of one weight. */
    private static double levelLine(double dx, double dy) {
        return dy == 0 && Math.abs(dx) <= 4 ? 1 : 0;
    }

    /** With noise of 40 dB under the blurred picture's own variance, in whole steps of 8 bits. */
    private static float[] seen(float[] spread) {
        double mean = 0;
        double square = 0;
        for (float tone : spread) {
            mean += tone / spread.length;
            square += (double) tone * tone / spread.length;
        }
        double noise = Math.sqrt(square - mean * mean) / 100;
        Random random = new Random(4);
        float[] seen = new float[spread.length];
        for (int i = 0; i < seen.length; i++) {
            seen[i] = Math.round(Math.clamp(spread[i] + noise * random.nextGaussian(), 0, 1) * 255) / 255f;
        }
        return seen;
    }

    private static PixelSource source(float[] tones) {
        return (region, into, at) -> {
            for (int y = 0; y < region.height(); y++) {
                System.arraycopy(
                        tones, (region.y() + y) * WIDTH + region.x(), into, at + y * region.width(), region.width());
            }
        };
    }

    private static Sharpened undoing(Spread spread, int steps, double threshold, float[] tones) {
        return new Sharpened(new Deconvolution(spread, steps, threshold), SIZE, 1, Encoding.srgb(), source(tones));
    }

    private static float[] whole(PixelSource source) {
        float[] into = new float[WIDTH * HEIGHT];
        source.render(PixelRect.whole(SIZE), into, 0);
        return into;
    }

    private static double psnr(float[] one, float[] other) {
        double squares = 0;
        for (int i = 0; i < one.length; i++) {
            squares += (one[i] - other[i]) * (double) (one[i] - other[i]);
        }
        return -10 * Math.log10(squares / one.length);
    }

    /** Lines of 3 px under a wide blur are lost for good: there less can be won. */
    @ParameterizedTest
    @CsvSource({"1, 2", "1.5, 2", "2, 1.6", "3, 1.5"})
    void aKnownGaussianIsTakenBack(double sigma, double decibels) {
        float[] sharp = drawn();
        float[] seen = seen(spread(sharp, gaussian(sigma)));
        float[] undone = whole(undoing(new Spread.Gaussian(sigma), 24, 0.003, seen));
        assertThat(psnr(undone, sharp) - psnr(seen, sharp)).isGreaterThan(decibels);
    }

    @Test
    void aMovementOfKnownLengthIsTakenBackAlongItsOwnDirectionOnly() {
        float[] sharp = drawn();
        float[] seen = seen(spread(sharp, RichardsonLucyTest::levelLine));
        double before = psnr(seen, sharp);
        assertThat(psnr(whole(undoing(new Spread.Line(9, 0), 12, 0.003, seen)), sharp) - before)
                .isGreaterThan(3);
        assertThat(psnr(whole(undoing(new Spread.Line(9, 180), 12, 0.003, seen)), sharp) - before)
                .isGreaterThan(3);
        assertThat(psnr(whole(undoing(new Spread.Line(9, 90), 12, 0.003, seen)), sharp) - before)
                .isNegative();
    }

    /** Each strip and each part on its own, from another beginning, with other neighbours. */
    @Test
    void anyPartHasTheSamplesOfTheWhole() {
        float[] seen = seen(spread(drawn(), gaussian(1.5)));
        for (Spread spread : new Spread[] {new Spread.Gaussian(1.5), new Spread.Line(7, 33)}) {
            float[] whole = whole(undoing(spread, 3, 0.005, seen));
            for (PixelRect part : new PixelRect[] {
                new PixelRect(0, 0, WIDTH, 1),
                new PixelRect(70, 60, 25, 17),
                new PixelRect(150, 100, 30, 30),
                new PixelRect(0, 129, 180, 1)
            }) {
                float[] alone = new float[part.width() * part.height()];
                undoing(spread, 3, 0.005, seen).render(part, alone, 0);
                for (int i = 0; i < alone.length; i++) {
                    int at = (part.y() + i / part.width()) * WIDTH + part.x() + i % part.width();
                    assertThat(alone[i]).isEqualTo(whole[at]);
                }
            }
            float[] stripped = new float[WIDTH * HEIGHT];
            Sharpened inStrips = undoing(spread, 3, 0.005, seen);
            for (int y = 0; y < HEIGHT; y += 7) {
                int rows = Math.min(7, HEIGHT - y);
                inStrips.render(new PixelRect(0, y, WIDTH, rows), stripped, y * WIDTH);
            }
            assertThat(stripped).isEqualTo(whole);
        }
    }

    /** Grain at the threshold is no detail: a flat ground stays as it is, to less than a step of 8 bits nearly everywhere. */
    @Test
    void grainOnAFlatGroundIsNotDrawnUp() {
        Random random = new Random(9);
        float[] flat = new float[WIDTH * HEIGHT];
        for (int i = 0; i < flat.length; i++) {
            flat[i] = (float) (0.5 + 0.01 * random.nextGaussian());
        }
        float[] undone = whole(undoing(new Spread.Gaussian(1.5), 12, 0.012, flat));
        int moved = 0;
        for (int i = 0; i < flat.length; i++) {
            moved += Math.abs(undone[i] - flat[i]) > 1 / 255f ? 1 : 0;
        }
        assertThat(moved).isLessThan(flat.length / 50);
        float[] unspared = whole(undoing(new Spread.Gaussian(1.5), 12, 0, flat));
        assertThat(psnr(unspared, flat)).isLessThan(psnr(undone, flat) - 10);
    }

    @Test
    void anEvenToneStaysAndRingingIsMeasuredAsHalo() {
        float[] even = new float[WIDTH * HEIGHT];
        java.util.Arrays.fill(even, 0.4f);
        float[] undone = whole(undoing(new Spread.Gaussian(2), 12, 0, even));
        for (float tone : undone) {
            assertThat(tone).isCloseTo(0.4f, within(1e-4f));
        }
        float[] step = spread(drawn(), gaussian(1));
        Sharpened tooWide = undoing(new Spread.Gaussian(2.5), 24, 0, step);
        whole(tooWide);
        Sharpened right = undoing(new Spread.Gaussian(1), 12, 0, step);
        whole(right);
        assertThat(tooWide.halo().percent()).isGreaterThan(right.halo().percent());
    }
}
