package embrick.core.lanes;

import jdk.incubator.vector.FloatVector;
import jdk.incubator.vector.IntVector;
import jdk.incubator.vector.VectorOperators;
import jdk.incubator.vector.VectorShuffle;
import jdk.incubator.vector.VectorSpecies;

/** Tables, a register of samples at a time. Each loop gives how many it has done; the rest is the caller's. */
final class VectorTables {
    private static final VectorSpecies<Float> WIDE = FloatVector.SPECIES_PREFERRED;
    private static final VectorSpecies<Float> NODE = FloatVector.SPECIES_128;
    private static final int LANES = WIDE.length();
    private static final int QUARTER = LANES / 4;
    private static final VectorShuffle<Float> FIRST_FOURFOLD = fourfold(0);
    private static final VectorShuffle<Float> SECOND_FOURFOLD = fourfold(1);
    private static final VectorShuffle<Float> THIRD_FOURFOLD = fourfold(2);
    private static final VectorShuffle<Float> FOURTH_FOURFOLD = fourfold(3);

    private VectorTables() {}

    static int lookUp(float[] table, float[] in, int from, float[] out, int at, int count) {
        int[] below = new int[LANES];
        float steps = table.length - 2;
        int i = 0;
        for (; i + LANES <= count; i += LANES) {
            between(table, clipped(in, from + i).mul(steps), below).intoArray(out, at + i);
        }
        return i;
    }

    static int lookUpRoot(float[] table, float[] in, int from, float[] out, int at, int count) {
        int[] below = new int[LANES];
        float steps = table.length - 2;
        int i = 0;
        for (; i + LANES <= count; i += LANES) {
            FloatVector root = clipped(in, from + i).sqrt().sqrt();
            between(table, root.mul(steps), below).intoArray(out, at + i);
        }
        return i;
    }

    static int lookUpRootAndBelow(float[] table, float below, float[] in, int from, float[] out, int at, int count) {
        int[] places = new int[LANES];
        float steps = table.length - 2;
        int i = 0;
        for (; i + LANES <= count; i += LANES) {
            FloatVector samples = FloatVector.fromArray(WIDE, in, from + i);
            FloatVector root = samples.max(0f).min(1f).sqrt().sqrt();
            between(table, root.mul(steps), places)
                    .add(samples.min(0f).mul(below))
                    .intoArray(out, at + i);
        }
        return i;
    }

    /** A node is a register. Two sums a step would be another order of summation than the plain version's. */
    static void mixNodes(float[] nodes, int[] places, float[] weights, int taps, int row, float[] out, int count) {
        for (int p = 0; p < count; p++) {
            FloatVector sum = FloatVector.zero(NODE);
            for (int t = p; t < taps * row; t += row) {
                sum = sum.add(FloatVector.fromArray(NODE, nodes, places[t]).mul(weights[t]));
            }
            sum.intoArray(out, p * 4);
        }
    }

    private static FloatVector clipped(float[] in, int from) {
        return FloatVector.fromArray(WIDE, in, from).max(0f).min(1f);
    }

    private static FloatVector between(float[] table, FloatVector places, int[] below) {
        IntVector whole = (IntVector) places.convert(VectorOperators.F2I, 0);
        whole.intoArray(below, 0);
        FloatVector low = FloatVector.fromArray(WIDE, table, 0, below, 0);
        FloatVector high = FloatVector.fromArray(WIDE, table, 1, below, 0);
        FloatVector part = places.sub((FloatVector) whole.convert(VectorOperators.I2F, 0));
        return low.add(part.mul(high.sub(low)));
    }

    /** A quarter of a register, each lane four times. */
    private static VectorShuffle<Float> fourfold(int quarter) {
        return VectorShuffle.fromOp(WIDE, lane -> quarter * QUARTER + lane / 4);
    }

    static void between(float[] table, int length, int[] rows, float[] parts, float[] out, int count) {
        if (length <= LANES) {
            for (int p = 0; p < count; p++) {
                between(table, rows[p] * length, length, parts[p]).intoArray(out, p * length);
            }
            return;
        }
        for (int p = 0; p < count; p++) {
            for (int t = 0; t < length; t += LANES) {
                between(table, rows[p] * length + t, length, parts[p]).intoArray(out, p * length + t);
            }
        }
    }

    static void betweenFourfold(float[] table, int length, int[] rows, float[] parts, float[] out, int count) {
        if (length <= LANES) {
            for (int p = 0; p < count; p++) {
                fourfold(between(table, rows[p] * length, length, parts[p]), out, 4 * p * length);
            }
            return;
        }
        for (int p = 0; p < count; p++) {
            for (int t = 0; t < length; t += LANES) {
                fourfold(between(table, rows[p] * length + t, length, parts[p]), out, 4 * (p * length + t));
            }
        }
    }

    private static FloatVector between(float[] table, int from, int next, float part) {
        FloatVector low = FloatVector.fromArray(WIDE, table, from);
        return FloatVector.fromArray(WIDE, table, from + next)
                .sub(low)
                .mul(part)
                .add(low);
    }

    private static void fourfold(FloatVector values, float[] out, int at) {
        values.rearrange(FIRST_FOURFOLD).intoArray(out, at);
        values.rearrange(SECOND_FOURFOLD).intoArray(out, at + LANES);
        values.rearrange(THIRD_FOURFOLD).intoArray(out, at + 2 * LANES);
        values.rearrange(FOURTH_FOURFOLD).intoArray(out, at + 3 * LANES);
    }
}
