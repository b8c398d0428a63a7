package embrick.formats.jpeg;

import static java.lang.foreign.ValueLayout.ADDRESS;
import static java.lang.foreign.ValueLayout.JAVA_BYTE;
import static java.lang.foreign.ValueLayout.JAVA_INT;
import static java.lang.foreign.ValueLayout.JAVA_LONG;

import embrick.core.ticket.FileFormat;
import embrick.formats.binding.NativeLibrary;
import embrick.formats.bytes.DamagedDataException;
import java.io.IOException;
import java.lang.foreign.Arena;
import java.lang.foreign.FunctionDescriptor;
import java.lang.foreign.MemoryLayout;
import java.lang.foreign.MemorySegment;
import java.lang.invoke.MethodHandle;

/**
 * The TurboJPEG API 2.1 (turbojpeg.h), as far as it is used. Every buffer's size is checked here, before the call: a
 * wrong one would end the process.
 */
final class TurboJpeg {
    /** How samples lie in memory: the constants of TJPF. */
    enum PixelLayout {
        RGB(0, 3),
        GREY(6, 1),
        CMYK(11, 4);

        private final int code;
        private final int channels;

        PixelLayout(int code, int channels) {
            this.code = code;
            this.channels = channels;
        }

        int channels() {
            return channels;
        }

        static PixelLayout ofChannels(int channels) {
            return switch (channels) {
                case 1 -> GREY;
                case 3 -> RGB;
                case 4 -> CMYK;
                default -> throw new IllegalArgumentException("channels: expected 1, 3 or 4, got " + channels);
            };
        }
    }

    /** TJSAMP_444, TJSAMP_422, TJSAMP_420 and TJSAMP_GRAY. */
    private static final int SAMP_444 = 0;

    private static final int SAMP_422 = 1;
    private static final int SAMP_420 = 2;
    private static final int SAMP_GRAY = 3;
    private static final int FLAG_NOREALLOC = 1024;
    private static final int FLAG_STOPONWARNING = 8192;
    /** Without it quality 95 silently loses 0.4 dB. */
    private static final int FLAG_ACCURATEDCT = 4096;
    /** Ends a progressive picture with an absurd number of scans. */
    private static final int FLAG_LIMITSCANS = 32768;

    private static final int ERR_WARNING = 0;

    private static final NativeLibrary LIBRARY = new NativeLibrary("libturbojpeg.so.0", "libturbojpeg0");
    private static final MethodHandle INIT_DECOMPRESS =
            LIBRARY.function("tjInitDecompress", FunctionDescriptor.of(ADDRESS));
    private static final MethodHandle INIT_COMPRESS =
            LIBRARY.function("tjInitCompress", FunctionDescriptor.of(ADDRESS));
    private static final MethodHandle DESTROY = LIBRARY.function("tjDestroy", FunctionDescriptor.of(JAVA_INT, ADDRESS));
    private static final MethodHandle DECOMPRESS = LIBRARY.function(
            "tjDecompress2",
            FunctionDescriptor.of(
                    JAVA_INT, ADDRESS, ADDRESS, JAVA_LONG, ADDRESS, JAVA_INT, JAVA_INT, JAVA_INT, JAVA_INT, JAVA_INT));
    private static final MethodHandle COMPRESS = LIBRARY.function(
            "tjCompress2",
            FunctionDescriptor.of(
                    JAVA_INT, ADDRESS, ADDRESS, JAVA_INT, JAVA_INT, JAVA_INT, JAVA_INT, ADDRESS, ADDRESS, JAVA_INT,
                    JAVA_INT, JAVA_INT));
    private static final MethodHandle BUF_SIZE =
            LIBRARY.function("tjBufSize", FunctionDescriptor.of(JAVA_LONG, JAVA_INT, JAVA_INT, JAVA_INT));
    private static final MethodHandle ERROR_TEXT =
            LIBRARY.function("tjGetErrorStr2", FunctionDescriptor.of(ADDRESS, ADDRESS));
    private static final MethodHandle ERROR_CODE =
            LIBRARY.function("tjGetErrorCode", FunctionDescriptor.of(JAVA_INT, ADDRESS));

    private TurboJpeg() {}

    /** What to do when the library warns. */
    enum Warnings {
        /** Go on to the last row, filling what is missing. */
        TOLD(0),
        /** Stop there and leave the rows below untouched. */
        STOP(FLAG_STOPONWARNING);

        private final int flag;

        Warnings(int flag) {
            this.flag = flag;
        }
    }

