package embrick.core.folds;

import embrick.core.found.SmallPixels;
import java.util.Arrays;

/**
 * Where a picture's detail is strong: Sobel's slope of any one channel is that of a step of a fifth of its range or more (a
 * red kite on blue sky stands out though both are as light), and stronger than nine tenths of the picture's own, so that a
 * picture that is all gravel has no strong detail in its gravel. What is meant is faces, masts, letters; soft clouds and sand
 * pass. Common practice, no source.
 */
final class StrongDetail {
    /** Four times the step: Sobel's weights of one side add up to 4. */
    private static final float STRONG = 4 * 0.2f;

    private static final double ORDINARY = 0.9;
    /** Pictures are looked at with about so many pixels on their longer side. */
    private static final int LONGER_SIDE = 900;

    private final int width;
    private final int height;
    private final boolean[] strong;

    private StrongDetail(int width, int height, boolean[] strong) {
        this.width = width;
        this.height = height;
        this.strong = strong;
    }

    static StrongDetail of(SmallPixels picture) {
        int step = Math.max(1, (int) Math.round((double) Math.max(picture.width(), picture.height()) / LONGER_SIDE));
        int width = picture.width() / step;
        int height = picture.height() / step;
        float[] slopes = new float[width * height];
        for (int c = 0; c < SmallPixels.COLOURS; c++) {
            if (c == 0 || picture.planes()[c] != picture.planes()[0]) {
                steeper(reduced(picture, c, step, width, height), width, height, slopes);
            }
        }
        float[] sorted = slopes.clone();
        Arrays.sort(sorted);
        float least = Math.max(STRONG - 1e-4f, sorted[(int) (ORDINARY * (sorted.length - 1))]);
        boolean[] strong = new boolean[slopes.length];
        for (int i = 0; i < strong.length; i++) {
            strong[i] = slopes[i] >= least;
        }
        return new StrongDetail(width, height, strong);
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

    private static void steeper(float[] tones, int width, int height, float[] slopes) {
        for (int y = 1; y < height - 1; y++) {
            for (int x = 1; x < width - 1; x++) {
                int at = y * width + x;
                int above = at - width;
                int below = at + width;
                float across = tones[above + 1]
                        - tones[above - 1]
                        + 2 * (tones[at + 1] - tones[at - 1])
                        + tones[below + 1]
                        - tones[below - 1];
                float down = tones[below - 1]
                        - tones[above - 1]
                        + 2 * (tones[below] - tones[above])
                        + tones[below + 1]
                        - tones[above + 1];
                slopes[at] = Math.max(slopes[at], Math.max(Math.abs(across), Math.abs(down)));
            }
        }
    }

    /** The share of its pixels that are strong. */
    double density() {
        int count = 0;
        for (boolean one : strong) {
            count += one ? 1 : 0;
        }
        return (double) count / strong.length;
    }

    int width() {
        return width;
    }

    int height() {
        return height;
    }

    boolean at(int x, int y) {
        return strong[y * width + x];
    }
}
