package embrick.core.print;

import embrick.core.colour.ToneCurve;
import embrick.core.pixels.PixelRect;
import embrick.core.pixels.PixelSource;

/** Pixels mixed as light, brought back to their profile's numbers; clipped to 0..1. Alpha stays multiplied in. */
final class Encoded implements PixelSource {
    private final PixelSource light;
    private final int channels;
    private final boolean alpha;
    private final ToneCurve tone;
    private float[] shares = new float[0];

    Encoded(PixelSource light, int channels, boolean alpha, ToneCurve tone) {
        this.light = light;
        this.channels = channels;
        this.alpha = alpha;
        this.tone = tone;
    }

    @Override
    public void render(PixelRect region, float[] into, int at) {
        light.render(region, into, at);
        int pixels = region.width() * region.height();
        if (alpha) {
            encodeSeeThrough(into, at, pixels);
        } else {
            tone.encode(into, at, into, at, pixels * channels);
        }
    }

    /** The light is taken out of the alpha, encoded all together, and put back in. */
    private void encodeSeeThrough(float[] into, int at, int pixels) {
        if (shares.length < pixels) {
            shares = new float[pixels];
        }
        for (int pixel = 0, p = at; pixel < pixels; pixel++, p += channels) {
            float share = Math.clamp(into[p + channels - 1], 0f, 1f);
            shares[pixel] = into[p + channels - 1];
            for (int c = 0; c < channels - 1; c++) {
                into[p + c] = share == 0 ? 0 : into[p + c] / share;
            }
        }
        tone.encode(into, at, into, at, pixels * channels);
        for (int pixel = 0, p = at; pixel < pixels; pixel++, p += channels) {
            float share = Math.clamp(shares[pixel], 0f, 1f);
            for (int c = 0; c < channels - 1; c++) {
                into[p + c] *= share;
            }
            into[p + channels - 1] = shares[pixel];
        }
    }
}
