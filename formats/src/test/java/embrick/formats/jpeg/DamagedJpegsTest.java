package embrick.formats.jpeg;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import embrick.formats.Pieces;
import embrick.formats.picture.Damage;
import embrick.formats.picture.OpenedPicture;
import embrick.formats.picture.UnusablePictureException;
import embrick.testing.Outside;
import java.io.IOException;
import java.lang.foreign.ValueLayout;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.stream.Stream;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestInstance;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;
import org.junit.jupiter.params.provider.ValueSource;

/** Pictures damaged as disks, cards and lines damage them: none that can be seen passes without a word. */
@TestInstance(TestInstance.Lifecycle.PER_CLASS)
class DamagedJpegsTest {
    private static final int TIMES = Boolean.getBoolean("embrick.thorough") ? 12 : 6;

    private Path folder;

    /** A scene with large forms, fine lines and grain, coded in all ways that are read. */
    @BeforeAll
    void draw(@TempDir Path made) {
        folder = made;
        Outside.python("""
                import sys
                from PIL import Image, ImageDraw, ImageFilter, ImageChops
                d = sys.argv[1] + '/'
                w, h = 900, 620
                sky = Image.linear_gradient('L').resize((w, h))
                im = Image.merge('RGB', (sky.point(lambda v: 40 + v // 2), sky.point(lambda v: 90 + v // 2), sky.point(lambda v: 200 - v // 3)))
                draw = ImageDraw.Draw(im)
                for i in range(40): draw.line((i * 23, 0, 900 - i * 11, 620), fill=(i * 6, 255 - i * 5, 60), width=1 + i % 4)
                for i in range(9): draw.ellipse((60 + 90 * i, 200 + 20 * i, 140 + 90 * i, 280 + 20 * i), fill=(250 - 20 * i, 30 * i, 90))
                grain = Image.effect_noise((w, h), 18)
                im = ImageChops.add(im, Image.merge('RGB', [grain] * 3), scale=1, offset=-128)
                im.save(d + 'full.jpg', quality=92, subsampling=0); im.save(d + 'half.jpg', quality=85, subsampling=2)
                im.save(d + 'progressive.jpg', quality=88, progressive=True); im.convert('L').save(d + 'grey.jpg', quality=90)
                im.save(d + 'restarts.jpg', quality=90, restart_marker_rows=1)
                im.convert('CMYK').save(d + 'inks.jpg', quality=90)
                """, folder);
    }

    private enum Kind {
        /** A sector that was never written. */
        ZEROS_512,
        ZEROS_64,
        NOISE_64,
        ONE_BYTE,
        /** A sector of another file. */
        FOREIGN_512,
        LOST_100,
        LOST_1,
        REPEATED_300,
        CUT,
        /** Cut, and ended by somebody who meant well. */
        CUT_AND_ENDED
    }

    private static byte[] damaged(byte[] sound, Kind kind, Random random) {
        int from = sound.length / 5 + random.nextInt(sound.length * 3 / 5);
        byte[] bytes = sound.clone();
        return switch (kind) {
            case ZEROS_512 -> filled(bytes, from, 512, new byte[512]);
            case ZEROS_64 -> filled(bytes, from, 64, new byte[64]);
            case NOISE_64 -> filled(bytes, from, 64, noise(64, random));
            case ONE_BYTE -> filled(bytes, from, 1, noise(1, random));
            case FOREIGN_512 -> filled(bytes, from, 512, Arrays.copyOfRange(sound, 700, 1212));
            case LOST_100 -> joined(Arrays.copyOf(sound, from), Arrays.copyOfRange(sound, from + 100, sound.length));
            case LOST_1 -> joined(Arrays.copyOf(sound, from), Arrays.copyOfRange(sound, from + 1, sound.length));
            case REPEATED_300 ->
                joined(Arrays.copyOf(sound, from + 300), Arrays.copyOfRange(sound, from, sound.length));
            case CUT -> Arrays.copyOf(sound, from);
            case CUT_AND_ENDED -> joined(Arrays.copyOf(sound, from), new byte[] {(byte) 0xFF, (byte) 0xD9});
        };
    }

