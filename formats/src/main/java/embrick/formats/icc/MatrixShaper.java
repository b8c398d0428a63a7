package embrick.formats.icc;

import embrick.core.colour.MatrixTransform;
import embrick.core.colour.ToneCurve;
import embrick.core.colour.Transform;
import java.util.Arrays;
import java.util.Optional;

/**
 * An RGB profile that is made of one tone curve and three colourants, and of nothing else (ICC.1:2022, 8.3.3).
 *
 * <p>Its black is no light at all, so black point compensation between two of them changes nothing.
 *
 * @param tone the curve of all three channels
 * @param colourants rows X, Y, Z; columns red, green, blue
 */
record MatrixShaper(ToneCurve tone, double[][] colourants) {
    /** How far a curve's ends may lie from 0 and 1: a count of 16 bits. */
    private static final double NEAR = 1.0 / 65535;

    /** Empty for profiles with tables, of several curves, or whose black or white is not the end of its curve. */
    static Optional<MatrixShaper> of(byte[] bytes) {
        try (LittleCms.Profile profile = new LittleCms.Profile(bytes)) {
            Optional<double[]> curve = profile.toneCurve();
            Optional<double[][]> colourants = profile.colourants();
            if (profile.hasTables()
                    || curve.isEmpty()
                    || colourants.isEmpty()
                    || !profile.channelsShareTheCurve()
                    || !endsAtBlackAndWhite(curve.get())) {
                return Optional.empty();
            }
            return Optional.of(new MatrixShaper(ToneCurve.through(curve.get()), colourants.get()));
        } catch (IllegalArgumentException unusual) {
            return Optional.empty();
        }
    }

    private static boolean endsAtBlackAndWhite(double[] curve) {
        return Math.abs(curve[0]) <= NEAR
                && Math.abs(curve[curve.length - 1] - 1) <= NEAR
                && Arrays.stream(curve).allMatch(light -> light >= -NEAR && light <= 1 + NEAR);
    }

    Transform to(MatrixShaper target) {
        double[][] matrix = Matrix3.times(Matrix3.inverse(target.colourants), colourants);
        return new MatrixTransform(tone, matrix, target.tone);
    }
}
