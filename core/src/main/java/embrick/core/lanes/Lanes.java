package embrick.core.lanes;

import java.lang.foreign.MemorySegment;

/** The loops that most time is spent in. Implementations keep no state and are safe for several threads. */
public interface Lanes {
    /** Taps are handled this many at a time: counts are multiples of it, spare weights 0. */
    int TAPS_TOGETHER = 4;
    /** Arrays that are read must reach this many floats beyond the last that counts; they may hold any finite value. */
    int SLACK = 64;

    /** Widths of blocks with a weight for each pixel are multiples of it: the most lanes of any register. */
    int BLOCK = 16;

    /** The count of taps rounded up to whole groups. */
    static int padded(int taps) {
        return Math.ceilDiv(taps, TAPS_TOGETHER) * TAPS_TOGETHER;
    }

    /** Vector code where this process has been given it, else plain. {@code -Dembrick.vectors=off} asks for plain. */
    static Lanes best() {
        return BestLanes.BEST;
    }

    /**
     * Mixes whole rows: {@code out[at + i] = Σ rows[starts[t] + i] · weights[from + t]} for i below {@code length}, t from 0
     * to {@code taps} − 1 in that order.
     */
    void mixRows(float[] rows, int[] starts, float[] weights, int from, int taps, float[] out, int at, int length);

    /**
     * Mixes neighbouring pixels of one row: output pixel x is {@code Σ row[starts[x] + t·channels + c] · w(x, t)}.
     *
     * @param weights each weight four times over: w(x, t) at {@code (x·taps + t)·4}
     * @param taps a multiple of {@link #TAPS_TOGETHER}
     * @param into gets {@code count} pixels from {@code at}
     */
    void mixPixels(float[] row, int[] starts, float[] weights, int taps, int channels, float[] into, int at, int count);

    /**
     * Mixes the rows of many small blocks, each with weights of its own:
     * {@code out[p·apart + i] = Σ area[starts[p] + t·stride + i] · down[from + p·padded(taps) + t]} for i below
     * {@code length}.
     *
     * @param apart floats from one block's row to the next in {@code out}; up to {@link #SLACK} beyond {@code length} may
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
     * Turns squares of {@link #BLOCK} by {@link #BLOCK}: of the k-th square,
     * {@code out[at + k·outNext + j·outApart + i] = in[from + k·inNext + i·inApart + j]} for i and j below the side.
     *
     * @param inApart floats from one row of a square to the next, {@code outApart} likewise
     */
    void turn(
            float[] in, int from, int inApart, int inNext, float[] out, int at, int outApart, int outNext, int squares);

    /**
     * Rows between two rows of a table: {@code out[p·length + t] = low + parts[p] · (high − low)}, with low at
     * {@code table[rows[p]·length + t]} and high one row on. Up to {@link #SLACK} floats beyond the last may be written.
     *
     * @param length a multiple of {@link #TAPS_TOGETHER}
     */
    void between(float[] table, int length, int[] rows, float[] parts, float[] out, int count);

    /** As {@link #between}, each value four times over, as {@link #mixPixels} takes its weights. */
    void betweenFourfold(float[] table, int length, int[] rows, float[] parts, float[] out, int count);

    /** Samples 0..1 to counts of 8 bits, nearest, clipped. */
    void toBytes(float[] in, int from, byte[] out, int at, int count);

    /** Samples 0..1 to counts of 16 bits, nearest, clipped. */
    void toShorts(float[] in, int from, short[] out, int at, int count);

    /** Counts of 16 bits to samples 0..1. */
    void toFloats(short[] in, int from, float[] out, int at, int count);

    /** Counts of 8 bits in memory, from byte {@code from} on, to samples 0..1. */
    void fromBytes(MemorySegment in, long from, float[] out, int at, int count);

    /** Counts of 16 bits in memory, in the machine's byte order, from byte {@code from} on, to samples 0..1. */
    void fromShorts(MemorySegment in, long from, float[] out, int at, int count);

    /** {@code out[i] = r · red + g · green + b · blue} for pixels of three channels. */
    void luminances(float[] in, int from, float red, float green, float blue, float[] out, int at, int count);

    /** Pixels of three channels into a plane for each: {@code planes[c·row + i] = in[from + 3·i + c]}. */
    void toPlanes(float[] in, int from, float[] planes, int row, int count);

    /** Three planes into pixels: {@code out[at + 3·i + c] = planes[c·row + i]}. */
    void fromPlanes(float[] planes, int row, float[] out, int at, int count);

    /** Adds {@code added[i]} to all three channels of pixel i; clipped to 0..1. */
    void addToPixels(float[] in, int from, float[] added, float[] out, int at, int count);

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
     * A matrix and an offset over planes: {@code out[r·row + i] = Σ in[k·row + i] · matrix[r·4 + k] + matrix[r·4 + 3]} for
     * three planes in and r below {@code planesOut}.
     */
    void mixPlanes(float[] in, float[] matrix, float[] out, int planesOut, int row, int count);

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

    /**
     * A weight for each pixel of a block by its distance from one place: {@code out[r·width + t]} is Σ cₖ·zᵏ, k from 0 to
     * 12, for z = 2s − 1 and s = (x + t·step)² + (y + r·step)²; 0 from s = 1 on.
     *
     * @param coefficients c₀ to c₁₂
     * @param x distance of the first column, {@code y} of the first row, as shares of where weights end
     * @param width a multiple of {@link #BLOCK}
     */
    void weighByDistance(float[] coefficients, float x, float y, float step, int width, int rows, float[] out);

    /**
     * Sums the columns of a block of pixels with a weight each:
     * {@code sums[t·channels + c] = Σ area[from + r·stride + t·channels + c] · weights[r·width + t]}, and the weights alone
     * into {@code weighed[t]}; r from 0 to {@code rows} − 1 in that order.
     *
     * @param width a multiple of {@link #BLOCK}
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
