package embrick.formats.jpeg;

import embrick.core.pixels.ColourModel;
import embrick.core.units.Resolution;
import embrick.formats.exif.ExifFacts;
import embrick.formats.picture.UnusablePictureException;
import java.io.ByteArrayOutputStream;
import java.io.DataInputStream;
import java.io.EOFException;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.Optional;
import java.util.TreeMap;

/**
 * The marker segments before a JPEG's first scan (ITU-T T.81 annex B, JFIF in T.871, Exif, ICC.1 annex B.4).
 *
 * @param inverted CMYK stored upside down, as the APP14 marker's writers do
 * @param jfifColour whether the colours are stored as JFIF has them, grey or YCbCr, so that a JFIF header changes nothing
 * @param quality it was coded at, where its tables are the usual ones
 * @param aboutQuality the one that comes nearest to its tables, whichever they are
 */
record JpegHeader(
        int width,
        int height,
        ColourModel model,
        boolean inverted,
        boolean jfifColour,
        Optional<Resolution> jfifAcross,
        Optional<Resolution> jfifDown,
        Optional<ExifFacts> exif,
        Optional<byte[]> icc,
        Optional<Integer> quality,
        Optional<Integer> aboutQuality) {

    /** Whether JFIF, which knows whole numbers only, and Exif mark the same, where both do. */
    boolean densitiesAgree() {
        return agree(exif.flatMap(ExifFacts::across), jfifAcross) && agree(exif.flatMap(ExifFacts::down), jfifDown);
    }

    private static boolean agree(Optional<Resolution> exif, Optional<Resolution> jfif) {
        if (exif.isEmpty() || jfif.isEmpty()) {
            return true;
        }
        double said = jfif.get().toPpi();
        // Half a dot to the inch; to the centimetre where it is no whole number of inches.
        double rounding = said == Math.rint(said) ? 0.5 : 0.5 * 2.54;
        return Math.abs(exif.get().toPpi() - said) <= rounding + 1e-6;
    }

    static final int SOI = 0xD8;
    static final int EOI = 0xD9;
    static final int SOS = 0xDA;
    static final int DQT = 0xDB;
    static final int DRI = 0xDD;
    static final int DHT = 0xC4;
    static final int SOF0 = 0xC0;
    static final int RST0 = 0xD0;
    static final int APP0 = 0xE0;
    static final int APP1 = 0xE1;
    static final int APP2 = 0xE2;
    static final int APP14 = 0xEE;
    static final byte[] JFIF = "JFIF\0".getBytes(StandardCharsets.ISO_8859_1);
    static final byte[] EXIF = "Exif\0\0".getBytes(StandardCharsets.ISO_8859_1);
    static final byte[] ICC = "ICC_PROFILE\0".getBytes(StandardCharsets.ISO_8859_1);
    static final byte[] APP14_ID = {'A', 'd', 'o', 'b', 'e'};
    private static final int APP14_TRANSFORM = 11;

    /**
     * Reads up to the first scan.
     *
     * @throws UnusablePictureException if it is damaged, or of a kind that is not decoded
     */
    static JpegHeader read(DataInputStream in, long fileBytes) throws IOException {
        Reading reading = new Reading();
        try {
            if (in.readUnsignedShort() != (0xFF00 | SOI)) {
                throw UnusablePictureException.broken("not-jpeg", "does not begin as a JPEG");
            }
            while (true) {
                int marker = nextMarker(in);
                if (marker == SOS || marker == EOI) {
                    break;
                }
                if ((marker >= RST0 && marker <= SOI) || marker == 0x01) {
                    continue;
                }
                int length = in.readUnsignedShort() - 2;
                if (length < 0) {
                    throw UnusablePictureException.broken("bad-segment", "has a damaged header");
                }
                reading.segment(marker, in.readNBytes(length), length);
            }
        } catch (EOFException cut) {
            throw UnusablePictureException.broken(
                    "cut-short", "is cut short after " + fileBytes + " bytes, inside its header");
        }
        return reading.finish();
    }

    private static int nextMarker(DataInputStream in) throws IOException {
        int value = in.readUnsignedByte();
        while (value != 0xFF) {
            value = in.readUnsignedByte();
        }
        while (value == 0xFF) {
            value = in.readUnsignedByte();
        }
        return value;
    }

    private static boolean startsWith(byte[] segment, byte[] id) {
        return segment.length >= id.length && Arrays.equals(segment, 0, id.length, id, 0, id.length);
    }

    private static int short16(byte[] data, int at) {
        return (data[at] & 0xff) << 8 | (data[at + 1] & 0xff);
    }

    /** What has been seen so far. */
    private static final class Reading {
        private int width = -1;
        private int height = -1;
        private int components;
        private boolean app14;
        private boolean jfif;
        /** What the APP14 marker says of colours: 1 for YCbCr. */
        private int transform = 1;

        private boolean namedRgb;
        private Optional<Resolution> across = Optional.empty();
        private Optional<Resolution> down = Optional.empty();
        private Optional<ExifFacts> exif = Optional.empty();
        private Optional<Integer> quality = Optional.empty();
        private Optional<Integer> aboutQuality = Optional.empty();
        private final TreeMap<Integer, byte[]> iccParts = new TreeMap<>();

        void segment(int marker, byte[] data, int length) throws IOException {
            if (data.length < length) {
                throw new EOFException();
            }
            boolean frame = marker >= 0xC0 && marker <= 0xCF && marker != DHT && marker != 0xC8 && marker != 0xCC;
            if (frame) {
                frame(marker, data);
            } else if (marker == APP0 && startsWith(data, JFIF) && length >= 14) {
                jfif = true;
                jfif(data);
            } else if (marker == APP1 && startsWith(data, EXIF) && exif.isEmpty()) {
                exif = ExifFacts.read(Arrays.copyOfRange(data, EXIF.length, data.length));
            } else if (marker == APP2 && startsWith(data, ICC) && length > ICC.length + 2) {
                iccParts.put(data[ICC.length] & 0xff, Arrays.copyOfRange(data, ICC.length + 2, data.length));
            } else if (marker == DQT && aboutQuality.isEmpty()) {
                quality = JpegQuality.of(data);
                aboutQuality = quality.or(() -> JpegQuality.about(data));
            } else if (marker == APP14 && startsWith(data, APP14_ID)) {
                app14 = true;
                transform = length > APP14_TRANSFORM ? data[APP14_TRANSFORM] : 0;
            }
        }

        private void frame(int marker, byte[] data) throws IOException {
            if (data.length < 6) {
                throw UnusablePictureException.broken("bad-segment", "has a damaged header");
            }
            if (marker >= 0xC9) {
                throw UnusablePictureException.notRead(
                        "jpeg-arithmetic",
                        "is a JPEG with arithmetic coding, which is not read",
                        "Save it again as an ordinary JPEG or as TIFF.");
            }
            if (marker == 0xC3 || marker >= 0xC5) {
                throw UnusablePictureException.notRead(
                        "jpeg-lossless",
                        "is a lossless or hierarchical JPEG, which is not read",
                        "Save it again as an ordinary JPEG or as TIFF.");
            }
            if (data[0] != 8) {
                throw UnusablePictureException.notRead(
                        "jpeg-depth",
                        "is a JPEG with " + data[0] + " bits a channel, which is not read",
                        "Save it again with 8 bits, or as a 16-bit TIFF.");
            }
            height = short16(data, 1);
            width = short16(data, 3);
            components = data[5];
            namedRgb = components == 3 && data.length >= 15 && data[6] == 'R' && data[9] == 'G' && data[12] == 'B';
        }

        private void jfif(byte[] data) {
            int unit = data[7];
            int x = short16(data, 8);
            int y = short16(data, 10);
            if (x == 0 || y == 0 || unit < 1 || unit > 2 || x > 20_000 || y > 20_000) {
                return;
            }
            across = density(unit, x);
            down = density(unit, y);
        }

        private static Optional<Resolution> density(int unit, int value) {
            try {
                return Optional.of(unit == 1 ? Resolution.perInch(value) : Resolution.perCentimetre(value, 1));
            } catch (IllegalArgumentException nonsense) {
                return Optional.empty();
            }
        }

        JpegHeader finish() throws IOException {
            if (width < 0) {
                throw UnusablePictureException.broken("no-frame", "has no picture in it");
            }
            if (width == 0 || height == 0) {
                throw UnusablePictureException.broken(
                        "no-pixels", "says it is " + width + " × " + height + " px: there is no picture in it");
            }
            ColourModel model = switch (components) {
                case 1 -> ColourModel.GREY;
                case 3 -> ColourModel.RGB;
                case 4 -> ColourModel.CMYK;
                default ->
                    throw UnusablePictureException.notRead(
                            "jpeg-channels",
                            "has " + components + " colour channels, which is not read",
                            "Save it again as RGB.");
            };
            Optional<byte[]> icc = Optional.empty();
            if (!iccParts.isEmpty()) {
                ByteArrayOutputStream joined = new ByteArrayOutputStream();
                iccParts.values().forEach(joined::writeBytes);
                icc = Optional.of(joined.toByteArray());
            }
            boolean jfifColour = model != ColourModel.CMYK && transform == 1 && (jfif || !namedRgb);
            boolean inverted = app14 && model == ColourModel.CMYK;
            return new JpegHeader(
                    width, height, model, inverted, jfifColour, across, down, exif, icc, quality, aboutQuality);
        }
    }
}
