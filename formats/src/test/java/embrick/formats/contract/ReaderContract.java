package embrick.formats.contract;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import embrick.core.pixels.Raster;
import embrick.formats.Pieces;
import embrick.formats.binding.HugePages;
import embrick.formats.picture.DecodeLimits;
import embrick.formats.picture.OpenedPicture;
import embrick.formats.picture.PictureColours;
import embrick.formats.picture.PictureFormat;
import embrick.formats.picture.UnusablePictureException;
import embrick.testing.Outside;
import java.io.IOException;
import java.lang.foreign.ValueLayout;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.Random;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** What every reader of pictures keeps. A new format is held to it by a subclass that draws one file. */
abstract class ReaderContract {
    private static final String DRAW = """
            import sys
            from PIL import Image, ImageFilter
            w, h = 320, 210
            rgb = Image.merge('RGB', [Image.effect_noise((w, h), s).filter(ImageFilter.GaussianBlur(2)) for s in (90, 60, 40)])
            rgb.save(sys.argv[1] + '/drawn.png')
            rgb.save(sys.argv[1] + '/drawn.' + sys.argv[2], **eval(sys.argv[3]))
            """;

    @TempDir
    Path folder;

    private Path file;
    private byte[] bytes;

    /** Pillow's suffix, or {@code png} where {@link #convert} makes the file of one. */
    abstract String suffix();

    /** Pillow's settings. */
    String settings() {
        return "{}";
    }

    /** How far from the drawn picture samples may be in the mean, of 255: nothing where the format keeps all. */
    abstract double meanDistance();

    /** Makes the file where Pillow does not. */
    Path convert(Path drawn) {
        return drawn;
    }

    /** The reader itself, as a decoder's process has it. */
    abstract PictureFormat reader(PictureColours colours);

    @BeforeEach
    void draw() throws IOException {
        Outside.python(DRAW, folder, suffix(), settings());
        file = convert(folder.resolve("drawn." + suffix()));
        bytes = Files.readAllBytes(file);
    }

    private Path written(byte[] other) throws IOException {
        return Files.write(folder.resolve("other." + suffix()), other);
    }

    private static double distance(Raster one, Raster other, long most) {
        double sum = 0;
        for (long i = 0; i < most; i++) {
            sum += Math.abs((one.samples().get(ValueLayout.JAVA_BYTE, i) & 0xff)
                    - (other.samples().get(ValueLayout.JAVA_BYTE, i) & 0xff));
        }
        return sum / most;
    }

    @Test
    void pixelsAreAsDrawn() throws IOException {
        try (OpenedPicture opened = Pieces.FORMATS.open(file);
                OpenedPicture drawn = Pieces.FORMATS.open(folder.resolve("drawn.png"))) {
            assertThat(opened.damage()).isEmpty();
            assertThat(opened.raster().stored()).isEqualTo(drawn.raster().stored());
            assertThat(distance(
                            opened.raster(),
                            drawn.raster(),
                            drawn.raster().samples().byteSize()))
                    .isLessThanOrEqualTo(meanDistance());
        }
    }

    @Test
    void factsAreThoseOfTheRaster() throws IOException {
        try (OpenedPicture opened = Pieces.FORMATS.open(file)) {
            assertThat(opened.facts()).isEqualTo(Pieces.FORMATS.inspect(file));
            assertThat(opened.facts().stored()).isEqualTo(opened.raster().stored());
            assertThat(opened.facts().colour().channels())
                    .isEqualTo(opened.raster().channels());
            assertThat(opened.facts().colour().bitsPerChannel())
                    .isEqualTo(8 * opened.raster().bytesPerSample());
            assertThat(opened.facts().fileBytes()).isEqualTo(bytes.length);
            assertThat(Pieces.FORMATS.examine(file).damage()).isEmpty();
        }
    }

    @Test
    void aReducedOneIsAtLeastAsLargeAsAsked() throws IOException {
        for (int edge : new int[] {1, 40, 319, 320, 5000}) {
            try (OpenedPicture opened = Pieces.FORMATS.openAsItIs(file, edge)) {
                assertThat(opened.raster().stored().width()).isBetween(Math.min(edge, 320), 320);
                assertThat(opened.facts().stored()).isEqualTo(opened.raster().stored());
            }
        }
    }

