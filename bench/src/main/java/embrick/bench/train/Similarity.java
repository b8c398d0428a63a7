package embrick.bench.train;

import java.util.Arrays;

/** How near a luminance comes to another. */
final class Similarity {
    /** Pixels at the rim that do not count. */
    private static final int RIM = 8;
    /** The window of Wang, Bovik, Sheikh and Simoncelli (2004): 11 across, a Gaussian of 1.5. */
    private static final int REACH = 5;

    private static final double SIGMA = 1.5;
    private static final double C1 = 0.01 * 0.01;
    private static final double C2 = 0.03 * 0.03;

    private Similarity() {}

    /** Peak signal to noise, in dB. */
    static double psnr(Luminance got, Luminance wanted) {
        double sum = 0;
        for (int y = RIM; y < got.height() - RIM; y++) {
            for (int x = RIM; x < got.width() - RIM; x++) {
                double off = got.at(x, y) - wanted.at(x, y);
                sum += off * off;
            }
        }
        double mean = sum / (got.width() - 2 * RIM) / (got.height() - 2 * RIM);
        return -10 * Math.log10(Math.max(mean, 1e-10));
    }

    /** Structural similarity, 1 for the same picture. */
    static double ssim(Luminance got, Luminance wanted) {
        int width = got.width();
        int height = got.height();
        double[][] moments = new double[5][width * height];
        for (int i = 0; i < width * height; i++) {
            double a = got.at(i % width, i / width);
            double b = wanted.at(i % width, i / width);
            moments[0][i] = a;
            moments[1][i] = b;
            moments[2][i] = a * a;
            moments[3][i] = b * b;
            moments[4][i] = a * b;
        }
        for (double[] moment : moments) {
            smooth(moment, width, height);
        }
        double sum = 0;
        for (int y = RIM; y < height - RIM; y++) {
            for (int x = RIM; x < width - RIM; x++) {
                int i = y * width + x;
                double a = moments[0][i];
                double b = moments[1][i];
                double both = moments[4][i] - a * b;
                double spread = moments[2][i] - a * a + moments[3][i] - b * b;
                sum += (2 * a * b + C1) * (2 * both + C2) / ((a * a + b * b + C1) * (spread + C2));
            }
        }
        return sum / (width - 2 * RIM) / (height - 2 * RIM);
    }

    private static void smooth(double[] plane, int width, int height) {
        double[] kernel = new double[2 * REACH + 1];
        double all = 0;
        for (int k = -REACH; k <= REACH; k++) {
            kernel[k + REACH] = Math.exp(-k * k / (2 * SIGMA * SIGMA));
            all += kernel[k + REACH];
        }
        double[] across = new double[plane.length];
        for (int y = 0; y < height; y++) {
            for (int k = 0; k < kernel.length; k++) {
                double weight = kernel[k] / all;
                for (int x = REACH; x < width - REACH; x++) {
                    across[y * width + x] += weight * plane[y * width + x + k - REACH];
                }
            }
        }
        Arrays.fill(plane, 0);
        for (int y = REACH; y < height - REACH; y++) {
            for (int k = 0; k < kernel.length; k++) {
                double weight = kernel[k] / all;
                int from = (y + k - REACH) * width;
                for (int x = 0; x < width; x++) {
                    plane[y * width + x] += weight * across[from + x];
                }
            }
        }
    }
}
