package embrick.formats.icc;

import java.io.ByteArrayOutputStream;
import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.function.DoubleUnaryOperator;

/**
 * Makes RGB profiles from published numbers, as fixed bytes: ICC.1:2001-04 (version 2.4), class display, three
 * colourants and one tone curve.
 *
 * <p>Version 2 because every lab's software reads it. The date in the header is a constant, so the bytes are the same at
 * every start and a digest names them.
 */
public final class MatrixProfile {
    /** ICC.1 profile connection space white, D50. */
    private static final double[] D50 = {0.9642, 1.0, 0.8249};
    /** CIE 1931 chromaticity of D65 as IEC 61966-2-1 states it. */
    private static final double[] D65_XY = {0.3127, 0.3290};

    private static final double[] D50_XY = {0.3457, 0.3585};

    /** Bradford cone response, as in ICC.1:2022 annex E. */
    private static final double[][] BRADFORD = {
        {0.8951, 0.2664, -0.1614}, {-0.7502, 1.7135, 0.0367}, {0.0389, -0.0685, 1.0296}
    };

    private static final int HEADER_BYTES = 128;
    private static final int CURVE_ENTRIES = 1024;

    private MatrixProfile() {}

    /** sRGB: IEC 61966-2-1, primaries of ITU-R BT.709, D65, its piecewise curve. */
    public static byte[] srgb() {
        return build(
                "sRGB IEC 61966-2-1", new double[][] {{0.64, 0.33}, {0.30, 0.60}, {0.15, 0.06}}, D65_XY, srgbCurve());
    }

    /** P3-D65: primaries of SMPTE EG 432-1, D65, the curve of sRGB. */
    public static byte[] p3D65() {
        return build(
                "P3-D65, tone curve of sRGB",
                new double[][] {{0.680, 0.320}, {0.265, 0.690}, {0.150, 0.060}},
                D65_XY,
                srgbCurve());
    }

    /** opRGB: IEC 61966-2-5, gamma 563/256 (value from memory). */
    public static byte[] opRgb() {
        return build(
                "opRGB IEC 61966-2-5", new double[][] {{0.64, 0.33}, {0.21, 0.71}, {0.15, 0.06}}, D65_XY, gamma(563));
    }

    /** ROMM RGB: ISO 22028-2, D50, gamma 1.8 with a linear toe up to 1/512 (values from memory). */
    public static byte[] romm() {
        return build(
                "ROMM RGB ISO 22028-2",
                new double[][] {{0.7347, 0.2653}, {0.1596, 0.8404}, {0.0366, 0.0001}},
                D50_XY,
                table(v -> v < 16.0 / 512 ? v / 16 : Math.pow(v, 1.8)));
    }

    /** A grey profile with the tone curve of sRGB. */
    public static byte[] greyOfSrgbCurve() {
        Map<String, byte[]> tags = common("Grey, tone curve of sRGB");
        tags.put("kTRC", srgbCurve());
        return file("GRAY", tags);
    }

    private static byte[] srgbCurve() {
        return table(v -> v <= 0.04045 ? v / 12.92 : Math.pow((v + 0.055) / 1.055, 2.4));
    }

    private static byte[] build(String name, double[][] primaries, double[] white, byte[] curve) {
        double[][] colourants = colourants(primaries, white);
        Map<String, byte[]> tags = common(name);
        String[] channels = {"r", "g", "b"};
        for (int c = 0; c < 3; c++) {
            tags.put(channels[c] + "XYZ", xyz(colourants[0][c], colourants[1][c], colourants[2][c]));
            tags.put(channels[c] + "TRC", curve);
        }
        return file("RGB ", tags);
    }

    private static Map<String, byte[]> common(String name) {
        Map<String, byte[]> tags = new LinkedHashMap<>();
        tags.put("desc", description(name));
        tags.put("cprt", text("No copyright, use freely"));
        tags.put("wtpt", xyz(D50[0], D50[1], D50[2]));
        return tags;
    }

