package embrick.formats;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import embrick.core.check.Expectation;
import embrick.core.framing.Framing;
import embrick.core.plan.Plan;
import embrick.core.ticket.Depth;
import embrick.core.ticket.EdgeFill;
import embrick.core.ticket.Edges;
import embrick.core.ticket.Edges.WrapMarks;
import embrick.core.ticket.FileFormat;
import embrick.core.ticket.FileFormat.Jpeg;
import embrick.core.ticket.FileFormat.PageMarks;
import embrick.core.ticket.FileFormat.PagePixels;
import embrick.core.ticket.Sides;
import embrick.core.ticket.Ticket;
import embrick.core.units.Length;
import embrick.formats.icc.ShippedProfile;
import embrick.formats.picture.SampleSums;
import embrick.formats.picture.UnusablePictureException;
import embrick.formats.picture.Verified;
import embrick.testing.Outside;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;

/** Pages confirmed with poppler-utils and qpdf (Debian). */
class PagesTest {
    @TempDir
    Path folder;

    private Path original;

    private static final Edges BLEED =
            new Edges.Bleed(Length.millimetres(3), Length.millimetres(3), new EdgeFill.Mirror());
    private static final Edges WRAP = new Edges.Wrap(
            Sides.even(Length.inches("1.5")),
            Sides.even(Length.inches("0.5")),
            new EdgeFill.Mirror(),
            WrapMarks.FOLDS_AND_CORNERS);

    @BeforeEach
    void draw() {
        original = folder.resolve("noise.png");
        Outside.python("""
                from PIL import Image
                import sys, random
                random.seed(9)
                small = Image.frombytes('RGB', (60, 40), bytes(random.randrange(256) for _ in range(60 * 40 * 3)))
                small.resize((900, 600), Image.BICUBIC).save(sys.argv[1])
                """, original);
    }

    private static FileFormat coded(PageMarks marks) {
        return new FileFormat.Pdf(new PagePixels.Coded(new Jpeg(92)), marks);
    }

    private static FileFormat whole(Depth depth) {
        return new FileFormat.Pdf(new PagePixels.Whole(depth), PageMarks.NONE);
    }

    private Plan make(Ticket ticket, String name) throws IOException {
        return Pieces.make(original, ticket, Framing.centred(), folder.resolve(name));
    }

    /** A box of pdfinfo's: left, bottom, right, top in points. */
    private static double[] box(String info, String name) {
        String line = info.lines()
                .filter(one -> one.matches("(Page +1 )?" + name + ":.*"))
                .findFirst()
                .orElseThrow(() -> new AssertionError("no " + name + " in " + info));
        return Arrays.stream(line.substring(line.indexOf(':') + 1).strip().split(" +"))
                .mapToDouble(Double::parseDouble)
                .toArray();
    }

    private static void assertBox(double[] found, double left, double bottom, double right, double top) {
        assertThat(found).usingComparatorWithPrecision(0.0101).containsExactly(left, bottom, right, top);
    }

    private String info(Path pdf) {
        Outside.shell("qpdf --check \"$1\"", pdf);
        return Outside.shell("pdfinfo -box \"$1\"", pdf);
    }

    /** 8 × 10 in are 576 × 720 pt (ISO 32000-1, 8.3.2.3); a bleed of 36 px at 300 ppi is 8.64 pt; marks take 9 mm, 25.51 pt. */
    @ParameterizedTest
    @CsvSource({"NONE, 0", "CROP_AND_FOLD, 25.5118"})
    void aBleedPageHasItsBoxes(PageMarks marks, double room) throws IOException {
        make(Pieces.ticket("8", "10", 300, coded(marks)).withEdges(BLEED), "page.pdf");
        String info = info(folder.resolve("page.pdf"));
        // The picture is wide, so is its sheet.
        assertBox(box(info, "MediaBox"), 0, 0, 720 + 17.28 + 2 * room, 576 + 17.28 + 2 * room);
        assertBox(box(info, "BleedBox"), room, room, room + 737.28, room + 593.28);
        assertBox(box(info, "TrimBox"), room + 8.64, room + 8.64, room + 728.64, room + 584.64);
    }

    /** A document's id must not come from the clock: a piece that is made again after a kill is the same file. */
    @Test
    void aPageThatIsMadeTwiceIsOneFile() throws Exception {
        Ticket ticket = Pieces.ticket("2", "3", 100, coded(PageMarks.NONE));
        make(ticket, "first.pdf");
        long second = System.currentTimeMillis() / 1000;
        while (System.currentTimeMillis() / 1000 == second) {
            Thread.onSpinWait();
        }
        make(ticket, "second.pdf");
        assertThat(folder.resolve("second.pdf")).hasSameBinaryContentAs(folder.resolve("first.pdf"));
    }

