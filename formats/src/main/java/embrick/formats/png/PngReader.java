package embrick.formats.png;

import static java.lang.foreign.ValueLayout.JAVA_BYTE;
import static java.lang.foreign.ValueLayout.JAVA_SHORT;

import embrick.core.pixels.Raster;
import embrick.core.units.PixelSize;
import embrick.formats.UnusablePictureException;
import java.io.BufferedInputStream;
import java.io.DataInputStream;
import java.io.EOFException;
import java.io.IOException;
import java.io.InputStream;
import java.lang.foreign.MemorySegment;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.zip.DataFormatException;
import java.util.zip.Inflater;

/**
 * Decodes a PNG row by row into a raster: every colour type and depth, interlaced or not, tRNS as alpha (ISO/IEC 15948).
 *
 * <p>Our own because the JDK's reader drops the transparent colour of some types and holds the whole picture on the heap.
 */
public final class PngReader {
    /** Adam7 (clause 8.2): first column, first row, column step, row step of each pass. */
    private static final int[][] PASSES = {
        {0, 0, 8, 8}, {4, 0, 8, 8}, {0, 4, 4, 8}, {2, 0, 4, 4}, {0, 2, 2, 4}, {1, 0, 2, 2}, {0, 1, 1, 2}
    };

    private static final int[][] WHOLE = {{0, 0, 1, 1}};

    private final PngHeader header;
    private final RowStream rows;
    private final Samples samples;

    private PngReader(PngHeader header, Raster raster, RowStream rows) {
        this.header = header;
        this.rows = rows;
        this.samples = new Samples(header, raster);
    }

    /** @return a raster the caller closes */
    public static Raster read(Path file, PngHeader header) throws IOException {
        Raster raster = Raster.allocate(
                new PixelSize(header.width(), header.height()), header.channels(), header.bitsPerChannel() / 8);
        try (InputStream raw = Files.newInputStream(file);
                Inflater inflater = new Inflater()) {
            DataInputStream in = new DataInputStream(new BufferedInputStream(raw, 1 << 17));
            in.skipNBytes(8);
            new PngReader(header, raster, new RowStream(in, inflater)).decode();
            return raster;
        } catch (EOFException cut) {
            raster.close();
            throw UnusablePictureException.broken(
                    "cut-short", "is cut short: the lower part of the picture is not in the file");
        } catch (DataFormatException corrupt) {
            raster.close();
            throw UnusablePictureException.broken("damaged", "cannot be decoded: " + corrupt.getMessage());
        } catch (IOException | RuntimeException failed) {
            raster.close();
            throw failed;
        }
    }

    private void decode() throws IOException, DataFormatException {
        int bitsPerPixel = header.storedSamples() * header.storedBits();
        int step = Math.max(1, bitsPerPixel / 8);
        for (int[] pass : header.interlaced() ? PASSES : WHOLE) {
            int width = Math.ceilDiv(header.width() - pass[0], pass[2]);
            int height = Math.ceilDiv(header.height() - pass[1], pass[3]);
            if (width < 1 || height < 1) {
                continue;
            }
            int rowBytes = Math.toIntExact(Math.ceilDiv((long) width * bitsPerPixel, 8));
            byte[] row = new byte[rowBytes];
            byte[] before = new byte[rowBytes];
            for (int y = 0; y < height; y++) {
                int filter = rows.next(row);
                unfilter(filter, row, before, step);
                samples.put(row, width, pass[0], pass[1] + y * pass[3], pass[2]);
                byte[] kept = before;
                before = row;
                row = kept;
            }
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
                    row[i] += (byte) PngWriter.paeth(row[i - step] & 0xff, before[i] & 0xff, before[i - step] & 0xff);
                }
            }
            default -> throw UnusablePictureException.broken("damaged", "has a row with a filter that does not exist");
        }
    }

    /** The unpacked rows of all IDAT chunks, one after the other. */
    private static final class RowStream {
        private final DataInputStream in;
        private final Inflater inflater;
        private final byte[] packed = new byte[1 << 16];
        private final byte[] one = new byte[1];
        private int left;

        RowStream(DataInputStream in, Inflater inflater) {
            this.in = in;
            this.inflater = inflater;
        }

        /** Fills a row and gives the filter byte before it. */
        int next(byte[] row) throws IOException, DataFormatException {
            fill(one);
            fill(row);
            return one[0];
        }

        private void fill(byte[] into) throws IOException, DataFormatException {
            int at = 0;
            while (at < into.length) {
                int count = inflater.inflate(into, at, into.length - at);
                at += count;
                if (count == 0) {
                    if (inflater.finished() || inflater.needsDictionary()) {
                        throw UnusablePictureException.broken(
                                "cut-short", "is cut short: its data end before its last row");
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
                    throw new EOFException();
                }
                if (type == PngHeader.IDAT) {
                    left = length;
                } else {
                    in.skipNBytes(length);
                }
                if (left == 0) {
                    in.skipNBytes(4);
                }
            }
            int count = in.read(packed, 0, Math.min(left, packed.length));
            if (count < 0) {
                throw new EOFException();
            }
            left -= count;
            if (left == 0) {
                in.skipNBytes(4);
            }
            inflater.setInput(packed, 0, count);
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
