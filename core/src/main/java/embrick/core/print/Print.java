package embrick.core.print;

import embrick.core.colour.ColourPath;
import embrick.core.colour.ProfileRef;
import embrick.core.colour.Transform;
import embrick.core.colour.Transforms;
import embrick.core.framing.Framing.Corners;
import embrick.core.lift.Halo;
import embrick.core.lift.Lift;
import embrick.core.pixels.PixelRect;
import embrick.core.pixels.PixelSource;
import embrick.core.pixels.Raster;
import embrick.core.pixels.Strip;
import embrick.core.plan.Plan;
import embrick.core.ticket.PaperColour;
import embrick.core.units.PixelSize;
import java.util.Optional;

/**
 * The sheet of one plan, made on demand: resample, lift, convert, lay on paper.
 *
 * <p>Luminance is lifted in the original's own colours and then converted. CMYK and see-through originals are converted
 * and laid on the paper first: only then is there one luminance to lift.
 *
 * <p>One thread at a time. Any region gives the same samples that the whole sheet has there.
 */
public final class Print implements PixelRows {
    private final Plan plan;
    private final PixelSource picture;
    private final Optional<Lift> lift;
    private final float[] paper;
    private final int channels;
    private float[] pixels = new float[0];
    private float[] strip = new float[0];

    Print(Plan plan, Raster original, Transforms transforms) {
        this.plan = plan;
        this.channels = plan.colour().to().model().channels();
        this.paper = paperIn(plan.colour().to(), plan.paper(), transforms);
        Stages stages = Stages.of(plan, original, paper, transforms);
        this.picture = plan.corners() == Corners.PAPER
                ? new BareCorners(stages.last(), plan.window(), plan.seen(), paper)
                : stages.last();
        this.lift = stages.lift();
    }

    private static float[] paperIn(ProfileRef profile, PaperColour colour, Transforms transforms) {
        float[] srgb = {colour.red() / 255f, colour.green() / 255f, colour.blue() / 255f};
        if (profile instanceof ProfileRef.Srgb) {
            return srgb;
        }
        float[] converted = new float[profile.model().channels()];
        Transform transform = transforms.along(new ColourPath(new ProfileRef.Srgb(), profile));
        transform.apply(srgb, 0, converted, 0, 1);
        return converted;
    }

    @Override
    public PixelSize size() {
        return plan.sheet();
    }

    @Override
    public int channels() {
        return channels;
    }

    @Override
    public int bitsPerChannel() {
        return plan.bitsPerChannel();
    }

    /** How far lifted contours overshoot in what has been rendered so far; empty where nothing is lifted. */
    public Optional<Halo> halo() {
        return lift.map(Lift::halo);
    }

    @Override
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
        PixelRect place = plan.picture();
        int left = Math.max(region.x(), place.x());
        int top = Math.max(region.y(), place.y());
        int right = Math.min(region.right(), place.right());
        int bottom = Math.min(region.bottom(), place.bottom());
        boolean showsPicture = left < right && top < bottom;
        boolean onlyPicture = showsPicture && right - left == region.width() && bottom - top == region.height();
        if (!onlyPicture) {
            layPaper(into, region.width() * region.height());
        }
        if (showsPicture) {
            PixelRect part = new PixelRect(left - place.x(), top - place.y(), right - left, bottom - top);
            if (onlyPicture) {
                picture.render(part, into, 0);
            } else {
                place(part, region, left - region.x(), top - region.y(), into);
            }
        }
    }

    private void place(PixelRect part, PixelRect region, int x, int y, float[] into) {
        int row = part.width() * channels;
        int needed = Math.multiplyExact(row, part.height());
        if (pixels.length < needed) {
            pixels = new float[needed];
        }
        picture.render(part, pixels, 0);
        for (int i = 0; i < part.height(); i++) {
            System.arraycopy(pixels, i * row, into, ((y + i) * region.width() + x) * channels, row);
        }
    }

    private void layPaper(float[] into, int count) {
        for (int pixel = 0; pixel < count; pixel++) {
            System.arraycopy(paper, 0, into, pixel * channels, channels);
        }
    }
}
