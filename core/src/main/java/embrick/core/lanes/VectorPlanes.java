package embrick.core.lanes;

import embrick.core.lanes.PlaneLanes.Filters;
import jdk.incubator.vector.FloatVector;
import jdk.incubator.vector.VectorSpecies;

/** Four outputs of two registers each, so that what is read once is used eight times. */
final class VectorPlanes {
    private static final VectorSpecies<Float> WIDE = FloatVector.SPECIES_PREFERRED;
    private static final int LANES = WIDE.length();

    private VectorPlanes() {}

    static void filterRow(
            float[] in,
            int from,
            int plane,
            int row,
            Filters filters,
            int group,
            float[] out,
            int at,
            int outPlane,
            int length) {
        float[] weights = filters.weights();
        float[] biases = filters.biases();
        int side = filters.side();
        int bias = group * PlaneLanes.OUTPUTS_TOGETHER;
        for (int i = 0; i < length; i += 2 * LANES) {
            FloatVector a0 = FloatVector.broadcast(WIDE, biases[bias]);
            FloatVector a1 = a0;
            FloatVector b0 = FloatVector.broadcast(WIDE, biases[bias + 1]);
            FloatVector b1 = b0;
            FloatVector c0 = FloatVector.broadcast(WIDE, biases[bias + 2]);
            FloatVector c1 = c0;
            FloatVector d0 = FloatVector.broadcast(WIDE, biases[bias + 3]);
            FloatVector d1 = d0;
            int k = filters.from(group);
            for (int c = 0; c < filters.inputs(); c++) {
                for (int dy = 0; dy < side; dy++) {
                    int start = from + c * plane + dy * row + i;
                    for (int dx = 0; dx < side; dx++, k += PlaneLanes.OUTPUTS_TOGETHER) {
                        FloatVector near = FloatVector.fromArray(WIDE, in, start + dx);
                        FloatVector next = FloatVector.fromArray(WIDE, in, start + dx + LANES);
                        FloatVector first = FloatVector.broadcast(WIDE, weights[k]);
                        a0 = near.fma(first, a0);
                        a1 = next.fma(first, a1);
                        FloatVector second = FloatVector.broadcast(WIDE, weights[k + 1]);
                        b0 = near.fma(second, b0);
                        b1 = next.fma(second, b1);
                        FloatVector third = FloatVector.broadcast(WIDE, weights[k + 2]);
                        c0 = near.fma(third, c0);
                        c1 = next.fma(third, c1);
                        FloatVector fourth = FloatVector.broadcast(WIDE, weights[k + 3]);
                        d0 = near.fma(fourth, d0);
                        d1 = next.fma(fourth, d1);
                    }
                }
            }
            put(a0, a1, filters.leak(), out, at + i);
            put(b0, b1, filters.leak(), out, at + i + outPlane);
            put(c0, c1, filters.leak(), out, at + i + 2 * outPlane);
            put(d0, d1, filters.leak(), out, at + i + 3 * outPlane);
        }
    }

    private static void put(FloatVector near, FloatVector next, float leak, float[] out, int at) {
        near.max(near.mul(leak)).intoArray(out, at);
        next.max(next.mul(leak)).intoArray(out, at + LANES);
    }
}
