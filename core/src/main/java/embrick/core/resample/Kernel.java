package embrick.core.resample;

/** A reconstruction kernel by its published formula. */
public enum Kernel {
    /**
     * sinc(x) · sinc(x/3) within 3, else 0; sinc(x) = sin(πx)/(πx). Keeps the finest detail with little ringing; the
     * all-round choice. Source: C. Lanczos, Applied Analysis, 1956 (sigma factors); as an image filter: K. Turkowski,
     * Filters for Common Resampling Tasks, 1990.
     */
    LANCZOS3(3) {
        @Override
        public double at(double x) {
            double distance = Math.abs(x);
            if (distance >= 3) {
                return 0;
            }
            return sinc(distance) * sinc(distance / 3);
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

    /** The kernel's value at a distance of {@code x} samples. */
    public abstract double at(double x);

    private static double sinc(double x) {
        // Below this the first dropped term of the series, (πx)²/6, is under double precision.
        return x < 1e-9 ? 1 : Math.sin(Math.PI * x) / (Math.PI * x);
    }
}
