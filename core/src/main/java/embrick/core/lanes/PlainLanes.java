package embrick.core.lanes;

import java.util.Arrays;

/** Plain Java; whole-row loops are written so that the compiler can make vectors of them by itself. */
public final class PlainLanes implements Lanes {
    @Override
    public void mixRows(float[] rows, int[] starts, float[] weights, int from, int taps, float[] out, int length) {
        Arrays.fill(out, 0, length, 0f);
        int t = 0;
        for (; t + 4 <= taps; t += 4) {
            addFour(rows, starts, t, weights, from + t, out, length);
        }
        for (; t < taps; t++) {
            int start = starts[t];
            float weight = weights[from + t];
            for (int i = 0; i < length; i++) {
                out[i] += rows[start + i] * weight;
            }
        }
    }

    private static void addFour(float[] rows, int[] starts, int t, float[] weights, int from, float[] out, int length) {
        int a = starts[t];
        int b = starts[t + 1];
        int c = starts[t + 2];
        int d = starts[t + 3];
        float wa = weights[from];
        float wb = weights[from + 1];
        float wc = weights[from + 2];
        float wd = weights[from + 3];
        for (int i = 0; i < length; i++) {
            out[i] = out[i] + rows[a + i] * wa + rows[b + i] * wb + rows[c + i] * wc + rows[d + i] * wd;
        }
    }

    @Override
    public void mixPixels(
            float[] row, int[] starts, float[] weights, int taps, int channels, float[] into, int at, int count) {
        for (int x = 0; x < count; x++) {
            mixPixel(row, starts[x], weights, x * taps * 4, taps, channels, into, at + x * channels);
        }
    }

    static void mixPixel(
            float[] row, int start, float[] weights, int weight, int taps, int channels, float[] into, int target) {
        if (channels == 3) {
            float r = 0;
            float g = 0;
            float b = 0;
            for (int t = 0, from = start; t < taps; t++, from += 3) {
                float w = weights[weight + 4 * t];
                r += row[from] * w;
                g += row[from + 1] * w;
                b += row[from + 2] * w;
            }
            into[target] = r;
            into[target + 1] = g;
            into[target + 2] = b;
            return;
        }
        for (int c = 0; c < channels; c++) {
            float sum = 0;
            for (int t = 0; t < taps; t++) {
                sum += row[start + t * channels + c] * weights[weight + 4 * t];
            }
            into[target + c] = sum;
        }
    }

    @Override
    public void mixBlocks(
            float[] area,
            int[] starts,
            int stride,
            float[] down,
            int taps,
            int length,
            float[] out,
            int apart,
            int count) {
        for (int p = 0; p < count; p++) {
            int at = p * apart;
            Arrays.fill(out, at, at + length, 0f);
            for (int t = 0; t < taps; t++) {
                float weight = down[p * taps + t];
                int row = starts[p] + t * stride;
                for (int i = 0; i < length; i++) {
                    out[at + i] += area[row + i] * weight;
                }
            }
        }
    }

    @Override
    public void between(float[] a, int from, int next, float part, float[] out, int at, int length) {
        for (int i = 0; i < length; i++) {
            float low = a[from + i];
            out[at + i] = low + part * (a[from + next + i] - low);
        }
    }

    @Override
    public void toBytes(float[] in, int from, byte[] out, int at, int count) {
        for (int i = 0; i < count; i++) {
            out[at + i] = (byte) (int) (Math.clamp(in[from + i], 0f, 1f) * 255f + 0.5f);
        }
    }

    @Override
    public void toShorts(float[] in, int from, short[] out, int at, int count) {
        for (int i = 0; i < count; i++) {
            out[at + i] = (short) (int) (Math.clamp(in[from + i], 0f, 1f) * 65535f + 0.5f);
        }
    }

    @Override
    public void toFloats(short[] in, int from, float[] out, int at, int count) {
        for (int i = 0; i < count; i++) {
            out[at + i] = (in[from + i] & 0xffff) * (1f / 65535f);
        }
    }
}
