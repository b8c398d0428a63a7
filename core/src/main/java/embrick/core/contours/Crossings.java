package embrick.core.contours;

import embrick.core.pixels.PixelRect;
import embrick.core.print.PixelRows;
import java.util.ArrayList;
import java.util.List;

/**
 * Finds where strong detail comes near the lines at which a sheet is cut or folded.
 *
 * <p>Detail is strong where Sobel's slope (see {@link Contours}) of any one channel is that of a step of a fifth of its range:
 * a red kite on blue sky stands out though both are as light. What is meant is faces, masts, letters; soft clouds and sand pass. Common practice, no source.
 */
public final class Crossings {
    /** Four times the step: Sobel's weights of one side add up to 4. */
    private static final double STRONG = 4 * 0.2;
    /** Less of a line is a speck, or a horizon that has to go through: people mind what lies along it. */
    private static final double LEAST_SHARE = 0.015;

    private Crossings() {}

    public enum Side {
        LEFT,
        TOP,
        RIGHT,
        FOOT
    }

    /**
     * Strong detail at one side.
     *
     * @param distance pixels from the line to the nearest of it; 0 where it lies on the line
     * @param share of the line's length beside which there is any
     */
    public record Crossing(Side side, double distance, double share) {}

    /**
     * Looks along the four sides of a sheet on its total.
     *
     * @param within pixels to either side of each line that are looked at
     */
    public static List<Crossing> near(PixelRows total, PixelRect sheet, double within) {
        int width = total.size().width();
        int height = total.size().height();
        double[][] slopes = new double[height][width];
        for (float[][] channel : channels(total)) {
            double[][] own = Contours.slopes(channel, width, height);
            for (int y = 0; y < height; y++) {
                for (int x = 0; x < width; x++) {
                    slopes[y][x] = Math.max(slopes[y][x], own[y][x]);
                }
            }
        }
        List<Crossing> crossings = new ArrayList<>();
        for (Side side : Side.values()) {
            Crossing crossing = along(slopes, sheet, side, within);
            if (crossing.share() > 0) {
                crossings.add(crossing);
            }
        }
        return crossings;
    }

    private static float[][][] channels(PixelRows picture) {
        int width = picture.size().width();
        int channels = picture.channels();
        float[][][] planes = new float[channels][picture.size().height()][width];
        for (int y = 0; y < planes[0].length; y++) {
            float[] samples = picture.rows(y, 1).samples();
            for (int x = 0; x < width; x++) {
                for (int c = 0; c < channels; c++) {
                    planes[c][y][x] = samples[x * channels + c];
                }
            }
        }
        return planes;
    }

    private static Crossing along(double[][] slopes, PixelRect sheet, Side side, double within) {
        boolean isUpright = side == Side.LEFT || side == Side.RIGHT;
        int line = switch (side) {
            case LEFT -> sheet.x();
            case TOP -> sheet.y();
            case RIGHT -> sheet.right();
            case FOOT -> sheet.bottom();
        };
        int from = isUpright ? sheet.y() : sheet.x();
        int length = isUpright ? sheet.height() : sheet.width();
        int across = isUpright ? slopes[0].length : slopes.length;
        int low = Math.max(0, (int) Math.ceil(line - within - 0.5));
        int high = Math.min(across, (int) Math.floor(line + within + 0.5));
        int beside = 0;
        double nearest = within;
        for (int along = from; along < from + length; along++) {
            boolean any = false;
            for (int at = low; at < high; at++) {
                if ((isUpright ? slopes[along][at] : slopes[at][along]) >= STRONG) {
                    any = true;
                    // A pixel is half a pixel large to either side.
                    nearest = Math.min(nearest, Math.max(0, Math.abs(at + 0.5 - line) - 0.5));
                }
            }
            beside += any ? 1 : 0;
        }
        double share = (double) beside / length;
        return new Crossing(side, nearest, share < LEAST_SHARE ? 0 : share);
    }
}
