package embrick.core.sharpen;

import java.util.Arrays;

/**
 * The mean along a straight line through each pixel, between pixels linearly. Beyond the plane's rim its outermost pixels
 * go on.
 */
final class LineBlur extends EvenReach implements PlaneBlur {
    private static final int SAMPLES_PER_PIXEL = 16;

    private final int reach;
    private final Tap[] taps;

    private int spanX;
    private int columns;
    private int nextRow;
    private int slots;
    private float[] ring = new float[0];

    private record Tap(int dx, int dy, float weight) {}

    LineBlur(Deconvolution.Spread.Line line, int width, int height) {
        super(width, height);
        this.reach = (int) Math.ceil(line.lengthPixels() / 2) + 1;
        this.taps = taps(line, reach);
    }

    private static Tap[] taps(Deconvolution.Spread.Line line, int reach) {
        int side = 2 * reach + 1;
        double[] weights = new double[side * side];
        int samples = (int) Math.ceil(line.lengthPixels() * SAMPLES_PER_PIXEL);
        double across = Math.cos(Math.toRadians(line.degrees()));
        double down = Math.sin(Math.toRadians(line.degrees()));
        for (int i = 0; i < samples; i++) {
            double along = ((i + 0.5) / samples - 0.5) * line.lengthPixels();
            double x = along * across + reach;
            double y = along * down + reach;
            int left = (int) Math.floor(x);
            int top = (int) Math.floor(y);
            double right = x - left;
            double low = y - top;
            weights[top * side + left] += (1 - right) * (1 - low) / samples;
            weights[top * side + left + 1] += right * (1 - low) / samples;
            weights[(top + 1) * side + left] += (1 - right) * low / samples;
            weights[(top + 1) * side + left + 1] += right * low / samples;
        }
        Tap[] taps = new Tap[side * side];
        int count = 0;
        for (int i = 0; i < weights.length; i++) {
            if (weights[i] > 0) {
                taps[count++] = new Tap(i % side - reach, i / side - reach, (float) weights[i]);
            }
        }
        return Arrays.copyOf(taps, count);
    }

    @Override
    int reach() {
        return reach;
    }

    @Override
    public void from(int x, int columnsFed, int y, int rows) {
        spanX = x;
        columns = columnsFed;
        nextRow = y;
        slots = 2 * reach + 1 + rows;
        ring = new float[slots * stride()];
    }

    /** A row with its outermost pixels going on at both ends. */
    private int stride() {
        return columns + 2 * reach;
    }

    @Override
    public int nextRow() {
        return nextRow;
    }

    @Override
    public void feed(float[] plane, int at) {
        int to = nextRow++ % slots * stride();
        Arrays.fill(ring, to, to + reach, plane[at]);
        System.arraycopy(plane, at, ring, to + reach, columns);
        Arrays.fill(ring, to + reach + columns, to + stride(), plane[at + columns - 1]);
    }

    @Override
    public void row(int y, int x, int count, float[] into) {
        Arrays.fill(into, 0, count, 0f);
        for (Tap tap : taps) {
            int row = Math.clamp(y + tap.dy(), 0, height - 1);
            int from = row % slots * stride() + reach + x - spanX + tap.dx();
            float weight = tap.weight();
            for (int i = 0; i < count; i++) {
                into[i] += weight * ring[from + i];
            }
        }
    }
}
