package embrick.core.resample;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.function.DoubleUnaryOperator;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;

class KernelTest {
    /** Six decimals are given; half of the last is forgiven. */
    private static final double SIX_DECIMALS = 5e-7;

    @ParameterizedTest
    @CsvSource({
        // Turkowski 1990: sinc(x)·sinc(x/3), by the formula.
        "LANCZOS3, 0, 1",
        "LANCZOS3, 0.5, 0.607927",
        "LANCZOS3, 1, 0",
        "LANCZOS3, 1.5, -0.135095",
        "LANCZOS3, 2.5, 0.024317",
        "LANCZOS3, 3, 0",
        "LANCZOS3, -0.5, 0.607927",
        // Keys 1981, a = −½.
        "KEYS, 0, 1",
        "KEYS, 0.5, 0.5625",
        "KEYS, 1, 0",
        "KEYS, 1.5, -0.0625",
        "KEYS, 2, 0",
        // Mitchell and Netravali 1988, B = C = ⅓: 8/9, 77/144, 1/18.
        "MITCHELL, 0, 0.888889",
        "MITCHELL, 0.5, 0.534722",
        "MITCHELL, 1, 0.055556",
        "MITCHELL, -1, 0.055556",
        "MITCHELL, 2, 0",
        "TRIANGLE, 0.25, 0.75",
        "TRIANGLE, 1, 0"
    })
    void asPublished(Kernel kernel, double x, double value) {
        assertThat(kernel.at(x)).isCloseTo(value, within(SIX_DECIMALS));
    }

    @ParameterizedTest
    @EnumSource(Kernel.class)
    void isEvenAndEndsAtItsSupport(Kernel kernel) {
        for (double x = 0; x <= kernel.support() + 1; x += 0.01) {
            assertThat(kernel.at(-x)).isEqualTo(kernel.at(x));
        }
        assertThat(kernel.at(kernel.support())).isCloseTo(0, within(1e-12));
    }

    /** Abramowitz and Stegun, table 9.1 (ten decimals; quoted from memory). */
    @ParameterizedTest
    @CsvSource({"1, 0.4400505857", "2, 0.5767248078", "5, -0.3275791376", "10, 0.0434727462"})
    void besselFunctionAsTabled(double x, double value) {
        assertThat(Jinc.besselJ1(x)).isCloseTo(value, within(5e-11));
    }

    @ParameterizedTest
    @CsvSource({"0, 1", "1.2196698912665045, 0", "2.233130594, 0", "3.2383154841662362, 0", "4, 0"})
    void circularKernelHasItsZeros(double r, double value) {
        // 2.2331 is the second zero of J₁, 7.0155866698, over π.
        assertThat(Jinc.at(r)).isCloseTo(value, within(1e-9));
    }

    @Test
    void circularKernelAsASeriesKeepsToTheFormula() {
        float[] coefficients = JincSeries.coefficients();
        for (double share = 0; share < 1; share += 0.0007) {
            float z = (float) share * 2f - 1f;
            float sum = coefficients[12];
            for (int k = 11; k >= 0; k--) {
                sum = sum * z + coefficients[k];
            }
            assertThat((double) sum).isCloseTo(Jinc.at(Jinc.SUPPORT * Math.sqrt(share)), within(6e-7));
        }
    }

    @ParameterizedTest
    @CsvSource({"0.05", "0.7", "1", "1.6667", "4.2", "12"})
    void tabledWeightsKeepToTheFormula(double scale) {
        AxisKernel kernel = AxisKernel.of(Method.LANCZOS3, scale);
        int taps = new Taps(kernel, 1000).most();
        PhaseTable table = new PhaseTable(kernel, taps);
        for (double phase = 0.0005; phase < 1; phase += 0.00317) {
            double at = phase * table.steps();
            int row = (int) at;
            double part = at - row;
            DoubleUnaryOperator exact = shift(kernel, phase);
            double sum = 0;
            for (int tap = 0; tap < taps; tap++) {
                sum += exact.applyAsDouble(tap);
            }
            for (int tap = 0; tap < taps; tap++) {
                double low = table.rows()[row * table.rowLength() + tap];
                double high = table.rows()[(row + 1) * table.rowLength() + tap];
                assertThat(low + part * (high - low)).isCloseTo(exact.applyAsDouble(tap) / sum, within(6e-7));
            }
        }
    }

    private static DoubleUnaryOperator shift(AxisKernel kernel, double phase) {
        return tap -> kernel.weight(phase - kernel.radius() + tap);
    }
}
