package embrick.core.lanes;

import java.util.Arrays;

/** Weights by distance, and sums with a weight for each pixel, in plain Java. */
final class PlainDistances {
    private PlainDistances() {}

    static void weigh(float[] coefficients, float x, float y, float step, int width, int rows, float[] out) {
        for (int r = 0; r < rows; r++) {
            float down = y + r * step;
            float below = down * down * 2f;
            for (int t = 0; t < width; t++) {
                float across = x + t * step;
                float z = across * across * 2f - 1f + below;
                out[r * width + t] = z < 1f ? series(coefficients, z) : 0f;
            }
        }
    }

    /** In the order of {@link VectorDistances}. */
    private static float series(float[] c, float z) {
        float squared = z * z;
        float first = (c[3] * z + c[2]) * squared + (c[1] * z + c[0]);
        float second = (c[7] * z + c[6]) * squared + (c[5] * z + c[4]);
        float third = (c[11] * z + c[10]) * squared + (c[9] * z + c[8]);
        float fourth = squared * squared;
        float low = second * fourth + first;
        float high = c[12] * fourth + third;
        return high * (fourth * fourth) + low;
    }

    static void sumColumns(
            float[] area,
            int from,
            int stride,
            int channels,
            float[] weights,
            int width,
            int rows,
            float[] sums,
            float[] weighed) {
        Arrays.fill(sums, 0, width * channels, 0f);
        Arrays.fill(weighed, 0, width, 0f);
        for (int r = 0; r < rows; r++) {
            int at = from + r * stride;
            for (int t = 0; t < width; t++) {
                float weight = weights[r * width + t];
                weighed[t] += weight;
                for (int c = 0; c < channels; c++) {
                    sums[t * channels + c] += area[at + t * channels + c] * weight;
                }
            }
        }
    }
}
