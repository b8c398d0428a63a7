package embrick.core.ticket;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class ViewingDistanceTest {
    /** 20/20 acuity, Snellen: one minute of arc; 344 ppi at 10 in, 286 at 12 in, 87 at 1 m by 1 ÷ (d · tan(1/60°)). */
    @ParameterizedTest
    @CsvSource({"0.254, 344", "0.3048, 286", "1, 87"})
    void theEyeTellsPixelsApartByTheirAngle(double metres, double ppi) {
        assertThat(ViewingDistance.eyePpi(metres)).isCloseTo(ppi, within(0.5));
    }
}
