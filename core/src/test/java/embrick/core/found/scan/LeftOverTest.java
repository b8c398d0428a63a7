package embrick.core.found.scan;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import embrick.core.found.SmallPixels;
import embrick.core.found.scan.DrawnScan.Laid;
import embrick.core.found.scan.FoundPrint.Side;
import java.util.List;
import org.junit.jupiter.api.Test;

class LeftOverTest {
    private static final Rectangle WHERE = new Rectangle(740, 540, 900, 650, -3);

    private static SmallPixels scan(DrawnScan.Wander wander) {
        return ScanBorderTest.scan(0, 3)
                .lay(new Laid(WHERE, DrawnScan.landscape(9), wander))
                .scanned(0.006);
    }

    @Test
    void saysNothingOfACutInside() {
        assertThat(LeftOver.along(scan(DrawnScan.Wander.NONE), WHERE.inside(2))).isEmpty();
    }

    /** A corner is bent: at the bottom the bed shows from 70 to 95 per cent of the length. */
    @Test
    void saysWhereALineIsLeft() {
        SmallPixels scan = scan((side, share) -> side == 2 && share > 0.7 && share < 0.95 ? 6 : 0);
        List<LeftOver.Line> lines = LeftOver.along(scan, WHERE.inside(2));
        assertThat(lines).hasSize(1);
        assertThat(lines.getFirst().side()).isEqualTo(Side.BOTTOM);
        assertThat(lines.getFirst().from()).isCloseTo(0.7, within(0.02));
        assertThat(lines.getFirst().to()).isCloseTo(0.95, within(0.02));
    }

    @Test
    void tellsEverySideOfACutThatIsTooLarge() {
        assertThat(LeftOver.along(scan(DrawnScan.Wander.NONE), WHERE.inside(-4)))
                .extracting(LeftOver.Line::side)
                .containsExactly(Side.values());
    }

    /** White clouds at the rim are the picture's own. */
    @Test
    void takesAPaleSkyForNoLine() {
        DrawnScan drawn = ScanBorderTest.scan(0, 3)
                .lay(new Laid(WHERE, DrawnScan.paleSky(DrawnScan.WHITE, 0.002, 4), DrawnScan.Wander.NONE));
        assertThat(LeftOver.along(drawn.scanned(0.006), WHERE.inside(2))).isEmpty();
    }
}
