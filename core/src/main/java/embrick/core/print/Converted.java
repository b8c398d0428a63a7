package embrick.core.print;

import embrick.core.colour.Transform;
import embrick.core.pixels.PixelRect;
import embrick.core.pixels.PixelSource;

/** Opaque pixels in another profile. */
final class Converted implements PixelSource {
    private final PixelSource source;
    private final int channels;
    private final Transform transform;
    private float[] pixels = new float[0];

    Converted(PixelSource source, int channels, Transform transform) {
        this.source = source;
        this.channels = channels;
        this.transform = transform;
    }

    @Override
    public void render(PixelRect region, float[] into, int at) {
        int count = Math.multiplyExact(region.width(), region.height());
        int needed = Math.multiplyExact(count, channels);
        if (pixels.length < needed) {
            pixels = new float[needed];
        }
        source.render(region, pixels, 0);
        transform.apply(pixels, 0, into, at, count);
    }
}
