package embrick.core.framing;

import static org.assertj.core.api.Assertions.assertThat;

import embrick.core.framing.Carry.Part;
import embrick.core.framing.Framing.Corners;
import embrick.core.framing.Framing.Mirror;
import embrick.core.framing.Framing.SheetTurn;
import java.util.EnumSet;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.Test;

class CarryTest {
    private static final Framing FROM = new Framing(
            0.3,
            0.4,
            1.5,
            2.5,
            1,
            Mirror.MIRRORED,
            SheetTurn.WIDE,
            Corners.PAPER,
            Optional.of(new Framing.FreeSides(0.2, 0.6)));

    @Test
    void onlyWhatIsWantedIsCarried() {
        Framing to = Framing.centred();
        assertThat(Carry.onto(to, FROM, EnumSet.of(Part.PLACE)))
                .isEqualTo(to.withCentre(0.3, 0.4).withTightness(1.5).withFree(new Framing.FreeSides(0.2, 0.6)));
        assertThat(Carry.onto(to, FROM, EnumSet.of(Part.TILT)))
                .isEqualTo(to.withTilt(2.5).withCorners(Corners.PAPER));
        assertThat(Carry.onto(to, FROM, EnumSet.of(Part.TURN)))
                .isEqualTo(to.withQuarterTurns(1).withMirror(Mirror.MIRRORED).withTurn(SheetTurn.WIDE));
        assertThat(Carry.onto(to, FROM, Set.of())).isEqualTo(to);
    }

    @Test
    void allPartsTogetherAreTheWholeFraming() {
        assertThat(Carry.onto(Framing.centred(), FROM, EnumSet.allOf(Part.class)))
                .isEqualTo(FROM);
    }
}
