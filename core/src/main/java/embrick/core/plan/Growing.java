package embrick.core.plan;

import embrick.core.grown.BareArea;
import embrick.core.pixels.PixelRect;
import embrick.core.resample.PictureRim;
import embrick.core.units.PixelSize;
import java.util.Optional;

/**
 * The background that a plan grows.
 *
 * @param bands whether the bands round the sheet are grown
 * @param beside whether what the sheet has beside its picture is
 * @param corners whether what a tilted picture leaves bare is
 * @param attempt the seed of its chance
 */
public record Growing(boolean bands, boolean beside, boolean corners, int attempt) {
    /** The rectangle that it is part of: the total where the bands are grown, else what they go round. */
    BareArea area(Plan plan) {
        PixelRect ground = plan.ground();
        PixelRect known = beside ? plan.picture() : ground;
        PixelRect onGround =
                new PixelRect(known.x() - ground.x(), known.y() - ground.y(), known.width(), known.height());
        BareArea.Corners bare = rim(plan)
                .<BareArea.Corners>map(rim -> (x, y) -> rim.covered(x, y) < 1)
                .orElse(BareArea.Corners.NONE);
        return bands
                ? new BareArea(plan.total(), plan.bandsRoundGround().onTotal(onGround), bare)
                : new BareArea(new PixelSize(ground.width(), ground.height()), onGround, bare);
    }

    /** Of the picture in its place, where its corners are grown. */
    public Optional<PictureRim> rim(Plan plan) {
        return corners ? Optional.of(new PictureRim(plan.window(), plan.seen())) : Optional.empty();
    }
}
