package embrick.core.lanes;

import java.util.Arrays;

/** Tables, a sample at a time. */
final class PlainTables {
    private PlainTables() {}

    static void between(float[] table, int length, int[] rows, float[] parts, float[] out, int count) {
        for (int p = 0; p < count; p++) {
            int from = rows[p] * length;
            for (int t = 0; t < length; t++) {
                out[p * length + t] = between(table, from + t, length, parts[p]);
            }
        }
    }

    static void betweenFourfold(float[] table, int length, int[] rows, float[] parts, float[] out, int count) {
        for (int p = 0; p < count; p++) {
            int from = rows[p] * length;
            for (int t = 0; t < length; t++) {
                int at = 4 * (p * length + t);
                Arrays.fill(out, at, at + 4, between(table, from + t, length, parts[p]));
            }
        }
    }

    private static float between(float[] table, int from, int next, float part) {
        return table[from] + part * (table[from + next] - table[from]);
    }

    static void lookUp(float[] table, float[] in, int from, float[] out, int at, int count) {
        float steps = table.length - 2;
        for (int i = 0; i < count; i++) {
            out[at + i] = between(table, Math.clamp(in[from + i], 0f, 1f) * steps);
        }
    }

    static void lookUpRoot(float[] table, float[] in, int from, float[] out, int at, int count) {
        float steps = table.length - 2;
        for (int i = 0; i < count; i++) {
            float root = (float) Math.sqrt(Math.clamp(in[from + i], 0f, 1f));
            out[at + i] = between(table, (float) Math.sqrt(root) * steps);
        }
    }

    static void lookUpRootAndBelow(float[] table, float below, float[] in, int from, float[] out, int at, int count) {
        lookUpRoot(table, in, from, out, at, count);
        for (int i = 0; i < count; i++) {
            out[at + i] += below * Math.min(0f, in[from + i]);
        }
    }

    private static float between(float[] table, float place) {
        int below = (int) place;
        return between(table, below, 1, place - below);
    }
}
