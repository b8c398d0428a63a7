package embrick.core.lanes;

/** Values looked up between the nodes of tables: tone curves, tables of colours, tables of weights. */
public interface TableLanes {
    /**
     * Rows between two rows of a table: {@code out[p·length + t] = low + parts[p] · (high − low)}, with low at
     * {@code table[rows[p]·length + t]} and high one row on. Up to {@link Lanes#SLACK} floats beyond the last may be written.
     *
     * @param length a multiple of {@link Lanes#TAPS_TOGETHER}
     */
    void between(float[] table, int length, int[] rows, float[] parts, float[] out, int count);

    /** As {@link #between}, each value four times over, as {@link MixingLanes#mixPixels} takes its weights. */
    void betweenFourfold(float[] table, int length, int[] rows, float[] parts, float[] out, int count);

    /**
     * Looks samples, clipped to 0..1, up in an even table and draws a line between neighbours.
     *
     * @param table values at 0, 1/n, … 1, and the last once more: n + 2 of them
     */
    void lookUp(float[] table, float[] in, int from, float[] out, int at, int count);

    /** As {@link #lookUp}, in a table over the fourth root of the samples. */
    void lookUpRoot(float[] table, float[] in, int from, float[] out, int at, int count);

    /** As {@link #lookUpRoot}, and below 0 the table goes on as a line: {@code below} times the sample is added. */
    void lookUpRootAndBelow(float[] table, float below, float[] in, int from, float[] out, int at, int count);

    /**
     * The cells of a table that pixels fall into: the places of their first nodes, in floats from the table's beginning, and
     * three planes of how far into the cell. Values are clipped to 0..1.
     *
     * @param in three planes from the first on
     * @param sides steps of the table along each; a node has four floats, the third channel changes fastest
     */
    void cellsOf(float[] in, int[] sides, int[] places, float[] parts, int row, int count);

    /**
     * Mixes the eight corners of cells by how near they are, the third channel changing fastest: four floats each to
     * {@code out[p·4]}, of cells and parts as {@link #cellsOf} gives them.
     */
    void mixCorners(float[] nodes, int[] sides, int[] places, float[] parts, int row, float[] out, int count);

    /**
     * The four nodes of the tetrahedra that pixels fall into, and how much of each: from a cell's first corner to its last,
     * along the channel with the largest part first. Planes of places and of weights, for {@link #mixNodes}.
     *
     * @param from where the first of three planes begins
     * @param first of three steps in {@code sides}
     */
    void tetrahedraOf(float[] in, int from, int[] sides, int first, int[] places, float[] weights, int row, int count);

    /**
     * Mixes nodes of a table, four floats each: {@code out[p·4 + c] = Σ nodes[places[t·row + p] + c] · weights[t·row + p]},
     * t from 0 to {@code taps} − 1 in that order.
     */
    void mixNodes(float[] nodes, int[] places, float[] weights, int taps, int row, float[] out, int count);
}
