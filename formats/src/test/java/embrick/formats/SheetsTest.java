package embrick.formats;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import embrick.core.framing.Framing;
import embrick.core.plan.PageLayout.Box;
import embrick.core.plan.Plan;
import embrick.core.ticket.FileFormat.Jpeg;
import embrick.formats.Sheets.Laid;
import embrick.formats.Sheets.Sheet;
import embrick.testing.Outside;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Several pieces on one page, drawn by poppler (Debian) and held against the pieces as Pillow turns and cuts them. */
class SheetsTest {
    /** 4 × 6 in, in points, as the piece lies: it is wide. */
    private static final double ACROSS = 432;

    private static final double ALONG = 288;

    @TempDir
    Path folder;

    private Path piece;
    private Plan plan;

    /** Another colour at each corner, so that every turn and mirroring is another picture. */
    @BeforeEach
    void aPiece() throws IOException {
        Path original = folder.resolve("corners.png");
        Outside.python("""
                from PIL import Image, ImageFilter
                import sys
                im = Image.new('RGB', (2, 2)); im.putdata([(230, 40, 40), (40, 200, 60), (50, 70, 220), (220, 210, 60)])
                im.resize((900, 600), Image.BICUBIC).save(sys.argv[1])
                """, original);
        piece = folder.resolve("piece.jpg");
        plan = Pieces.make(original, Pieces.ticket("6", "4", 100, new Jpeg(95)), Framing.centred(), piece);
        assertThat(plan.total().width()).isEqualTo(600);
    }

    private Laid laid(Box box, boolean turned, Box shown) {
        return new Laid(new Book.Page(piece, plan), box, turned, shown);
    }

    private Path write(Sheet sheet) throws IOException {
        ByteArrayOutputStream pdf = new ByteArrayOutputStream();
        new Sheets(Pieces.FORMATS.profiles(), folder).write("Laid", List.of(sheet), pdf);
        Path file = folder.resolve("laid.pdf");
        Files.write(file, pdf.toByteArray());
        Outside.shell("qpdf --check \"$1\"", file);
        return file;
    }

    /**
     * The mean difference, in counts, of a part of the drawn page and the piece.
     *
     * @param box left, top, right, lower, in pixels of 100 ppi
     * @param made what Pillow makes of the piece, named p
     */
    private double apart(Path pdf, String box, String made) {
        return Double.parseDouble(Outside.python("""
                import sys, subprocess
                from PIL import Image, ImageChops, ImageStat
                subprocess.run(['pdftoppm', '-r', '100', '-png', '-singlefile', sys.argv[1], sys.argv[1]], check=True)
                page = Image.open(sys.argv[1] + '.png').convert('RGB')
                p = Image.open(sys.argv[2]).convert('RGB')
                want = eval(sys.argv[4])
                got = page.crop(tuple(int(n) for n in sys.argv[3].split(',')))
                assert got.size == want.size, (got.size, want.size)
                print(sum(ImageStat.Stat(ImageChops.difference(got, want)).mean) / 3)
                """, pdf, piece, box, made).strip());
    }

    @Test
    void uprightAndTurnedClockwise() throws IOException {
        Box upright = new Box(72, 720 - 36 - ALONG, 72 + ACROSS, 720 - 36);
        Box turned = new Box(540, 720 - 36 - ACROSS, 540 + ALONG, 720 - 36);
        Path pdf = write(
                new Sheet(864, 720, List.of(laid(upright, false, upright), laid(turned, true, turned)), List.of()));
        assertThat(apart(pdf, "100,50,700,450", "p")).isLessThan(2);
        // Pillow turns against the clock.
        assertThat(apart(pdf, "750,50,1150,650", "p.rotate(-90, expand=True)")).isLessThan(2);
        assertThat(apart(pdf, "750,50,1150,650", "p.rotate(90, expand=True)")).isGreaterThan(20);
        assertThat(Outside.shell("pdfimages -list \"$1\" | grep -c jpeg", pdf).strip())
                .isEqualTo("2");
        // Drawn twice and kept once.
        assertThat(Files.size(pdf)).isLessThan(Files.size(piece) * 3 / 2 + 8_000);
    }

    /** The right third of a piece: all of it is drawn, a third is seen. */
    @Test
    void partOfAPiece() throws IOException {
        Box whole = new Box(72 - 288, 72, 72 - 288 + ACROSS, 72 + ALONG);
        Box third = new Box(72, 72, 72 + 144, 72 + ALONG);
        Path pdf = write(new Sheet(432, 432, List.of(laid(whole, false, third)), List.of()));
        assertThat(apart(pdf, "100,100,300,500", "p.crop((400, 0, 600, 400))")).isLessThan(2);
        assertThat(apart(pdf, "0,100,98,500", "Image.new('RGB', (98, 400), 'white')"))
                .isLessThan(1);
    }

    /** A strip of 30 m has units of its own, and its pieces their true size all the same. */
    @Test
    void aStripLongerThanAPageMayBe() throws IOException {
        double length = 30_000 / 25.4 * 72;
        Box box = new Box(72, length - 36 - ALONG, 72 + ACROSS, length - 36);
        Path pdf = write(new Sheet(576, length, List.of(laid(box, false, box)), List.of()));
        String unit = Outside.shell("qpdf --qdf --object-streams=disable \"$1\" - | grep -a UserUnit", pdf)
                .strip();
        assertThat(unit).isEqualTo("/UserUnit 6");
        // Written in six digits.
        String[] size = Outside.shell("pdfinfo \"$1\" | grep 'Page size'", pdf).split(" +");
        assertThat(Double.parseDouble(size[4]) * 6).isCloseTo(length, within(6 * 0.05));
    }
}
