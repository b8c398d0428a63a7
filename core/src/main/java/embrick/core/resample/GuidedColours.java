package embrick.core.resample;

import embrick.core.lanes.Lanes;
import embrick.core.resample.DoubledBlock.Luminance;

/**
 * Softens what JPEG left in the colours, and leaves the luminance. In a small neighbourhood colours mostly go along with the
 * luminance, and marks of JPEG do not: what red and blue differ from green is drawn towards the straight line of the
 * luminance that fits it best there (the guided filter of He, Sun and Tang 2010). Where no line fits, colours change by
 * themselves, and they are left the more of what they are.
 *
 * <p>For areas of one size; a pixel's colours depend on those up to {@link #REACH} pixels from it. One thread at a time.
 */
final class GuidedColours {
    /** Pixels to each side of a neighbourhood; means are taken of means. */
    private static final int RADIUS = 2;

    static final int REACH = 2 * RADIUS;

    /** Variances from which the luminance is followed, and up to which what does not fit is taken for marks: 2 and 5 counts of 255. */
    private static final float EVEN = 4f / (255 * 255);

    private static final float MARKS = 25f / (255 * 255);

    private static final int SIDE = 2 * RADIUS + 1;

    /** The pixels of a neighbourhood beside each other, and their weights; below each other they make it a mean. */
    private static final int[] BESIDE = {0, 1, 2, 3, 4};

    private static final float[] ONE_EACH = {1, 1, 1, 1, 1};
    private static final float[] SHARE_EACH = {0.04f, 0.04f, 0.04f, 0.04f, 0.04f};

    private final Lanes lanes = Lanes.best();
    private final int length;
    private final int[] below;
    private final int columns;
    private final int rows;
    private final Luminance luminance;
    private final float[] lightMean;
    private final float[] lightSpread;
    private final float[] colour;
    private final float[] colourMean;
    private final float[] together;
    private final float[] squares;
    private final float[] slope;
    private final float[] start;
    private final float[] unlike;
    private final float[] product;
    private final float[] across;
    private final float[] red;
    private final float[] blue;

    GuidedColours(int columns, int rows, Luminance luminance) {
        this.columns = columns;
        this.rows = rows;
        this.length = columns * rows;
        this.below = new int[] {0, columns, 2 * columns, 3 * columns, 4 * columns};
        this.luminance = luminance;
        this.lightMean = plane();
        this.lightSpread = plane();
        this.colour = plane();
        this.colourMean = plane();
        this.together = plane();
        this.squares = plane();
        this.slope = plane();
        this.start = plane();
        this.unlike = plane();
        this.product = plane();
        this.across = plane();
        this.red = plane();
        this.blue = plane();
    }

    private float[] plane() {
        return new float[length + Lanes.SLACK];
    }

    /**
     * Changes the area's colours, but for {@link #REACH} pixels at its rim.
     *
     * @param area red, green and blue first of each pixel's channels
     * @param light its luminance
     */
    void soften(float[] area, int channels, float[] light) {
        mean(light, lightMean);
        multiply(light, light);
        mean(product, lightSpread);
        for (int i = 0; i < length; i++) {
            lightSpread[i] -= lightMean[i] * lightMean[i];
        }
        change(area, channels, 0, light, red);
        change(area, channels, 2, light, blue);
        for (int y = REACH; y < rows - REACH; y++) {
            for (int x = REACH; x < columns - REACH; x++) {
                int i = y * columns + x;
                int at = i * channels;
                // So that the luminance, to which red and blue add their shares, stays.
                float green = -luminance.red() * red[i] - luminance.blue() * blue[i];
                area[at] += green + red[i];
                area[at + 1] += green;
                area[at + 2] += green + blue[i];
            }
        }
    }

    /** By how much more than green one colour is to change. What is grey stays so: there is no difference that could change. */
    private void change(float[] area, int channels, int channel, float[] light, float[] into) {
        for (int i = 0; i < length; i++) {
            colour[i] = area[i * channels + channel] - area[i * channels + 1];
        }
        mean(colour, colourMean);
        multiply(colour, light);
        mean(product, together);
        multiply(colour, colour);
        mean(product, squares);
        for (int i = 0; i < length; i++) {
            float common = together[i] - colourMean[i] * lightMean[i];
            slope[i] = common / (Math.max(lightSpread[i], 0) + EVEN);
            start[i] = colourMean[i] - slope[i] * lightMean[i];
            unlike[i] = Math.max(squares[i] - colourMean[i] * colourMean[i] - slope[i] * common, 0);
        }
        mean(slope, together);
        mean(start, colourMean);
        mean(unlike, squares);
        for (int i = 0; i < length; i++) {
            float line = together[i] * light[i] + colourMean[i];
            into[i] = (line - colour[i]) * (MARKS / (MARKS + squares[i]));
        }
    }

    private void multiply(float[] one, float[] other) {
        for (int i = 0; i < length; i++) {
            product[i] = one[i] * other[i];
        }
    }

    /** Means of five by five; at the rim, where they would reach beyond the area, they mean nothing. Whole planes are mixed like rows. */
    private void mean(float[] of, float[] into) {
        lanes.mixRows(of, BESIDE, ONE_EACH, 0, SIDE, across, RADIUS, length - 2 * RADIUS);
        lanes.mixRows(across, below, SHARE_EACH, 0, SIDE, into, RADIUS * columns, length - 2 * RADIUS * columns);
    }
}
