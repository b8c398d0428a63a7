package embrick.formats.icc;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.catchThrowableOfType;

import embrick.core.pixels.ColourModel;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class BadProfilesTest {
    /** Of those of curves; of those with tables, which take twenty times as long to read, an eighth. */
    private static final int TIMES = Boolean.getBoolean("embrick.thorough") ? 300 : 50;

    private static final int SECONDS = 120;
    /** Bytes of the header; the tag table follows (ICC.1:2022, 7.2 and 7.3). */
    private static final int CLASS_AT = 12;

    private static final int SPACE_AT = 16;
    private static final int CONNECTION_AT = 20;

    private final ProfileShelf shelf = new ProfileShelf();

    @TempDir
    Path folder;

    private UnusableProfileException refused(byte[] bytes) {
        UnusableProfileException refused =
                catchThrowableOfType(UnusableProfileException.class, () -> shelf.take(bytes));
        assertThat(refused).as("refused").isNotNull();
        assertThat(refused.remedy()).isNotBlank();
        return refused;
    }

    private static byte[] changed(byte[] profile, int at, String letters) {
        byte[] changed = profile.clone();
        System.arraycopy(letters.getBytes(StandardCharsets.US_ASCII), 0, changed, at, letters.length());
        return changed;
    }

    @Test
    void oneThatIsCutOffSaysHowMuchIsThere() {
        byte[] whole = ShippedProfile.LUSTRE_RGB.bytes();
        assertThat(refused(Arrays.copyOf(whole, 100_000)))
                .hasMessage("is cut short: 100000 of " + whole.length + " bytes are there");
        assertThat(refused(new byte[] {1, 2, 3}).code()).isEqualTo("not-a-profile");
        assertThat(refused("hello, no profile at all, only some words in a file"
                                .repeat(9)
                                .getBytes(StandardCharsets.UTF_8))
                        .code())
                .isEqualTo("not-a-profile");
    }

    @ParameterizedTest
    @CsvSource({
        "link, wrong-class, joins two devices",
        "abst, wrong-class, describes no device",
        "nmcl, wrong-class, list of named colours",
        "xxxx, wrong-class, unknown class"
    })
    void wrongClassesAreNamed(String letters, String code, String words) {
        UnusableProfileException refused = refused(changed(MatrixProfile.srgb(), CLASS_AT, letters));
        assertThat(refused.code()).isEqualTo(code);
        assertThat(refused).hasMessageContaining(words);
    }

    @Test
    void otherSpacesAndVersionsAreNamed() {
        assertThat(refused(changed(MatrixProfile.srgb(), SPACE_AT, "6CLR")).code())
                .isEqualTo("unsupported-space");
        assertThat(refused(changed(MatrixProfile.srgb(), CONNECTION_AT, "Luv ")).code())
                .isEqualTo("unsupported-connection");
        byte[] later = MatrixProfile.srgb();
        later[8] = 5;
        assertThat(refused(later)).hasMessage("is of ICC version 5, where 2 and 4 are known");
    }

    @Test
    void aProfileForOtherPicturesIsRefusedForThem() {
        UnusableProfileException refused = catchThrowableOfType(
                UnusableProfileException.class,
                () -> shelf.takeFor(ShippedProfile.LUSTRE_CMYK.bytes(), ColourModel.RGB));
        assertThat(refused).hasMessage("is for CMYK pictures, and this one is RGB");
        assertThat(refused.remedy()).contains("on the pile");
    }

    @Test
    void aDescriptionOfAMegabyteIsRefused() {
        byte[] small = MatrixProfile.srgb();
        byte[] large = Arrays.copyOf(small, small.length + (1 << 20));
        ByteBuffer buffer = ByteBuffer.wrap(large);
        buffer.putInt(0, large.length);
        // The first tag is the description: its offset and size follow its signature at 132.
        assertThat(new String(large, 132, 4, StandardCharsets.US_ASCII)).isEqualTo("desc");
        buffer.putInt(136, small.length).putInt(140, 1 << 20);
        buffer.position(small.length);
        buffer.put("desc".getBytes(StandardCharsets.US_ASCII)).putInt(0).putInt((1 << 20) - 12);
        Arrays.fill(large, small.length + 12, large.length, (byte) 'x');
        assertThat(refused(large)).hasMessageContaining("description of 1024 KB");
    }

    /** ICC.1:2022, 10.16: multi-process elements, here of a kind that nobody knows, before all other ways. */
    @Test
    void partsOfVersion4ThatAreNotKnownAreRefused() {
        byte[] odd = new IccFile("prtr", "CMYK", "Lab ", "odd", embrick.core.colour.Xyz.D50)
                .tag("D2B0", multiProcess("zzzz"))
                .tag("D2B1", multiProcess("zzzz"))
                .tag("A2B0", "mpet".getBytes(StandardCharsets.US_ASCII))
                .bytes();
        odd[8] = 4;
        assertThat(refused(odd).code()).isIn("unsupported-parts", "damaged");
    }

    private static byte[] multiProcess(String kind) {
        ByteBuffer element = ByteBuffer.allocate(64);
        element.put("mpet".getBytes(StandardCharsets.US_ASCII)).putInt(0);
        element.putShort((short) 4).putShort((short) 3).putInt(1).putInt(24).putInt(40);
        element.put(kind.getBytes(StandardCharsets.US_ASCII))
                .putInt(0)
                .putShort((short) 4)
                .putShort((short) 3);
        return element.array();
    }

    @Test
    void tagsOutsideOfTheFileAreRefused() {
        byte[] profile = MatrixProfile.srgb();
        ByteBuffer.wrap(profile).putInt(136, profile.length - 4);
        assertThat(refused(profile)).hasMessageContaining("lies outside of it");
        ByteBuffer.wrap(profile).putInt(128, 1 << 30);
        assertThat(refused(profile)).hasMessageContaining("1073741824 tags");
    }

    /** Thousands of damaged profiles in processes of their own: no death, no hang, each refused or used. */
    @Test
    void everyDamageIsAnswered() throws IOException, InterruptedException {
        Map<ShippedProfile, Integer> times = Map.of(
                ShippedProfile.OP_RGB,
                TIMES,
                ShippedProfile.GREY_SRGB,
                TIMES,
                ShippedProfile.CANVAS_RGB,
                TIMES / 8,
                ShippedProfile.CANVAS_CMYK,
                TIMES / 8);
        Map<ShippedProfile, Process> running = new EnumMap<>(ShippedProfile.class);
        for (ShippedProfile profile : times.keySet()) {
            running.put(profile, damaging(profile, times.get(profile)));
        }
        for (ShippedProfile profile : times.keySet()) {
            Process process = running.get(profile);
            boolean ended = process.waitFor(SECONDS, TimeUnit.SECONDS);
            process.destroyForcibly();
            String words = Files.readString(said(profile));
            assertThat(ended).as("ended within %d s: %s", SECONDS, words).isTrue();
            assertThat(process.exitValue()).as(words).isZero();
            assertThat(words).contains("refused").contains("used").doesNotContain(" 0 refused");
        }
    }

    private Path said(ShippedProfile profile) {
        return folder.resolve(profile.name() + ".txt");
    }

    private Process damaging(ShippedProfile profile, int times) throws IOException {
        return new ProcessBuilder(List.of(
                        ProcessHandle.current().info().command().orElseThrow(),
                        "-Xmx512m",
                        "-XX:-CreateCoredumpOnCrash",
                        "-XX:ErrorFile=/dev/null",
                        "-XX:TieredStopAtLevel=1",
                        "--enable-native-access=ALL-UNNAMED",
                        "-cp",
                        System.getProperty("java.class.path"),
                        MutatedProfiles.class.getName(),
                        profile.name(),
                        "" + times))
                .redirectErrorStream(true)
                .redirectOutput(said(profile).toFile())
                .start();
    }
}
