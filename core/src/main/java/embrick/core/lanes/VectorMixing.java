package embrick.core.lanes;

import jdk.incubator.vector.FloatVector;
import jdk.incubator.vector.VectorSpecies;

/** Weighted sums of rows and of small blocks, a few registers at a time, all taps before anything is stored. */
final class VectorMixing {
    private static final VectorSpecies<Float> WIDE = FloatVector.SPECIES_PREFERRED;
    private static final int LANES = WIDE.length();

    private VectorMixing() {}

    /** @return floats of the row that are done */
    static int rows(float[] rows, int[] starts, float[] weights, int from, int taps, float[] out, int at, int length) {
        int i = 0;
        for (; i + 4 * LANES <= length; i += 4 * LANES) {
            FloatVector a = FloatVector.zero(WIDE);
            FloatVector b = a;
            FloatVector c = a;
            FloatVector d = a;
            for (int t = 0; t < taps; t++) {
                FloatVector weight = FloatVector.broadcast(WIDE, weights[from + t]);
                int row = starts[t] + i;
                a = a.add(FloatVector.fromArray(WIDE, rows, row).mul(weight));
                b = b.add(FloatVector.fromArray(WIDE, rows, row + LANES).mul(weight));
                c = c.add(FloatVector.fromArray(WIDE, rows, row + 2 * LANES).mul(weight));
                d = d.add(FloatVector.fromArray(WIDE, rows, row + 3 * LANES).mul(weight));
            }
            a.intoArray(out, at + i);
            b.intoArray(out, at + i + LANES);
            c.intoArray(out, at + i + 2 * LANES);
            d.intoArray(out, at + i + 3 * LANES);
        }
        return i;
    }

    static void blocks(
            float[] area,
            int[] starts,
            int stride,
            float[] down,
            int from,
            int taps,
            int length,
            float[] out,
            int apart,
            int count) {
        int padded = Lanes.padded(taps);
        for (int p = 0; p < count; p++) {
            if (length <= 2 * LANES) {
                two(area, starts[p], stride, down, from + p * padded, taps, out, p * apart);
                continue;
            }
            for (int i = 0; i < length; i += 3 * LANES) {
                three(area, starts[p] + i, stride, down, from + p * padded, taps, out, p * apart + i);
            }
        }
    }

    private static void two(
            float[] area, int from, int stride, float[] down, int weights, int taps, float[] out, int at) {
        FloatVector a = FloatVector.zero(WIDE);
        FloatVector b = a;
        for (int t = 0, row = from; t < taps; t++, row += stride) {
            FloatVector weight = FloatVector.broadcast(WIDE, down[weights + t]);
            a = a.add(FloatVector.fromArray(WIDE, area, row).mul(weight));
            b = b.add(FloatVector.fromArray(WIDE, area, row + LANES).mul(weight));
        }
        a.intoArray(out, at);
        b.intoArray(out, at + LANES);
    }

    private static void three(
            float[] area, int from, int stride, float[] down, int weights, int taps, float[] out, int at) {
        FloatVector a = FloatVector.zero(WIDE);
        FloatVector b = a;
        FloatVector c = a;
        for (int t = 0, row = from; t < taps; t++, row += stride) {
            FloatVector weight = FloatVector.broadcast(WIDE, down[weights + t]);
            a = a.add(FloatVector.fromArray(WIDE, area, row).mul(weight));
            b = b.add(FloatVector.fromArray(WIDE, area, row + LANES).mul(weight));
            c = c.add(FloatVector.fromArray(WIDE, area, row + 2 * LANES).mul(weight));
        }
        a.intoArray(out, at);
        b.intoArray(out, at + LANES);
        c.intoArray(out, at + 2 * LANES);
    }
}
