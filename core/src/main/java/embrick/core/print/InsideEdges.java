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
    private final PixelSource placed;
    private final Optional<Sharpened> sharpening;
    private final float[] paper;
    private final int channels;

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
        PixelSource picture = plan.corners() == Corners.PAPER
                ? new BareCorners(stages.last(), new PictureRim(plan.window(), plan.seen()), paper)
                : stages.last();
        this.placed = new PlacedIn(picture, place, channels);
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
        if (!place.contains(region)) {
            layPaper(into, at, region.width() * region.height());
        }
        placed.render(region, into, at);
    }

    private void layPaper(float[] into, int at, int count) {
        for (int pixel = 0; pixel < count; pixel++) {
            System.arraycopy(paper, 0, into, at + pixel * channels, channels);
        }
    }
}
