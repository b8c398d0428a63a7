package embrick.formats.webp;

import static java.lang.foreign.ValueLayout.ADDRESS;
import static java.lang.foreign.ValueLayout.JAVA_FLOAT;
import static java.lang.foreign.ValueLayout.JAVA_INT;
import static java.lang.foreign.ValueLayout.JAVA_LONG;

import embrick.core.units.PixelSize;
import embrick.formats.binding.NativeLibrary;
import java.io.IOException;
import java.lang.foreign.Arena;
import java.lang.foreign.FunctionDescriptor;
import java.lang.foreign.MemorySegment;
import java.lang.foreign.ValueLayout;
import java.lang.invoke.MethodHandle;
import java.util.Optional;

/** libwebp's simple interfaces (webp/decode.h, webp/encode.h). The buffer's size is checked here, before the call. */
final class LibWebp {
    private static final NativeLibrary LIBRARY = new NativeLibrary("libwebp.so.7", "libwebp7");
    private static final MethodHandle INFO =
            LIBRARY.function("WebPGetInfo", FunctionDescriptor.of(JAVA_INT, ADDRESS, JAVA_LONG, ADDRESS, ADDRESS));
    private static final MethodHandle DECODE_RGB = decoder("WebPDecodeRGBInto");
    private static final MethodHandle DECODE_RGBA = decoder("WebPDecodeRGBAInto");

    private static final MethodHandle ENCODE = LIBRARY.function(
            "WebPEncodeRGB",
            FunctionDescriptor.of(JAVA_LONG, ADDRESS, JAVA_INT, JAVA_INT, JAVA_INT, JAVA_FLOAT, ADDRESS));
    private static final MethodHandle ENCODE_LOSSLESS = LIBRARY.function(
            "WebPEncodeLosslessRGB", FunctionDescriptor.of(JAVA_LONG, ADDRESS, JAVA_INT, JAVA_INT, JAVA_INT, ADDRESS));
    private static final MethodHandle FREE = LIBRARY.function("WebPFree", FunctionDescriptor.ofVoid(ADDRESS));

    private static MethodHandle decoder(String name) {
        return LIBRARY.function(name, FunctionDescriptor.of(ADDRESS, ADDRESS, JAVA_LONG, ADDRESS, JAVA_LONG, JAVA_INT));
    }

    private LibWebp() {}

    /**
     * Codes a whole picture.
     *
     * @param rgb height × width × 3 bytes
     * @param quality 1 to 100; empty where nothing is to be lost
     * @return a whole WebP file without metadata
     * @throws IOException if there is no memory for it
     */
    static byte[] encode(MemorySegment rgb, PixelSize size, Optional<Integer> quality) throws IOException {
        long needed = size.bytes(3, 1);
        if (rgb.byteSize() < needed) {
            throw new IllegalArgumentException("rgb: expected " + needed + " bytes, got " + rgb.byteSize());
        }
        int stride = size.width() * 3;
        try (Arena arena = Arena.ofConfined()) {
            MemorySegment result = arena.allocate(ADDRESS);
            long bytes = quality.isPresent()
                    ? lossy(rgb, size, stride, quality.get(), result)
                    : NativeLibrary.call(
                            () -> (long) ENCODE_LOSSLESS.invokeExact(rgb, size.width(), size.height(), stride, result));
            MemorySegment coded = result.get(ADDRESS, 0);
            if (bytes == 0) {
                throw new IOException("WebP: " + size + " px could not be coded");
            }
            try {
                return coded.reinterpret(bytes).toArray(ValueLayout.JAVA_BYTE);
            } finally {
                NativeLibrary.call(() -> {
                    FREE.invokeExact(coded);
                    return 0;
                });
            }
        }
    }

    private static long lossy(MemorySegment rgb, PixelSize size, int stride, float quality, MemorySegment result) {
        return NativeLibrary.call(
                () -> (long) ENCODE.invokeExact(rgb, size.width(), size.height(), stride, quality, result));
    }

    /** Decodes a whole file; false if it is damaged or not of that size. */
    static boolean decode(MemorySegment file, MemorySegment into, PixelSize size, int channels) {
        long needed = size.bytes(channels, 1);
        if (into.byteSize() < needed) {
            throw new IllegalArgumentException("into: expected " + needed + " bytes, got " + into.byteSize());
        }
        long fileBytes = file.byteSize();
        try (Arena arena = Arena.ofConfined()) {
            MemorySegment width = arena.allocate(JAVA_INT);
            MemorySegment height = arena.allocate(JAVA_INT);
            int known = NativeLibrary.call(() -> (int) INFO.invokeExact(file, fileBytes, width, height));
            if (known == 0 || width.get(JAVA_INT, 0) != size.width() || height.get(JAVA_INT, 0) != size.height()) {
                return false;
            }
        }
        MethodHandle decoder = channels == 4 ? DECODE_RGBA : DECODE_RGB;
        long room = into.byteSize();
        int stride = size.width() * channels;
        MemorySegment decoded =
                NativeLibrary.call(() -> (MemorySegment) decoder.invokeExact(file, fileBytes, into, room, stride));
        return decoded.address() != 0;
    }
}
