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

    private record Drawn(PixelSize size, int channels, Tone tone) implements PixelRows {

        @Override
        public int bitsPerChannel() {
            return 8;
        }

        @Override
        public PixelRows another() {
            return this;
        }

        @Override
        public Strip rows(int y, int rows) {
            int row = size.width() * channels;
            float[] samples = new float[rows * row];
            for (int i = 0; i < samples.length; i++) {
                samples[i] = (float) tone.at(i % row, y + i / row);
            }
            return new Strip(y, rows, size.width(), channels, samples);
        }
    }

    private static PixelRows picture(Tone tone) {
        return new Drawn(new PixelSize(200, 150), 1, tone);
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

    /** A horizon has to cross: of a line of 1100 px it takes the two rows on which Sobel sees it. */
    @Test
    void aHorizonPasses() {
        PixelRows sea = new Drawn(new PixelSize(60, 1140), 1, (_, y) -> y < 500 ? 0.9 : 0.2);
        assertThat(Crossings.near(sea, new PixelRect(20, 20, 20, 1100), 10)).isEmpty();
    }

    /** Two pixels of light red and light blue whose channels have one mean. */
    @Test
    void coloursStandOutThoughTheyAreAsLight() {
        PixelRows kite = new Drawn(new PixelSize(200, 150), 3, (i, y) -> {
            boolean isKite = i / 3 >= 25 && i / 3 < 35 && y >= 60 && y < 90;
            return (i % 3 == 0) == isKite ? 0.7 : 0.4;
        });
        assertThat(Crossings.near(kite, SHEET, 12)).extracting(Crossing::side).containsExactly(Side.LEFT);
    }
}
