package embrick.formats.heif;

import static java.lang.foreign.ValueLayout.ADDRESS;
import static java.lang.foreign.ValueLayout.JAVA_BYTE;
import static java.lang.foreign.ValueLayout.JAVA_INT;
import static java.lang.foreign.ValueLayout.JAVA_LONG;

import embrick.formats.binding.NativeLibrary;
import embrick.formats.bytes.DamagedDataException;
import java.io.IOException;
import java.lang.foreign.Arena;
import java.lang.foreign.FunctionDescriptor;
import java.lang.foreign.MemoryLayout;
import java.lang.foreign.MemorySegment;
import java.lang.foreign.SegmentAllocator;
import java.lang.foreign.StructLayout;
import java.lang.invoke.MethodHandle;

/** libheif's C interface (heif.h, 1.15), as far as it is used. */
final class LibHeif {
    static final int COLORSPACE_RGB = 1;
    /** heif_chroma: interleaved, 8 bit a sample or 16 bit little-endian. */
    static final int CHROMA_RGB = 10;

    static final int CHROMA_RGBA = 11;
    static final int CHROMA_RRGGBB_LE = 14;
    static final int CHROMA_RRGGBBAA_LE = 15;
    private static final int CHANNEL_INTERLEAVED = 10;

    /** struct heif_error: code, subcode, message. */
    private static final StructLayout ERROR = MemoryLayout.structLayout(JAVA_INT, JAVA_INT, ADDRESS);

    private static final NativeLibrary LIBRARY = new NativeLibrary("libheif.so.1", "libheif1");

    private static final MethodHandle CONTEXT_ALLOC =
            LIBRARY.function("heif_context_alloc", FunctionDescriptor.of(ADDRESS));
    private static final MethodHandle CONTEXT_FREE =
            LIBRARY.function("heif_context_free", FunctionDescriptor.ofVoid(ADDRESS));
    private static final MethodHandle READ = LIBRARY.function(
            "heif_context_read_from_memory_without_copy",
            FunctionDescriptor.of(ERROR, ADDRESS, ADDRESS, JAVA_LONG, ADDRESS));
    private static final MethodHandle SIZE_LIMIT =
            LIBRARY.function("heif_context_set_maximum_image_size_limit", FunctionDescriptor.ofVoid(ADDRESS, JAVA_INT));
    private static final MethodHandle PRIMARY =
            LIBRARY.function("heif_context_get_primary_image_handle", FunctionDescriptor.of(ERROR, ADDRESS, ADDRESS));
    private static final MethodHandle HANDLE_RELEASE =
            LIBRARY.function("heif_image_handle_release", FunctionDescriptor.ofVoid(ADDRESS));
    private static final MethodHandle WIDTH = number("heif_image_handle_get_width");
    private static final MethodHandle HEIGHT = number("heif_image_handle_get_height");
    private static final MethodHandle HAS_ALPHA = number("heif_image_handle_has_alpha_channel");
    private static final MethodHandle BITS = number("heif_image_handle_get_luma_bits_per_pixel");
    private static final MethodHandle PROFILE_SIZE =
            LIBRARY.function("heif_image_handle_get_raw_color_profile_size", FunctionDescriptor.of(JAVA_LONG, ADDRESS));
    private static final MethodHandle PROFILE =
            LIBRARY.function("heif_image_handle_get_raw_color_profile", FunctionDescriptor.of(ERROR, ADDRESS, ADDRESS));
    private static final MethodHandle NCLX = LIBRARY.function(
            "heif_image_handle_get_nclx_color_profile", FunctionDescriptor.of(ERROR, ADDRESS, ADDRESS));
    private static final MethodHandle NCLX_FREE =
            LIBRARY.function("heif_nclx_color_profile_free", FunctionDescriptor.ofVoid(ADDRESS));
    private static final MethodHandle BLOCK_IDS = LIBRARY.function(
            "heif_image_handle_get_list_of_metadata_block_IDs",
            FunctionDescriptor.of(JAVA_INT, ADDRESS, ADDRESS, ADDRESS, JAVA_INT));
    private static final MethodHandle BLOCK_SIZE = LIBRARY.function(
            "heif_image_handle_get_metadata_size", FunctionDescriptor.of(JAVA_LONG, ADDRESS, JAVA_INT));
    private static final MethodHandle BLOCK = LIBRARY.function(
            "heif_image_handle_get_metadata", FunctionDescriptor.of(ERROR, ADDRESS, JAVA_INT, ADDRESS));
    private static final MethodHandle DECODE = LIBRARY.function(
            "heif_decode_image", FunctionDescriptor.of(ERROR, ADDRESS, ADDRESS, JAVA_INT, JAVA_INT, ADDRESS));
    private static final MethodHandle PLANE = LIBRARY.function(
            "heif_image_get_plane_readonly", FunctionDescriptor.of(ADDRESS, ADDRESS, JAVA_INT, ADDRESS));
    private static final MethodHandle IMAGE_WIDTH =
            LIBRARY.function("heif_image_get_width", FunctionDescriptor.of(JAVA_INT, ADDRESS, JAVA_INT));
    private static final MethodHandle IMAGE_HEIGHT =
            LIBRARY.function("heif_image_get_height", FunctionDescriptor.of(JAVA_INT, ADDRESS, JAVA_INT));
    private static final MethodHandle IMAGE_BITS =
            LIBRARY.function("heif_image_get_bits_per_pixel_range", FunctionDescriptor.of(JAVA_INT, ADDRESS, JAVA_INT));
    private static final MethodHandle IMAGE_RELEASE =
            LIBRARY.function("heif_image_release", FunctionDescriptor.ofVoid(ADDRESS));

