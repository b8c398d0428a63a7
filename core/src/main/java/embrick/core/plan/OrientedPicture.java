package embrick.core.plan;

import embrick.core.framing.Framing;
import embrick.core.framing.Framing.FreeSides;
import embrick.core.framing.HalfPlane;
import embrick.core.pixels.Orientation;
import embrick.core.source.SourceFacts;
import embrick.core.units.PixelSize;
import java.util.ArrayList;
import java.util.List;

/**
 * The picture as it is seen once its tag, mirror and quarter turns are applied.
 *
 * @param centreX the framing's centre in it, as fractions; {@code centreY} likewise
 * @param sides of the free shape in it, as fractions
 */
record OrientedPicture(Orientation as, PixelSize size, double centreX, double centreY, FreeSides sides) {
    @SuppressWarnings("ArgumentSelectionDefectChecker") // a quarter turn swaps them
    static OrientedPicture of(SourceFacts facts, Framing framing) {
        double x = framing.centreX();
        double y = framing.centreY();
        FreeSides sides = framing.free().orElse(FreeSides.WHOLE);
        Orientation mirrored = facts.orientation();
        if (framing.mirror() == Framing.Mirror.MIRRORED) {
            mirrored = mirrored.then(Orientation.MIRRORED);
            x = 1 - x;
        }
        for (int turn = 0; turn < framing.quarterTurns(); turn++) {
            double before = x;
            x = 1 - y;
            y = before;
            sides = new FreeSides(sides.height(), sides.width());
        }
        Orientation as = mirrored.then(Orientation.ofQuarterTurns(framing.quarterTurns()));
        return new OrientedPicture(as, as.seenSize(facts.stored()), x, y, sides);
    }

    /** Limits on a seen centre as limits on the framing's own, which is a place of the oriented original. */
    static List<HalfPlane> limitsInOriginal(List<HalfPlane> seen, Framing framing) {
        List<HalfPlane> limits = new ArrayList<>(seen);
        for (int turn = 0; turn < framing.quarterTurns(); turn++) {
            limits.replaceAll(HalfPlane::beforeQuarterTurn);
        }
        if (framing.mirror() == Framing.Mirror.MIRRORED) {
            limits.replaceAll(HalfPlane::beforeMirror);
        }
        return limits;
    }
}
