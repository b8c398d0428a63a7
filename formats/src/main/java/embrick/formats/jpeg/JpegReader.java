package embrick.formats.jpeg;

import embrick.core.pixels.ColourModel;
import embrick.core.pixels.Raster;
import embrick.core.units.PixelSize;
import embrick.formats.UnusablePictureException;
import embrick.formats.binding.FileBytes;
import java.io.IOException;
import java.lang.foreign.Arena;
import java.lang.foreign.MemorySegment;
import java.lang.foreign.ValueLayout;
import java.nio.file.Path;
import java.util.Locale;

/** Decodes a JPEG into a raster: whole, or reduced for small pictures on screen. */
public final class JpegReader {
    /** Reductions that cost least: powers of two, done inside the inverse transform. */
    private static final int MOST_REDUCED = 8;

    private JpegReader() {}

    /**
     * @param leastEdge the longest side wanted at least; the whole picture with {@code Integer.MAX_VALUE}
     * @return a raster the caller closes
     */
    public static Raster read(Path file, JpegHeader header, int leastEdge) throws IOException {
        int reduce = 1;
        int longest = Math.max(header.width(), header.height());
        while (reduce < MOST_REDUCED && longest / (reduce * 2) >= leastEdge) {
            reduce *= 2;
        }
        PixelSize size = new PixelSize(Math.ceilDiv(header.width(), reduce), Math.ceilDiv(header.height(), reduce));
        TurboJpeg.PixelLayout layout =
                TurboJpeg.PixelLayout.ofChannels(header.model().channels());
        Raster raster = Raster.allocate(size, layout.channels(), 1);
        try (Arena arena = Arena.ofConfined()) {
            MemorySegment bytes = FileBytes.whole(file, arena);
            TurboJpeg.Decoded decoded;
            try {
                decoded = TurboJpeg.decompress(bytes, raster.samples(), size.width(), size.height(), layout);
            } catch (IOException failed) {
                throw UnusablePictureException.broken("damaged", "cannot be decoded: " + failed.getMessage());
            }
            requireWhole(decoded, bytes.byteSize());
            if (header.model() == ColourModel.CMYK && header.inverted()) {
                invert(raster);
            }
            return raster;
        } catch (IOException | RuntimeException failed) {
            raster.close();
            throw failed;
        }
    }

    /**
     * Reads a JPEG that was written here to its last coded block.
     *
     * @throws UnusablePictureException if the library so much as warns: what is written here leaves nothing over
     */
    public static void requireClean(Path file, JpegHeader header) throws IOException {
        PixelSize size =
                new PixelSize(Math.ceilDiv(header.width(), MOST_REDUCED), Math.ceilDiv(header.height(), MOST_REDUCED));
        TurboJpeg.PixelLayout layout =
                TurboJpeg.PixelLayout.ofChannels(header.model().channels());
        try (Raster small = Raster.allocate(size, layout.channels(), 1);
                Arena arena = Arena.ofConfined()) {
            TurboJpeg.Decoded decoded = TurboJpeg.decompress(
                    FileBytes.whole(file, arena), small.samples(), size.width(), size.height(), layout);
            if (!decoded.warning().isEmpty()) {
                throw UnusablePictureException.broken("damaged", "is damaged inside: " + decoded.warning());
            }
        } catch (UnusablePictureException known) {
            throw known;
        } catch (IOException failed) {
            throw UnusablePictureException.broken("damaged", "cannot be decoded: " + failed.getMessage());
        }
    }

    /** The library fills what is missing with grey and only warns: that is not a picture to print. */
    private static void requireWhole(TurboJpeg.Decoded decoded, long bytes) throws UnusablePictureException {
        String warning = decoded.warning();
        if (warning.contains("Premature end")) {
            throw UnusablePictureException.broken(
                    "cut-short",
                    String.format(
                            Locale.ROOT,
                            "is cut short after %s: the lower part of the picture is not in the file",
                            size(bytes)));
        }
        if (warning.contains("Corrupt JPEG data") && !warning.contains("extraneous bytes")) {
            throw UnusablePictureException.broken("damaged", "is damaged inside: part of the picture cannot be read");
        }
    }

    private static String size(long bytes) {
        return bytes < 100_000
                ? String.format(Locale.ROOT, "%.1f kB", bytes / 1e3)
                : String.format(Locale.ROOT, "%.1f MB", bytes / 1e6);
    }

    private static void invert(Raster raster) {
        MemorySegment samples = raster.samples();
        for (long i = 0; i < samples.byteSize(); i++) {
            samples.set(ValueLayout.JAVA_BYTE, i, (byte) ~samples.get(ValueLayout.JAVA_BYTE, i));
        }
    }
}