    private static MethodHandle number(String name) {
        return LIBRARY.function(name, FunctionDescriptor.of(JAVA_INT, ADDRESS));
    }

    private LibHeif() {}

    /** A native call that answers with a heif_error. */
    private interface Fallible {
        MemorySegment call(SegmentAllocator errors) throws Throwable;
    }

    private static void require(Fallible call) throws IOException {
        try (Arena arena = Arena.ofConfined()) {
            MemorySegment error = NativeLibrary.call(() -> call.call(arena));
            if (error.get(JAVA_INT, 0) != 0) {
                throw new DamagedDataException(
                        error.get(ADDRESS, 8).reinterpret(500).getString(0).strip());
            }
        }
    }

    /** An opened file and its first picture; close it. */
    static final class Picture implements AutoCloseable {
        private final Arena arena = Arena.ofConfined();
        private final MemorySegment context;
        private MemorySegment handle = MemorySegment.NULL;

        /** @param mostSide longer ones are refused before memory is taken */
        Picture(MemorySegment file, int mostSide) throws IOException {
            context = NativeLibrary.call(() -> (MemorySegment) CONTEXT_ALLOC.invokeExact());
            try {
                NativeLibrary.call(() -> {
                    SIZE_LIMIT.invokeExact(context, mostSide);
                    return null;
                });
                long size = file.byteSize();
                require(errors -> (MemorySegment) READ.invokeExact(errors, context, file, size, MemorySegment.NULL));
                MemorySegment out = arena.allocate(ADDRESS);
                require(errors -> (MemorySegment) PRIMARY.invokeExact(errors, context, out));
                handle = out.get(ADDRESS, 0);
            } catch (IOException | RuntimeException | Error failed) {
                close();
                throw failed;
            }
        }

        private int number(MethodHandle function) {
            return NativeLibrary.call(() -> (int) function.invokeExact(handle));
        }

        int width() {
            return number(WIDTH);
        }

        int height() {
            return number(HEIGHT);
        }

        boolean hasAlpha() {
            return number(HAS_ALPHA) != 0;
        }

        int bits() {
            return number(BITS);
        }

