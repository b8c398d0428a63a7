package embrick.demo.ink;

import embrick.core.colour.Xyz;

/**
 * Reflectances from 400 to 700 nm in steps of 10, and the colour they have for the simulated instrument.
 *
 * <p>Sources: C. Wyman, P.-P. Sloan, P. Shirley: Simple analytic approximations to the CIE XYZ color matching functions,
 * Journal of Computer Graphics Techniques 2 (2013), the several-lobe fit (constants from memory); Planck's law at 5003 K
 * for the light, the correlated colour temperature of D50. What the fit and the light miss of D50 is scaled away, so that a
 * perfect reflector is exactly the profile connection space's white.
 */
final class Spectra {
    static final int BANDS = 31;

    private static final double FIRST = 400;
    private static final double STEP = 10;
    private static final double KELVIN = 5003;
    /** hc ÷ k in nm·K (CODATA 2018). */
    private static final double SECOND_RADIATION = 1.438776877e7;

    private static final double[][] WEIGHTS = weights();

    private Spectra() {}

    static double wavelength(int band) {
        return FIRST + band * STEP;
    }

    /** @param reflectance 0..1 a band */
    static Xyz xyz(double[] reflectance) {
        double x = 0;
        double y = 0;
        double z = 0;
        for (int band = 0; band < BANDS; band++) {
            x += WEIGHTS[0][band] * reflectance[band];
            y += WEIGHTS[1][band] * reflectance[band];
            z += WEIGHTS[2][band] * reflectance[band];
        }
        return new Xyz(x, y, z);
    }

    /** A bell of height 1. */
    static double bell(double at, double middle, double below, double above) {
        double apart = (at - middle) / (at < middle ? below : above);
        return StrictMath.exp(-0.5 * apart * apart);
    }

    private static double[][] weights() {
        double[][] weights = new double[3][BANDS];
        double[] sums = new double[3];
        for (int band = 0; band < BANDS; band++) {
            double at = wavelength(band);
            double light = 1 / (StrictMath.pow(at, 5) * (StrictMath.exp(SECOND_RADIATION / (at * KELVIN)) - 1));
            weights[0][band] = light
                    * (1.056 * bell(at, 599.8, 37.9, 31.0)
                            + 0.362 * bell(at, 442.0, 16.0, 26.7)
                            - 0.065 * bell(at, 501.1, 20.4, 26.2));
            weights[1][band] = light * (0.821 * bell(at, 568.8, 46.9, 40.5) + 0.286 * bell(at, 530.9, 16.3, 31.1));
            weights[2][band] = light * (1.217 * bell(at, 437.0, 11.8, 36.0) + 0.681 * bell(at, 459.0, 26.0, 13.8));
            for (int row = 0; row < 3; row++) {
                sums[row] += weights[row][band];
            }
        }
        double[] white = {Xyz.D50.x(), Xyz.D50.y(), Xyz.D50.z()};
        for (int row = 0; row < 3; row++) {
            for (int band = 0; band < BANDS; band++) {
                weights[row][band] *= white[row] / sums[row];
            }
        }
        return weights;
    }
}
