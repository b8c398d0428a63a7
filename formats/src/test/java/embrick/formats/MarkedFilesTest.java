package embrick.formats;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import embrick.core.source.SourceFacts;
import embrick.core.source.SourceFacts.ColourRemark;
import embrick.core.source.SourceFacts.ProfileOrigin;
import embrick.core.ticket.FileFormat;
import embrick.formats.exif.ExifFacts;
import embrick.formats.icc.ShippedProfile;
import embrick.formats.ifd.Ifd;
import embrick.formats.picture.UnusablePictureException;
import embrick.testing.Outside;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.HexFormat;
import java.util.zip.CRC32;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** What files say of their colours and their ppi beside a profile, in all the places where they say it. */
class MarkedFilesTest {
    @TempDir
    Path folder;

    private byte[] png;

    @BeforeEach
    void draw() throws IOException {
        Outside.python("""
                import sys
                from PIL import Image
                im = Image.merge('RGB', [Image.linear_gradient('L')] * 3)
                im.save(sys.argv[1] + '/plain.png'); im.convert('L').save(sys.argv[1] + '/grey.png')
                im.convert('CMYK').save(sys.argv[1] + '/ink.tif')
                im.save(sys.argv[1] + '/plain.jpg', dpi=(300, 300))
                """, folder);
        png = Files.readAllBytes(folder.resolve("plain.png"));
    }

    /** Behind IHDR, which is 25 bytes after the signature's 8. */
    private Path with(byte[] file, String... chunks) throws IOException {
        int size = 0;
        for (String chunk : chunks) {
            size += chunk.length() * 2 + 64;
        }
        ByteBuffer out = ByteBuffer.allocate(file.length + size);
        out.put(file, 0, 33);
        for (String chunk : chunks) {
            byte[] data = HexFormat.of().parseHex(chunk.substring(5));
            byte[] typed = ByteBuffer.allocate(4 + data.length)
                    .put(chunk.substring(0, 4).getBytes(java.nio.charset.StandardCharsets.US_ASCII))
                    .put(data)
                    .array();
            CRC32 crc = new CRC32();
            crc.update(typed);
            out.putInt(data.length).put(typed).putInt((int) crc.getValue());
        }
        out.put(file, 33, file.length - 33);
        return Files.write(folder.resolve("marked.png"), java.util.Arrays.copyOf(out.array(), out.position()));
    }

    private static String hex(int... numbers) {
        StringBuilder text = new StringBuilder();
        for (int number : numbers) {
            text.append(String.format("%08x", number));
        }
        return text.toString();
    }

    private static final int[] BT709 = {31270, 32900, 64000, 33000, 30000, 60000, 15000, 6000};
    private static final int[] WIDE = {31270, 32900, 64000, 33000, 21000, 71000, 15000, 6000};

    /** PNG, third edition, 4.3: code points above all else; H.273: 1 and 12 are the primaries of sRGB and P3, 13 sRGB's tone. */
    @ParameterizedTest
    @CsvSource({"01, SRGB", "0c, P3_D65"})
    void codePointsNameTheColours(String primaries, ShippedProfile expected) throws IOException {
        SourceFacts facts = Pieces.FORMATS.inspect(with(png, "cICP " + primaries + "0d0001"));
        assertThat(facts.colour().profile().orElseThrow().digest()).isEqualTo(expected.digest());
        assertThat(facts.colour().profile().orElseThrow().origin()).isEqualTo(ProfileOrigin.NAMED);
    }

    /** 9, 16: light of up to 10 000 cd/m²; narrow range. Not read, and said so. */
    @ParameterizedTest
    @ValueSource(strings = {"09100001", "010d0000", "09120001"})
    void codePointsThatAreNotReadAreTold(String points) throws IOException {
        SourceFacts facts = Pieces.FORMATS.inspect(with(png, "cICP " + points));
        assertThat(facts.colour().remarks()).extracting(ColourRemark::code).containsExactly("png-code-points");
    }

    @Test
    void gammaAndPrimariesOfSrgbAreSrgb() throws IOException {
        SourceFacts facts = Pieces.FORMATS.inspect(with(png, "gAMA " + hex(45455), "cHRM " + hex(BT709)));
        assertThat(facts.colour().profile().orElseThrow().digest()).isEqualTo(ShippedProfile.SRGB.digest());
    }

    /** Gamma 1.8 with opRGB's primaries becomes a profile with just these: as Little CMS reads the numbers back. */
    @Test
    void anotherGammaWithPrimariesBecomesAProfile() throws IOException {
        SourceFacts facts = Pieces.FORMATS.inspect(with(png, "gAMA " + hex(55556), "cHRM " + hex(WIDE)));
        String digest = facts.colour().profile().orElseThrow().digest();
        Path profile = Files.write(
                folder.resolve("made.icc"),
                Pieces.FORMATS
                        .profiles()
                        .bytes(new embrick.core.colour.ProfileRef.Icc(digest, embrick.core.pixels.ColourModel.RGB)));
        String said = Outside.transicc("128 128 128\n", "-n", "-i" + profile, "-o*XYZ", "-t1");
        double light = Math.pow(128 / 255.0, 1.8);
        String[] xyz = said.strip().split("\\s+");
        assertThat(Double.parseDouble(xyz[1]) / 100).isCloseTo(light, org.assertj.core.api.Assertions.within(0.001));
    }

