package embrick.formats.tiff;

import embrick.formats.picture.UnusablePictureException;
import java.io.IOException;
import java.util.Arrays;

/** How strips and tiles are packed (Compression, TIFF 6.0 section 8 and libtiff's list of registered numbers). */
enum Compression {
    NONE(1, "not packed"),
    CCITT_RLE(2, "CCITT runs"),
    CCITT_FAX3(3, "CCITT group 3"),
    CCITT_FAX4(4, "CCITT group 4"),
    LZW(5, "LZW"),
    OLD_JPEG(6, "JPEG, in the old way"),
    JPEG(7, "JPEG"),
    DEFLATE(8, "Deflate"),
    NEXT(32_766, "two-bit runs"),
    CCITT_RLE_WORDS(32_771, "CCITT runs, by words"),
    PACKBITS(32_773, "PackBits"),
    THUNDER(32_809, "four-bit runs"),
    OLD_DEFLATE(32_946, "Deflate"),
    JBIG(34_661, "JBIG"),
    LERC(34_887, "LERC"),
    LZMA(34_925, "LZMA"),
    ZSTD(50_000, "Zstandard"),
    WEBP(50_001, "WebP");

    private final int tag;
    private final String title;

    Compression(int tag, String title) {
        this.tag = tag;
        this.title = title;
    }

    int tag() {
        return tag;
    }

    static Compression of(int tag) throws IOException {
        return Arrays.stream(values())
                .filter(known -> known.tag == tag)
                .findFirst()
                .orElseThrow(() -> notRead("a method (" + tag + ")"));
    }

    /** @throws UnusablePictureException where libtiff was built without it */
    void requireUnpacked() throws IOException {
        if (!LibTiff.unpacks(tag)) {
            throw notRead(title);
        }
    }

    private static UnusablePictureException notRead(String how) {
        return UnusablePictureException.notRead(
                "tiff-packing",
                "is a TIFF packed by " + how + ", which is not read",
                "Save it again unpacked, or packed by LZW or Deflate.");
    }
}
