package embrick.formats.icc;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import embrick.core.colour.Intent;
import embrick.core.colour.Rendering;
import embrick.core.colour.Rendering.BlackPoint;
import embrick.core.colour.Transform;
import embrick.core.colour.Xyz;
import embrick.core.colour.chain.Chain;
import embrick.core.pixels.ColourModel;
import java.io.ByteArrayOutputStream;
import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Profiles of version 4, with every element that its tables may have, read here and by Little CMS. */
class Version4ProfilesTest {
    private static final int TRIED = 2000;
    /** Of 1: both are exact; curves that are formulas are lines between 4 097 points here. */
    private static final float APART = 0.0015f;

    /** Its two parts meet: 0.14^1.5 + 0.02 = 0.6 · 0.1 + 0.01238. */
    private static final byte[] MEETING = formula(4, 1.5, 0.9, 0.05, 0.6, 0.1, 0.02, 0.01238);

    private static byte[] ascii(String letters) {
        return letters.getBytes(StandardCharsets.US_ASCII);
    }

    /** parametricCurveType, ICC.1:2022, 10.18: the function and its parameters. */
    private static byte[] formula(int function, double... parameters) {
        ByteBuffer curve = ByteBuffer.allocate(12 + 4 * parameters.length);
        curve.put(ascii("para")).putInt(0).putShort((short) function).putShort((short) 0);
        for (double parameter : parameters) {
            curve.putInt(IccFile.fixed(parameter));
        }
        return curve.array();
    }

    private static byte[] padded(byte[] bytes) {
        return java.util.Arrays.copyOf(bytes, Math.ceilDiv(bytes.length, 4) * 4);
    }

    private static byte[] joined(byte[]... parts) {
        ByteArrayOutputStream all = new ByteArrayOutputStream();
        for (byte[] part : parts) {
            all.writeBytes(padded(part));
        }
        return all.toByteArray();
    }

    /** A table of a bent function of its channels, other steps along each. */
    private static byte[] clut(int[] sides, int out, int width) {
        int count = 1;
        for (int side : sides) {
            count *= side;
        }
        ByteBuffer clut = ByteBuffer.allocate(20 + count * out * width);
        for (int side : sides) {
            clut.put((byte) side);
        }
        clut.position(16);
        clut.put((byte) width).position(20);
        for (int node = 0; node < count; node++) {
            int rest = node;
            double[] at = new double[sides.length];
            for (int channel = sides.length - 1; channel >= 0; channel--) {
                at[channel] = rest % sides[channel] / (sides[channel] - 1.0);
                rest /= sides[channel];
            }
            for (int c = 0; c < out; c++) {
                double value =
                        0.15 + 0.5 * at[c % sides.length] * at[c % sides.length] + 0.2 * at[(c + 1) % sides.length];
                if (width == 1) {
                    clut.put((byte) Math.round(value * 255));
                } else {
                    clut.putShort((short) Math.round(value * 65535));
                }
            }
        }
        return clut.array();
    }

    private static byte[] matrix() {
        double[] entries = {0.9, 0.05, 0.0, 0.02, 0.9, 0.03, 0.0, 0.04, 0.9, 0.01, 0.02, 0.03};
        ByteBuffer matrix = ByteBuffer.allocate(48);
        for (double entry : entries) {
            matrix.putInt(IccFile.fixed(entry));
        }
        return matrix.array();
    }