    /** CHECKS.md: A4 at 300 ppi is 2480 × 3508 px: 595.2 × 841.92 pt, each pixel exactly 1/300 in. */
    @Test
    void aPixelIsExactlyItsShareOfAnInch() throws IOException {
        make(Pieces.ticket("210 mm", "297 mm", 300, coded(PageMarks.NONE)), "a4.pdf");
        assertBox(box(info(folder.resolve("a4.pdf")), "TrimBox"), 0, 0, 841.92, 595.2);
        String listed = Outside.shell("pdfimages -list \"$1\" | tail -1", folder.resolve("a4.pdf"));
        String[] columns = listed.strip().split("\\s+");
        assertThat(List.of(columns[3], columns[4])).containsExactly("3508", "2480");
        assertThat(List.of(columns[5], columns[7], columns[8])).containsExactly("icc", "8", "jpeg");
        assertThat(List.of(columns[12], columns[13])).as("ppi as placed").containsExactly("300", "300");
    }

    @Test
    void aJpegPieceIsNotPackedASecondTime() throws IOException {
        make(Pieces.ticket("4", "6", 100, new Jpeg(92)).withEdges(WRAP), "piece.jpg");
        make(Pieces.ticket("4", "6", 100, coded(PageMarks.CROP_AND_FOLD)).withEdges(WRAP), "piece.pdf");
        Outside.shell("cd \"$1\" && pdfimages -all piece.pdf out", folder);
        assertThat(folder.resolve("out-000.jpg")).hasSameBinaryContentAs(folder.resolve("piece.jpg"));
    }

    /** The page's pixels against the piece's own as TIFF, 8 bits by pdfimages, 16 bits from the stream that qpdf unpacks. */
    @ParameterizedTest
    @EnumSource(
            value = Depth.class,
            names = {"EIGHT", "SIXTEEN"})
    void thePixelsOnAPageAreThePieces(Depth depth) throws IOException {
        Ticket ticket = Pieces.ticket("4", "6", 50, whole(depth)).withEdges(WRAP);
        make(ticket, "piece.pdf");
        make(ticket.withFile(new FileFormat.Png(depth)), "piece.png");
        String result = Outside.python("""
                import subprocess, sys, re, json
                folder, bits = sys.argv[1], int(sys.argv[2])
                qpdf = lambda *a: subprocess.run(['qpdf', *a], capture_output=True, check=True).stdout
                pdf = folder + '/piece.pdf'
                objects = json.loads(qpdf('--json=2', '--json-key=qpdf', pdf))['qpdf'][1]
                image = next(k for k, v in objects.items()
                             if v.get('stream', {}).get('dict', {}).get('/Subtype') == '/Image')
                said = objects[image]['stream']['dict']
                number = image.split(':')[1].split()[0]
                px = qpdf('--show-object=' + number, '--filtered-stream-data', pdf)
                pam = subprocess.run(['pngtopam', folder + '/piece.png'], capture_output=True, check=True).stdout
                want = pam.split(b'\\n', 3)[3]
                print(said['/BitsPerComponent'], px == want, len(px))
                """, folder, depth == Depth.EIGHT ? 8 : 16);
        int bits = depth == Depth.EIGHT ? 8 : 16;
        // 4 × 6 in with 2 in all round at 50 ppi: 500 × 400 px.
        assertThat(result.strip()).isEqualTo(bits + " True " + 500 * 400 * 3 * bits / 8);
    }

    @Test
    void theOutputIntentHoldsThePicturesProfile() throws IOException {
        make(Pieces.ticket("4", "6", 50, coded(PageMarks.NONE)), "piece.pdf");
        String result = Outside.python("""
                import subprocess, sys, json, hashlib
                qpdf = lambda *a: subprocess.run(['qpdf', *a], capture_output=True, check=True).stdout
                pdf = sys.argv[1]
                objects = json.loads(qpdf('--json=2', '--json-key=qpdf', pdf))['qpdf'][1]
                find = lambda ref: objects['obj:' + ref]
                value = lambda v: find(v)['value'] if isinstance(v, str) and v.endswith(' R') else v
                root = value(objects['trailer']['value']['/Root'])
                intent = value(value(root['/OutputIntents'])[0])
                icc = lambda ref: hashlib.sha256(qpdf('--show-object=' + ref.split()[0], '--filtered-stream-data', pdf)).hexdigest()
                image = next(v['stream']['dict'] for v in objects.values()
                             if v.get('stream', {}).get('dict', {}).get('/Subtype') == '/Image')
                space = value(image['/ColorSpace'])
                print(intent['/S'], icc(intent['/DestOutputProfile']), space[0], icc(space[1]))
                """, folder.resolve("piece.pdf"));
        assertThat(result.strip())
                .isEqualTo("/GTS_PDFX " + ShippedProfile.SRGB.digest() + " /ICCBased " + ShippedProfile.SRGB.digest());
    }

