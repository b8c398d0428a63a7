package embrick.core.lanes;

import java.lang.foreign.MemorySegment;
import java.nio.ByteOrder;
import jdk.incubator.vector.ByteVector;
import jdk.incubator.vector.FloatVector;
import jdk.incubator.vector.IntVector;
import jdk.incubator.vector.ShortVector;
import jdk.incubator.vector.Vector;
import jdk.incubator.vector.VectorOperators;
import jdk.incubator.vector.VectorShape;
import jdk.incubator.vector.VectorSpecies;

/** Between counts and samples. Each loop gives how many it has done; the rest, less than a register, is the caller's. */
final class VectorCounts {
    private static final VectorSpecies<Float> WIDE = FloatVector.SPECIES_PREFERRED;
    private static final VectorSpecies<Integer> INTS = IntVector.SPECIES_PREFERRED;
    private static final int LANES = WIDE.length();
    /** A quarter as many bits as {@link #WIDE}: its bytes fill the same lanes. */
    private static final VectorSpecies<Byte> BYTES =
            VectorSpecies.of(byte.class, VectorShape.forBitSize(Math.max(64, LANES * 8)));

    private static final VectorSpecies<Short> SHORTS =
            VectorSpecies.of(short.class, VectorShape.forBitSize(Math.max(64, LANES * 16)));

    /** Fewer lanes have no register of bytes that fits. */
    private static final boolean FITS = LANES >= 8;

    private VectorCounts() {}

    static int toBytes(float[] in, int from, byte[] out, int at, int count) {
        int i = 0;
        for (; FITS && i + LANES <= count; i += LANES) {
            ByteVector bytes = (ByteVector) counts(in, from + i, 255f).convertShape(VectorOperators.I2B, BYTES, 0);
            bytes.intoArray(out, at + i);
        }
        return i;
    }

    static int toShorts(float[] in, int from, short[] out, int at, int count) {
        int i = 0;
        for (; FITS && i + LANES <= count; i += LANES) {
            ShortVector shorts =
                    (ShortVector) counts(in, from + i, 65535f).convertShape(VectorOperators.I2S, SHORTS, 0);
            shorts.intoArray(out, at + i);
        }
        return i;
    }

    private static IntVector counts(float[] in, int from, float most) {
        return (IntVector) FloatVector.fromArray(WIDE, in, from)
                .max(0f)
                .min(1f)
                .mul(most)
                .add(0.5f)
                .convert(VectorOperators.F2I, 0);
    }

    static int toFloats(short[] in, int from, float[] out, int at, int count) {
        int i = 0;
        for (; FITS && i + LANES <= count; i += LANES) {
            samples(ShortVector.fromArray(SHORTS, in, from + i).convertShape(VectorOperators.ZERO_EXTEND_S2I, INTS, 0))
                    .mul(1f / 65535f)
                    .intoArray(out, at + i);
        }
        return i;
    }

    static int fromBytes(MemorySegment in, long from, float[] out, int at, int count) {
        int i = 0;
        for (; FITS && i + LANES <= count; i += LANES) {
            samples(ByteVector.fromMemorySegment(BYTES, in, from + i, ByteOrder.nativeOrder())
                            .convertShape(VectorOperators.ZERO_EXTEND_B2I, INTS, 0))
                    .mul(1f / 255f)
                    .intoArray(out, at + i);
        }
        return i;
    }

    static int fromShorts(MemorySegment in, long from, float[] out, int at, int count) {
        int i = 0;
        for (; FITS && i + LANES <= count; i += LANES) {
            samples(ShortVector.fromMemorySegment(SHORTS, in, from + 2L * i, ByteOrder.nativeOrder())
                            .convertShape(VectorOperators.ZERO_EXTEND_S2I, INTS, 0))
                    .mul(1f / 65535f)
                    .intoArray(out, at + i);
        }
        return i;
    }

    private static FloatVector samples(Vector<Integer> counts) {
        return (FloatVector) counts.convert(VectorOperators.I2F, 0);
    }
}
