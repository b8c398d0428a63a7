package embrick.core.plan;

import embrick.core.pixels.ColourModel;
import embrick.core.source.SourceFacts;
import embrick.core.ticket.FileFormat;
import embrick.core.units.PixelSize;
import java.util.List;

/**
 * How large files come out. What a JPEG takes follows from what the original's own file takes a pixel, the quality that was coded
 * at, and how far it is enlarged: a picture made twice as wide and high takes 2.9 times the bytes.
 *
 * <p>Source of the figures: 20 photographs of Debian's wallpaper packages, 900 and 1800 px, as JPEG 75, 85 and 95 and as PNG,
 * resampled by Lanczos 0.4 to 4 times and coded by libjpeg-turbo at 80, 90, 95 and 100. In that fit four of five estimates are
 * 0.83 to 1.24 of what the files took. Values below quality 75 and of an original at 100 are extrapolated. Factors of files without
 * loss, WebP, grey and inks are common practice, no source.
 */
final class FileSizeEstimate {
    /** Bytes that profile, marks and metadata take. */
    private static final long MARKS = 10_000;
    /** Bytes a pixel of a usual photograph as a JPEG of quality 95, colour at full resolution. */
    private static final double USUAL = 0.25;
    /** The same of a byte that a PNG of 8 bits takes. */
    private static final double OF_PNG = 0.28;
    /** How bytes a pixel fall with the enlargement, as a power of it. */
    private static final double BY_SCALE = -0.465;
    /** Logarithm of what quality 95 takes where the original takes one byte a pixel. */
    private static final double BASE = -0.25;
    /** How they follow from those of a JPEG, likewise. */
    private static final double BY_JPEG = 0.852;

    /** Logarithms by which a JPEG of some quality held more than its bytes tell of one of quality 95. */
    private static final List<double[]> HELD_BY_QUALITY = List.of(
            new double[] {0, 1.2},
            new double[] {75, 0.92},
            new double[] {85, 0.7},
            new double[] {95, 0.1},
            new double[] {100, -0.6});
    /** What a quality takes of what 95 takes. */
    private static final List<double[]> TAKEN_BY_QUALITY = List.of(
            new double[] {0, 0.04},
            new double[] {50, 0.26},
            new double[] {80, 0.46},
            new double[] {90, 0.68},
            new double[] {95, 1},
            new double[] {100, 2.4});

    private FileSizeEstimate() {}

    /**
     * @param enlargement pixels of the output to a pixel of the original, along a side
     * @param total pixels of the output
     * @param pictureShare of the total that shows the picture; the rest is plain paper
     */
    static long expectedFileBytes(
            SourceFacts facts,
            double enlargement,
            PixelSize total,
            double pictureShare,
            ColourModel model,
            FileFormat file,
            int bits) {
        if (file instanceof FileFormat.AsItIs) {
            return facts.fileBytes();
        }
        double coded = ofQuality95(facts) * Math.pow(enlargement, BY_SCALE) * ofColours(model) * pictureShare;
        long expected = Math.round(total.pixels() * bytesPerPixel(coded, model, file, bits)) + MARKS;
        return file instanceof FileFormat.Jpeg jpeg
                ? Math.min(expected, jpeg.mostBytes().orElse(expected))
                : expected;
    }

    /** Bytes a pixel that the original would take as a JPEG of quality 95. */
    private static double ofQuality95(SourceFacts facts) {
        double own = (double) facts.fileBytes() / facts.stored().pixels();
        return switch (facts.kind()) {
            case JPEG -> {
                int quality = facts.detail().jpegQuality().orElse(90);
                yield Math.exp(BASE + between(HELD_BY_QUALITY, quality)) * Math.pow(own, BY_JPEG);
            }
            case PNG ->
                OF_PNG
                        * own
                        * 3
                        / facts.colour().model().channels()
                        * 8
                        / facts.colour().bitsPerChannel();
            default -> USUAL;
        };
    }

    /** Grey has no colour to code, four inks have one more. */
    private static double ofColours(ColourModel model) {
        return switch (model) {
            case GREY -> 0.8;
            case RGB -> 1;
            case CMYK -> 1.5;
        };
    }

    /** @param coded bytes a pixel as a JPEG of quality 95 */
    private static double bytesPerPixel(double coded, ColourModel model, FileFormat file, int bits) {
        return switch (file) {
            case FileFormat.Jpeg jpeg -> coded * ofJpeg(jpeg);
            case FileFormat.Tiff tiff ->
                model.channels()
                        * (bits / 8)
                        * switch (tiff.packing()) {
                            case PLAIN -> 1.0;
                            case LZW -> 0.85;
                            case DEFLATE -> 0.75;
                        };
            case FileFormat.Webp webp ->
                webp.quality()
                        .map(quality -> 0.6 * coded * between(TAKEN_BY_QUALITY, quality))
                        .orElse(1.4);
            // Its size is known: that of the original.
            case FileFormat.AsItIs _ -> 0;
            case FileFormat.Png _ -> model.channels() * (bits / 8) * 0.65;
            case FileFormat.Pdf pdf ->
                switch (pdf.pixels()) {
                    case FileFormat.PagePixels.Coded page -> coded * ofJpeg(page.jpeg());
                    case FileFormat.PagePixels.Whole _ -> model.channels() * (bits / 8) * 0.7;
                };
        };
    }

    private static double ofJpeg(FileFormat.Jpeg jpeg) {
        double ofFull = switch (jpeg.chroma()) {
            case FULL -> 1;
            case HALF_WIDTH -> 0.83;
            case HALF -> 0.73;
        };
        return ofFull * between(TAKEN_BY_QUALITY, jpeg.quality());
    }

    /** Along straight lines between points. */
    private static double between(List<double[]> points, int at) {
        double[] before = points.getFirst();
        for (double[] point : points) {
            if (point[0] >= at) {
                double share = point[0] == before[0] ? 0 : (at - before[0]) / (point[0] - before[0]);
                return before[1] + share * (point[1] - before[1]);
            }
            before = point;
        }
        return before[1];
    }
}
