package embrick.core.colour;

/**
 * CIE 1931 tristimulus values, 2° observer, Y = 1 for a perfect reflector.
 *
 * <p>Colours here are seen under D50, the white of the ICC's profile connection space, unless something else is said.
 */
public record Xyz(double x, double y, double z) {
    /** The profile connection space's white: ICC.1:2022, 7.2.16. */
    public static final Xyz D50 = new Xyz(0.9642, 1.0, 0.8249);

    /** u′ of CIE 1976 UCS (CIE 15:2004, equation 8.31); 0 for no light. */
    public double uPrime() {
        double sum = x + 15 * y + 3 * z;
        return sum == 0 ? 0 : 4 * x / sum;
    }

    /** v′ of CIE 1976 UCS. */
    public double vPrime() {
        double sum = x + 15 * y + 3 * z;
        return sum == 0 ? 0 : 9 * y / sum;
    }

    /** As a media-relative colour under D50: each value as a share of the medium's white (ICC.1:2022, 6.3.2.2). */
    public Xyz relativeTo(Xyz white) {
        return new Xyz(x / white.x * D50.x, y / white.y * D50.y, z / white.z * D50.z);
    }
}