    /** lutAToBType or lutBToAType, ICC.1:2022, 10.12 and 10.13: B curves, matrix, M curves, table, A curves. */
    private static byte[] element(String type, int in, int out, int[] sides, int width) {
        int device = type.equals("mAB ") ? in : out;
        byte[] b = joined(formula(0, 1.1), formula(1, 1.2, 0.9, 0.1), formula(0, 1.0));
        byte[] m = joined(
                formula(3, 2.4, 1 / 1.055, 0.055 / 1.055, 1 / 12.92, 0.04045),
                formula(2, 1.3, 0.9, 0.05, 0.02),
                IccFile.table(5, x -> x * x));
        byte[][] each = new byte[device][];
        for (int i = 0; i < device; i++) {
            each[i] = i == 1 ? MEETING : IccFile.gamma(300);
        }
        byte[] a = joined(each);
        byte[] table = padded(clut(sides, out, width));
        ByteBuffer element = ByteBuffer.allocate(32 + b.length + 48 + m.length + table.length + a.length);
        int atMatrix = 32 + b.length;
        int atM = atMatrix + 48;
        int atTable = atM + m.length;
        int atA = atTable + table.length;
        element.put(ascii(type)).putInt(0).put((byte) in).put((byte) out).putShort((short) 0);
        element.putInt(32).putInt(atMatrix).putInt(atM).putInt(atTable).putInt(atA);
        return element.put(b).put(matrix()).put(m).put(table).put(a).array();
    }

    private static IccProfile profile(ColourModel model, String connection, int width) throws UnusableProfileException {
        int channels = model.channels();
        int[] device = channels == 4 ? new int[] {4, 3, 5, 6} : new int[] {5, 4, 6};
        byte[] toColour = element("mAB ", channels, 3, device, width);
        byte[] toDevice = element("mBA ", 3, channels, new int[] {6, 5, 7}, width);
        byte[] bytes = new IccFile(
                        "prtr", channels == 4 ? "CMYK" : "RGB ", connection, "four", new Xyz(0.9, 0.93, 0.75))
                .tag("A2B0", toColour)
                .tag("A2B1", toColour)
                .tag("A2B2", toColour)
                .tag("B2A0", toDevice)
                .tag("B2A1", toDevice)
                .tag("B2A2", toDevice)
                .bytes();
        bytes[8] = 4;
        return IccProfile.parse(bytes);
    }

    private static float[] colours(int channels) {
        Random random = new Random(8);
        float[] colours = new float[TRIED * channels];
        for (int i = 0; i < colours.length; i++) {
            colours[i] = random.nextFloat();
        }
        return colours;
    }

    private static void compare(IccProfile from, IccProfile to, Rendering rendering) throws UnusableProfileException {
        Chain chain = ChainBuilder.between(from, to, rendering).orElseThrow();
        Transform engine = EngineTransform.between(from, to, rendering);
        float[] in = colours(from.model().channels());
        float[] ours = new float[TRIED * to.model().channels()];
        float[] theirs = new float[ours.length];
        chain.apply(in, 0, ours, 0, TRIED);
        engine.apply(in, 0, theirs, 0, TRIED);
        for (int i = 0; i < ours.length; i++) {
            assertThat(Math.clamp(ours[i], 0f, 1f))
                    .as("%s, sample %d", rendering, i)
                    .isCloseTo(Math.clamp(theirs[i], 0f, 1f), within(APART));
        }
    }

    @ParameterizedTest
    @ValueSource(strings = {"Lab ", "XYZ "})
    void tablesOfAllElementsAreReadAsLittleCmsReadsThem(String connection) throws UnusableProfileException {
        IccProfile screen = IccProfile.parse(ShippedProfile.OP_RGB.bytes());
        IccProfile paper = IccProfile.parse(ShippedProfile.LUSTRE_RGB.bytes());
        for (ColourModel model : List.of(ColourModel.RGB, ColourModel.CMYK)) {
            for (int width = 1; width <= 2; width++) {
                IccProfile four = profile(model, connection, width);
                for (Rendering rendering : List.of(
                        Rendering.RELATIVE_PLAIN,
                        Rendering.ABSOLUTE,
                        new Rendering(Intent.PERCEPTUAL, BlackPoint.PLAIN))) {
                    compare(screen, four, rendering);
                    compare(four, screen, rendering);
                    compare(four, paper, rendering);
                }
            }
        }
    }

    @Test
    void aProfileOfVersion4IsJudgedAndUsed() throws UnusableProfileException {
        ProfileFacts facts =
                new ProfileShelf().take(profile(ColourModel.CMYK, "Lab ", 2).bytes());
        assertThat(facts.version()).isEqualTo("4.4");
        assertThat(facts.tables()).hasSize(3);
        assertThat(facts.alike()).isEmpty();
    }
}
