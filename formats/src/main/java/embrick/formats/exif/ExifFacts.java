package embrick.formats.exif;

import embrick.core.pixels.Orientation;
import embrick.core.units.Resolution;
import embrick.formats.tiff.Ifd;
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
    /** The ColorSpace tag. */
    public enum NamedSpace {
        SRGB,
        NOT_NAMED
    }

    static final int COLOR_SPACE = 0xA001;

    /** Reads a block, which is a TIFF; a damaged one is as good as none, since it holds no pixels. */
    public static Optional<ExifFacts> read(byte[] block) {
        try {
            Ifd ifd = Ifd.first(Ifd.over(block));
            Optional<Ifd> exif = ifd.child(Ifd.EXIF_IFD);
            boolean srgb = exif.isPresent() && exif.get().number(COLOR_SPACE, 0) == 1;
            return Optional.of(new ExifFacts(
                    Orientation.ofTag((int) ifd.number(Ifd.ORIENTATION, 1)),
                    ifd.resolution(Ifd.X_RESOLUTION),
                    ifd.resolution(Ifd.Y_RESOLUTION),
                    srgb ? NamedSpace.SRGB : NamedSpace.NOT_NAMED,
                    ifd.text(Ifd.IMAGE_DESCRIPTION)));
        } catch (IOException damaged) {
            return Optional.empty();
        }
    }
}
