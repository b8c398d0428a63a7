package embrick.core.lanes;

import jdk.incubator.vector.FloatVector;
import jdk.incubator.vector.VectorMask;
import jdk.incubator.vector.VectorSpecies;

/** A register at a time; what is beyond the length is done with it. */
final class VectorSlopes {
    private static final VectorSpecies<Float> WIDE = FloatVector.SPECIES_PREFERRED;
    private static final int LANES = WIDE.length();

    private VectorSlopes() {}

    static void addSquaredSlopes(float[] in, int from, int apart, float[] sums, int length) {
        for (int i = 0; i < length; i += LANES) {
            FloatVector here = FloatVector.fromArray(WIDE, in, from + i);
            FloatVector across = FloatVector.fromArray(WIDE, in, from + i + 1).sub(here);
            FloatVector down = FloatVector.fromArray(WIDE, in, from + i + apart).sub(here);
            FloatVector squares = across.mul(across).add(down.mul(down));
            FloatVector.fromArray(WIDE, sums, i).add(squares).intoArray(sums, i);
        }
    }

    static void addSteps(float[] in, int from, int next, float most, float[] sums, float[] counts, int length) {
        for (int i = 0; i < length; i += LANES) {
            int at = from + i;
            FloatVector here = FloatVector.fromArray(WIDE, in, at);
            FloatVector beyond = FloatVector.fromArray(WIDE, in, at + next);
            FloatVector before = here.sub(FloatVector.fromArray(WIDE, in, at - next));
            FloatVector after = FloatVector.fromArray(WIDE, in, at + 2 * next).sub(beyond);
            FloatVector step = beyond.sub(here).sub(before.add(after).mul(0.5f)).abs();
            VectorMask<Float> isLow = step.lt(most);
            FloatVector.fromArray(WIDE, sums, i).add(step, isLow).intoArray(sums, i);
            FloatVector.fromArray(WIDE, counts, i).add(1f, isLow).intoArray(counts, i);
        }
    }
}
