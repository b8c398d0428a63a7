package embrick.formats.webp;

import embrick.core.print.PixelRows;
import embrick.core.units.PixelSize;
import embrick.formats.exif.ExifBlock;
import embrick.formats.picture.PrintFile;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.lang.foreign.Arena;
import java.lang.foreign.MemorySegment;
import java.lang.foreign.ValueLayout;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.Optional;

/**
 * Writes a WebP in its extended form: profile, picture, Exif and XMP, each in a chunk (RFC 9649, 2.7). The whole picture is held,
 * since its coder looks at all of it.
 */
final class WebpWriter {
    private static final int STRIP_ROWS = 64;
    private static final int CHANNELS = 3;

    /** RIFF, its size and WEBP stand before the first chunk. */
    private static final int FILE_HEADER = 12;

    private static final int HAS_PROFILE = 0x20;
    private static final int HAS_EXIF = 0x08;
    private static final int HAS_XMP = 0x04;

    private WebpWriter() {}

    static void write(
            PixelRows print, Optional<Integer> quality, PrintFile marks, OutputStream to, PrintFile.Progress progress)
            throws IOException {
        byte[] coded = coded(print, quality, progress);
        byte[] exif = ExifBlock.of(
                marks.marked(), print.size(), marks.colour(), marks.metadata().exif());
        Optional<byte[]> xmp = marks.metadata().xmp();
        ByteArrayOutputStream chunks = new ByteArrayOutputStream();
        chunk(chunks, "VP8X", extended(print.size(), xmp.isPresent()));
        chunk(chunks, "ICCP", marks.profile());
        chunks.write(coded, FILE_HEADER, coded.length - FILE_HEADER);
        chunk(chunks, "EXIF", exif);
        if (xmp.isPresent()) {
            chunk(chunks, "XMP ", xmp.get());
        }
        to.write(ByteBuffer.allocate(FILE_HEADER)
                .order(ByteOrder.LITTLE_ENDIAN)
                .put("RIFF".getBytes(StandardCharsets.US_ASCII))
                .putInt(chunks.size() + 4)
                .put("WEBP".getBytes(StandardCharsets.US_ASCII))
                .array());
        chunks.writeTo(to);
    }

    private static byte[] coded(PixelRows print, Optional<Integer> quality, PrintFile.Progress progress)
            throws IOException {
        int height = print.size().height();
        long rowBytes = (long) print.size().width() * CHANNELS;
        int strips = (height + STRIP_ROWS - 1) / STRIP_ROWS;
        try (Arena arena = Arena.ofConfined()) {
            MemorySegment rgb = arena.allocate(print.size().bytes(CHANNELS, 1));
            for (int y = 0, done = 0; y < height; y += STRIP_ROWS) {
                int rows = Math.min(STRIP_ROWS, height - y);
                byte[] samples = new byte[(int) (rows * rowBytes)];
                print.rows(y, rows).toBytes(samples);
                MemorySegment.copy(samples, 0, rgb, ValueLayout.JAVA_BYTE, y * rowBytes, samples.length);
                progress.strip(++done, strips);
            }
            return LibWebp.encode(rgb, print.size(), quality);
        }
    }

    private static byte[] extended(PixelSize size, boolean hasXmp) {
        byte[] header = ByteBuffer.allocate(11)
                .order(ByteOrder.LITTLE_ENDIAN)
                .putInt(HAS_PROFILE | HAS_EXIF | (hasXmp ? HAS_XMP : 0))
                .putInt(4, size.width() - 1)
                .putInt(7, size.height() - 1)
                .array();
        return Arrays.copyOf(header, 10);
    }

    /** Padded to an even length. */
    private static void chunk(ByteArrayOutputStream out, String name, byte[] data) {
        out.writeBytes(name.getBytes(StandardCharsets.US_ASCII));
        out.writeBytes(ByteBuffer.allocate(4)
                .order(ByteOrder.LITTLE_ENDIAN)
                .putInt(data.length)
                .array());
        out.writeBytes(data);
        if (data.length % 2 == 1) {
            out.write(0);
        }
    }
}
