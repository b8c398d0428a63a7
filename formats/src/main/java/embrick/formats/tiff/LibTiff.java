package embrick.formats.tiff;

import static java.lang.foreign.ValueLayout.ADDRESS;
import static java.lang.foreign.ValueLayout.JAVA_BYTE;
import static java.lang.foreign.ValueLayout.JAVA_INT;
import static java.lang.foreign.ValueLayout.JAVA_LONG;
import static java.lang.foreign.ValueLayout.JAVA_SHORT;

import embrick.formats.binding.NativeLibrary;
import embrick.formats.bytes.DamagedDataException;
import embrick.formats.ifd.Ifd;
import java.io.IOException;
import java.lang.foreign.Arena;
import java.lang.foreign.FunctionDescriptor;
import java.lang.foreign.Linker;
import java.lang.foreign.MemorySegment;
import java.lang.invoke.MethodHandle;
import java.lang.invoke.MethodHandles;
import java.lang.invoke.MethodType;
import java.nio.file.Path;

/**
 * libtiff's C interface (tiffio.h, 4.5 and later), as far as it is used. Buffers are checked against the sizes that the
 * library itself states, before each call.
 */
final class LibTiff implements AutoCloseable {
    private static final int TAG_JPEG_COLOR_MODE = 65538;
    private static final int JPEG_COLOR_MODE_RGB = 1;
    /** A piece of a file that the library holds at once: a strip of the largest picture that is read. */
    private static final long MOST_AT_ONCE = 4L << 30;

    private static final int MESSAGE_BYTES = 300;

    private static final NativeLibrary LIBRARY = new NativeLibrary("libtiff.so.6", "libtiff6");
    private static final MethodHandle OPTIONS =
            LIBRARY.function("TIFFOpenOptionsAlloc", FunctionDescriptor.of(ADDRESS));
    private static final MethodHandle OPTIONS_FREE =
            LIBRARY.function("TIFFOpenOptionsFree", FunctionDescriptor.ofVoid(ADDRESS));
    private static final MethodHandle OPTIONS_MOST =
            LIBRARY.function("TIFFOpenOptionsSetMaxSingleMemAlloc", FunctionDescriptor.ofVoid(ADDRESS, JAVA_LONG));
    private static final MethodHandle OPTIONS_ERRORS = LIBRARY.function(
            "TIFFOpenOptionsSetErrorHandlerExtR", FunctionDescriptor.ofVoid(ADDRESS, ADDRESS, ADDRESS));
    private static final MethodHandle OPTIONS_WARNINGS = LIBRARY.function(
            "TIFFOpenOptionsSetWarningHandlerExtR", FunctionDescriptor.ofVoid(ADDRESS, ADDRESS, ADDRESS));
    private static final MethodHandle OPEN =
            LIBRARY.function("TIFFOpenExt", FunctionDescriptor.of(ADDRESS, ADDRESS, ADDRESS, ADDRESS));
    private static final MethodHandle CLOSE = LIBRARY.function("TIFFClose", FunctionDescriptor.ofVoid(ADDRESS));
    private static final MethodHandle SET_DIRECTORY =
            LIBRARY.function("TIFFSetDirectory", FunctionDescriptor.of(JAVA_INT, ADDRESS, JAVA_INT));
    private static final MethodHandle SET_NUMBER = LIBRARY.function(
            "TIFFSetField",
            FunctionDescriptor.of(JAVA_INT, ADDRESS, JAVA_INT, JAVA_INT),
            Linker.Option.firstVariadicArg(2));
    private static final MethodHandle GET_NUMBER = LIBRARY.function(
            "TIFFGetFieldDefaulted",
            FunctionDescriptor.of(JAVA_INT, ADDRESS, JAVA_INT, ADDRESS),
            Linker.Option.firstVariadicArg(2));
    private static final MethodHandle IS_CONFIGURED =
            LIBRARY.function("TIFFIsCODECConfigured", FunctionDescriptor.of(JAVA_INT, JAVA_SHORT));
    private static final MethodHandle IS_TILED =
            LIBRARY.function("TIFFIsTiled", FunctionDescriptor.of(JAVA_INT, ADDRESS));
    private static final MethodHandle SCANLINE_SIZE =
            LIBRARY.function("TIFFScanlineSize", FunctionDescriptor.of(JAVA_LONG, ADDRESS));
    private static final MethodHandle READ_SCANLINE = LIBRARY.function(
            "TIFFReadScanline", FunctionDescriptor.of(JAVA_INT, ADDRESS, ADDRESS, JAVA_INT, JAVA_SHORT));
    private static final MethodHandle READ_STRIP = LIBRARY.function(
            "TIFFReadEncodedStrip", FunctionDescriptor.of(JAVA_LONG, ADDRESS, JAVA_INT, ADDRESS, JAVA_LONG));
    private static final MethodHandle TILE_SIZE =
            LIBRARY.function("TIFFTileSize", FunctionDescriptor.of(JAVA_LONG, ADDRESS));
    private static final MethodHandle TILE_ROW_SIZE =
            LIBRARY.function("TIFFTileRowSize", FunctionDescriptor.of(JAVA_LONG, ADDRESS));
    private static final MethodHandle READ_TILE = LIBRARY.function(
            "TIFFReadTile",
            FunctionDescriptor.of(JAVA_LONG, ADDRESS, ADDRESS, JAVA_INT, JAVA_INT, JAVA_INT, JAVA_SHORT));
    private static final MethodHandle IS_RGBA =
            LIBRARY.function("TIFFRGBAImageOK", FunctionDescriptor.of(JAVA_INT, ADDRESS, ADDRESS));
    private static final MethodHandle READ_RGBA_STRIP = LIBRARY.function(
            "TIFFReadRGBAStripExt", FunctionDescriptor.of(JAVA_INT, ADDRESS, JAVA_INT, ADDRESS, JAVA_INT));
    private static final MethodHandle READ_RGBA_TILE = LIBRARY.function(
            "TIFFReadRGBATileExt", FunctionDescriptor.of(JAVA_INT, ADDRESS, JAVA_INT, JAVA_INT, ADDRESS, JAVA_INT));

