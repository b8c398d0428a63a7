package embrick.formats.jpeg;

import static org.assertj.core.api.Assertions.assertThat;

import embrick.core.framing.Framing;
import embrick.core.ticket.FileFormat;
import embrick.core.ticket.FileFormat.Chroma;
import embrick.formats.Pieces;
import embrick.testing.Outside;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/**
 * JPEGs that keep colour for several pixels together, strip by strip, beside cjpeg of libjpeg-turbo-progs, which codes the same
 * pixels whole.
 */
class SharedColourTest {
    @TempDir
    Path folder;

    /** Colours that change from pixel to pixel, on a sheet whose sides are no multiples of 16. */
    private Path original() {
        Path original = folder.resolve("original.png");
        Outside.python("""
                from PIL import Image
                import sys
                image = Image.new('RGB', (503, 401))
                image.putdata([((x * 5 + y) % 256, (x * y) % 256, (x ^ y) % 256) for y in range(401) for x in range(503)])
                image.save(sys.argv[1])
                """, original);
        return original;
    }

    private Path made(String name, FileFormat format) throws IOException {
        Path piece = folder.resolve(name + "." + format.suffix());
        Pieces.make(original(), Pieces.ticket("5.03 in", "4.01 in", 100, format), Framing.centred(), piece);
        return piece;
    }

    @ParameterizedTest
    @CsvSource({"FULL, 1x1, 1 1", "HALF_WIDTH, 2x1, 2 1", "HALF, 2x2, 2 2"})
    void theSamePixelsComeBackAsFromAFileThatWasCodedWhole(Chroma chroma, String sampling, String said)
            throws IOException {
        Path jpeg = made("strips", new FileFormat.Jpeg(88, chroma));
        Path whole = folder.resolve("whole.jpg");
        Outside.shell(
                "pngtopnm \"$1\" > \"$1.ppm\" && cjpeg -quality 88 -sample \"$2\" \"$1.ppm\" > \"$3\"",
                made("pixels", new FileFormat.Png()),
                sampling,
                whole);
        assertThat(Outside.shell("djpeg \"$1\" | sha256sum", jpeg))
                .isEqualTo(Outside.shell("djpeg \"$1\" | sha256sum", whole));
        assertThat(Outside.exiftool(jpeg, "YCbCrSubSampling")).contains(": " + said);
        assertThat(Pieces.verify(jpeg).seen().toString()).isEqualTo("503 × 401");
    }

    @Test
    void colourThatIsSharedMakesASmallerFile() throws IOException {
        long full = Files.size(made("full", new FileFormat.Jpeg(88, Chroma.FULL)));
        long half = Files.size(made("half", new FileFormat.Jpeg(88, Chroma.HALF)));
        assertThat(half).isLessThan(full * 3 / 4);
    }

    @Test
    void greyHasNoColourToShare() throws IOException {
        Path grey = folder.resolve("grey.png");
        Outside.python("""
                from PIL import Image
                import sys
                Image.radial_gradient('L').resize((503, 401)).save(sys.argv[1])
                """, grey);
        Path piece = folder.resolve("grey.jpg");
        Pieces.make(
                grey,
                Pieces.ticket("5.03 in", "4.01 in", 100, new FileFormat.Jpeg(88, Chroma.HALF))
                        .withColour(new embrick.core.ticket.OutputColour.Keep()),
                Framing.centred(),
                piece);
        assertThat(Outside.shell("djpeg \"$1\" | head -c 2", piece)).isEqualTo("P5");
    }
}
