package embrick.formats.deflate;

import static java.lang.foreign.ValueLayout.ADDRESS;
import static java.lang.foreign.ValueLayout.JAVA_INT;
import static java.lang.foreign.ValueLayout.JAVA_LONG;

import embrick.formats.binding.NativeLibrary;
import java.lang.foreign.FunctionDescriptor;
import java.lang.foreign.MemorySegment;
import java.lang.invoke.MethodHandle;

/** The compressor of libdeflate 1 (libdeflate.h), as far as it is used. */
final class LibDeflate implements AutoCloseable {
    private static final NativeLibrary LIBRARY = new NativeLibrary("libdeflate.so.0", "libdeflate0");
    private static final MethodHandle ALLOC =
            LIBRARY.function("libdeflate_alloc_compressor", FunctionDescriptor.of(ADDRESS, JAVA_INT));
    private static final MethodHandle FREE =
            LIBRARY.function("libdeflate_free_compressor", FunctionDescriptor.ofVoid(ADDRESS));
    private static final MethodHandle BOUND =
            LIBRARY.function("libdeflate_deflate_compress_bound", FunctionDescriptor.of(JAVA_LONG, ADDRESS, JAVA_LONG));
    private static final MethodHandle COMPRESS = LIBRARY.function(
            "libdeflate_deflate_compress",
            FunctionDescriptor.of(JAVA_LONG, ADDRESS, ADDRESS, JAVA_LONG, ADDRESS, JAVA_LONG));

    private final MemorySegment compressor;

    /** @param level 0 to 12, as of the library */
    LibDeflate(int level) {
        compressor = NativeLibrary.call(() -> (MemorySegment) ALLOC.invokeExact(level));
        if (compressor.address() == 0) {
            throw new OutOfMemoryError("no memory for a compressor of level " + level);
        }
    }

    /** The most bytes that so many can become. */
    long bound(long bytes) {
        return NativeLibrary.call(() -> (long) BOUND.invokeExact(compressor, bytes));
    }

    /**
     * Packs bytes as raw Deflate, ended by a last block.
     *
     * @param into {@link #bound} bytes or more
     * @return bytes written
     */
    long compress(MemorySegment bytes, MemorySegment into) {
        long packed = NativeLibrary.call(
                () -> (long) COMPRESS.invokeExact(compressor, bytes, bytes.byteSize(), into, into.byteSize()));
        if (packed == 0) {
            throw new IllegalArgumentException("into: expected room for " + bytes.byteSize() + " bytes packed");
        }
        return packed;
    }

    @Override
    public void close() {
        NativeLibrary.call(() -> {
            FREE.invokeExact(compressor);
            return null;
        });
    }
}
