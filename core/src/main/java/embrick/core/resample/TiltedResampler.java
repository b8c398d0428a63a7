package embrick.core.resample;

import embrick.core.lanes.Lanes;
import embrick.core.pixels.PixelRect;
import java.util.Optional;

/**
 * The path with tilt: a tensor-product kernel on the original's own axes, weighed afresh at each output pixel.
 *
 * <p>The output is walked in square tiles whose source area is small enough to be converted to float once and stay in
 * the cache. Tiles only serve the reading; a pixel's taps, their order and their weights depend on its position alone.
 * */
final class TiltedResampler implements Resampler {
    /** Floats of a tile's source area: 1 MiB, to stay in a second-level cache. */
    private static final int AREA = 1 << 18;

    private static final int LEAST_TILE = 1;
    private static final int MOST_TILE = 64;

    private final Lanes lanes = Lanes.best();
    private final SeenBlock block;
    private final Window window;
    private final AxisKernel kernel;
    private final boolean bounded;
    private final int channels;
    private final int taps;
    private final int padded;
    private final int tile;
    private final double cos;
    private final double sin;
    private final RowWeights across;
    private final RowWeights down;
    private final float[] work;
    private final int apart;
    private final int[] starts;
    private final int[] workStarts;
    private float[] area = new float[0];

    TiltedResampler(SeenBlock block, Window window, AxisKernel kernel, boolean bounded) {
        this.block = block;
        this.window = window;
        this.kernel = kernel;
        this.bounded = bounded;
        this.channels = block.channels();
        this.taps = new Taps(kernel, block.seen().width()).most();
        this.padded = Lanes.padded(taps);
        this.tile = tileSide();
        this.cos = window.cos();
        this.sin = window.sin();
        Optional<PhaseTable> phases = kernel.isSmooth() ? Optional.of(new PhaseTable(kernel, taps)) : Optional.empty();
        this.across = new RowWeights(kernel, block.seen().width(), phases, Lanes.TAPS_TOGETHER, tile);
        this.down = new RowWeights(kernel, block.seen().height(), phases, 1, tile);
        this.apart = padded * channels;
        this.starts = new int[tile];
        this.work = new float[tile * apart + 2 * Lanes.SLACK];
        this.workStarts = new int[tile];
        for (int p = 0; p < tile; p++) {
            workStarts[p] = p * apart;
        }
    }

    /** The largest tile whose tilted source area, kernel and all, has room. */
    private int tileSide() {
        double side = Math.sqrt((double) AREA / channels) - 2 * kernel.radius() - 4;
        // A tilted square reaches across √2 of its side at most.
        return Math.clamp((long) (side / (window.scale() * Math.sqrt(2))), LEAST_TILE, MOST_TILE);
    }

    @Override
    public void render(PixelRect region, float[] into, int start) {
        for (int y = region.y(); y < region.bottom(); y += tile) {
            for (int x = region.x(); x < region.right(); x += tile) {
                PixelRect part =
                        new PixelRect(x, y, Math.min(tile, region.right() - x), Math.min(tile, region.bottom() - y));
                renderTile(part, region, into, start);
            }
        }
    }

    private void renderTile(PixelRect part, PixelRect region, float[] into, int start) {
        PixelRect source = window.sourceArea(part, kernel.radius(), block.seen());
        // Near the rim taps of weight 0 are read beyond the area's end.
        int length = Math.multiplyExact(Math.multiplyExact(source.width(), source.height() + taps), channels)
                + padded * channels
                + Lanes.SLACK;
        if (area.length < length) {
            area = new float[length];
        }
        block.read(source.x(), source.y(), source.width(), source.height(), area, 0);
        for (int y = part.y(); y < part.bottom(); y++) {
            int target = start + ((y - region.y()) * region.width() + part.x() - region.x()) * channels;
            mixRow(y, part, source, into, target);
        }
    }

    /** One step after the other for the whole row, so that no pixel waits for its own last step. */
    private void mixRow(int y, PixelRect part, PixelRect source, float[] into, int target) {
        int stride = source.width() * channels;
        double u = part.x() + 0.5 - window.output().width() / 2.0;
        double v = y + 0.5 - window.output().height() / 2.0;
        across.weigh(window.centreX() - window.scale() * sin * v, window.scale() * cos, u, part.width());
        down.weigh(window.centreY() + window.scale() * cos * v, window.scale() * sin, u, part.width());
        for (int p = 0; p < part.width(); p++) {
            starts[p] = (down.first(p) - source.y()) * stride + (across.first(p) - source.x()) * channels;
        }
        lanes.mixBlocks(area, starts, stride, down.weights(), 0, taps, taps * channels, work, apart, part.width());
        lanes.mixPixels(work, workStarts, across.weights(), padded, channels, into, target, part.width());
        if (bounded) {
            for (int p = 0; p < part.width(); p++) {
                double seenX = window.seenX(part.x() + p + 0.5, y + 0.5);
                double seenY = window.seenY(part.x() + p + 0.5, y + 0.5);
                hold(seenX, seenY, source, into, target + p * channels);
            }
        }
    }

    private void hold(double seenX, double seenY, PixelRect source, float[] into, int target) {
        int left = RingingBound.first(seenX, kernel.middle(), block.seen().width());
        int right = RingingBound.last(seenX, kernel.middle(), block.seen().width());
        int top = RingingBound.first(seenY, kernel.middle(), block.seen().height());
        int bottom = RingingBound.last(seenY, kernel.middle(), block.seen().height());
        for (int c = 0; c < channels; c++) {
            float low = Float.POSITIVE_INFINITY;
            float high = Float.NEGATIVE_INFINITY;
            for (int y = top; y <= bottom; y++) {
                int row = (y - source.y()) * source.width() - source.x();
                for (int x = left; x <= right; x++) {
                    float sample = area[(row + x) * channels + c];
                    low = Math.min(low, sample);
                    high = Math.max(high, sample);
                }
            }
            into[target + c] = Math.clamp(into[target + c], low, high);
        }
    }
}
