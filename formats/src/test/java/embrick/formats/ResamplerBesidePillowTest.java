package embrick.formats;

import static org.assertj.core.api.Assertions.assertThat;

import embrick.core.framing.Framing;
import embrick.core.plan.Plan;
import embrick.core.ticket.FileFormat;
import java.io.IOException;
import java.nio.file.Path;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Lanczos 3 beside Pillow's, which rounds between its passes: PSNR over 50 dB. */
class ResamplerBesidePillowTest {
    @TempDir
    Path folder;

    @ParameterizedTest
    @CsvSource({"60, 1.0, 0.5", "100, 1.0, 0.5", "100, 1.7, 0.42", "200, 1.0, 0.5", "377, 1.3, 0.55"})
    void isTheSamePicture(long ppi, double tightness, double centreX) throws IOException {
        Path original = folder.resolve("original.png");
        Outside.python("""
                import sys
                from PIL import Image, ImageFilter, ImageDraw
                w, h = 900, 640
                im = Image.merge('RGB', [Image.effect_noise((w, h), s).filter(ImageFilter.GaussianBlur(0.8)) for s in (70, 60, 50)])
                d = ImageDraw.Draw(im)
                for i in range(60): d.line((i * 15, 0, 900 - i * 15, 640), fill=(i * 4, 200 - i * 3, 90), width=1 + i % 4)
                im.save(sys.argv[1])
                """, original);
        Path piece = folder.resolve("piece.png");
        Framing framing = Framing.centred().withTightness(tightness).withCentre(centreX, 0.5);
        Plan plan = Pieces.make(original, Pieces.ticket("4 in", "5 in", ppi, new FileFormat.Png()), framing, piece);
        double left = plan.window().seenX(0, 0);
        double top = plan.window().seenY(0, 0);
        double right = plan.window().seenX(plan.sheet().width(), 0);
        double bottom = plan.window().seenY(0, plan.sheet().height());
        String psnr = Outside.python("""
                import sys, math
                from PIL import Image, ImageChops
                a, piece = Image.open(sys.argv[1]), Image.open(sys.argv[2])
                b = a.resize(piece.size, Image.LANCZOS, box=tuple(float(v) for v in sys.argv[3:7]))
                h = ImageChops.difference(piece, b).histogram()
                mse = sum(n * (i % 256) ** 2 for i, n in enumerate(h)) / (piece.width * piece.height * 3)
                print(99 if mse == 0 else 10 * math.log10(255 * 255 / mse))
                """, original, piece, left, top, right, bottom);
        assertThat(Double.parseDouble(psnr.strip())).isGreaterThan(50);
    }
}
