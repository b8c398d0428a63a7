package embrick.formats.jpeg;

import static org.assertj.core.api.Assertions.assertThat;

import embrick.core.pixels.Orientation;
import embrick.core.pixels.Raster;
import embrick.formats.Pieces;
import embrick.formats.jpeg.coded.PartStream;
import embrick.formats.jpeg.coded.RowIndex;
import embrick.formats.picture.OpenedPicture;
import embrick.formats.picture.Watch;
import embrick.testing.Outside;
import java.io.IOException;
import java.lang.foreign.MemorySegment;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.concurrent.Callable;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.stream.Stream;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/**
 * A JPEG read in parts has the samples that libjpeg-turbo makes of the whole, whatever part is read first. The files are
 * written by Pillow and by libjpeg-turbo's cjpeg.
 */
class JpegPartsTest {
    @TempDir
    static Path folder;

    @BeforeAll
    static void write() {
        Outside.python("""
                import sys
                from PIL import Image, ImageDraw, ImageChops
                d = sys.argv[1] + '/'
                w, h = 501, 1337
                sky = Image.linear_gradient('L').resize((w, h))
                im = Image.merge('RGB', (sky, sky.point(lambda v: 90 + v // 2), sky.point(lambda v: 250 - v // 3)))
                draw = ImageDraw.Draw(im)
                for i in range(60): draw.line((i * 23, 0, 900 - i * 11, h), fill=(i * 4, 255 - i * 4, 60), width=1 + i % 4)
                grain = Image.effect_noise((w, h), 18)
                im = ImageChops.add(im, Image.merge('RGB', [grain] * 3), scale=1, offset=-128)
                for s, name in enumerate(('full', 'half-across', 'half')):
                    im.save(d + name + '.jpg', quality=92, subsampling=s)
                    im.save(d + name + '-own-tables.jpg', quality=60, subsampling=s, optimize=True)
                    im.save(d + name + '-restarts.jpg', quality=80, subsampling=s, restart_marker_rows=1)
                    im.save(d + name + '-odd-restarts.jpg', quality=80, subsampling=s, restart_marker_blocks=7)
                im.save(d + 'best.jpg', quality=100, subsampling=0)
                im.save(d + 'worst.jpg', quality=4, subsampling=2)
                im.convert('L').save(d + 'grey.jpg', quality=90)
                im.convert('L').save(d + 'grey-own-tables.jpg', quality=40, optimize=True)
                im.convert('CMYK').save(d + 'inks.jpg', quality=90)
                im.save(d + 'exif.jpg', quality=85, exif=b'Exif\\0\\0II*\\0' + bytes(9000), icc_profile=bytes(70000), comment=b'x' * 9000)
                im.save(d + 'progressive.jpg', quality=88, progressive=True)
                im.crop((0, 0, 501, 90)).save(d + 'low.jpg', quality=88)
                im.save(d + 'im.ppm')
                # A slow ramp: its own table has no code for a mean that far from the one before, as a part's first one is.
                Image.linear_gradient('L').resize((640, 1400), Image.BILINEAR).save(d + 'ramp.jpg', quality=95, optimize=True)
                """, folder);
        for (String sampling : List.of("1x2", "4x1", "1x4", "4x2")) {
            Outside.shell(
                    "cjpeg -quality 90 -sample $1 -outfile $2 $3",
                    sampling,
                    file("sample-" + sampling),
                    folder.resolve("im.ppm"));
        }
    }

    private static String file(String name) {
        return folder.resolve(name + ".jpg").toString();
    }

    static Stream<String> inParts() {
        List<String> names =
                new ArrayList<>(List.of("best", "worst", "grey", "grey-own-tables", "inks", "exif", "low", "ramp"));
        for (String sampling : List.of("full", "half-across", "half")) {
            names.add(sampling);
            names.add(sampling + "-own-tables");
            names.add(sampling + "-restarts");
            names.add(sampling + "-odd-restarts");
        }
        for (String sampling : List.of("1x2", "4x1", "1x4", "4x2")) {
            names.add("sample-" + sampling);
        }
        return names.stream();
    }

    private static OpenedPicture open(String name) throws IOException {
        Path path = Path.of(file(name));
        byte[] index = Pieces.FORMATS.examine(path).index().orElseThrow();
        return Pieces.FORMATS.openInParts(path, index, Watch.NONE);
    }

