package embrick.formats.icc;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import embrick.core.colour.ColourPath;
import embrick.core.colour.ProfileRef;
import embrick.core.colour.Transform;
import embrick.core.pixels.ColourModel;
import embrick.testing.Outside;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Locale;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.api.parallel.Isolated;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

@Isolated("It looks at the heap.")
class ProfileShelfTest {
    private final ProfileShelf shelf = new ProfileShelf();

    @TempDir
    Path folder;

    private Transform toSrgb(byte[] profile, ColourModel model) {
        String digest = shelf.add(profile, model).orElseThrow().digest();
        return shelf.along(new ColourPath(new ProfileRef.Icc(digest, model), new ProfileRef.Srgb()));
    }

    @Test
    void colourantsAreThoseOfTheStandard() {
        // ICC's own sRGB profile, from IEC 61966-2-1 by Bradford to D50 (values from memory, four decimals).
        double[][] columns = MatrixProfile.colourants(
                new double[][] {{0.64, 0.33}, {0.30, 0.60}, {0.15, 0.06}}, new double[] {0.3127, 0.3290});
        double[][] published = {{0.4360, 0.3851, 0.1431}, {0.2225, 0.7169, 0.0606}, {0.0139, 0.0971, 0.7141}};
        for (int row = 0; row < 3; row++) {
            for (int c = 0; c < 3; c++) {
                assertThat(columns[row][c]).isCloseTo(published[row][c], within(3e-4));
            }
        }
    }

    @Test
    void ourSrgbIsTheSrgbOfLittleCms() throws IOException {
        // transicc's built-in *sRGB to our file: every colour stays within 1 count of 255.
        Path file = Files.write(folder.resolve("srgb.icc"), MatrixProfile.srgb());
        int[][] colours = cube(5);
        int[][] said = transicc(colours, "*sRGB", file.toString());
        for (int i = 0; i < colours.length; i++) {
            for (int c = 0; c < 3; c++) {
                assertThat(said[i][c]).isCloseTo(colours[i][c], within(1));
            }
        }
    }

    /** Little CMS's own tool rounds what it says: more than half a count and a little would be a difference. */
    @ParameterizedTest
    @ValueSource(strings = {"opRGB", "ROMM"})
    void wideRgbBecomesSrgbAsTheToolSays(String name) throws IOException {
        byte[] profile = name.equals("opRGB") ? MatrixProfile.opRgb() : MatrixProfile.romm();
        Path from = Files.write(folder.resolve("from.icc"), profile);
        Path to = Files.write(folder.resolve("to.icc"), MatrixProfile.srgb());
        Transform transform = toSrgb(profile, ColourModel.RGB);
        int[][] colours = cube(4);
        int[][] said = transicc(colours, from.toString(), to.toString());
        for (int i = 0; i < colours.length; i++) {
            int[] colour = colours[i];
            float[] out = new float[3];
            transform.apply(new float[] {colour[0] / 255f, colour[1] / 255f, colour[2] / 255f}, 0, out, 0, 1);
            for (int c = 0; c < 3; c++) {
                assertThat((double) out[c] * 255).isCloseTo(said[i][c], within(0.55));
            }
        }
    }

    /** Many colours at once: the tool is started once for all of them. */
    private int[][] transicc(int[][] colours, String from, String to) {
        StringBuilder input = new StringBuilder();
        for (int[] colour : colours) {
            input.append(String.format(Locale.ROOT, "%d%n%d%n%d%n", colour[0], colour[1], colour[2]));
        }
        // -c0: no precalculation; -s: clipped; -t1 -b: relative with black point compensation, as our transforms.
        String output = Outside.transicc(input.toString(), "-i" + from, "-o" + to, "-t1", "-b", "-c0", "-n", "-s");
        Matcher numbers = Pattern.compile("-?\\d+(?:\\.\\d+)?").matcher(output);
        int[][] values = new int[colours.length][3];
        for (int[] value : values) {
            for (int c = 0; c < 3; c++) {
                assertThat(numbers.find()).as("numbers in %s", output).isTrue();
                value[c] = Math.clamp(Math.round(Double.parseDouble(numbers.group())), 0, 255);
            }
        }
        return values;
    }

    private static int[][] cube(int side) {
        int[][] colours = new int[side * side * side][];
        for (int i = 0; i < colours.length; i++) {
            colours[i] = new int[] {
                i % side * 255 / (side - 1), i / side % side * 255 / (side - 1), i / side / side * 255 / (side - 1)
            };
        }
        return colours;
    }

    @Test
    void greyWithoutAProfileHasTheToneOfSrgb() {
        Transform transform = shelf.along(new ColourPath(new ProfileRef.AssumedGrey(), new ProfileRef.Srgb()));
        for (int grey = 0; grey <= 255; grey += 5) {
            float[] out = new float[3];
            transform.apply(new float[] {grey / 255f}, 0, out, 0, 1);
            for (float channel : out) {
                assertThat(channel * 255.0).isCloseTo(grey, within(0.5));
            }
        }
    }

