package embrick.core.colour;

import embrick.core.lanes.Lanes;

/**
 * From one RGB profile made of a tone curve and three colourants to another: curve, matrix, curve (ICC.1:2022, annex F.3),
 * in floats from end to end. Colours that the target cannot hold are clipped to it, in light.
 *
 * <p>This is the usual case, and worth its own path: a general engine takes 16-bit pixels through a grid of samples, which
 * costs more and is less exact.
 */
public final class MatrixTransform implements Transform {
    private static final int CURVE_STEPS = 4096;
    /** Pixels together: all planes over so many stay in the nearest cache. */
    private static final int TOGETHER = 512;

    private final Lanes lanes = Lanes.best();
    private final float[] curve;
    /** Rows of three and their offset, as {@link Lanes#mixPlanes} takes them. */
    private final float[] matrix = new float[12];

    private final float[] back;

    /**
     * @param from the source's curve, the same for its three channels
     * @param matrix target light from source light, row after row
     * @param to the target's curve
     */
    public MatrixTransform(ToneCurve from, double[][] matrix, ToneCurve to) {
        this.curve = from.table(CURVE_STEPS);
        for (int row = 0; row < 3; row++) {
            for (int column = 0; column < 3; column++) {
                this.matrix[row * 4 + column] = (float) matrix[row][column];
            }
        }
        this.back = to.backTable();
    }

    @Override
    public void apply(float[] in, int from, float[] out, int at, int pixels) {
        if (in.length - from < 3L * pixels || out.length - at < 3L * pixels) {
            throw new IllegalArgumentException(
                    "arrays: expected " + pixels + " pixels, got " + in.length + " and " + out.length + " samples");
        }
        float[] planes = new float[3 * TOGETHER + Lanes.SLACK];
        float[] mixed = new float[3 * TOGETHER + Lanes.SLACK];
        for (int done = 0; done < pixels; done += TOGETHER) {
            int count = Math.min(TOGETHER, pixels - done);
            lanes.toPlanes(in, from + 3 * done, planes, TOGETHER, count);
            lanes.lookUp(curve, planes, 0, planes, 0, 3 * TOGETHER);
            lanes.mixPlanes(planes, matrix, mixed, 3, TOGETHER, count);
            lanes.lookUpRoot(back, mixed, 0, mixed, 0, 3 * TOGETHER);
            lanes.fromPlanes(mixed, TOGETHER, out, at + 3 * done, count);
        }
    }
}
