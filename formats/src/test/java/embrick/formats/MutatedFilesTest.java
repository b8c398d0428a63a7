package embrick.formats;

import static org.assertj.core.api.Assertions.assertThat;

import embrick.testing.Outside;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.TimeUnit;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.TestInstance;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/** Hundreds of damaged files for each reader: no death, no hang, no unbounded memory, every refusal with its reason. */
@TestInstance(TestInstance.Lifecycle.PER_CLASS)
class MutatedFilesTest {
    private static final int TIMES = Boolean.getBoolean("embrick.thorough") ? 300 : 40;
    private static final int MINUTES = 20;

    private Path folder;
    private String said;

    @BeforeAll
    void drawAndDamage(@TempDir Path made) throws IOException, InterruptedException {
        folder = made;
        Outside.python("""
                import sys
                from PIL import Image, ImageCms, ImageFilter
                d = sys.argv[1] + '/'
                w, h = 64, 50
                rgb = Image.merge('RGB', [Image.effect_noise((w, h), s).filter(ImageFilter.GaussianBlur(1)) for s in (90, 60, 30)])
                rgba = rgb.copy(); rgba.putalpha(Image.linear_gradient('L').resize((w, h)))
                srgb = ImageCms.ImageCmsProfile(ImageCms.createProfile('sRGB')).tobytes()
                exif = Image.Exif(); exif[274] = 6; exif[282] = 240.0; exif[283] = 240.0; exif[296] = 2
                rgb.save(d + 'baseline.jpg', quality=90, icc_profile=srgb, exif=exif)
                rgb.save(d + 'progressive.jpg', progressive=True); rgb.convert('CMYK').save(d + 'cmyk.jpg')
                rgb.save(d + 'rgb.png', icc_profile=srgb); rgba.quantize(32).save(d + 'palette.png')
                rgb.save(d + 'lossy.webp', icc_profile=srgb); rgba.save(d + 'lossless.webp', lossless=True, exif=exif)
                rgb.save(d + 'plain.tif', icc_profile=srgb, tiffinfo={282: 300.0, 283: 300.0, 296: 2})
                rgba.save(d + 'rgba.png')
                """, folder);
        Outside.shell("""
                cd "$1"
                tiffcp -c lzw:2 -t -w 16 -l 16 plain.tif tiled.tif; tiffcp -8 -c zip:2 plain.tif big.tif
                heif-enc -q 90 rgb.png -o rgb.heic >/dev/null; heif-enc -q 90 rgba.png -o rgba.heic >/dev/null
                """, folder);
        said = damageAll();
    }

    private static Stream<String> names() {
        return Stream.of(
                "baseline.jpg",
                "progressive.jpg",
                "cmyk.jpg",
                "rgb.png",
                "palette.png",
                "plain.tif",
                "tiled.tif",
                "big.tif",
                "lossy.webp",
                "lossless.webp",
                "rgb.heic",
                "rgba.heic");
    }

    /** In a process of its own, which a damaged file must not end. */
    private String damageAll() throws IOException, InterruptedException {
        Path said = folder.resolve("said.txt");
        List<String> command = new ArrayList<>(List.of(
                ProcessHandle.current().info().command().orElseThrow(),
                "-Xmx256m",
                "-XX:-CreateCoredumpOnCrash",
                "-XX:ErrorFile=/dev/null",
                "-XX:TieredStopAtLevel=1",
                "--enable-native-access=ALL-UNNAMED",
                "-Djava.awt.headless=true",
                "-cp",
                System.getProperty("java.class.path"),
                MutatedFiles.class.getName(),
                folder.toString(),
                "" + TIMES));
        names().forEach(command::add);
        Process process = new ProcessBuilder(command)
                .redirectErrorStream(true)
                .redirectOutput(said.toFile())
                .start();
        boolean ended = process.waitFor(MINUTES, TimeUnit.MINUTES);
        process.destroyForcibly();
        String words = Files.readString(said);
        assertThat(ended).as("ended within %d min: %s", MINUTES, words).isTrue();
        assertThat(process.exitValue()).as(words).isZero();
        return words;
    }

    @ParameterizedTest
    @MethodSource("names")
    void everyDamageIsAnswered(String name) {
        assertThat(said).contains(name + " fates of " + TIMES);
    }

    /**
     * Some formats have no checksum of their pixels, so that damage may be another picture by their own rules. What passes here
     * must pass djpeg with its strict switch, or tiffcp. PNG has checksums of all it holds. Of HEIF and WebP there is no decoder
     * here but the library that we use too; their shares are read, not derived: they only tell when more passes than before.
     */
    @ParameterizedTest
    @MethodSource("names")
    void whatPassesUnseenPassesTheFormatsOwnToolsToo(String name) throws IOException {
        List<Path> unseen;
        try (Stream<Path> files = Files.list(folder)) {
            unseen = files.filter(file -> file.getFileName().toString().matches("unseen-\\d+-" + Pattern.quote(name)))
                    .toList();
        }
        switch (name.substring(name.lastIndexOf('.'))) {
            case ".png" -> assertThat(unseen).isEmpty();
            case ".jpg" -> unseen.forEach(file -> Outside.shell("djpeg -strict \"$1\" >/dev/null", file));
            case ".tif" -> unseen.forEach(file -> Outside.shell("tiffcp -c none \"$1\" \"$1.out\"", file));
            case ".webp" ->
                assertThat((double) unseen.size() / TIMES).isLessThanOrEqualTo(name.startsWith("lossy") ? 0.25 : 0.45);
            default -> assertThat((double) unseen.size() / TIMES).isLessThanOrEqualTo(0.35);
        }
    }
}
