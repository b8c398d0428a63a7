package embrick.core.plan;

import embrick.core.pixels.ColourModel;
import embrick.core.source.SourceFacts;
import embrick.core.ticket.FileFormat;
import embrick.core.units.PixelSize;

/** How large files come out. Rough on purpose: pictures differ. Common practice, no source. */
final class FileSizeEstimate {
    private FileSizeEstimate() {}

    static long expectedFileBytes(SourceFacts facts, PixelSize sheet, ColourModel model, FileFormat file, int bits) {
        if (file instanceof FileFormat.AsItIs) {
            return facts.fileBytes();
        }
        long expected = Math.round(sheet.pixels() * bytesPerPixel(model, file, bits)) + 10_000;
        return file instanceof FileFormat.Jpeg jpeg
                ? Math.min(expected, jpeg.mostBytes().orElse(expected))
                : expected;
    }

    private static double bytesPerPixel(ColourModel model, FileFormat file, int bits) {
        return switch (file) {
            case FileFormat.Jpeg jpeg -> jpegBytesPerPixel(jpeg);
            case FileFormat.Tiff tiff ->
                model.channels()
                        * (bits / 8)
                        * switch (tiff.packing()) {
                            case PLAIN -> 1.0;
                            case LZW -> 0.85;
                            case DEFLATE -> 0.75;
                        };
            case FileFormat.Webp webp ->
                webp.quality().map(quality -> 0.6 * jpegBytesPerPixel(quality)).orElse(1.4);
            // Its size is known: that of the original.
            case FileFormat.AsItIs _ -> 0;
            case FileFormat.Png _ -> model.channels() * (bits / 8) * 0.65;
            case FileFormat.Pdf pdf ->
                switch (pdf.pixels()) {
                    case FileFormat.PagePixels.Coded coded -> jpegBytesPerPixel(coded.jpeg());
                    case FileFormat.PagePixels.Whole _ -> model.channels() * (bits / 8) * 0.7;
                };
        };
    }

    /** Colour that is shared by more pixels saves about a fifth to a third. */
    private static double jpegBytesPerPixel(FileFormat.Jpeg jpeg) {
        double ofFull = switch (jpeg.chroma()) {
            case FULL -> 1;
            case HALF_WIDTH -> 0.8;
            case HALF -> 0.7;
        };
        return ofFull * jpegBytesPerPixel(jpeg.quality());
    }

    /** At 4:4:4 a grainy photograph takes about 0.25 bytes a pixel at 80, 0.8 at 95, 1.6 at 100. */
    private static double jpegBytesPerPixel(int quality) {
        if (quality <= 80) {
            return 0.08 + 0.17 * quality / 80;
        }
        return quality <= 95 ? 0.25 + 0.55 * (quality - 80) / 15 : 0.8 + 0.8 * (quality - 95) / 5;
    }
}
