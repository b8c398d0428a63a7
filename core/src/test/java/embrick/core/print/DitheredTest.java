package embrick.core.print;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import embrick.core.pixels.PixelRect;
import embrick.core.pixels.PixelSource;
import org.junit.jupiter.api.Test;

class DitheredTest {
    private static final int SIDE = 256;

    /** A ramp of three counts of 8 bits across the whole width. */
    private static final PixelSource RAMP = (region, into, at) -> {
        for (int i = 0; i < region.width() * region.height() * 3; i++) {
            int x = region.x() + i / 3 % region.width();
            into[at + i] = (100 + 3f * x / SIDE) / 255;
        }
    };

    private static float[] rendered(PixelSource source, PixelRect region) {
        float[] pixels = new float[region.width() * region.height() * 3];
        new Dithered(source, 3).render(region, pixels, 0);
        return pixels;
    }

    @Test
    void neverStepsByMoreThanOneCountAndIsWhole() {
        float[] pixels = rendered(RAMP, new PixelRect(0, 0, SIDE, SIDE));
        for (int i = 0; i < pixels.length; i++) {
            double exact = 100 + 3.0 * (i / 3 % SIDE) / SIDE;
            double count = pixels[i] * 255.0;
            assertThat(count).isCloseTo(Math.rint(count), within(1e-4));
            assertThat(Math.abs(count - exact)).isLessThan(1.001);
        }
    }

    @Test
    void isInTheMeanWhatItWas() {
        float[] pixels = rendered(RAMP, new PixelRect(0, 0, SIDE, SIDE));
        double difference = 0;
        for (int i = 0; i < pixels.length; i++) {
            difference += pixels[i] * 255.0 - (100 + 3.0 * (i / 3 % SIDE) / SIDE);
        }
        // The mean of n evenly spread errors of a count has a deviation of 0.29 ÷ √n; four of them, and the guard for
        // whole counts.
        assertThat(difference / pixels.length).isCloseTo(0, within(4 * 0.29 / Math.sqrt(pixels.length) + 1e-3));
    }

    @Test
    void wholeCountsStay() {
        for (int count = 0; count <= 255; count++) {
            float value = count / 255f;
            PixelSource flat = (region, into, at) -> java.util.Arrays.fill(into, at, at + 3 * region.width(), value);
            for (float pixel : rendered(flat, new PixelRect(7 * count, 3 * count, 40, 1))) {
                assertThat(Math.round(pixel * 255)).isEqualTo(count);
            }
        }
    }

    @Test
    void anyPartHasTheCountsOfTheWhole() {
        float[] whole = rendered(RAMP, new PixelRect(0, 0, SIDE, SIDE));
        float[] part = rendered(RAMP, new PixelRect(31, 77, 50, 20));
        for (int y = 0; y < 20; y++) {
            for (int i = 0; i < 50 * 3; i++) {
                assertThat(part[y * 150 + i]).isEqualTo(whole[((77 + y) * SIDE + 31) * 3 + i]);
            }
        }
    }
}
