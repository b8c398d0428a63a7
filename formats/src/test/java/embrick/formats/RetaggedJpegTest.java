package embrick.formats;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import embrick.core.framing.Framing;
import embrick.core.plan.Plan;
import embrick.core.ticket.FileFormat;
import embrick.core.ticket.PaperKind;
import embrick.core.ticket.Sharpening;
import embrick.core.ticket.Size;
import embrick.core.ticket.Ticket;
import embrick.formats.metadata.OriginalMetadata;
import embrick.formats.picture.FileTarget;
import embrick.formats.picture.UnusablePictureException;
import embrick.testing.Outside;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** JPEGs whose every pixel stays get new marks and no new coding; Pillow and exiftool confirm it. */
class RetaggedJpegTest {
    private static final Retagging REMARKING = new Retagging(Pieces.FORMATS.profiles());

    private static final String DRAW = """
            import sys
            from PIL import Image
            w, h = 333, 250
            picture = Image.merge('RGB', [Image.effect_noise((w, h), s) for s in (20, 60, 90)])
            kind = sys.argv[2]
            if kind == 'grey':
                picture = picture.convert('L')
            options = dict(quality=83, dpi=(72, 72), progressive=kind == 'progressive', comment=b'private words')
            if kind != 'grey':
                options['subsampling'] = 2 if kind in ('halved', 'progressive') else 0
            if kind == 'sideways':
                exif = Image.Exif()
                exif[0x112] = 6
                options['exif'] = exif
            picture.save(sys.argv[1], 'JPEG', **options)
            """;

    private static final String SAME_PIXELS = """
            import sys
            from PIL import Image
            a, b = Image.open(sys.argv[1]), Image.open(sys.argv[2])
            print(a.mode == b.mode and a.tobytes() == b.tobytes(), b.info['dpi'], len(b.info['icc_profile']) > 100)
            """;

    @TempDir
    Path folder;

    private Path draw(String kind) {
        Path original = folder.resolve(kind + ".jpg");
        Outside.python(DRAW, original, kind);
        return original;
    }

    private static Ticket ticket() {
        return Pieces.ticket("8 in", "10 in", 300, new FileFormat.Jpeg(95)).withSize(new Size.OwnShape());
    }

    private static Plan plan(Path original, Ticket ticket) throws IOException {
        return Pieces.plan(Pieces.FORMATS.inspect(original), ticket, Framing.centred());
    }

    private Path remark(Path original) throws IOException {
        Path piece = folder.resolve("piece.jpg");
        try (FileTarget target = FileTarget.create(piece)) {
            REMARKING.write(original, OriginalMetadata.NONE, plan(original, ticket()), target);
        }
        return piece;
    }

    @ParameterizedTest
    @ValueSource(strings = {"full", "halved", "progressive"})
    void marksAreNewAndPixelsAreTheSame(String kind) throws IOException {
        Path original = draw(kind);
        assertThat(REMARKING.suits(original, plan(original, ticket()))).isTrue();
        Path piece = remark(original);
        assertThat(Outside.python(SAME_PIXELS, original, piece).strip()).isEqualTo("True (300, 300) True");
        assertThat(Outside.exiftool(piece, "Warning", "Comment", "XResolution", "ProfileDescription"))
                .contains("XResolution : 300")
                .contains("sRGB IEC 61966-2-1")
                .doesNotContain("Warning")
                .doesNotContain("private words");
        Pieces.verify(piece);
    }

    @Test
    void codedDataGoesOverByteByByte() throws IOException {
        Path original = draw("halved");
        byte[] before = Files.readAllBytes(original);
        byte[] after = Files.readAllBytes(remark(original));
        int scan = indexOf(before, new byte[] {(byte) 0xFF, (byte) 0xDA});
        byte[] coded = Arrays.copyOfRange(before, scan, before.length);
        assertThat(Arrays.copyOfRange(after, after.length - coded.length, after.length))
                .isEqualTo(coded);
    }

    private static int indexOf(byte[] all, byte[] part) {
        String text = new String(all, StandardCharsets.ISO_8859_1);
        return text.indexOf(new String(part, StandardCharsets.ISO_8859_1));
    }

    @Test
    void whateverAsksForMoreIsMadeAnew() throws IOException {
        Path original = draw("full");
        Ticket own = ticket();
        for (Ticket more : new Ticket[] {
            own.withFile(new FileFormat.Png()),
            own.withSharpening(new Sharpening.ForPaper(PaperKind.MATT)),
            Pieces.ticket("1 in", "1 in", 100, new FileFormat.Jpeg(95))
        }) {
            assertThat(REMARKING.suits(original, plan(original, more))).isFalse();
        }
        // One has to be turned, the other gets another profile.
        for (Path other : new Path[] {draw("sideways"), draw("grey")}) {
            assertThat(REMARKING.suits(other, plan(other, own))).isFalse();
        }
    }

    @Test
    void picturesStoredAsRgbWouldChangeColourAndAreMadeAnew() throws IOException {
        // The same file with components named R, G, B and without JFIF: decoders then take it for RGB.
        byte[] bytes = Files.readAllBytes(draw("full"));
        byte[] named = Arrays.copyOf(bytes, bytes.length);
        named[6] = 'X';
        int frame = indexOf(named, new byte[] {(byte) 0xFF, (byte) 0xC0});
        int scan = indexOf(named, new byte[] {(byte) 0xFF, (byte) 0xDA});
        for (int c = 0; c < 3; c++) {
            named[frame + 10 + 3 * c] = (byte) "RGB".charAt(c);
            named[scan + 5 + 2 * c] = (byte) "RGB".charAt(c);
        }
        Path original = Files.write(folder.resolve("named.jpg"), named);
        assertThat(REMARKING.suits(original, plan(original, ticket()))).isFalse();
    }

    @Test
    void aPictureWithoutItsEndIsRefused() throws IOException {
        byte[] bytes = Files.readAllBytes(draw("full"));
        Path cut = Files.write(folder.resolve("cut.jpg"), Arrays.copyOf(bytes, bytes.length - 200));
        assertThatThrownBy(() -> remark(cut))
                .isInstanceOf(UnusablePictureException.class)
                .hasMessageContaining("cut short");
    }
}
