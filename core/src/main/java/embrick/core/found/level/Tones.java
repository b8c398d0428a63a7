package embrick.core.found.level;

import embrick.core.found.SmallPixels;

/**
 * A picture in grey, reduced by means of whole squares.
 *
 * @param luma width × height, by Rec. 601's weights, 0..1
 * @param step pixels of the picture handed in to one of these
 */
record Tones(int width, int height, float[] luma, int step) {
    private static final float[] WEIGHTS = {0.299f, 0.587f, 0.114f};

    /** @param longer about so many pixels on the longer side, or the picture's own if it has fewer */
    static Tones of(SmallPixels picture, int longer) {
        int step = Math.max(1, Math.round(Math.max(picture.width(), picture.height()) / (float) longer));
        int width = picture.width() / step;
        int height = picture.height() / step;
        float[] luma = new float[width * height];
        for (int c = 0; c < WEIGHTS.length; c++) {
            add(picture.planes()[c], picture.width(), step, WEIGHTS[c], luma, width, height);
        }
        return new Tones(width, height, luma, step);
    }

    Tones reduced(int by) {
        int smaller = Math.max(1, width / by);
        int lower = Math.max(1, height / by);
        float[] reduced = new float[smaller * lower];
        add(luma, width, by, 1, reduced, smaller, lower);
        return new Tones(smaller, lower, reduced, step * by);
    }

    private static void add(float[] from, int fromWidth, int step, float weight, float[] into, int width, int height) {
        float part = weight / (step * step);
        for (int y = 0; y < height * step; y++) {
            int row = y / step * width;
            int at = y * fromWidth;
            for (int x = 0; x < width; x++) {
                float sum = 0;
                for (int k = 0; k < step; k++) {
                    sum += from[at++];
                }
                into[row + x] += sum * part;
            }
        }
    }
}