    @Test
    void manyPixelsAreConvertedAsOne() {
        Transform transform = toSrgb(MatrixProfile.opRgb(), ColourModel.RGB);
        int pixels = 10_000;
        float[] in = new float[pixels * 3];
        for (int i = 0; i < in.length; i++) {
            in[i] = i % 251 / 250f;
        }
        float[] together = new float[in.length];
        transform.apply(in, 0, together, 0, pixels);
        float[] one = new float[3];
        for (int pixel = 0; pixel < pixels; pixel += 97) {
            transform.apply(new float[] {in[pixel * 3], in[pixel * 3 + 1], in[pixel * 3 + 2]}, 0, one, 0, 1);
            for (int c = 0; c < 3; c++) {
                assertThat(together[pixel * 3 + c]).isEqualTo(one[c]);
            }
        }
    }

    /** No clock and no chance in them: the date in the header is a constant, by which a digest names them for good. */
    @Test
    void profilesAreFixedBytes() throws IOException {
        Path file = Files.write(folder.resolve("dated.icc"), MatrixProfile.srgb());
        assertThat(Outside.exiftool(file, "ProfileDateTime")).contains("2026:01:01 00:00:00");
        assertThat(Outside.exiftool(file, "ProfileID")).contains(": 0");
    }

    @Test
    void exiftoolFindsNothingWrongWithThem() throws IOException {
        for (byte[] profile : new byte[][] {
            MatrixProfile.srgb(), MatrixProfile.opRgb(), MatrixProfile.romm(), MatrixProfile.greyOfSrgbCurve()
        }) {
            Path file = Files.write(folder.resolve("made.icc"), profile);
            assertThat(Outside.exiftool(file, "ProfileVersion", "Warning", "ConnectionSpaceIlluminant"))
                    .doesNotContain("Warning")
                    .contains("0.9642 1 0.8249");
        }
    }

    @Test
    void damagedOrUnsuitableProfilesAreSetAside() {
        assertThat(shelf.add(new byte[] {1, 2, 3}, ColourModel.RGB)).isEmpty();
        assertThat(shelf.add(MatrixProfile.opRgb(), ColourModel.GREY)).isEmpty();
        assertThat(shelf.add(java.util.Arrays.copyOf(MatrixProfile.opRgb(), 200), ColourModel.RGB))
                .isEmpty();
    }

    /** Distinct profiles by the thousand, each converted from: what is forgotten is made again, and memory stays. */
    @Test
    void profilesByTheThousandTakeNoMoreThanAFew(@TempDir Path folder) throws Exception {
        ProfileStore onDisk = new ProfileStore() {
            @Override
            public Optional<byte[]> read(String digest) {
                try {
                    return Optional.of(Files.readAllBytes(folder.resolve(digest)));
                } catch (IOException none) {
                    return Optional.empty();
                }
            }

            @Override
            public void keep(String digest, byte[] bytes) {
                try {
                    Files.write(folder.resolve(digest), bytes);
                } catch (IOException failed) {
                    throw new UncheckedIOException(failed);
                }
            }
        };
        ProfileShelf shelf = new ProfileShelf(onDisk);
        int times = Boolean.getBoolean("embrick.thorough") ? 1500 : 100;
        long early = 0;
        float[] first = new float[3];
        for (int i = 0; i < times; i++) {
            byte[] bytes = MatrixProfile.rgb(
                    "number " + i,
                    new double[][] {{0.64, 0.33}, {0.21, 0.71}, {0.15, 0.06}},
                    new double[] {0.3127, 0.3290},
                    1.4 + i * 1e-4);
            ProfileRef profile = new ProfileRef.Icc(shelf.take(bytes).digest(), ColourModel.RGB);
            float[] out = new float[3];
            shelf.along(new ColourPath(profile, new ProfileRef.Srgb()))
                    .apply(new float[] {0.5f, 0.4f, 0.3f}, 0, out, 0, 1);
            shelf.toLab(profile).apply(new float[] {0.5f, 0.4f, 0.3f}, 0, new float[3], 0, 1);
            shelf.encoding(profile);
            if (i == 0) {
                first = out;
            }
            if (i == 60) {
                early = memoryTaken();
            }
        }
        // What is kept is bounded; 90 more that were kept for good, each with two chains, would take 30 MB and more.
        assertThat(memoryTaken() - early).isLessThan(15 << 20);
        byte[] again = MatrixProfile.rgb(
                "number 0",
                new double[][] {{0.64, 0.33}, {0.21, 0.71}, {0.15, 0.06}},
                new double[] {0.3127, 0.3290},
                1.4);
        ProfileRef profile = new ProfileRef.Icc(ProfileShelf.digestOf(again), ColourModel.RGB);
        float[] out = new float[3];
        shelf.along(new ColourPath(profile, new ProfileRef.Srgb())).apply(new float[] {0.5f, 0.4f, 0.3f}, 0, out, 0, 1);
        assertThat(out).isEqualTo(first);
    }

    /** On the heap, after a collection. */
    private static long memoryTaken() {
        for (int i = 0; i < 3; i++) {
            System.gc();
        }
        return Runtime.getRuntime().totalMemory() - Runtime.getRuntime().freeMemory();
    }
}
