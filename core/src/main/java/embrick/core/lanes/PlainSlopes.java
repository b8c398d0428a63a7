package embrick.core.lanes;

/** One value after the other. */
final class PlainSlopes {
    private PlainSlopes() {}

    static void addSquaredSlopes(float[] in, int from, int apart, float[] sums, int length) {
        for (int i = 0; i < length; i++) {
            float here = in[from + i];
            float across = in[from + i + 1] - here;
            float down = in[from + i + apart] - here;
            sums[i] += across * across + down * down;
        }
    }

    static void addSteps(float[] in, int from, int next, float most, float[] sums, float[] counts, int length) {
        for (int i = 0; i < length; i++) {
            int at = from + i;
            float between = in[at + next] - in[at];
            float beside = in[at] - in[at - next] + (in[at + 2 * next] - in[at + next]);
            float step = Math.abs(between - beside * 0.5f);
            if (step < most) {
                sums[i] += step;
                counts[i] += 1;
            }
        }
    }
}
