package embrick.bench.train;

import embrick.bench.train.TrainingPhotographs.Photograph;
import embrick.core.pixels.PixelRect;
import embrick.core.pixels.Raster;
import embrick.core.resample.Method;
import embrick.core.units.PixelSize;
import java.awt.image.BufferedImage;
import java.io.IOException;
import java.lang.foreign.ValueLayout;
import java.nio.file.Path;
import java.util.List;
import javax.imageio.ImageIO;

/**
 * {@code ./embrick bench learned NAME X Y FILE}: a part of a photograph that was set aside, enlarged to twice its size and shown
 * at twice that again: by Lanczos 3, by learned detail, and as it was before it was reduced; below, the same out of a JPEG of
 * quality 75.
 */
final class SideBySide {
    private static final PixelSize PART = new PixelSize(200, 150);
    private static final int SHOWN = 2;
    private static final int GAP = 6;
    private static final int QUALITY = 75;

    private SideBySide() {}

    /** @param x of the part's corner, of the photograph at 1200 px */
    static void write(String name, int x, int y, Path file) throws IOException, InterruptedException {
        Photograph photograph = TrainingPhotographs.all().stream()
                .filter(of -> of.name().equals(name) && of.isSetAside())
                .findFirst()
                .orElseThrow(() -> new IllegalArgumentException("no photograph of that name was set aside: " + name));
        BufferedImage sheet = new BufferedImage(
                3 * SHOWN * PART.width() + 2 * GAP, 2 * SHOWN * PART.height() + GAP, BufferedImage.TYPE_INT_RGB);
        try (Raster whole = Reductions.read(photograph.file());
                Raster large = Gains.reduced(whole);
                Raster small = Reductions.scaled(
                        large,
                        new PixelSize(large.stored().width() / 2, large.stored().height() / 2),
                        Method.LANCZOS3);
                Raster packed = Reductions.throughJpeg(small, QUALITY)) {
            row(sheet, 0, large, small, Method.LEARNED, x, y);
            row(sheet, SHOWN * PART.height() + GAP, large, packed, Method.LEARNED_SOFTENING, x, y);
        }
        ImageIO.write(sheet, "png", file.toFile());
    }

    private static void row(BufferedImage sheet, int top, Raster large, Raster small, Method learned, int x, int y) {
        int left = 0;
        for (Method method : List.of(Method.LANCZOS3, learned)) {
            try (Raster enlarged = Reductions.scaled(small, large.stored(), method)) {
                draw(sheet, left, top, enlarged, x, y);
            }
            left += SHOWN * PART.width() + GAP;
        }
        draw(sheet, left, top, large, x, y);
    }

    private static void draw(BufferedImage sheet, int left, int top, Raster from, int x, int y) {
        try (Raster part = Reductions.part(from, new PixelRect(x, y, PART.width(), PART.height()))) {
            for (int v = 0; v < SHOWN * PART.height(); v++) {
                for (int u = 0; u < SHOWN * PART.width(); u++) {
                    long at = ((long) (v / SHOWN) * PART.width() + u / SHOWN) * 3;
                    int rgb = 0;
                    for (int c = 0; c < 3; c++) {
                        rgb = rgb << 8 | Byte.toUnsignedInt(part.samples().get(ValueLayout.JAVA_BYTE, at + c));
                    }
                    sheet.setRGB(left + u, top + v, rgb);
                }
            }
        }
    }
}
