package embrick.formats;

import static org.assertj.core.api.Assertions.assertThat;

import embrick.core.check.Expectation;
import embrick.core.framing.Framing;
import embrick.core.plan.Plan;
import embrick.core.ticket.FileFormat;
import embrick.core.ticket.FileFormat.Packing;
import embrick.core.ticket.OutputColour;
import embrick.core.ticket.Size;
import embrick.core.ticket.Ticket;
import embrick.core.units.Resolution;
import embrick.formats.icc.ShippedProfile;
import embrick.testing.Outside;
import java.io.IOException;
import java.math.BigDecimal;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestInstance;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import org.junit.jupiter.params.provider.ValueSource;

/** Files as they leave, confirmed by exiftool and Pillow. */
@TestInstance(TestInstance.Lifecycle.PER_CLASS)
class WrittenFilesTest {
    private static final String DRAW = """
            import sys
            from PIL import Image, ImageFilter
            w, h = 1500, 1100
            g = Image.effect_noise((w, h), 60)
            r = Image.linear_gradient('L').resize((w, h))
            b = Image.radial_gradient('L').resize((w, h))
            Image.merge('RGB', (r, g.filter(ImageFilter.GaussianBlur(1)), b)).save(sys.argv[1])
            """;

    private static final FileFormat LOSSY_WEBP = new FileFormat.Webp(Optional.of(90));

    private Path folder;

    private Path original;

    @BeforeAll
    void draw(@TempDir Path made) {
        folder = made;
        original = folder.resolve("original.png");
        Outside.python(DRAW, original);
    }

    static Stream<FileFormat> formats() {
        return Stream.of(
                new FileFormat.Jpeg(95),
                new FileFormat.Png(),
                new FileFormat.Tiff(Packing.PLAIN),
                new FileFormat.Tiff(Packing.LZW),
                new FileFormat.Tiff(Packing.DEFLATE),
                LOSSY_WEBP,
                new FileFormat.Webp(Optional.empty()));
    }

    private Path piece(String name, FileFormat file) {
        return folder.resolve(name + file.hashCode() + "." + file.suffix());
    }

    /** At 300 ppi; at 100 as a WebP without loss, which takes ten times as long to code as all others. */
    @ParameterizedTest
    @MethodSource("formats")
    void eightByTenIsExact(FileFormat file) throws IOException {
        int ppi = file instanceof FileFormat.Webp webp && webp.quality().isEmpty() ? 100 : 300;
        Path piece = piece("8x10", file);
        Plan plan = Pieces.make(original, Pieces.ticket("8 in", "10 in", ppi, file), Framing.centred(), piece);

        String said = Outside.exiftool(piece, "ImageWidth", "ImageHeight", "ProfileDescription", "Orientation");
        assertThat(said)
                .contains("ImageWidth : " + 10 * ppi)
                .contains("ImageHeight : " + 8 * ppi)
                .contains("ProfileDescription : sRGB IEC 61966-2-1");
        assertThat(Pieces.FORMATS.inspect(piece))
                .satisfies(facts -> assertThat(Expectation.of(plan, ShippedProfile.SRGB.digest())
                                .differences(facts, Optional.empty()))
                        .isEmpty());
    }

    @Test
    void jpegCarriesItsPpiInJfifAndExif() throws IOException {
        FileFormat file = new FileFormat.Jpeg(95);
        Path piece = piece("ppi", file);
        Pieces.make(original, Pieces.ticket("4 in", "5 in", 300, file), Framing.centred(), piece);
        assertThat(Outside.exiftool(piece, "XResolution", "YResolution", "ResolutionUnit", "Orientation", "ColorSpace"))
                .contains("[JFIF] XResolution : 300")
                .contains("[JFIF] YResolution : 300")
                .contains("[JFIF] ResolutionUnit : 1")
                .contains("[IFD0] XResolution : 300")
                .contains("[IFD0] YResolution : 300")
                .contains("[IFD0] ResolutionUnit : 2")
                .contains("[IFD0] Orientation : 1")
                .contains("[ExifIFD] ColorSpace : 1");
    }

