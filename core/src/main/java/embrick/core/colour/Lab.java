package embrick.core.colour;

/** CIE 1976 L*a*b* under D50 (CIE 15:2004, 8.2.1; ICC.1:2022, annex A). */
public record Lab(double l, double a, double b) {
    private static final double EPSILON = 216.0 / 24389;
    private static final double KAPPA = 24389.0 / 27;

    public static Lab of(Xyz xyz) {
        double fx = root(xyz.x() / Xyz.D50.x());
        double fy = root(xyz.y() / Xyz.D50.y());
        double fz = root(xyz.z() / Xyz.D50.z());
        return new Lab(116 * fy - 16, 500 * (fx - fy), 200 * (fy - fz));
    }

    private static double root(double share) {
        return share > EPSILON ? Math.cbrt(share) : (KAPPA * share + 16) / 116;
    }

    public Xyz toXyz() {
        double fy = (l + 16) / 116;
        return new Xyz(
                Xyz.D50.x() * power(fy + a / 500),
                Xyz.D50.y() * (l > KAPPA * EPSILON ? fy * fy * fy : l / KAPPA),
                Xyz.D50.z() * power(fy - b / 200));
    }

    private static double power(double root) {
        double cube = root * root * root;
        return cube > EPSILON ? cube : (116 * root - 16) / KAPPA;
    }

    /** C*ab. */
    public double chroma() {
        return Math.hypot(a, b);
    }

    /** hab in radians, from −π to π. */
    public double hue() {
        return Math.atan2(b, a);
    }

    /** ΔE*ab of 1976: the plain distance. */
    public double distance(Lab other) {
        double dl = l - other.l;
        double da = a - other.a;
        double db = b - other.b;
        return Math.sqrt(dl * dl + da * da + db * db);
    }
}
