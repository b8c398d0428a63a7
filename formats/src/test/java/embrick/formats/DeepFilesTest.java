package embrick.formats;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import embrick.core.framing.Framing;
import embrick.core.plan.Plan;
import embrick.core.ticket.Depth;
import embrick.core.ticket.FileFormat;
import embrick.core.ticket.FileFormat.Packing;
import embrick.core.ticket.Sharpening;
import embrick.core.ticket.Size;
import embrick.core.ticket.Ticket;
import embrick.core.units.Length;
import embrick.core.units.LengthUnit;
import embrick.formats.picture.UnusablePictureException;
import embrick.testing.Outside;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.stream.Stream;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestInstance;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/** 16 bits in, 16 bits out, read by netpbm; and pieces that were damaged after they were written. */
@TestInstance(TestInstance.Lifecycle.PER_CLASS)
class DeepFilesTest {
    private Path folder;
    private Path deep;

    @BeforeAll
    void draw(@TempDir Path made) {
        folder = made;
        deep = folder.resolve("deep.png");
        Outside.python("""
                import sys, random
                random.seed(9); w, h = 83, 70
                open(sys.argv[1] + '/deep.pam', 'wb').write(b'P7\\nWIDTH 83\\nHEIGHT 70\\nDEPTH 3\\nMAXVAL 65535\\nTUPLTYPE RGB\\nENDHDR\\n'
                    + b''.join(random.randrange(65536).to_bytes(2, 'big') for _ in range(w * h * 3)))
                """, folder);
        Outside.shell("cd \"$1\"; pamtopng deep.pam >deep.png", folder);
    }

    static Stream<FileFormat> deepFormats() {
        return Stream.of(
                new FileFormat.Png(), new FileFormat.Tiff(Packing.PLAIN), new FileFormat.Tiff(Packing.DEFLATE));
    }

    private static Ticket ownShape(FileFormat file) {
        return Pieces.ticket("4 in", "6 in", 300, file).withSize(new Size.OwnShape());
    }

    /** Only re-marked: every one of 65 536 values must survive, in both file formats, as another tool reads them. */
    @ParameterizedTest
    @MethodSource("deepFormats")
    void sixteenBitsStaySixteen(FileFormat file) throws IOException {
        Path piece = folder.resolve("piece" + file.hashCode() + "." + file.suffix());
        Plan plan = Pieces.make(deep, ownShape(file), Framing.centred(), piece);
        assertThat(plan.keepsPixels()).isTrue();
        assertThat(plan.bitsPerChannel()).isEqualTo(16);
        Path read = folder.resolve("read.pam");
        String reader = file instanceof FileFormat.Png ? "pngtopam" : "tifftopnm -byrow";
        Outside.shell(reader + " \"$1\" 2>/dev/null | pamtopam >\"$2\"", piece, read);
        assertThat(Pam.read(read).samples())
                .isEqualTo(Pam.read(folder.resolve("deep.pam")).samples());
        assertThat(Pieces.verify(piece).colour().bitsPerChannel()).isEqualTo(16);
    }

    @Test
    void eightBitsAreMadeWhereTheTicketSaysSo() throws IOException {
        Path piece = folder.resolve("eight.tif");
        Pieces.make(deep, ownShape(new FileFormat.Tiff(Packing.PLAIN, Depth.EIGHT)), Framing.centred(), piece);
        assertThat(Pieces.FORMATS.inspect(piece).colour().bitsPerChannel()).isEqualTo(8);
        Path wide = folder.resolve("sixteen.png");
        Path source = folder.resolve("eight.png");
        Outside.shell("pngtopam \"$1\" | pamdepth 255 2>/dev/null | pamtopng >\"$2\"", deep, source);
        Pieces.make(source, ownShape(new FileFormat.Png(Depth.SIXTEEN)), Framing.centred(), wide);
        assertThat(Outside.exiftool(wide, "BitDepth")).contains("BitDepth : 16");
    }

    /** A sharpened and a resampled piece differ, and 8 bits of a 16-bit piece are the 8-bit piece to the rounding. */
    @Test
    void depthChangesTheRoundingOnly() throws IOException {
        Sharpening sharpening = new Sharpening.Exact(40, Length.parse("0.3 mm", LengthUnit.MM), 1);
        Path wide = folder.resolve("wide.png");
        Path narrow = folder.resolve("narrow.png");
        for (Depth depth : new Depth[] {Depth.SIXTEEN, Depth.EIGHT}) {
            Ticket ticket =
                    Pieces.ticket("1 in", "1 in", 61, new FileFormat.Png(depth)).withSharpening(sharpening);
            Pieces.make(deep, ticket, Framing.centred(), depth == Depth.SIXTEEN ? wide : narrow);
        }
        Path wideRead = folder.resolve("wide.pam");
        Path narrowRead = folder.resolve("narrow.pam");
        Outside.shell(
                "pngtopam \"$1\" | pamtopam >\"$2\"; pngtopam \"$3\" | pamtopam >\"$4\"",
                wide,
                wideRead,
                narrow,
                narrowRead);
        byte[] sixteen = Pam.read(wideRead).samples();
        byte[] eight = Pam.read(narrowRead).samples();
        for (int i = 0; i < eight.length; i++) {
            int value = (sixteen[2 * i] & 0xff) << 8 | (sixteen[2 * i + 1] & 0xff);
            assertThat(Math.abs(value / 257.0 - (eight[i] & 0xff))).isLessThanOrEqualTo(0.5 + 1.0 / 257);
        }
    }

    static Stream<FileFormat> allFormats() {
        return Stream.concat(deepFormats(), Stream.of(new FileFormat.Jpeg(95)));
    }

    @ParameterizedTest
    @MethodSource("allFormats")
    void aPieceThatIsCutOrChangedDoesNotPass(FileFormat file) throws IOException {
        Path piece = folder.resolve("checked" + file.hashCode() + "." + file.suffix());
        Pieces.make(deep, Pieces.ticket("1 in", "1 in", 200, file), Framing.centred(), piece);
        assertThat(Pieces.verify(piece).stored().width()).isEqualTo(200);
        byte[] bytes = Files.readAllBytes(piece);
        Path cut = folder.resolve("cut." + file.suffix());
        Files.write(cut, java.util.Arrays.copyOf(bytes, bytes.length * 2 / 3));
        assertThatThrownBy(() -> Pieces.verify(cut)).isInstanceOf(UnusablePictureException.class);
        if (file instanceof FileFormat.Png) {
            bytes[bytes.length / 2] ^= 0x10;
            Files.write(cut, bytes);
            assertThatThrownBy(() -> Pieces.verify(cut)).hasMessageContaining("checksum");
        }
    }
}
