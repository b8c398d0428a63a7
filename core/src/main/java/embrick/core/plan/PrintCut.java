package embrick.core.plan;

import embrick.core.found.scan.Rectangle;
import embrick.core.framing.Framing;
import embrick.core.framing.Framing.Corners;
import embrick.core.framing.Framing.FreeSides;
import embrick.core.framing.Framing.Mirror;
import embrick.core.framing.Framing.SheetTurn;
import embrick.core.source.SourceFacts;
import embrick.core.ticket.Shape;
import embrick.core.ticket.Ticket;
import embrick.core.ticket.Turn;
import embrick.core.units.PixelSize;
import java.util.function.Function;

/** The framing that keeps of a scan what lies inside a print's outline, straightened. */
public final class PrintCut {
    private PrintCut() {}

    /**
     * The loosest frame of the ticket's shape inside an outline; in the free shape, the outline itself. The sheet turns to suit
     * the print, not the scan, unless the ticket says how it stands.
     *
     * @param before its turns and its mirror stay
     * @param outline in pixels of the oriented original, with what is to be taken off already gone
     * @param planner plans the ticket for this picture under a framing
     */
    public static Framing framed(
            SourceFacts facts, Ticket ticket, Framing before, Rectangle outline, Function<Framing, Planning> planner) {
        PixelSize own = facts.orientation().seenSize(facts.stored());
        boolean swaps = before.quarterTurns() % 2 == 1;
        double across = swaps ? outline.height() : outline.width();
        double down = swaps ? outline.width() : outline.height();
        boolean isMirrored = before.mirror() == Mirror.MIRRORED;
        Framing framing = before.withCentre(
                        Math.clamp(outline.centreX() / own.width(), 0, 1),
                        Math.clamp(outline.centreY() / own.height(), 0, 1))
                .withTilt(isMirrored ? outline.degrees() : -outline.degrees())
                .withTightness(1)
                .withCorners(Corners.COVERED);
        if (ticket.shape() instanceof Shape.Free) {
            return framing.withFree(new FreeSides(
                    Math.min(1, outline.width() / own.width()), Math.min(1, outline.height() / own.height())));
        }
        if (ticket.turn() == Turn.SUIT && !(ticket.shape() instanceof Shape.Own)) {
            framing = framing.withTurn(across > down ? SheetTurn.WIDE : SheetTurn.UPRIGHT);
        }
        return planner.apply(framing) instanceof Planning.Ready(Plan plan, var _)
                ? framing.withTightness(Math.clamp(
                        Math.max(
                                plan.figures().frameWidth() / across,
                                plan.figures().frameHeight() / down),
                        1,
                        Framing.TIGHTEST))
                : framing;
    }
}
