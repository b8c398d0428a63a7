package embrick.demo;

import static org.assertj.core.api.Assertions.assertThat;

import embrick.core.source.SourceFacts;
import embrick.formats.Formats;
import embrick.formats.icc.MatrixProfile;
import embrick.formats.icc.ProfileShelf;
import embrick.formats.picture.DecodeLimits;
import java.awt.image.BufferedImage;
import java.io.IOException;
import java.nio.file.Path;
import java.util.HashSet;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class SceneTest {
    private final Formats formats = new Formats(new ProfileShelf(), DecodeLimits.DEFAULT);

    @TempDir
    Path folder;

    @Test
    void oneSeedIsOnePicture() {
        BufferedImage first = new Scene(5, Mood.NOON, 300, 200, 1.5, 3).draw();
        BufferedImage second = new Scene(5, Mood.NOON, 300, 200, 1.5, 3).draw();
        BufferedImage other = new Scene(6, Mood.NOON, 300, 200, 1.5, 3).draw();
        int differ = 0;
        for (int y = 0; y < 200; y++) {
            for (int x = 0; x < 300; x++) {
                assertThat(second.getRGB(x, y)).isEqualTo(first.getRGB(x, y));
                differ += other.getRGB(x, y) == first.getRGB(x, y) ? 0 : 1;
            }
        }
        assertThat(differ).isGreaterThan(30_000);
    }

    @Test
    void picturesHaveGrainAndManyColours() {
        BufferedImage picture = new Scene(9, Mood.EVENING, 400, 300, 0, 5).draw();
        Set<Integer> colours = new HashSet<>();
        for (int y = 0; y < 300; y++) {
            for (int x = 0; x < 400; x++) {
                colours.add(picture.getRGB(x, y));
            }
        }
        assertThat(colours).hasSizeGreaterThan(5_000);
    }

    @Test
    void noiseStaysWithinItsBounds() {
        Noise noise = new Noise(1);
        for (float at = -50; at < 50; at += 0.37f) {
            assertThat(noise.layered(at, at * 0.7f, 6)).isBetween(0f, 1f);
        }
        assertThat(Noise.step(0.2f, 0.8f, 0.1f)).isZero();
        assertThat(Noise.step(0.2f, 0.8f, 0.9f)).isEqualTo(1f);
    }

    @Test
    void aPictureTakenUprightIsStoredLyingWithItsTag() throws IOException {
        Path file = folder.resolve("upright.jpg");
        PictureFiles.jpeg(new Scene(3, Mood.NOON, 120, 80, 0, 1).draw(), MatrixProfile.srgb(), 72, 90, file);
        PictureFiles.tag(file, 6);
        SourceFacts facts = formats.inspect(file);
        assertThat(facts.orientation().tag()).isEqualTo(6);
        assertThat(facts.seen().isUpright()).isTrue();
    }

    @Test
    void aStrippedPictureHasNoProfile() throws IOException {
        Path file = folder.resolve("download.jpg");
        PictureFiles.jpeg(new Scene(3, Mood.NOON, 120, 80, 0, 1).draw(), MatrixProfile.srgb(), 72, 90, file);
        assertThat(formats.inspect(file).colour().profile()).isPresent();
        PictureFiles.strip(file);
        assertThat(formats.inspect(file).colour().profile()).isEmpty();
    }

    @Test
    void deepPicturesCarryTheirWideProfile() throws IOException {
        Path file = folder.resolve("deep.tif");
        PictureFiles.deepTiff(new Scene(3, Mood.NOON, 120, 80, 0, 1).draw(), MatrixProfile.romm(), file);
        SourceFacts facts = formats.inspect(file);
        assertThat(facts.colour().bitsPerChannel()).isEqualTo(16);
        assertThat(facts.colour().profile().orElseThrow().description()).startsWith("ROMM RGB");
    }

    @Test
    void theCastIsLargeAndItsNamesDiffer() {
        assertThat(Cast.all())
                .hasSizeGreaterThanOrEqualTo(24)
                .extracting(Cast.Member::path)
                .doesNotHaveDuplicates();
    }
}
