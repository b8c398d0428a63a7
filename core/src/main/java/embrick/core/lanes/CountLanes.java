package embrick.core.lanes;

import java.lang.foreign.MemorySegment;

/** Samples to counts of 8 and 16 bits, and back. */
public interface CountLanes {
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
}