    @Test
    void pngCountsPerMetre() throws IOException {
        Path piece = piece("ppi", new FileFormat.Png());
        Pieces.make(original, Pieces.ticket("4 in", "5 in", 300, new FileFormat.Png()), Framing.centred(), piece);
        assertThat(Outside.exiftool(piece, "PixelsPerUnitX", "PixelsPerUnitY", "PixelUnits"))
                .contains("PixelsPerUnitX : 11811")
                .contains("PixelsPerUnitY : 11811")
                .contains("PixelUnits : 1");
    }

    @ParameterizedTest
    @ValueSource(strings = {"300", "299.7", "72", "360"})
    void tiffHoldsTheExactFractionInInches(String ppi) throws IOException {
        FileFormat file = new FileFormat.Tiff(Packing.PLAIN);
        Path piece = folder.resolve("ppi-" + ppi + ".tif");
        Ticket ticket = Pieces.ticket("2 in", "3 in", 300, file).withPpi(Resolution.perInch(new BigDecimal(ppi)));
        Pieces.make(original, ticket, Framing.centred(), piece);
        assertThat(Outside.exiftool(piece, "XResolution", "YResolution", "ResolutionUnit"))
                .contains("XResolution : " + ppi)
                .contains("YResolution : " + ppi)
                .contains("ResolutionUnit : 2");
    }

    @ParameterizedTest
    @MethodSource("formats")
    void pillowReadsTheWholeFileAndItsProfile(FileFormat file) throws IOException {
        Path piece = piece("whole", file);
        Pieces.make(original, Pieces.ticket("5 in", "7 in", 100, file), Framing.centred(), piece);
        String said = Outside.python("""
                import sys, hashlib
                from PIL import Image
                im = Image.open(sys.argv[1]); im.load()
                dpi = im.info.get('dpi') or [im.getexif()[282], im.getexif()[283]]
                print(im.size, im.mode, [round(float(v)) for v in dpi],
                      hashlib.sha256(im.info['icc_profile']).hexdigest())
                """, piece);
        assertThat(said.strip())
                .isEqualTo("(700, 500) RGB [300, 300] ".replace("300", "100") + ShippedProfile.SRGB.digest());
    }

    /** PNG, TIFF and WebP of all pixels lose nothing: all must show the same pixels to Pillow. */
    @Test
    void losslessFilesHoldTheSamePixels() throws IOException {
        List<FileFormat> lossless = formats()
                .filter(file -> !(file instanceof FileFormat.Jpeg || file.equals(LOSSY_WEBP)))
                .toList();
        Path[] pieces = lossless.stream().map(file -> piece("same", file)).toArray(Path[]::new);
        int at = 0;
        for (FileFormat file : lossless) {
            Pieces.make(
                    original,
                    Pieces.ticket("5 in", "7 in", 97, file),
                    Framing.centred().withTilt(2),
                    pieces[at++]);
        }
        String said = Outside.python("""
                import sys
                from PIL import Image
                a, *others = (Image.open(p).convert('RGB').tobytes() for p in sys.argv[1:])
                print(len(a), *(a == b for b in others))
                """, (Object[]) pieces);
        assertThat(said.strip()).isEqualTo(679 * 485 * 3 + " True True True True");
    }

