package embrick.formats.exif;

import embrick.core.units.PixelSize;
import embrick.core.units.Resolution;
import embrick.formats.ifd.Ifd;
import embrick.formats.ifd.IfdBuilder;
import java.io.ByteArrayOutputStream;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;

/** Writes the Exif block of a piece: its ppi, its orientation, which is 1, and its colour space. */
public final class ExifBlock {
    private static final int YCBCR_POSITIONING = 531;
    private static final int EXIF_VERSION = 0x9000;
    private static final int PIXEL_X_DIMENSION = 0xA002;
    private static final int PIXEL_Y_DIMENSION = 0xA003;
    private static final int HEADER_BYTES = 8;

    private ExifBlock() {}

    public static byte[] of(Resolution marked, PixelSize size, ColourTag colour) {
        IfdBuilder main = main(marked, 0);
        long exifAt = (long) HEADER_BYTES + main.size();
        IfdBuilder exif = new IfdBuilder(ByteOrder.BIG_ENDIAN)
                .undefined(EXIF_VERSION, "0232".getBytes(StandardCharsets.US_ASCII))
                .shorts(ExifFacts.COLOR_SPACE, colour.value())
                .longs(PIXEL_X_DIMENSION, size.width())
                .longs(PIXEL_Y_DIMENSION, size.height());
        ByteArrayOutputStream block = new ByteArrayOutputStream();
        block.writeBytes(new byte[] {'M', 'M', 0, 42, 0, 0, 0, HEADER_BYTES});
        block.writeBytes(main(marked, exifAt).build(HEADER_BYTES));
        block.writeBytes(exif.build(exifAt));
        return block.toByteArray();
    }

    private static IfdBuilder main(Resolution marked, long exifAt) {
        return new IfdBuilder(ByteOrder.BIG_ENDIAN)
                .shorts(Ifd.ORIENTATION, 1)
                .resolution(Ifd.X_RESOLUTION, marked)
                .resolution(Ifd.Y_RESOLUTION, marked)
                .shorts(Ifd.RESOLUTION_UNIT, 2)
                .shorts(YCBCR_POSITIONING, 1)
                .longs(Ifd.EXIF_IFD, exifAt);
    }
}
