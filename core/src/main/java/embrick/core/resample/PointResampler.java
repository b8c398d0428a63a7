package embrick.core.resample;

import embrick.core.pixels.PixelRect;

/** The source pixel that each output pixel's centre falls in, read one by one: for outputs that are far smaller. */
final class PointResampler implements Resampler {
    private final SeenBlock block;
    private final Window window;

    PointResampler(SeenBlock block, Window window) {
        this.block = block;
        this.window = window;
    }

    @Override
    public void render(PixelRect region, float[] into, int start) {
        int at = start;
        for (int y = region.y(); y < region.bottom(); y++) {
            for (int x = region.x(); x < region.right(); x++, at += block.channels()) {
                block.read(
                        within(window.seenX(x + 0.5, y + 0.5), block.seen().width()),
                        within(window.seenY(x + 0.5, y + 0.5), block.seen().height()),
                        1,
                        1,
                        into,
                        at);
            }
        }
    }

    private static int within(double position, int length) {
        return Math.clamp((long) Math.floor(position), 0, length - 1);
    }
}
