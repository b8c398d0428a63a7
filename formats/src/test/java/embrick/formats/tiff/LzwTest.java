package embrick.formats.tiff;

import static org.assertj.core.api.Assertions.assertThat;

import embrick.core.framing.Framing;
import embrick.core.ticket.Depth;
import embrick.core.ticket.FileFormat;
import embrick.core.ticket.FileFormat.Packing;
import embrick.formats.Pieces;
import embrick.testing.Outside;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

/** LZW by the standard's own example, by its lengths, and by libtiff (Debian libtiff-tools) and Pillow, which read it. */
class LzwTest {
    @TempDir
    Path folder;

    /** TIFF 6.0, section 13, the example of the encoder; from memory. All its codes have nine bits. */
    @Test
    void theStandardsExample() {
        byte[] packed = new Lzw().pack(new byte[] {7, 7, 7, 8, 8, 7, 7, 6, 6});
        List<Integer> codes = new ArrayList<>();
        for (int bit = 0; bit + 9 <= packed.length * 8; bit += 9) {
            int at = bit / 8;
            int two = (packed[at] & 0xff) << 8 | packed[at + 1] & 0xff;
            codes.add(two >>> (7 - bit % 8) & 0x1ff);
        }
        assertThat(codes).startsWith(256, 7, 258, 8, 8, 258, 6, 6, 257);
    }

    /** Around each width of the codes and each table that is full. */
    @Test
    void everyLengthIsReadToItsEnd() {
        Random random = new Random(11);
        Lzw lzw = new Lzw();
        for (int length = 0; length < 12_000; length += length < 6000 ? 7 : 501) {
            byte[] noise = new byte[length];
            random.nextBytes(noise);
            byte[] flat = new byte[length];
            byte[] ramp = new byte[length];
            for (int i = 0; i < length; i++) {
                ramp[i] = (byte) (i / 3 + random.nextInt(2));
            }
            for (byte[] one : List.of(noise, flat, ramp)) {
                byte[] packed = lzw.pack(one);
                byte[] unpacked = new byte[length];
                assertThat(Lzw.unpack(ByteBuffer.wrap(packed), unpacked)).isEqualTo(length);
                assertThat(unpacked).isEqualTo(one);
            }
        }
    }

    @Test
    void aStripThatIsCutIsNotTakenForWhole() {
        byte[] packed = new Lzw().pack(new byte[5000]);
        for (int length = 0; length < packed.length - 1; length++) {
            assertThat(Lzw.unpack(ByteBuffer.wrap(Arrays.copyOf(packed, length)), new byte[5000]))
                    .as("%d of %d bytes", length, packed.length)
                    .isNotEqualTo(5000);
        }
    }

    @ParameterizedTest
    @EnumSource(
            value = Depth.class,
            names = {"EIGHT", "SIXTEEN"})
    void libtiffAndPillowReadTheVeryPixels(Depth depth) throws IOException {
        Path original = folder.resolve("noise.png");
        Outside.python("""
                import sys
                from PIL import Image, ImageFilter
                noise = [Image.effect_noise((700, 500), s).filter(ImageFilter.GaussianBlur(b)) for s, b in ((90, 0), (60, 2), (30, 9))]
                Image.merge('RGB', noise).save(sys.argv[1])
                """, original);
        Path plain = made(original, Packing.PLAIN, depth);
        Path packed = made(original, Packing.LZW, depth);
        assertThat(Outside.exiftool(packed, "Compression", "Predictor"))
                .contains("Compression : 5")
                .contains("Predictor : 2");
        Outside.shell(
                "tiffcp -c none \"$1\" \"$2\"; tiffcmp \"$2\" \"$3\"", packed, folder.resolve("copied.tif"), plain);
        assertThat(Pieces.verify(packed).stored())
                .isEqualTo(Pieces.verify(plain).stored());
        if (depth == Depth.EIGHT) {
            assertThat(packed.toFile().length()).isLessThan(plain.toFile().length());
            assertThat(Outside.python(
                            "import sys; from PIL import Image, ImageChops; a, b = [Image.open(p) for p in sys.argv[1:]];"
                                    + " print(ImageChops.difference(a, b).getbbox())",
                            packed,
                            plain))
                    .contains("None");
        }
    }

    private Path made(Path original, Packing packing, Depth depth) throws IOException {
        FileFormat file = new FileFormat.Tiff(packing, depth);
        Path piece = folder.resolve(packing + ".tif");
        Pieces.make(original, Pieces.ticket("4 in", "5 in", 200, file), Framing.centred(), piece);
        return piece;
    }
}