    /** Rendered by poppler: marks are ink outside the bleed only, folds too. */
    @Test
    void marksAreDrawnOutsideTheBleed() throws IOException {
        Edges plain = new Edges.Wrap(
                Sides.even(Length.inches("0.5")),
                Sides.even(Length.inches("0.5")),
                new EdgeFill.Plain(embrick.core.colour.PaperColour.WHITE),
                WrapMarks.NONE);
        make(Pieces.ticket("2", "3", 72, coded(PageMarks.CROP_AND_FOLD)).withEdges(plain), "marked.pdf");
        Outside.shell(
                "pdftoppm -r 288 -gray -singlefile \"$1\" \"$2\"",
                folder.resolve("marked.pdf"),
                folder.resolve("drawn"));
        String rows = Outside.python("""
                from PIL import Image
                import sys
                page = Image.open(sys.argv[1])
                w, h = page.size
                room = round(25.5118 * 4)
                # Rows through the marks above the page, 3 to 6 mm from the page's rim; folds are dashed.
                rows = range(round(3 / 25.4 * 288), round(6 / 25.4 * 288))
                dark = [x for x in range(w) if any(page.getpixel((x, y)) < 160 for y in rows)]
                # Between the marks and the white band there is nothing.
                empty = all(page.getpixel((x, room + 4)) > 200 for x in range(w) if x > room + 8 and x < w - room - 8)
                print(w, h, empty, sorted({round(x / 4) for x in dark}))
                """, folder.resolve("drawn.pgm"));
        // Cuts at the total's rims, 25.5 and 25.5 + 360 pt; folds 72 pt inside them. Wide sheet: 5 in are 360 pt.
        assertThat(rows)
                .contains("True")
                .contains("26")
                .contains("98")
                .contains("314")
                .contains("386");
    }

    @Test
    void aPageIsCheckedToItsLastByte() throws IOException {
        for (FileFormat file : List.of(coded(PageMarks.CROP_AND_FOLD), whole(Depth.SIXTEEN))) {
            String name = "ok-" + file.bits(16) + ".pdf";
            Plan plan = make(Pieces.ticket("4", "6", 50, file).withEdges(WRAP), name);
            Verified verified = Pieces.FORMATS.verify(folder.resolve(name), file, SampleSums.NONE);
            assertThat(Expectation.of(plan, ShippedProfile.SRGB.digest())
                            .differences(verified.facts(), verified.page()))
                    .isEmpty();
            // A page held against another plan's boxes.
            Plan other = make(Pieces.ticket("4", "6", 50, file).withEdges(BLEED), "other-" + name);
            assertThat(Expectation.of(other, ShippedProfile.SRGB.digest())
                            .differences(verified.facts(), verified.page()))
                    .extracting(Expectation.Difference::what)
                    .contains("pixels", "trim box", "picture's place");
            byte[] bytes = Files.readAllBytes(folder.resolve(name));
            for (int from : new int[] {bytes.length / 3, bytes.length / 2}) {
                byte[] damaged = bytes.clone();
                Arrays.fill(damaged, from, from + 2000, (byte) 0);
                Files.write(folder.resolve("damaged.pdf"), damaged);
                assertThatThrownBy(() -> Pieces.FORMATS.verify(folder.resolve("damaged.pdf"), file, SampleSums.NONE))
                        .as("%s from %d", name, from)
                        .isInstanceOf(UnusablePictureException.class);
            }
            Files.write(folder.resolve("cut.pdf"), Arrays.copyOf(bytes, bytes.length * 2 / 3));
            assertThatThrownBy(() -> Pieces.FORMATS.verify(folder.resolve("cut.pdf"), file, SampleSums.NONE))
                    .isInstanceOf(UnusablePictureException.class);
        }
    }

    @Test
    void aBookHasAPageForEachPieceWithItsOwnBoxesAndTheSameBytes() throws IOException {
        Ticket ticket = Pieces.ticket("4", "6", 100, new Jpeg(90));
        Plan jpeg = make(ticket, "one.jpg");
        Plan page = make(ticket.withFile(coded(PageMarks.CROP_AND_FOLD)).withEdges(BLEED), "two.pdf");
        ByteArrayOutputStream book = new ByteArrayOutputStream();
        new Book(Pieces.FORMATS.profiles(), folder)
                .write(
                        "Tide",
                        List.of(
                                new Book.Page(folder.resolve("one.jpg"), jpeg),
                                new Book.Page(folder.resolve("two.pdf"), page)),
                        book);
        Files.write(folder.resolve("book.pdf"), book.toByteArray());
        Outside.shell("qpdf --check \"$1\"", folder.resolve("book.pdf"));
        String info = Outside.shell("pdfinfo -box -f 1 -l 2 \"$1\"", folder.resolve("book.pdf"));
        assertThat(info).contains("Title:           Tide").contains("Pages:           2");
        String second = info.lines()
                .filter(line -> line.matches("Page +2 TrimBox:.*"))
                .findFirst()
                .orElseThrow();
        // 12 px of bleed (3 mm at 100 ppi are 11.8) are 8.64 pt.
        assertThat(second.strip().split(" +")[3])
                .satisfies(left -> assertThat(Double.parseDouble(left)).isCloseTo(25.5118 + 8.64, within(0.01)));
        Outside.shell("cd \"$1\" && pdfimages -all book.pdf out", folder);
        assertThat(folder.resolve("out-000.jpg")).hasSameBinaryContentAs(folder.resolve("one.jpg"));
        assertThat(info.toLowerCase(Locale.ROOT)).doesNotContain("encrypted:       yes");
    }
}
