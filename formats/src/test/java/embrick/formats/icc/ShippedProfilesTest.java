package embrick.formats.icc;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import embrick.core.colour.Xyz;
import embrick.core.pixels.ColourModel;
import embrick.formats.icc.ProfileFacts.Purpose;
import embrick.testing.Outside;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;

class ShippedProfilesTest {
    /** Where Debian's colord-data and icc-profiles-free put theirs. */
    private static final Path DEBIAN = Path.of("/usr/share/color/icc");

    private final ProfileShelf shelf = new ProfileShelf();

    @TempDir
    Path folder;

    /** The profiles of Debian's two packages, by what they are and not by what they are called. */
    private List<ProfileFacts> ofDebian() throws IOException {
        List<ProfileFacts> judged = new ArrayList<>();
        try (Stream<Path> files = Files.walk(DEBIAN)) {
            for (Path file : files.filter(path -> path.toString().endsWith(".icc"))
                    .sorted()
                    .toList()) {
                try {
                    judged.add(shelf.take(Files.readAllBytes(file)));
                } catch (UnusableProfileException refused) {
                    // Abstract profiles and lists of names are among them.
                    assertThat(refused.code()).isIn("wrong-class", "unsupported-space", "unsupported-version");
                }
            }
        }
        return judged;
    }

    @Test
    void debiansEquivalentsAreRecognisedByTheirNumbers() throws IOException {
        List<ProfileFacts> debian = ofDebian();
        assertThat(debian).hasSizeGreaterThan(15);
        for (ShippedProfile standard : List.of(ShippedProfile.SRGB, ShippedProfile.OP_RGB, ShippedProfile.ROMM_RGB)) {
            assertThat(debian)
                    .as("Debian has one with the numbers of %s", standard.title())
                    .anyMatch(facts -> facts.alike().equals(Optional.of(standard.digest()))
                            && !facts.digest().equals(standard.digest()));
        }
        // Most of them are other spaces, and are not taken for one of ours.
        assertThat(debian).filteredOn(facts -> facts.alike().isEmpty()).hasSizeGreaterThan(8);
    }

    /** Chromaticities of IEC 61966-2-1, IEC 61966-2-5 (memory), SMPTE EG 432-1 and ISO 22028-2 (memory), as in CHECKS. */
    @ParameterizedTest
    @CsvSource({
        "SRGB, 0.64, 0.33, 0.30, 0.60, 0.15, 0.06, 0.3127, 0.3290",
        "OP_RGB, 0.64, 0.33, 0.21, 0.71, 0.15, 0.06, 0.3127, 0.3290",
        "P3_D65, 0.68, 0.32, 0.265, 0.69, 0.15, 0.06, 0.3127, 0.3290",
        "ROMM_RGB, 0.7347, 0.2653, 0.1596, 0.8404, 0.0366, 0.0001, 0.3457, 0.3585"
    })
    void primariesAreThoseOfTheStandard(
            ShippedProfile profile,
            double rx,
            double ry,
            double gx,
            double gy,
            double bx,
            double by,
            double wx,
            double wy)
            throws UnusableProfileException {
        IccProfile opened = IccProfile.parse(profile.bytes());
        double[][] adapted = fromD50(wx, wy);
        double[][] published = {{rx, ry}, {gx, gy}, {bx, by}};
        String[] tags = {"rXYZ", "gXYZ", "bXYZ"};
        for (int c = 0; c < 3; c++) {
            Xyz xyz = opened.xyz(tags[c]).orElseThrow();
            double[] own = Matrix3.times(adapted, new double[] {xyz.x(), xyz.y(), xyz.z()});
            double sum = own[0] + own[1] + own[2];
            // s15Fixed16 rounds to 1/65536, of which the smallest Z makes a few ten thousandths.
            assertThat(own[0] / sum).isCloseTo(published[c][0], within(4e-4));
            assertThat(own[1] / sum).isCloseTo(published[c][1], within(4e-4));
        }
    }

    /** Bradford's adaptation back from D50, by its published matrix (ICC.1:2022, annex E). */
    private static double[][] fromD50(double x, double y) {
        double[][] bradford = {{0.8951, 0.2664, -0.1614}, {-0.7502, 1.7135, 0.0367}, {0.0389, -0.0685, 1.0296}};
        double[] from = Matrix3.times(bradford, new double[] {Xyz.D50.x(), Xyz.D50.y(), Xyz.D50.z()});
        double[] to = Matrix3.times(bradford, new double[] {x / y, 1, (1 - x - y) / y});
        double[][] scale = {{to[0] / from[0], 0, 0}, {0, to[1] / from[1], 0}, {0, 0, to[2] / from[2]}};
        return Matrix3.times(Matrix3.inverse(bradford), Matrix3.times(scale, bradford));
    }

    @ParameterizedTest
    @EnumSource
    void readsAsItself(ShippedProfile profile) throws IOException {
        ProfileFacts facts = shelf.facts(profile.digest());
        assertThat(facts.model()).isEqualTo(profile.model());
        assertThat(facts.alike()).contains(profile.digest());
        assertThat(facts.use()).isEqualTo(ProfileFacts.Use.SOURCE_AND_TARGET);
        boolean isPaper = facts.purpose() == Purpose.OUTPUT;
        assertThat(facts.tables()).hasSize(isPaper ? 3 : 0);
        Path file = Files.write(folder.resolve("shipped.icc"), profile.bytes());
        assertThat(Outside.exiftool(file, "ProfileVersion", "Warning", "Error", "ConnectionSpaceIlluminant"))
                .doesNotContain("Warning", "Error")
                .contains("0.9642 1 0.8249");
    }

    @Test
    void gamutsShowWhatIsKnown() {
        ProfileGamut srgb = shelf.gamut(ShippedProfile.SRGB.digest());
        ProfileGamut wide = shelf.gamut(ShippedProfile.ROMM_RGB.digest());
        assertThat(area(wide.chromaticities())).isGreaterThan(2 * area(srgb.chromaticities()));
        // The reddest of sRGB adapted to D50, from its colourant 0.4360, 0.2225, 0.0139: u′ 0.456, v′ 0.523.
        assertThat(srgb.chromaticities())
                .anySatisfy(uv ->
                        assertThat(Math.hypot(uv[0] - 0.456, uv[1] - 0.523)).isLessThan(0.005));
        assertThat(srgb.tones()).isSorted().hasSize(33);
        assertThat(srgb.tones().getFirst()).isCloseTo(0, within(0.01));
        assertThat(srgb.tones().getLast()).isCloseTo(100, within(0.01));
        assertThat(shelf.gamut(ShippedProfile.LUSTRE_CMYK.digest()).tones()).isSorted();
        assertThat(ShippedProfile.GREY_SRGB.model()).isEqualTo(ColourModel.GREY);
        assertThat(shelf.gamut(ShippedProfile.GREY_SRGB.digest()).tones()).isSorted();
    }

    private static double area(List<double[]> polygon) {
        double twice = 0;
        for (int i = 0; i < polygon.size(); i++) {
            double[] p = polygon.get(i);
            double[] q = polygon.get((i + 1) % polygon.size());
            twice += p[0] * q[1] - q[0] * p[1];
        }
        return twice / 2;
    }
}
