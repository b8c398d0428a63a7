package embrick.formats.png;

import embrick.core.pixels.ColourModel;
import embrick.core.source.SourceFacts.Alpha;
import embrick.core.source.SourceFacts.Pages;
import embrick.core.units.Resolution;
import embrick.formats.exif.ExifFacts;
import embrick.formats.picture.UnusablePictureException;
import java.io.ByteArrayOutputStream;
import java.io.DataInputStream;
import java.io.EOFException;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.util.Optional;
import java.util.zip.DataFormatException;
import java.util.zip.Inflater;

/**
 * The chunks before a PNG's first IDAT (ISO/IEC 15948, clauses 5 and 11).
 *
 * @param pages more than one in an animation, of which the still picture is used
 */
record PngHeader(
        int width,
        int height,
        ColourModel model,
        Alpha alpha,
        int bitsPerChannel,
        Optional<Resolution> across,
        Optional<Resolution> down,
        Optional<byte[]> icc,
        PngColour colour,
        Optional<ExifFacts> exif,
        Pages pages,
        Stored stored,
        Wholeness wholeness) {
    static final long SIGNATURE = 0x89504E470D0A1A0AL;
    static final int IHDR = 0x49484452;
    static final int IDAT = 0x49444154;
    static final int IEND = 0x49454E44;
    static final int PHYS = 0x70485973;
    static final int ICCP = 0x69434350;
    private static final int SRGB = 0x73524742;
    private static final int CICP = 0x63494350;
    private static final int GAMA = 0x67414D41;
    private static final int CHRM = 0x6348524D;
    private static final int ACTL = 0x6163544C;
    private static final int TRNS = 0x74524E53;
    private static final int PLTE = 0x504C5445;
    private static final int EXIF = 0x65584966;

    private static final int COLOUR_PALETTE = 3;
    private static final int MOST_CHUNK = 64 << 20;
    private static final int MOST_PROFILE = 16 << 20;

    /**
     * How samples lie in the file.
     *
     * @param palette PLTE, or empty
     * @param transparency tRNS, or empty
     */
    record Stored(int bits, int samples, Interlacing interlacing, byte[] palette, byte[] transparency) {}

    /** Whether the checksums of what the picture needs are right. A damaged header is judged by its size all the same. */
    enum Wholeness {
        WHOLE,
        DAMAGED
    }

    /** The interlace method of IHDR. */
    enum Interlacing {
        NONE,
        ADAM7
    }

    int channels() {
        return model.channels() + (alpha == Alpha.SEE_THROUGH ? 1 : 0);
    }

    int storedBits() {
        return stored.bits();
    }

    int storedSamples() {
        return stored.samples();
    }

    boolean interlaced() {
        return stored.interlacing() == Interlacing.ADAM7;
    }

    boolean isPalette() {
        return stored.palette().length > 0 && stored.samples() == 1 && model == ColourModel.RGB;
    }

    /** Red, green, blue or alpha of a palette entry; entries that are missing are black, and opaque. */
    byte paletteSample(int index, int channel) {
        if (channel == 3) {
            return index < stored.transparency().length ? stored.transparency()[index] : (byte) 255;
        }
        int at = index * 3 + channel;
        return at < stored.palette().length ? stored.palette()[at] : 0;
    }

    /** The transparent colour's sample, in the file's own depth. */
    int transparentSample(int channel) {
        int at = 2 * channel;
        byte[] colour = stored.transparency();
        return at + 1 < colour.length ? (colour[at] & 0xff) << 8 | (colour[at + 1] & 0xff) : -1;
    }

    static PngHeader read(DataInputStream in, long fileBytes) throws IOException {
        Reading reading = new Reading();
        try {
            if (in.readLong() != SIGNATURE) {
                throw UnusablePictureException.broken("not-png", "does not begin as a PNG");
            }
            while (true) {
                int length = in.readInt();
                int type = in.readInt();
                if (type == IDAT || type == IEND) {
                    break;
                }
                if (length < 0 || length > MOST_CHUNK) {
                    throw UnusablePictureException.broken("bad-chunk", "has a damaged header");
                }
                byte[] data = in.readNBytes(length);
                if (data.length < length) {
                    throw new EOFException();
                }
                boolean isWhole = in.readInt() == PngVerifier.checksum(type, data);
                if (isWhole || isNeeded(type)) {
                    reading.chunk(type, data);
                    reading.damaged |= !isWhole;
                }
            }
        } catch (EOFException cut) {
            throw UnusablePictureException.broken(
                    "cut-short", "is cut short after " + fileBytes + " bytes, inside its header");
        }
        return reading.finish();
    }

    /**
     * Whether the picture cannot be told without a chunk: the case of its first letter says so (clause 5.4), and what is
     * transparent matters as much. Of all others a damaged one is as good as none.
     */
    private static boolean isNeeded(int type) {
        return (type & 0x2000_0000) == 0 || type == TRNS;
    }

    private static final class Reading {
        private boolean damaged;
        private int width;
        private int height;
        private int depth;
        private int colourType = -1;
        private Optional<byte[]> transparency = Optional.empty();
        private byte[] palette = new byte[0];
        private int interlace;
        private Optional<Resolution> across = Optional.empty();
        private Optional<Resolution> down = Optional.empty();
        private Optional<byte[]> icc = Optional.empty();
        private Optional<ExifFacts> exif = Optional.empty();
        private final PngColour.Builder colour = new PngColour.Builder();
        private Pages pages = Pages.ONE;

        void chunk(int type, byte[] data) throws IOException {
            ByteBuffer buffer = ByteBuffer.wrap(data);
            switch (type) {
                case IHDR -> {
                    if (data.length < 13) {
                        throw UnusablePictureException.broken("bad-chunk", "has a damaged header");
                    }
                    width = buffer.getInt(0);
                    height = buffer.getInt(4);
                    depth = data[8];
                    colourType = data[9];
                    interlace = data[12];
                }
                case PHYS -> {
                    if (data.length >= 9 && data[8] == 1) {
                        across = perMetre(buffer.getInt(0));
                        down = perMetre(buffer.getInt(4));
                    }
                }
                case ICCP -> icc = inflated(data);
                case SRGB -> colour.namesSrgb();
                case CICP -> colour.points(data);
                case GAMA -> colour.gamma(buffer);
                case CHRM -> colour.chromaticities(buffer);
                case ACTL -> pages = Pages.FIRST_OF_SEVERAL;
                case TRNS -> transparency = Optional.of(data);
                case PLTE -> palette = data;
                case EXIF -> exif = ExifFacts.read(data);
                default -> {
                    // All other chunks say nothing that is needed here.
                }
            }
        }

        private static Optional<Resolution> perMetre(int pixels) {
            return pixels < 1 || pixels > 700_000 ? Optional.empty() : Optional.of(Resolution.perMetre(pixels));
        }

        /** A name, a zero, the method (0) and a zlib stream; a damaged one is as good as none. */
        private static Optional<byte[]> inflated(byte[] chunk) {
            int name = 0;
            while (name < chunk.length && chunk[name] != 0) {
                name++;
            }
            if (name + 2 >= chunk.length) {
                return Optional.empty();
            }
            try (Inflater inflater = new Inflater()) {
                inflater.setInput(chunk, name + 2, chunk.length - name - 2);
                ByteArrayOutputStream profile = new ByteArrayOutputStream();
                byte[] part = new byte[8192];
                while (!inflater.finished() && profile.size() < MOST_PROFILE) {
                    int read = inflater.inflate(part);
                    if (read == 0) {
                        return Optional.empty();
                    }
                    profile.write(part, 0, read);
                }
                return Optional.of(profile.toByteArray());
            } catch (DataFormatException damaged) {
                return Optional.empty();
            }
        }

        /** The pairs of colour type and depth that exist (ISO/IEC 15948, table 11.1). */
        private void requireKnown() throws IOException {
            boolean known = switch (colourType) {
                case 0 -> depth == 1 || depth == 2 || depth == 4 || depth == 8 || depth == 16;
                case COLOUR_PALETTE -> (depth == 1 || depth == 2 || depth == 4 || depth == 8) && palette.length > 0;
                case 2, 4, 6 -> depth == 8 || depth == 16;
                default -> false;
            };
            if (!known || interlace < 0 || interlace > 1) {
                throw UnusablePictureException.broken(
                        "damaged",
                        "says it has colour type " + colourType + " at " + depth + " bits, which PNG does not know");
            }
        }

        PngHeader finish() throws IOException {
            if (colourType < 0) {
                throw UnusablePictureException.broken("no-frame", "has no picture in it");
            }
            if (width < 1 || height < 1) {
                throw UnusablePictureException.broken(
                        "no-pixels", "says it is " + width + " × " + height + " px: there is no picture in it");
            }
            requireKnown();
            boolean grey = colourType == 0 || colourType == 4;
            boolean alpha = transparency.isPresent() || colourType == 4 || colourType == 6;
            int samples = switch (colourType) {
                case 2 -> 3;
                case 4 -> 2;
                case 6 -> 4;
                default -> 1;
            };
            return new PngHeader(
                    width,
                    height,
                    grey ? ColourModel.GREY : ColourModel.RGB,
                    alpha ? Alpha.SEE_THROUGH : Alpha.OPAQUE,
                    depth == 16 && colourType != COLOUR_PALETTE ? 16 : 8,
                    across,
                    down,
                    icc,
                    colour.build(),
                    exif,
                    pages,
                    new Stored(
                            depth,
                            samples,
                            interlace == 1 ? Interlacing.ADAM7 : Interlacing.NONE,
                            palette,
                            transparency.orElse(new byte[0])),
                    damaged ? Wholeness.DAMAGED : Wholeness.WHOLE);
        }
    }
}
