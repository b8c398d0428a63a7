package embrick.core.units;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import embrick.core.units.PrintRelation.Held;
import embrick.core.units.PrintRelation.Side;
import org.junit.jupiter.api.Test;

/** Values of common practice, no source; each is arithmetic on pixels = inches × ppi. */
class PrintRelationTest {
    private static PrintRelation of(int width, int height, int ppi) {
        return PrintRelation.of(new PixelSize(width, height), Resolution.perInch(ppi));
    }

    private static double inches(PrintRelation relation, Side side) {
        return relation.length(side, LengthUnit.IN).toInches();
    }

    @Test
    void markingAnotherPpiChangesNoPixel() {
        PrintRelation marked = of(2100, 1500, 300).withPpi(Resolution.perInch(100), Held.PIXELS);
        assertThat(marked.pixels()).isEqualTo(new PixelSize(2100, 1500));
        assertThat(inches(marked, Side.WIDTH)).isEqualTo(21);
        assertThat(inches(marked, Side.HEIGHT)).isEqualTo(15);
        // 240 px marked 104 are 2.31 in; re-marked 300 they are 0.8 in.
        PrintRelation small = of(240, 240, 104);
        assertThat(inches(small, Side.WIDTH)).isCloseTo(2.31, within(0.005));
        assertThat(inches(small.withPpi(Resolution.perInch(300), Held.PIXELS), Side.WIDTH))
                .isCloseTo(0.8, within(1e-6));
    }

    @Test
    void keepingTheSizeMakesPixels() {
        // 1024 px marked 72 are 14.22 in: at 300 they are 4267 px.
        assertThat(of(1024, 768, 72).withPpi(Resolution.perInch(300), Held.SIZE).pixels())
                .isEqualTo(new PixelSize(4267, 3200));
    }

    @Test
    void keepingThePixelsALongerSideHasFewerPixelsAnInch() {
        // 16 × 20 in at 300, its height set to 30 in: 24 × 30 in at 200 ppi.
        PrintRelation larger = of(4800, 6000, 300).withLength(Side.HEIGHT, Length.inches("30"), Held.PIXELS);
        assertThat(larger.ppi()).isEqualTo(Resolution.perInch(200));
        assertThat(inches(larger, Side.WIDTH)).isEqualTo(24);
        assertThat(larger.pixels()).isEqualTo(new PixelSize(4800, 6000));
    }

    @Test
    void keepingThePpiAnotherSideMakesPixels() {
        // A short side of 17 in at 360 ppi is 6120 px.
        assertThat(of(3000, 2000, 360)
                        .withLength(Side.HEIGHT, Length.inches("17"), Held.PPI)
                        .pixels())
                .isEqualTo(new PixelSize(9180, 6120));
        assertThat(of(2100, 1500, 300).withPixels(Side.WIDTH, 1050, Held.SIZE).ppi())
                .isEqualTo(Resolution.perInch(150));
    }

    @Test
    void manyChangesLeaveTheShapeAsItWas() {
        PrintRelation relation = of(2100, 1500, 300);
        for (String width : new String[] {"0.1", "3.33", "1", "7"}) {
            relation = relation.withLength(Side.WIDTH, Length.inches(width), Held.PPI);
        }
        assertThat(relation.pixels()).isEqualTo(new PixelSize(2100, 1500));
    }

    @Test
    void whatIsChangedCannotBeHeld() {
        PrintRelation relation = of(100, 100, 100);
        assertThatThrownBy(() -> relation.withPpi(Resolution.perInch(50), Held.PPI))
                .hasMessageContaining("held: expected another than what is changed");
        assertThatThrownBy(() -> relation.withLength(Side.WIDTH, Length.inches("1"), Held.SIZE))
                .hasMessageContaining("size");
        assertThatThrownBy(() -> relation.withPixels(Side.WIDTH, 7, Held.PIXELS))
                .hasMessageContaining("pixels");
        assertThatThrownBy(() -> relation.withLength(Side.WIDTH, Length.parse("0.001", LengthUnit.IN), Held.PIXELS))
                .hasMessageContaining("at most 20000 ppi");
    }
}
