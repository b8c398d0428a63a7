package embrick.core.print;

import embrick.core.colour.Transform;
import embrick.core.pixels.PixelRect;
import embrick.core.pixels.PixelSource;
import java.util.Optional;

/** See-through pixels taken out of their alpha, converted, and laid on the paper in the output's own encoding. */
final class OnPaper implements PixelSource {
    /** Half a count of 16 bit: under it there is no colour to speak of. */
    private static final float NOTHING = 1f / 131_072;

    private final PixelSource source;
    private final int sourceChannels;
    private final Optional<Transform> transform;
    private final float[] paper;
    private float[] pixels = new float[0];
    private float[] alpha = new float[0];

    /** @param sourceChannels alpha counted */
    OnPaper(PixelSource source, int sourceChannels, Optional<Transform> transform, float[] paper) {
        this.source = source;
        this.sourceChannels = sourceChannels;
        this.transform = transform;
        this.paper = paper;
    }

    @Override
    public void render(PixelRect region, float[] into, int at) {
        int count = Math.multiplyExact(region.width(), region.height());
        if (alpha.length < count) {
            pixels = new float[Math.multiplyExact(count, sourceChannels)];
            alpha = new float[count];
        }
        source.render(region, pixels, 0);
        takeOutAlpha(count);
        if (transform.isPresent()) {
            transform.get().apply(pixels, 0, into, at, count);
        } else {
            System.arraycopy(pixels, 0, into, at, count * paper.length);
        }
        for (int pixel = 0, to = at; pixel < count; pixel++) {
            for (int c = 0; c < paper.length; c++, to++) {
                into[to] = into[to] * alpha[pixel] + paper[c] * (1 - alpha[pixel]);
            }
        }
    }

    private void takeOutAlpha(int count) {
        int colours = sourceChannels - 1;
        for (int pixel = 0; pixel < count; pixel++) {
            int from = pixel * sourceChannels;
            float share = Math.clamp(pixels[from + colours], 0f, 1f);
            alpha[pixel] = share;
            for (int c = 0; c < colours; c++) {
                pixels[pixel * colours + c] = share < NOTHING ? 0f : Math.clamp(pixels[from + c] / share, 0f, 1f);
            }
        }
    }
}
