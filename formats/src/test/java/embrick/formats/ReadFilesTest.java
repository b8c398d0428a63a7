package embrick.formats;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import embrick.core.framing.Framing;
import embrick.core.pixels.ColourModel;
import embrick.core.pixels.Orientation;
import embrick.core.source.SourceFacts;
import embrick.core.source.SourceFacts.Alpha;
import embrick.core.ticket.FileFormat;
import embrick.core.ticket.Size;
import embrick.core.ticket.Ticket;
import embrick.core.units.PixelSize;
import embrick.core.units.Resolution;
import embrick.formats.picture.OpenedPicture;
import embrick.testing.Outside;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestInstance;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** Files drawn by Pillow in all the ways that are read, held against Pillow's own reading. */
@TestInstance(TestInstance.Lifecycle.PER_CLASS)
class ReadFilesTest {
    private static final String DRAW = """
            import sys
            from PIL import Image, ImageCms
            d = sys.argv[1] + '/'
            w, h = 90, 61
            rgb = Image.merge('RGB', [Image.effect_noise((w, h), s) for s in (90, 60, 30)])
            grey = Image.effect_noise((w, h), 80)
            alpha = Image.linear_gradient('L').resize((w, h))
            rgba = rgb.copy(); rgba.putalpha(alpha)
            deep = Image.new('I;16', (w, h)); deep.putdata([(x * 719) % 65536 for x in range(w * h)])
            grey.save(d + 'grey.png'); grey.save(d + 'grey.tif'); grey.save(d + 'grey.jpg', quality=95)
            rgb.save(d + 'rgb.png', dpi=(240, 240)); rgb.save(d + 'rgb.tif', dpi=(240, 240))
            rgb.save(d + 'rgb.jpg', quality=95, dpi=(240, 240))
            rgb.save(d + 'progressive.jpg', quality=90, progressive=True)
            rgb.save(d + 'half-chroma.jpg', quality=90, subsampling=2)
            rgb.save(d + 'lzw.tif', compression='tiff_lzw'); rgb.save(d + 'deflate.tif', compression='tiff_adobe_deflate')
            rgb.save(d + 'packbits.tif', compression='packbits')
            rgba.save(d + 'rgba.png'); rgba.save(d + 'rgba.tif')
            rgb.quantize(64).save(d + 'palette.png'); rgb.quantize(64).save(d + 'palette.tif')
            grey.convert('1').save(d + 'bits.png'); grey.convert('1').save(d + 'bits.tif')
            deep.save(d + 'deep.png'); deep.save(d + 'deep.tif')
            rgb.convert('CMYK').save(d + 'cmyk.tif'); rgb.convert('CMYK').save(d + 'cmyk.jpg', quality=95)
            srgb = ImageCms.ImageCmsProfile(ImageCms.createProfile('sRGB')).tobytes()
            rgb.save(d + 'tagged.png', icc_profile=srgb); rgb.save(d + 'tagged.jpg', icc_profile=srgb)
            for tag in range(1, 9):
                exif = Image.Exif(); exif[274] = tag
                rgb.save(d + 'turned%d.jpg' % tag, quality=95, exif=exif)
            rgb.resize((600, 400)).save(d + 'large.jpg', quality=95)
            """;

    private Path folder;

    @BeforeAll
    void draw(@TempDir Path made) {
        folder = made;
        Outside.python(DRAW, folder);
    }

    private SourceFacts facts(String name) throws IOException {
        return Pieces.FORMATS.inspect(folder.resolve(name));
    }

    @ParameterizedTest
    @CsvSource({
        "grey.png, GREY, OPAQUE, 8", "grey.tif, GREY, OPAQUE, 8", "grey.jpg, GREY, OPAQUE, 8",
        "rgb.png, RGB, OPAQUE, 8", "rgb.jpg, RGB, OPAQUE, 8", "rgba.png, RGB, SEE_THROUGH, 8",
        "rgba.tif, RGB, SEE_THROUGH, 8", "palette.png, RGB, OPAQUE, 8", "palette.tif, RGB, OPAQUE, 8",
        "bits.png, GREY, OPAQUE, 8", "deep.png, GREY, OPAQUE, 16", "deep.tif, GREY, OPAQUE, 16",
        "cmyk.tif, CMYK, OPAQUE, 8", "cmyk.jpg, CMYK, OPAQUE, 8"
    })
    void factsAreReadOffTheHeader(String name, ColourModel model, Alpha alpha, int bits) throws IOException {
        SourceFacts facts = facts(name);
        assertThat(facts.stored()).isEqualTo(new PixelSize(90, 61));
        assertThat(facts.colour().model()).isEqualTo(model);
        assertThat(facts.colour().alpha()).isEqualTo(alpha);
        assertThat(facts.colour().bitsPerChannel()).isEqualTo(bits);
        assertThat(facts.fileBytes()).isEqualTo(Files.size(folder.resolve(name)));
    }

