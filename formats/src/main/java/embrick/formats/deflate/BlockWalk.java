package embrick.formats.deflate;

import static java.lang.foreign.ValueLayout.ADDRESS;
import static java.lang.foreign.ValueLayout.JAVA_INT;
import static java.lang.foreign.ValueLayout.JAVA_LONG;

import embrick.formats.binding.NativeLibrary;
import java.lang.foreign.Arena;
import java.lang.foreign.FunctionDescriptor;
import java.lang.foreign.MemoryLayout;
import java.lang.foreign.MemoryLayout.PathElement;
import java.lang.foreign.MemorySegment;
import java.lang.foreign.StructLayout;
import java.lang.invoke.MethodHandle;
import java.lang.invoke.VarHandle;

/**
 * Unpacks raw Deflate block by block with zlib (zlib.h, {@code inflate} with {@code Z_BLOCK}), to learn where its last block
 * begins and ends, to the bit, and that it unpacks to what was packed.
 */
final class BlockWalk implements AutoCloseable {
    private static final StructLayout STREAM = MemoryLayout.structLayout(
            ADDRESS.withName("next_in"),
            JAVA_INT.withName("avail_in"),
            MemoryLayout.paddingLayout(4),
            JAVA_LONG.withName("total_in"),
            ADDRESS.withName("next_out"),
            JAVA_INT.withName("avail_out"),
            MemoryLayout.paddingLayout(4),
            JAVA_LONG.withName("total_out"),
            ADDRESS.withName("msg"),
            ADDRESS.withName("state"),
            ADDRESS.withName("zalloc"),
            ADDRESS.withName("zfree"),
            ADDRESS.withName("opaque"),
            JAVA_INT.withName("data_type"),
            MemoryLayout.paddingLayout(4),
            JAVA_LONG.withName("adler"),
            JAVA_LONG.withName("reserved"));
    private static final VarHandle NEXT_IN = part("next_in");
    private static final VarHandle AVAIL_IN = part("avail_in");
    private static final VarHandle TOTAL_IN = part("total_in");
    private static final VarHandle NEXT_OUT = part("next_out");
    private static final VarHandle AVAIL_OUT = part("avail_out");
    private static final VarHandle TOTAL_OUT = part("total_out");
    private static final VarHandle DATA_TYPE = part("data_type");

    private static final NativeLibrary LIBRARY = new NativeLibrary("libz.so.1", "zlib1g");
    private static final MethodHandle INIT =
            LIBRARY.function("inflateInit2_", FunctionDescriptor.of(JAVA_INT, ADDRESS, JAVA_INT, ADDRESS, JAVA_INT));
    private static final MethodHandle INFLATE =
            LIBRARY.function("inflate", FunctionDescriptor.of(JAVA_INT, ADDRESS, JAVA_INT));
    private static final MethodHandle RESET =
            LIBRARY.function("inflateReset", FunctionDescriptor.of(JAVA_INT, ADDRESS));
    private static final MethodHandle END = LIBRARY.function("inflateEnd", FunctionDescriptor.of(JAVA_INT, ADDRESS));

    private static final int RAW_WINDOW = -15;
    private static final int Z_BLOCK = 5;
    private static final int Z_STREAM_END = 1;
    /** In data_type: bits of the last byte that are not used yet, whether the last block is under way, whether one just ended. */
    private static final int UNUSED_BITS = 7;

    private static final int IN_LAST_BLOCK = 64;

    private static final int BLOCK_ENDED = 128;

    private final Arena arena = Arena.ofConfined();
    private final MemorySegment stream = arena.allocate(STREAM);

    BlockWalk() {
        MemorySegment version = arena.allocateFrom("1.2.11");
        int failed =
                NativeLibrary.call(() -> (int) INIT.invokeExact(stream, RAW_WINDOW, version, (int) STREAM.byteSize()));
        if (failed != 0) {
            arena.close();
            throw new OutOfMemoryError("zlib: " + failed);
        }
    }

    private static VarHandle part(String name) {
        return STREAM.varHandle(PathElement.groupElement(name));
    }

    /** Bits from the stream's beginning. */
    record LastBlock(long begins, long ends) {}

    /**
     * Walks a whole stream.
     *
     * @param into gets what it unpacks to, which must be all of it
     * @throws IllegalStateException if it does not unpack to that many bytes
     */
    LastBlock walk(MemorySegment packed, MemorySegment into) {
        NativeLibrary.call(() -> (int) RESET.invokeExact(stream));
        NEXT_IN.set(stream, 0L, packed);
        AVAIL_IN.set(stream, 0L, Math.toIntExact(packed.byteSize()));
        NEXT_OUT.set(stream, 0L, into);
        AVAIL_OUT.set(stream, 0L, Math.toIntExact(into.byteSize()));
        long begins = 0;
        long ends = 0;
        while (true) {
            int said = NativeLibrary.call(() -> (int) INFLATE.invokeExact(stream, Z_BLOCK));
            if (said == Z_STREAM_END) {
                if ((long) TOTAL_OUT.get(stream, 0L) != into.byteSize()) {
                    throw new IllegalStateException("packed bytes unpack to too few");
                }
                return new LastBlock(begins, ends);
            }
            if (said != 0) {
                throw new IllegalStateException("packed bytes do not unpack: zlib says " + said);
            }
            int type = (int) DATA_TYPE.get(stream, 0L);
            if ((type & BLOCK_ENDED) != 0) {
                long at = (long) TOTAL_IN.get(stream, 0L) * 8 - (type & UNUSED_BITS);
                ends = at;
                begins = (type & IN_LAST_BLOCK) == 0 ? at : begins;
            }
        }
    }

    @Override
    public void close() {
        NativeLibrary.call(() -> (int) END.invokeExact(stream));
        arena.close();
    }
}
