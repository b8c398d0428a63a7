package embrick.core.found.blur;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import embrick.core.found.Confidence;
import java.util.Random;
import java.util.function.DoubleBinaryOperator;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class EdgeSpreadTest {
    private static final int SIDE = 97;

    /** Each pixel is the mean of 8 × 8 places in it, blurred by a plain sum over all pixels near, with noise, in 8 bits. */
    private static Spot spot(DoubleBinaryOperator scene, double sigma, double noise, long seed) {
        int far = (int) Math.ceil(4 * sigma);
        int wide = SIDE + 2 * far;
        double[] sharp = new double[wide * wide];
        for (int y = 0; y < wide; y++) {
            for (int x = 0; x < wide; x++) {
                for (int part = 0; part < 64; part++) {
                    double px = x - far + (part % 8 + 0.5) / 8 - 0.5;
                    double py = y - far + (part / 8 + 0.5) / 8 - 0.5;
                    sharp[y * wide + x] += scene.applyAsDouble(px, py) / 64;
                }
            }
        }
        double[] across = blurred(sharp, wide, far, sigma, 1);
        double[] both = blurred(across, wide, far, sigma, wide);
        Random random = new Random(seed);
        float[] tones = new float[SIDE * SIDE];
        for (int i = 0; i < tones.length; i++) {
            double tone = both[(i / SIDE + far) * wide + i % SIDE + far] + noise * random.nextGaussian();
            tones[i] = Math.round(Math.clamp(tone, 0, 1) * 255) / 255f;
        }
        return new Spot(SIDE, tones);
    }

    private static double[] blurred(double[] plane, int wide, int far, double sigma, int step) {
        double[] blurred = new double[plane.length];
        for (int i = 0; i < plane.length; i++) {
            double sum = 0;
            double weights = 0;
            for (int k = -far; k <= far; k++) {
                int from = i + k * step;
                if (from >= 0 && from < plane.length) {
                    double weight = sigma == 0 ? 1 : Math.exp(-k * k / (2 * sigma * sigma));
                    sum += weight * plane[from];
                    weights += weight;
                }
            }
            blurred[i] = sum / weights;
        }
        return blurred;
    }

    private static DoubleBinaryOperator edge(double degrees, double off) {
        double cos = Math.cos(Math.toRadians(degrees));
        double sin = Math.sin(Math.toRadians(degrees));
        return (x, y) -> (x - 48) * cos + (y - 48) * sin > off ? 0.75 : 0.2;
    }

    /** What is told is the blur beyond an edge in focus, σ 0.55 px, of which the pixel itself gives 0.29. */
    @ParameterizedTest
    @CsvSource({
        "0, 1, 0.004",
        "12, 1, 0.01",
        "90, 1.5, 0.004",
        "45, 2, 0.01",
        "-30, 3, 0.004",
        "170, 4, 0.01",
        "5, 6, 0.004"
    })
    void theBlurOfAnEdgeIsRead(double degrees, double sigma, double noise) {
        double told = Math.sqrt(sigma * sigma + 1 / 12.0 - 0.55 * 0.55);
        EdgeSpread.Found found =
                EdgeSpread.find(spot(edge(degrees, 5), sigma, noise, 3)).orElseThrow();
        assertThat(found.radius()).isCloseTo(told, within(Math.max(0.08, 0.06 * told)));
        assertThat(found.step()).isCloseTo(0.55, within(0.03));
        assertThat(found.confidence()).isEqualTo(Confidence.SURE);
    }

    @Test
    void aSharpEdgeIsSaidToBeSharp() {
        for (int degrees = 0; degrees < 180; degrees += 17) {
            assertThat(EdgeSpread.find(spot(edge(degrees, 0), 0, 0.005, degrees)))
                    .as("%d°", degrees)
                    .hasValueSatisfying(found -> assertThat(found.isSharp()).isTrue());
        }
    }

    @Test
    void grainIsReadBesideTheEdge() {
        for (double noise : new double[] {0.004, 0.01, 0.02}) {
            EdgeSpread.Found found =
                    EdgeSpread.find(spot(edge(20, 0), 1.5, noise, 5)).orElseThrow();
            // Steps of 8 bits add their own 1/12.
            assertThat(found.grain() / 1.2)
                    .isCloseTo(Math.hypot(noise, Math.sqrt(1 / 12.0) / 255), within(0.15 * noise));
        }
    }

    @Test
    void whereThereIsNoEdgeNothingIsSaid() {
        assertThat(EdgeSpread.find(spot((_, _) -> 0.5, 1, 0.01, 1))).isEmpty();
        assertThat(EdgeSpread.find(spot((x, y) -> x / 300 + y / 500, 1, 0.01, 2)))
                .isEmpty();
        // A thin line is two edges.
        assertThat(EdgeSpread.find(spot((x, _) -> Math.abs(x - 48) < 1 ? 0.9 : 0.2, 1, 0.005, 3)))
                .isEmpty();
    }
}
