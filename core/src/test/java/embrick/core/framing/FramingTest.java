package embrick.core.framing;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import embrick.core.framing.Framing.Corners;
import embrick.core.framing.Framing.FreeSides;
import embrick.core.framing.Framing.Mirror;
import embrick.core.framing.Framing.SheetTurn;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class FramingTest {
    @Test
    void numbersAreKeptToABillionth() {
        Framing framing = Framing.centred().withCentre(1 / 3.0, 2 / 3.0);
        assertThat(framing.centreX()).isEqualTo(0.333333333);
        assertThat(framing).isEqualTo(Framing.centred().withCentre(0.3333333331, 0.6666666669));
    }

    @Test
    void quarterTurnsGoRound() {
        assertThat(Framing.centred().withQuarterTurns(5).quarterTurns()).isEqualTo(1);
        assertThat(Framing.centred().withQuarterTurns(-1).quarterTurns()).isEqualTo(3);
    }

    @ParameterizedTest
    @CsvSource({
        "-0.1, 0.5, 1, 0, centreX",
        "0.5, 1.1, 1, 0, centreY",
        "0.5, 0.5, 0.99, 0, tightness",
        "0.5, 0.5, 101, 0, tightness",
        "0.5, 0.5, 1, 45.1, tiltDegrees",
        "NaN, 0.5, 1, 0, centreX",
        "0.5, 0.5, Infinity, 0, tightness"
    })
    void numbersOutOfBoundsAreNamed(double x, double y, double tightness, double tilt, String name) {
        assertThatThrownBy(() -> new Framing(
                        x,
                        y,
                        tightness,
                        tilt,
                        0,
                        Mirror.AS_IT_IS,
                        SheetTurn.AS_TICKET,
                        Corners.COVERED,
                        Optional.empty()))
                .isInstanceOf(IllegalArgumentException.class)
                .hasMessageStartingWith(name + ": expected");
    }

    @Test
    void freeSidesAreFractions() {
        assertThat(new FreeSides(0.25, 1).width()).isEqualTo(0.25);
        assertThatThrownBy(() -> new FreeSides(0, 1)).hasMessageContaining("free width");
        assertThatThrownBy(() -> new FreeSides(1, 1.5)).hasMessageContaining("free height");
    }
}
