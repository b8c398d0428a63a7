package embrick.core.colour;

/**
 * The colour difference CIEDE2000, ΔE00 (ISO/CIE 11664-6:2014), with all weights 1.
 *
 * <p>Written after G. Sharma, W. Wu, E. N. Dalal: The CIEDE2000 color-difference formula: implementation notes,
 * supplementary test data, and mathematical observations. Color Research and Application 30 (2005), 21–30; numbers in
 * brackets are its equations.
 */
public final class Ciede2000 {
    private static final double POW_25_7 = 6103515625.0;
    private static final double DEGREE = Math.PI / 180;
    private static final double TURN = 2 * Math.PI;

    private Ciede2000() {}

    public static double between(Lab one, Lab other) {
        return between(one.l(), one.a(), one.b(), other.l(), other.a(), other.b());
    }

    /** As {@link #between(Lab, Lab)}, of bare numbers: pictures have millions of them. */
    public static double between(double l1, double a1, double b1, double l2, double a2, double b2) {
        double meanChroma = (Math.sqrt(a1 * a1 + b1 * b1) + Math.sqrt(a2 * a2 + b2 * b2)) / 2;
        double g = 0.5 * (1 - rootOfShare(meanChroma)); // (4)
        double ap1 = (1 + g) * a1; // (5)
        double ap2 = (1 + g) * a2;
        double c1 = Math.sqrt(ap1 * ap1 + b1 * b1); // (6)
        double c2 = Math.sqrt(ap2 * ap2 + b2 * b2);
        double h1 = hue(ap1, b1); // (7)
        double h2 = hue(ap2, b2);
        boolean bothHaveHue = c1 * c2 != 0;
        double dh = bothHaveHue ? turned(h2 - h1) : 0; // (10)
        double bigDh = 2 * Math.sqrt(c1 * c2) * Math.sin(dh / 2); // (11)
        double meanL = (l1 + l2) / 2; // (12)
        double meanC = (c1 + c2) / 2; // (13)
        double meanH = bothHaveHue ? meanHue(h1, h2) : h1 + h2; // (14)
        double t = 1
                - 0.17 * Math.cos(meanH - 30 * DEGREE)
                + 0.24 * Math.cos(2 * meanH)
                + 0.32 * Math.cos(3 * meanH + 6 * DEGREE)
                - 0.20 * Math.cos(4 * meanH - 63 * DEGREE); // (15)
        double fromBlue = (meanH / DEGREE - 275) / 25;
        double turn = 30 * DEGREE * Math.exp(-fromBlue * fromBlue); // (16)
        double rc = 2 * rootOfShare(meanC); // (17)
        double fromMiddle = (meanL - 50) * (meanL - 50);
        double sl = 1 + 0.015 * fromMiddle / Math.sqrt(20 + fromMiddle); // (18)
        double sc = 1 + 0.045 * meanC; // (19)
        double sh = 1 + 0.015 * meanC * t; // (20)
        double rt = -Math.sin(2 * turn) * rc; // (21)
        double l = (l2 - l1) / sl;
        double c = (c2 - c1) / sc;
        double h = bigDh / sh;
        return Math.sqrt(l * l + c * c + h * h + rt * c * h); // (22)
    }

    /** √(C⁷ ÷ (C⁷ + 25⁷)). */
    private static double rootOfShare(double chroma) {
        double squared = chroma * chroma;
        double seventh = squared * squared * squared * chroma;
        return Math.sqrt(seventh / (seventh + POW_25_7));
    }

    /** From 0 to a whole turn; 0 for no hue. */
    private static double hue(double a, double b) {
        if (a == 0 && b == 0) {
            return 0;
        }
        double hue = Math.atan2(b, a);
        return hue < 0 ? hue + TURN : hue;
    }

    private static double turned(double difference) {
        if (difference > Math.PI) {
            return difference - TURN;
        }
        return difference < -Math.PI ? difference + TURN : difference;
    }

    private static double meanHue(double h1, double h2) {
        double sum = h1 + h2;
        if (Math.abs(h1 - h2) <= Math.PI) {
            return sum / 2;
        }
        return sum < TURN ? (sum + TURN) / 2 : (sum - TURN) / 2;
    }
}
