package embrick.core.lanes;

import embrick.core.lanes.PlaneLanes.Filters;
import jdk.incubator.vector.FloatVector;
import jdk.incubator.vector.VectorSpecies;

/**
 * Four outputs of three registers each: what is read once is used twelve times, and with what is read they fill the sixteen
 * registers that every machine has. All taps are one loop, which the compiler unrolls.
 */
final class VectorPlanes {
    private static final VectorSpecies<Float> WIDE = FloatVector.SPECIES_PREFERRED;
    private static final int LANES = WIDE.length();
    private static final int TOGETHER = 3 * LANES;

    private VectorPlanes() {}

    static void filterRow(
            float[] in,
            int from,
            int[] taps,
            Filters filters,
            int group,
            float[] out,
            int at,
            int outPlane,
            int length) {
        float[] weights = filters.weights();
        float[] biases = filters.biases();
        float leak = filters.leak();
        int first = filters.from(group);
        int bias = group * PlaneLanes.OUTPUTS_TOGETHER;
        for (int i = 0; i < length; i += TOGETHER) {
            FloatVector a0 = FloatVector.broadcast(WIDE, biases[bias]);
            FloatVector a1 = a0;
            FloatVector a2 = a0;
            FloatVector b0 = FloatVector.broadcast(WIDE, biases[bias + 1]);
            FloatVector b1 = b0;
            FloatVector b2 = b0;
            FloatVector c0 = FloatVector.broadcast(WIDE, biases[bias + 2]);
            FloatVector c1 = c0;
            FloatVector c2 = c0;
            FloatVector d0 = FloatVector.broadcast(WIDE, biases[bias + 3]);
            FloatVector d1 = d0;
            FloatVector d2 = d0;
            for (int t = 0; t < taps.length; t++) {
                int start = from + taps[t] + i;
                int k = first + t * PlaneLanes.OUTPUTS_TOGETHER;
                FloatVector x0 = FloatVector.fromArray(WIDE, in, start);
                FloatVector x1 = FloatVector.fromArray(WIDE, in, start + LANES);
                FloatVector x2 = FloatVector.fromArray(WIDE, in, start + 2 * LANES);
                FloatVector weight = FloatVector.broadcast(WIDE, weights[k]);
                a0 = x0.fma(weight, a0);
                a1 = x1.fma(weight, a1);
                a2 = x2.fma(weight, a2);
                weight = FloatVector.broadcast(WIDE, weights[k + 1]);
                b0 = x0.fma(weight, b0);
                b1 = x1.fma(weight, b1);
                b2 = x2.fma(weight, b2);
                weight = FloatVector.broadcast(WIDE, weights[k + 2]);
                c0 = x0.fma(weight, c0);
                c1 = x1.fma(weight, c1);
                c2 = x2.fma(weight, c2);
                weight = FloatVector.broadcast(WIDE, weights[k + 3]);
                d0 = x0.fma(weight, d0);
                d1 = x1.fma(weight, d1);
                d2 = x2.fma(weight, d2);
            }
            int to = at + i;
            put(a0, leak, out, to);
            put(a1, leak, out, to + LANES);
            put(a2, leak, out, to + 2 * LANES);
            to += outPlane;
            put(b0, leak, out, to);
            put(b1, leak, out, to + LANES);
            put(b2, leak, out, to + 2 * LANES);
            to += outPlane;
            put(c0, leak, out, to);
            put(c1, leak, out, to + LANES);
            put(c2, leak, out, to + 2 * LANES);
            to += outPlane;
            put(d0, leak, out, to);
            put(d1, leak, out, to + LANES);
            put(d2, leak, out, to + 2 * LANES);
        }
    }

    /** One at a time: what is longer the compiler may not inline here, and vectors that are handed over go through memory. */
    private static void put(FloatVector sum, float leak, float[] out, int at) {
        sum.max(sum.mul(leak)).intoArray(out, at);
    }
}
