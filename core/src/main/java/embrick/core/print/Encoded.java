package embrick.core.print;

import embrick.core.colour.ToneCurve;
import embrick.core.pixels.PixelRect;
import embrick.core.pixels.PixelSource;

/** Pixels mixed as light, brought back to their profile's numbers. Alpha stays multiplied in. */
final class Encoded implements PixelSource {
    private final PixelSource light;
    private final int channels;
    private final boolean alpha;
    private final ToneCurve tone;
    private final Beyond beyond;
    private float[] shares = new float[0];
    private float[] scratch = new float[0];

    /** What becomes of numbers beyond 0..1. */
    enum Beyond {
        CLIPPED,
        /** A later stage needs them, and clips. */
        KEPT
    }

    Encoded(PixelSource light, int channels, boolean alpha, ToneCurve tone, Beyond beyond) {
        this.beyond = beyond;
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
            encode(into, at, pixels * channels);
        }
    }

    private void encode(float[] into, int at, int count) {
        if (beyond == Beyond.CLIPPED) {
            tone.encode(into, at, into, at, count);
            return;
        }
        if (scratch.length < count) {
            scratch = new float[count];
        }
        tone.encodeBeyond(into, at, into, at, count, scratch);
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
        encode(into, at, pixels * channels);
        for (int pixel = 0, p = at; pixel < pixels; pixel++, p += channels) {
            float share = Math.clamp(shares[pixel], 0f, 1f);
            for (int c = 0; c < channels - 1; c++) {
                into[p + c] *= share;
            }
            into[p + channels - 1] = shares[pixel];
        }
    }
}
