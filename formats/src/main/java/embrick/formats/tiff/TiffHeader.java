package embrick.formats.tiff;

import embrick.core.pixels.ColourModel;
import embrick.core.pixels.Orientation;
import embrick.core.source.SourceFacts.Alpha;
import embrick.core.source.SourceFacts.Pages;
import embrick.core.units.Resolution;
import embrick.formats.UnusablePictureException;
import java.io.IOException;
import java.util.Optional;

/** What the first directory of a TIFF says (TIFF 6.0, sections 3 to 8 and 16). */
public record TiffHeader(
        int width,
        int height,
        ColourModel model,
        Alpha alpha,
        int bitsPerChannel,
        Photometric photometric,
        Orientation orientation,
        Optional<Resolution> across,
        Optional<Resolution> down,
        Optional<byte[]> icc,
        Pages pages,
        Optional<String> title) {

    /** How samples are to be understood. */
    public enum Photometric {
        /** 0 is white: turned round while it is read. */
        WHITE_IS_ZERO,
        BLACK_IS_ZERO,
        RGB,
        PALETTE,
        SEPARATED,
        /** Only inside JPEG strips; decoded to RGB. */
        YCBCR
    }

    private static final int SAMPLE_FORMAT_FLOAT = 3;

    public static TiffHeader read(Ifd.Bytes bytes) throws IOException {
        Ifd ifd = Ifd.first(bytes);
        long width = ifd.number(Ifd.IMAGE_WIDTH, 0);
        long height = ifd.number(Ifd.IMAGE_LENGTH, 0);
        if (width < 1 || height < 1) {
            throw UnusablePictureException.broken(
                    "no-pixels", "says it is " + width + " × " + height + " px: there is no picture in it");
        }
        if (width > Integer.MAX_VALUE / 8 || height > Integer.MAX_VALUE / 8) {
            throw UnusablePictureException.broken("absurd-size", "says it is " + width + " × " + height + " px");
        }
        int samples = (int) ifd.number(Ifd.SAMPLES_PER_PIXEL, 1);
        Photometric photometric = photometric(ifd.number(Ifd.PHOTOMETRIC, 1));
        ColourModel model = switch (photometric) {
            case WHITE_IS_ZERO, BLACK_IS_ZERO -> ColourModel.GREY;
            case RGB, PALETTE, YCBCR -> ColourModel.RGB;
            case SEPARATED -> ColourModel.CMYK;
        };
        int colours = photometric == Photometric.PALETTE ? 1 : model.channels();
        int bits = (int) ifd.number(Ifd.BITS_PER_SAMPLE, 1);
        if (ifd.number(Ifd.SAMPLE_FORMAT, 1) == SAMPLE_FORMAT_FLOAT || bits > 16) {
            throw UnusablePictureException.notRead(
                    "tiff-depth",
                    "is a TIFF with " + bits + " bits a channel, which is not read",
                    "Save it again with 8 or 16 bits.");
        }
        if (samples < colours || samples > colours + 1) {
            throw UnusablePictureException.notRead(
                    "tiff-channels",
                    "is a TIFF with " + samples + " channels, which is not read",
                    "Save it again as grey, RGB or CMYK, flattened.");
        }
        return new TiffHeader(
                (int) width,
                (int) height,
                model,
                samples > colours ? Alpha.SEE_THROUGH : Alpha.OPAQUE,
                bits == 16 ? 16 : 8,
                photometric,
                Orientation.ofTag((int) ifd.number(Ifd.ORIENTATION, 1)),
                ifd.resolution(Ifd.X_RESOLUTION),
                ifd.resolution(Ifd.Y_RESOLUTION),
                ifd.undefined(Ifd.ICC_PROFILE),
                ifd.hasNext() ? Pages.FIRST_OF_SEVERAL : Pages.ONE,
                ifd.text(Ifd.IMAGE_DESCRIPTION));
    }

    private static Photometric photometric(long value) throws IOException {
        return switch ((int) value) {
            case 0 -> Photometric.WHITE_IS_ZERO;
            case 1 -> Photometric.BLACK_IS_ZERO;
            case 2 -> Photometric.RGB;
            case 3 -> Photometric.PALETTE;
            case 5 -> Photometric.SEPARATED;
            case 6 -> Photometric.YCBCR;
            default ->
                throw UnusablePictureException.notRead(
                        "tiff-colour",
                        "is a TIFF in a colour encoding (" + value + ") that is not read",
                        "Save it again as RGB.");
        };
    }
}
