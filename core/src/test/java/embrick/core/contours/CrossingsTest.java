package embrick.core.contours;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import embrick.core.contours.Crossings.Crossing;
import embrick.core.contours.Crossings.Side;
import embrick.core.pixels.PixelRect;
import embrick.core.pixels.Strip;
import embrick.core.print.PixelRows;
import embrick.core.units.PixelSize;
import java.util.List;
import org.junit.jupiter.api.Test;

class CrossingsTest {
    private static final PixelRect SHEET = new PixelRect(20, 20, 160, 110);

    private interface Tone {
        double at(int x, int y);
    }

    private static PixelRows picture(Tone tone) {
        return new PixelRows() {
            @Override
            public PixelSize size() {
                return new PixelSize(200, 150);
            }

            @Override
            public int channels() {
                return 1;
            }

            @Override
            public int bitsPerChannel() {
                return 8;
            }

            @Override
            public Strip rows(int y, int rows) {
                float[] samples = new float[rows * 200];
                for (int i = 0; i < samples.length; i++) {
                    samples[i] = (float) tone.at(i % 200, y + i / 200);
                }
                return new Strip(y, rows, 200, 1, samples);
            }
        };
    }

    /** A mast 40 px high, its left side 9 px inside the left line: Sobel sees the step on both pixels beside it. */
    @Test
    void aMastIsFoundWithItsDistance() {
        PixelRows mast = picture((x, y) -> x >= 29 && x < 40 && y >= 60 && y < 100 ? 0.1 : 0.7);
        List<Crossing> found = Crossings.near(mast, SHEET, 12);
        assertThat(found).hasSize(1);
        assertThat(found.getFirst().side()).isEqualTo(Side.LEFT);
        assertThat(found.getFirst().distance()).isCloseTo(8, within(1.0));
        assertThat(found.getFirst().share()).isCloseTo(40 / 110.0, within(0.03));
        assertThat(Crossings.near(mast, SHEET, 6)).isEmpty();
    }

    @Test
    void detailOnTheLineIsAtNoDistance() {
        PixelRows across = picture((x, y) -> y >= 120 && x >= 80 && x < 100 ? 1 : 0.3);
        assertThat(Crossings.near(across, SHEET, 5)).singleElement().satisfies(crossing -> {
            assertThat(crossing.side()).isEqualTo(Side.FOOT);
            assertThat(crossing.distance()).isZero();
        });
    }

    @Test
    void softFormsAndFaintOnesPass() {
        assertThat(Crossings.near(picture((x, y) -> x / 200.0), SHEET, 20)).isEmpty();
        assertThat(Crossings.near(picture((x, y) -> x % 40 < 20 ? 0.5 : 0.65), SHEET, 20))
                .isEmpty();
    }

    @Test
    void aSpeckPasses() {
        assertThat(Crossings.near(picture((x, y) -> x == 22 && y == 70 ? 0.5 : 0.4), SHEET, 20))
                .isEmpty();
    }
}
