package embrick.core.print;

import embrick.core.colour.Transforms;
import embrick.core.grown.BareArea;
import embrick.core.grown.GrownLayer;
import embrick.core.pixels.PixelRect;
import embrick.core.pixels.PixelSource;
import embrick.core.pixels.Raster;
import embrick.core.plan.Growing;
import embrick.core.plan.Plan;
import embrick.core.units.PixelSize;
import java.util.Optional;

/**
 * What bands go round: the picture on its paper, or with its grown background; of a plan that grows its bands too, the total.
 * Each is made of stages of its own, for one thread.
 */
final class Grounds {
    private final Plan plan;
    private final Raster original;
    private final Transforms transforms;
    private final float[] paper;
    private final Optional<GrownLayer> layer;

    /** @param layer of the plan's bare area */
    Grounds(Plan plan, Raster original, Transforms transforms, Optional<GrownLayer> layer) {
        this.plan = plan;
        this.original = original;
        this.transforms = transforms;
        this.paper = Colours.in(plan.colour().to(), plan.paper(), transforms);
        this.layer = layer;
    }

    InsideEdges inside() {
        return new InsideEdges(plan, original, paper, transforms);
    }

    /** @param inside stages that nobody else uses */
    PixelSource whole(InsideEdges inside) {
        if (plan.growing().isEmpty()) {
            return inside;
        }
        BareArea area = plan.bareArea().orElseThrow();
        return new Overgrown(
                picture(inside, area), area, plan.growing().get().rim(plan), layer.orElseThrow(), paper.length);
    }

    PixelSize size() {
        PixelRect ground = plan.ground();
        return plan.bareArea().map(BareArea::size).orElse(new PixelSize(ground.width(), ground.height()));
    }

    /** Where it lies on the total. */
    PixelRect place() {
        return areBandsGrown()
                ? PixelRect.whole(plan.total())
                : plan.extension().bands().onTotal(plan.ground());
    }

    boolean areBandsGrown() {
        return plan.growing().filter(Growing::bands).isPresent();
    }

    /** The picture alone, its origin at the area's; what is bare is left as it is. */
    PixelSource picture(BareArea area) {
        return picture(inside(), area);
    }

    private PixelSource picture(InsideEdges inside, BareArea area) {
        PixelSize size = inside.size();
        PixelRect place =
                areBandsGrown() ? plan.bandsRoundGround().onTotal(PixelRect.whole(size)) : PixelRect.whole(size);
        return size.equals(area.size()) ? inside : new PlacedIn(inside, place, paper.length);
    }
}