    private static byte[] filled(byte[] bytes, int from, int length, byte[] with) {
        System.arraycopy(with, 0, bytes, from, Math.min(length, bytes.length - from));
        return bytes;
    }

    private static byte[] noise(int length, Random random) {
        byte[] noise = new byte[length];
        random.nextBytes(noise);
        return noise;
    }

    private static byte[] joined(byte[] one, byte[] other) {
        byte[] all = Arrays.copyOf(one, one.length + other.length);
        System.arraycopy(other, 0, all, one.length, other.length);
        return all;
    }

    static Stream<Arguments> files() {
        return Stream.of("full.jpg", "half.jpg", "progressive.jpg", "grey.jpg", "restarts.jpg", "inks.jpg")
                .map(Arguments::of);
    }

    /**
     * Of each kind some. A share that is told: where a code finds its step again after as many blocks as there should be,
     * and every code could be, the format itself has nothing to find it by.
     */
    @ParameterizedTest
    @MethodSource("files")
    void damageThatIsSeenIsTold(String name) throws IOException {
        byte[] sound = Files.readAllBytes(folder.resolve(name));
        List<String> unseen = new ArrayList<>();
        int visible = 0;
        try (OpenedPicture whole = Pieces.FORMATS.open(folder.resolve(name))) {
            for (Kind kind : Kind.values()) {
                Random random = new Random(kind.name().hashCode());
                for (int i = 0; i < TIMES; i++) {
                    Path file = Files.write(folder.resolve("damaged-" + name), damaged(sound, kind, random));
                    String fate = fate(file, whole);
                    visible += fate.equals("invisible") ? 0 : 1;
                    if (fate.equals("unseen")) {
                        unseen.add(kind + " " + i);
                    }
                }
            }
        }
        System.out.println(name + ": " + visible + " visibly damaged, unseen " + unseen);
        assertThat(unseen).noneMatch(one -> one.startsWith("ZEROS") || one.startsWith("CUT"));
        // The rest is what the format itself has no check for: see StrictCheck.
        assertThat(unseen.size()).isLessThanOrEqualTo(visible / 15);
    }

    private static String fate(Path file, OpenedPicture whole) throws IOException {
        try (OpenedPicture opened = Pieces.FORMATS.openAsItIs(file, Integer.MAX_VALUE)) {
            if (opened.damage().isPresent()
                    || Pieces.FORMATS.examine(file).damage().isPresent()) {
                return "told";
            }
            double sum = 0;
            long all = whole.raster().samples().byteSize();
            for (long i = 0; i < all; i++) {
                sum += Math.abs((whole.raster().samples().get(ValueLayout.JAVA_BYTE, i) & 0xff)
                        - (opened.raster().samples().get(ValueLayout.JAVA_BYTE, i) & 0xff));
            }
            // A mean of a twentieth of a count: a few blocks slightly off.
            return sum / all < 0.05 ? "invisible" : "unseen";
        } catch (UnusablePictureException refused) {
            return "told";
        }
    }

    @ParameterizedTest
    @MethodSource("files")
    void soundOnesAreSound(String name) throws IOException {
        assertThat(Pieces.FORMATS.examine(folder.resolve(name)).damage()).isEmpty();
        try (OpenedPicture opened = Pieces.FORMATS.open(folder.resolve(name))) {
            assertThat(opened.damage()).isEmpty();
        }
    }