    @Test
    void readingTwiceIsReadingTheSame() throws IOException {
        try (OpenedPicture one = Pieces.FORMATS.open(file);
                OpenedPicture other = Pieces.FORMATS.open(file)) {
            assertThat(one.raster().samples().mismatch(other.raster().samples()))
                    .isEqualTo(-1);
        }
    }

    @Test
    void noFileAndAnEmptyOneAreToldApart() throws IOException {
        assertThatThrownBy(() -> Pieces.FORMATS.open(folder.resolve("none." + suffix())))
                .isInstanceOf(NoSuchFileException.class);
        assertThatThrownBy(() -> Pieces.FORMATS.open(written(new byte[0])))
                .isInstanceOf(UnusablePictureException.class);
    }

    @Test
    void limitsHoldBeforeAnythingIsTaken() {
        embrick.formats.Formats small =
                new embrick.formats.Formats(Pieces.FORMATS.profiles(), new DecodeLimits(320 * 210 - 1, 1 << 30));
        assertThatThrownBy(() -> small.inspect(file))
                .isInstanceOfSatisfying(
                        UnusablePictureException.class,
                        refused -> assertThat(refused.kind()).isEqualTo(UnusablePictureException.Kind.TOO_LARGE));
    }

    /** Cut anywhere: refused, or told as damaged with rows above that are as they were. Never sound. */
    @Test
    void aCutFileIsNeverSound() throws IOException {
        Random random = new Random(1);
        try (OpenedPicture whole = Pieces.FORMATS.open(file)) {
            for (int i = 0; i < 25; i++) {
                Path cut = written(Arrays.copyOf(bytes, 1 + random.nextInt(bytes.length - 30)));
                try (OpenedPicture opened = Pieces.FORMATS.openAsItIs(cut, Integer.MAX_VALUE)) {
                    assertThat(opened.damage())
                            .as("cut to %d bytes", Files.size(cut))
                            .isPresent();
                    long sound = (long) (opened.damage().get().begins() * 210 - 32)
                            * opened.raster().rowBytes();
                    if (sound > 0) {
                        assertThat(distance(opened.raster(), whole.raster(), sound))
                                .isLessThan(0.01);
                    }
                } catch (UnusablePictureException refused) {
                    assertThat(refused.getMessage()).isNotBlank();
                    assertThat(refused.remedy()).isNotBlank();
                }
            }
        }
    }

    /** Whatever stands in it: a picture or a refusal that says why, and the next file is read as ever. */
    @Test
    void aCorruptedFileHarmsNobodyElse() throws IOException {
        Random random = new Random(2);
        for (int i = 0; i < 25; i++) {
            byte[] other = bytes.clone();
            for (int hit = 0; hit < 12; hit++) {
                other[random.nextInt(other.length)] = (byte) random.nextInt(256);
            }
            try (OpenedPicture opened = Pieces.FORMATS.openAsItIs(written(other), Integer.MAX_VALUE)) {
                assertThat(opened.raster().samples().byteSize()).isPositive();
            } catch (UnusablePictureException refused) {
                assertThat(refused.getMessage()).isNotBlank();
            }
        }
        pixelsAreAsDrawn();
    }

    @Test
    void aDiskThatFailsIsNotTakenForADamagedFile() {
        PictureFormat reader = reader(new PictureColours(Pieces.FORMATS.profiles()));
        FailingReads.assertNotBlamedOnTheFile(file, reader::read);
        FailingReads.assertNotBlamedOnTheFile(file, failing -> {
            try (Raster pixels = reader.read(failing)
                    .decode(Integer.MAX_VALUE, HugePages::raster)
                    .raster()) {
                assertThat(pixels.samples().byteSize()).isPositive();
            }
        });
        FailingReads.assertNotBlamedOnTheFile(
                file, failing -> reader.read(failing).examine());
        FailingReads.assertNotBlamedOnTheFile(file, Pieces.FORMATS::inspect);
        FailingReads.assertNotBlamedOnTheFile(
                file,
                failing ->
                        assertThat(Pieces.FORMATS.metadata(failing).isDamaged()).isFalse());
    }
}
