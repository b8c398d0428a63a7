package embrick.core.lanes;

/** Planes filtered into planes: the layers of a small convolutional network. */
public interface PlaneLanes {
    /** Outputs are made this many at a time: their counts are multiples of it. */
    int OUTPUTS_TOGETHER = 4;

    /** Rows of outputs are written up to whole multiples of this many floats. */
    int ROW = 48;

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
        /**
         * Where each tap reads for the first pixel of a row, in the order of the weights: over inputs, then rows, then columns.
         *
         * @param kept rows of each plane that are read, a ring
         * @param place of the first of the rows that are read in the ring
         * @param row floats from one row to the next
         */
        public int[] taps(int kept, int place, int row) {
            int[] taps = new int[inputs * side * side];
            int t = 0;
            for (int c = 0; c < inputs; c++) {
                for (int dy = 0; dy < side; dy++) {
                    for (int dx = 0; dx < side; dx++) {
                        taps[t++] = (c * kept + (place + dy) % kept) * row + dx;
                    }
                }
            }
            return taps;
        }

        int from(int group) {
            return group * inputs * side * side * OUTPUTS_TOGETHER;
        }
    }

    /**
     * Makes a row of the outputs of one group: {@code out[at + o·outPlane + i]} is {@code bias + Σ in[from + taps[t] + i] · weight},
     * each step one fused multiplication and addition, over t; below 0 it is multiplied by the leak.
     *
     * @param in beyond what counts {@link Lanes#SLACK} more are read
     * @param taps of these filters, for the planes that are read
     * @param length of the row; up to the next multiple of {@link #ROW} may be written
     */
    void filterRow(
            float[] in,
            int from,
            int[] taps,
            Filters filters,
            int group,
            float[] out,
            int at,
            int outPlane,
            int length);
}
