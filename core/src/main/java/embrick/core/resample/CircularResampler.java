package embrick.core.resample;

import embrick.core.pixels.PixelRect;
import embrick.core.resample.Resampling.Ringing;
import embrick.core.units.PixelSize;

/**
 * The circular Lanczos method, with or without tilt: every source pixel within a circle is weighed by its distance alone.
 * The kernel does not split into rows and columns, so each output pixel sums its whole circle: rows in single precision, their sums in double.
 */
final class CircularResampler implements Resampler {
    /** Steps of the table over r²: linear interpolation is within 1e-6 of the formula, and it stays in the cache. */
    private static final int STEPS = 4096;

    private static final int TILE = 32;

    private final SeenBlock block;
    private final Window window;
    private final boolean bounded;
    private final int channels;
    private final double stretch;
    private final double radius;
    private final double perStep;
    private final float[] table = new float[STEPS + 2];
    private final float[] squares;
    private final double[] sums;
    private final float[] rowSums;
    private final float[] low;
    private final float[] high;
    private float[] area = new float[0];

    CircularResampler(SeenBlock block, Window window, Ringing ringing) {
        this.block = block;
        this.window = window;
        this.bounded = ringing == Ringing.BOUNDED;
        this.channels = block.channels();
        this.stretch = Math.max(1, window.scale());
        this.radius = Jinc.SUPPORT * stretch;
        this.perStep = Jinc.SUPPORT * Jinc.SUPPORT / STEPS;
        for (int step = 0; step < STEPS; step++) {
            table[step] = (float) Jinc.at(Math.sqrt(step * perStep));
        }
        this.squares = new float[(int) Math.ceil(radius) * 2 + 1];
        this.sums = new double[channels];
        this.rowSums = new float[channels];
        this.low = new float[channels];
        this.high = new float[channels];
    }

    @Override
    public void render(PixelRect region, float[] into, int start) {
        for (int y = region.y(); y < region.bottom(); y += TILE) {
            for (int x = region.x(); x < region.right(); x += TILE) {
                PixelRect part =
                        new PixelRect(x, y, Math.min(TILE, region.right() - x), Math.min(TILE, region.bottom() - y));
                PixelRect source = window.sourceArea(part, radius, block.seen());
                int length = Math.multiplyExact(Math.multiplyExact(source.width(), source.height()), channels);
                if (area.length < length) {
                    area = new float[length];
                }
                block.read(source.x(), source.y(), source.width(), source.height(), area, 0);
                renderTile(part, source, region, into, start);
            }
        }
    }

    private void renderTile(PixelRect part, PixelRect source, PixelRect region, float[] into, int start) {
        for (int y = part.y(); y < part.bottom(); y++) {
            for (int x = part.x(); x < part.right(); x++) {
                int target = start + ((y - region.y()) * region.width() + (x - region.x())) * channels;
                mix(window.seenX(x + 0.5, y + 0.5), window.seenY(x + 0.5, y + 0.5), source, into, target);
            }
        }
    }

    private void mix(double seenX, double seenY, PixelRect source, float[] into, int target) {
        PixelSize seen = block.seen();
        int left = RingingBound.first(seenX, radius, seen.width());
        int right = Math.max(left, RingingBound.last(seenX, radius, seen.width()));
        int top = RingingBound.first(seenY, radius, seen.height());
        int bottom = Math.max(top, RingingBound.last(seenY, radius, seen.height()));
        for (int x = left; x <= right; x++) {
            double distance = (x + 0.5 - seenX) / stretch;
            squares[x - left] = (float) (distance * distance / perStep);
        }
        java.util.Arrays.fill(low, Float.POSITIVE_INFINITY);
        java.util.Arrays.fill(high, Float.NEGATIVE_INFINITY);
        double weights = 0;
        java.util.Arrays.fill(sums, 0);
        int second = Math.min(1, channels - 1);
        int third = Math.min(2, channels - 1);
        int fourth = channels - 1;
        for (int y = top; y <= bottom; y++) {
            double distance = (y + 0.5 - seenY) / stretch;
            float square = (float) (distance * distance / perStep);
            int at = ((y - source.y()) * source.width() + left - source.x()) * channels;
            float weighed = 0;
            float a = 0;
            float b = 0;
            float c = 0;
            float d = 0;
            for (int x = 0; x <= right - left; x++, at += channels) {
                // Beyond the circle the table's last step is 0: cheaper than a branch that is hard to foresee.
                float step = Math.min(squares[x] + square, STEPS);
                int below = (int) step;
                float weight = table[below] + (step - below) * (table[below + 1] - table[below]);
                weighed += weight;
                a += area[at] * weight;
                b += area[at + second] * weight;
                c += area[at + third] * weight;
                d += area[at + fourth] * weight;
                if (bounded && step * perStep <= Jinc.FIRST_ZERO * Jinc.FIRST_ZERO) {
                    widen(at);
                }
            }
            weights += weighed;
            rowSums[0] = a;
            rowSums[second] = b;
            rowSums[third] = c;
            rowSums[fourth] = d;
            for (int channel = 0; channel < channels; channel++) {
                sums[channel] += rowSums[channel];
            }
        }
        if (Math.abs(weights) < 1e-6) {
            // Only a position wholly outside the picture: it takes the rim.
            int x = Math.clamp((long) Math.floor(seenX), 0, seen.width() - 1) - source.x();
            int y = Math.clamp((long) Math.floor(seenY), 0, seen.height() - 1) - source.y();
            System.arraycopy(area, (y * source.width() + x) * channels, into, target, channels);
            return;
        }
        for (int c = 0; c < channels; c++) {
            float value = (float) (sums[c] / weights);
            into[target + c] = bounded ? Math.clamp(value, low[c], high[c]) : value;
        }
    }

    private void widen(int at) {
        for (int c = 0; c < channels; c++) {
            low[c] = Math.min(low[c], area[at + c]);
            high[c] = Math.max(high[c], area[at + c]);
        }
    }
}
