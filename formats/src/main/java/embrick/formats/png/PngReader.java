package embrick.formats.png;

import static java.lang.foreign.ValueLayout.JAVA_BYTE;
import static java.lang.foreign.ValueLayout.JAVA_SHORT;

import embrick.core.pixels.Raster;
import embrick.core.units.PixelSize;
import embrick.formats.picture.Damage;
import embrick.formats.picture.Decoded;
import embrick.formats.picture.RasterMemory;
import embrick.formats.picture.UnusablePictureException;
import java.io.BufferedInputStream;
import java.io.DataInputStream;
import java.io.EOFException;
import java.io.IOException;
import java.io.InputStream;
import java.lang.foreign.MemorySegment;
import java.nio.ByteBuffer;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Optional;
import java.util.zip.CRC32;
import java.util.zip.DataFormatException;
import java.util.zip.Inflater;

/**
 * Decodes a PNG row by row into a raster: every colour type and depth, interlaced or not, tRNS as alpha (ISO/IEC 15948).
 *
 * <p>Our own because the JDK's reader drops the transparent colour of some types and holds the whole picture on the heap.
 */
final class PngReader {
    /** Adam7 (clause 8.2): first column, first row, column step, row step of each pass. */
    private static final int[][] PASSES = {
        {0, 0, 8, 8}, {4, 0, 8, 8}, {0, 4, 4, 8}, {2, 0, 4, 4}, {0, 2, 2, 4}, {1, 0, 2, 2}, {0, 1, 1, 2}
    };

    private static final int[][] WHOLE = {{0, 0, 1, 1}};

    /** The highest compression ratio of deflate ("zlib Technical Details", M. Adler). */
    private static final long MAX_DEFLATE_RATIO = 1032;

    private final PngHeader header;
    private final RowStream rows;
    private final Samples samples;

    private PngReader(PngHeader header, Raster raster, RowStream rows) {
        this.header = header;
        this.rows = rows;
        this.samples = new Samples(header, raster);
    }

    static Decoded read(Path file, PngHeader header, RasterMemory memory) throws IOException {
        if (header.wholeness() == PngHeader.Wholeness.DAMAGED) {
            throw UnusablePictureException.broken("damaged", "has a damaged header: a checksum in it is wrong");
        }
        requireRoom(header, Files.size(file));
        Raster raster = memory.allocate(
                new PixelSize(header.width(), header.height()), header.channels(), header.bitsPerChannel() / 8);
        try (InputStream raw = Files.newInputStream(file);
                Inflater inflater = new Inflater()) {
            DataInputStream in = new DataInputStream(new BufferedInputStream(raw, 1 << 17));
            in.skipNBytes(8);
            return new Decoded(raster, new PngReader(header, raster, new RowStream(in, inflater)).decode());
        } catch (IOException | RuntimeException | Error failed) {
            raster.close();
            throw failed;
        }
    }

    /** A few bytes that claim to be a huge picture are refused before there is memory for it. */
    private static void requireRoom(PngHeader header, long fileBytes) throws UnusablePictureException {
        long rowBytes = 1 + Math.ceilDiv((long) header.width() * header.storedSamples() * header.storedBits(), 8);
        if (rowBytes * header.height() / MAX_DEFLATE_RATIO > fileBytes) {
            throw UnusablePictureException.broken(
                    "cut-short", "is cut short: a file of its length cannot hold all of its rows");
        }
    }

    /** @return what is damaged; of an interlaced picture any part may be */
    private Optional<Damage> decode() throws IOException {
        int passes = 0;
        int sound = 0;
        try {
            for (int[] pass : header.interlaced() ? PASSES : WHOLE) {
                sound = 0;
                int width = Math.ceilDiv(header.width() - pass[0], pass[2]);
                int height = Math.ceilDiv(header.height() - pass[1], pass[3]);
                if (width < 1 || height < 1) {
                    continue;
                }
                RowsOfPass filtered = new RowsOfPass(Math.ceilDiv((long) width * bitsPerPixel(), 8), bitsPerPixel());
                for (; sound < height; sound++) {
                    samples.put(filtered.next(rows), width, pass[0], pass[1] + sound * pass[3], pass[2]);
                }
                passes++;
            }
            rows.finish();
        } catch (EOFException cut) {
            return Optional.of(damage("cut-short", "is cut short", passes + sound, sound));
        } catch (DataFormatException | UnusablePictureException corrupt) {
            // Packed data go wrong before they are seen to: nothing since its chunk began is known to be right.
            return Optional.of(damage("damaged", "is damaged inside", passes + sound, rows.firstOfChunk()));
        }
        return rows.firstDoubtfulRow() < 0
                ? Optional.empty()
                : Optional.of(damage("damaged", "is damaged inside", passes, rows.firstDoubtfulRow()));
    }

