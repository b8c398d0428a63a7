package embrick.core.resample;

import embrick.core.resample.DoubledBlock.Luminance;

/**
 * Softens what JPEG left in the colours, and leaves the luminance. In a small neighbourhood colours mostly go along with the
 * luminance, and marks of JPEG do not: what red and blue differ from green is drawn towards the straight line of the
 * luminance that fits it best there (the guided filter of He, Sun and Tang 2010). Where no line fits, colours change by
 * themselves, and they are left the more of what they are.
 *
 * <p>For areas of one size; a pixel's colours depend on those up to {@link #REACH} pixels from it. It works row by row, so that
 * the rows it keeps stay in the first-level cache. One thread at a time.
 */
final class GuidedColours {
    /** Means are taken of means. */
    static final int REACH = 2 * MeanOfFive.RADIUS;

    /** Variances from which the luminance is followed, and up to which what does not fit is taken for marks: 2 and 5 counts of 255. */
    private static final float EVEN = 4f / (255 * 255);

    private static final float MARKS = 25f / (255 * 255);

    private final int columns;
    private final int rows;
    private final Luminance luminance;
    private final int length;
    private final MeanOfFive lights;
    private final MeanOfFive lightSquares;
    private final float[] light;
    private final float[] lightMean;
    private final float[] lightSpread;
    private final float[] product;
    private final Colour red;
    private final Colour blue;

    GuidedColours(int columns, int rows, Luminance luminance) {
        this.columns = columns;
        this.rows = rows;
        this.luminance = luminance;
        this.length = MeanOfFive.rowLength(columns);
        this.lights = new MeanOfFive(columns);
        this.lightSquares = new MeanOfFive(columns);
        this.light = new float[length];
        this.lightMean = new float[length];
        this.lightSpread = new float[length];
        this.product = new float[length];
        this.red = new Colour(0);
        this.blue = new Colour(2);
    }

    /**
     * Changes the area's colours, but for {@link #REACH} pixels at its rim.
     *
     * @param area red, green and blue first of each pixel's channels
     * @param luminances its luminance
     */
    void soften(float[] area, int channels, float[] luminances) {
        for (int y = 0; y < rows; y++) {
            System.arraycopy(luminances, y * columns, light, 0, columns);
            lights.take(light, y);
            multiply(light, light, product);
            lightSquares.take(product, y);
            red.take(area, channels, y);
            blue.take(area, channels, y);
            int fitted = y - MeanOfFive.RADIUS;
            if (fitted >= MeanOfFive.RADIUS) {
                lights.mean(fitted, lightMean);
                lightSquares.mean(fitted, lightSpread);
                subtractSquare(lightSpread, lightMean);
                red.fit(fitted);
                blue.fit(fitted);
            }
            int changed = y - REACH;
            if (changed >= REACH) {
                System.arraycopy(luminances, changed * columns, light, 0, columns);
                red.find(changed);
                blue.find(changed);
                change(area, channels, changed);
            }
        }
    }

    private void change(float[] area, int channels, int y) {
        for (int x = REACH; x < columns - REACH; x++) {
            int at = (y * columns + x) * channels;
            // So that the luminance, to which red and blue add their shares, stays.
            float green = -luminance.red() * red.more[x] - luminance.blue() * blue.more[x];
            area[at] += green + red.more[x];
            area[at + 1] += green;
            area[at + 2] += green + blue.more[x];
        }
    }

    private static void multiply(float[] one, float[] other, float[] into) {
        for (int i = 0; i < into.length; i++) {
            into[i] = one[i] * other[i];
        }
    }

    private static void subtractSquare(float[] from, float[] of) {
        for (int i = 0; i < from.length; i++) {
            from[i] -= of[i] * of[i];
        }
    }

    /** How one colour differs from green. What is grey stays so: there is no difference that could change. */
    private final class Colour {
        private final int channel;
        private final MeanOfFive colours = new MeanOfFive(columns);
        private final MeanOfFive productsWithLight = new MeanOfFive(columns);
        private final MeanOfFive squares = new MeanOfFive(columns);
        private final MeanOfFive slopes = new MeanOfFive(columns);
        private final MeanOfFive starts = new MeanOfFive(columns);
        private final MeanOfFive unlikes = new MeanOfFive(columns);
        /** The differences of the rows whose change is not known yet. */
        private final float[][] differences = new float[REACH + 1][length];

        private final float[] mean = new float[length];
        private final float[] slope = new float[length];
        private final float[] unlike = new float[length];
        /** By how much more than green the colour of each pixel of a row is to change. */
        private final float[] more = new float[length];

        Colour(int channel) {
            this.channel = channel;
        }

        void take(float[] area, int channels, int y) {
            float[] difference = differences[y % differences.length];
            int from = y * columns * channels;
            for (int x = 0; x < columns; x++) {
                difference[x] = area[from + x * channels + channel] - area[from + x * channels + 1];
            }
            colours.take(difference, y);
            multiply(difference, light, product);
            productsWithLight.take(product, y);
            multiply(difference, difference, product);
            squares.take(product, y);
        }

        /** The line that fits best round each pixel of a row, and how badly it does. */
        void fit(int y) {
            colours.mean(y, mean);
            productsWithLight.mean(y, slope);
            squares.mean(y, unlike);
            fit(mean, slope, unlike, lightMean, lightSpread);
            slopes.take(slope, y);
            starts.take(mean, y);
            unlikes.take(unlike, y);
        }

        /**
         * @param mean of the colour; then where the line begins
         * @param slope the mean product with the luminance; then the line's slope
         * @param unlike the mean square; then the variance beside the line
         */
        private static void fit(float[] mean, float[] slope, float[] unlike, float[] lightMean, float[] lightSpread) {
            for (int i = 0; i < mean.length; i++) {
                float common = slope[i] - mean[i] * lightMean[i];
                float steep = common / (Math.max(lightSpread[i], 0) + EVEN);
                unlike[i] = Math.max(unlike[i] - mean[i] * mean[i] - steep * common, 0);
                mean[i] -= steep * lightMean[i];
                slope[i] = steep;
            }
        }

        /** What each pixel of a row is to change. */
        void find(int y) {
            slopes.mean(y, slope);
            starts.mean(y, mean);
            unlikes.mean(y, unlike);
            find(slope, mean, unlike, light, differences[y % differences.length], more);
        }

        private static void find(
                float[] slope, float[] start, float[] unlike, float[] light, float[] difference, float[] more) {
            for (int i = 0; i < more.length; i++) {
                float line = slope[i] * light[i] + start[i];
                more[i] = (line - difference[i]) * (MARKS / (MARKS + unlike[i]));
            }
        }
    }
}
