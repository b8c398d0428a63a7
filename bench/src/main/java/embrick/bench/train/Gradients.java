package embrick.bench.train;

import jdk.incubator.vector.FloatVector;
import jdk.incubator.vector.VectorSpecies;

/** How much each weight of four outputs is to blame, three neighbours at a time. */
final class Gradients {
    static final int TOGETHER = 3;

    private static final VectorSpecies<Float> WIDE = FloatVector.SPECIES_PREFERRED;
    private static final int LANES = WIDE.length();

    private Gradients() {}

    /** Planes: {@code at} is where the first row of the first begins. */
    record Planes(float[] values, int at, int plane, int row) {}

    /**
     * {@code sums[dx·4 + o] = Σ blame[o][y][x] · in[y][x + dx]}.
     *
     * @param blame of four outputs; 0 beyond their rows
     */
    static void sum(Planes blame, float[] in, int from, int row, int rows, int length, float[] sums) {
        FloatVector zero = FloatVector.zero(WIDE);
        FloatVector a0 = zero;
        FloatVector a1 = zero;
        FloatVector a2 = zero;
        FloatVector b0 = zero;
        FloatVector b1 = zero;
        FloatVector b2 = zero;
        FloatVector c0 = zero;
        FloatVector c1 = zero;
        FloatVector c2 = zero;
        FloatVector d0 = zero;
        FloatVector d1 = zero;
        FloatVector d2 = zero;
        float[] values = blame.values();
        int plane = blame.plane();
        for (int y = 0; y < rows; y++) {
            int p = from + y * row;
            int q = blame.at() + y * blame.row();
            for (int i = 0; i < length; i += LANES) {
                FloatVector x0 = FloatVector.fromArray(WIDE, in, p + i);
                FloatVector x1 = FloatVector.fromArray(WIDE, in, p + i + 1);
                FloatVector x2 = FloatVector.fromArray(WIDE, in, p + i + 2);
                FloatVector of = FloatVector.fromArray(WIDE, values, q + i);
                a0 = x0.fma(of, a0);
                a1 = x1.fma(of, a1);
                a2 = x2.fma(of, a2);
                of = FloatVector.fromArray(WIDE, values, q + plane + i);
                b0 = x0.fma(of, b0);
                b1 = x1.fma(of, b1);
                b2 = x2.fma(of, b2);
                of = FloatVector.fromArray(WIDE, values, q + 2 * plane + i);
                c0 = x0.fma(of, c0);
                c1 = x1.fma(of, c1);
                c2 = x2.fma(of, c2);
                of = FloatVector.fromArray(WIDE, values, q + 3 * plane + i);
                d0 = x0.fma(of, d0);
                d1 = x1.fma(of, d1);
                d2 = x2.fma(of, d2);
            }
        }
        put(sums, 0, a0, b0, c0, d0);
        put(sums, 4, a1, b1, c1, d1);
        put(sums, 8, a2, b2, c2, d2);
    }

    private static void put(float[] sums, int at, FloatVector a, FloatVector b, FloatVector c, FloatVector d) {
        sums[at] = sum(a);
        sums[at + 1] = sum(b);
        sums[at + 2] = sum(c);
        sums[at + 3] = sum(d);
    }

    /** In the order of the lanes: the sum that vectors have of their own is in another order once it is compiled. */
    private static float sum(FloatVector of) {
        float sum = 0;
        for (float lane : of.toArray()) {
            sum += lane;
        }
        return sum;
    }
}
