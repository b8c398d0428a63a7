package embrick.formats;

import static org.assertj.core.api.Assertions.assertThat;

import embrick.core.framing.Framing;
import embrick.core.plan.Plan;
import embrick.core.resample.Method;
import embrick.core.resample.Resampling.Light;
import embrick.core.resample.Resampling.Ringing;
import embrick.core.ticket.FileFormat;
import embrick.core.ticket.ResamplingChoice;
import embrick.testing.Outside;
import java.io.IOException;
import java.nio.file.Path;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Lanczos 3 beside Pillow's, which rounds between its passes: PSNR over 50 dB. */
class ResamplerBesidePillowTest {
    /**
     * A zone plate, rings ever finer outwards, shrunk 3 times: beyond the ring that the new pixels can no longer hold only
     * grey may remain. What remains besides is alias; its energy is at most 1.02 of Pillow's.
     */
    @Test
    void finePatternsDoNotComeBackAsCoarseOnes() throws IOException {
        Path original = folder.resolve("plate.png");
        Outside.python("""
                import sys, math
                from PIL import Image
                n = 960
                # The local frequency, in cycles a pixel, is r / (2n): half a cycle, the finest there is, at r = n.
                row = [bytes(round(127.5 + 127.5 * math.cos(math.pi * ((x + .5 - n/2)**2 + (y + .5 - n/2)**2) / (2 * n) * 2))
                       for x in range(n)) for y in range(n)]
                Image.frombytes('L', (n, n), b''.join(row)).convert('RGB').save(sys.argv[1])
                """, original);
        Path piece = folder.resolve("plate-small.png");
        Pieces.make(original, Pieces.ticket("4 in", "4 in", 80, new FileFormat.Png()), Framing.centred(), piece);
        String energies = Outside.python("""
                import sys
                from PIL import Image
                def energy(im):
                    # Beyond 1.3 times the new finest frequency, 1/6 of a cycle: r > 1.3 n / 6 in old pixels.
                    m = im.width; px = im.convert('L').load(); total = count = 0
                    for y in range(8, m - 8):
                        for x in range(8, m - 8):
                            r = ((x + .5 - m/2)**2 + (y + .5 - m/2)**2) ** .5
                            if r > 1.3 * m / 6:
                                total += (px[x, y] - 127.5) ** 2; count += 1
                    return total / count
                ours = Image.open(sys.argv[2])
                print(energy(ours), energy(Image.open(sys.argv[1]).resize(ours.size, Image.LANCZOS)))
                """, original, piece);
        String[] parts = energies.strip().split(" ");
        assertThat(Double.parseDouble(parts[0])).isLessThanOrEqualTo(1.02 * Double.parseDouble(parts[1]));
    }

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
        ResamplingChoice lanczos = new ResamplingChoice(Optional.of(Method.LANCZOS3), Light.ENCODED, Ringing.FREE);
        Plan plan = Pieces.make(
                original,
                Pieces.ticket("4 in", "5 in", ppi, new FileFormat.Png()).withResampling(lanczos),
                framing,
                piece);
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

    /**
     * The other methods beside Pillow's filters of the same kernels. Pillow's box counts whole pixels only, so areas are
     * compared where they cover whole pixels.
     */
    @ParameterizedTest
    @CsvSource({
        "NEAREST, NEAREST, 57",
        "NEAREST, NEAREST, 231",
        "AREA, BOX, 64",
        "AREA, BOX, 32",
        "BILINEAR, BILINEAR, 57",
        "BILINEAR, BILINEAR, 377",
        "KEYS, BICUBIC, 57",
        "KEYS, BICUBIC, 377",
        "LANCZOS3, LANCZOS, 57"
    })
    void everyKernelIsTheSame(Method method, String filter, long ppi) throws IOException {
        Path original = folder.resolve("original.png");
        Outside.python("""
                import sys
                from PIL import Image, ImageFilter
                w, h = 640, 512
                Image.merge('RGB', [Image.effect_noise((w, h), s).filter(ImageFilter.GaussianBlur(0.8)) for s in (70, 60, 50)]).save(sys.argv[1])
                """, original);
        Path piece = folder.resolve("piece.png");
        ResamplingChoice choice = new ResamplingChoice(Optional.of(method), Light.ENCODED, Ringing.FREE);
        Plan plan = Pieces.make(
                original,
                Pieces.ticket("4 in", "5 in", ppi, new FileFormat.Png()).withResampling(choice),
                Framing.centred(),
                piece);
        String psnr = Outside.python(
                """
                import sys, math
                from PIL import Image, ImageChops
                a, piece = Image.open(sys.argv[1]), Image.open(sys.argv[2])
                b = a.resize(piece.size, getattr(Image, sys.argv[3]), box=tuple(float(v) for v in sys.argv[4:8]))
                h = ImageChops.difference(piece, b).histogram()
                mse = sum(n * (i % 256) ** 2 for i, n in enumerate(h)) / (piece.width * piece.height * 3)
                print(99 if mse == 0 else 10 * math.log10(255 * 255 / mse))
                """,
                original,
                piece,
                filter,
                plan.window().seenX(0, 0),
                plan.window().seenY(0, 0),
                plan.window().seenX(plan.sheet().width(), 0),
                plan.window().seenY(0, plan.sheet().height()));
        // Where an output's centre falls on the border of two pixels, nearest may take either; one column of it costs 5
        // dB.
        assertThat(Double.parseDouble(psnr.strip())).isGreaterThan(method == Method.NEAREST ? 45 : 50);
    }
}
