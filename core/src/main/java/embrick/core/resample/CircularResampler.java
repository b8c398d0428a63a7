package embrick.core.resample;

import embrick.core.lanes.Lanes;
import embrick.core.pixels.PixelRect;
import embrick.core.resample.Resampling.Ringing;
import embrick.core.units.PixelSize;

/**
 * The circular Lanczos method, with or without tilt: every source pixel within a circle is weighed by its distance alone.
 *
 * <p>The kernel does not split into rows and columns, so each output pixel works out a weight for every pixel of the
 * square about its circle, beyond which weights are 0. Columns are summed in single precision, their sums in double.
 */
final class CircularResampler implements Resampler {
    private static final int MOST_TILE = 32;
    /** Samples of the source that a tile may need: a few MB. */
    private static final int AREA = 1 << 22;
    /** Where the middle lobe ends; distances are shares of the support. */
    private static final double MIDDLE = Jinc.FIRST_ZERO / Jinc.SUPPORT;

    private static final float[] COEFFICIENTS = JincSeries.coefficients();

    private final Lanes lanes = Lanes.best();
    private final SeenBlock block;
    private final Window window;
    private final boolean bounded;
    private final int channels;
    private final double acrossStep;
    private final double downStep;
    private final double radius;
    private final float step;
    private final int width;
    private final int tile;
    private final float[] weights;
    private final float[] sums;
    private final float[] weighed;
    private float[] area = new float[0];

    CircularResampler(SeenBlock block, Window window, Ringing ringing) {
        this.block = block;
        this.window = window;
        this.bounded = ringing == Ringing.LIMITED;
        this.channels = block.channels();
        this.radius = Jinc.SUPPORT * Math.max(1, window.scale());
        this.step = (float) (1 / radius);
        this.acrossStep = window.scale() * window.cos();
        this.downStep = window.scale() * window.sin();
        int most = (int) Math.ceil(radius) * 2 + 1;
        this.width = Math.ceilDiv(Math.min(most, block.seen().width()), Lanes.BLOCK) * Lanes.BLOCK;
        this.weights = new float[Math.min(most, block.seen().height()) * width];
        this.sums = new float[width * channels];
        this.weighed = new float[width];
        this.tile = tileSide();
    }

    /** The largest tile whose source area, kernel and all, has room; tilted, a square reaches across √2 of its side. */
    private int tileSide() {
        double side = Math.sqrt((double) AREA / channels) - 2 * radius - 4;
        return Math.clamp((long) (side / (window.scale() * Math.sqrt(2))), 1, MOST_TILE);
    }

    @Override
    public void render(PixelRect region, float[] into, int start) {
        for (int y = region.y(); y < region.bottom(); y += tile) {
            for (int x = region.x(); x < region.right(); x += tile) {
                PixelRect part =
                        new PixelRect(x, y, Math.min(tile, region.right() - x), Math.min(tile, region.bottom() - y));
                PixelRect source = window.sourceArea(part, radius, block.seen());
                // Beyond the last row's end pixels are read with weight 0.
                int length = Math.addExact(
                        Math.multiplyExact(Math.multiplyExact(source.width(), source.height()), channels),
                        width * channels);
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
            double v = y + 0.5 - window.output().height() / 2.0;
            for (int x = part.x(); x < part.right(); x++) {
                double u = x + 0.5 - window.output().width() / 2.0;
                double seenX = Math.clamp(
                        window.centreX() + acrossStep * u - downStep * v,
                        0,
                        block.seen().width());
                double seenY = Math.clamp(
                        window.centreY() + downStep * u + acrossStep * v,
                        0,
                        block.seen().height());
                int target = start + ((y - region.y()) * region.width() + (x - region.x())) * channels;
                mix(seenX, seenY, source, into, target);
            }
        }
    }

    private void mix(double seenX, double seenY, PixelRect source, float[] into, int target) {
        PixelSize seen = block.seen();
        int left = RingingBound.first(seenX, radius, seen.width());
        int right = Math.max(left, RingingBound.last(seenX, radius, seen.width()));
        int top = RingingBound.first(seenY, radius, seen.height());
        int bottom = Math.max(top, RingingBound.last(seenY, radius, seen.height()));
        int columns = right - left + 1;
        int rows = bottom - top + 1;
        float x = (float) ((left + 0.5 - seenX) / radius);
        float y = (float) ((top + 0.5 - seenY) / radius);
        int from = ((top - source.y()) * source.width() + left - source.x()) * channels;
        int stride = source.width() * channels;
        lanes.weighByDistance(COEFFICIENTS, x, y, step, width, rows, weights);
        lanes.sumColumns(area, from, stride, channels, weights, width, rows, sums, weighed);
        if (channels == 3) {
            sumThree(columns, into, target);
        } else {
            for (int c = 0; c < channels; c++) {
                into[target + c] = (float) (sum(sums, c, channels, columns) / sum(weighed, 0, 1, columns));
            }
        }
        if (bounded) {
            hold(x, y, from, columns, rows, stride, into, target);
        }
    }

    private static double sum(float[] of, int from, int apart, int count) {
        double sum = 0;
        for (int t = 0; t < count; t++) {
            sum += of[from + t * apart];
        }
        return sum;
    }

    /** The usual case: four sums at a time, because each addition waits for the one before. */
    private void sumThree(int columns, float[] into, int target) {
        double all = 0;
        double red = 0;
        double green = 0;
        double blue = 0;
        for (int t = 0; t < columns; t++) {
            all += weighed[t];
            red += sums[3 * t];
            green += sums[3 * t + 1];
            blue += sums[3 * t + 2];
        }
        into[target] = (float) (red / all);
        into[target + 1] = (float) (green / all);
        into[target + 2] = (float) (blue / all);
    }

    /** Holds the result between the least and the greatest pixel under the middle lobe. */
    private void hold(float x, float y, int from, int columns, int rows, int stride, float[] into, int target) {
        for (int c = 0; c < channels; c++) {
            float low = Float.POSITIVE_INFINITY;
            float high = Float.NEGATIVE_INFINITY;
            for (int r = 0; r < rows; r++) {
                for (int t = 0; t < columns; t++) {
                    float across = x + t * step;
                    float down = y + r * step;
                    if (across * across + down * down <= MIDDLE * MIDDLE) {
                        float sample = area[from + r * stride + t * channels + c];
                        low = Math.min(low, sample);
                        high = Math.max(high, sample);
                    }
                }
            }
            into[target + c] = Math.clamp(into[target + c], low, high);
        }
    }
}
