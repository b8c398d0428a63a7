package embrick.core.resample;

/**
 * The circular Lanczos kernel: jinc(r) · jinc(r · z₁/z₃) within z₃, where jinc(r) = 2·J₁(πr)/(πr) is the Fourier transform
 * of a disc as sinc is that of a box, and z₁, z₃ are its first and third zero.
 *
 * <p>Source: the jinc as ideal circular low-pass, R. Bracewell, The Fourier Transform and Its Applications, 1965; elliptical
 * weighted averaging, P. Heckbert, 1989. Zeros: those of J₁, M. Abramowitz, I. Stegun, table 9.5, divided by π.
 */
final class Jinc {
    /** First zero of J₁, 3.8317059702, over π: where the middle lobe ends. */
    static final double FIRST_ZERO = 3.831705970207512 / Math.PI;
    /** Third zero of J₁, 10.1734681351, over π: the support, in samples. */
    static final double SUPPORT = 10.173468135062722 / Math.PI;

    private Jinc() {}

    static double at(double r) {
        return r >= SUPPORT ? 0 : jinc(r) * jinc(r * FIRST_ZERO / SUPPORT);
    }

    private static double jinc(double r) {
        double x = Math.PI * r;
        return x < 1e-6 ? 1 : 2 * besselJ1(x) / x;
    }

    /**
     * J₁(x) = 1/π ∫₀^π cos(τ − x·sin τ) dτ (Abramowitz and Stegun 9.1.21). The integrand is periodic and smooth, so the
     * trapezoidal rule converges faster than any power: 48 intervals are exact to double precision up to x = 11.
     */
    static double besselJ1(double x) {
        int intervals = 48;
        double sum = 0;
        for (int i = 0; i < intervals; i++) {
            double tau = 2 * Math.PI * i / intervals;
            sum += Math.cos(tau - x * Math.sin(tau));
        }
        return sum / intervals;
    }
}
