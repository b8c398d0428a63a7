package embrick.formats.webp;

import static java.lang.foreign.ValueLayout.ADDRESS;
import static java.lang.foreign.ValueLayout.JAVA_INT;
import static java.lang.foreign.ValueLayout.JAVA_LONG;

import embrick.core.units.PixelSize;
import embrick.formats.binding.NativeLibrary;
import java.lang.foreign.Arena;
import java.lang.foreign.FunctionDescriptor;
import java.lang.foreign.MemorySegment;
import java.lang.invoke.MethodHandle;

/** libwebp's simple decoding interface (webp/decode.h). The buffer's size is checked here, before the call. */
final class LibWebp {
    private static final NativeLibrary LIBRARY = new NativeLibrary("libwebp.so.7", "libwebp7");
    private static final MethodHandle INFO =
            LIBRARY.function("WebPGetInfo", FunctionDescriptor.of(JAVA_INT, ADDRESS, JAVA_LONG, ADDRESS, ADDRESS));
    private static final MethodHandle DECODE_RGB = decoder("WebPDecodeRGBInto");
    private static final MethodHandle DECODE_RGBA = decoder("WebPDecodeRGBAInto");

    private static MethodHandle decoder(String name) {
        return LIBRARY.function(name, FunctionDescriptor.of(ADDRESS, ADDRESS, JAVA_LONG, ADDRESS, JAVA_LONG, JAVA_INT));
    }

    private LibWebp() {}

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
