package embrick.formats.png;

import embrick.core.pixels.Strip;
import embrick.core.print.PixelRows;
import embrick.formats.crew.Crew;
import embrick.formats.crew.RowParts;
import embrick.formats.deflate.Adler;
import embrick.formats.deflate.Packer;
import embrick.formats.exif.ExifBlock;
import embrick.formats.metadata.ExifFields;
import embrick.formats.picture.PrintFile;
import java.io.ByteArrayOutputStream;
import java.io.DataOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.zip.CRC32;
import java.util.zip.DeflaterOutputStream;

/** Writes a PNG of 8 or 16 bits strip by strip, with iCCP and pHYs. Filters are chosen a row by the least sum of differences. */
public final class PngWriter {
    private static final int STRIP_ROWS = 64;
    private static final int IDAT_BYTES = 1 << 16;

    private PngWriter() {}

    /** How much work is spent on a file's size. */
    public enum Effort {
        /** The best filter for each row, deflated: for files that are kept. */
        SMALL,
        /** Neither filtered nor deflated, for a screen of the same machine: larger, and there in a tenth of the time. */
        QUICK
    }

    /** With the small effort. */
    public static void write(PixelRows print, PrintFile file, OutputStream to, Crew crew, PrintFile.Progress progress)
            throws IOException {
        write(print, file, Effort.SMALL, to, crew, progress);
    }

    public static void write(
            PixelRows print, PrintFile file, Effort effort, OutputStream to, Crew crew, PrintFile.Progress progress)
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
        ExifFields exif = file.metadata().exif();
        if (!exif.isEmpty()) {
            byte[] block = ExifBlock.of(file.marked(), print.size(), file.colour(), exif);
            chunk(out, PngMetadata.EXIF, block, block.length);
        }
        if (file.metadata().xmp().isPresent()) {
            byte[] text = PngMetadata.chunk(file.metadata().xmp().get());
            chunk(out, PngMetadata.TEXT, text, text.length);
        }
        try (IdatStream idat = new IdatStream(out)) {
            packRows(print, effort, idat, crew, progress);
        }
        chunk(out, PngHeader.IEND, new byte[0], 0);
        out.flush();
    }

    /**
     * Writes filtered and deflated rows alone, as IDAT chunks hold them together (clause 10) and as PDF's FlateDecode takes
     * them with predictor 15 (ISO 32000-1, 7.4.4.4). The stream stays open.
     */
    public static void packRows(PixelRows print, OutputStream to, Crew crew, PrintFile.Progress progress)
            throws IOException {
        packRows(print, Effort.SMALL, to, crew, progress);
    }

    private static void packRows(
            PixelRows print, Effort effort, OutputStream to, Crew crew, PrintFile.Progress progress)
            throws IOException {
        int height = print.size().height();
        int strips = Math.ceilDiv(height, STRIP_ROWS);
        Adler sum = new Adler();
        to.write(Packer.header());
        new RowParts(crew, print, STRIP_ROWS).inOrder(rows -> new Packing(rows, effort), (rows, packed) -> {
            int strip = rows.first() / STRIP_ROWS;
            for (Packer.Part part : packed) {
                to.write(part.packed());
                sum.add(part);
                strip++;
                progress.strip(strip, strips);
            }
        });
        to.write(ByteBuffer.allocate(Integer.BYTES).putInt(0, sum.value()).array());
    }

    /**
     * Filters and packs strips of one thread's rows. The first row of a strip is filtered without the row above, which another
     * thread may have.
     */
    private static final class Packing implements RowParts.Making<List<Packer.Part>> {
        private final PixelRows print;
        private final Effort effort;
        private final int rowBytes;
        private final byte[] samples;
        private final byte[] filtered;
        private final RowFilter filter;
        private final Packer packer = new Packer();

        Packing(PixelRows print, Effort effort) {
            int sampleBytes = print.bitsPerChannel() / 8;
            int rows = Math.min(STRIP_ROWS, print.size().height());
            this.print = print;
            this.effort = effort;
            this.rowBytes = print.size().width() * print.channels() * sampleBytes;
            this.samples = new byte[rows * rowBytes];
            this.filtered = new byte[rows * (rowBytes + 1)];
            this.filter = new RowFilter(rowBytes, print.channels() * sampleBytes);
        }

        @Override
        public List<Packer.Part> make(RowParts.Rows part) {
            List<Packer.Part> packed = new ArrayList<>();
            for (int y = part.first(); y < part.end(); y += STRIP_ROWS) {
                packed.add(packed(print.rows(y, Math.min(STRIP_ROWS, part.end() - y))));
            }
            return packed;
        }

        private Packer.Part packed(Strip rows) {
            toBytes(rows, print.bitsPerChannel(), samples);
            for (int row = 0; row < rows.rows(); row++) {
                int to = row * (rowBytes + 1);
                if (effort == Effort.QUICK) {
                    filtered[to] = RowFilter.NONE;
                    System.arraycopy(samples, row * rowBytes, filtered, to + 1, rowBytes);
                } else {
                    filter.apply(samples, row * rowBytes, row > 0, filtered, to);
                }
            }
            boolean isLast = rows.y() + rows.rows() == print.size().height();
            int length = rows.rows() * (rowBytes + 1);
            Packer.Place place = isLast ? Packer.Place.LAST : Packer.Place.INSIDE;
            return effort == Effort.QUICK
                    ? Packer.stored(filtered, length, place)
                    : packer.part(filtered, length, place);
        }

        @Override
        public void close() {
            packer.close();
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
}