    private static float[] rows(Raster raster, int y, int count) {
        int width = raster.stored().width();
        float[] into = new float[width * count * raster.channels()];
        raster.readSeen(Orientation.UPRIGHT, 0, y, width, count, into, 0);
        return into;
    }

    @ParameterizedTest
    @MethodSource("inParts")
    void rowsReadInAnyOrderAreThoseOfTheWhole(String name) throws IOException {
        try (OpenedPicture whole = Pieces.FORMATS.open(Path.of(file(name)));
                OpenedPicture parts = open(name)) {
            int height = whole.raster().stored().height();
            List<Integer> order = new ArrayList<>();
            for (int y = 0; y < height; y++) {
                order.add(y);
            }
            Collections.shuffle(order, new Random(name.hashCode()));
            for (int y : order) {
                assertThat(rows(parts.raster(), y, 1)).as("row %d", y).isEqualTo(rows(whole.raster(), y, 1));
            }
            assertThat(parts.raster().samples().mismatch(whole.raster().samples()))
                    .isEqualTo(-1);
        }
    }

    /** Each part is cut at every row where one can begin, not only where the reader would cut. */
    @ParameterizedTest
    @MethodSource("inParts")
    void everyRowCanBeginAPart(String name) throws IOException {
        byte[] file = Files.readAllBytes(Path.of(file(name)));
        RowIndex index = RowIndex.of(
                        Pieces.FORMATS.examine(Path.of(file(name))).index().orElseThrow())
                .orElseThrow();
        PartStream stream = PartStream.of(MemorySegment.ofArray(file), index).orElseThrow();
        Path cut = folder.resolve("cut.jpg");
        int there = 0;
        int[] begins = stream.beginnings(1);
        for (int i = 0; i + 1 < begins.length; i++) {
            Optional<byte[]> part = stream.cut(begins[i], begins[i + 1]);
            if (part.isPresent()) {
                there++;
                Files.write(cut, part.get());
                // Sound to the last bit: nothing missing, nothing over.
                assertThat(Pieces.FORMATS.examine(cut).damage())
                        .as("rows from %d", begins[i])
                        .isEmpty();
            }
        }
        if (name.equals("ramp")) {
            assertThat(there).isLessThan(begins.length - 1);
        } else if (!name.contains("own-tables")) {
            assertThat(there).isEqualTo(begins.length - 1);
        }
    }

    @Test
    void threadsThatReadTogetherSeeTheSame() throws Exception {
        for (String name : List.of("full", "half", "half-restarts", "inks", "ramp")) {
            try (OpenedPicture whole = Pieces.FORMATS.open(Path.of(file(name)));
                    OpenedPicture parts = open(name);
                    ExecutorService threads = Executors.newFixedThreadPool(4)) {
                int height = whole.raster().stored().height();
                List<Callable<Boolean>> all = new ArrayList<>();
                for (int y = 0; y + 7 <= height; y += 7) {
                    int at = y;
                    all.add(() -> Arrays.equals(rows(parts.raster(), at, 7), rows(whole.raster(), at, 7)));
                }
                for (Future<Boolean> same : threads.invokeAll(all)) {
                    assertThat(same.get()).as(name).isTrue();
                }
            }
        }
    }

    @Test
    void progressiveFilesHaveNoParts() throws IOException {
        assertThat(Pieces.FORMATS.examine(Path.of(file("progressive"))).index()).isEmpty();
    }

    @Test
    void anIndexThatIsDamagedOrOfAnotherFileIsAsGoodAsNone() throws IOException {
        byte[] index = Pieces.FORMATS.examine(Path.of(file("half"))).index().orElseThrow();
        Random random = new Random(7);
        for (int i = 0; i < 200; i++) {
            byte[] damaged = index.clone();
            damaged[random.nextInt(damaged.length)] ^= (byte) (1 << random.nextInt(8));
            assertThat(RowIndex.of(damaged)).isEmpty();
        }
        for (int length = 0; length < index.length; length += 11) {
            assertThat(RowIndex.of(Arrays.copyOf(index, length))).isEmpty();
        }
        Path other = Path.of(file("full"));
        try (OpenedPicture whole = Pieces.FORMATS.open(other);
                OpenedPicture parts = Pieces.FORMATS.openInParts(other, index, Watch.NONE)) {
            assertThat(parts.raster().samples().mismatch(whole.raster().samples()))
                    .isEqualTo(-1);
        }
    }
}
