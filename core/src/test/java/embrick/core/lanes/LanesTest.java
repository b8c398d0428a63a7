package embrick.core.lanes;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import embrick.core.lanes.PlaneLanes.Filters;
import java.lang.foreign.MemorySegment;
import java.util.Arrays;
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
        return Arrays.copyOf(all, length);
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
            plain.mixRows(rows, starts, weights, 2, taps, ofPlain, 3, length);
            vector.mixRows(rows, starts, weights, 2, taps, ofVector, 3, length);
            assertThat(Arrays.copyOfRange(ofVector, 3, 3 + length))
                    .isEqualTo(Arrays.copyOfRange(ofPlain, 3, 3 + length));
        }
    }

    @ParameterizedTest
    @ValueSource(ints = {1, 5, 16, 17, 33, 100})
    void pixelsGoIntoPlanesAndBack(int count) {
        int row = 120;
        float[] in = floats(2 + 3 * count);
        for (Lanes lanes : new Lanes[] {plain, vector}) {
            float[] planes = new float[3 * row];
            lanes.toPlanes(in, 2, planes, row, count);
            for (int i = 0; i < 3 * count; i++) {
                assertThat(planes[i % 3 * row + i / 3]).isEqualTo(in[2 + i]);
            }
            assertThat(planes[count]).isZero();
            float[] back = new float[1 + 3 * count + 5];
            lanes.fromPlanes(planes, row, back, 1, count);
            assertThat(Arrays.copyOfRange(back, 1, 1 + 3 * count)).isEqualTo(Arrays.copyOfRange(in, 2, 2 + 3 * count));
            assertThat(back[0] + back[1 + 3 * count]).isZero();
        }
    }

    @ParameterizedTest
    @CsvSource({"16, 16, 256, 256", "100, 40, 16, 700", "31, 16, 500, 256"})
    void squaresAreTurned(int inApart, int outApart, int inNext, int outNext) {
        int squares = 3;
        float[] in = floats(5 + 2 * inNext + 16 * inApart);
        for (Lanes lanes : new Lanes[] {plain, vector}) {
            float[] out = new float[7 + 2 * outNext + 16 * outApart];
            lanes.turn(in, 5, inApart, inNext, out, 7, outApart, outNext, squares);
            for (int k = 0; k < squares; k++) {
                for (int i = 0; i < 16; i++) {
                    for (int j = 0; j < 16; j++) {
                        assertThat(out[7 + k * outNext + j * outApart + i])
                                .isEqualTo(in[5 + k * inNext + i * inApart + j]);
                    }
                }
            }
            assertThat(out[6]).isZero();
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
        float[] down = floats(5 + count * Lanes.padded(taps));
        int[] starts = new int[count];
        for (int p = 0; p < count; p++) {
            starts[p] = p * channels + p % 3 * stride;
        }
        int apart = Lanes.padded(taps) * channels;
        float[] ofPlain = new float[count * apart + Lanes.SLACK];
        float[] ofVector = new float[count * apart + Lanes.SLACK];
        plain.mixBlocks(area, starts, stride, down, 5, taps, length, ofPlain, apart, count);
        vector.mixBlocks(area, starts, stride, down, 5, taps, length, ofVector, apart, count);
        for (int p = 0; p < count; p++) {
            for (int i = 0; i < length; i++) {
                assertThat(ofVector[p * apart + i]).isEqualTo(ofPlain[p * apart + i]);
            }
        }
    }

    @ParameterizedTest
    @ValueSource(ints = {4, 8, 12, 16, 20, 48, 76})
    void rowsBetweenAreEqual(int length) {
        float[] table = floats(length * 9);
        int[] rows = {3, 0, 7, 7, 1};
        float[] parts = {0.37f, 0f, 0.999f, 0.5f, 1f};
        float[] ofPlain = new float[5 * length + Lanes.SLACK];
        float[] ofVector = new float[5 * length + Lanes.SLACK];
        plain.between(table, length, rows, parts, ofPlain, 5);
        vector.between(table, length, rows, parts, ofVector, 5);
        assertThat(firstOf(ofVector, 5 * length)).isEqualTo(firstOf(ofPlain, 5 * length));
        assertThat(ofPlain[length]).isEqualTo(table[0]);
        assertThat(ofPlain[3 * length + 1])
                .isCloseTo((table[7 * length + 1] + table[8 * length + 1]) / 2, within(1e-6f));
        float[] four = new float[20 * length + Lanes.SLACK];
        float[] fourByVector = new float[20 * length + Lanes.SLACK];
        plain.betweenFourfold(table, length, rows, parts, four, 5);
        vector.betweenFourfold(table, length, rows, parts, fourByVector, 5);
        assertThat(firstOf(fourByVector, 20 * length)).isEqualTo(firstOf(four, 20 * length));
        for (int i = 0; i < 20 * length; i++) {
            assertThat(four[i]).isEqualTo(ofPlain[i / 4]);
        }
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

    @ParameterizedTest
    @ValueSource(ints = {1, 15, 16, 17, 100, 1003})
    void samplesFromMemoryAreEqual(int count) {
        byte[] bytes = new byte[2 * count + 5];
        random.nextBytes(bytes);
        MemorySegment memory = MemorySegment.ofArray(bytes);
        float[] ofPlain = new float[count + 2];
        float[] ofVector = new float[count + 2];
        plain.fromBytes(memory, 3, ofPlain, 1, count);
        vector.fromBytes(memory, 3, ofVector, 1, count);
        assertThat(ofVector).isEqualTo(ofPlain);
        plain.fromShorts(memory, 5, ofPlain, 1, count);
        vector.fromShorts(memory, 5, ofVector, 1, count);
        assertThat(ofVector).isEqualTo(ofPlain);
    }

    @ParameterizedTest
    @ValueSource(ints = {1, 5, 16, 31, 48, 333})
    void luminancesAndAdditionsAreEqual(int count) {
        float[] pixels = floats(3 * count + 2);
        float[] ofPlain = new float[count + 1];
        float[] ofVector = new float[count + 1];
        plain.luminances(pixels, 2, 0.22f, 0.71f, 0.07f, ofPlain, 1, count);
        vector.luminances(pixels, 2, 0.22f, 0.71f, 0.07f, ofVector, 1, count);
        assertThat(ofVector).isEqualTo(ofPlain);
        float[] more = floats(count);
        float[] raised = new float[3 * count + 1];
        float[] raisedByVector = new float[3 * count + 1];
        plain.addToPixels(pixels, 2, more, raised, 1, count);
        vector.addToPixels(pixels, 2, more, raisedByVector, 1, count);
        assertThat(raisedByVector).isEqualTo(raised);
        assertThat(raised[1 + 3 * (count - 1) + 2])
                .isEqualTo(Math.clamp(pixels[2 + 3 * count - 1] + more[count - 1], 0f, 1f));
    }

    @ParameterizedTest
    @ValueSource(ints = {1, 16, 40, 1000})
    void lookedUpValuesAreEqual(int count) {
        float[] table = floats(66 - Lanes.SLACK);
        float[] samples = floats(count + 1);
        samples[1] = 1f;
        float[] ofPlain = new float[count + 2];
        float[] ofVector = new float[count + 2];
        plain.lookUp(table, samples, 1, ofPlain, 2, count);
        vector.lookUp(table, samples, 1, ofVector, 2, count);
        assertThat(ofVector).isEqualTo(ofPlain);
        assertThat(ofPlain[2]).isEqualTo(table[64]);
        plain.lookUpRoot(table, samples, 1, ofPlain, 2, count);
        vector.lookUpRoot(table, samples, 1, ofVector, 2, count);
        assertThat(ofVector).isEqualTo(ofPlain);
    }

    @ParameterizedTest
    @CsvSource({"1, 16, 3", "3, 16, 8", "3, 32, 13", "4, 16, 7"})
    void blocksWithAWeightEachAreEqual(int channels, int width, int rows) {
        float[] coefficients = firstOf(floats(13), 13);
        float[] weights = new float[width * rows];
        float[] byVector = new float[width * rows];
        plain.weighByDistance(coefficients, -0.93f, -0.8f, 0.13f, width, rows, weights);
        vector.weighByDistance(coefficients, -0.93f, -0.8f, 0.13f, width, rows, byVector);
        assertThat(byVector).isEqualTo(weights);

        int stride = (width + 5) * channels;
        float[] area = floats(stride * rows + width * channels);
        float[] sums = new float[width * channels];
        float[] sumsByVector = new float[width * channels];
        float[] weighed = new float[width];
        float[] weighedByVector = new float[width];
        plain.sumColumns(area, 7, stride, channels, weights, width, rows, sums, weighed);
        vector.sumColumns(area, 7, stride, channels, weights, width, rows, sumsByVector, weighedByVector);
        assertThat(sumsByVector).isEqualTo(sums);
        assertThat(weighedByVector).isEqualTo(weighed);
    }

    @ParameterizedTest
    @ValueSource(ints = {1, 7, 15, 16, 17, 33, 100})
    void tablesAreMixedAlike(int count) {
        int row = 128;
        int[] sides = {4, 5, 6};
        float[] planes = floats(4 * row);
        float[] nodes = floats(4 * 5 * 6 * 4);
        int[] plainPlaces = new int[8 * row];
        int[] vectorPlaces = new int[8 * row];
        float[] plainParts = new float[8 * row];
        float[] vectorParts = new float[8 * row];
        float[] plainOut = new float[4 * row];
        float[] vectorOut = new float[4 * row];
        plain.cellsOf(planes, sides, plainPlaces, plainParts, row, count);
        vector.cellsOf(planes, sides, vectorPlaces, vectorParts, row, count);
        assertThat(vectorPlaces).isEqualTo(plainPlaces);
        assertThat(vectorParts).isEqualTo(plainParts);
        plain.mixCorners(nodes, sides, plainPlaces, plainParts, row, plainOut, count);
        vector.mixCorners(nodes, sides, vectorPlaces, vectorParts, row, vectorOut, count);
        assertThat(vectorOut).isEqualTo(plainOut);
        plain.tetrahedraOf(planes, row, sides, 0, plainPlaces, plainParts, row, count);
        vector.tetrahedraOf(planes, row, sides, 0, vectorPlaces, vectorParts, row, count);
        assertThat(vectorPlaces).isEqualTo(plainPlaces);
        assertThat(vectorParts).isEqualTo(plainParts);
        plain.mixNodes(nodes, plainPlaces, plainParts, 4, row, plainOut, count);
        vector.mixNodes(nodes, vectorPlaces, vectorParts, 4, row, vectorOut, count);
        assertThat(vectorOut).isEqualTo(plainOut);
        float[] table = floats(40);
        plain.lookUpRootAndBelow(table, 3f, planes, 5, plainOut, 2, count);
        vector.lookUpRootAndBelow(table, 3f, planes, 5, vectorOut, 2, count);
        assertThat(vectorOut).isEqualTo(plainOut);
        float[] matrix = floats(12);
        plain.mixPlanes(planes, matrix, plainOut, 3, row, count);
        vector.mixPlanes(planes, matrix, vectorOut, 3, row, count);
        assertThat(vectorOut).isEqualTo(plainOut);
    }

    @ParameterizedTest
    @CsvSource({"1, 5, 0.125, 7", "4, 3, 0.125, 32", "12, 3, 1, 61", "16, 3, 0.125, 128"})
    void filteredRowsAreEqual(int inputs, int side, float leak, int length) {
        int row = length + side + Lanes.SLACK;
        int plane = side * row;
        float[] in = floats(inputs * plane + Lanes.SLACK);
        Filters filters = new Filters(inputs, side, floats(2 * 4 * inputs * side * side), floats(8), leak);
        int outPlane = length + Lanes.SLACK;
        float[] ofPlain = new float[4 * outPlane + Lanes.SLACK];
        float[] ofVector = new float[ofPlain.length];
        plain.filterRow(in, 2, filters.taps(side, 0, row), filters, 1, ofPlain, 3, outPlane, length);
        vector.filterRow(in, 2, filters.taps(side, 0, row), filters, 1, ofVector, 3, outPlane, length);
        for (int o = 0; o < 4; o++) {
            int from = 3 + o * outPlane;
            assertThat(Arrays.copyOfRange(ofVector, from, from + length))
                    .isEqualTo(Arrays.copyOfRange(ofPlain, from, from + length));
        }
        // One of them by the definition, in doubles.
        double sum = filters.biases()[5];
        for (int c = 0; c < inputs; c++) {
            for (int dy = 0; dy < side; dy++) {
                for (int dx = 0; dx < side; dx++) {
                    sum += in[2 + c * plane + dy * row + dx + 4]
                            * (double) filters.weights()[((inputs + c) * side * side + dy * side + dx) * 4 + 1];
                }
            }
        }
        assertThat((double) ofPlain[3 + outPlane + 4]).isCloseTo(Math.max(sum, sum * leak), within(1e-3));
    }
}
