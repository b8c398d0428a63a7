package embrick.core.pixels;

import embrick.core.lanes.Lanes;
import embrick.core.units.PixelSize;
import java.lang.foreign.Arena;
import java.lang.foreign.MemorySegment;

/**
 * A decoded original: interleaved samples of 8 or 16 bit outside the heap, rows without gaps, the file's own order.
 *
 * <p>{@link #readSeen} gives rows of the picture as it is seen under an {@link Orientation}, as floats 0..1; where the
 * axes are swapped it walks the stored columns in blocks. Reading is safe from several threads; closing is not, and is
 * the owner's.
 */
public final class Raster implements AutoCloseable {
    private static final int COLUMNS_TOGETHER = 16;

    private final Lanes lanes = Lanes.best();
    private final PixelSize stored;
    private final int channels;
    private final int bytesPerSample;
    private final Arena arena;
    private final MemorySegment samples;
    private final RowMaker rows;

    private Raster(
            MemorySegment samples, Arena arena, PixelSize stored, int channels, int bytesPerSample, RowMaker rows) {
        if (bytesPerSample != 1 && bytesPerSample != 2) {
            throw new IllegalArgumentException("bytesPerSample: expected 1 or 2, got " + bytesPerSample);
        }
        this.stored = stored;
        this.channels = channels;
        this.bytesPerSample = bytesPerSample;
        this.arena = arena;
        this.samples = samples;
        this.rows = rows;
    }

    /** Memory for a picture, zeroed, from the arena itself. */
    public static Raster allocate(PixelSize stored, int channels, int bytesPerSample) {
        Arena arena = Arena.ofShared();
        return over(
                arena.allocate(stored.bytes(channels, bytesPerSample), 16), arena, stored, channels, bytesPerSample);
    }

    /**
     * A picture in memory that somebody else took.
     *
     * @param samples as many bytes as the picture has, or more
     * @param arena that the memory belongs to; the raster closes it
     */
    public static Raster over(MemorySegment samples, Arena arena, PixelSize stored, int channels, int bytesPerSample) {
        long bytes = stored.bytes(channels, bytesPerSample);
        if (samples.byteSize() < bytes) {
            throw new IllegalArgumentException("samples: expected " + bytes + " bytes, got " + samples.byteSize());
        }
        return new Raster(samples.asSlice(0, bytes), arena, stored, channels, bytesPerSample, RowMaker.NOTHING);
    }

    /**
     * The same memory, its rows made when they are first read. Closing this one closes both.
     *
     * @param maker writes rows to {@link #samples} as they were taken before this call
     */
    public Raster madeBy(RowMaker maker) {
        return new Raster(samples, arena, stored, channels, bytesPerSample, maker);
    }

    public PixelSize stored() {
        return stored;
    }

    public int channels() {
        return channels;
    }

    public int bytesPerSample() {
        return bytesPerSample;
    }

    /** All samples, 16-bit ones in the machine's own byte order. */
    public MemorySegment samples() {
        rows.require(0, stored.height());
        return samples;
    }

    public long rowBytes() {
        return (long) stored.width() * channels * bytesPerSample;
    }

    /**
     * Reads a block of the seen picture.
     *
     * @param seenAs how stored pixels are seen
     * @param x first seen column, {@code y} first seen row
     * @param into gets count × rows pixels from {@code at}, interleaved, row after row
     */
    public void readSeen(Orientation seenAs, int x, int y, int count, int rows, float[] into, int at) {
        if (seenAs.swapsAxes()) {
            readAcross(seenAs, x, y, count, rows, into, at);
            return;
        }
        for (int row = 0; row < rows; row++) {
            int storedY = seenAs.reversesY() ? stored.height() - 1 - (y + row) : y + row;
            int storedX = seenAs.reversesX() ? stored.width() - x - count : x;
            int start = at + row * count * channels;
            readRow(storedX, storedY, count, into, start);
            if (seenAs.reversesX()) {
                reversePixels(into, start, count);
            }
        }
    }

    private void readRow(int x, int y, int count, float[] into, int at) {
        rows.require(y, y + 1);
        long from = y * rowBytes() + (long) x * channels * bytesPerSample;
        if (bytesPerSample == 1) {
            lanes.fromBytes(samples, from, into, at, count * channels);
        } else {
            lanes.fromShorts(samples, from, into, at, count * channels);
        }
    }

    private void reversePixels(float[] row, int at, int count) {
        for (int left = 0, right = count - 1; left < right; left++, right--) {
            for (int c = 0; c < channels; c++) {
                float kept = row[at + left * channels + c];
                row[at + left * channels + c] = row[at + right * channels + c];
                row[at + right * channels + c] = kept;
            }
        }
    }

    /** A seen column is a stored row: some of them are made floats along the file's rows and then turned, in a near cache. */
    private void readAcross(Orientation seenAs, int x, int y, int count, int rows, float[] into, int start) {
        int length = rows * channels;
        float[] tile = new float[COLUMNS_TOGETHER * length];
        int storedX = seenAs.reversesX() ? stored.width() - y - rows : y;
        for (int column = 0; column < count; column += COLUMNS_TOGETHER) {
            int columns = Math.min(COLUMNS_TOGETHER, count - column);
            for (int i = 0; i < columns; i++) {
                int seenX = x + column + i;
                int storedY = seenAs.reversesY() ? stored.height() - 1 - seenX : seenX;
                readRow(storedX, storedY, rows, tile, i * length);
            }
            for (int row = 0; row < rows; row++) {
                int from = (seenAs.reversesX() ? rows - 1 - row : row) * channels;
                int to = start + (row * count + column) * channels;
                turn(tile, from, length, columns, into, to);
            }
        }
    }

    /** One pixel from each of some rows, beside each other. */
    private void turn(float[] tile, int from, int length, int columns, float[] into, int to) {
        if (channels == 3) {
            for (int i = 0, at = from; i < columns; i++, at += length) {
                into[to + 3 * i] = tile[at];
                into[to + 3 * i + 1] = tile[at + 1];
                into[to + 3 * i + 2] = tile[at + 2];
            }
            return;
        }
        for (int i = 0; i < columns; i++) {
            System.arraycopy(tile, from + i * length, into, to + i * channels, channels);
        }
    }

    @Override
    public void close() {
        rows.close();
        arena.close();
    }
}
