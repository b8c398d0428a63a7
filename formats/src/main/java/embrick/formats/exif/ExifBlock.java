package embrick.formats.exif;

import embrick.core.units.PixelSize;
import embrick.core.units.Resolution;
import embrick.formats.ifd.Flavour;
import embrick.formats.ifd.Ifd;
import embrick.formats.ifd.IfdBuilder;
import embrick.formats.metadata.ExifFields;
import java.io.ByteArrayOutputStream;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;

/**
 * Writes Exif into a piece: what is true of the new file, its ppi, its orientation, which is 1, its size and colour space; and the
 * fields that it carries over from its original.
 */
public final class ExifBlock {
    private static final int YCBCR_POSITIONING = 531;
    private static final int EXIF_VERSION = 0x9000;
    private static final int PIXEL_X_DIMENSION = 0xA002;
    private static final int PIXEL_Y_DIMENSION = 0xA003;
    private static final int HEADER_BYTES = 8;

    private ExifBlock() {}

    /** A block by itself. */
    public static byte[] of(Resolution marked, PixelSize size, ColourTag colour, ExifFields carried) {
        IfdBuilder main = new IfdBuilder(ByteOrder.BIG_ENDIAN)
                .shorts(Ifd.ORIENTATION, 1)
                .resolution(Ifd.X_RESOLUTION, marked)
                .resolution(Ifd.Y_RESOLUTION, marked)
                .shorts(Ifd.RESOLUTION_UNIT, 2)
                .shorts(YCBCR_POSITIONING, 1);
        carried.main().forEach(main::field);
        ByteArrayOutputStream block = new ByteArrayOutputStream();
        block.writeBytes(new byte[] {'M', 'M', 0, 42, 0, 0, 0, HEADER_BYTES});
        // The pointers' places count for its size, whatever they point to.
        main.offsets(Ifd.EXIF_IFD, 0);
        if (!carried.gps().isEmpty()) {
            main.offsets(Ifd.GPS_IFD, 0);
        }
        Children children =
                children(ByteOrder.BIG_ENDIAN, Flavour.CLASSIC, size, colour, carried, HEADER_BYTES + main.size());
        children.pointTo(main);
        block.writeBytes(main.build(HEADER_BYTES));
        block.writeBytes(children.bytes());
        return block.toByteArray();
    }

    /**
     * The directories below the main one.
     *
     * @param exifAt where the first lies
     * @param gpsAt where that of the place lies; 0 without one
     */
    public record Children(long exifAt, long gpsAt, byte[] bytes) {
        /** Has the main directory point to them. */
        public void pointTo(IfdBuilder main) {
            main.offsets(Ifd.EXIF_IFD, exifAt);
            if (gpsAt != 0) {
                main.offsets(Ifd.GPS_IFD, gpsAt);
            }
        }
    }

    /** @param offset where they are to lie; even */
    public static Children children(
            ByteOrder order, Flavour flavour, PixelSize size, ColourTag colour, ExifFields carried, long offset) {
        IfdBuilder exif = new IfdBuilder(order, flavour)
                .undefined(EXIF_VERSION, "0232".getBytes(StandardCharsets.US_ASCII))
                .shorts(ExifFacts.COLOR_SPACE, colour.value())
                .longs(PIXEL_X_DIMENSION, size.width())
                .longs(PIXEL_Y_DIMENSION, size.height());
        carried.exif().forEach(exif::field);
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        bytes.writeBytes(exif.build(offset));
        if (carried.gps().isEmpty()) {
            return new Children(offset, 0, bytes.toByteArray());
        }
        IfdBuilder gps = new IfdBuilder(order, flavour);
        carried.gps().forEach(gps::field);
        long gpsAt = offset + bytes.size();
        bytes.writeBytes(gps.build(gpsAt));
        return new Children(offset, gpsAt, bytes.toByteArray());
    }
}
