package embrick.core.lanes;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import embrick.core.lanes.BoundLanes.Room;
import java.util.Arrays;
import java.util.Random;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Ranges and slopes of neighbours: by vector code and by plain code alike to the bit, and what their definitions say. */
class NeighbourLanesTest {
    private static final int APART = 400;

    private final Lanes plain = new PlainLanes();
    private final Lanes vector = new VectorLanes();
    private final Random random = new Random(23);

    private float[] floats(int length) {
        float[] floats = new float[length + Lanes.SLACK];
        for (int i = 0; i < floats.length; i++) {
            floats[i] = random.nextFloat();
        }
        return floats;
    }

    private static void assertSame(float[] vector, float[] plain, int from, int length) {
        assertThat(Arrays.copyOfRange(vector, from, from + length))
                .isEqualTo(Arrays.copyOfRange(plain, from, from + length));
    }

    @ParameterizedTest
    @ValueSource(ints = {1, 15, 16, 17, 180})
    void theLeastAndTheMostOfThreeRows(int length) {
        float[] rows = floats(3 * APART);
        int[] starts = {APART + 1, 0, 2 * APART + 5};
        float[] ofPlain = floats(length + 2);
        float[] ofVector = ofPlain.clone();
        plain.least(rows, starts, ofPlain, 2, length);
        vector.least(rows, starts, ofVector, 2, length);
        assertSame(ofVector, ofPlain, 2, length);
        float[] sorted = {rows[starts[0]], rows[starts[1]], rows[starts[2]]};
        Arrays.sort(sorted);
        assertThat(ofPlain[2]).isEqualTo(sorted[0]);
        plain.most(rows, starts, ofPlain, 2, length);
        vector.most(rows, starts, ofVector, 2, length);
        assertSame(ofVector, ofPlain, 2, length);
        assertThat(ofPlain[2]).isEqualTo(sorted[2]);
    }

    @ParameterizedTest
    @ValueSource(ints = {1, 16, 33, 180})
    void nothingIsAddedWhereNeighboursAreEvenAndNoneLeavesItsRoom(int length) {
        Room room = new Room(0.25f, 0.5f, 0, 0.75f, 0.125f);
        float[] low = floats(length);
        float[] high = low.clone();
        for (int i = 0; i < high.length; i++) {
            high[i] += i % 4 * 0.25f;
        }
        float[] vectorLow = low.clone();
        float[] vectorHigh = high.clone();
        float[] share = new float[low.length];
        float[] vectorShare = new float[low.length];
        plain.share(low, high, room, share, 0, length);
        vector.share(vectorLow, vectorHigh, room, vectorShare, 0, length);
        assertSame(vectorShare, share, 0, length);
        assertSame(vectorLow, low, 0, length);
        assertSame(vectorHigh, high, 0, length);
        for (int i = 0; i < length; i++) {
            // By ranges of 0, 0.25, 0.5 and 0.75; sums of such floats are rounded.
            assertThat(share[i]).isCloseTo(i % 4 < 2 ? 0 : 0.75f, within(1e-6f));
        }

        float[] before = floats(length);
        float[] found = floats(length + 3);
        float[] added = new float[low.length];
        float[] vectorAdded = new float[low.length];
        plain.addWithin(before, found, 3, share, low, high, 0, added, length);
        vector.addWithin(before, found, 3, share, low, high, 0, vectorAdded, length);
        assertSame(vectorAdded, added, 0, length);
        for (int i = 0; i < length; i++) {
            assertThat(before[i] + added[i]).isBetween(low[i] - 1e-6f, high[i] + 1e-6f);
        }
    }

    @ParameterizedTest
    @ValueSource(ints = {1, 16, 128, 157})
    void slopesAndStepsAreAdded(int length) {
        float[] in = floats(4 * APART);
        float[] sums = floats(length);
        float[] vectorSums = sums.clone();
        float before = sums[0];
        plain.addSquaredSlopes(in, APART, APART, sums, length);
        vector.addSquaredSlopes(in, APART, APART, vectorSums, length);
        assertSame(vectorSums, sums, 0, length);
        float across = in[APART + 1] - in[APART];
        float down = in[2 * APART] - in[APART];
        assertThat(sums[0]).isEqualTo(before + (across * across + down * down));

        for (int next : new int[] {1, APART}) {
            float[] counts = new float[sums.length];
            float[] vectorCounts = new float[sums.length];
            plain.addSteps(in, APART, next, 0.4f, sums, counts, length);
            vector.addSteps(in, APART, next, 0.4f, vectorSums, vectorCounts, length);
            assertSame(vectorSums, sums, 0, length);
            assertSame(vectorCounts, counts, 0, length);
            float step = Math.abs((in[APART + next] - in[APART])
                    - (in[APART] - in[APART - next] + in[APART + 2 * next] - in[APART + next]) / 2);
            assertThat(counts[0]).isEqualTo(step < 0.4f ? 1 : 0);
        }
    }
}
