package embrick.formats;

import static org.assertj.core.api.Assertions.assertThat;

import embrick.core.colour.PaperColour;
import embrick.core.framing.Framing;
import embrick.core.plan.Plan;
import embrick.core.ticket.Depth;
import embrick.core.ticket.EdgeFill;
import embrick.core.ticket.Edges;
import embrick.core.ticket.Edges.WrapMarks;
import embrick.core.ticket.FileFormat;
import embrick.core.ticket.FileFormat.Packing;
import embrick.core.ticket.OutputColour;
import embrick.core.ticket.Sides;
import embrick.core.ticket.Ticket;
import embrick.core.units.Length;
import embrick.testing.Outside;
import java.io.IOException;
import java.nio.file.Path;
import java.util.stream.Stream;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;

/**
 * Bands in finished files, read with netpbm (Debian), 8 and 16 bits, and folded again by a few lines of Python: mirror, drawn
 * out and plain round the face that is printed without a band; the picture itself equal to the total's own print.
 */
class EdgesInFilesTest {
    @TempDir
    Path folder;

    private static final String FOLDED = """
            import sys
            def pam(path):
                data = open(path, 'rb').read()
                head, body = data.split(b'ENDHDR\\n', 1)
                said = dict(line.split(None, 1) for line in head.decode().splitlines()[1:])
                size = 2 if int(said['MAXVAL']) > 255 else 1
                return int(said['WIDTH']), int(said['HEIGHT']), int(said['DEPTH']) * size, body, size
            def mirror(at, n):
                while not 0 <= at < n:
                    at = -1 - at if at < 0 else 2 * n - 1 - at
                return at
            total, face, kind = sys.argv[1:4]
            left, top, right, bottom = map(int, sys.argv[4:8])
            W, H, P, all_, size = pam(total)
            w, h, p, inner, _ = pam(face)
            assert p == P and W == w + left + right and H == h + top + bottom, (W, H, w, h)
            colour = None
            if kind.startswith('plain'):
                colour = b''.join(bytes([int(v)]) * size for v in kind.split(':')[1].split(','))
            fold = mirror if kind == 'mirror' else (lambda at, n: min(max(at, 0), n - 1))
            wrong = 0
            for y in range(H):
                row = inner[fold(y - top, h) * w * p:][:w * p]
                for x in range(W):
                    inside = 0 <= x - left < w and 0 <= y - top < h
                    at = fold(x - left, w) * p
                    want = row[at:at + p] if inside or colour is None else colour
                    wrong += all_[(y * W + x) * P:][:P] != want
            print(wrong, size)
            """;

    /** Bands of 20, 31, 8 and 0 px at 100 ppi, on a sheet of 110 × 90. */
    private static Edges uneven(EdgeFill fill) {
        return new Edges.Wrap(
                new Sides(Length.inches("0.31"), Length.inches("0.08"), Length.inches("0"), Length.inches("0.2")),
                Sides.even(Length.inches("0")),
                fill,
                WrapMarks.NONE);
    }

    static Stream<Arguments> fills() {
        return Stream.of(
                        new FileFormat.Tiff(Packing.PLAIN, Depth.EIGHT),
                        new FileFormat.Tiff(Packing.LZW, Depth.SIXTEEN),
                        new FileFormat.Tiff(Packing.DEFLATE, Depth.SIXTEEN),
                        new FileFormat.Png(Depth.EIGHT),
                        new FileFormat.Png(Depth.SIXTEEN))
                .flatMap(file -> Stream.of(
                        Arguments.of(file, new EdgeFill.Mirror(), "mirror"),
                        Arguments.of(file, new EdgeFill.DrawnOut(), "drawn-out"),
                        Arguments.of(file, new EdgeFill.Plain(PaperColour.parse("#3366CC")), "plain:51,102,204")));
    }

    @ParameterizedTest
    @MethodSource("fills")
    void aBandIsTheFaceAgain(FileFormat file, EdgeFill fill, String kind) throws IOException {
        Path original = original();
        Ticket ticket = Pieces.ticket("1.1", "0.9", 100, file);
        Framing framing = Framing.centred().withTilt(3).withTightness(1.2);
        Path face = folder.resolve("face." + file.suffix());
        Path total = folder.resolve("total." + file.suffix());
        Pieces.make(original, ticket, framing, face);
        Plan plan = Pieces.make(original, ticket.withEdges(uneven(fill)), framing, total);
        assertThat(plan.total().width()).isEqualTo(110 + 20 + 8);
        String result = Outside.python(FOLDED, pam(total), pam(face), kind, 20, 31, 8, 0);
        assertThat(result.strip()).isEqualTo("0 " + plan.bitsPerChannel() / 8);
    }

