package embrick.formats.png;

import embrick.core.pixels.Strip;
import embrick.core.print.PixelRows;
import embrick.formats.picture.PrintFile;
import java.io.ByteArrayOutputStream;
import java.io.DataOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import java.util.zip.CRC32;
import java.util.zip.Deflater;
import java.util.zip.DeflaterOutputStream;

/** Writes a PNG of 8 or 16 bits strip by strip, with iCCP and pHYs. Filters are chosen a row by the least sum of differences. */
public final class PngWriter {
    private static final int STRIP_ROWS = 64;
    private static final int IDAT_BYTES = 1 << 16;
    private static final int FILTERS = 5;
    private static final int NO_FILTER = 0;
    /** On filtered photographs a higher level costs twice the time for a hundredth of the size. */
    private static final int LEVEL = 4;

    private PngWriter() {}

    /** How much work is spent on a file's size. */
    public enum Effort {
        /** The best filter for each row, deflated: for files that are kept. */
        SMALL,
        /** Neither filtered nor deflated, for a screen of the same machine: larger, and there in a tenth of the time. */
        QUICK
    }

    /** With the small effort. */
    public static void write(PixelRows print, PrintFile file, OutputStream to, PrintFile.Progress progress)
            throws IOException {
        write(print, file, Effort.SMALL, to, progress);
    }

    public static void write(
            PixelRows print, PrintFile file, Effort effort, OutputStream to, PrintFile.Progress progress)
            throws IOException {
        DataOutputStream out = new DataOutputStream(to);
        out.writeLong(PngHeader.SIGNATURE);
        int width = print.size().width();
        int height = print.size().height();
        ByteBuffer header = ByteBuffer.allocate(13).putInt(width).putInt(height);
        header.put((byte) print.bitsPerChannel()).put((byte) (print.channels() == 1 ? 0 : 2));
        chunk(out, PngHeader.IHDR, header.array(), 13);
        byte[] profile = profileChunk(file.profile());
        chunk(out, PngHeader.ICCP, profile, profile.length);
        int perMetre = (int) file.marked().roundedPerMetre();
        chunk(
                out,
                PngHeader.PHYS,
                ByteBuffer.allocate(9)
                        .putInt(perMetre)
                        .putInt(perMetre)
                        .put((byte) 1)
                        .array(),
                9);
        try (IdatStream idat = new IdatStream(out)) {
            packRows(print, effort, idat, progress);
        }
        chunk(out, PngHeader.IEND, new byte[0], 0);
        out.flush();
    }

    /**
     * Writes filtered and deflated rows alone, as IDAT chunks hold them together (clause 10) and as PDF's FlateDecode takes
     * them with predictor 15 (ISO 32000-1, 7.4.4.4). The stream stays open.
     */
    public static void packRows(PixelRows print, OutputStream to, PrintFile.Progress progress) throws IOException {
        packRows(print, Effort.SMALL, to, progress);
    }

    private static void packRows(PixelRows print, Effort effort, OutputStream to, PrintFile.Progress progress)
            throws IOException {
        int width = print.size().width();
        int height = print.size().height();
        int strips = Math.ceilDiv(height, STRIP_ROWS);
        int sampleBytes = print.bitsPerChannel() / 8;
        int rowBytes = width * print.channels() * sampleBytes;
        try (Deflater deflater = new Deflater(LEVEL)) {
            if (effort == Effort.QUICK) {
                deflater.setLevel(Deflater.NO_COMPRESSION);
            }
            DeflaterOutputStream packed = new DeflaterOutputStream(to, deflater, 1 << 15);
            Filter filter = new Filter(rowBytes, print.channels() * sampleBytes);
            byte[] samples = new byte[Math.min(STRIP_ROWS, height) * rowBytes];
            for (int strip = 0; strip < strips; strip++) {
                int y = strip * STRIP_ROWS;
                Strip rows = print.rows(y, Math.min(STRIP_ROWS, height - y));
                toBytes(rows, print.bitsPerChannel(), samples);
                for (int row = 0; row < rows.rows(); row++) {
                    packed.write(filter.next(samples, row * rowBytes, effort));
                }
                progress.strip(strip + 1, strips);
            }
            packed.finish();
        }
    }

    /** 16-bit samples lie with their high byte first. */
    private static void toBytes(Strip rows, int bits, byte[] into) {
        if (bits == 8) {
            rows.toBytes(into);
        } else {
            short[] samples = new short[rows.rows() * rows.rowLength()];
            rows.toShorts(samples);
            ByteBuffer.wrap(into).asShortBuffer().put(samples);
        }
    }