    private int bitsPerPixel() {
        return header.storedSamples() * header.storedBits();
    }

    /**
     * @param read rows and passes that were read; none at all is no picture
     * @param sound rows from above that are as they were written
     */
    private Damage damage(String code, String what, int read, int sound) throws UnusablePictureException {
        if (read == 0) {
            throw UnusablePictureException.broken(code, what + ": no row of the picture can be read");
        }
        return header.interlaced() || sound == 0
                ? Damage.anywhere(code, what)
                : Damage.fromRow(code, what, sound, header.height());
    }

    /** Rows of one pass, each unfiltered by the one before it. */
    private static final class RowsOfPass {
        private byte[] row;
        private byte[] before;
        private final int step;

        RowsOfPass(long rowBytes, int bitsPerPixel) {
            row = new byte[Math.toIntExact(rowBytes)];
            before = new byte[row.length];
            step = Math.max(1, bitsPerPixel / 8);
        }

        /** The next row; it stays until the next but one. */
        byte[] next(RowStream rows) throws IOException, DataFormatException {
            byte[] kept = before;
            before = row;
            row = kept;
            int filter = rows.next(row);
            unfilter(filter, row, before, step);
            return row;
        }
    }

    /** Clause 9.2: each byte was written as the difference to a guess from its neighbours. */
    private static void unfilter(int filter, byte[] row, byte[] before, int step) throws IOException {
        switch (filter) {
            case 0 -> {
                // Stored as it is.
            }
            case 1 -> {
                for (int i = step; i < row.length; i++) {
                    row[i] += row[i - step];
                }
            }
            case 2 -> {
                for (int i = 0; i < row.length; i++) {
                    row[i] += before[i];
                }
            }
            case 3 -> {
                for (int i = 0; i < row.length; i++) {
                    int left = i < step ? 0 : row[i - step] & 0xff;
                    row[i] += (byte) ((left + (before[i] & 0xff)) >> 1);
                }
            }
            case 4 -> {
                for (int i = 0; i < Math.min(step, row.length); i++) {
                    row[i] += before[i];
                }
                for (int i = step; i < row.length; i++) {
                    row[i] += (byte) RowFilter.nearest(row[i - step] & 0xff, before[i] & 0xff, before[i - step] & 0xff);
                }
            }
            default -> throw UnusablePictureException.broken("damaged", "has a row with a filter that does not exist");
        }
    }

    /** The unpacked rows of all IDAT chunks, one after the other; their checksums are worked out on the way. */
    private static final class RowStream {
        private final DataInputStream in;
        private final Inflater inflater;
        private final byte[] packed = new byte[1 << 16];
        private final byte[] one = new byte[1];
        private final CRC32 crc = new CRC32();
        private int left;
        private int row;
        private int rowAtChunk;
        private int doubtful = -1;

        RowStream(DataInputStream in, Inflater inflater) {
            this.in = in;
            this.inflater = inflater;
        }

        /** Fills a row and gives the filter byte before it. */
        int next(byte[] into) throws IOException, DataFormatException {
            fill(one);
            fill(into);
            row++;
            return one[0];
        }

        /** Reads to the end of the packed data, whose last bytes are a checksum of all rows. */
        void finish() throws IOException, DataFormatException {
            while (!inflater.finished()) {
                if (inflater.inflate(one) > 0) {
                    throw UnusablePictureException.broken("damaged", "has data behind its last row");
                }
                if (!inflater.finished() && inflater.needsInput()) {
                    feed();
                }
            }
            while (left > 0) {
                take(new byte[Math.min(left, packed.length)]);
            }
        }

        /** The first row in a chunk whose checksum is wrong; −1 where all are right. */
        int firstDoubtfulRow() {
            return doubtful;
        }

