package embrick.formats.jpeg;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import embrick.core.framing.Framing;
import embrick.core.ticket.FileFormat;
import embrick.core.ticket.FileFormat.Chroma;
import embrick.formats.Pieces;
import embrick.formats.picture.UnusablePictureException;
import embrick.testing.Outside;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Optional;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** A limit is met by the highest quality that fits: the next higher, coded without a limit, is larger than it. */
class JpegWithinTest {
    @TempDir
    static Path folder;

    private static Path noisy;
    private static Path smooth;

    @BeforeAll
    static void draw() {
        noisy = folder.resolve("noisy.png");
        smooth = folder.resolve("smooth.png");
        Outside.python("""
                import sys
                from PIL import Image, ImageFilter
                noise = [Image.effect_noise((900, 720), s) for s in (90, 60, 30)]
                Image.merge('RGB', [n.filter(ImageFilter.GaussianBlur(0.6)) for n in noise]).save(sys.argv[1])
                Image.merge('RGB', [n.filter(ImageFilter.GaussianBlur(20)) for n in noise]).save(sys.argv[2])
                """, noisy, smooth);
    }

    private static Path made(Path original, FileFormat.Jpeg file) throws IOException {
        Path piece = Files.createTempDirectory(folder, "piece").resolve("piece.jpg");
        Pieces.make(original, Pieces.ticket("4 in", "5 in", 150, file), Framing.centred(), piece);
        return piece;
    }

    /** The quality by which Pillow, with libjpeg's scale, writes a file of the same tables. */
    private static int quality(Path jpeg) {
        return Integer.parseInt(Outside.python("""
                import sys, io
                from PIL import Image
                tables = Image.open(sys.argv[1]).quantization
                def written(quality):
                    file = io.BytesIO()
                    Image.new('RGB', (8, 8)).save(file, 'JPEG', quality=quality)
                    return Image.open(file).quantization
                print(max(q for q in range(1, 101) if written(q) == tables))
                """, jpeg).strip());
    }

    @ParameterizedTest
    @CsvSource({"120000, FULL", "60000, FULL", "60000, HALF", "33000, HALF_WIDTH", "24000, HALF"})
    void theHighestQualityThatFits(long limit, Chroma chroma) throws IOException {
        Path within = made(noisy, new FileFormat.Jpeg(95, chroma, Optional.of(limit)));
        assertThat(Files.size(within)).isLessThanOrEqualTo(limit);
        int quality = quality(within);
        assertThat(within).hasSameBinaryContentAs(made(noisy, new FileFormat.Jpeg(quality, chroma)));
        assertThat(Files.size(made(noisy, new FileFormat.Jpeg(quality + 1, chroma))))
                .as("at quality %d", quality + 1)
                .isGreaterThan(limit);
    }

    /** Larger than what is kept in memory while others are tried. */
    @Test
    void aLargeFileIsHeldToItsLimitToo() throws IOException {
        Path large = folder.resolve("large.png");
        Outside.python("""
                import sys
                from PIL import Image
                noise = [Image.effect_noise((2500, 2000), s) for s in (90, 80, 70)]
                Image.merge('RGB', noise).save(sys.argv[1], compress_level=1)
                """, large);
        Path piece = folder.resolve("large.jpg");
        FileFormat file = new FileFormat.Jpeg(100, Chroma.FULL, Optional.of(9_000_000L));
        Pieces.make(large, Pieces.ticket("8 in", "10 in", 250, file), Framing.centred(), piece);
        assertThat(Files.size(piece)).isBetween(8_500_000L, 9_000_000L);
        assertThat(Pieces.verify(piece).stored().width()).isEqualTo(2500);
    }

    @Test
    void whatFitsKeepsTheQualityThatWasWanted() throws IOException {
        assertThat(made(smooth, new FileFormat.Jpeg(88, Chroma.FULL, Optional.of(400_000L))))
                .hasSameBinaryContentAs(made(smooth, new FileFormat.Jpeg(88)));
    }

    @Test
    void whatFitsAtNoQualityIsRefusedWithItsSize() {
        assertThatThrownBy(() -> made(noisy, new FileFormat.Jpeg(90, Chroma.FULL, Optional.of(5_000L))))
                .isInstanceOf(UnusablePictureException.class)
                .hasMessageContaining("cannot be made as small as 5 kB: at the lowest quality it has ");
    }

    @Test
    void limitsThatMakeNoSense() {
        for (long limit : new long[] {0, -1, 4_999, 100_000_001}) {
            assertThatThrownBy(() -> new FileFormat.Jpeg(90, Chroma.FULL, Optional.of(limit)))
                    .isInstanceOf(IllegalArgumentException.class)
                    .hasMessageContaining("expected 5 kB to 100 MB");
        }
    }
}
