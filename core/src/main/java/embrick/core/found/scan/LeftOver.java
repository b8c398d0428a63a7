package embrick.core.found.scan;

import embrick.core.found.SmallPixels;
import embrick.core.found.scan.FoundPrint.Side;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * Looks along the rim of a cut for what is left of the bed: places where the cut's outermost pixels are of the bed's colour and a
 * step follows shortly inside. A cloud as white as the bed has no such step.
 */
public final class LeftOver {
    /** Pixels from one place to the next along a side. */
    private static final int APART = 3;
    /** Inside the cut that is looked at. */
    private static final int DEPTH = 10;
    /** A shorter stretch is a speck. */
    private static final int LEAST_PLACES = 5;

    private LeftOver() {}

    /** A stretch of a side, as shares of its length from its left or top end. */
    public record Line(Side side, double from, double to) {}

    /** @param cut what is kept of the scan */
    public static List<Line> along(SmallPixels scan, Rectangle cut) {
        Optional<Bed> bed = Bed.of(scan);
        List<Line> lines = new ArrayList<>();
        for (Side side : Side.values()) {
            if (bed.isPresent()) {
                longest(scan, bed.get(), Across.side(cut, side.ordinal()))
                        .map(stretch -> told(side, stretch))
                        .ifPresent(lines::add);
            }
        }
        return lines;
    }

    /** The longest stretch, as shares from where the side begins. */
    private static Optional<double[]> longest(SmallPixels scan, Bed bed, Across side) {
        int places = (int) (side.length() / APART);
        double least = Steps.least(bed.noise());
        int best = 0;
        int bestEnd = 0;
        int run = 0;
        int gap = 0;
        for (int i = 1; i < places; i++) {
            if (isBed(scan, bed, side, i * APART)
                    && !Double.isNaN(Steps.first(scan, side, i * APART, 0, DEPTH, least))) {
                run++;
                gap = 0;
            } else if (++gap > 1) {
                run = 0;
            }
            if (run > best) {
                best = run;
                bestEnd = i;
            }
        }
        return best < LEAST_PLACES
                ? Optional.empty()
                : Optional.of(new double[] {(double) Math.max(0, bestEnd - best) / places, (double) bestEnd / places});
    }

    private static boolean isBed(SmallPixels scan, Bed bed, Across side, double along) {
        float[] sums = new float[SmallPixels.COLOURS];
        for (int beside = -1; beside <= 1; beside++) {
            scan.addBetween(side.x(along + beside, 0.5), side.y(along + beside, 0.5), sums);
        }
        for (int c = 0; c < sums.length; c++) {
            double there = bed.at(c, side.x(along, 0), side.y(along, 0));
            if (Math.abs(sums[c] / 3 - there) > bed.tolerance(1)) {
                return false;
            }
        }
        return true;
    }

    /** The bottom and the left side run the other way round. */
    private static Line told(Side side, double[] stretch) {
        return side == Side.BOTTOM || side == Side.LEFT
                ? new Line(side, 1 - stretch[1], 1 - stretch[0])
                : new Line(side, stretch[0], stretch[1]);
    }
}