        /** The first row whose data began in the present chunk, or in an earlier one that is doubtful. */
        int firstOfChunk() {
            return doubtful < 0 ? rowAtChunk : doubtful;
        }

        private void fill(byte[] into) throws IOException, DataFormatException {
            int at = 0;
            while (at < into.length) {
                int count = inflater.inflate(into, at, into.length - at);
                at += count;
                if (count == 0) {
                    if (inflater.finished() || inflater.needsDictionary()) {
                        throw new EOFException("its data end before its last row");
                    }
                    feed();
                }
            }
        }

        private void feed() throws IOException {
            while (left == 0) {
                int length = in.readInt();
                int type = in.readInt();
                if (length < 0) {
                    throw UnusablePictureException.broken("damaged", "has a chunk of a damaged length");
                }
                if (type == PngHeader.IEND) {
                    throw new EOFException("its end comes before its last row");
                }
                if (type == PngHeader.IDAT && length > 0) {
                    left = length;
                    rowAtChunk = row;
                    crc.reset();
                    crc.update(ByteBuffer.allocate(4).putInt(0, type));
                } else {
                    in.skipNBytes(length + 4L);
                }
            }
            inflater.setInput(packed, 0, take(packed));
        }

        /** Reads on in the chunk, to its checksum where it ends. */
        private int take(byte[] into) throws IOException {
            int count = in.read(into, 0, Math.min(left, into.length));
            if (count < 0) {
                throw new EOFException();
            }
            crc.update(into, 0, count);
            left -= count;
            if (left == 0 && in.readInt() != (int) crc.getValue() && doubtful < 0) {
                doubtful = rowAtChunk;
            }
            return count;
        }
    }

    /** Puts unfiltered rows into the raster: depths scaled, palettes looked up, the transparent colour made alpha. */
    private static final class Samples {
        private final PngHeader header;
        private final Raster raster;
        private final MemorySegment out;
        private final int channels;
        private final int stored;
        private final int bits;

        Samples(PngHeader header, Raster raster) {
            this.header = header;
            this.raster = raster;
            this.out = raster.samples();
            this.channels = raster.channels();
            this.stored = header.storedSamples();
            this.bits = header.storedBits();
        }

        void put(byte[] row, int width, int x, int y, int step) {
            long rowStart = y * raster.rowBytes();
            if (bits == 8 && stored == channels && step == 1 && !header.isPalette()) {
                MemorySegment.copy(row, 0, out, JAVA_BYTE, rowStart, width * channels);
                return;
            }
            long pixelBytes = (long) channels * raster.bytesPerSample();
            for (int i = 0; i < width; i++) {
                put(row, i, rowStart + (x + (long) i * step) * pixelBytes);
            }
        }

        private void put(byte[] row, int pixel, long at) {
            if (header.isPalette()) {
                int index = sample(row, pixel, 0);
                for (int c = 0; c < channels; c++) {
                    out.set(JAVA_BYTE, at + c, header.paletteSample(index, c));
                }
                return;
            }
            boolean transparent = stored < channels;
            for (int c = 0; c < stored; c++) {
                int value = sample(row, pixel, c);
                transparent &= value == header.transparentSample(c);
                set(at, c, bits < 8 ? value * 255 / ((1 << bits) - 1) : value);
            }
            if (stored < channels) {
                set(at, stored, transparent ? 0 : 65535);
            }
        }

        private void set(long at, int channel, int value) {
            if (raster.bytesPerSample() == 2) {
                out.set(JAVA_SHORT, at + 2L * channel, (short) value);
            } else {
                out.set(JAVA_BYTE, at + channel, (byte) value);
            }
        }

        private int sample(byte[] row, int pixel, int channel) {
            int index = pixel * stored + channel;
            return switch (bits) {
                case 16 -> (row[2 * index] & 0xff) << 8 | (row[2 * index + 1] & 0xff);
                case 8 -> row[index] & 0xff;
                // The leftmost pixel has the high bits.
                default -> {
                    int bit = index * bits;
                    yield (row[bit >> 3] & 0xff) >> (8 - bits - (bit & 7)) & ((1 << bits) - 1);
                }
            };
        }
    }
}
