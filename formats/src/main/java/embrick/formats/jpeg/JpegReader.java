package embrick.formats.jpeg;

import embrick.core.pixels.ColourModel;
import embrick.core.pixels.Raster;
import embrick.core.units.PixelSize;
import embrick.formats.binding.FileBytes;
import embrick.formats.bytes.DamagedDataException;
import embrick.formats.jpeg.TurboJpeg.PixelLayout;
import embrick.formats.jpeg.coded.PartStream;
import embrick.formats.jpeg.coded.RowIndex;
import embrick.formats.jpeg.coded.StrictCheck;
import embrick.formats.picture.Damage;
import embrick.formats.picture.Decoded;
import embrick.formats.picture.Examination;
import embrick.formats.picture.RasterMemory;
import embrick.formats.picture.UnusablePictureException;
import embrick.formats.picture.Watch;
import java.io.IOException;
import java.lang.foreign.Arena;
import java.lang.foreign.MemorySegment;
import java.lang.foreign.ValueLayout;
import java.nio.file.Path;
import java.util.Locale;
import java.util.Optional;

/** Decodes a JPEG into a raster: whole, or reduced for small pictures on screen. */
final class JpegReader {
    /** Reductions that cost least: powers of two, done inside the inverse transform. */
    private static final int MOST_REDUCED = 8;

    private JpegReader() {}

    /** @param leastEdge the longest side wanted at least; the whole picture with {@code Integer.MAX_VALUE} */
    static Decoded read(Path file, JpegHeader header, int leastEdge, RasterMemory memory) throws IOException {
        int reduce = 1;
        int longest = Math.max(header.width(), header.height());
        while (reduce < MOST_REDUCED && longest / (reduce * 2) >= leastEdge) {
            reduce *= 2;
        }
        PixelLayout layout = PixelLayout.ofChannels(header.model().channels());
        Raster raster = memory.allocate(reduced(header, reduce), layout.channels(), 1);
        try (Arena arena = Arena.ofConfined()) {
            MemorySegment bytes = FileBytes.whole(file, arena);
            String warning = decode(bytes, raster.samples(), raster.stored(), layout, TurboJpeg.Warnings.TOLD);
            Optional<Damage> damage =
                    warning.isEmpty() ? Optional.empty() : Optional.of(damage(bytes, header, warning));
            if (isInverted(header)) {
                invert(raster.samples());
            }
            return new Decoded(raster, damage);
        } catch (IOException | RuntimeException | Error failed) {
            raster.close();
            throw failed;
        }
    }

    /** Holds the coded data against what can be, bit by bit. */
    static Examination examine(Path file, JpegHeader header) throws IOException {
        try (Arena arena = Arena.ofConfined()) {
            StrictCheck.Walked walked = StrictCheck.walked(FileBytes.whole(file, arena));
            return new Examination(
                    walked.finding().map(finding -> damage(finding, header)),
                    walked.rows().map(RowIndex::toBytes));
        }
    }

    /** A sound file, its rows decoded when they are first read; at once where they cannot be. */
    static Decoded readInParts(Path file, JpegHeader header, byte[] index, RasterMemory memory, Watch watch)
            throws IOException {
        Optional<RowIndex> rows = RowIndex.of(index);
        if (rows.isEmpty()) {
            return watch.during(() -> read(file, header, Integer.MAX_VALUE, memory));
        }
        Arena arena = Arena.ofShared();
        Raster raster = null;
        try {
            Optional<PartStream> parts = PartStream.of(FileBytes.whole(file, arena), rows.get());
            if (parts.isPresent()) {
                PixelLayout layout = PixelLayout.ofChannels(header.model().channels());
                raster = memory.allocate(new PixelSize(header.width(), header.height()), layout.channels(), 1);
                return Decoded.sound(
                        raster.madeBy(new JpegRows(parts.get(), arena, raster, layout, isInverted(header), watch)));
            }
        } catch (IOException | RuntimeException | Error failed) {
            arena.close();
            if (raster != null) {
                raster.close();
            }
            throw failed;
        }
        arena.close();
        return watch.during(() -> read(file, header, Integer.MAX_VALUE, memory));
    }

