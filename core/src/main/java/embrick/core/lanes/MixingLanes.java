package embrick.core.lanes;

/** Sums of rows, pixels and blocks with their weights: what resampling does. */
public interface MixingLanes {
    /**
     * Mixes whole rows: {@code out[at + i] = Σ rows[starts[t] + i] · weights[from + t]} for i below {@code length}, t from 0
     * to {@code taps} − 1 in that order.
     */
    void mixRows(float[] rows, int[] starts, float[] weights, int from, int taps, float[] out, int at, int length);

    /**
     * Mixes neighbouring pixels of one row: output pixel x is {@code Σ row[starts[x] + t·channels + c] · w(x, t)}.
     *
     * @param weights each weight four times over: w(x, t) at {@code (x·taps + t)·4}
     * @param taps a multiple of {@link Lanes#TAPS_TOGETHER}
     * @param into gets {@code count} pixels from {@code at}
     */
    void mixPixels(float[] row, int[] starts, float[] weights, int taps, int channels, float[] into, int at, int count);

    /**
     * Mixes the rows of many small blocks, each with weights of its own:
     * {@code out[p·apart + i] = Σ area[starts[p] + t·stride + i] · down[from + p·padded(taps) + t]} for i below
     * {@code length}.
     *
     * @param apart floats from one block's row to the next in {@code out}; up to {@link Lanes#SLACK} beyond {@code length} may
     *     be written, and is written over by the next block
     */
    void mixBlocks(
            float[] area,
            int[] starts,
            int stride,
            float[] down,
            int from,
            int taps,
            int length,
            float[] out,
            int apart,
            int count);

    /**
     * Turns squares of {@link Lanes#BLOCK} by {@link Lanes#BLOCK}: of the k-th square,
     * {@code out[at + k·outNext + j·outApart + i] = in[from + k·inNext + i·inApart + j]} for i and j below the side.
     *
     * @param inApart floats from one row of a square to the next, {@code outApart} likewise
     */
    void turn(
            float[] in, int from, int inApart, int inNext, float[] out, int at, int outApart, int outNext, int squares);

    /**
     * A weight for each pixel of a block by its distance from one place: {@code out[r·width + t]} is Σ cₖ·zᵏ, k from 0 to
     * 12, for z = 2s − 1 and s = (x + t·step)² + (y + r·step)²; 0 from s = 1 on.
     *
     * @param coefficients c₀ to c₁₂
     * @param x distance of the first column, {@code y} of the first row, as shares of where weights end
     * @param width a multiple of {@link Lanes#BLOCK}
     */
    void weighByDistance(float[] coefficients, float x, float y, float step, int width, int rows, float[] out);

    /**
     * Sums the columns of a block of pixels with a weight each:
     * {@code sums[t·channels + c] = Σ area[from + r·stride + t·channels + c] · weights[r·width + t]}, and the weights alone
     * into {@code weighed[t]}; r from 0 to {@code rows} − 1 in that order.
     *
     * @param width a multiple of {@link Lanes#BLOCK}
     */
    void sumColumns(
            float[] area,
            int from,
            int stride,
            int channels,
            float[] weights,
            int width,
            int rows,
            float[] sums,
            float[] weighed);
}
