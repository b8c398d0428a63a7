package embrick.core.resample;

import embrick.core.pixels.PixelRect;

/** The path where every output pixel is one of the picture's own: nothing is mixed, whatever the method. */
final class PixelCopy implements Resampler {
    private final SeenBlock block;
    private final int left;
    private final int top;

    PixelCopy(SeenBlock block, Window window) {
        this.block = block;
        this.left = (int) Math.round(window.originX());
        this.top = (int) Math.round(window.originY());
    }

    @Override
    public void render(PixelRect region, float[] into, int at) {
        block.read(left + region.x(), top + region.y(), region.width(), region.height(), into, at);
    }
}
