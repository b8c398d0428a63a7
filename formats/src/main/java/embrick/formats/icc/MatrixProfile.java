package embrick.formats.icc;

import embrick.core.colour.Xyz;

/**
 * Makes display profiles from published numbers, as fixed bytes: three colourants and one tone curve, or the curve alone.
 */
public final class MatrixProfile {
    private static final double[] D50 = {Xyz.D50.x(), Xyz.D50.y(), Xyz.D50.z()};
    /** CIE 1931 chromaticity of D65 as IEC 61966-2-1 states it. */
    private static final double[] D65_XY = {0.3127, 0.3290};

    private static final double[] D50_XY = {0.3457, 0.3585};

    /** Bradford cone response, as in ICC.1:2022 annex E. */
    private static final double[][] BRADFORD = {
        {0.8951, 0.2664, -0.1614}, {-0.7502, 1.7135, 0.0367}, {0.0389, -0.0685, 1.0296}
    };

    private static final int CURVE_ENTRIES = 1024;
    /** 563/256 × 256. */
    private static final int OP_RGB_GAMMA = 563;

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
                "opRGB IEC 61966-2-5",
                new double[][] {{0.64, 0.33}, {0.21, 0.71}, {0.15, 0.06}},
                D65_XY,
                IccFile.gamma(OP_RGB_GAMMA));
    }

    /** ROMM RGB: ISO 22028-2, D50, gamma 1.8 with a linear toe up to 1/512 (values from memory). */
    public static byte[] romm() {
        return build(
                "ROMM RGB ISO 22028-2",
                new double[][] {{0.7347, 0.2653}, {0.1596, 0.8404}, {0.0366, 0.0001}},
                D50_XY,
                IccFile.table(CURVE_ENTRIES, v -> v < 16.0 / 512 ? v / 16 : StrictMath.pow(v, 1.8)));
    }

    /** Grey with the tone curve of sRGB. */
    public static byte[] greyOfSrgbCurve() {
        return grey("Grey, tone curve of sRGB", srgbCurve());
    }

    /** Grey with the tone curve of opRGB: a grey of opRGB keeps its number. */
    public static byte[] greyOfOpRgbCurve() {
        return grey("Grey, tone curve of opRGB", IccFile.gamma(OP_RGB_GAMMA));
    }

    /**
     * A display profile of numbers that a file gives.
     *
     * @param primaries x and y of red, green and blue
     * @param white x and y
     * @param gamma light is a sample to this power, 0.2 to 10
     */
    public static byte[] rgb(String name, double[][] primaries, double[] white, double gamma) {
        return build(name, primaries, white, power(gamma));
    }

    /** Grey of a gamma that a file gives. */
    public static byte[] grey(String name, double gamma) {
        return grey(name, power(gamma));
    }

    /** As a table: a curve tag's own gamma has no room above 255 and 256ths below. */
    private static byte[] power(double gamma) {
        return IccFile.table(CURVE_ENTRIES, v -> StrictMath.pow(v, gamma));
    }

    private static byte[] srgbCurve() {
        return IccFile.table(CURVE_ENTRIES, v -> v <= 0.04045 ? v / 12.92 : StrictMath.pow((v + 0.055) / 1.055, 2.4));
    }

    private static byte[] build(String name, double[][] primaries, double[] white, byte[] curve) {
        double[][] colourants = colourants(primaries, white);
        IccFile file = new IccFile("mntr", "RGB ", "XYZ ", name, Xyz.D50);
        String[] channels = {"r", "g", "b"};
        for (int c = 0; c < 3; c++) {
            file.tag(channels[c] + "XYZ", IccFile.xyz(new Xyz(colourants[0][c], colourants[1][c], colourants[2][c])));
            file.tag(channels[c] + "TRC", curve);
        }
        return file.bytes();
    }

    private static byte[] grey(String name, byte[] curve) {
        return new IccFile("mntr", "GRAY", "XYZ ", name, Xyz.D50)
                .tag("kTRC", curve)
                .bytes();
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
}
