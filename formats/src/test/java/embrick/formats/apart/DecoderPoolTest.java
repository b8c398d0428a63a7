package embrick.formats.apart;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import embrick.core.pixels.Raster;
import embrick.core.source.SourceFacts;
import embrick.formats.Formats;
import embrick.formats.icc.ProfileShelf;
import embrick.formats.picture.DecodeLimits;
import embrick.formats.picture.Decoded;
import embrick.formats.picture.NotExaminedException;
import embrick.formats.picture.OpenedPicture;
import embrick.formats.picture.UnusablePictureException;
import java.awt.image.BufferedImage;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import javax.imageio.ImageIO;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.api.parallel.Isolated;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import org.junit.jupiter.params.provider.ValueSource;

/** Pictures decoded by a process of their own: the same pixels, and no harm when that process ends. */
@Isolated("It looks at the heap, and at how long a child that hangs is waited for.")
class DecoderPoolTest {
    @TempDir
    Path folder;

    private final Formats formats = new Formats(new ProfileShelf(), DecodeLimits.DEFAULT);
    private BufferedImage drawn;

    @BeforeEach
    void aPicture() {
        drawn = new BufferedImage(173, 91, BufferedImage.TYPE_INT_RGB);
        for (int y = 0; y < 91; y++) {
            for (int x = 0; x < 173; x++) {
                drawn.setRGB(x, y, x * 7919 ^ y * 104_729);
            }
        }
    }

    private Path written(String format) throws IOException {
        Path file = folder.resolve("picture." + format);
        assertThat(ImageIO.write(drawn, format, file.toFile())).isTrue();
        return file;
    }

    private static long differing(Raster one, Raster other) {
        assertThat(other.samples().byteSize()).isEqualTo(one.samples().byteSize());
        return one.samples().mismatch(other.samples());
    }

    @ParameterizedTest
    @ValueSource(strings = {"jpg", "png", "tif"})
    void anyFormatHasTheSamePixelsApart(String format) throws IOException {
        Path file = written(format);
        try (OpenedPicture here = formats.open(file);
                OpenedPicture apart = formats.openApart(file, Integer.MAX_VALUE)) {
            assertThat(differing(here.raster(), apart.raster())).isEqualTo(-1);
            assertThat(apart.facts()).isEqualTo(here.facts());
        }
    }

    @Test
    void aRefusalComesThroughWithItsWords() throws IOException {
        Path file = written("png");
        byte[] bytes = Files.readAllBytes(file);
        bytes[60] ^= 0x55;
        Files.write(file, bytes);
        UnusablePictureException here = refusal(() -> formats.open(file));
        UnusablePictureException apart = refusal(() -> formats.openApart(file, Integer.MAX_VALUE));
        assertThat(apart.getMessage()).isEqualTo(here.getMessage());
        assertThat(apart.kind()).isEqualTo(here.kind());
    }

    private interface Opening {
        OpenedPicture open() throws IOException;
    }

    private static UnusablePictureException refusal(Opening opening) {
        try (OpenedPicture opened = opening.open()) {
            throw new AssertionError("opened: " + opened.facts());
        } catch (UnusablePictureException refused) {
            return refused;
        } catch (IOException other) {
            throw new AssertionError(other);
        }
    }

    /** Whatever a child does but answer whole, who is to blame is told, in bounded time, and the next picture is right. */
    @ParameterizedTest
    @EnumSource(BadChild.Behaviour.class)
    void aChildThatMisbehavesHarmsOnlyItsOwnPicture(BadChild.Behaviour behaviour) throws IOException {
        // Of processor time: a sound child answers in a tenth of it, however much else this machine has to do.
        DecoderPool pool = new DecoderPool(1, BadChild.class.getName(), Duration.ofSeconds(2));
        Path file = written("png");
        Path bad = folder.resolve(behaviour + ".png");
        Files.copy(file, bad);
        SourceFacts facts = formats.inspect(file);
        long begun = System.nanoTime();
        assertThatThrownBy(() -> pool.pixels(bad, facts, Integer.MAX_VALUE))
                .isInstanceOf(behaviour.isTheMachines() ? NotExaminedException.class : UnusablePictureException.class)
                .hasMessageMatching(".*(its decoder|could not be read).*");
        assertThat(Duration.ofNanos(System.nanoTime() - begun)).isLessThan(Duration.ofSeconds(300));
        assertDecodes(pool, file, facts);
    }

