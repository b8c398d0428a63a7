package embrick.formats.jpeg;

import embrick.core.pixels.Raster;
import embrick.core.pixels.RowMaker;
import embrick.formats.bytes.DamagedDataException;
import embrick.formats.jpeg.TurboJpeg.PixelLayout;
import embrick.formats.jpeg.coded.PartStream;
import embrick.formats.picture.UnusablePictureException;
import embrick.formats.picture.Watch;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.lang.foreign.Arena;
import java.lang.foreign.MemorySegment;
import java.util.Arrays;
import java.util.Optional;
import java.util.Queue;
import java.util.concurrent.ConcurrentLinkedQueue;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.concurrent.atomic.AtomicIntegerArray;
import java.util.concurrent.locks.ReadWriteLock;
import java.util.concurrent.locks.ReentrantLock;
import java.util.concurrent.locks.ReentrantReadWriteLock;

/**
 * Decodes a JPEG's rows in parts, each when one of its rows is first read: a proof and a tight frame cost what they show, and
 * threads that print one picture decode it together. The file is held until the last part is made, so that all parts are of
 * the bytes that were held against their digest.
 *
 * <p>Where a part turns out not to fit, the whole is decoded as if there were no parts.
 */
final class JpegRows implements RowMaker {
    /** Rows of pixels in a part, at least. */
    private static final int LEAST_ROWS = 128;
    /** The same where a row of groups above and below is decoded besides and left out: three of it are a twelfth more. */
    private static final int LEAST_ROWS_LOOKING_AROUND = 384;

    /** Decodes a whole JPEG or a part cut out of one, and tells what was warned of. */
    interface Decompression {
        String decompress(MemorySegment file, MemorySegment into, int width, int rows, PixelLayout layout)
                throws IOException;
    }

    private final PartStream stream;
    private final Decompression decompression;
    private final Arena arena;
    private final MemorySegment file;
    private final MemorySegment samples;
    private final PixelLayout layout;
    private final boolean inverted;
    private final Watch watch;
    private final int width;
    private final int height;
    /** The first row of groups of each part, and the number of rows behind the last. */
    private final int[] begins;
    /** By row of groups. */
    private final int[] partOf;

    private final AtomicIntegerArray made;
    private final AtomicInteger missing;
    private final ReentrantLock[] locks;
    private final Queue<MemorySegment> rooms = new ConcurrentLinkedQueue<>();
    /** Parts are written beside each other, the whole alone. */
    private final ReadWriteLock writing = new ReentrantReadWriteLock();

    private volatile boolean isWhole;

    /**
     * @param arena of the file's bytes, closed with this
     * @param raster whose memory is written to
     * @param watch around the decoding of each part
     */
    JpegRows(PartStream stream, Arena arena, Raster raster, PixelLayout layout, boolean inverted, Watch watch) {
        this(
                stream,
                arena,
                raster,
                layout,
                inverted,
                watch,
                (bytes, into, across, rows, colours) ->
                        TurboJpeg.decompress(bytes, into, across, rows, colours, TurboJpeg.Warnings.TOLD));
    }

    JpegRows(
            PartStream stream,
            Arena arena,
            Raster raster,
            PixelLayout layout,
            boolean inverted,
            Watch watch,
            Decompression decompression) {
        this.decompression = decompression;
        this.watch = watch;
        this.stream = stream;
        this.arena = arena;
        this.file = stream.file();
        this.samples = raster.samples();
        this.layout = layout;
        this.inverted = inverted;
        this.width = raster.stored().width();
        this.height = raster.stored().height();
        int least = stream.looksAround() ? LEAST_ROWS_LOOKING_AROUND : LEAST_ROWS;
        this.begins = stream.beginnings(Math.ceilDiv(least, stream.rowHeight()));
        int parts = begins.length - 1;
        this.partOf = new int[stream.rows()];
        for (int part = 0; part < parts; part++) {
            Arrays.fill(partOf, begins[part], begins[part + 1], part);
        }
        this.made = new AtomicIntegerArray(parts);
        this.missing = new AtomicInteger(parts);
        this.locks = new ReentrantLock[parts];
        Arrays.setAll(locks, _ -> new ReentrantLock());
    }

    @Override
    public void require(int from, int to) {
        if (isWhole) {
            return;
        }
        int last = partOf[(to - 1) / stream.rowHeight()];
        for (int part = partOf[from / stream.rowHeight()]; part <= last; part++) {
            if (made.get(part) == 0) {
                make(part);
            }
        }
    }

