package embrick.formats.contract;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import embrick.core.check.Expectation;
import embrick.core.framing.Framing;
import embrick.core.plan.Plan;
import embrick.core.print.Print;
import embrick.core.print.Printer;
import embrick.core.ticket.FileFormat;
import embrick.formats.Pieces;
import embrick.formats.picture.FileTarget;
import embrick.formats.picture.OpenedPicture;
import embrick.formats.picture.PrintFile;
import embrick.formats.picture.SampleSums;
import embrick.formats.picture.UnusablePictureException;
import embrick.formats.picture.Verified;
import embrick.testing.Outside;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.Random;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** What every writer of pieces keeps. A new format is held to it by a subclass that names its settings. */
abstract class WriterContract {
    @TempDir
    Path folder;

    private Path original;
    private Path piece;
    private Plan plan;
    byte[] bytes;

    abstract FileFormat format();

    @BeforeEach
    void write() throws IOException {
        original = folder.resolve("original.png");
        Outside.python("""
                import sys
                from PIL import Image
                Image.merge('RGB', [Image.effect_noise((400, 300), s) for s in (90, 60, 40)]).save(sys.argv[1])
                """, original);
        piece = folder.resolve("piece");
        plan = Pieces.make(original, Pieces.ticket("4 in", "3 in", 75, format()), Framing.centred(), piece);
        bytes = Files.readAllBytes(piece);
    }

    Verified verified(byte[] other) throws IOException {
        return Pieces.FORMATS.verify(Files.write(folder.resolve("other"), other), format(), SampleSums.NONE);
    }

    @Test
    void whatIsWrittenIsAsPlanned() throws IOException {
        Verified found = Pieces.FORMATS.verify(piece, format(), SampleSums.NONE);
        Expectation expectation = Expectation.of(
                plan, Pieces.FORMATS.profiles().digest(plan.colour().to()));
        assertThat(expectation.differences(found.facts(), found.page())).isEmpty();
    }

    @Test
    void equalPlansMakeEqualFiles() throws IOException {
        Path again = folder.resolve("again");
        Pieces.make(original, Pieces.ticket("4 in", "3 in", 75, format()), Framing.centred(), again);
        assertThat(Files.readAllBytes(again)).isEqualTo(bytes);
    }

    @Test
    void aFileThatIsThereIsNeverReplaced() {
        assertThatThrownBy(() -> FileTarget.create(piece)).isInstanceOf(IOException.class);
    }

    /** Ended between strips: what was thrown comes out, nothing else does. */
    @Test
    void writingEndsWhenItIsTold() throws IOException {
        try (OpenedPicture opened = Pieces.FORMATS.open(original);
                FileTarget target = FileTarget.create(folder.resolve("ended"))) {
            Print print = Printer.print(plan, opened.raster(), Pieces.FORMATS.profiles());
            assertThatThrownBy(() -> Pieces.FORMATS.write(print, plan, target, (done, all) -> {
                        throw new IllegalStateException("ended at " + done + " of " + all);
                    }))
                    .isInstanceOf(IllegalStateException.class)
                    .hasMessageStartingWith("ended at 1 of ");
        }
    }

    @Test
    void progressIsToldToTheEnd() throws IOException {
        int[] last = new int[2];
        try (OpenedPicture opened = Pieces.FORMATS.open(original);
                FileTarget target = FileTarget.create(folder.resolve("told"))) {
            Print print = Printer.print(plan, opened.raster(), Pieces.FORMATS.profiles());
            Pieces.FORMATS.write(print, plan, target, new PrintFile.Progress() {
                @Override
                public void strip(int done, int all) {
                    assertThat(done).isEqualTo(last[0] + 1);
                    last[0] = done;
                    last[1] = all;
                }
            });
        }
        assertThat(last[0]).isEqualTo(last[1]).isPositive();
    }

    @Test
    void aCutPieceIsNeverPassed() {
        Random random = new Random(4);
        for (int i = 0; i < 25; i++) {
            byte[] cut = Arrays.copyOf(bytes, random.nextInt(bytes.length - 1));
            assertThatThrownBy(() -> verified(cut)).isInstanceOf(UnusablePictureException.class);
        }
    }

    @Test
    void aDiskThatFailsIsNotTakenForADamagedPiece() {
        FailingReads.assertNotBlamedOnTheFile(
                piece, failing -> Pieces.FORMATS.verify(failing, format(), SampleSums.NONE));
    }
}
