package embrick.core.framing;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class LevelLineTest {
    /** Worked by hand: tan 45° = 1, tan 30° = 0.57735; the sign turns the line back. */
    @ParameterizedTest
    @CsvSource({
        "100, 0, 0",
        "-100, 0, 0",
        "0, 100, 0",
        "100, 57.735027, -30",
        "100, -57.735027, 30",
        "57.735027, 100, 30",
        "-57.735027, 100, -30",
        "1000, 17.455065, -1"
    })
    void bringsTheLineToTheNearerAxis(double across, double down, double tilt) {
        assertThat(LevelLine.tilt(across, down)).isCloseTo(tilt, within(1e-6));
    }

    @Test
    void isTheArcTangentOfTheEndsSent() {
        Random random = new Random(4);
        for (int i = 0; i < 2000; i++) {
            double across = random.nextDouble() * 6000 - 3000;
            double down = random.nextDouble() * 4000 - 2000;
            double tilt = LevelLine.tilt(across, down);
            assertThat(tilt).isBetween(-45.0, 45.0);
            // Turned by the tilt the line's slope is a multiple of 90°.
            double turned = Math.toDegrees(Math.atan2(down, across)) + tilt;
            assertThat(Math.abs(Math.IEEEremainder(turned, 90))).isLessThan(1e-9);
        }
    }

    @Test
    void needsTwoEnds() {
        assertThatThrownBy(() -> LevelLine.tilt(0, 0)).hasMessageContaining("two ends apart");
        assertThatThrownBy(() -> LevelLine.tilt(Double.NaN, 1)).hasMessageContaining("two ends apart");
    }
}
