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
    /** Pixels together: three stages over so many stay in the nearest cache. */
    private static final int TOGETHER = 1024;

    private final Lanes lanes = Lanes.best();
    private final float[] curve;
    private final float[] matrix = new float[9];
    private final float[] back;

    /**
     * @param from the source's curve, the same for its three channels
     * @param matrix target light from source light, row after row
     * @param to the target's curve
     */
    public MatrixTransform(ToneCurve from, double[][] matrix, ToneCurve to) {
        this.curve = from.table(CURVE_STEPS);
        for (int i = 0; i < 9; i++) {
            this.matrix[i] = (float) matrix[i / 3][i % 3];
        }
        this.back = to.backTable();
    }

    @Override
    public void apply(float[] in, int from, float[] out, int at, int pixels) {
        if (in.length - from < 3L * pixels || out.length - at < 3L * pixels) {
            throw new IllegalArgumentException(
                    "arrays: expected " + pixels + " pixels, got " + in.length + " and " + out.length + " samples");
        }
        float[] light = new float[3 * Math.min(TOGETHER, pixels)];
        for (int done = 0; done < pixels; done += TOGETHER) {
            int samples = 3 * Math.min(TOGETHER, pixels - done);
            lanes.lookUp(curve, in, from + 3 * done, light, 0, samples);
            lanes.mixTriples(light, 0, matrix, light, 0, samples / 3);
            lanes.lookUpRoot(back, light, 0, out, at + 3 * done, samples);
        }
    }
}
