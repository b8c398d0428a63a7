package embrick.formats;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import embrick.core.source.SourceFacts;
import embrick.formats.picture.OpenedPicture;
import embrick.testing.Outside;
import java.io.IOException;
import java.lang.foreign.ValueLayout;
import java.nio.file.Path;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestInstance;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** TIFFs in the layouts and compressions of the trade, made by libtiff's tiffcp and netpbm's pamtotiff. */
@TestInstance(TestInstance.Lifecycle.PER_CLASS)
class ManyTiffsTest {
    private Path folder;
    private Pam eight;
    private Pam sixteen;

    @BeforeAll
    void draw(@TempDir Path made) throws IOException {
        folder = made;
        Outside.python("""
                import sys, random
                random.seed(4); w, h = 101, 77
                head = 'P7\\nWIDTH %d\\nHEIGHT %d\\nDEPTH 3\\nMAXVAL %d\\nTUPLTYPE RGB\\nENDHDR\\n'
                smooth = [min(65535, max(0, (x * 400 + y * 300 + c * 9000 + random.randrange(3000))))
                          for y in range(h) for x in range(w) for c in range(3)]
                open(sys.argv[1] + '/16.pam', 'wb').write((head % (w, h, 65535)).encode() + b''.join(v.to_bytes(2, 'big') for v in smooth))
                open(sys.argv[1] + '/8.pam', 'wb').write((head % (w, h, 255)).encode() + bytes(v >> 8 for v in smooth))
                """, folder);
        Outside.shell("""
                cd "$1"
                pamtotiff -truecolor 8.pam >8.tif; pamtotiff -truecolor 16.pam >16.tif
                for n in 8 16; do
                  tiffcp -c none -t -w 32 -l 48 $n.tif tiled-$n.tif
                  tiffcp -c lzw:2 $n.tif lzw-$n.tif; tiffcp -c zip:2 $n.tif deflate-$n.tif
                  tiffcp -c packbits $n.tif packbits-$n.tif; tiffcp -c lzw -t -w 16 -l 16 $n.tif lzwtiled-$n.tif
                  tiffcp -8 -c zip $n.tif big-$n.tif; tiffcp -B -c none $n.tif highfirst-$n.tif
                  tiffcp -c none -r 1 $n.tif rowstrips-$n.tif
                done
                tiffcp -c none -p separate 8.tif planar-8.tif; tiffcp -c zip -p separate 8.tif deflateplanar-8.tif
                tiffcp -c jpeg:95 -r 16 8.tif jpeg-8.tif
                tiffcp 8.tif 16.tif pages-8.tif
                """, folder);
        eight = Pam.read(folder.resolve("8.pam"));
        sixteen = Pam.read(folder.resolve("16.pam"));
    }

    @ParameterizedTest
    @ValueSource(strings = {"tiled", "lzw", "deflate", "packbits", "lzwtiled", "big", "highfirst", "rowstrips"})
    void everyLayoutHoldsTheSameSamples(String layout) throws IOException {
        eight.requireSame(Pieces.FORMATS, folder.resolve(layout + "-8.tif"));
        sixteen.requireSame(Pieces.FORMATS, folder.resolve(layout + "-16.tif"));
    }

    /** Plane after plane; tiffcp only makes them of 8 bits. */
    @ParameterizedTest
    @ValueSource(strings = {"planar-8.tif", "deflateplanar-8.tif"})
    void planesAreJoined(String name) throws IOException {
        eight.requireSame(Pieces.FORMATS, folder.resolve(name));
    }

    @Test
    void jpegStripsAreNearTheirOriginal() throws IOException {
        try (OpenedPicture opened = Pieces.FORMATS.open(folder.resolve("jpeg-8.tif"))) {
            byte[] ours = opened.raster().samples().toArray(ValueLayout.JAVA_BYTE);
            double sum = 0;
            for (int i = 0; i < ours.length; i++) {
                sum += Math.abs((ours[i] & 0xff) - (eight.samples()[i] & 0xff));
            }
            // Quality 95 on a noisy ramp: a few counts at most, on average.
            assertThat(sum / ours.length).isCloseTo(0, within(3.0));
        }
    }

    @Test
    void theFirstOfSeveralPagesIsReadAndSaidSo() throws IOException {
        Path pages = folder.resolve("pages-8.tif");
        assertThat(Pieces.FORMATS.inspect(pages).pages()).isEqualTo(SourceFacts.Pages.FIRST_OF_SEVERAL);
        assertThat(Pieces.FORMATS.inspect(folder.resolve("8.tif")).pages()).isEqualTo(SourceFacts.Pages.ONE);
        eight.requireSame(Pieces.FORMATS, pages);
    }
}
