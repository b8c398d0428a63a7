package embrick.core.plan;

import embrick.core.edge.BandFill;
import embrick.core.edge.Bands;
import embrick.core.framing.Framing.Corners;
import embrick.core.grown.BareArea;
import embrick.core.grown.Grower;
import embrick.core.pixels.PixelRect;
import embrick.core.problem.Problem;
import embrick.core.ticket.Fit;
import embrick.core.ticket.Size;
import embrick.core.ticket.Ticket;
import java.util.Optional;

/** Which background a plan grows, and what stands against it. */
final class GrowingRule {
    /** Of the picture's side: what is deeper is more invented than continued. Embrick's rule, no source. */
    private static final double MOST_OF_PICTURE = 1.0 / 3;

    private GrowingRule() {}

    /** @param plan without it */
    static Optional<Growing> of(Ticket ticket, Plan plan) {
        Bands bands = plan.bandsRoundGround();
        Growing growing = new Growing(
                plan.extension().fill() instanceof BandFill.Grown && !bands.isNone(),
                ticket.fit() instanceof Fit.Grown
                        && ticket.size() instanceof Size.Sheet
                        && !plan.picture().covers(plan.sheet()),
                plan.corners() == Corners.GROWN,
                ticket.attempt());
        return growing.bands() || growing.beside() || growing.corners() ? Optional.of(growing) : Optional.empty();
    }

    static Optional<Problem> problem(Plan plan) {
        if (plan.growing().isEmpty()) {
            return Optional.empty();
        }
        BareArea area = plan.growing().get().area(plan);
        PixelRect known = area.known();
        for (BareArea.Gap gap : area.gaps()) {
            int side = gap.runsDown() ? known.width() : known.height();
            int most = (int) Math.min(Grower.DEEPEST, side * MOST_OF_PICTURE);
            if (gap.depth() > most) {
                return Optional.of(Problem.of(
                        "too-deep-to-grow",
                        "edges",
                        "a background of at most a third of the picture's side and " + Grower.DEEPEST + " px, here "
                                + most + " px",
                        gap.depth() + " px",
                        "Make it narrower, choose a shape nearer to the picture's, or fill it another way."));
            }
        }
        return Optional.empty();
    }
}