    private void assertDecodes(DecoderPool pool, Path file, SourceFacts facts) throws IOException {
        try (OpenedPicture here = formats.open(file)) {
            Decoded next = pool.pixels(file, facts, Integer.MAX_VALUE);
            assertThat(differing(here.raster(), next.raster())).isEqualTo(-1);
            next.raster().close();
        }
    }

    /** A class that is not there, and a heap that no machine has: the Java machine ends before it can say a word. */
    @Test
    void aChildThatNeverComesUpIsNotThePicturesFault() throws IOException {
        Path file = written("png");
        SourceFacts facts = formats.inspect(file);
        DecoderPool missing = new DecoderPool(1, "embrick.formats.NoSuchChild", Duration.ofSeconds(5));
        assertThatThrownBy(() -> missing.pixels(file, facts, Integer.MAX_VALUE))
                .isInstanceOf(NotExaminedException.class)
                .hasMessageContaining("did not come up")
                .hasMessageContaining("NoSuchChild");
        DecoderPool large =
                new DecoderPool(1, BadChild.class.getName(), List.of("-Xmx64t", "-Xms64t"), Duration.ofSeconds(5));
        assertThatThrownBy(() -> large.pixels(file, facts, Integer.MAX_VALUE))
                .isInstanceOf(NotExaminedException.class)
                .hasMessageContaining("did not come up");
    }

    /** An idle child that somebody ended is not asked: its end would be taken for the next picture's. */
    @Test
    void anIdleChildThatWasKilledIsReplaced() throws Exception {
        DecoderPool pool = new DecoderPool(1, BadChild.class.getName(), Duration.ofSeconds(5));
        Path file = written("png");
        SourceFacts facts = formats.inspect(file);
        assertDecodes(pool, file, facts);
        List<ProcessHandle> children = ProcessHandle.current()
                .children()
                .filter(process -> process.info().commandLine().orElse("").contains(BadChild.class.getName()))
                .toList();
        assertThat(children).isNotEmpty();
        for (ProcessHandle child : children) {
            child.destroyForcibly();
            child.onExit().get();
        }
        assertDecodes(pool, file, facts);
    }

    @Test
    void pixelsLieInMemoryThatTheHeapKnowsNothingOf() throws IOException {
        Path file = folder.resolve("large.png");
        BufferedImage large = new BufferedImage(6000, 4000, BufferedImage.TYPE_BYTE_GRAY);
        ImageIO.write(large, "png", file.toFile());
        SourceFacts facts = formats.inspect(file);
        long before = Runtime.getRuntime().totalMemory() - Runtime.getRuntime().freeMemory();
        Decoded decoded = DecoderPool.SHARED.pixels(file, facts, Integer.MAX_VALUE);
        long after = Runtime.getRuntime().totalMemory() - Runtime.getRuntime().freeMemory();
        assertThat(after - before).isLessThan(8 << 20);
        assertThat(decoded.raster().samples().byteSize()).isEqualTo(24_000_000);
        decoded.raster().close();
    }

    @Test
    void manyAtOnceAllGetTheirOwn() throws Exception {
        Path file = written("png");
        try (OpenedPicture here = formats.open(file);
                ExecutorService threads = Executors.newFixedThreadPool(8)) {
            List<Future<Long>> all = new ArrayList<>();
            for (int i = 0; i < 24; i++) {
                all.add(threads.submit(() -> {
                    try (OpenedPicture apart = formats.openApart(file, Integer.MAX_VALUE)) {
                        return differing(here.raster(), apart.raster());
                    }
                }));
            }
            for (Future<Long> one : all) {
                assertThat(one.get()).isEqualTo(-1);
            }
        }
    }
}