    static Stream<FileFormat> files() {
        return Stream.of(new FileFormat.Tiff(Packing.PLAIN, Depth.SIXTEEN), new FileFormat.Png(Depth.EIGHT));
    }

    @ParameterizedTest
    @MethodSource("files")
    void theWrapOfThePictureItselfIsTheTotalsOwnPrint(FileFormat file) throws IOException {
        Path original = original();
        Framing framing = Framing.centred().withTilt(-2).withTightness(1.3).withCentre(0.45, 0.5);
        Path wrapped = folder.resolve("wrapped." + file.suffix());
        Path total = folder.resolve("whole." + file.suffix());
        Edges edges = new Edges.Wrap(
                Sides.even(Length.inches("0.2")),
                Sides.even(Length.inches("0.1")),
                new EdgeFill.Picture(),
                WrapMarks.NONE);
        Pieces.make(original, Pieces.ticket("1.1", "0.9", 100, file).withEdges(edges), framing, wrapped);
        Pieces.make(original, Pieces.ticket("1.7", "1.5", 100, file), framing, total);
        Outside.shell("cmp \"$1\" \"$2\"", pam(wrapped), pam(total));
    }

    /** A plain band's colour is sRGB; in another profile it has the numbers that Little CMS's own tool gives. */
    @org.junit.jupiter.api.Test
    void aPlainBandIsConvertedToTheOutputsProfile() throws IOException {
        Path original = original("wide.tif", "opRGB");
        Ticket ticket = Pieces.ticket("1.1", "0.9", 100, new FileFormat.Png(Depth.EIGHT))
                .withColour(new OutputColour.Keep())
                .withEdges(uneven(new EdgeFill.Plain(PaperColour.parse("#3366CC"))));
        Path piece = folder.resolve("wide.png");
        Pieces.make(original, ticket, Framing.centred(), piece);
        Path profile = folder.resolve("wide.icc");
        Outside.python("""
                from PIL import Image
                import sys
                image = Image.open(sys.argv[1])
                open(sys.argv[2], 'wb').write(image.info['icc_profile'])
                """, piece, profile);
        String corner = Outside.python("""
                from PIL import Image
                import sys
                print(*Image.open(sys.argv[1]).getpixel((0, 0)))
                """, piece).strip();
        String expected = Outside.transicc("51 102 204\n", "-c0", "-n", "-t1", "-i*sRGB", "-o" + profile);
        String[] wanted = expected.strip().split("\\s+");
        String[] found = corner.split(" ");
        for (int c = 0; c < 3; c++) {
            assertThat(Double.parseDouble(found[c]))
                    .isBetween(Double.parseDouble(wanted[c]) - 1, Double.parseDouble(wanted[c]) + 1);
        }
        assertThat(found[0]).as("converted").isNotEqualTo("51");
    }

    private Path original() throws IOException {
        return original("noise.tif", "none");
    }

    /** Noise of 16 bits, so that every pixel is one of a kind. */
    private Path original(String name, String profile) throws IOException {
        Path tiff = folder.resolve(name);
        if (profile.equals("none")) {
            Outside.python("""
                    import sys, random, struct
                    random.seed(3)
                    w, h = 240, 180
                    px = b''.join(struct.pack('>H', random.randrange(65536)) for _ in range(w * h * 3))
                    head = f'P7\\nWIDTH {w}\\nHEIGHT {h}\\nDEPTH 3\\nMAXVAL 65535\\nTUPLTYPE RGB\\nENDHDR\\n'
                    open(sys.argv[1], 'wb').write(head.encode() + px)
                    """, folder.resolve("noise.pam"));
            Outside.shell("pamtotiff -truecolor \"$1\" > \"$2\"", folder.resolve("noise.pam"), tiff);
        } else {
            Path icc = folder.resolve("op.icc");
            java.nio.file.Files.write(icc, embrick.formats.icc.MatrixProfile.opRgb());
            Outside.python("""
                    from PIL import Image
                    import sys, random
                    random.seed(3)
                    image = Image.frombytes('RGB', (240, 180), bytes(random.randrange(256) for _ in range(240 * 180 * 3)))
                    image.save(sys.argv[1], icc_profile=open(sys.argv[2], 'rb').read())
                    """, tiff, icc);
        }
        return tiff;
    }

    private Path pam(Path file) {
        Path pam = folder.resolve(file.getFileName() + ".pam");
        String tool = file.toString().endsWith(".png") ? "pngtopam" : "tifftopnm -byrow";
        Outside.shell(tool + " \"$1\" 2>/dev/null | pamtopam > \"$2\" || true; [ -s \"$2\" ]", file, pam);
        return pam;
    }
}
