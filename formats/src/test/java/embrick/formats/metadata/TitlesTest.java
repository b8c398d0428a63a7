package embrick.formats.metadata;

import static org.assertj.core.api.Assertions.assertThat;

import embrick.formats.Pieces;
import embrick.testing.Outside;
import java.io.IOException;
import java.nio.file.Path;
import java.util.Optional;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/**
 * A title is dc:title (ISO 16684-1), the Object Name of the IPTC's records (IIM 4, 2:05), the title of a desktop system in Exif,
 * or a PNG's own (PNG 11.3.3.1). Exif's ImageDescription is the caption (IPTC Photo Metadata mapping guidelines, from memory).
 * Files written by Pillow and exiftool.
 */
class TitlesTest {
    @TempDir
    static Path folder;

    @BeforeAll
    static void write() {
        Outside.python("""
                import sys
                from PIL import Image, PngImagePlugin
                d = sys.argv[1] + '/'
                im = Image.new('RGB', (40, 30), (90, 120, 150))
                for name in ('xmp.jpg', 'iptc.jpg', 'desktop.jpg', 'caption.jpg', 'desktop.tif', 'all.jpg'): im.save(d + name)
                for name, add in (('plain.png', 'add_text'), ('international.png', 'add_itxt')):
                    info = PngImagePlugin.PngInfo(); getattr(info, add)('Title', 'Boat at dusk'); im.save(d + name, pnginfo=info)
                info = PngImagePlugin.PngInfo(); info.add_itxt('Title', 'Boat at dusk', zip=True); im.save(d + 'packed.png', pnginfo=info)
                im.save(d + 'none.png')
                """, folder);
        say("xmp.jpg", "-XMP-dc:Title=Boat at dusk");
        say("iptc.jpg", "-IPTC:ObjectName=Boat at dusk");
        say("desktop.jpg", "-EXIF:XPTitle=Boat at dusk");
        say("desktop.tif", "-EXIF:XPTitle=Boat at dusk");
        say("caption.jpg", "-EXIF:ImageDescription=What is seen");
        say("all.jpg", "-XMP-dc:Title=Boat at dusk", "-EXIF:XPTitle=Another", "-EXIF:ImageDescription=What is seen");
    }

    private static void say(String file, String... words) {
        String[] command = new String[words.length + 3];
        command[0] = "exiftool";
        command[1] = "-overwrite_original";
        System.arraycopy(words, 0, command, 2, words.length);
        command[command.length - 1] = folder.resolve(file).toString();
        Outside.run(command);
    }

    private static OriginalMetadata of(String file) throws IOException {
        return Pieces.FORMATS.metadata(folder.resolve(file));
    }

    @ParameterizedTest
    @CsvSource({
        "xmp.jpg",
        "iptc.jpg",
        "desktop.jpg",
        "desktop.tif",
        "all.jpg",
        "plain.png",
        "international.png",
        "packed.png"
    })
    void aTitleIsReadWhereverItStands(String file) throws IOException {
        assertThat(of(file).texts().title()).isEqualTo(Optional.of("Boat at dusk"));
    }

    @Test
    void aCaptionIsNoTitle() throws IOException {
        assertThat(of("caption.jpg").texts().title()).isEmpty();
        assertThat(of("caption.jpg").texts().caption()).isEqualTo(Optional.of("What is seen"));
        assertThat(of("none.png").texts().title()).isEmpty();
    }
}