    /** Every sample as Pillow reads it; the JPEG decoders are one family and may differ by rounding only. */
    @ParameterizedTest
    @ValueSource(
            strings = {
                "grey.png",
                "grey.tif",
                "grey.jpg",
                "rgb.png",
                "rgb.tif",
                "rgb.jpg",
                "progressive.jpg",
                "half-chroma.jpg",
                "lzw.tif",
                "deflate.tif",
                "packbits.tif",
                "rgba.png",
                "rgba.tif",
                "palette.png",
                "palette.tif",
                "bits.png",
                "bits.tif",
                "deep.png",
                "deep.tif",
                "cmyk.tif",
                "cmyk.jpg"
            })
    void pixelsAreAsPillowReadsThem(String name) throws IOException {
        Path raw = folder.resolve(name + ".raw");
        Outside.python("""
                import sys
                from PIL import Image
                im = Image.open(sys.argv[1])
                if im.mode == '1': im = im.convert('L')
                if im.mode == 'P': im = im.convert('RGB')
                if im.mode == 'I': im = im.convert('I;16')
                open(sys.argv[2], 'wb').write(im.tobytes())
                """, folder.resolve(name), raw);
        byte[] reference = Files.readAllBytes(raw);
        try (OpenedPicture opened = Pieces.FORMATS.open(folder.resolve(name))) {
            byte[] ours = opened.raster().samples().toArray(java.lang.foreign.ValueLayout.JAVA_BYTE);
            assertThat(ours).hasSameSizeAs(reference);
            int tolerance = name.endsWith(".jpg") ? 1 : 0;
            for (int i = 0; i < ours.length; i++) {
                assertThat(ours[i] & 0xff).as("sample %d", i).isCloseTo(reference[i] & 0xff, within(tolerance));
            }
        }
    }

    @Test
    void ppiIsReadFromEveryFormat() throws IOException {
        assertThat(facts("rgb.jpg").ppi().orElseThrow().across()).isEqualTo(Resolution.perInch(240));
        assertThat(facts("rgb.tif").ppi().orElseThrow().down()).isEqualTo(Resolution.perInch(240));
        assertThat(facts("rgb.png").ppi().orElseThrow().across().toPpi()).isCloseTo(240, within(0.02));
        assertThat(facts("grey.png").ppi()).isEmpty();
    }

    @Test
    void profilesAreReadAndNamed() throws IOException {
        assertThat(facts("tagged.png").colour().profile().orElseThrow().description())
                .containsIgnoringCase("sRGB");
        assertThat(facts("tagged.jpg").colour().profile())
                .isEqualTo(facts("tagged.png").colour().profile());
        assertThat(facts("rgb.jpg").colour().profile()).isEmpty();
    }

    @ParameterizedTest
    @ValueSource(ints = {1, 2, 3, 4, 5, 6, 7, 8})
    void theTagIsAppliedOnce(int tag) throws IOException {
        Path original = folder.resolve("turned" + tag + ".jpg");
        Path piece = folder.resolve("turned" + tag + ".png");
        assertThat(Pieces.FORMATS.inspect(original).orientation()).isEqualTo(Orientation.ofTag(tag));
        Ticket ticket = Pieces.ticket("4 in", "6 in", 300, new FileFormat.Png()).withSize(new Size.OwnShape());
        Pieces.make(original, ticket, Framing.centred(), piece);
        String said = Outside.python("""
                import sys
                from PIL import Image, ImageOps, ImageChops
                a = ImageOps.exif_transpose(Image.open(sys.argv[1])); b = Image.open(sys.argv[2])
                print(a.size == b.size, max(m for _, m in ImageChops.difference(a, b).getextrema()) <= 1)
                """, original, piece);
        assertThat(said.strip()).isEqualTo("True True");
    }

    @Test
    void smallPicturesAreDecodedReduced() throws IOException {
        try (OpenedPicture opened = Pieces.FORMATS.openAsItIs(folder.resolve("large.jpg"), 150)) {
            assertThat(opened.raster().stored()).isEqualTo(new PixelSize(150, 100));
        }
    }

    @Test
    void seeThroughPartsShowThePaper() throws IOException {
        Path piece = folder.resolve("on-paper.png");
        Ticket ticket = Pieces.ticket("4 in", "6 in", 300, new FileFormat.Png()).withSize(new Size.OwnShape());
        Pieces.make(folder.resolve("rgba.png"), ticket, Framing.centred(), piece);
        String said = Outside.python("""
                import sys
                from PIL import Image, ImageChops
                a = Image.open(sys.argv[1]); white = Image.new('RGBA', a.size, 'white')
                a = Image.alpha_composite(white, a).convert('RGB'); b = Image.open(sys.argv[2])
                print(max(m for _, m in ImageChops.difference(a, b).getextrema()) <= 1)
                """, folder.resolve("rgba.png"), piece);
        assertThat(said.strip()).isEqualTo("True");
    }
}