    /** Half of the coded data are gone: about half of the rows are there, and the row where they end is told. */
    @ParameterizedTest
    @ValueSource(strings = {"full.jpg", "half.jpg", "grey.jpg"})
    void whereItBeginsIsTold(String name) throws IOException {
        byte[] sound = Files.readAllBytes(folder.resolve(name));
        Path cut = Files.write(folder.resolve("half-" + name), Arrays.copyOf(sound, sound.length / 2));
        try (OpenedPicture opened = Pieces.FORMATS.openAsItIs(cut, Integer.MAX_VALUE);
                OpenedPicture whole = Pieces.FORMATS.open(folder.resolve(name))) {
            double begins = opened.damage().map(Damage::begins).orElseThrow();
            assertThat(begins).isBetween(0.25, 0.75);
            assertThat(Pieces.FORMATS.examine(cut).damage().map(Damage::begins).orElseThrow())
                    .isCloseTo(begins, org.assertj.core.api.Assertions.within(0.06));
            // Above it all is as it was, but for the row of blocks at its edge, which colour is smoothed across.
            long sure = (long) (begins * 620 - 32) * opened.raster().rowBytes();
            assertThat(opened.raster()
                            .samples()
                            .asSlice(0, sure)
                            .mismatch(whole.raster().samples().asSlice(0, sure)))
                    .isEqualTo(-1);
        }
        assertThatThrownBy(() -> Pieces.FORMATS.open(cut)).hasMessageContaining("from about row");
    }

    /** Stray bytes before a restart of our own writing, and the last strip lost: what passed the check of a finished piece. */
    @Test
    void aFinishedPieceWithStrayBytesIsNotPassed() throws IOException {
        Path piece = folder.resolve("piece.jpg");
        Pieces.make(
                folder.resolve("full.jpg"),
                Pieces.ticket("9 in", "6 in", 100, new embrick.core.ticket.FileFormat.Jpeg(95)),
                embrick.core.framing.Framing.centred(),
                piece);
        Pieces.verify(piece);
        byte[] bytes = Files.readAllBytes(piece);
        int restart = bytes.length / 2;
        while (!((bytes[restart] & 0xff) == 0xFF && (bytes[restart + 1] & 0xf8) == 0xD0)) {
            restart++;
        }
        Path stray = Files.write(
                folder.resolve("stray.jpg"),
                joined(
                        joined(Arrays.copyOf(bytes, restart), new byte[] {1, 2, 3}),
                        Arrays.copyOfRange(bytes, restart, bytes.length)));
        Path strayAndCut = Files.write(
                folder.resolve("stray-cut.jpg"), Arrays.copyOf(Files.readAllBytes(stray), bytes.length * 3 / 4));
        Path swapped = folder.resolve("swapped.jpg");
        byte[] other = bytes.clone();
        other[restart + 1] ^= 1;
        Files.write(swapped, other);
        for (Path file : List.of(stray, strayAndCut, swapped)) {
            assertThatThrownBy(() -> Pieces.verify(file)).isInstanceOf(UnusablePictureException.class);
            assertThat(Pieces.FORMATS.examine(file).damage()).isPresent();
        }
    }

    /** Stretches of zeros that are read as blocks: a decoder says nothing of some. Whatever it says is found here too. */
    @Test
    void aDecoderIsNotAskedAlone() throws IOException {
        byte[] sound = Files.readAllBytes(folder.resolve("inks.jpg"));
        Random random = new Random(3);
        int onlyHere = 0;
        for (int i = 0; i < 10 * TIMES; i++) {
            Path file = Files.write(folder.resolve("one.jpg"), damaged(sound, Kind.ZEROS_512, random));
            Optional<Damage> strict = Pieces.FORMATS.examine(file).damage();
            try (OpenedPicture opened = Pieces.FORMATS.openAsItIs(file, 100)) {
                onlyHere += strict.isPresent() && opened.damage().isEmpty() ? 1 : 0;
                assertThat(strict.isPresent() || opened.damage().isEmpty())
                        .as("number %d", i)
                        .isTrue();
            } catch (UnusablePictureException refused) {
                assertThat(strict).as("number %d", i).isPresent();
            }
        }
        assertThat(onlyHere).isPositive();
    }
}
