package embrick.core.lanes;

import jdk.incubator.vector.FloatVector;
import jdk.incubator.vector.VectorMask;
import jdk.incubator.vector.VectorShuffle;
import jdk.incubator.vector.VectorSpecies;

/**
 * Turns squares of sixteen by sixteen: rows become columns. Four times, halves, quarters, eighths and single lanes are
 * exchanged between two registers; two such rounds, on four registers each, are one short method.
 */
final class VectorTurning {
    private static final VectorSpecies<Float> WIDE = FloatVector.SPECIES_PREFERRED;
    private static final int LANES = WIDE.length();
    private static final int SIDE = 16;

    private static final VectorShuffle<Float> BY_8 = crossed(8);
    private static final VectorShuffle<Float> BY_4 = crossed(4);
    private static final VectorShuffle<Float> BY_2 = crossed(2);
    private static final VectorShuffle<Float> BY_1 = crossed(1);
    private static final VectorMask<Float> HIGH_8 = high(8);
    private static final VectorMask<Float> HIGH_4 = high(4);
    private static final VectorMask<Float> HIGH_2 = high(2);
    private static final VectorMask<Float> HIGH_1 = high(1);
    private static final VectorMask<Float> LOW_8 = HIGH_8.not();
    private static final VectorMask<Float> LOW_4 = HIGH_4.not();
    private static final VectorMask<Float> LOW_2 = HIGH_2.not();
    private static final VectorMask<Float> LOW_1 = HIGH_1.not();

    private VectorTurning() {}

    private static VectorShuffle<Float> crossed(int distance) {
        return VectorShuffle.fromOp(WIDE, lane -> (lane ^ distance) % LANES);
    }

    private static VectorMask<Float> high(int distance) {
        boolean[] lanes = new boolean[LANES];
        for (int lane = 0; lane < LANES; lane++) {
            lanes[lane] = (lane & distance) != 0;
        }
        return VectorMask.fromArray(WIDE, lanes, 0);
    }

    /** Whether registers have sixteen lanes. */
    static boolean isFit() {
        return LANES == SIDE;
    }

    /** Halves and quarters, between rows 8 and 4 apart. */
    static void far(
            float[] in, int from, int apart, int next, float[] out, int at, int outApart, int outNext, int squares) {
        for (int i = 0; i < 4 * squares; i++) {
            int row = i & 3;
            int square = i >> 2;
            int a = from + square * next + row * apart;
            FloatVector first = FloatVector.fromArray(WIDE, in, a);
            FloatVector second = FloatVector.fromArray(WIDE, in, a + 4 * apart);
            FloatVector third = FloatVector.fromArray(WIDE, in, a + 8 * apart);
            FloatVector fourth = FloatVector.fromArray(WIDE, in, a + 12 * apart);
            FloatVector one = first.blend(third.rearrange(BY_8), HIGH_8);
            FloatVector two = second.blend(fourth.rearrange(BY_8), HIGH_8);
            FloatVector three = third.blend(first.rearrange(BY_8), LOW_8);
            FloatVector four = fourth.blend(second.rearrange(BY_8), LOW_8);
            int to = at + square * outNext + row * outApart;
            one.blend(two.rearrange(BY_4), HIGH_4).intoArray(out, to);
            two.blend(one.rearrange(BY_4), LOW_4).intoArray(out, to + 4 * outApart);
            three.blend(four.rearrange(BY_4), HIGH_4).intoArray(out, to + 8 * outApart);
            four.blend(three.rearrange(BY_4), LOW_4).intoArray(out, to + 12 * outApart);
        }
    }

    /** Eighths and single lanes, between rows 2 and 1 apart, in place. */
    static void near(float[] out, int at, int apart, int next, int squares) {
        for (int i = 0; i < 4 * squares; i++) {
            int a = at + (i >> 2) * next + (i & 3) * 4 * apart;
            FloatVector first = FloatVector.fromArray(WIDE, out, a);
            FloatVector second = FloatVector.fromArray(WIDE, out, a + apart);
            FloatVector third = FloatVector.fromArray(WIDE, out, a + 2 * apart);
            FloatVector fourth = FloatVector.fromArray(WIDE, out, a + 3 * apart);
            FloatVector one = first.blend(third.rearrange(BY_2), HIGH_2);
            FloatVector two = second.blend(fourth.rearrange(BY_2), HIGH_2);
            FloatVector three = third.blend(first.rearrange(BY_2), LOW_2);
            FloatVector four = fourth.blend(second.rearrange(BY_2), LOW_2);
            one.blend(two.rearrange(BY_1), HIGH_1).intoArray(out, a);
            two.blend(one.rearrange(BY_1), LOW_1).intoArray(out, a + apart);
            three.blend(four.rearrange(BY_1), HIGH_1).intoArray(out, a + 2 * apart);
            four.blend(three.rearrange(BY_1), LOW_1).intoArray(out, a + 3 * apart);
        }
    }
}
