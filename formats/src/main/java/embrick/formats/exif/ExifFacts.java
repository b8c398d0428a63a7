package embrick.formats.exif;

import embrick.core.pixels.Orientation;
import embrick.core.units.Resolution;
import embrick.formats.ifd.Ifd;
import java.io.IOException;
import java.util.Optional;

/**
 * What an Exif block says that matters here (Exif 2.32, 4.6.4 and 4.6.5).
 *
 * @param title ImageDescription, "the title of the image"
 */
public record ExifFacts(
        Orientation orientation,
        Optional<Resolution> across,
        Optional<Resolution> down,
        NamedSpace space,
        Optional<String> title) {
    /** The ColorSpace tag, and for what is not calibrated the interoperability index (DCF 2.0: R03 is opRGB). */
    public enum NamedSpace {
        SRGB,
        OP_RGB,
        NOT_NAMED
    }

    static final int COLOR_SPACE = 0xA001;

    private static final int INTEROPERABILITY_IFD = 0xA005;
    private static final int INTEROPERABILITY_INDEX = 1;
    private static final String OP_RGB_INDEX = "R03";

    /** Reads a block, which is a TIFF; a damaged one is as good as none, since it holds no pixels. */
    public static Optional<ExifFacts> read(byte[] block) {
        try {
            Ifd ifd = Ifd.first(Ifd.over(block));
            Optional<Ifd> exif = ifd.child(Ifd.EXIF_IFD);
            return Optional.of(new ExifFacts(
                    Orientation.ofTag((int) ifd.number(Ifd.ORIENTATION, 1)),
                    ifd.resolution(Ifd.X_RESOLUTION),
                    ifd.resolution(Ifd.Y_RESOLUTION),
                    exif.isPresent() ? space(exif.get()) : NamedSpace.NOT_NAMED,
                    ifd.text(Ifd.IMAGE_DESCRIPTION)));
        } catch (IOException damaged) {
            return Optional.empty();
        }
    }

    private static NamedSpace space(Ifd exif) throws IOException {
        long said = exif.number(COLOR_SPACE, 0);
        if (said == 1) {
            return NamedSpace.SRGB;
        }
        boolean isOpRgb = exif.child(INTEROPERABILITY_IFD)
                .flatMap(ifd -> ifd.text(INTEROPERABILITY_INDEX))
                .filter(OP_RGB_INDEX::equals)
                .isPresent();
        return isOpRgb ? NamedSpace.OP_RGB : NamedSpace.NOT_NAMED;
    }
}
