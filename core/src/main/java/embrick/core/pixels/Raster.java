package embrick.core.pixels;

import embrick.core.lanes.Lanes;
import embrick.core.units.PixelSize;
import java.lang.foreign.Arena;
import java.lang.foreign.MemorySegment;
import java.lang.foreign.ValueLayout;

/**
 * A decoded original: interleaved samples of 8 or 16 bit outside the heap, rows without gaps, the file's own order.
 *
 * <p>{@link #readSeen} gives rows of the picture as it is seen under an {@link Orientation}, as floats 0..1; where the
 * axes are swapped it walks the stored columns in blocks. Reading is safe from several threads; closing is not, and is
 * the owner's.
 */
public final class Raster implements AutoCloseable {
    private static final float FROM_BYTE = 1f / 255f;
    private static final float FROM_SHORT = 1f / 65535f;

    private final Lanes lanes = Lanes.best();
    private final PixelSize stored;
    private final int channels;
    private final int bytesPerSample;
    private final Arena arena;
    private final MemorySegment samples;

    private Raster(MemorySegment samples, Arena arena, PixelSize stored, int channels, int bytesPerSample) {
        if (bytesPerSample != 1 && bytesPerSample != 2) {
            throw new IllegalArgumentException("bytesPerSample: expected 1 or 2, got " + bytesPerSample);
        }
        this.stored = stored;
        this.channels = channels;
        this.bytesPerSample = bytesPerSample;
        this.arena = arena;
        this.samples = samples;
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
        return new Raster(samples.asSlice(0, bytes), arena, stored, channels, bytesPerSample);
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

    /** The samples, 16-bit ones in the machine's own byte order. */
    public MemorySegment samples() {
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

    private void readAcross(Orientation seenAs, int x, int y, int count, int rows, float[] into, int start) {
        for (int column = 0; column < count; column++) {
            int storedY = seenAs.reversesY() ? stored.height() - 1 - (x + column) : x + column;
            for (int row = 0; row < rows; row++) {
                int storedX = seenAs.reversesX() ? stored.width() - 1 - (y + row) : y + row;
                int at = start + (row * count + column) * channels;
                long from = storedY * rowBytes() + (long) storedX * channels * bytesPerSample;
                for (int c = 0; c < channels; c++) {
                    into[at + c] = bytesPerSample == 1
                            ? (samples.get(ValueLayout.JAVA_BYTE, from + c) & 0xff) * FROM_BYTE
                            : (samples.get(ValueLayout.JAVA_SHORT, from + 2L * c) & 0xffff) * FROM_SHORT;
                }
            }
        }
    }

    @Override
    public void close() {
        arena.close();
    }
}