    /** Inks as Adobe's files have them: 255 is none. */
    private static boolean isInverted(JpegHeader header) {
        return header.model() == ColourModel.CMYK && header.inverted();
    }

    private static Damage damage(StrictCheck.Finding finding, JpegHeader header) {
        return finding.row().isEmpty()
                ? Damage.anywhere("damaged", finding.what())
                : Damage.fromRow(
                        "damaged",
                        finding.what(),
                        Math.min(finding.row().getAsInt(), header.height()),
                        header.height());
    }

    private static PixelSize reduced(JpegHeader header, int reduce) {
        return new PixelSize(Math.ceilDiv(header.width(), reduce), Math.ceilDiv(header.height(), reduce));
    }

    /** @return the library's warning, or nothing */
    private static String decode(
            MemorySegment bytes, MemorySegment into, PixelSize size, PixelLayout layout, TurboJpeg.Warnings warnings)
            throws UnusablePictureException {
        try {
            return TurboJpeg.decompress(bytes, into, size.width(), size.height(), layout, warnings);
        } catch (DamagedDataException failed) {
            throw UnusablePictureException.broken("damaged", "cannot be decoded: " + failed.getMessage());
        }
    }

    /**
     * Reads a JPEG that was written here to its last coded bit, by other code than wrote it.
     *
     * @throws UnusablePictureException if anything is not as it has to be: what is written here leaves nothing over
     */
    static void requireClean(Path file) throws IOException {
        try (Arena arena = Arena.ofConfined()) {
            Optional<StrictCheck.Finding> finding = StrictCheck.of(FileBytes.whole(file, arena));
            if (finding.isPresent()) {
                throw UnusablePictureException.broken("damaged", finding.get().what());
            }
        }
    }

    /**
     * Where a picture begins to be wrong. The library fills what it cannot read and goes on; made to stop at its first
     * warning it leaves the rows below untouched. Two such decodings into unlike memory part at the first row that was not
     * reached. A progressive picture is only put together after its last scan, so of it no row is known to be sound.
     */
    private static Damage damage(MemorySegment bytes, JpegHeader header, String warning) throws IOException {
        boolean isCut = warning.contains("Premature end of JPEG file");
        String code = isCut ? "cut-short" : "damaged";
        Optional<StrictCheck.Finding> finding = StrictCheck.of(bytes);
        String what = isCut
                ? "is cut short after " + size(bytes.byteSize())
                : finding.map(StrictCheck.Finding::what).orElse("is damaged inside");
        int strict = finding.stream()
                .flatMapToInt(found -> found.row().stream())
                .findFirst()
                .orElse(header.height());
        int row = Math.min(strict, firstUnreached(bytes, header));
        return row == 0 || row >= header.height()
                ? Damage.anywhere(code, what)
                : Damage.fromRow(code, what, row, header.height());
    }

    /** The picture's height where all rows were reached: what is warned of then lies behind the last. */
    private static int firstUnreached(MemorySegment bytes, JpegHeader header) throws IOException {
        PixelSize size = reduced(header, MOST_REDUCED);
        PixelLayout layout = PixelLayout.ofChannels(header.model().channels());
        try (Arena arena = Arena.ofConfined()) {
            long all = size.bytes(layout.channels(), 1);
            MemorySegment dark = arena.allocate(all);
            MemorySegment light = arena.allocate(all).fill((byte) 0xFF);
            decode(bytes, dark, size, layout, TurboJpeg.Warnings.STOP);
            decode(bytes, light, size, layout, TurboJpeg.Warnings.STOP);
            long parted = dark.mismatch(light);
            return parted < 0
                    ? header.height()
                    : (int) (parted / ((long) size.width() * layout.channels())) * MOST_REDUCED;
        }
    }

    private static String size(long bytes) {
        return bytes < 100_000
                ? String.format(Locale.ROOT, "%.1f kB", bytes / 1e3)
                : String.format(Locale.ROOT, "%.1f MB", bytes / 1e6);
    }

    static void invert(MemorySegment samples) {
        for (long i = 0; i < samples.byteSize(); i++) {
            samples.set(ValueLayout.JAVA_BYTE, i, (byte) ~samples.get(ValueLayout.JAVA_BYTE, i));
        }
    }
}
