package embrick.core.colour.chain;

import embrick.core.lanes.Lanes;

/** A matrix and an offset. */
public final class Affine extends Step {
    private final Lanes lanes = Lanes.best();
    private final double[][] matrix;
    private final double[] offset;
    /** Rows of three and their offset, as {@link Lanes#mixPlanes} takes them. */
    private final float[] packed;

    /**
     * @param matrix a row for each channel out
     * @param offset added to each
     * @throws IllegalArgumentException if it is over any but one or three channels
     */
    public Affine(double[][] matrix, double[] offset) {
        super(matrix[0].length, matrix.length);
        if (channelsIn() != 1 && channelsIn() != 3) {
            throw new IllegalArgumentException("matrix: expected one or three channels in, got " + channelsIn());
        }
        this.matrix = matrix;
        this.offset = offset;
        this.packed = new float[channelsOut() * 4];
        for (int row = 0; row < channelsOut(); row++) {
            for (int column = 0; column < channelsIn(); column++) {
                packed[row * 4 + column] = (float) matrix[row][column];
            }
            packed[row * 4 + 3] = (float) offset[row];
        }
    }

    public Affine(double[][] matrix) {
        this(matrix, new double[matrix.length]);
    }

    /** Each channel by itself: {@code scale · value + offset}. */
    public static Affine ofEach(double[] scale, double[] offset) {
        double[][] matrix = new double[scale.length][scale.length];
        for (int i = 0; i < scale.length; i++) {
            matrix[i][i] = scale[i];
        }
        return new Affine(matrix, offset);
    }

    /** This and then another, as one. */
    Affine then(Affine next) {
        double[][] product = new double[next.channelsOut()][channelsIn()];
        double[] sums = new double[next.channelsOut()];
        for (int row = 0; row < next.channelsOut(); row++) {
            sums[row] = next.offset[row];
            for (int k = 0; k < channelsOut(); k++) {
                sums[row] += next.matrix[row][k] * offset[k];
                for (int column = 0; column < channelsIn(); column++) {
                    product[row][column] += next.matrix[row][k] * matrix[k][column];
                }
            }
        }
        return new Affine(product, sums);
    }

    @Override
    void apply(Block in, Block out, int pixels) {
        if (channelsIn() == 3) {
            lanes.mixPlanes(in.planes, packed, out.planes, channelsOut(), Block.ROW, pixels);
            return;
        }
        for (int row = 0; row < channelsOut(); row++) {
            float scale = (float) matrix[row][0];
            float start = (float) offset[row];
            for (int i = 0; i < pixels; i++) {
                out.planes[row * Block.ROW + i] = scale * in.planes[i] + start;
            }
        }
    }
}
