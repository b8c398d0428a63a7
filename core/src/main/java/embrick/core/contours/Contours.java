package embrick.core.contours;

import embrick.core.pixels.Strip;
import embrick.core.print.PixelRows;
import java.util.ArrayList;
import java.util.List;

/**
 * Finds the strongest contours of a picture, apart from one another.
 *
 * <p>Each pixel's slope is the larger of Sobel's two sums over its neighbours (I. Sobel and G. Feldman, 1968, from memory),
 * taken over the mean of the channels. A place counts by the slopes in a square round it, so that a hair's end counts less
 * than a mast's side. The strongest is taken, its surroundings are ruled out, and the next is looked for.
 */
public final class Contours {
    /** Half the side of the square that counts, in pixels of the picture handed in. */
    private static final int REACH = 4;
    /** Places are apart by this share of the longer side: a person is led about the picture, not along one line. */
    private static final double APART = 0.1;
    /** Weaker than this share of the strongest is no contour. */
    private static final double LEAST = 0.15;

    private Contours() {}

    /** A place with its strength, 1 for the picture's strongest; in pixels of the picture handed in. */
    public record Spot(int x, int y, double strength) {}

    /** @param most places wanted */
    public static List<Spot> strongest(PixelRows picture, int most) {
        int width = picture.size().width();
        int height = picture.size().height();
        double[][] strengths = gathered(slopes(tones(picture, width, height), width, height), width, height);
        double apart = APART * Math.max(width, height);
        List<Spot> found = new ArrayList<>();
        double strongest = 0;
        while (found.size() < most) {
            Spot next = peak(strengths, width, height);
            strongest = Math.max(strongest, next.strength());
            if (!(next.strength() > LEAST * strongest)) {
                break;
            }
            found.add(new Spot(next.x(), next.y(), next.strength() / strongest));
            ruleOut(strengths, next, apart, width, height);
        }
        return found;
    }

    private static float[][] tones(PixelRows picture, int width, int height) {
        float[][] tones = new float[height][width];
        int channels = picture.channels();
        for (int y = 0; y < height; y++) {
            Strip strip = picture.rows(y, 1);
            for (int x = 0; x < width; x++) {
                float sum = 0;
                for (int c = 0; c < channels; c++) {
                    sum += strip.samples()[x * channels + c];
                }
                tones[y][x] = sum / channels;
            }
        }
        return tones;
    }

    static double[][] slopes(float[][] tones, int width, int height) {
        double[][] slopes = new double[height][width];
        for (int y = 1; y < height - 1; y++) {
            float[] above = tones[y - 1];
            float[] here = tones[y];
            float[] below = tones[y + 1];
            for (int x = 1; x < width - 1; x++) {
                double across =
                        above[x + 1] - above[x - 1] + 2 * (here[x + 1] - here[x - 1]) + below[x + 1] - below[x - 1];
                double down = below[x - 1] - above[x - 1] + 2 * (below[x] - above[x]) + below[x + 1] - above[x + 1];
                slopes[y][x] = Math.max(Math.abs(across), Math.abs(down));
            }
        }
        return slopes;
    }

    /** Sums over squares, by running sums along each axis in turn. */
    private static double[][] gathered(double[][] slopes, int width, int height) {
        double[][] across = new double[height][width];
        for (int y = 0; y < height; y++) {
            double sum = 0;
            for (int x = -REACH; x < width; x++) {
                sum += x + REACH < width ? slopes[y][x + REACH] : 0;
                sum -= x - REACH - 1 >= 0 ? slopes[y][x - REACH - 1] : 0;
                if (x >= 0) {
                    across[y][x] = sum;
                }
            }
        }
        double[][] gathered = new double[height][width];
        for (int x = 0; x < width; x++) {
            double sum = 0;
            for (int y = -REACH; y < height; y++) {
                sum += y + REACH < height ? across[y + REACH][x] : 0;
                sum -= y - REACH - 1 >= 0 ? across[y - REACH - 1][x] : 0;
                if (y >= 0) {
                    gathered[y][x] = sum;
                }
            }
        }
        return gathered;
    }

    private static Spot peak(double[][] strengths, int width, int height) {
        Spot best = new Spot(0, 0, 0);
        for (int y = 0; y < height; y++) {
            for (int x = 0; x < width; x++) {
                if (strengths[y][x] > best.strength()) {
                    best = new Spot(x, y, strengths[y][x]);
                }
            }
        }
        return best;
    }

    private static void ruleOut(double[][] strengths, Spot spot, double apart, int width, int height) {
        int reach = (int) Math.ceil(apart);
        for (int y = Math.max(0, spot.y() - reach); y <= Math.min(height - 1, spot.y() + reach); y++) {
            for (int x = Math.max(0, spot.x() - reach); x <= Math.min(width - 1, spot.x() + reach); x++) {
                if (Math.hypot(x - spot.x(), y - spot.y()) <= apart) {
                    strengths[y][x] = 0;
                }
            }
        }
    }
}