    /** Strips joined by restart markers decode to the pixels of one whole encode by a tool that is not ours. */
    @ParameterizedTest
    @ValueSource(ints = {80, 95, 100})
    void joinedJpegEqualsAWholeEncode(int quality) throws IOException {
        Path jpeg = folder.resolve("joined" + quality + ".jpg");
        Path png = folder.resolve("joined" + quality + ".png");
        Ticket ticket = Pieces.ticket("3.37 in", "4.51 in", 100, new FileFormat.Jpeg(quality));
        Pieces.make(original, ticket, Framing.centred(), jpeg);
        Pieces.make(original, ticket.withFile(new FileFormat.Png()), Framing.centred(), png);
        String said = Outside.python("""
                import sys, io
                from PIL import Image
                whole = io.BytesIO()
                Image.open(sys.argv[2]).save(whole, 'JPEG', quality=int(sys.argv[3]), subsampling=0)
                print(Image.open(sys.argv[1]).tobytes() == Image.open(whole).tobytes())
                """, jpeg, png, quality);
        assertThat(said.strip()).isEqualTo("True");
    }

    /** A drawn circle stays one within half a pixel, in every format: Pillow measures its rim in sixteen directions. */
    @ParameterizedTest
    @MethodSource("formats")
    void aCircleStaysACircle(FileFormat file) throws IOException {
        Path disc = folder.resolve("disc.png");
        Outside.python("""
                import sys
                from PIL import Image, ImageDraw
                big = Image.new('L', (6000, 4400)); ImageDraw.Draw(big).ellipse((1800, 1000, 4199, 3399), fill=255)
                big.resize((1500, 1100), Image.BOX).convert('RGB').save(sys.argv[1])
                """, disc);
        Path piece = piece("circle", file);
        Plan plan = Pieces.make(disc, Pieces.ticket("8 in", "10 in", 300, file), Framing.centred(), piece);
        String reaches = Outside.python("""
                import sys, math
                from PIL import Image
                im = Image.open(sys.argv[1]).convert('L'); w, h = im.size; px = im.load()
                def at(x, y):
                    x -= .5; y -= .5; i, j = int(x), int(y); u, v = x - i, y - j
                    return (px[i,j]*(1-u) + px[i+1,j]*u)*(1-v) + (px[i,j+1]*(1-u) + px[i+1,j+1]*u)*v
                for k in range(16):
                    a = k * math.pi / 8; r = 0
                    while at(w/2 + r*math.cos(a), h/2 + r*math.sin(a)) >= 127.5: r += .05
                    print(r)
                """, piece);
        double expected = 300 / plan.window().scale();
        assertThat(reaches.lines().map(Double::valueOf))
                .hasSize(16)
                .allSatisfy(
                        reach -> assertThat(reach).isCloseTo(expected, org.assertj.core.api.Assertions.within(0.5)));
    }

    @Test
    void theSamePlanGivesTheSameBytes() throws IOException {
        FileFormat file = new FileFormat.Jpeg(90);
        Path first = folder.resolve("first.jpg");
        Path second = folder.resolve("second.jpg");
        Ticket ticket = Pieces.ticket("4 in", "6 in", 120, file);
        Pieces.make(original, ticket, Framing.centred().withTightness(1.4), first);
        Pieces.make(original, ticket, Framing.centred().withTightness(1.4), second);
        assertThat(second).hasSameBinaryContentAs(first);
    }

    @Test
    void theOwnShapeKeepsEveryPixel() throws IOException {
        Path piece = folder.resolve("marked.png");
        Ticket ticket = Pieces.ticket("4 in", "6 in", 300, new FileFormat.Png())
                .withSize(new Size.OwnShape())
                .withColour(new OutputColour.Keep());
        Pieces.make(original, ticket, Framing.centred(), piece);
        String said = Outside.python("""
                import sys
                from PIL import Image
                a, b = (Image.open(p).convert('RGB').tobytes() for p in sys.argv[1:])
                print(a == b)
                """, original, piece);
        assertThat(said.strip()).isEqualTo("True");
    }

    @Test
    void originalsStayByteForByte() throws IOException {
        byte[] before = Files.readAllBytes(original);
        Pieces.make(
                original,
                Pieces.ticket("4 in", "6 in", 60, new FileFormat.Jpeg(80)),
                Framing.centred(),
                folder.resolve("once.jpg"));
        assertThat(original).hasBinaryContent(before);
    }
}
