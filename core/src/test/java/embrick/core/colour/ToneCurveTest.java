package embrick.core.colour;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class ToneCurveTest {
    @Test
    void srgbAsInItsStandard() {
        // IEC 61966-2-1: 0.04045/12.92 at the toe's end, ((x + 0.055)/1.055)^2.4 above; 0.5 → 0.214041.
        float[] lights = ToneCurve.srgb().ofCounts(65535);
        assertThat((double) lights[(int) Math.round(0.04045 * 65535)]).isCloseTo(0.0031308, within(1e-6));
        assertThat((double) lights[32768]).isCloseTo(0.214048, within(1e-5));
        assertThat((double) lights[65535]).isEqualTo(1);
    }

    @ParameterizedTest
    @ValueSource(doubles = {1, 1.8, 2.2, 2.4})
    void thereAndBackIsTheSameCount(double gamma) {
        double[] samples = new double[65536];
        for (int i = 0; i < samples.length; i++) {
            samples[i] = Math.pow(i / 65535.0, gamma);
        }
        ToneCurve curve = ToneCurve.through(samples);
        float[] lights = curve.ofCounts(65535);
        float[] back = new float[lights.length];
        curve.encode(lights, 0, back, 0, lights.length);
        for (int count = 0; count <= 65535; count++) {
            // Half a count of 16 bits, and single precision's own error.
            assertThat((double) back[count]).isCloseTo(count / 65535.0, within(0.6 / 65535));
        }
    }

    @Test
    void aCurveThatFallsIsRefused() {
        assertThatThrownBy(() -> ToneCurve.through(new double[] {0, 0.5, 0.4, 1}))
                .hasMessageContaining("expected no fall");
        assertThatThrownBy(() -> ToneCurve.through(new double[] {0, 0})).hasMessageContaining("expected a rise");
    }

    /** Inside 0..1 as ever; beyond, straight on as steep as the curve ends: 1/2.4 · 1.055 at white, 12.92 at black. */
    @Test
    void whatLiesBeyondGoesOnStraight() {
        ToneCurve srgb = ToneCurve.srgb();
        float[] lights = {-0.01f, 0, 0.2f, 1, 1.1f};
        float[] out = new float[5];
        float[] clipped = new float[5];
        srgb.encodeBeyond(lights, 0, out, 0, 5, new float[5]);
        srgb.encode(lights, 0, clipped, 0, 5);
        assertThat(out[1]).isEqualTo(clipped[1]);
        assertThat(out[2]).isEqualTo(clipped[2]);
        assertThat(out[3]).isEqualTo(clipped[3]);
        assertThat((double) out[0]).isCloseTo(-0.1292, within(1e-4));
        assertThat((double) out[4]).isCloseTo(1 + 0.1 * 1.055 / 2.4, within(1e-4));
    }
}
