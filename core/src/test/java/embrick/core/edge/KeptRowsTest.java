package embrick.core.edge;

import static org.assertj.core.api.Assertions.assertThat;

import embrick.core.pixels.PixelRect;
import embrick.core.pixels.PixelSource;
import embrick.core.units.PixelSize;
import java.util.function.Supplier;
import org.junit.jupiter.api.Test;

class KeptRowsTest {
    private static final Supplier<float[]> NO_COLOUR = () -> new float[1];

    /** Says of each pixel where it lies, and counts how often each row was made and whether it went back. */
    private static final class Counting implements PixelSource {
        private final int[] made;
        private int last = -1;
        private int wentBack;

        Counting(int height) {
            made = new int[height];
        }

        @Override
        public void render(PixelRect region, float[] into, int at) {
            wentBack += region.y() <= last ? 1 : 0;
            for (int y = region.y(); y < region.bottom(); y++) {
                made[y]++;
                last = y;
                for (int x = region.x(); x < region.right(); x++) {
                    into[at + (y - region.y()) * region.width() + x - region.x()] = y * 1000 + x;
                }
            }
        }
    }

    @Test
    void eachRowOfTheSheetIsMadeOnceAndInOrder() {
        Counting source = new Counting(500);
        WithBands total =
                WithBands.mirrored(new WithBands.Inside(source, new PixelSize(40, 500), 1), new Bands(9, 90, 9, 70));
        float[] rows = new float[58 * 64];
        for (int y = 0; y < 660; y += 64) {
            int count = Math.min(64, 660 - y);
            total.render(new PixelRect(0, y, 58, count), rows, 0);
            for (int row = 0; row < count; row++) {
                assertThat(rows[row * 58 + 9]).as("row %d", y + row).isEqualTo(1000f * folded(y + row - 90, 500));
                assertThat(rows[row * 58]).isEqualTo(1000f * folded(y + row - 90, 500) + 8);
            }
        }
        assertThat(source.made).containsOnly(1);
        assertThat(source.wentBack).isZero();
    }

    /** Whoever goes back to the top finds it as it was. */
    @Test
    void goingBackToTheTopIsTheSame() {
        Counting source = new Counting(100);
        WithBands total =
                WithBands.mirrored(new WithBands.Inside(source, new PixelSize(40, 100), 1), new Bands(0, 30, 0, 30));
        float[] row = new float[40];
        for (int y : new int[] {5, 40, 150, 10, 159, 0, 100, 155}) {
            total.render(new PixelRect(0, y, 40, 1), row, 0);
            assertThat(row[7]).as("row %d", y).isEqualTo(1000f * folded(y - 30, 100) + 7);
        }
    }

    /** A wide sheet's bands do not fit what is kept: their rows are the same. */
    @Test
    void whatDoesNotFitIsMadeAgain() {
        int width = KeptRows.MOST_KEPT / 100;
        Counting source = new Counting(300);
        WithBands total = WithBands.mirrored(
                new WithBands.Inside(source, new PixelSize(width, 300), 1), new Bands(0, 150, 0, 150));
        float[] rows = new float[width * 20];
        for (int y = 0; y < 600; y += 20) {
            total.render(new PixelRect(0, y, width, 20), rows, 0);
            for (int row = 0; row < 20; row++) {
                assertThat(rows[row * width + 77])
                        .as("row %d", y + row)
                        .isEqualTo(1000f * folded(y + row - 150, 300) + 77);
            }
        }
        assertThat(source.made[20]).isEqualTo(1);
        assertThat(source.made[120]).isEqualTo(2);
    }

    @Test
    void aPlainBandMakesNoRow() {
        Counting source = new Counting(10);
        WithBands total = WithBands.plain(
                new WithBands.Inside(source, new PixelSize(10, 10), 1), new Bands(5, 5, 5, 5), NO_COLOUR);
        total.render(new PixelRect(0, 0, 20, 5), new float[100], 0);
        assertThat(source.made).containsOnly(0);
    }

    private static int folded(int position, int length) {
        int folded = position;
        while (folded < 0 || folded >= length) {
            folded = folded < 0 ? -1 - folded : 2 * length - 1 - folded;
        }
        return folded;
    }
}
