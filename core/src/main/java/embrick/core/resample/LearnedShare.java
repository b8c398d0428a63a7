package embrick.core.resample;

import embrick.core.pixels.PixelRect;

/** What of an output's pixels was learned. One thread at a time. */
public final class LearnedShare {
    private final Resampler added;
    private final Resampler heldBack;
    private final int channels;

    LearnedShare(Resampler added, Resampler heldBack, int channels) {
        this.added = added;
        this.heldBack = heldBack;
        this.channels = channels;
    }

    /** Of the luminance, either way, 0 to 1; row-major. */
    public float[] added(PixelRect part) {
        return first(added, part);
    }

    /** How much more of it the filters found than the pixels round each bear out, likewise. */
    public float[] heldBack(PixelRect part) {
        return first(heldBack, part);
    }

    private float[] first(Resampler of, PixelRect part) {
        int pixels = Math.multiplyExact(part.width(), part.height());
        float[] all = new float[Math.multiplyExact(pixels, channels)];
        of.render(part, all, 0);
        float[] one = new float[pixels];
        for (int i = 0; i < pixels; i++) {
            one[i] = all[i * channels];
        }
        return one;
    }
}
