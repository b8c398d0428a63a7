package embrick.formats;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.catchThrowable;

import embrick.formats.picture.OpenedPicture;
import embrick.formats.picture.UnusablePictureException;
import embrick.formats.picture.UnusablePictureException.Kind;
import embrick.testing.Outside;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.HexFormat;
import java.util.Random;
import java.util.zip.CRC32;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestInstance;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

@TestInstance(TestInstance.Lifecycle.PER_CLASS)
class BadFilesTest {
    private Path folder;

    @BeforeAll
    void draw(@TempDir Path made) {
        folder = made;
        Outside.python("""
                import sys
                from PIL import Image
                d = sys.argv[1] + '/'
                rgb = Image.merge('RGB', [Image.effect_noise((320, 200), s) for s in (90, 60, 30)])
                rgb.save(d + 'whole.jpg', quality=90); rgb.save(d + 'whole.png')
                rgb.save(d + 'whole.tif', compression='tiff_lzw')
                """, folder);
    }

    private Path write(String name, byte[] bytes) throws IOException {
        return Files.write(folder.resolve(name), bytes);
    }

    private static void opened(Path file) throws IOException {
        try (OpenedPicture picture = Pieces.FORMATS.open(file)) {
            assertThat(picture.raster()).isNotNull();
        }
    }

    private static void refused(Path file, Kind kind, String code) {
        assertThatThrownBy(() -> opened(file)).isInstanceOfSatisfying(UnusablePictureException.class, problem -> {
            assertThat(problem.kind()).isEqualTo(kind);
            assertThat(problem.code()).isEqualTo(code);
            assertThat(problem.remedy()).isNotBlank();
        });
    }

    @Test
    void anEmptyFileIsBroken() throws IOException {
        refused(write("empty.jpg", new byte[0]), Kind.BROKEN, "empty");
    }

    @Test
    void textNamedJpgIsToldAsText() throws IOException {
        refused(
                write("notes.jpg", "shot list, second day\n".getBytes(StandardCharsets.UTF_8)),
                Kind.NOT_FOR_EMBRICK,
                "text");
    }

    /** First bytes as the formats' public descriptions give them. */
    @ParameterizedTest
    @CsvSource({
        "layered, 384250530001000000000000000300000100",
        "film, 000000186674797069736f6d0000020069736f6d61766331",
        "film, 00000014667479707174202000000000",
        "film, 1a45dfa39f4286810142f781",
        "avif, 00000018667479706176696600000000",
        "screen-format, 474946383961",
        "pdf, 255044462d312e34",
        "unknown, 7f454c460201010000000000"
    })
    void whatIsNoPictureForUsIsNotCalledBroken(String code, String hex) throws IOException {
        refused(write(code + hex.length() + ".jpg", HexFormat.of().parseHex(hex)), Kind.NOT_FOR_EMBRICK, code);
    }

    @ParameterizedTest
    @CsvSource({
        "whole.jpg, 0.3",
        "whole.jpg, 0.7",
        "whole.jpg, 0.98",
        "whole.png, 0.5",
        "whole.png, 0.97",
        "whole.tif, 0.5",
        "whole.jpg, 0.01",
        "whole.png, 0.0002",
        "whole.tif, 0.0001"
    })
    void aCutFileIsBroken(String name, double share) throws IOException {
        byte[] whole = Files.readAllBytes(folder.resolve(name));
        Path cut = write("cut" + share + name, Arrays.copyOf(whole, (int) Math.max(9, whole.length * share)));
        Throwable problem = catchThrowable(() -> opened(cut));
        assertThat(problem)
                .isInstanceOfSatisfying(
                        UnusablePictureException.class,
                        known -> assertThat(known.kind()).isEqualTo(Kind.BROKEN));
    }

    @Test
    void aCutJpegSaysWhereItEnds() throws IOException {
        byte[] whole = Files.readAllBytes(folder.resolve("whole.jpg"));
        Path cut = write("half.jpg", Arrays.copyOf(whole, whole.length / 2));
        assertThatThrownBy(() -> opened(cut))
                .hasMessageContaining("is cut short after")
                .hasMessageContaining("kB");
    }

    @ParameterizedTest
    @ValueSource(strings = {"jpg", "png", "tif"})
    void absurdHeadersAreRefusedBeforeMemoryIsTaken(String suffix) throws IOException {
        for (int side : new int[] {0, 60_000}) {
            byte[] bytes = Files.readAllBytes(folder.resolve("whole." + suffix));
            setSides(bytes, suffix, side);
            Path file = write("side" + side + "." + suffix, bytes);
            refused(file, side == 0 ? Kind.BROKEN : Kind.TOO_LARGE, side == 0 ? "no-pixels" : "too-large");
        }
    }

