package embrick.formats.crew;

import static org.assertj.core.api.Assertions.assertThat;

import embrick.core.framing.Framing;
import embrick.core.plan.Plan;
import embrick.core.print.Print;
import embrick.core.print.Printer;
import embrick.core.ticket.Depth;
import embrick.core.ticket.EdgeFill;
import embrick.core.ticket.Edges;
import embrick.core.ticket.FileFormat;
import embrick.core.ticket.Sharpening;
import embrick.core.ticket.Sides;
import embrick.core.ticket.Ticket;
import embrick.core.units.Length;
import embrick.core.units.LengthUnit;
import embrick.formats.Formats;
import embrick.formats.Pieces;
import embrick.formats.picture.DecodeLimits;
import embrick.formats.picture.FileTarget;
import embrick.formats.picture.OpenedPicture;
import embrick.formats.picture.PrintFile;
import embrick.formats.picture.SampleSums;
import embrick.testing.Outside;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.stream.Stream;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/** A file has the same bytes, and its contours the same halo, however many threads have made it. */
class SameBytesTest {
    @TempDir
    Path folder;

    static Stream<FileFormat> formats() {
        return Stream.of(
                new FileFormat.Jpeg(90),
                new FileFormat.Png(),
                new FileFormat.Tiff(FileFormat.Packing.PLAIN),
                new FileFormat.Tiff(FileFormat.Packing.LZW),
                new FileFormat.Tiff(FileFormat.Packing.DEFLATE),
                new FileFormat.Pdf(new FileFormat.PagePixels.Whole(Depth.SIXTEEN), FileFormat.PageMarks.NONE));
    }

    @ParameterizedTest
    @MethodSource("formats")
    void oneThreadOrFive(FileFormat format) throws Exception {
        Path original = folder.resolve("original.png");
        Outside.python("""
                import sys
                from PIL import Image, ImageFilter
                Image.effect_noise((900, 1400), 90).filter(ImageFilter.GaussianBlur(1)).convert('RGB').save(sys.argv[1])
                """, original);
        Ticket ticket = Pieces.ticket("3 in", "5 in", 300, format)
                .withSharpening(new Sharpening.Exact(90, Length.parse("0.1 mm", LengthUnit.MM), 1))
                .withEdges(new Edges.Wrap(
                        Sides.even(Length.inches("0.5")),
                        Sides.even(Length.inches("0.2")),
                        new EdgeFill.RimMean(),
                        Edges.WrapMarks.FOLDS_AND_CORNERS));
        byte[] alone = made(new Crew(1), original, ticket);
        byte[] together = made(new Crew(5), original, ticket);
        assertThat(together).isEqualTo(alone);
    }

    private String halo = "";

    private byte[] made(Crew crew, Path original, Ticket ticket) throws Exception {
        Formats formats = new Formats(Pieces.FORMATS.profiles(), DecodeLimits.DEFAULT, folder, crew);
        Path piece = folder.resolve("piece-of-" + crew.cores());
        try (OpenedPicture opened = formats.open(original)) {
            Plan plan = Pieces.plan(opened.facts(), ticket, Framing.centred());
            Print print = Printer.print(plan, opened.raster(), formats.profiles());
            try (FileTarget target = FileTarget.create(piece)) {
                formats.write(print, plan, target, PrintFile.Progress.none());
            }
            formats.verify(piece, plan.file(), SampleSums.NONE);
            String now = print.halo().orElseThrow().toString();
            assertThat(halo.isEmpty() ? now : halo).isEqualTo(now);
            halo = now;
        }
        return Files.readAllBytes(piece);
    }
}
