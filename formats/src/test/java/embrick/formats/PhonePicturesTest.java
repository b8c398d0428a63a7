package embrick.formats;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import embrick.core.pixels.Orientation;
import embrick.core.source.SourceFacts;
import embrick.core.source.SourceFacts.Alpha;
import embrick.core.units.PixelSize;
import embrick.formats.picture.OpenedPicture;
import embrick.testing.Outside;
import java.io.IOException;
import java.lang.foreign.ValueLayout;
import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestInstance;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** HEIC made by heif-enc and read by heif-convert (libheif-examples); WebP made and read by Pillow. */
@TestInstance(TestInstance.Lifecycle.PER_CLASS)
class PhonePicturesTest {
    private Path folder;

    @BeforeAll
    void draw(@TempDir Path made) {
        folder = made;
        Outside.python("""
                import sys
                from PIL import Image, ImageCms, ImageFilter
                d = sys.argv[1] + '/'
                w, h = 121, 90
                rgb = Image.merge('RGB', [Image.effect_noise((w, h), s).filter(ImageFilter.GaussianBlur(2)) for s in (90, 60, 30)])
                rgba = rgb.copy(); rgba.putalpha(Image.linear_gradient('L').resize((w, h)))
                srgb = ImageCms.ImageCmsProfile(ImageCms.createProfile('sRGB')).tobytes()
                exif = Image.Exif(); exif[274] = 6; exif[282] = 240.0; exif[283] = 240.0; exif[296] = 2
                rgb.save(d + 'rgb.png', icc_profile=srgb); rgba.save(d + 'rgba.png'); rgb.save(d + 'plain.png')
                rgb.save(d + 'turned.jpg', quality=97, exif=exif)
                rgb.save(d + 'lossy.webp', quality=90); rgb.save(d + 'lossless.webp', lossless=True)
                rgba.save(d + 'alpha.webp', lossless=True); rgba.save(d + 'alphalossy.webp', quality=80)
                rgb.save(d + 'tagged.webp', lossless=True, icc_profile=srgb, exif=exif)
                rgb.save(d + 'moving.webp', save_all=True, append_images=[rgb.rotate(20)])
                """, folder);
        Outside.shell("""
                cd "$1"
                heif-enc -q 90 rgb.png -o rgb.heic >/dev/null; heif-enc -q 90 rgba.png -o rgba.heic >/dev/null
                pngtopam plain.png | pamdepth 65535 | pamtopng >sixteen.png
                heif-enc -q 90 -b 10 sixteen.png -o deep.heic >/dev/null; heif-enc -q 90 turned.jpg -o turned.heic >/dev/null
                for n in rgb rgba turned deep; do heif-convert $n.heic $n-read.png >/dev/null; done
                """, folder);
    }

    private SourceFacts facts(String name) throws IOException {
        return Pieces.FORMATS.inspect(folder.resolve(name));
    }

    private byte[] samples(String name) throws IOException {
        try (OpenedPicture opened = Pieces.FORMATS.open(folder.resolve(name))) {
            return opened.raster().samples().toArray(ValueLayout.JAVA_BYTE);
        }
    }

    private byte[] pillow(String name) throws IOException {
        Path raw = folder.resolve(name + ".raw");
        Outside.python(
                "import sys; from PIL import Image; open(sys.argv[2], 'wb').write(Image.open(sys.argv[1]).tobytes())",
                folder.resolve(name),
                raw);
        return Files.readAllBytes(raw);
    }

    @ParameterizedTest
    @ValueSource(strings = {"lossy", "lossless", "alpha", "alphalossy", "tagged"})
    void webpIsAsPillowReadsIt(String name) throws IOException {
        assertThat(samples(name + ".webp")).isEqualTo(pillow(name + ".webp"));
    }

    @Test
    void webpFacts() throws IOException {
        SourceFacts tagged = facts("tagged.webp");
        assertThat(tagged.stored()).isEqualTo(new PixelSize(121, 90));
        assertThat(tagged.orientation()).isEqualTo(Orientation.QUARTER_RIGHT);
        assertThat(tagged.ppi().orElseThrow().across().toPpi()).isEqualTo(240);
        assertThat(tagged.colour().profile().orElseThrow().description()).containsIgnoringCase("sRGB");
        assertThat(facts("alpha.webp").colour().alpha()).isEqualTo(Alpha.SEE_THROUGH);
        assertThat(facts("lossy.webp").colour().alpha()).isEqualTo(Alpha.OPAQUE);
        assertThatThrownBy(() -> facts("moving.webp")).hasMessageContaining("animation");
    }

    @ParameterizedTest
    @ValueSource(strings = {"rgb", "rgba", "turned"})
    void heicIsAsItsOwnToolReadsIt(String name) throws IOException {
        byte[] ours = samples(name + ".heic");
        byte[] reference = pillow(name + "-read.png");
        assertThat(ours).hasSameSizeAs(reference);
        for (int i = 0; i < ours.length; i++) {
            assertThat(ours[i] & 0xff).as("sample %d", i).isCloseTo(reference[i] & 0xff, within(1));
        }
    }

    @Test
    void heicFacts() throws IOException {
        SourceFacts rgb = facts("rgb.heic");
        assertThat(rgb.stored()).isEqualTo(new PixelSize(121, 90));
        assertThat(rgb.colour().profile().orElseThrow().description()).containsIgnoringCase("sRGB");
        assertThat(facts("rgba.heic").colour().alpha()).isEqualTo(Alpha.SEE_THROUGH);
        assertThat(facts("deep.heic").colour().bitsPerChannel()).isEqualTo(16);
    }

    /** The container's own rotation is carried out while decoding; Exif's is not applied a second time. */
    @Test
    void heicIsTurnedOnce() throws IOException {
        SourceFacts turned = facts("turned.heic");
        assertThat(turned.orientation()).isEqualTo(Orientation.UPRIGHT);
        assertThat(turned.ppi().orElseThrow().across().toPpi()).isEqualTo(240);
    }

    @Test
    void tenBitsFillSixteen() throws IOException {
        // libheif's own tool writes 16-bit PNG by shifting; a count of 10 bits is 64 of 16, and both round within it.
        try (OpenedPicture ours = Pieces.FORMATS.open(folder.resolve("deep.heic"));
                OpenedPicture reference = Pieces.FORMATS.open(folder.resolve("deep-read.png"))) {
            assertThat(reference.facts().colour().bitsPerChannel()).isEqualTo(16);
            assertThat(ours.raster().stored()).isEqualTo(reference.raster().stored());
            for (long at = 0; at < ours.raster().samples().byteSize(); at += 2) {
                int sample = ours.raster().samples().get(ValueLayout.JAVA_SHORT, at) & 0xffff;
                int expected = reference.raster().samples().get(ValueLayout.JAVA_SHORT, at) & 0xffff;
                assertThat(sample).as("sample %d", at / 2).isCloseTo(expected, within(64));
            }
        }
    }
}
