package embrick.formats.jpeg;

import embrick.core.print.PixelRows;
import embrick.core.ticket.FileFormat;
import embrick.formats.crew.Crew;
import embrick.formats.crew.RowParts;
import embrick.formats.picture.PrintFile;
import java.io.DataOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.lang.foreign.MemorySegment;
import java.lang.foreign.ValueLayout;
import java.util.ArrayList;
import java.util.List;

/**
 * Writes a baseline JPEG strip by strip.
 *
 * <p>The library only encodes whole pictures. Each strip is therefore encoded as one of its own, and their scans are
 * joined by restart markers (T.81, B.2.4.4 and F.1.1.5.2: a restart resets the prediction, as the beginning of a picture
 * does). The joined file decodes to the same pixels as one encoded whole, and memory grows with the strip only.
 */
public final class JpegWriter {
    /** Rows of a strip: whole blocks of 8, also where two rows share their colour, and at 65 500 px wide still under the 65 535 blocks a restart interval holds. */
    private static final int STRIP_ROWS = 64;

    private static final int BLOCK = 8;

    private JpegWriter() {}

    public static void write(
            PixelRows print,
            PrintFile file,
            FileFormat.Jpeg coding,
            OutputStream to,
            Crew crew,
            PrintFile.Progress progress)
            throws IOException {
        DataOutputStream out = new DataOutputStream(to);
        int width = print.size().width();
        int height = print.size().height();
        int strips = Math.ceilDiv(height, STRIP_ROWS);
        TurboJpeg.PixelLayout layout = TurboJpeg.PixelLayout.ofChannels(print.channels());
        // Grey has no colour to share; T.81, A.2.2: a unit of one component is one block.
        FileFormat.Chroma chroma = print.channels() == 1 ? FileFormat.Chroma.FULL : coding.chroma();
        int unitsOfStrip = Math.ceilDiv(width, BLOCK * chroma.across()) * (STRIP_ROWS / (BLOCK * chroma.down()));
        new RowParts(crew, print, STRIP_ROWS).inOrder(rows -> new Encoding(rows, layout, coding), (rows, encoded) -> {
            int strip = rows.first() / STRIP_ROWS;
            for (EncodedStrip next : encoded) {
                if (strip == 0) {
                    JpegMarks.write(out, file, print.size(), layout);
                    next.writeTables(out, height, unitsOfStrip);
                } else {
                    out.writeShort(0xFF00 | (JpegHeader.RST0 + (strip - 1) % 8));
                }
                next.writeScan(out);
                strip++;
                progress.strip(strip, strips);
            }
        });
        out.writeShort(0xFF00 | JpegHeader.EOI);
        out.flush();
    }

    /** Encodes strips of one thread's rows. */
    private static final class Encoding implements RowParts.Making<List<EncodedStrip>> {
        private final PixelRows print;
        private final TurboJpeg.PixelLayout layout;
        private final TurboJpeg.Encoder encoder;
        private final byte[] samples;

        Encoding(PixelRows print, TurboJpeg.PixelLayout layout, FileFormat.Jpeg coding) {
            int mostRows = Math.min(STRIP_ROWS, print.size().height());
            this.print = print;
            this.layout = layout;
            this.encoder = new TurboJpeg.Encoder(layout, print.size().width(), mostRows, coding);
            this.samples = new byte[mostRows * print.size().width() * print.channels()];
        }

        @Override
        public List<EncodedStrip> make(RowParts.Rows part) throws IOException {
            List<EncodedStrip> encoded = new ArrayList<>();
            for (int y = part.first(); y < part.end(); y += STRIP_ROWS) {
                encoded.add(encoded(y, Math.min(STRIP_ROWS, part.end() - y)));
            }
            return encoded;
        }

        private EncodedStrip encoded(int y, int rows) throws IOException {
            int count = rows * print.size().width() * print.channels();
            print.rows(y, rows).toBytes(samples);
            if (layout == TurboJpeg.PixelLayout.CMYK) {
                turnRound(samples, count);
            }
            MemorySegment.copy(samples, 0, encoder.pixels(), ValueLayout.JAVA_BYTE, 0, count);
            return new EncodedStrip(encoder.encode(rows));
        }

        @Override
        public void close() {
            encoder.close();
        }
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
