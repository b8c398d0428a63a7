package embrick.core.lanes;

import embrick.core.lanes.PlaneLanes.Filters;
import java.util.Arrays;

/** Whole rows at a time, so that the compiler can make vectors of them. */
final class PlainPlanes {
    private PlainPlanes() {}

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
        for (int o = 0; o < PlaneLanes.OUTPUTS_TOGETHER; o++) {
            int to = at + o * outPlane;
            Arrays.fill(out, to, to + length, filters.biases()[group * PlaneLanes.OUTPUTS_TOGETHER + o]);
            int weight = filters.from(group) + o;
            for (int tap : taps) {
                add(in, from + tap, filters.weights()[weight], out, to, length);
                weight += PlaneLanes.OUTPUTS_TOGETHER;
            }
            leak(out, to, length, filters.leak());
        }
    }

    private static void add(float[] in, int from, float weight, float[] out, int at, int length) {
        for (int i = 0; i < length; i++) {
            out[at + i] = Math.fma(in[from + i], weight, out[at + i]);
        }
    }

    private static void leak(float[] out, int at, int length, float leak) {
        for (int i = at; i < at + length; i++) {
            out[i] = Math.max(out[i], out[i] * leak);
        }
    }
}
