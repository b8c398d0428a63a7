package embrick.core.print;

import embrick.core.colour.ColourPath;
import embrick.core.colour.ProfileRef;
import embrick.core.colour.Transform;
import embrick.core.colour.Transforms;
import embrick.core.pixels.PixelRect;
import embrick.core.pixels.Raster;
import embrick.core.pixels.Strip;
import embrick.core.plan.Plan;
import embrick.core.resample.Resampler;
import embrick.core.resample.Resampler.LastChannel;
import embrick.core.source.SourceFacts.Alpha;
import embrick.core.ticket.PaperColour;
import embrick.core.units.PixelSize;
import java.util.Optional;

/**
 * The sheet of one plan, made on demand: resample, convert, lay on paper.
 *
 * <p>One thread at a time. Any region gives the same samples that the whole sheet has there.
 */
public final class Print {
    private final Plan plan;
    private final Resampler resampler;
    private final Optional<Transform> transform;
    private final float[] paper;
    private final int channels;
    private float[] resampled = new float[0];
    private float[] converted = new float[0];
    private float[] strip = new float[0];

    Print(Plan plan, Raster original, Transforms transforms) {
        this.plan = plan;
        this.resampler = Resampler.of(
                original,
                plan.window(),
                plan.kernel(),
                plan.source().alpha() == Alpha.SEE_THROUGH ? LastChannel.ALPHA : LastChannel.COLOUR);
        ColourPath path = plan.colour();
        this.transform = path.from().equals(path.to()) ? Optional.empty() : Optional.of(transforms.along(path));
        this.channels = path.to().model().channels();
        this.paper = paperIn(path.to(), plan.paper(), transforms);
    }

    private static float[] paperIn(ProfileRef profile, PaperColour colour, Transforms transforms) {
        float[] srgb = {colour.red() / 255f, colour.green() / 255f, colour.blue() / 255f};
        if (profile instanceof ProfileRef.Srgb) {
            return srgb;
        }
        float[] converted = new float[profile.model().channels()];
        transforms.along(new ColourPath(new ProfileRef.Srgb(), profile)).apply(srgb, converted, 1);
        return converted;
    }

    public PixelSize size() {
        return plan.sheet();
    }

    public int channels() {
        return channels;
    }

    /** Some whole rows; the strip is this print's and is filled anew by the next call. */
    public Strip rows(int y, int rows) {
        int needed = Math.multiplyExact(Math.multiplyExact(rows, size().width()), channels);
        if (strip.length < needed) {
            strip = new float[needed];
        }
        render(new PixelRect(0, y, size().width(), rows), strip);
        return new Strip(y, rows, size().width(), channels, strip);
    }

    /**
     * Fills a rectangle of the sheet.
     * Shapes: into height × width × channels, interleaved, row-major. Units: 0..1 of the output's encoding.
     * Errors: IllegalArgumentException if the rectangle leaves the sheet.
     */
    public void render(PixelRect region, float[] into) {
        if (!region.isInside(size())) {
            throw new IllegalArgumentException("region: expected inside " + size() + ", got " + region);
        }
        PixelRect picture = plan.picture();
        int left = Math.max(region.x(), picture.x());
        int top = Math.max(region.y(), picture.y());
        int right = Math.min(region.right(), picture.right());
        int bottom = Math.min(region.bottom(), picture.bottom());
        boolean showsPicture = left < right && top < bottom;
        boolean onlyPicture = showsPicture && right - left == region.width() && bottom - top == region.height();
        if (!onlyPicture) {
            layPaper(into, region.width() * region.height());
        }
        if (showsPicture) {
            float[] pixels =
                    picturePixels(new PixelRect(left - picture.x(), top - picture.y(), right - left, bottom - top));
            int row = (right - left) * channels;
            for (int y = top; y < bottom; y++) {
                int to = ((y - region.y()) * region.width() + left - region.x()) * channels;
                System.arraycopy(pixels, (y - top) * row, into, to, row);
            }
        }
    }

    private void layPaper(float[] into, int pixels) {
        for (int pixel = 0; pixel < pixels; pixel++) {
            System.arraycopy(paper, 0, into, pixel * channels, channels);
        }
    }

    private float[] picturePixels(PixelRect region) {
        int pixels = region.width() * region.height();
        int sourceChannels = plan.source().channels();
        if (resampled.length < pixels * sourceChannels) {
            resampled = new float[pixels * sourceChannels];
        }
        resampler.render(region, resampled);
        boolean seeThrough = plan.source().alpha() == Alpha.SEE_THROUGH;
        if (!seeThrough && transform.isEmpty()) {
            return resampled;
        }
        if (converted.length < pixels * Math.max(channels, sourceChannels)) {
            converted = new float[pixels * Math.max(channels, sourceChannels)];
        }
        if (!seeThrough) {
            transform.orElseThrow().apply(resampled, converted, pixels);
            return converted;
        }
        return onPaper(pixels, sourceChannels);
    }

    /** Colours are taken out of their alpha, converted, and laid on the paper in the output's own encoding. */
    private float[] onPaper(int pixels, int sourceChannels) {
        int colours = sourceChannels - 1;
        float[] alpha = new float[pixels];
        for (int pixel = 0; pixel < pixels; pixel++) {
            float a = Math.clamp(resampled[pixel * sourceChannels + colours], 0f, 1f);
            alpha[pixel] = a;
            for (int c = 0; c < colours; c++) {
                // Under half a count of 16 bit there is no colour to speak of.
                resampled[pixel * colours + c] =
                        a < 1f / 131_072 ? 0f : Math.clamp(resampled[pixel * sourceChannels + c] / a, 0f, 1f);
            }
        }
        float[] opaque = resampled;
        if (transform.isPresent()) {
            transform.get().apply(resampled, converted, pixels);
            opaque = converted;
        }
        for (int pixel = 0; pixel < pixels; pixel++) {
            for (int c = 0; c < channels; c++) {
                int at = pixel * channels + c;
                opaque[at] = opaque[at] * alpha[pixel] + paper[c] * (1 - alpha[pixel]);
            }
        }
        return opaque;
    }
}
