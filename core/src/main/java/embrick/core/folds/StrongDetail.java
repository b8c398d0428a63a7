package embrick.core.folds;

import embrick.core.found.SmallPixels;
import java.util.Arrays;

/**
 * Where a picture's detail is strong: Sobel's slope of any one channel is that of a step of a fifth of its range or more (a
 * red kite on blue sky stands out though both are as light), and stronger than nine tenths of the picture's own, so that a
 * picture that is all gravel has no strong detail in its gravel. What is meant is faces, masts, letters; soft clouds and sand
 * pass. Beside an upright line only what changes from left to right counts, beside a level one what changes from the top down:
 * a horizon, or the edges of sandbanks, have to go through a fold. Common practice, no source.
 */
final class StrongDetail {
    /** Four times the step: Sobel's weights of one side add up to 4. */
    private static final float STRONG = 4 * 0.2f;

    private static final double ORDINARY = 0.9;
    /** Pictures are looked at with about so many pixels on their longer side. */
    private static final int LONGER_SIDE = 900;

    private final int width;
    private final int height;
    /** Slopes from left to right, and from the top down. */
    private final float[] across;

    private final float[] down;
    private final float least;

    private StrongDetail(int width, int height, float[] across, float[] down) {
        this.width = width;
        this.height = height;
        this.across = across;
        this.down = down;
        float[] sorted = new float[across.length];
        for (int i = 0; i < sorted.length; i++) {
            sorted[i] = Math.max(across[i], down[i]);
        }
        Arrays.sort(sorted);
        // A step of a fifth, a rounding error forgiven.
        this.least = Math.max(STRONG - 1e-4f, sorted[(int) (ORDINARY * (sorted.length - 1))]);
    }

    static StrongDetail of(SmallPixels picture) {
        int step = Math.max(1, (int) Math.round((double) Math.max(picture.width(), picture.height()) / LONGER_SIDE));
        int width = picture.width() / step;
        int height = picture.height() / step;
        float[] across = new float[width * height];
        float[] down = new float[width * height];
        for (int c = 0; c < SmallPixels.COLOURS; c++) {
            if (c == 0 || picture.planes()[c] != picture.planes()[0]) {
                steeper(reduced(picture, c, step, width, height), width, height, across, down);
            }
        }
        return new StrongDetail(width, height, across, down);
    }

    /** The means of squares. */
    private static float[] reduced(SmallPixels picture, int colour, int step, int width, int height) {
        float[] plane = picture.planes()[colour];
        float[] means = new float[width * height];
        for (int y = 0; y < height * step; y++) {
            for (int x = 0; x < width * step; x++) {
                means[y / step * width + x / step] += plane[y * picture.width() + x] / (step * step);
            }
        }
        return means;
    }

    private static void steeper(float[] tones, int width, int height, float[] across, float[] down) {
        for (int y = 1; y < height - 1; y++) {
            for (int x = 1; x < width - 1; x++) {
                int at = y * width + x;
                int above = at - width;
                int below = at + width;
                float right = tones[above + 1] + 2 * tones[at + 1] + tones[below + 1];
                float left = tones[above - 1] + 2 * tones[at - 1] + tones[below - 1];
                float low = tones[below - 1] + 2 * tones[below] + tones[below + 1];
                float high = tones[above - 1] + 2 * tones[above] + tones[above + 1];
                across[at] = Math.max(across[at], Math.abs(right - left));
                down[at] = Math.max(down[at], Math.abs(low - high));
            }
        }
    }

    /** The share of its pixels that are strong. */
    double density() {
        int count = 0;
        for (int i = 0; i < across.length; i++) {
            count += Math.max(across[i], down[i]) >= least ? 1 : 0;
        }
        return (double) count / across.length;
    }

    int width() {
        return width;
    }

    int height() {
        return height;
    }

    /** Whether tones change strongly from left to right. */
    boolean isStrongAcross(int x, int y) {
        return across[y * width + x] >= least;
    }

    boolean isStrongDown(int x, int y) {
        return down[y * width + x] >= least;
    }
}