        /** The ICC profile's bytes; none: an empty array. */
        byte[] profile(long most) throws IOException {
            long size = NativeLibrary.call(() -> (long) PROFILE_SIZE.invokeExact(handle));
            if (size <= 0 || size > most) {
                return new byte[0];
            }
            MemorySegment bytes = arena.allocate(size);
            require(errors -> (MemorySegment) PROFILE.invokeExact(errors, handle, bytes));
            return bytes.toArray(JAVA_BYTE);
        }

        /** colour_primaries of the nclx box (ISO/IEC 23091-2); 0 where there is none. */
        int primaries() {
            MemorySegment out = arena.allocate(ADDRESS);
            try {
                require(errors -> (MemorySegment) NCLX.invokeExact(errors, handle, out));
            } catch (IOException none) {
                return 0;
            }
            MemorySegment nclx = out.get(ADDRESS, 0).reinterpret(8);
            int primaries = nclx.get(JAVA_INT, 4);
            NativeLibrary.call(() -> {
                NCLX_FREE.invokeExact(nclx);
                return null;
            });
            return primaries;
        }

        /** The Exif block, its four-byte offset left in front; none: an empty array. */
        byte[] exif(long most) throws IOException {
            MemorySegment type = arena.allocateFrom("Exif");
            MemorySegment ids = arena.allocate(JAVA_INT);
            int found = NativeLibrary.call(() -> (int) BLOCK_IDS.invokeExact(handle, type, ids, 1));
            if (found < 1) {
                return new byte[0];
            }
            int id = ids.get(JAVA_INT, 0);
            long size = NativeLibrary.call(() -> (long) BLOCK_SIZE.invokeExact(handle, id));
            if (size <= 4 || size > most) {
                return new byte[0];
            }
            MemorySegment bytes = arena.allocate(size);
            require(errors -> (MemorySegment) BLOCK.invokeExact(errors, handle, id, bytes));
            return bytes.toArray(JAVA_BYTE);
        }

        Pixels decode(int chroma) throws IOException {
            MemorySegment out = arena.allocate(ADDRESS);
            require(errors -> (MemorySegment)
                    DECODE.invokeExact(errors, handle, out, COLORSPACE_RGB, chroma, MemorySegment.NULL));
            return new Pixels(out.get(ADDRESS, 0));
        }

        @Override
        public void close() {
            NativeLibrary.call(() -> {
                if (handle.address() != 0) {
                    HANDLE_RELEASE.invokeExact(handle);
                }
                CONTEXT_FREE.invokeExact(context);
                return null;
            });
            arena.close();
        }
    }

    /** Decoded interleaved pixels, owned by the library; close them. */
    static final class Pixels implements AutoCloseable {
        private final MemorySegment image;

        private Pixels(MemorySegment image) {
            this.image = image;
        }

        private int number(MethodHandle function) {
            return NativeLibrary.call(() -> (int) function.invokeExact(image, CHANNEL_INTERLEAVED));
        }

        int width() {
            return number(IMAGE_WIDTH);
        }

        int height() {
            return number(IMAGE_HEIGHT);
        }

        /** Bits that are used in each sample. */
        int bits() {
            return number(IMAGE_BITS);
        }

        /** Rows of pixels, {@code stride} bytes apart. */
        record Plane(MemorySegment bytes, int stride) {}

        /** @param rowBytes that every row holds: what may be read */
        Plane plane(int rowBytes) throws IOException {
            try (Arena arena = Arena.ofConfined()) {
                MemorySegment strideOut = arena.allocate(JAVA_INT);
                MemorySegment start = NativeLibrary.call(
                        () -> (MemorySegment) PLANE.invokeExact(image, CHANNEL_INTERLEAVED, strideOut));
                int stride = strideOut.get(JAVA_INT, 0);
                if (start.address() == 0 || stride < rowBytes) {
                    throw new DamagedDataException("no interleaved pixels of " + rowBytes + " bytes a row");
                }
                return new Plane(start.reinterpret((long) stride * (height() - 1) + rowBytes), stride);
            }
        }

        @Override
        public void close() {
            NativeLibrary.call(() -> {
                IMAGE_RELEASE.invokeExact(image);
                return null;
            });
        }
    }
}
