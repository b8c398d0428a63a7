package embrick.formats.tiff;

import embrick.core.pixels.ColourModel;
import embrick.formats.picture.UnusablePictureException;
import java.io.IOException;

/** How samples are to be understood (PhotometricInterpretation, TIFF 6.0 sections 8, 16, 20 and 23). */
enum Photometric {
    /** 0 is white: turned round while it is read. */
    WHITE_IS_ZERO(ColourModel.GREY),
    BLACK_IS_ZERO(ColourModel.GREY),
    RGB(ColourModel.RGB),
    PALETTE(ColourModel.RGB),
    SEPARATED(ColourModel.CMYK),
    /** Luminance and colour differences; made RGB while it is read. */
    YCBCR(ColourModel.RGB);

    private final ColourModel model;

    Photometric(ColourModel model) {
        this.model = model;
    }

    ColourModel model() {
        return model;
    }

    static Photometric of(int tag) throws IOException {
        return switch (tag) {
            case 0 -> WHITE_IS_ZERO;
            case 1 -> BLACK_IS_ZERO;
            case 2 -> RGB;
            case 3 -> PALETTE;
            case 5 -> SEPARATED;
            case 6 -> YCBCR;
            case 4 -> throw notRead("a mask, not a picture,", "Save the picture itself.");
            case 8, 9, 10 -> throw notRead("a picture in L*a*b* numbers, which", "Save it again as RGB.");
            case 32_803, 34_892 ->
                throw notRead("a camera's raw picture, which", "Develop it, and save a copy as TIFF or JPEG.");
            case 32_844, 32_845 -> throw notRead("a picture of light values, which", "Save it again as RGB.");
            default -> throw notRead("a picture in a colour encoding (" + tag + ") that", "Save it again as RGB.");
        };
    }

    private static UnusablePictureException notRead(String what, String remedy) {
        return UnusablePictureException.notRead("tiff-colour", "is a TIFF with " + what + " is not read", remedy);
    }
}
