package embrick.formats.tiff;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import embrick.core.framing.Framing;
import embrick.core.plan.Plan;
import embrick.core.print.Printer;
import embrick.core.ticket.Depth;
import embrick.core.ticket.FileFormat;
import embrick.core.ticket.FileFormat.Packing;
import embrick.formats.Pieces;
import embrick.formats.picture.FileTarget;
import embrick.formats.picture.OpenedPicture;
import embrick.formats.picture.PrintFile;
import embrick.formats.picture.SampleSums;
import embrick.formats.picture.UnusablePictureException;
import java.awt.image.BufferedImage;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.zip.CRC32C;
import javax.imageio.ImageIO;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** The check compares the samples of a finished TIFF with those written, not only their number. */
class SampleSumsTest {
    @TempDir
    Path folder;

    private Path original;

    @BeforeEach
    void aPicture() throws IOException {
        BufferedImage drawn = new BufferedImage(400, 320, BufferedImage.TYPE_INT_RGB);
        for (int i = 0; i < 400 * 320; i++) {
            drawn.setRGB(i % 400, i / 400, i * 7919 ^ i / 400 * 104_729);
        }
        original = folder.resolve("drawn.png");
        ImageIO.write(drawn, "png", original.toFile());
    }

    private static FileFormat tiff(Packing packing, Depth depth) {
        return new FileFormat.Tiff(packing, depth);
    }

    private SampleSums write(Path piece, FileFormat file, double centreY) throws IOException {
        try (OpenedPicture opened = Pieces.FORMATS.open(original);
                FileTarget target = FileTarget.create(piece)) {
            Plan plan = Pieces.plan(
                    opened.facts(),
                    Pieces.ticket("2 in", "3 in", 60, file),
                    Framing.centred().withCentre(0.5, centreY));
            return Pieces.FORMATS.write(
                    Printer.print(plan, opened.raster(), Pieces.FORMATS.profiles()),
                    plan,
                    target,
                    PrintFile.Progress.none());
        }
    }

    /** What libtiff reads, in strips of 64 rows, little-endian as in the file. */
    private static List<Integer> sumsByLibtiff(Path piece) throws IOException {
        try (OpenedPicture read = Pieces.FORMATS.openApart(piece, Integer.MAX_VALUE)) {
            byte[] samples = read.raster().samples().toArray(java.lang.foreign.ValueLayout.JAVA_BYTE);
            int strip = samples.length / read.raster().stored().height() * 64;
            List<Integer> sums = new ArrayList<>();
            for (int at = 0; at < samples.length; at += strip) {
                CRC32C sum = new CRC32C();
                sum.update(samples, at, Math.min(strip, samples.length - at));
                sums.add((int) sum.getValue());
            }
            return sums;
        }
    }

    @ParameterizedTest
    @CsvSource({"PLAIN, EIGHT", "PLAIN, SIXTEEN", "LZW, EIGHT", "LZW, SIXTEEN", "DEFLATE, EIGHT", "DEFLATE, SIXTEEN"})
    void theyAreThoseThatAnotherReaderFindsAndNoOthersPass(Packing packing, Depth depth) throws IOException {
        FileFormat file = tiff(packing, depth);
        Path piece = folder.resolve("piece.tif");
        SampleSums written = write(piece, file, 0.5);
        assertThat(written.parts()).hasSize(2).isEqualTo(sumsByLibtiff(piece));
        Pieces.FORMATS.verify(piece, file, written);

        Path other = folder.resolve("other.tif");
        SampleSums ofOther = write(other, file, 0.51);
        assertThatThrownBy(() -> Pieces.FORMATS.verify(piece, file, ofOther))
                .isInstanceOf(UnusablePictureException.class)
                .hasMessageContaining("other samples than were written");
    }

    /** One bit of one sample: nothing in a plain file says that it is wrong. */
    @ParameterizedTest
    @CsvSource({"EIGHT", "SIXTEEN"})
    void aSampleThatChangedOnTheDiskIsFound(Depth depth) throws IOException {
        FileFormat file = tiff(Packing.PLAIN, depth);
        Path piece = folder.resolve("piece.tif");
        SampleSums written = write(piece, file, 0.5);
        byte[] bytes = Files.readAllBytes(piece);
        bytes[9000] ^= 1;
        Files.write(piece, bytes);
        Pieces.FORMATS.verify(piece, file, SampleSums.NONE);
        assertThatThrownBy(() -> Pieces.FORMATS.verify(piece, file, written))
                .isInstanceOf(UnusablePictureException.class);
    }
}
