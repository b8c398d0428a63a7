package embrick.core.resample;

/**
 * {@link Jinc} as a polynomial in the square of the distance.
 *
 * <p>The kernel is an entire function of r², so that a polynomial of degree 12 through Chebyshev's nodes is within 1e-8 of
 * it all over the support; single precision adds 5e-7. No square root, no Bessel function and no table is needed a pixel.
 */
final class JincSeries {
    private static final int DEGREE = 12;

    private JincSeries() {}

    /**
     * The coefficients of z⁰ to z¹², where z = 2s − 1 and s is r² as a share of the support's square, below 1; as of
     * {@link embrick.core.lanes.Lanes#weighByDistance}.
     */
    static float[] coefficients() {
        int nodes = DEGREE + 1;
        double[] powers = new double[nodes];
        double[] last = new double[nodes];
        double[] term = new double[nodes];
        term[0] = 1;
        for (int degree = 0; degree <= DEGREE; degree++) {
            double factor = factor(degree, nodes);
            for (int power = 0; power <= degree; power++) {
                powers[power] += factor * term[power];
            }
            double[] next = next(term, last, degree);
            last = term;
            term = next;
        }
        float[] coefficients = new float[nodes];
        for (int power = 0; power <= DEGREE; power++) {
            coefficients[power] = (float) powers[power];
        }
        return coefficients;
    }

    /** How much Chebyshev's polynomial of a degree counts. */
    private static double factor(int degree, int nodes) {
        double sum = 0;
        for (int node = 0; node < nodes; node++) {
            double angle = Math.PI * (node + 0.5) / nodes;
            double share = (Math.cos(angle) + 1) / 2;
            sum += Jinc.at(Jinc.SUPPORT * Math.sqrt(share)) * Math.cos(degree * angle);
        }
        return sum * (degree == 0 ? 1.0 : 2.0) / nodes;
    }

    /** T₁ = z; after it Tₙ₊₁ = 2z·Tₙ − Tₙ₋₁. */
    private static double[] next(double[] term, double[] last, int degree) {
        double[] next = new double[term.length];
        for (int power = 0; power < term.length; power++) {
            double raised = power == 0 ? 0 : term[power - 1];
            next[power] = degree == 0 ? raised : 2 * raised - last[power];
        }
        return next;
    }
}
