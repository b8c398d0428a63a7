package embrick.core.colour;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class LabTest {
    @Test
    void whiteAndBlackAreTheEnds() {
        assertThat(Lab.of(Xyz.D50)).isEqualTo(new Lab(100, 0, 0));
        assertThat(Lab.of(new Xyz(0, 0, 0)).l()).isCloseTo(0, within(1e-12));
    }

    /** L* = 116·∛Y − 16 above Y = 216/24389, 24389/27·Y below (CIE 15:2004, 8.2.1): by arithmetic. */
    @ParameterizedTest
    @CsvSource({"0.18418651851244416, 50", "0.008856451679035631, 8", "0.001107056459879454, 1"})
    void lightnessFollowsTheFormula(double y, double lightness) {
        Xyz grey = new Xyz(Xyz.D50.x() * y, y, Xyz.D50.z() * y);
        Lab lab = Lab.of(grey);
        assertThat(lab.l()).isCloseTo(lightness, within(1e-9));
        assertThat(lab.chroma()).isCloseTo(0, within(1e-9));
    }

    @Test
    void comesBackFromAnywhere() {
        for (double l = 0; l <= 100; l += 5) {
            for (double a = -120; a <= 120; a += 20) {
                for (double b = -120; b <= 120; b += 20) {
                    assertThat(Lab.of(new Lab(l, a, b).toXyz()).distance(new Lab(l, a, b)))
                            .isLessThan(1e-9);
                }
            }
        }
    }

    /** CIE 15:2004, table T.3 and equation 8.31: D50 has u′ = 0.2092, v′ = 0.4881. */
    @Test
    void d50HasItsChromaticity() {
        assertThat(Xyz.D50.uPrime()).isCloseTo(0.2092, within(5e-5));
        assertThat(Xyz.D50.vPrime()).isCloseTo(0.4881, within(5e-5));
    }
}