    private static byte[] profileChunk(byte[] profile) throws IOException {
        ByteArrayOutputStream chunk = new ByteArrayOutputStream();
        chunk.writeBytes("ICC profile".getBytes(StandardCharsets.ISO_8859_1));
        chunk.write(0);
        chunk.write(0);
        try (DeflaterOutputStream packed = new DeflaterOutputStream(chunk)) {
            packed.write(profile);
        }
        return chunk.toByteArray();
    }

    private static void chunk(DataOutputStream out, int type, byte[] data, int length) throws IOException {
        CRC32 crc = new CRC32();
        crc.update(ByteBuffer.allocate(4).putInt(0, type));
        crc.update(data, 0, length);
        out.writeInt(length);
        out.writeInt(type);
        out.write(data, 0, length);
        out.writeInt((int) crc.getValue());
    }

    /** The one of three neighbours that is nearest to their straight continuation (clause 9.4). */
    static int paeth(int left, int up, int upLeft) {
        int estimate = left + up - upLeft;
        int byLeft = Math.abs(estimate - left);
        int byUp = Math.abs(estimate - up);
        int byUpLeft = Math.abs(estimate - upLeft);
        if (byLeft <= byUp && byLeft <= byUpLeft) {
            return left;
        }
        return byUp <= byUpLeft ? up : upLeft;
    }

    /** Gathers bytes into IDAT chunks; closing writes the last and leaves the file open. */
    private static final class IdatStream extends OutputStream {
        private final DataOutputStream out;
        private final byte[] held = new byte[IDAT_BYTES];
        private int length;

        IdatStream(DataOutputStream out) {
            this.out = out;
        }

        @Override
        public void write(int value) throws IOException {
            held[length++] = (byte) value;
            if (length == held.length) {
                send();
            }
        }

        @Override
        public void write(byte[] bytes, int from, int count) throws IOException {
            int done = 0;
            while (done < count) {
                int part = Math.min(count - done, held.length - length);
                System.arraycopy(bytes, from + done, held, length, part);
                length += part;
                done += part;
                if (length == held.length) {
                    send();
                }
            }
        }

        private void send() throws IOException {
            if (length > 0) {
                chunk(out, PngHeader.IDAT, held, length);
                length = 0;
            }
        }

        @Override
        public void close() throws IOException {
            send();
        }
    }

    /** PNG's five row filters (ISO/IEC 15948, clause 9), the best chosen as its clause 12.8 advises. */
    private static final class Filter {
        private final int rowLength;
        private final int step;
        private final byte[] before;
        private final byte[] row;
        private final byte[][] tried;

        Filter(int rowLength, int step) {
            this.rowLength = rowLength;
            this.step = step;
            this.before = new byte[rowLength];
            this.row = new byte[rowLength];
            this.tried = new byte[FILTERS][rowLength + 1];
        }

        byte[] next(byte[] samples, int at, Effort effort) {
            System.arraycopy(samples, at, row, 0, rowLength);
            if (effort == Effort.QUICK) {
                apply(NO_FILTER);
                return tried[NO_FILTER];
            }
            int chosen = best();
            System.arraycopy(row, 0, before, 0, rowLength);
            return tried[chosen];
        }

        private int best() {
            int best = 0;
            long least = Long.MAX_VALUE;
            for (int filter = 0; filter < FILTERS; filter++) {
                long sum = apply(filter);
                if (sum < least) {
                    least = sum;
                    best = filter;
                }
            }
            return best;
        }

        /** Each filter has a loop of its own: it is the writer's hottest code after deflating. */
        private long apply(int filter) {
            byte[] out = tried[filter];
            out[0] = (byte) filter;
            switch (filter) {
                case 0 -> System.arraycopy(row, 0, out, 1, rowLength);
                case 1 -> {
                    System.arraycopy(row, 0, out, 1, Math.min(step, rowLength));
                    for (int i = step; i < rowLength; i++) {
                        out[i + 1] = (byte) (row[i] - row[i - step]);
                    }
                }
                case 2 -> {
                    for (int i = 0; i < rowLength; i++) {
                        out[i + 1] = (byte) (row[i] - before[i]);
                    }
                }
                case 3 -> {
                    for (int i = 0; i < rowLength; i++) {
                        int left = i < step ? 0 : row[i - step] & 0xff;
                        out[i + 1] = (byte) (row[i] - ((left + (before[i] & 0xff)) >> 1));
                    }
                }
                default -> {
                    for (int i = 0; i < Math.min(step, rowLength); i++) {
                        out[i + 1] = (byte) (row[i] - before[i]);
                    }
                    for (int i = step; i < rowLength; i++) {
                        out[i + 1] = (byte)
                                (row[i] - paeth(row[i - step] & 0xff, before[i] & 0xff, before[i - step] & 0xff));
                    }
                }
            }
            long sum = 0;
            for (int i = 1; i <= rowLength; i++) {
                sum += Math.abs(out[i]);
            }
            return sum;
        }
    }
}
