package embrick.core.lanes;

/** The loops that most time is spent in. Implementations keep no state and are safe for several threads. */
public interface Lanes {
    /** Taps are handled this many at a time: counts are multiples of it, spare weights 0. */
    int TAPS_TOGETHER = 4;
    /** Arrays that are read must reach this many floats beyond the last that counts; they may hold any finite value. */
    int SLACK = 64;

    /** The count of taps rounded up to whole groups. */
    static int padded(int taps) {
        return Math.ceilDiv(taps, TAPS_TOGETHER) * TAPS_TOGETHER;
    }

    /** Vector code where this process has been given it, else plain. {@code -Dembrick.vectors=off} asks for plain. */
    static Lanes best() {
        return Chosen.BEST;
    }

    /**
     * Mixes whole rows: {@code out[i] = Σ rows[starts[t] + i] · weights[from + t]} for i below {@code length}, t from 0 to
     * {@code taps} − 1 in that order.
     */
    void mixRows(float[] rows, int[] starts, float[] weights, int from, int taps, float[] out, int length);

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
     * {@code out[p·apart + i] = Σ area[starts[p] + t·stride + i] · down[p·taps + t]} for i below {@code length}.
     *
     * @param apart floats from one block's row to the next in {@code out}; up to {@link #SLACK} beyond {@code length} may
     *     be written, and is written over by the next block
     */
    void mixBlocks(
            float[] area,
            int[] starts,
            int stride,
            float[] down,
            int taps,
            int length,
            float[] out,
            int apart,
            int count);

    /**
     * {@code out[at + i] = a[from + i] + part · (a[from + next + i] − a[from + i])} for i below {@code length}: between two
     * rows of a table. Up to {@link #SLACK} floats beyond may be written.
     */
    void between(float[] a, int from, int next, float part, float[] out, int at, int length);

    /** Samples 0..1 to counts of 8 bits, nearest, clipped. */
    void toBytes(float[] in, int from, byte[] out, int at, int count);

    /** Samples 0..1 to counts of 16 bits, nearest, clipped. */
    void toShorts(float[] in, int from, short[] out, int at, int count);

    /** Counts of 16 bits to samples 0..1. */
    void toFloats(short[] in, int from, float[] out, int at, int count);
}
