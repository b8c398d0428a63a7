package embrick.core.print;

import embrick.core.colour.Transforms;
import embrick.core.framing.Framing.Corners;
import embrick.core.pixels.PixelRect;
import embrick.core.pixels.PixelSource;
import embrick.core.pixels.Raster;
import embrick.core.plan.Plan;
import embrick.core.resample.PictureRim;
import embrick.core.sharpen.Sharpened;
import embrick.core.units.PixelSize;
import java.util.Optional;

/**
 * What bands go round: the sheet, or the picture where it reaches beyond: resampled, sharpened, converted, laid on paper.
 *
 * <p>Luminance is sharpened in the original's own colours and then converted. CMYK and see-through originals are converted
 * and laid on the paper first: only then is there one luminance to sharpen.
 */
final class InsideEdges implements PixelSource {
    private final PixelSize size;
    private final PixelRect place;
    private final PixelSource picture;
    private final Optional<Sharpened> sharpening;
    private final float[] paper;
    private final int channels;
    private float[] pixels = new float[0];

    /** @param paper in the output's profile */
    InsideEdges(Plan plan, Raster original, float[] paper, Transforms transforms) {
        PixelRect ground = plan.ground();
        this.size = new PixelSize(ground.width(), ground.height());
        this.place = new PixelRect(
                plan.picture().x() - ground.x(),
                plan.picture().y() - ground.y(),
                plan.picture().width(),
                plan.picture().height());
        this.paper = paper;
        this.channels = paper.length;
        Stages stages = Stages.of(plan, original, paper, transforms);
        this.picture = plan.corners() == Corners.PAPER
                ? new BareCorners(stages.last(), new PictureRim(plan.window(), plan.seen()), paper)
                : stages.last();
        this.sharpening = stages.sharpening();
    }

    PixelSize size() {
        return size;
    }

    Optional<Sharpened> sharpening() {
        return sharpening;
    }

    @Override
    public void render(PixelRect region, float[] into, int at) {
        int left = Math.max(region.x(), place.x());
        int top = Math.max(region.y(), place.y());
        int right = Math.min(region.right(), place.right());
        int bottom = Math.min(region.bottom(), place.bottom());
        boolean showsPicture = left < right && top < bottom;
        boolean onlyPicture = showsPicture && right - left == region.width() && bottom - top == region.height();
        if (!onlyPicture) {
            layPaper(into, at, region.width() * region.height());
        }
        if (showsPicture) {
            PixelRect part = new PixelRect(left - place.x(), top - place.y(), right - left, bottom - top);
            if (onlyPicture) {
                picture.render(part, into, at);
            } else {
                lay(part, region, left - region.x(), top - region.y(), into, at);
            }
        }
    }

    private void lay(PixelRect part, PixelRect region, int x, int y, float[] into, int at) {
        int row = part.width() * channels;
        int needed = Math.multiplyExact(row, part.height());
        if (pixels.length < needed) {
            pixels = new float[needed];
        }
        picture.render(part, pixels, 0);
        for (int i = 0; i < part.height(); i++) {
            System.arraycopy(pixels, i * row, into, at + ((y + i) * region.width() + x) * channels, row);
        }
    }

    private void layPaper(float[] into, int at, int count) {
        for (int pixel = 0; pixel < count; pixel++) {
            System.arraycopy(paper, 0, into, at + pixel * channels, channels);
        }
    }
}
