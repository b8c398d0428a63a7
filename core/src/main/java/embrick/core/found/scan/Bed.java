package embrick.core.found.scan;

import embrick.core.found.SmallPixels;
import java.util.Arrays;
import java.util.Optional;

/**
 * The bed of a scan: its colour, which may fall off evenly across it, and its noise.
 *
 * @param planes per colour, the value in the middle and its rise from the left to the right and from the top to the bottom
 * @param noise standard deviation of one pixel about it, 0..1, as the noisiest colour has it
 */
record Bed(int width, int height, double[][] planes, double noise) {
    /** The outermost pixels that are taken for bed, as a share of the short side. */
    private static final double RIM = 0.006;
    /** Pixels of it that are enough. */
    private static final int MOST_OF_RIM = 4000;
    /** Fewer of the rim's pixels of one colour, and there is no bed: the picture fills the scan. */
    private static final double LEAST_SHARE = 0.6;
    /** Colours nearer than this are one, whatever the noise. */
    private static final double NEAR = 0.025;
    /** Times the noise that a pixel of the bed may be off. */
    private static final double OFF = 5;

    /** What can be told from the bed in the mean of every other pixel of a square. */
    double tolerance(int side) {
        return Math.max(NEAR, 2 * OFF * noise / (side + 1));
    }

    double at(int colour, double x, double y) {
        double[] plane = planes[colour];
        return plane[0] + plane[1] * (x / width - 0.5) + plane[2] * (y / height - 0.5);
    }

    /** How far a pixel is from the bed, in the colour in which it is farthest. */
    private double distance(SmallPixels scan, int at) {
        double farthest = 0;
        for (int c = 0; c < SmallPixels.COLOURS; c++) {
            double there = at(c, at % width + 0.5, Math.floorDiv(at, width) + 0.5);
            farthest = Math.max(farthest, Math.abs(scan.planes()[c][at] - there));
        }
        return farthest;
    }

    /**
     * Which squares of pixels are like the bed in every colour, by the mean of every other pixel of theirs.
     *
     * @param columns of squares of a side, from the left; rows from the top
     */
    boolean[] likeBed(SmallPixels scan, int side, int columns, int rows) {
        boolean[] isLikeBed = new boolean[columns * rows];
        Arrays.fill(isLikeBed, true);
        double tolerance = tolerance(side);
        float[] sums = new float[columns];
        int count = ((side + 1) / 2) * ((side + 1) / 2);
        for (int c = 0; c < SmallPixels.COLOURS; c++) {
            float[] plane = scan.planes()[c];
            for (int row = 0; row < rows; row++) {
                Arrays.fill(sums, 0);
                for (int y = row * side; y < (row + 1) * side; y += 2) {
                    addRow(plane, y * width, side, sums);
                }
                for (int column = 0; column < columns; column++) {
                    double there = at(c, (column + 0.5) * side, (row + 0.5) * side);
                    isLikeBed[row * columns + column] &= Math.abs(sums[column] / count - there) < tolerance;
                }
            }
        }
        return isLikeBed;
    }

    private static void addRow(float[] plane, int from, int side, float[] sums) {
        for (int column = 0; column < sums.length; column++) {
            float sum = 0;
            int start = from + column * side;
            for (int x = start; x < start + side; x += 2) {
                sum += plane[x];
            }
            sums[column] += sum;
        }
    }

    /** The bed, if most of the rim is of one colour. */
    static Optional<Bed> of(SmallPixels scan) {
        int[] rim = rim(scan);
        double[][] planes = new double[SmallPixels.COLOURS][3];
        for (int c = 0; c < SmallPixels.COLOURS; c++) {
            planes[c][0] = median(scan.planes()[c], rim);
        }
        Bed bed = new Bed(scan.width(), scan.height(), planes, noise(scan, rim));
        for (int round = 0; round < 3; round++) {
            int[] near = near(scan, bed, rim);
            if (near.length < LEAST_SHARE * rim.length) {
                return Optional.empty();
            }
            for (int c = 0; c < SmallPixels.COLOURS; c++) {
                planes[c] = fitted(scan, c, near);
            }
            bed = new Bed(scan.width(), scan.height(), planes, noise(scan, near));
        }
        return Optional.of(bed);
    }

    private static int[] near(SmallPixels scan, Bed bed, int[] rim) {
        return Arrays.stream(rim)
                .filter(i -> bed.distance(scan, i) < bed.tolerance(1))
                .toArray();
    }

    /** Pixels of the rim, pairs of neighbours, every few; left and right neighbours are one behind the other. */
    private static int[] rim(SmallPixels scan) {
        int depth = Math.max(3, (int) Math.round(RIM * scan.shortSide()));
        int width = scan.width();
        int height = scan.height();
        int every = Math.max(1, 2 * depth * (width + height) / MOST_OF_RIM);
        int[] rim = new int[4 * depth * (width + height)];
        int count = 0;
        int pairs = 0;
        for (int y = 0; y < height; y++) {
            boolean isWhole = y < depth || y >= height - depth;
            for (int x = 0; x + 1 < width; x += 2) {
                if (!isWhole && x >= depth && x + 1 < width - depth) {
                    x = width - depth - 2;
                } else if (pairs++ % every == 0) {
                    rim[count++] = y * width + x;
                    rim[count++] = y * width + x + 1;
                }
            }
        }
        return Arrays.copyOf(rim, count);
    }

    private static double median(float[] plane, int[] at) {
        float[] values = new float[at.length];
        for (int i = 0; i < at.length; i++) {
            values[i] = plane[at[i]];
        }
        Arrays.sort(values);
        return values[values.length / 2];
    }

    /** Standard deviation from the median of the differences of neighbours, which a slow fall of light does not reach. */
    private static double noise(SmallPixels scan, int[] rim) {
        double most = 0;
        float[] differences = new float[rim.length / 2];
        for (float[] plane : scan.planes()) {
            for (int i = 0; i < differences.length; i++) {
                differences[i] = Math.abs(plane[rim[2 * i]] - plane[rim[2 * i] + 1]);
            }
            Arrays.sort(differences);
            // The median of |N(0, 2σ²)| is 0.6745 · √2 · σ.
            most = Math.max(most, differences[differences.length / 2] / (0.6745 * Math.sqrt(2)));
        }
        return most;
    }

    /** Least squares of a plane, by its normal equations about the middle. */
    private static double[] fitted(SmallPixels scan, int colour, int[] at) {
        double[][] sums = new double[3][4];
        for (int i : at) {
            double[] terms = {
                1,
                (i % scan.width() + 0.5) / scan.width() - 0.5,
                (i / scan.width() + 0.5) / scan.height() - 0.5,
                scan.planes()[colour][i]
            };
            for (int row = 0; row < 3; row++) {
                for (int column = 0; column < 4; column++) {
                    sums[row][column] += terms[row] * terms[column];
                }
            }
        }
        return Linear.solved(sums);
    }
}
