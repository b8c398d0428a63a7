package embrick.core.lanes;

/** Sums of how neighbours differ, one for each place of a row; up to {@link Lanes#SLACK} places more may be written. */
public interface SlopeLanes {
    /**
     * Adds the squares of slopes: {@code sums[i] += across² + down²}, by how much the next value of the row and the one below
     * differ from {@code in[from + i]}.
     *
     * @param apart floats from one row to the next
     */
    void addSquaredSlopes(float[] in, int from, int apart, float[] sums, int length);

    /**
     * Adds steps that are too low for an edge of the picture, and counts them. A step is how much more {@code in[from + i]} and its
     * neighbour differ than half of what each differs from its neighbour on the other side.
     *
     * @param next floats from a value to its neighbour
     * @param most steps from here on are left out
     */
    void addSteps(float[] in, int from, int next, float most, float[] sums, float[] counts, int length);
}
