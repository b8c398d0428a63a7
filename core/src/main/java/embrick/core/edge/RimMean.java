package embrick.core.edge;

import embrick.core.edge.WithBands.Inside;
import embrick.core.pixels.PixelRect;

/** The colour that a sheet's rim comes to. */
public final class RimMean {
    private static final int TILE = 64;

    private RimMean() {}

    /**
     * The mean of the outermost pixels of all four sides, each counted once, of the encoded numbers.
     * Source: Embrick's rule; it is what the eye takes the rim's tone to be, no claim to light.
     */
    public static float[] of(Inside inside) {
        int width = inside.size().width();
        int height = inside.size().height();
        int channels = inside.channels();
        double[] sums = new double[channels];
        addRow(inside, 0, sums);
        if (height > 1) {
            addRow(inside, height - 1, sums);
        }
        addColumn(inside, 0, sums);
        if (width > 1) {
            addColumn(inside, width - 1, sums);
        }
        long all = (long) width * height;
        long within = (long) Math.max(0, width - 2) * Math.max(0, height - 2);
        float[] mean = new float[channels];
        for (int c = 0; c < channels; c++) {
            mean[c] = (float) (sums[c] / (all - within));
        }
        return mean;
    }

    private static void addRow(Inside inside, int y, double[] sums) {
        float[] samples = new float[inside.size().width() * sums.length];
        inside.pixels().render(new PixelRect(0, y, inside.size().width(), 1), samples, 0);
        for (int i = 0; i < samples.length; i++) {
            sums[i % sums.length] += Math.clamp(samples[i], 0f, 1f);
        }
    }

    /** All but the ends, which are the rows'. Rendered in tiles: the stages are made for wide strips, not for one pixel. */
    private static void addColumn(Inside inside, int x, double[] sums) {
        int width = Math.min(TILE, inside.size().width());
        int left = Math.min(x, inside.size().width() - width);
        float[] samples = new float[width * TILE * sums.length];
        int end = inside.size().height() - 1;
        for (int y = 1; y < end; y += TILE) {
            int rows = Math.min(TILE, end - y);
            inside.pixels().render(new PixelRect(left, y, width, rows), samples, 0);
            for (int row = 0; row < rows; row++) {
                for (int c = 0; c < sums.length; c++) {
                    sums[c] += Math.clamp(samples[(row * width + x - left) * sums.length + c], 0f, 1f);
                }
            }
        }
    }
}
