package embrick.formats.icc;

import embrick.core.pixels.ColourModel;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.util.Arrays;
import java.util.Optional;
import java.util.function.Supplier;

/** The profiles that come with Embrick, as fixed bytes. */
public enum ShippedProfile {
    SRGB("sRGB", "Most labs and all screens. IEC 61966-2-1.", ColourModel.RGB, MatrixProfile::srgb),
    OP_RGB(
            "opRGB",
            "A wide RGB that many cameras write and some labs ask for; about a third more colours than sRGB, most of"
                    + " them greens and cyans. IEC 61966-2-5.",
            ColourModel.RGB,
            MatrixProfile::opRgb),
    P3_D65(
            "P3-D65",
            "The wide RGB of phones and newer screens: stronger reds and oranges than opRGB. SMPTE EG 432-1, D65, tone"
                    + " of sRGB.",
            ColourModel.RGB,
            MatrixProfile::p3D65),
    ROMM_RGB(
            "ROMM RGB",
            "The widest: more than any paper or screen has. For 16 bits only. ISO 22028-2.",
            ColourModel.RGB,
            MatrixProfile::romm),
    GREY_SRGB("Grey, tone of sRGB", "Grey that looks as in sRGB.", ColourModel.GREY, MatrixProfile::greyOfSrgbCurve),
    GREY_OP_RGB(
            "Grey, tone of opRGB",
            "Grey for opRGB's work: its greys keep their numbers.",
            ColourModel.GREY,
            MatrixProfile::greyOfOpRgbCurve),
    LUSTRE_RGB(
            "Lustre paper, RGB",
            "Coated paper on the simulated printer, which makes its inks itself.",
            ColourModel.RGB,
            "lustre-rgb.icc"),
    LUSTRE_CMYK(
            "Lustre paper, CMYK",
            "Coated paper on the simulated printer, sent its four inks.",
            ColourModel.CMYK,
            "lustre-cmyk.icc"),
    COTTON_RAG_RGB(
            "Cotton rag, RGB",
            "Uncoated rag: soft blacks, quiet colours. Simulated printer.",
            ColourModel.RGB,
            "cotton-rag-rgb.icc"),
    COTTON_RAG_CMYK(
            "Cotton rag, CMYK",
            "Uncoated rag on the simulated printer, sent its four inks.",
            ColourModel.CMYK,
            "cotton-rag-cmyk.icc"),
    CANVAS_RGB("Canvas, RGB", "Coated canvas, a little warm. Simulated printer.", ColourModel.RGB, "canvas-rgb.icc"),
    CANVAS_CMYK(
            "Canvas, CMYK",
            "Coated canvas on the simulated printer, sent its four inks.",
            ColourModel.CMYK,
            "canvas-cmyk.icc");

    private final String title;
    private final String words;
    private final ColourModel model;
    private final byte[] bytes;
    private final String digest;

    ShippedProfile(String title, String words, ColourModel model, Supplier<byte[]> maker) {
        this.title = title;
        this.words = words;
        this.model = model;
        this.bytes = maker.get();
        this.digest = ProfileShelf.digestOf(bytes);
    }

    ShippedProfile(String title, String words, ColourModel model, String file) {
        this(title, words, model, () -> read(file));
    }

    private static byte[] read(String file) {
        try (InputStream in = ShippedProfile.class.getResourceAsStream("papers/" + file)) {
            if (in == null) {
                throw new IllegalStateException("profile: expected " + file + " to ship with Embrick, got none");
            }
            return in.readAllBytes();
        } catch (IOException unreadable) {
            throw new UncheckedIOException(unreadable);
        }
    }

    public static Optional<ShippedProfile> of(String digest) {
        return Arrays.stream(values())
                .filter(profile -> profile.digest.equals(digest))
                .findFirst();
    }

    public String title() {
        return title;
    }

    /** What it is for, in a line or two. */
    public String words() {
        return words;
    }

    public ColourModel model() {
        return model;
    }

    public byte[] bytes() {
        return bytes.clone();
    }

    public String digest() {
        return digest;
    }
}
