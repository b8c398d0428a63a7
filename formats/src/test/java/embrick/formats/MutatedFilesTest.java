package embrick.formats;

import static org.assertj.core.api.Assertions.assertThat;

import embrick.testing.Outside;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.List;
import java.util.concurrent.TimeUnit;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.TestInstance;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Hundreds of damaged files for each reader: no death, no hang, no unbounded memory, every refusal with its reason. */
@TestInstance(TestInstance.Lifecycle.PER_CLASS)
class MutatedFilesTest {
    private static final int TIMES = Boolean.getBoolean("embrick.thorough") ? 300 : 40;
    private static final int SECONDS = 120;

    private Path folder;

    @BeforeAll
    void draw(@TempDir Path made) {
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
    }

    /**
     * The share that may become another picture without a word: none where a format has checksums of its rows, some where
     * it has none at all. Half of the hits go to headers, whose numbers nothing checks either.
     */
    @ParameterizedTest
    @CsvSource({
        "baseline.jpg, 0.10",
        "progressive.jpg, 0.06",
        "cmyk.jpg, 0.08",
        "rgb.png, 0",
        "palette.png, 0",
        "plain.tif, 0.01",
        "tiled.tif, 0.08",
        "big.tif, 0.01",
        "lossy.webp, 0.25",
        "lossless.webp, 0.45",
        "rgb.heic, 0.35",
        "rgba.heic, 0.35"
    })
    void everyDamageIsAnswered(String name, double most) throws IOException, InterruptedException {
        Process process = new ProcessBuilder(List.of(
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
                        folder.resolve(name).toString(),
                        folder.resolve("damaged-" + name).toString(),
                        "" + TIMES))
                .redirectErrorStream(true)
                .redirectOutput(folder.resolve(name + ".said").toFile())
                .start();
        boolean ended = process.waitFor(SECONDS, TimeUnit.SECONDS);
        process.destroyForcibly();
        String said = java.nio.file.Files.readString(folder.resolve(name + ".said"), StandardCharsets.UTF_8);
        assertThat(ended).as("ended within %d s", SECONDS).isTrue();
        assertThat(process.exitValue()).as(said).isZero();
        assertThat(said).contains("fates of " + TIMES);
        System.out.println(name + " " + said);
        Matcher unseen = Pattern.compile("UNSEEN=(\\d+)").matcher(said);
        int without = unseen.find() ? Integer.parseInt(unseen.group(1)) : 0;
        assertThat((double) without / TIMES).as(said).isLessThanOrEqualTo(most);
    }
}
