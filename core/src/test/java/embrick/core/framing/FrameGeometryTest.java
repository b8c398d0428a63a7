package embrick.core.framing;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import embrick.core.units.PixelSize;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class FrameGeometryTest {
    private static final PixelSize PICTURE = new PixelSize(6000, 4000);

    /** min(W ÷ (w cos + h sin), H ÷ (w sin + h cos)), worked out by hand for frames of a 6000 × 4000 picture. */
    @ParameterizedTest
    @CsvSource({
        // 5:4 untilted is bound by the height: 4000 ÷ 4.
        "5, 4, 0, 1000",
        // 3:1 untilted is bound by the width: 6000 ÷ 3.
        "3, 1, 0, 2000",
        // A square at 45° reaches √2 each way: 4000 ÷ √2.
        "1, 1, 45, 2828.4271",
        // Tilting back or on makes no difference.
        "1, 1, -45, 2828.4271",
        // 3:2 at 30°: down 3·0.5 + 2·0.8660 = 3.2321; 4000 ÷ 3.2321.
        "3, 2, 30, 1237.6044"
    })
    void theLoosestFrameTouchesTheRim(double width, double height, double tilt, double scale) {
        assertThat(new FrameGeometry(PICTURE, width, height, tilt).loosestScale())
                .isCloseTo(scale, within(1e-3));
    }

    @Test
    void theLoosestFrameMayOnlyMoveAlongOneSide() {
        FrameGeometry frame = new FrameGeometry(PICTURE, 5, 4, 0);
        assertThat(frame.heldY(0.2, 1000)).isEqualTo(0.5);
        assertThat(frame.heldX(0.2, 1000)).isCloseTo(2500.0 / 6000, within(1e-12));
        assertThat(frame.heldX(0.45, 1000)).isEqualTo(0.45);
    }

    @Test
    void aTighterFrameMayMoveFurther() {
        FrameGeometry frame = new FrameGeometry(PICTURE, 5, 4, 0);
        assertThat(frame.heldX(0, 500)).isCloseTo(1250.0 / 6000, within(1e-12));
        assertThat(frame.heldY(1, 500)).isCloseTo(0.75, within(1e-12));
    }

    @Test
    void whatIsHeldKeepsEveryLimit() {
        Random random = new Random(3);
        for (int i = 0; i < 1000; i++) {
            FrameGeometry frame = new FrameGeometry(
                    PICTURE, 1 + random.nextDouble() * 3, 1 + random.nextDouble() * 3, random.nextDouble() * 90 - 45);
            double extent = 0.02 + 0.98 * random.nextDouble();
            double x = frame.heldX(random.nextDouble() * 2 - 0.5, extent * frame.loosestScale());
            double y = frame.heldY(random.nextDouble() * 2 - 0.5, extent * frame.loosestScale());
            assertThat(frame.limits()).allMatch(limit -> limit.holds(x, y, extent, 1e-12));
        }
    }

    @Test
    void aLimitBeforeATurnAllowsTheSamePlaces() {
        Random random = new Random(5);
        for (int i = 0; i < 500; i++) {
            HalfPlane limit = HalfPlane.ofCentre(
                    random.nextDouble() - 0.5, random.nextDouble() - 0.5, random.nextDouble(), random.nextDouble());
            double x = random.nextDouble();
            double y = random.nextDouble();
            // Clockwise by a quarter (x, y) is seen at (1 − y, x); mirrored at (1 − x, y).
            assertThat(limit.beforeQuarterTurn().holds(x, y, 0.7, 0)).isEqualTo(limit.holds(1 - y, x, 0.7, 1e-15));
            assertThat(limit.beforeMirror().holds(x, y, 0.7, 0)).isEqualTo(limit.holds(1 - x, y, 0.7, 1e-15));
        }
    }

    /** The limits of pulled sides say the same as the box that a tilted frame reaches. */
    @Test
    void pulledSidesAreHeldByTheBoxTheyReach() {
        Random random = new Random(11);
        for (int i = 0; i < 2000; i++) {
            double tilt = random.nextDouble() * 60 - 30;
            double width = 0.05 + 0.95 * random.nextDouble();
            double height = 0.05 + 0.95 * random.nextDouble();
            Framing asked = Framing.centred()
                    .withCentre(random.nextDouble(), random.nextDouble())
                    .withFree(new Framing.FreeSides(width, height));
            double w = asked.free().orElseThrow().width() * 6000;
            double h = asked.free().orElseThrow().height() * 4000;
            double cos = Math.cos(Math.toRadians(Math.abs(tilt)));
            double sin = Math.sin(Math.toRadians(Math.abs(tilt)));
            double across = (w * cos + h * sin) / 2;
            double down = (w * sin + h * cos) / 2;
            double x = asked.centreX() * 6000;
            double y = asked.centreY() * 4000;
            boolean inside = x >= across && x + across <= 6000 && y >= down && y + down <= 4000;
            boolean allowed = new FrameGeometry(PICTURE, w, h, tilt)
                    .limitsOfSides().stream().allMatch(limit -> limit.holds(asked, 1e-12));
            assertThat(allowed).isEqualTo(inside);
        }
    }

    @Test
    void aFrameWithoutSidesIsRefused() {
        assertThatThrownBy(() -> new FrameGeometry(PICTURE, 0, 4, 0)).hasMessageContaining("expected sides above 0");
    }
}