    /** From the C library: a message with its arguments, of which only their address is known. */
    private static final MethodHandle FORMAT =
            LIBRARY.common("vsnprintf", FunctionDescriptor.of(JAVA_INT, ADDRESS, JAVA_LONG, ADDRESS, ADDRESS));

    private final Arena arena = Arena.ofConfined();
    private final MemorySegment tiff;
    private String error = "";
    private String warning = "";

    private LibTiff(Path file) throws IOException {
        MemorySegment options = NativeLibrary.call(() -> (MemorySegment) OPTIONS.invokeExact());
        try {
            MemorySegment errors = handler("onError");
            MemorySegment warnings = handler("onWarning");
            MemorySegment name = arena.allocateFrom(file.toString());
            // Read through the map; strips are cut small where they are not packed.
            MemorySegment mode = arena.allocateFrom("r");
            tiff = NativeLibrary.call(() -> {
                OPTIONS_MOST.invokeExact(options, MOST_AT_ONCE);
                OPTIONS_ERRORS.invokeExact(options, errors, MemorySegment.NULL);
                OPTIONS_WARNINGS.invokeExact(options, warnings, MemorySegment.NULL);
                return (MemorySegment) OPEN.invokeExact(name, mode, options);
            });
        } finally {
            NativeLibrary.call(() -> {
                OPTIONS_FREE.invokeExact(options);
                return null;
            });
        }
        if (tiff.address() == 0) {
            arena.close();
            throw new DamagedDataException(error.isEmpty() ? "it does not open" : error);
        }
    }

    /** Opens a page of a file. */
    static LibTiff open(Path file, int page) throws IOException {
        LibTiff opened = new LibTiff(file);
        if (page > 0 && opened.number(() -> (int) SET_DIRECTORY.invokeExact(opened.tiff, page)) == 0) {
            String why = opened.error;
            opened.close();
            throw new DamagedDataException("page " + (page + 1) + ": " + why);
        }
        // What was said of tags so far does not concern the pixels.
        opened.warning = "";
        opened.error = "";
        return opened;
    }

    private MemorySegment handler(String method) {
        try {
            MethodHandle handle = MethodHandles.lookup()
                    .bind(
                            this,
                            method,
                            MethodType.methodType(
                                    int.class,
                                    MemorySegment.class,
                                    MemorySegment.class,
                                    MemorySegment.class,
                                    MemorySegment.class,
                                    MemorySegment.class));
            return LIBRARY.callback(
                    handle, FunctionDescriptor.of(JAVA_INT, ADDRESS, ADDRESS, ADDRESS, ADDRESS, ADDRESS), arena);
        } catch (ReflectiveOperationException impossible) {
            throw new AssertionError(impossible);
        }
    }

    @SuppressWarnings("unused") // called by the library
    private int onError(
            MemorySegment file, MemorySegment user, MemorySegment module, MemorySegment format, MemorySegment values) {
        error = error.isEmpty() ? said(format, values) : error;
        return 1;
    }

    @SuppressWarnings("unused") // called by the library
    private int onWarning(
            MemorySegment file, MemorySegment user, MemorySegment module, MemorySegment format, MemorySegment values) {
        warning = warning.isEmpty() ? said(format, values) : warning;
        return 1;
    }

    private static String said(MemorySegment format, MemorySegment values) {
        try (Arena arena = Arena.ofConfined()) {
            MemorySegment text = arena.allocate(MESSAGE_BYTES);
            int ignored =
                    NativeLibrary.call(() -> (int) FORMAT.invokeExact(text, (long) MESSAGE_BYTES, format, values));
            assert ignored >= -1;
            return text.getString(0).strip();
        }
    }

