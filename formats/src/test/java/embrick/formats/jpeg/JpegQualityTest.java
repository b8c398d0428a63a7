package embrick.formats.jpeg;

import static org.assertj.core.api.Assertions.assertThat;

import embrick.testing.Outside;
import java.io.IOException;
import java.nio.file.Path;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class JpegQualityTest {
    @TempDir
    Path folder;

    /** Pillow and libjpeg's own tools scale the same tables: each quality of theirs is told. */
    @Test
    void everyQualityOfOtherCodersIsTold() throws IOException {
        Outside.python("""
                import sys
                from PIL import Image
                im = Image.new('RGB', (8, 8), (90, 120, 30))
                for q in range(1, 101): im.save(f'{sys.argv[1]}/{q}.jpg', quality=q)
                """, folder);
        for (int quality = 1; quality <= 100; quality++) {
            assertThat(JpegPictures.header(folder.resolve(quality + ".jpg")).quality())
                    .contains(quality);
        }
    }

    /** A coder that scales another table: the quality is the one of like coarseness. */
    @Test
    void tablesOfAnotherMakeAreToldByTheirCoarseness() throws IOException {
        Outside.python("""
                import sys
                from PIL import Image
                im = Image.new('RGB', (8, 8), (90, 120, 30))
                im.save(f'{sys.argv[1]}/usual.jpg', quality=75)
                tables = Image.open(f'{sys.argv[1]}/usual.jpg').quantization
                im.save(f'{sys.argv[1]}/other.jpg', qtables=[[min(255, v + (i % 2)) for i, v in enumerate(tables[t])] for t in (0, 1)])
                """, folder);
        JpegHeader header = JpegPictures.header(folder.resolve("other.jpg"));
        assertThat(header.quality()).isEmpty();
        assertThat(header.aboutQuality().orElseThrow()).isBetween(72, 76);
    }

    @Test
    void tablesOfAnotherMakeTellNothing() throws IOException {
        Path own = folder.resolve("own.jpg");
        Outside.python("""
                import sys
                from PIL import Image
                Image.new('RGB', (8, 8)).save(sys.argv[1], qtables=[[7] * 64, [9] * 64])
                """, own);
        assertThat(JpegPictures.header(own).quality()).isEmpty();
        assertThat(JpegQuality.of(new byte[] {0, 1, 2})).isEmpty();
        assertThat(JpegQuality.of(new byte[0])).isEmpty();
    }
}
