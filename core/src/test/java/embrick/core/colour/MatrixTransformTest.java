package embrick.core.colour;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.Random;
import org.junit.jupiter.api.Test;

/** Against curve, matrix and curve in double precision. */
class MatrixTransformTest {
    /** ITU-R BT.709 to BT.2020 light, from ITU-R BT.2087-0, M2. */
    private static final double[][] TO_WIDER = {
        {0.6274, 0.3293, 0.0433}, {0.0691, 0.9195, 0.0114}, {0.0164, 0.0880, 0.8956}
    };
    /** Its inverse, to four decimals: leaves 0..1 for strong colours. */
    private static final double[][] TO_NARROWER = {
        {1.6605, -0.5876, -0.0728}, {-0.1246, 1.1329, -0.0083}, {-0.0182, -0.1006, 1.1187}
    };

    private static ToneCurve power(double gamma) {
        double[] samples = new double[65536];
        for (int i = 0; i < samples.length; i++) {
            samples[i] = Math.pow(i / 65535.0, gamma);
        }
        return ToneCurve.through(samples);
    }

    private static double[] expected(float[] in, int at, double[][] matrix) {
        double[] out = new double[3];
        for (int row = 0; row < 3; row++) {
            double light = 0;
            for (int c = 0; c < 3; c++) {
                light += matrix[row][c] * Math.pow(Math.clamp(in[at + c], 0f, 1f), 2.2);
            }
            out[row] = Math.pow(Math.clamp(light, 0, 1), 1 / 1.8);
        }
        return out;
    }

    private static void holds(double[][] matrix, int pixels) {
        Random random = new Random(pixels);
        float[] in = new float[3 * pixels + 1];
        for (int i = 0; i < in.length; i++) {
            in[i] = random.nextFloat() * 1.2f - 0.1f;
        }
        float[] out = new float[3 * pixels + 2];
        new MatrixTransform(power(2.2), matrix, power(1.8)).apply(in, 1, out, 2, pixels);
        for (int p = 0; p < pixels; p++) {
            double[] exact = expected(in, 1 + 3 * p, matrix);
            for (int c = 0; c < 3; c++) {
                // One count of 16 bits.
                assertThat((double) out[2 + 3 * p + c]).isCloseTo(exact[c], within(1.0 / 65535));
            }
        }
    }

    @Test
    void coloursAreThoseOfTheFormula() {
        holds(TO_WIDER, 5000);
    }

    @Test
    void coloursOutsideAreClippedInLight() {
        holds(TO_NARROWER, 2049);
    }

    @Test
    void onePixelIsConvertedAsMany() {
        holds(TO_WIDER, 1);
    }

    @Test
    void arraysThatAreTooShortAreRefused() {
        Transform transform = new MatrixTransform(power(2.2), TO_WIDER, power(1.8));
        assertThatThrownBy(() -> transform.apply(new float[9], 1, new float[9], 0, 3))
                .isInstanceOf(IllegalArgumentException.class)
                .hasMessageContaining("expected 3 pixels");
    }
}