    private static void setSides(byte[] bytes, String suffix, int side) {
        ByteBuffer buffer = ByteBuffer.wrap(bytes);
        switch (suffix) {
            case "png" -> {
                buffer.putInt(16, side).putInt(20, side);
                CRC32 crc = new CRC32();
                crc.update(bytes, 12, 17);
                buffer.putInt(29, (int) crc.getValue());
            }
            case "jpg" -> {
                for (int at = 2; ; at += 2 + (buffer.getShort(at + 2) & 0xffff)) {
                    if ((bytes[at + 1] & 0xff) == 0xC0) {
                        buffer.putShort(at + 5, (short) side).putShort(at + 7, (short) side);
                        return;
                    }
                }
            }
            default -> {
                buffer.order(java.nio.ByteOrder.LITTLE_ENDIAN);
                int ifd = buffer.getInt(4);
                for (int i = 0; i < buffer.getShort(ifd); i++) {
                    int entry = ifd + 2 + i * 12;
                    int tag = buffer.getShort(entry) & 0xffff;
                    if (tag == 256 || tag == 257) {
                        buffer.putShort(entry + 2, (short) 4).putInt(entry + 8, side);
                    }
                }
            }
        }
    }

    @Test
    void arithmeticAnd12BitJpegsAreRefusedByName() throws IOException {
        byte[] bytes = Files.readAllBytes(folder.resolve("whole.jpg"));
        int frame = 0;
        while (!((bytes[frame] & 0xff) == 0xFF && (bytes[frame + 1] & 0xff) == 0xC0)) {
            frame++;
        }
        byte[] arithmetic = bytes.clone();
        arithmetic[frame + 1] = (byte) 0xC9;
        refused(write("arithmetic.jpg", arithmetic), Kind.NOT_FOR_EMBRICK, "jpeg-arithmetic");
        byte[] deep = bytes.clone();
        deep[frame + 4] = 12;
        refused(write("deep.jpg", deep), Kind.NOT_FOR_EMBRICK, "jpeg-depth");
    }

    /** Damage anywhere ends in a picture or in an exception with a reason, never in anything else. */
    @ParameterizedTest
    @ValueSource(strings = {"whole.jpg", "whole.png", "whole.tif"})
    void damagedBytesNeverEscapeAsAnotherError(String name) throws IOException {
        byte[] whole = Files.readAllBytes(folder.resolve(name));
        Random random = new Random(name.hashCode());
        for (int i = 0; i < 150; i++) {
            byte[] damaged = whole.clone();
            for (int hit = 0; hit < 1 + random.nextInt(6); hit++) {
                int within = random.nextBoolean() ? Math.min(700, damaged.length) : damaged.length;
                damaged[random.nextInt(within)] = (byte) random.nextInt(256);
            }
            Path file = write("damaged-" + name, damaged);
            Throwable problem = catchThrowable(() -> opened(file));
            assertThat(problem)
                    .as("round %d", i)
                    .satisfiesAnyOf(
                            none -> assertThat(none).isNull(),
                            known -> assertThat(known).isInstanceOf(UnusablePictureException.class));
        }
    }

    /** Ten thousand directories of 65 535 entries in 850 kB: all lie over one another, but for where the next one is told. */
    @Test
    void directoriesThatLieOverOneAnotherAreNotAllRead() throws IOException {
        int directories = 10_000;
        int table = 65_535 * 12;
        ByteBuffer tiff =
                ByteBuffer.allocate(8 + 6 * directories + 2 + table + 4).order(ByteOrder.LITTLE_ENDIAN);
        Arrays.fill(tiff.array(), (byte) 0xFF);
        tiff.put(0, (byte) 'I').put(1, (byte) 'I').putShort(2, (short) 42).putInt(4, 8);
        for (int i = 0; i < directories; i++) {
            int at = 8 + 6 * i;
            tiff.putInt(at + 2 + table, i + 1 < directories ? at + 6 : 0);
        }
        refused(write("overlapping.tif", tiff.array()), Kind.BROKEN, "damaged");
        assertThatThrownBy(() -> opened(folder.resolve("overlapping.tif")))
                .hasMessageContaining("its directories have more");
    }

    /** By libpng's own layout: the header of 15 800 × 15 800, and a few rows. No memory is taken for it. */
    @Test
    void aFewBytesThatClaimAHugePictureAreRefusedBeforeMemoryIsTaken() throws IOException {
        Path file = folder.resolve("huge.png");
        Outside.python("""
                import struct, sys, zlib
                def chunk(kind, data):
                    return struct.pack('>I', len(data)) + kind + data + struct.pack('>I', zlib.crc32(kind + data))
                side = 15800
                rows = zlib.compress(b'\\0' * (3 * side + 1) * 3, 9)
                open(sys.argv[1], 'wb').write(b'\\x89PNG\\r\\n\\x1a\\n'
                    + chunk(b'IHDR', struct.pack('>IIBBBBB', side, side, 8, 2, 0, 0, 0)) + chunk(b'IDAT', rows))
                """, file);
        assertThat(Files.size(file)).isLessThan(600);
        assertThatThrownBy(() -> Pieces.FORMATS.decode(file, Integer.MAX_VALUE, (size, channels, bytes) -> {
                    throw new AssertionError("memory for " + size);
                }))
                .isInstanceOfSatisfying(UnusablePictureException.class, problem -> {
                    assertThat(problem.kind()).isEqualTo(Kind.BROKEN);
                    assertThat(problem.code()).isEqualTo("cut-short");
                });
    }
}
