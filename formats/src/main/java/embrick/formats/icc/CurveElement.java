package embrick.formats.icc;

import java.nio.ByteBuffer;
import java.util.stream.IntStream;

/** Tone curves as profiles hold them: curveType and parametricCurveType (ICC.1:2022, 10.6 and 10.18). */
final class CurveElement {
    /** Entries of a curve that is a formula; between them it is a line. */
    static final int FORMULA_ENTRIES = 4097;

    private static final int MOST_ENTRIES = 65536;
    /** Parameters of the functions 0 to 4. */
    private static final int[] PARAMETERS = {1, 3, 4, 5, 7};

    private CurveElement() {}

    /**
     * @param values at even steps from 0 to 1
     * @param bytes of the element, without padding
     */
    record Curve(double[] values, int bytes) {
        boolean isStraight() {
            int last = values.length - 1;
            return IntStream.rangeClosed(0, last).allMatch(i -> Math.abs(values[i] - (double) i / last) < 1e-6);
        }
    }

    /** The curve that begins at a place of an element. */
    static Curve read(ByteBuffer element, int at) throws UnusableProfileException {
        return switch (IccProfile.letters(element, at)) {
            case "curv" -> table(element, at);
            case "para" -> formula(element, at);
            default -> throw IccProfile.damaged("has no curve where one is due");
        };
    }

    private static Curve table(ByteBuffer element, int at) throws UnusableProfileException {
        int entries = element.getInt(at + 8);
        if (entries < 0 || entries > MOST_ENTRIES) {
            throw IccProfile.damaged("has a curve of " + Integer.toUnsignedString(entries) + " entries");
        }
        if (entries == 0) {
            return new Curve(new double[] {0, 1}, 12);
        }
        if (entries == 1) {
            double gamma = Short.toUnsignedInt(element.getShort(at + 12)) / 256.0;
            return new Curve(sampled(x -> Math.pow(x, gamma)), 14);
        }
        double[] values = new double[entries];
        for (int i = 0; i < entries; i++) {
            values[i] = Short.toUnsignedInt(element.getShort(at + 12 + 2 * i)) / 65535.0;
        }
        return new Curve(values, 12 + 2 * entries);
    }

    private interface Formula {
        double at(double x);
    }

    private static Curve formula(ByteBuffer element, int at) throws UnusableProfileException {
        int function = Short.toUnsignedInt(element.getShort(at + 8));
        if (function >= PARAMETERS.length) {
            throw IccProfile.damaged("has a curve of the unknown function " + function);
        }
        double[] p = new double[7];
        for (int i = 0; i < PARAMETERS[function]; i++) {
            p[i] = IccProfile.fixed(element, at + 12 + 4 * i);
        }
        double g = p[0];
        double a = p[1];
        double b = p[2];
        double c = p[3];
        double d = p[4];
        Formula formula = switch (function) {
            case 0 -> x -> power(x, g);
            case 1 -> x -> a * x + b >= 0 ? power(a * x + b, g) : 0;
            case 2 -> x -> a * x + b >= 0 ? power(a * x + b, g) + c : c;
            case 3 -> x -> x >= d ? power(a * x + b, g) : c * x;
            default -> x -> x >= d ? power(a * x + b, g) + p[5] : c * x + p[6];
        };
        return new Curve(sampled(formula), 12 + 4 * PARAMETERS[function]);
    }

    private static double power(double base, double exponent) {
        return base <= 0 ? 0 : Math.pow(base, exponent);
    }

    private static double[] sampled(Formula formula) {
        double[] values = new double[FORMULA_ENTRIES];
        for (int i = 0; i < FORMULA_ENTRIES; i++) {
            double value = formula.at(i / (FORMULA_ENTRIES - 1.0));
            values[i] = Double.isFinite(value) ? Math.clamp(value, 0, 1) : 0;
        }
        return values;
    }
}
