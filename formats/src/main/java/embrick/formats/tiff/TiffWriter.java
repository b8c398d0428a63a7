package embrick.formats.tiff;

import embrick.core.pixels.Strip;
import embrick.core.print.Print;
import embrick.core.ticket.FileFormat.Packing;
import embrick.formats.PrintFile;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.util.ArrayList;
import java.util.List;
import java.util.zip.Deflater;

/**
 * Writes a TIFF 6.0 of 8-bit strips, little-endian, the directory first.
 *
 * <p>Plain strips have a size that is known beforehand, so the directory can lead. Packed strips have not: they are
 * written one after the other and the directory, to which the header must point, follows them through a channel that can
 * go back.
 */
public final class TiffWriter {
    private static final int STRIP_ROWS = 64;
    private static final int COMPRESSION_NONE = 1;
    private static final int COMPRESSION_DEFLATE = 8;
    private static final int PREDICTOR_HORIZONTAL = 2;
    private static final int HEADER_BYTES = 8;

    /** A stream whose first bytes can be written again at the end. */
    public interface Target {
        OutputStream stream();

        void writeAt(long offset, byte[] bytes) throws IOException;
    }

    private TiffWriter() {}

    public static void write(Print print, PrintFile file, Packing packing, Target target, PrintFile.Progress progress)
            throws IOException {
        int width = print.size().width();
        int height = print.size().height();
        int rowLength = width * print.channels();
        int strips = Math.ceilDiv(height, STRIP_ROWS);
        OutputStream out = target.stream();
        out.write(header(0));
        List<Long> offsets = new ArrayList<>();
        List<Long> counts = new ArrayList<>();
        long at = HEADER_BYTES;
        for (int strip = 0; strip < strips; strip++) {
            int y = strip * STRIP_ROWS;
            int rows = Math.min(STRIP_ROWS, height - y);
            byte[] bytes = bytes(print.rows(y, rows));
            if (packing == Packing.DEFLATE) {
                bytes = deflated(predicted(bytes, rowLength, print.channels()));
            }
            offsets.add(at);
            counts.add((long) bytes.length);
            out.write(bytes);
            at += bytes.length;
            if ((at & 1) != 0) {
                out.write(0);
                at++;
            }
            progress.strip(strip + 1, strips);
        }
        out.write(directory(print, file, packing, offsets, counts).build(at));
        out.flush();
        target.writeAt(0, header(at));
    }

    private static byte[] header(long directory) {
        return ByteBuffer.allocate(HEADER_BYTES)
                .order(ByteOrder.LITTLE_ENDIAN)
                .putShort((short) 0x4949)
                .putShort((short) 42)
                .putInt((int) directory)
                .array();
    }

    private static IfdBuilder directory(
            Print print, PrintFile file, Packing packing, List<Long> offsets, List<Long> counts) {
        int channels = print.channels();
        IfdBuilder ifd = new IfdBuilder(ByteOrder.LITTLE_ENDIAN)
                .longs(Ifd.IMAGE_WIDTH, print.size().width())
                .longs(Ifd.IMAGE_LENGTH, print.size().height())
                .shorts(Ifd.BITS_PER_SAMPLE, channels == 1 ? new int[] {8} : new int[] {8, 8, 8})
                .shorts(Ifd.COMPRESSION, packing == Packing.PLAIN ? COMPRESSION_NONE : COMPRESSION_DEFLATE)
                .shorts(Ifd.PHOTOMETRIC, channels == 1 ? 1 : 2)
                .longs(Ifd.STRIP_OFFSETS, array(offsets))
                .shorts(Ifd.ORIENTATION, 1)
                .shorts(Ifd.SAMPLES_PER_PIXEL, channels)
                .longs(Ifd.ROWS_PER_STRIP, STRIP_ROWS)
                .longs(Ifd.STRIP_BYTE_COUNTS, array(counts))
                .resolution(Ifd.X_RESOLUTION, file.marked())
                .resolution(Ifd.Y_RESOLUTION, file.marked())
                .shorts(Ifd.PLANAR_CONFIGURATION, 1)
                .shorts(Ifd.RESOLUTION_UNIT, 2)
                .undefined(Ifd.ICC_PROFILE, file.profile());
        return packing == Packing.PLAIN ? ifd : ifd.shorts(Ifd.PREDICTOR, PREDICTOR_HORIZONTAL);
    }

    private static long[] array(List<Long> values) {
        return values.stream().mapToLong(Long::longValue).toArray();
    }

    private static byte[] bytes(Strip strip) {
        byte[] bytes = new byte[strip.rows() * strip.rowLength()];
        for (int i = 0; i < bytes.length; i++) {
            bytes[i] = (byte) Strip.toByte(strip.samples()[i]);
        }
        return bytes;
    }

    /** TIFF 6.0, section 14: each sample less the one of the same channel to its left. */
    private static byte[] predicted(byte[] bytes, int rowLength, int channels) {
        for (int row = 0; row < bytes.length; row += rowLength) {
            for (int i = rowLength - 1; i >= channels; i--) {
                bytes[row + i] -= bytes[row + i - channels];
            }
        }
        return bytes;
    }

    private static byte[] deflated(byte[] bytes) {
        try (Deflater deflater = new Deflater(4)) {
            deflater.setInput(bytes);
            deflater.finish();
            byte[] packed = new byte[bytes.length + bytes.length / 1000 + 64];
            int length = deflater.deflate(packed);
            return java.util.Arrays.copyOf(packed, length);
        }
    }
}