    /**
     * Decodes a whole file.
     *
     * @param width as in the header, or that scaled by 1/2, 1/4 or 1/8 and rounded up
     * @param into width × height × channels bytes or more
     * @return the first thing the library warned of; empty when nothing
     */
    static String decompress(
            MemorySegment file, MemorySegment into, int width, int height, PixelLayout layout, Warnings warnings)
            throws DamagedDataException {
        long needed = Math.multiplyExact((long) width * height, (long) layout.channels());
        if (into.byteSize() < needed) {
            throw new IllegalArgumentException("into: expected " + needed + " bytes, got " + into.byteSize());
        }
        MemorySegment handle = NativeLibrary.call(() -> (MemorySegment) INIT_DECOMPRESS.invokeExact());
        try {
            int flags = FLAG_ACCURATEDCT | FLAG_LIMITSCANS | warnings.flag;
            int failed = NativeLibrary.call(() -> (int) DECOMPRESS.invokeExact(
                    handle, file, file.byteSize(), into, width, width * layout.channels(), height, layout.code, flags));
            if (failed == 0) {
                return "";
            }
            String said = errorText(handle);
            int code = NativeLibrary.call(() -> (int) ERROR_CODE.invokeExact(handle));
            if (code != ERR_WARNING) {
                throw new DamagedDataException(said);
            }
            return said;
        } finally {
            int ignored = NativeLibrary.call(() -> (int) DESTROY.invokeExact(handle));
            assert ignored == 0;
        }
    }

    /** An encoder that is used for many strips of one width. */
    static final class Encoder implements AutoCloseable {
        private final Arena arena = Arena.ofConfined();
        private final MemorySegment handle = NativeLibrary.call(() -> (MemorySegment) INIT_COMPRESS.invokeExact());
        private final PixelLayout layout;
        private final int width;
        private final int quality;
        private final int sampling;
        private final MemorySegment pixels;
        private final MemorySegment encoded;
        private final MemorySegment encodedAddress;
        private final MemorySegment encodedSize;

        Encoder(PixelLayout layout, int width, int mostRows, FileFormat.Jpeg coding) {
            this.layout = layout;
            this.width = width;
            this.quality = coding.quality();
            this.sampling = layout == PixelLayout.GREY ? SAMP_GRAY : sampling(coding.chroma());
            this.pixels = arena.allocate((long) width * mostRows * layout.channels());
            // The library counts three channels; four inks at quality 100 need more.
            long room = NativeLibrary.call(() -> (long) BUF_SIZE.invokeExact(width, mostRows, sampling))
                    * Math.max(3, layout.channels())
                    / 3;
            this.encoded = arena.allocate(room);
            this.encodedAddress = arena.allocate(ADDRESS);
            this.encodedSize = arena.allocate(JAVA_LONG);
        }

        private static int sampling(FileFormat.Chroma chroma) {
            return switch (chroma) {
                case FULL -> SAMP_444;
                case HALF_WIDTH -> SAMP_422;
                case HALF -> SAMP_420;
            };
        }

        /** Where the next strip's samples go, before {@link #encode}. */
        MemorySegment pixels() {
            return pixels;
        }

        /** A whole JPEG file of the first rows of {@link #pixels}. */
        byte[] encode(int rows) throws IOException {
            if ((long) rows * width * layout.channels() > pixels.byteSize()) {
                throw new IllegalArgumentException("rows: expected a strip that fits, got " + rows);
            }
            encodedAddress.set(ADDRESS, 0, encoded);
            encodedSize.set(JAVA_LONG, 0, encoded.byteSize());
            int failed = NativeLibrary.call(() -> (int) COMPRESS.invokeExact(
                    handle,
                    pixels,
                    width,
                    width * layout.channels(),
                    rows,
                    layout.code,
                    encodedAddress,
                    encodedSize,
                    sampling,
                    quality,
                    FLAG_NOREALLOC | FLAG_ACCURATEDCT));
            if (failed != 0) {
                throw new IOException("JPEG encoder: " + errorText(handle));
            }
            return encoded.asSlice(0, encodedSize.get(JAVA_LONG, 0)).toArray(JAVA_BYTE);
        }

        @Override
        public void close() {
            int ignored = NativeLibrary.call(() -> (int) DESTROY.invokeExact(handle));
            assert ignored == 0;
            arena.close();
        }
    }

    private static String errorText(MemorySegment handle) {
        MemorySegment text = NativeLibrary.call(() -> (MemorySegment) ERROR_TEXT.invokeExact(handle));
        return text.reinterpret(200, Arena.ofAuto(), null)
                .asSlice(0, MemoryLayout.sequenceLayout(200, JAVA_BYTE).byteSize())
                .getString(0);
    }
}
