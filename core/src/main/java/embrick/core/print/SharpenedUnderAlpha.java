package embrick.core.print;

import embrick.core.pixels.PixelRect;
import embrick.core.pixels.PixelSource;

/**
 * See-through pixels with what sharpening adds to them.
 *
 * <p>Luminance is that of the picture lying on its paper: only there is the rim of a see-through part an edge. What sharpening
 * adds there is added to the see-through pixels themselves, as far as they cover, so that the paper is laid under them once,
 * afterwards, like under all others. Colours stay multiplied by alpha.
 */
final class SharpenedUnderAlpha implements PixelSource {
    private final PixelSource source;
    private final int channels;
    private final PixelSource sharpened;
    private final float[] paper;
    private float[] raised = new float[0];

    /**
     * @param channels of the source, alpha counted
     * @param sharpened the same pixels on paper, sharpened
     * @param paper that they lie on there
     */
    SharpenedUnderAlpha(PixelSource source, int channels, PixelSource sharpened, float[] paper) {
        this.source = source;
        this.channels = channels;
        this.sharpened = sharpened;
        this.paper = paper;
    }

    @Override
    public void render(PixelRect region, float[] into, int at) {
        int count = Math.multiplyExact(region.width(), region.height());
        int colours = channels - 1;
        if (raised.length < count * colours) {
            raised = new float[count * colours];
        }
        sharpened.render(region, raised, 0);
        source.render(region, into, at);
        for (int pixel = 0, p = at; pixel < count; pixel++, p += channels) {
            float alpha = Math.clamp(into[p + colours], 0f, 1f);
            for (int c = 0; c < colours; c++) {
                float onPaper = into[p + c] + paper[c] * (1 - alpha);
                into[p + c] += (raised[pixel * colours + c] - onPaper) * alpha;
            }
        }
    }
}