    private interface Number {
        int get() throws Throwable;
    }

    private int number(Number number) {
        return NativeLibrary.call(number::get);
    }

    /** Whether the library on this machine unpacks a compression. */
    static boolean unpacks(int compression) {
        return NativeLibrary.call(() -> (int) IS_CONFIGURED.invokeExact((short) compression)) != 0;
    }

    /** What the library said first against what was read since it was opened; empty when nothing. */
    String complaint() {
        return error.isEmpty() ? warning : error;
    }

    boolean isTiled() {
        return number(() -> (int) IS_TILED.invokeExact(tiff)) != 0;
    }

    /** Has JPEG strips and tiles that hold luminance and colour differences given as RGB. */
    void wantRgb() throws IOException {
        if (number(() -> (int) SET_NUMBER.invokeExact(tiff, TAG_JPEG_COLOR_MODE, JPEG_COLOR_MODE_RGB)) == 0) {
            throw new DamagedDataException("its JPEG strips give no RGB");
        }
    }

    long rowBytes() {
        return NativeLibrary.call(() -> (long) SCANLINE_SIZE.invokeExact(tiff));
    }

    /**
     * Unpacks a row.
     *
     * @param into {@link #rowBytes} or more
     * @param plane where each channel has its own, else 0
     * @return false if it is damaged or missing
     */
    boolean row(int row, int plane, MemorySegment into) {
        require(into, rowBytes());
        return number(() -> (int) READ_SCANLINE.invokeExact(tiff, into, row, (short) plane)) >= 0;
    }

    /** Unpacks a whole strip, all of whose bytes must be there. */
    boolean strip(int strip, MemorySegment into) {
        return NativeLibrary.call(() -> (long) READ_STRIP.invokeExact(tiff, strip, into, into.byteSize()))
                == into.byteSize();
    }

    /** Forgets what the library said so far: what it is about is read again. */
    void forgetComplaint() {
        warning = "";
        error = "";
    }

    long tileBytes() {
        return NativeLibrary.call(() -> (long) TILE_SIZE.invokeExact(tiff));
    }

    long tileRowBytes() {
        return NativeLibrary.call(() -> (long) TILE_ROW_SIZE.invokeExact(tiff));
    }

    long tileWidth() {
        return field(Ifd.TILE_WIDTH);
    }

    long tileHeight() {
        return field(Ifd.TILE_LENGTH);
    }

    long rowsPerStrip() {
        return field(Ifd.ROWS_PER_STRIP);
    }

    /** A tag of 32 bits; 0 where there is none. */
    private long field(int tag) {
        MemorySegment value = arena.allocate(JAVA_LONG);
        int found = number(() -> (int) GET_NUMBER.invokeExact(tiff, tag, value));
        return found == 0 ? 0 : value.get(JAVA_INT, 0) & 0xFFFF_FFFFL;
    }

    /** Unpacks the tile at a pixel. */
    boolean tile(int x, int y, int plane, MemorySegment into) {
        require(into, tileBytes());
        return NativeLibrary.call(() -> (long) READ_TILE.invokeExact(tiff, into, x, y, 0, (short) plane)) >= 0;
    }

    /** Whether the library makes RGB of a picture by itself. @throws IOException with its reason if not */
    void requireRgba() throws IOException {
        MemorySegment why = arena.allocate(1024);
        if (number(() -> (int) IS_RGBA.invokeExact(tiff, why)) == 0) {
            throw new DamagedDataException(why.getString(0));
        }
    }

    /** As RGBA in bytes, its rows from the bottom up: width × rows of a strip. */
    boolean rgbaStrip(int firstRow, MemorySegment into, long bytes) {
        require(into, bytes);
        return number(() -> (int) READ_RGBA_STRIP.invokeExact(tiff, firstRow, into, 1)) != 0;
    }

    /** As RGBA in bytes, its rows from the bottom up: a whole tile. */
    boolean rgbaTile(int x, int y, MemorySegment into, long bytes) {
        require(into, bytes);
        return number(() -> (int) READ_RGBA_TILE.invokeExact(tiff, x, y, into, 1)) != 0;
    }

    private static void require(MemorySegment into, long bytes) {
        if (bytes < 1 || into.byteSize() < bytes) {
            throw new IllegalArgumentException("into: expected " + bytes + " bytes, got " + into.byteSize());
        }
    }

    /** Memory for what is unpacked, as long as this is open. */
    MemorySegment room(long bytes) {
        return arena.allocate(bytes, JAVA_LONG.byteAlignment()).asSlice(0, bytes);
    }

    /** A byte of unpacked memory, 0 to 255. */
    static int unsigned(MemorySegment memory, long at) {
        return memory.get(JAVA_BYTE, at) & 0xff;
    }

    @Override
    public void close() {
        NativeLibrary.call(() -> {
            CLOSE.invokeExact(tiff);
            return null;
        });
        arena.close();
    }
}
