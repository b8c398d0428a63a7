package embrick.core.resample;

/** A reconstruction kernel by its published formula; {@code x} in samples from its middle. */
public enum Kernel {
    /** 1 − |x| within 1: straight lines between samples. */
    TRIANGLE(1) {
        @Override
        public double at(double x) {
            return Math.max(0, 1 - Math.abs(x));
        }
    },
    /** Cubic convolution with a = −½ (R. Keys, 1981, eq. 15): exact for straight lines and parabolas. */
    KEYS(2) {
        @Override
        public double at(double x) {
            return cubic(x, 0, 0.5);
        }
    },
    /** B = C = ⅓ (D. Mitchell, A. Netravali, 1988): the authors' balance of blur and ringing. */
    MITCHELL(2) {
        @Override
        public double at(double x) {
            return cubic(x, 1 / 3.0, 1 / 3.0);
        }
    },
    /**
     * sinc(x) · sinc(x/3) within 3; sinc(x) = sin(πx)/(πx). C. Lanczos, Applied Analysis, 1956 (sigma factors); as an
     * image filter: K. Turkowski, Filters for Common Resampling Tasks, 1990.
     */
    LANCZOS3(3) {
        @Override
        public double at(double x) {
            double distance = Math.abs(x);
            return distance >= 3 ? 0 : sinc(distance) * sinc(distance / 3);
        }
    };

    private final int support;

    Kernel(int support) {
        this.support = support;
    }

    /** Beyond this distance, in samples, the kernel is 0. */
    public int support() {
        return support;
    }

    public abstract double at(double x);

    private static double sinc(double x) {
        // Below this the first dropped term of the series, (πx)²/6, is under double precision.
        return x < 1e-9 ? 1 : Math.sin(Math.PI * x) / (Math.PI * x);
    }

    /** The two-parameter family of cubics, Mitchell and Netravali 1988, eq. 8. Keys's a is −C at B = 0. */
    private static double cubic(double at, double b, double c) {
        double x = Math.abs(at);
        if (x >= 2) {
            return 0;
        }
        return x < 1
                ? ((12 - 9 * b - 6 * c) * x * x * x + (-18 + 12 * b + 6 * c) * x * x + (6 - 2 * b)) / 6
                : ((-b - 6 * c) * x * x * x + (6 * b + 30 * c) * x * x + (-12 * b - 48 * c) * x + (8 * b + 24 * c)) / 6;
    }
}
