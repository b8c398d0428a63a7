package embrick.core.lanes;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** Vector code and plain code give the same bits, for every length and remainder. */
class LanesTest {
    private final Lanes plain = new PlainLanes();
    private final Lanes vector = new VectorLanes();
    private final Random random = new Random(11);

    private float[] floats(int length) {
        float[] floats = new float[length + Lanes.SLACK];
        for (int i = 0; i < floats.length; i++) {
            floats[i] = random.nextFloat() * 1.4f - 0.2f;
        }
        return floats;
    }

    private static float[] firstOf(float[] all, int length) {
        return java.util.Arrays.copyOf(all, length);
    }

    @Test
    void thisProcessHasVectorCode() {
        assertThat(Lanes.best()).isInstanceOf(VectorLanes.class);
    }

    @ParameterizedTest
    @ValueSource(ints = {1, 3, 4, 7, 8, 15, 16, 17, 63, 64, 65, 200, 1001})
    void mixedRowsAreEqual(int length) {
        float[] rows = floats(length * 9);
        int[] starts = {0, 3 * length, length, 8 * length, 2 * length, 5 * length, 7 * length};
        float[] weights = floats(10);
        for (int taps = 1; taps <= starts.length; taps++) {
            float[] ofPlain = floats(length);
            float[] ofVector = floats(length);
            plain.mixRows(rows, starts, weights, 2, taps, ofPlain, length);
            vector.mixRows(rows, starts, weights, 2, taps, ofVector, length);
            assertThat(firstOf(ofVector, length)).isEqualTo(firstOf(ofPlain, length));
        }
    }

    @ParameterizedTest
    @CsvSource({"1, 4", "2, 8", "3, 4", "3, 8", "3, 12", "3, 16", "3, 20", "3, 76", "4, 4", "4, 12", "4, 24"})
    void mixedPixelsAreEqualAndStayInPlace(int channels, int taps) {
        int count = 37;
        float[] row = floats((count * 2 + taps) * channels);
        int[] starts = new int[count];
        for (int x = 0; x < count; x++) {
            starts[x] = x * 2 * channels;
        }
        float[] once = floats(count * taps);
        float[] weights = new float[count * taps * 4];
        for (int i = 0; i < weights.length; i++) {
            weights[i] = once[i / 4];
        }
        // Nothing before or behind the pixels may change.
        float[] ofPlain = new float[5 + count * channels + 5];
        float[] ofVector = new float[ofPlain.length];
        plain.mixPixels(row, starts, weights, taps, channels, ofPlain, 5, count);
        vector.mixPixels(row, starts, weights, taps, channels, ofVector, 5, count);
        assertThat(ofVector).isEqualTo(ofPlain);
    }

    @ParameterizedTest
    @CsvSource({"3, 2", "3, 6", "3, 10", "3, 16", "3, 30", "4, 10", "1, 10"})
    void mixedBlocksAreEqual(int channels, int taps) {
        int count = 21;
        int length = taps * channels;
        int stride = 97 * channels;
        float[] area = floats(stride * (taps + 3));
        float[] down = floats(count * taps);
        int[] starts = new int[count];
        for (int p = 0; p < count; p++) {
            starts[p] = p * channels + p % 3 * stride;
        }
        int apart = Lanes.padded(taps) * channels;
        float[] ofPlain = new float[count * apart + Lanes.SLACK];
        float[] ofVector = new float[count * apart + Lanes.SLACK];
        plain.mixBlocks(area, starts, stride, down, taps, length, ofPlain, apart, count);
        vector.mixBlocks(area, starts, stride, down, taps, length, ofVector, apart, count);
        for (int p = 0; p < count; p++) {
            for (int i = 0; i < length; i++) {
                assertThat(ofVector[p * apart + i]).isEqualTo(ofPlain[p * apart + i]);
            }
        }
    }

    @ParameterizedTest
    @ValueSource(ints = {1, 7, 12, 16, 48, 51})
    void rowsBetweenAreEqual(int length) {
        float[] table = floats(length * 3);
        float[] ofPlain = new float[length + 4 + Lanes.SLACK];
        float[] ofVector = new float[length + 4 + Lanes.SLACK];
        plain.between(table, length, length, 0.37f, ofPlain, 4, length);
        vector.between(table, length, length, 0.37f, ofVector, 4, length);
        assertThat(firstOf(ofVector, length + 4)).isEqualTo(firstOf(ofPlain, length + 4));
    }

    @ParameterizedTest
    @ValueSource(ints = {0, 1, 15, 16, 33, 1000})
    void countsAreEqual(int count) {
        float[] samples = floats(count + 3);
        if (count > 5) {
            samples[4] = Float.NaN;
            samples[5] = 1e30f;
        }
        byte[] bytes = new byte[count + 2];
        byte[] vectorBytes = new byte[count + 2];
        plain.toBytes(samples, 3, bytes, 1, count);
        vector.toBytes(samples, 3, vectorBytes, 1, count);
        assertThat(vectorBytes).isEqualTo(bytes);
        short[] shorts = new short[count + 2];
        short[] vectorShorts = new short[count + 2];
        plain.toShorts(samples, 3, shorts, 1, count);
        vector.toShorts(samples, 3, vectorShorts, 1, count);
        assertThat(vectorShorts).isEqualTo(shorts);
        float[] back = new float[count + 1];
        float[] vectorBack = new float[count + 1];
        plain.toFloats(shorts, 1, back, 0, count);
        vector.toFloats(shorts, 1, vectorBack, 0, count);
        assertThat(vectorBack).isEqualTo(back);
    }

    @Test
    void countsAreTheNearestAndClipped() {
        byte[] bytes = new byte[6];
        plain.toBytes(new float[] {-0.1f, 0f, 0.49f / 255, 0.51f / 255, 1f, 1.2f}, 0, bytes, 0, 6);
        assertThat(bytes).containsExactly(0, 0, 0, 1, 255, 255);
        short[] shorts = new short[4];
        plain.toShorts(new float[] {-1f, 1000.4f / 65535, 1f, 7f}, 0, shorts, 0, 4);
        assertThat(shorts).containsExactly((short) 0, (short) 1000, (short) 65535, (short) 65535);
    }
}
