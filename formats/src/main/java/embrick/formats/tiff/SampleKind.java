package embrick.formats.tiff;

import embrick.formats.picture.UnusablePictureException;
import java.io.IOException;

/** What the bits of a sample mean (SampleFormat, TIFF 6.0 section 19), as far as it is read. */
enum SampleKind {
    UNSIGNED,
    SIGNED;

    private static final int UINT = 1;
    private static final int INT = 2;
    private static final int FLOAT = 3;
    private static final int VOID = 4;
    private static final int MOST_BITS = 16;

    static SampleKind of(int format, int bits) throws IOException {
        if (format == FLOAT) {
            throw UnusablePictureException.notRead(
                    "tiff-float",
                    "is a TIFF of floating-point numbers (" + bits + " bits each), which are not read",
                    "Save it again with whole numbers of 8 or 16 bits a channel.");
        }
        if (format != UINT && format != INT && format != VOID) {
            throw UnusablePictureException.notRead(
                    "tiff-numbers",
                    "is a TIFF of complex numbers, which are not read",
                    "Save it again with whole numbers of 8 or 16 bits a channel.");
        }
        if (bits < 1 || bits > MOST_BITS) {
            throw UnusablePictureException.notRead(
                    "tiff-depth",
                    "is a TIFF with " + bits + " bits a channel, which is not read",
                    "Save it again with 8 or 16 bits.");
        }
        return format == INT ? SIGNED : UNSIGNED;
    }
}
