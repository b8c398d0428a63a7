package embrick.core.resample;

import embrick.core.pixels.PixelRect;
import embrick.core.pixels.Raster;

/**
 * The path with tilt: a tensor-product kernel on the original's own axes, weighed afresh at each output pixel.
 *
 * <p>The output is walked in square tiles whose source area is small enough to be converted to float once and stay in
 * the cache. Tiles are laid on absolute output positions only for the reading; a pixel's taps, their order and their
 * weights depend on its position alone.
 */
final class TiltedResampler implements Resampler {
    /** Output pixels of a tile's side: its source area fits a second-level cache at ordinary scales. */
    private static final int TILE = 48;

    private final SeenBlock block;
    private final Window window;
    private final KernelTable kernel;
    private final double stretch;
    private final double radius;
    private final double cos;
    private final double sin;
    private final float[] weightX;
    private final float[] weightY;
    private float[] area = new float[0];

    TiltedResampler(Raster original, Window window, Kernel kernel, LastChannel last) {
        this.block = new SeenBlock(original, window.seenAs(), last);
        this.window = window;
        this.kernel = new KernelTable(kernel);
        this.stretch = Math.max(1, window.scale());
        this.radius = kernel.support() * stretch;
        double angle = Math.toRadians(-window.tiltDegrees());
        this.cos = Math.cos(angle);
        this.sin = Math.sin(angle);
        this.weightX = new float[(int) Math.ceil(radius) * 2 + 1];
        this.weightY = new float[weightX.length];
    }

    @Override
    public void render(PixelRect region, float[] into) {
        for (int y = region.y(); y < region.bottom(); y += TILE) {
            for (int x = region.x(); x < region.right(); x += TILE) {
                PixelRect tile =
                        new PixelRect(x, y, Math.min(TILE, region.right() - x), Math.min(TILE, region.bottom() - y));
                renderTile(tile, region, into);
            }
        }
    }

    private void renderTile(PixelRect tile, PixelRect region, float[] into) {
        PixelRect source = sourceArea(tile);
        int channels = block.channels();
        int length = Math.multiplyExact(Math.multiplyExact(source.width(), source.height()), channels);
        if (area.length < length) {
            area = new float[length];
        }
        block.read(source.x(), source.y(), source.width(), source.height(), area);
        double halfWidth = window.output().width() / 2.0;
        double halfHeight = window.output().height() / 2.0;
        for (int y = tile.y(); y < tile.bottom(); y++) {
            double v = y + 0.5 - halfHeight;
            for (int x = tile.x(); x < tile.right(); x++) {
                double u = x + 0.5 - halfWidth;
                double seenX = window.centreX() + window.scale() * (cos * u - sin * v);
                double seenY = window.centreY() + window.scale() * (sin * u + cos * v);
                int target = ((y - region.y()) * region.width() + (x - region.x())) * channels;
                sum(seenX, seenY, source, into, target);
            }
        }
    }

    private void sum(double seenX, double seenY, PixelRect source, float[] into, int target) {
        int channels = block.channels();
        int firstX = first(seenX, block.seen().width());
        int countX = last(seenX, firstX, block.seen().width()) - firstX + 1;
        int firstY = first(seenY, block.seen().height());
        int countY = last(seenY, firstY, block.seen().height()) - firstY + 1;
        weigh(seenX, firstX, countX, weightX);
        weigh(seenY, firstY, countY, weightY);
        for (int c = 0; c < channels; c++) {
            into[target + c] = 0;
        }
        for (int j = 0; j < countY; j++) {
            int row = ((firstY + j - source.y()) * source.width() + firstX - source.x()) * channels;
            float wy = weightY[j];
            if (channels == 3) {
                float r = 0;
                float g = 0;
                float b = 0;
                for (int i = 0; i < countX; i++) {
                    float w = weightX[i];
                    r += area[row + 3 * i] * w;
                    g += area[row + 3 * i + 1] * w;
                    b += area[row + 3 * i + 2] * w;
                }
                into[target] += r * wy;
                into[target + 1] += g * wy;
                into[target + 2] += b * wy;
            } else {
                for (int c = 0; c < channels; c++) {
                    float part = 0;
                    for (int i = 0; i < countX; i++) {
                        part += area[row + i * channels + c] * weightX[i];
                    }
                    into[target + c] += part * wy;
                }
            }
        }
    }

    private int first(double position, int length) {
        return Math.clamp((long) Math.ceil(position - radius - 0.5), 0, length - 1);
    }

    private int last(double position, int first, int length) {
        return Math.clamp((long) Math.floor(position + radius - 0.5), first, length - 1);
    }

    private void weigh(double position, int first, int count, float[] weights) {
        double sum = 0;
        for (int i = 0; i < count; i++) {
            weights[i] = kernel.at((first + i + 0.5 - position) / stretch);
            sum += weights[i];
        }
        if (Math.abs(sum) < 1e-6) {
            java.util.Arrays.fill(weights, 0, count, 0f);
            weights[position < 0 ? 0 : count - 1] = 1f;
            sum = 1;
        }
        float scale = (float) (1 / sum);
        for (int i = 0; i < count; i++) {
            weights[i] *= scale;
        }
    }

    private PixelRect sourceArea(PixelRect tile) {
        double left = Double.MAX_VALUE;
        double top = Double.MAX_VALUE;
        double right = -Double.MAX_VALUE;
        double bottom = -Double.MAX_VALUE;
        for (int corner = 0; corner < 4; corner++) {
            double u = (corner & 1) == 0 ? tile.x() : tile.right();
            double v = (corner & 2) == 0 ? tile.y() : tile.bottom();
            left = Math.min(left, window.seenX(u, v));
            right = Math.max(right, window.seenX(u, v));
            top = Math.min(top, window.seenY(u, v));
            bottom = Math.max(bottom, window.seenY(u, v));
        }
        int width = block.seen().width();
        int height = block.seen().height();
        int x0 = Math.clamp((long) Math.floor(left - radius - 1), 0, width - 1);
        int y0 = Math.clamp((long) Math.floor(top - radius - 1), 0, height - 1);
        int x1 = Math.clamp((long) Math.ceil(right + radius + 1), x0 + 1, width);
        int y1 = Math.clamp((long) Math.ceil(bottom + radius + 1), y0 + 1, height);
        return new PixelRect(x0, y0, x1 - x0, y1 - y0);
    }
}
