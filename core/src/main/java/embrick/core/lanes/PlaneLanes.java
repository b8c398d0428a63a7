package embrick.core.lanes;

/** Planes filtered into planes: the layers of a small convolutional network. */
public interface PlaneLanes {
    /** Outputs are made this many at a time: their counts are multiples of it. */
    int OUTPUTS_TOGETHER = 4;

    /** Rows of outputs are written up to whole multiples of this many floats. */
    int ROW = 32;

    /**
     * A group of filters of one layer.
     *
     * @param inputs planes that are read
     * @param side of the filters, odd
     * @param weights of all groups: for output o of group g at
     *     {@code (((g·inputs + c)·side + dy)·side + dx)·OUTPUTS_TOGETHER + o}
     * @param biases one for each output
     * @param leak what is left of sums below 0; 1 leaves all as they are
     */
    record Filters(int inputs, int side, float[] weights, float[] biases, float leak) {
        int from(int group) {
            return group * inputs * side * side * OUTPUTS_TOGETHER;
        }
    }

    /**
     * Makes a row of the outputs of one group: {@code out[at + o·outPlane + i]} is
     * {@code bias + Σ in[from + c·plane + dy·row + dx + i] · weight}, each step one fused multiplication and addition, over c,
     * then dy, then dx; below 0 it is multiplied by the leak.
     *
     * @param plane floats from one input plane to the next, {@code row} from one of its rows to the next; beyond what counts
     *     {@link Lanes#SLACK} more are read
     * @param length of the row; up to the next multiple of {@link #ROW} may be written
     */
    void filterRow(
            float[] in,
            int from,
            int plane,
            int row,
            Filters filters,
            int group,
            float[] out,
            int at,
            int outPlane,
            int length);
}