    /** Columns: the XYZ of red, green and blue at full, adapted to D50, so that they add up to white. */
    static double[][] colourants(double[][] primaries, double[] white) {
        double[][] columns = new double[3][3];
        for (int c = 0; c < 3; c++) {
            double[] xyz = ofChromaticity(primaries[c]);
            for (int row = 0; row < 3; row++) {
                columns[row][c] = xyz[row];
            }
        }
        double[] whiteXyz = ofChromaticity(white);
        double[] shares = Matrix3.times(Matrix3.inverse(columns), whiteXyz);
        for (double[] row : columns) {
            for (int c = 0; c < 3; c++) {
                row[c] *= shares[c];
            }
        }
        double[] from = Matrix3.times(BRADFORD, whiteXyz);
        double[] to = Matrix3.times(BRADFORD, D50);
        double[][] scale = {{to[0] / from[0], 0, 0}, {0, to[1] / from[1], 0}, {0, 0, to[2] / from[2]}};
        double[][] adapt = Matrix3.times(Matrix3.inverse(BRADFORD), Matrix3.times(scale, BRADFORD));
        return Matrix3.times(adapt, columns);
    }

    private static double[] ofChromaticity(double[] xy) {
        return new double[] {xy[0] / xy[1], 1, (1 - xy[0] - xy[1]) / xy[1]};
    }

    private static byte[] table(DoubleUnaryOperator curve) {
        ByteBuffer tag = ByteBuffer.allocate(12 + CURVE_ENTRIES * 2);
        tag.put(ascii("curv")).putInt(0).putInt(CURVE_ENTRIES);
        for (int i = 0; i < CURVE_ENTRIES; i++) {
            tag.putShort((short) Math.round(curve.applyAsDouble(i / (CURVE_ENTRIES - 1.0)) * 65535));
        }
        return tag.array();
    }

    /** One u8Fixed8 number: gamma × 256. */
    private static byte[] gamma(int times256) {
        return ByteBuffer.allocate(14)
                .put(ascii("curv"))
                .putInt(0)
                .putInt(1)
                .putShort((short) times256)
                .array();
    }

    private static byte[] xyz(double x, double y, double z) {
        return ByteBuffer.allocate(20)
                .put(ascii("XYZ "))
                .putInt(0)
                .putInt(fixed(x))
                .putInt(fixed(y))
                .putInt(fixed(z))
                .array();
    }

    private static int fixed(double value) {
        return (int) Math.round(value * 65536);
    }

    private static byte[] text(String value) {
        return ByteBuffer.allocate(9 + value.length())
                .put(ascii("text"))
                .putInt(0)
                .put(ascii(value))
                .array();
    }

    /** textDescriptionType: the ASCII name, then an empty Unicode and an empty script name (67 bytes). */
    private static byte[] description(String value) {
        return ByteBuffer.allocate(12 + value.length() + 1 + 8 + 3 + 67)
                .put(ascii("desc"))
                .putInt(0)
                .putInt(value.length() + 1)
                .put(ascii(value))
                .array();
    }

    private static byte[] ascii(String value) {
        return value.getBytes(StandardCharsets.US_ASCII);
    }

    private static byte[] file(String space, Map<String, byte[]> tags) {
        ByteArrayOutputStream data = new ByteArrayOutputStream();
        ByteBuffer table = ByteBuffer.allocate(4 + tags.size() * 12).putInt(tags.size());
        Map<String, Integer> placed = new LinkedHashMap<>();
        int start = HEADER_BYTES + table.capacity();
        tags.forEach((name, value) -> {
            String key = new String(value, StandardCharsets.ISO_8859_1);
            int offset = placed.computeIfAbsent(key, _ -> {
                int at = start + data.size();
                data.writeBytes(value);
                data.writeBytes(new byte[(4 - value.length % 4) % 4]);
                return at;
            });
            table.put(ascii(name)).putInt(offset).putInt(value.length);
        });
        int size = start + data.size();
        ByteBuffer header = ByteBuffer.allocate(HEADER_BYTES);
        header.putInt(size)
                .putInt(0)
                .putInt(0x02400000)
                .put(ascii("mntr"))
                .put(ascii(space))
                .put(ascii("XYZ "));
        for (int part : new int[] {2026, 1, 1, 0, 0, 0}) {
            header.putShort((short) part);
        }
        header.put(ascii("acsp")).position(64);
        header.putInt(1).putInt(fixed(D50[0])).putInt(fixed(D50[1])).putInt(fixed(D50[2]));
        return ByteBuffer.allocate(size)
                .put(header.array())
                .put(table.array())
                .put(data.toByteArray())
                .array();
    }
}
