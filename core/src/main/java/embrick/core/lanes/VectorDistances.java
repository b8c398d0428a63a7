package embrick.core.lanes;

import jdk.incubator.vector.FloatVector;
import jdk.incubator.vector.VectorMask;
import jdk.incubator.vector.VectorOperators;
import jdk.incubator.vector.VectorSpecies;

/** Weights by distance, a series for each. */
final class VectorDistances {
    private static final VectorSpecies<Float> WIDE = FloatVector.SPECIES_PREFERRED;
    private static final int LANES = WIDE.length();

    private VectorDistances() {}

    static void weigh(float[] coefficients, float x, float y, float step, int width, int rows, float[] out) {
        for (int t = 0; t < width; t += LANES) {
            FloatVector across =
                    FloatVector.zero(WIDE).addIndex(1).add(t).mul(step).add(x);
            FloatVector squares = across.mul(across).mul(2f).sub(1f);
            for (int r = 0; r < rows; r++) {
                float down = y + r * step;
                FloatVector z = squares.add(down * down * 2f);
                VectorMask<Float> isBeyond = z.compare(VectorOperators.GE, 1f);
                series(coefficients, z).blend(0f, isBeyond).intoArray(out, r * width + t);
            }
        }
    }

    /** In pairs, and pairs of pairs, so that few terms wait for others. */
    private static FloatVector series(float[] c, FloatVector z) {
        FloatVector squared = z.mul(z);
        FloatVector first = pair(c, 2, z).mul(squared).add(pair(c, 0, z));
        FloatVector second = pair(c, 6, z).mul(squared).add(pair(c, 4, z));
        FloatVector third = pair(c, 10, z).mul(squared).add(pair(c, 8, z));
        FloatVector fourth = squared.mul(squared);
        FloatVector low = second.mul(fourth).add(first);
        FloatVector high = fourth.mul(c[12]).add(third);
        return high.mul(fourth.mul(fourth)).add(low);
    }

    private static FloatVector pair(float[] c, int k, FloatVector z) {
        return z.mul(c[k + 1]).add(c[k]);
    }
}
