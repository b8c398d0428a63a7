package embrick.formats.jpeg;

import embrick.core.print.PixelRows;
import embrick.formats.picture.PrintFile;
import java.io.DataOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.lang.foreign.MemorySegment;
import java.lang.foreign.ValueLayout;

/**
 * Writes a baseline JPEG, colour at full resolution, strip by strip.
 *
 * <p>The library only encodes whole pictures. Each strip is therefore encoded as one of its own, and their scans are
 * joined by restart markers (T.81, B.2.4.4 and F.1.1.5.2: a restart resets the prediction, as the beginning of a picture
 * does). The joined file decodes to the same pixels as one encoded whole, and memory grows with the strip only.
 */
public final class JpegWriter {
    /** Rows of a strip: whole blocks of 8, and at 65 500 px wide still under the 65 535 blocks a restart interval holds. */
    private static final int STRIP_ROWS = 64;

    private static final int BLOCK = 8;

    private JpegWriter() {}

    public static void write(PixelRows print, PrintFile file, int quality, OutputStream to, PrintFile.Progress progress)
            throws IOException {
        DataOutputStream out = new DataOutputStream(to);
        int width = print.size().width();
        int height = print.size().height();
        TurboJpeg.PixelLayout layout = TurboJpeg.PixelLayout.ofChannels(print.channels());
        int mostRows = Math.min(STRIP_ROWS, height);
        try (TurboJpeg.Encoder encoder = new TurboJpeg.Encoder(layout, width, mostRows, quality)) {
            int strips = Math.ceilDiv(height, STRIP_ROWS);
            byte[] samples = new byte[mostRows * width * print.channels()];
            for (int strip = 0; strip < strips; strip++) {
                int y = strip * STRIP_ROWS;
                int rows = Math.min(STRIP_ROWS, height - y);
                print.rows(y, rows).toBytes(samples);
                if (layout == TurboJpeg.PixelLayout.CMYK) {
                    turnRound(samples, rows * width * print.channels());
                }
                MemorySegment.copy(
                        samples, 0, encoder.pixels(), ValueLayout.JAVA_BYTE, 0, rows * width * print.channels());
                EncodedStrip encoded = new EncodedStrip(encoder.encode(rows));
                if (strip == 0) {
                    JpegMarks.write(out, file, print.size(), layout);
                    encoded.writeTables(out, height, Math.ceilDiv(width, BLOCK) * (STRIP_ROWS / BLOCK));
                } else {
                    out.writeShort(0xFF00 | (JpegHeader.RST0 + (strip - 1) % 8));
                }
                encoded.writeScan(out);
                progress.strip(strip + 1, strips);
            }
        }
        out.writeShort(0xFF00 | JpegHeader.EOI);
        out.flush();
    }

    /** Files with the APP14 marker hold inks upside down: 255 for none. */
    private static void turnRound(byte[] samples, int count) {
        for (int i = 0; i < count; i++) {
            samples[i] = (byte) ~samples[i];
        }
    }

    /** One strip as the library wrote it: a whole small JPEG, taken apart. */
    private static final class EncodedStrip {
        private final byte[] jpeg;
        private final int scan;

        EncodedStrip(byte[] jpeg) {
            this.jpeg = jpeg;
            int at = 2;
            while ((jpeg[at + 1] & 0xff) != JpegHeader.SOS) {
                at += 2 + segmentLength(at);
            }
            this.scan = at;
        }

        private int segmentLength(int at) {
            return (jpeg[at + 2] & 0xff) << 8 | (jpeg[at + 3] & 0xff);
        }

        /** The tables and the frame, which all strips share, with the whole picture's height and the restart interval. */
        void writeTables(DataOutputStream out, int height, int restartInterval) throws IOException {
            for (int at = 2; at < scan; at += 2 + segmentLength(at)) {
                int marker = jpeg[at + 1] & 0xff;
                if (marker == JpegHeader.SOF0) {
                    jpeg[at + 5] = (byte) (height >> 8);
                    jpeg[at + 6] = (byte) height;
                }
                if (marker == JpegHeader.SOF0 || marker == JpegHeader.DQT || marker == JpegHeader.DHT) {
                    out.write(jpeg, at, 2 + segmentLength(at));
                }
            }
            out.writeShort(0xFF00 | JpegHeader.DRI);
            out.writeShort(4);
            out.writeShort(restartInterval);
            out.write(jpeg, scan, 2 + segmentLength(scan));
        }

        void writeScan(DataOutputStream out) throws IOException {
            int from = scan + 2 + segmentLength(scan);
            out.write(jpeg, from, jpeg.length - 2 - from);
        }
    }
}
