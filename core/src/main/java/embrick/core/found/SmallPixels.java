package embrick.core.found;

import embrick.core.pixels.Orientation;
import embrick.core.pixels.Raster;

/**
 * A reduced picture that is looked at: one plane for each colour, in memory.
 *
 * <p>Shapes: {@code planes} is three times width × height, row-major; a grey picture has its one plane three times. Units:
 * 0..1 of the encoding. The middle of pixel (x, y) lies at (x + 0.5, y + 0.5). The planes are the owner's and are not
 * changed by anything that looks.
 */
public record SmallPixels(int width, int height, float[][] planes) {
    public static final int COLOURS = 3;

    public SmallPixels {
        if (planes.length != COLOURS || planes[0].length < width * height) {
            throw new IllegalArgumentException("planes: expected " + COLOURS + " of " + width + " × " + height);
        }
    }

    /** @param picture grey or of three colours, stored as it is seen */
    public static SmallPixels of(Raster picture) {
        int width = picture.stored().width();
        int height = picture.stored().height();
        int channels = picture.channels();
        float[][] planes = new float[COLOURS][];
        for (int c = 0; c < COLOURS; c++) {
            planes[c] = c < channels ? new float[width * height] : planes[0];
        }
        float[] row = new float[width * channels];
        for (int y = 0; y < height; y++) {
            picture.readSeen(Orientation.UPRIGHT, 0, y, width, 1, row, 0);
            for (int c = 0; c < Math.min(channels, COLOURS); c++) {
                float[] plane = planes[c];
                for (int x = 0, from = c; x < width; x++, from += channels) {
                    plane[y * width + x] = row[from];
                }
            }
        }
        return new SmallPixels(width, height, planes);
    }

    public int shortSide() {
        return Math.min(width, height);
    }

    /**
     * Adds what lies between the four nearest pixels, of each colour; beyond the rim, the rim's pixel.
     *
     * @param sums three, for the colours
     */
    public void addBetween(double x, double y, float[] sums) {
        float left = within((float) x - 0.5f, width - 1f);
        float top = within((float) y - 0.5f, height - 1f);
        int x0 = Math.min((int) left, width - 2);
        int y0 = Math.min((int) top, height - 2);
        float across = left - x0;
        float down = top - y0;
        int at = y0 * width + x0;
        for (int c = 0; c < COLOURS; c++) {
            float[] plane = planes[c];
            float above = plane[at] + across * (plane[at + 1] - plane[at]);
            float below = plane[at + width] + across * (plane[at + width + 1] - plane[at + width]);
            sums[c] += above + down * (below - above);
        }
    }

    /** As {@code Math.clamp}, which also minds what cannot come here and takes three times as long. */
    private static float within(float value, float most) {
        return value < 0 ? 0 : value > most ? most : value;
    }
}