    @Test
    void greyHasItsGammaToo() throws IOException {
        byte[] grey = Files.readAllBytes(folder.resolve("grey.png"));
        SourceFacts facts = Pieces.FORMATS.inspect(with(grey, "gAMA " + hex(55556)));
        assertThat(facts.colour().profile().orElseThrow().description()).contains("gamma 1.80");
    }

    /** A profile is stronger than sRGB's name and numbers; nonsense is as good as none. */
    @Test
    void nonsenseIsNotTaken() throws IOException {
        SourceFacts facts = Pieces.FORMATS.inspect(with(png, "gAMA " + hex(0), "cHRM " + hex(new int[8])));
        assertThat(facts.colour().profile()).isEmpty();
    }

    @Test
    void densitiesThatContradictEachOtherAreTold() throws IOException {
        Path jpeg = folder.resolve("plain.jpg");
        Outside.shell(
                "exiftool -q -overwrite_original -EXIF:XResolution=240 -EXIF:YResolution=240 -EXIF:ResolutionUnit=inches \"$1\"",
                jpeg);
        SourceFacts facts = Pieces.FORMATS.inspect(jpeg);
        assertThat(facts.colour().remarks()).extracting(ColourRemark::code).containsExactly("ppi-contradicted");
        assertThat(facts.ppi().orElseThrow().across().toPpi()).isEqualTo(240);
    }

    /** Programs that read JFIF's density only must see the ppi too: a piece that marks two is not as planned. */
    @Test
    void aPieceThatMarksTwoDensitiesIsNotPassed() throws IOException {
        Path piece = folder.resolve("piece.jpg");
        Pieces.make(
                folder.resolve("plain.png"),
                Pieces.ticket("2 in", "2 in", 100, new FileFormat.Jpeg(95)),
                embrick.core.framing.Framing.centred(),
                piece);
        Pieces.verify(piece);
        byte[] bytes = Files.readAllBytes(piece);
        // APP0 begins at 2; its densities stand 12 bytes behind.
        ByteBuffer.wrap(bytes).putShort(14, (short) 72).putShort(16, (short) 72);
        Files.write(piece, bytes);
        assertThatThrownBy(() -> Pieces.verify(piece))
                .isInstanceOf(UnusablePictureException.class)
                .hasMessageContaining("JFIF");
    }

    /** Noise of four inks at quality 100 codes larger than three channels ever do. */
    @Test
    void noiseOfFourInksAtFullQualityFitsItsRoom() throws IOException {
        Path noise = folder.resolve("noise.tif");
        Outside.python("""
                import sys, random
                from PIL import Image
                random.seed(1)
                Image.frombytes('CMYK', (640, 480), random.randbytes(640 * 480 * 4)).save(sys.argv[1])
                """, noise);
        Path piece = folder.resolve("noise.jpg");
        Pieces.make(
                noise,
                Pieces.ticket("6.4 in", "4.8 in", 100, new FileFormat.Jpeg(100))
                        .withColour(new embrick.core.ticket.OutputColour.Assign(new embrick.core.colour.ProfileRef.Icc(
                                ShippedProfile.LUSTRE_CMYK.digest(), embrick.core.pixels.ColourModel.CMYK))),
                embrick.core.framing.Framing.centred(),
                piece);
        assertThat(Pieces.verify(piece).stored().width()).isEqualTo(640);
    }

    /** Offsets at the end of 32 and 64 bits: added to a length they are none. */
    @ParameterizedTest
    @ValueSource(
            strings = {
                "49492b00080000007fffffffffffffff",
                "49492b0008000000f0ffffffffffff7f",
                "49492b0008000000ffffffffffffff7f",
                "4d4d002b00080000fffffffffffffff0",
                "49492a00ffffffff",
                "4d4d002a7fffffff"
            })
    void hostileDirectoriesAreNoDirectories(String block) {
        assertThat(ExifFacts.read(HexFormat.of().parseHex(block))).isEmpty();
    }

    /** 60 million bytes that are there and are no orientation: they are not made 60 million numbers of 64 bits. */
    @Test
    void countsBeyondAnyPictureAreNotMadeNumbers() throws IOException {
        byte[] head = new byte[26];
        ByteBuffer.wrap(head)
                .order(ByteOrder.LITTLE_ENDIAN)
                .put(new byte[] {'I', 'I', 42, 0})
                .putInt(8)
                .putShort((short) 1)
                .putShort((short) Ifd.ORIENTATION)
                .putShort((short) 1)
                .putInt(60_000_000)
                .putInt(26);
        Ifd ifd = Ifd.first((offset, length) -> {
            ByteBuffer part = ByteBuffer.allocate(length);
            part.put(0, head, (int) Math.min(offset, head.length), (int) Math.clamp(head.length - offset, 0, length));
            return part;
        });
        assertThatThrownBy(() -> ifd.numbers(Ifd.ORIENTATION))
                .isInstanceOf(IOException.class)
                .hasMessageContaining("60000000 numbers");
    }
}