    /** Makes a part, or waits while another thread does, and makes the next one meanwhile: it will be wanted soon. */
    private void make(int part) {
        if (!locks[part].tryLock()) {
            int next = part + 1;
            if (next < locks.length && made.get(next) == 0 && locks[next].tryLock()) {
                makeLocked(next);
            }
            locks[part].lock();
        }
        makeLocked(part);
    }

    private void makeLocked(int part) {
        try {
            if (made.get(part) == 0 && !isWhole) {
                watch.during(() -> {
                    if (!decodeUnlessWhole(part)) {
                        decodeWhole();
                    }
                    return null;
                });
                made.set(part, 1);
                if (missing.decrementAndGet() == 0 && !isWhole) {
                    isWhole = true;
                    arena.close();
                }
            }
        } catch (IOException failed) {
            throw new UncheckedIOException(failed);
        } finally {
            locks[part].unlock();
        }
    }

    /** @return whether the part fitted, or all is there already */
    private boolean decodeUnlessWhole(int part) throws IOException {
        writing.readLock().lock();
        try {
            return isWhole || decode(begins[part], begins[part + 1]);
        } finally {
            writing.readLock().unlock();
        }
    }

    /** @return whether it fitted */
    private boolean decode(int from, int to) throws IOException {
        int first = from;
        int behind = to;
        if (stream.looksAround()) {
            first = stream.beginsAtOrBefore(Math.max(0, from - 1));
            behind = stream.beginsAtOrAfter(Math.min(stream.rows(), to + 1));
        }
        Optional<byte[]> part = stream.cut(first, behind);
        if (part.isEmpty()) {
            return false;
        }
        long rowBytes = (long) width * layout.channels();
        long at = (long) from * stream.rowHeight() * rowBytes;
        MemorySegment into = samples.asSlice(at, stream.height(from, to) * rowBytes);
        int rows = stream.height(first, behind);
        if (first == from && behind == to && !inverted) {
            if (!decode(part.get(), into, rows)) {
                return false;
            }
        } else {
            MemorySegment room = roomFor(rows * rowBytes);
            try {
                if (!decode(part.get(), room, rows)) {
                    return false;
                }
                long above = (long) (from - first) * stream.rowHeight() * rowBytes;
                MemorySegment pixels = room.asSlice(above, into.byteSize());
                if (inverted) {
                    // Before it is where the whole, if it is decoded meanwhile, would be turned over with it.
                    JpegReader.invert(pixels);
                }
                into.copyFrom(pixels);
            } finally {
                rooms.add(room);
            }
        }
        return true;
    }

    /** @return whether nothing was warned of */
    private boolean decode(byte[] part, MemorySegment into, int rows) throws IOException {
        try (Arena own = Arena.ofConfined()) {
            MemorySegment bytes = own.allocate(part.length).copyFrom(MemorySegment.ofArray(part));
            return decompression.decompress(bytes, into, width, rows, layout).isEmpty();
        } catch (DamagedDataException doesNotFit) {
            return false;
        }
    }

    /** Memory beside the picture, used again for the next part: new memory would cost about a tenth of the decoding. */
    private MemorySegment roomFor(long bytes) {
        MemorySegment room = rooms.poll();
        return room == null || room.byteSize() < bytes ? arena.allocate(bytes) : room;
    }

    /** A part that does not fit leaves anything behind in its rows, so none is at it when the whole is put there. */
    private void decodeWhole() throws IOException {
        writing.writeLock().lock();
        try {
            if (!isWhole) {
                putWhole();
                isWhole = true;
            }
        } finally {
            writing.writeLock().unlock();
        }
    }

    private void putWhole() throws IOException {
        try (Arena own = Arena.ofConfined()) {
            // Aside, so that rows which others read meanwhile are only ever overwritten by the same samples.
            MemorySegment decoded = own.allocate(samples.byteSize());
            String warning = decompression.decompress(file, decoded, width, height, layout);
            if (!warning.isEmpty()) {
                throw notSoundAnyMore(warning);
            }
            if (inverted) {
                JpegReader.invert(decoded);
            }
            samples.copyFrom(decoded);
        } catch (DamagedDataException damaged) {
            throw notSoundAnyMore(damaged.getMessage());
        }
    }

    private static UnusablePictureException notSoundAnyMore(String why) {
        return UnusablePictureException.broken(
                "damaged", "was sound when it was added, and cannot be decoded now: " + why);
    }

    @Override
    public void close() {
        if (arena.scope().isAlive()) {
            arena.close();
        }
    }
}
