package embrick.core.contours;

import static org.assertj.core.api.Assertions.assertThat;

import embrick.core.contours.Contours.Spot;
import embrick.core.pixels.Strip;
import embrick.core.print.PixelRows;
import embrick.core.units.PixelSize;
import java.util.List;
import org.junit.jupiter.api.Test;

class ContoursTest {
    private interface Tone {
        double at(int x, int y);
    }

    private static PixelRows drawn(int width, int height, Tone tone) {
        return new PixelRows() {
            @Override
            public PixelSize size() {
                return new PixelSize(width, height);
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
            public PixelRows another() {
                return this;
            }

            @Override
            public Strip rows(int y, int rows) {
                float[] samples = new float[rows * width];
                for (int i = 0; i < samples.length; i++) {
                    samples[i] = (float) tone.at(i % width, y + i / width);
                }
                return new Strip(y, rows, width, 1, samples);
            }
        };
    }

    /** Two bars of different contrast in a flat field: the strong one's sides come first, the weak one's later. */
    @Test
    void theStrongestComesFirst() {
        List<Spot> spots = Contours.strongest(
                drawn(400, 300, (x, y) -> x >= 100 && x < 110 ? 1 : x >= 300 && x < 310 ? 0.4 : 0), 20);
        assertThat(spots.getFirst().strength()).isEqualTo(1);
        assertThat(spots.getFirst().x()).isBetween(96, 113);
        assertThat(spots).isSortedAccordingTo((a, b) -> Double.compare(b.strength(), a.strength()));
        assertThat(spots.getLast().x()).isBetween(296, 313);
        // The weaker bar has 0.4 of the stronger one's slope on both its sides.
        assertThat(spots.getLast().strength()).isBetween(0.2, 0.4001);
    }

    @Test
    void placesAreApart() {
        List<Spot> spots = Contours.strongest(drawn(400, 300, (x, y) -> (x / 7 + y / 5) % 2), 8);
        assertThat(spots).hasSize(8);
        for (Spot a : spots) {
            for (Spot b : spots) {
                assertThat(a == b || Math.hypot(a.x() - b.x(), a.y() - b.y()) > 40)
                        .isTrue();
            }
        }
    }

    @Test
    void aFlatPictureHasNone() {
        assertThat(Contours.strongest(drawn(50, 40, (_, _) -> 0.3), 5)).isEmpty();
    }

    @Test
    void aPictureOfOnePixelHasNone() {
        assertThat(Contours.strongest(drawn(1, 1, (_, _) -> 0.3), 5)).isEmpty();
    }
}
