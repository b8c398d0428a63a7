package embrick.core.found.scan;

import embrick.core.found.SmallPixels;
import java.util.Arrays;

/**
 * A print's side as a straight line, from the first steps that are met across it.
 *
 * <p>Of all lines through two of the places, the one that most places lie near is taken (M. Fischler and R. Bolles, 1981, here
 * with every pair at set distances instead of pairs by chance), then straightened through those by least squares. Near means a pixel;
 * where a torn or deckled edge leaves too few there, more is allowed.
 *
 * @param across the rough side it was looked for at
 * @param inwards of the rough side's beginning, in pixels, and {@code slope} inwards to a pixel along it
 * @param support share of the side's length where the step lies on the line
 * @param met share of the length where any step was met
 * @param places along and inwards, of those on the line
 * @param all of them, also those off it
 */
record SideLine(
        Across across,
        double inwards,
        double slope,
        double support,
        double met,
        double near,
        double[][] places,
        double[][] all) {
    /** Pixels along the side from one place to the next. */
    private static final double APART = 3;

    private static final int MOST_PLACES = 240;
    /** Corners are worn and rounded: so much of the length at either end is left out. */
    private static final double CORNER = 0.03;
    /** What lies near a line, in pixels of 1500 along the picture, tried in turn. */
    private static final double[] NEAR = {1, 2, 4};

    private static final double NEAR_OF = 1500;
    /** Enough of a side to go by. */
    private static final double ENOUGH = 0.6;

    /** Less support is a side that cannot be seen. */
    private static final double SUPPORT = 0.45;

    private static final double SUPPORT_IF_WANDERING = 0.7;
    private static final double ASTRAY = Math.tan(Math.toRadians(0.2));
    private static final double MET_EVERYWHERE = 0.93;
    /** A rough side is off by no more than this. */
    private static final double STEEPEST = Math.tan(Math.toRadians(3));

    static SideLine find(SmallPixels scan, Across across, int outside, int inside, double least) {
        int count = (int) Math.clamp(across.length() / APART, 20, MOST_PLACES);
        double[][] places = new double[count][];
        int met = 0;
        for (int i = 0; i < count; i++) {
            double along = across.length() * (CORNER + (1 - 2 * CORNER) * i / (count - 1));
            double inwards = Steps.first(scan, across, along, outside, inside, least);
            if (!Double.isNaN(inwards)) {
                places[met++] = new double[] {along, inwards};
            }
        }
        double[][] known = Arrays.copyOf(places, met);
        double scale = Math.max(1, Math.max(scan.width(), scan.height()) / NEAR_OF);
        SideLine best = new SideLine(across, 0, 0, 0, (double) met / count, 0, new double[0][], known);
        for (double near : NEAR) {
            SideLine line = through(across, known, near * scale, count);
            if (line.support > best.support) {
                best = line;
            }
            if (best.support >= ENOUGH) {
                break;
            }
        }
        return best;
    }

    private static SideLine through(Across across, double[][] known, double near, int of) {
        double bestInwards = 0;
        double bestSlope = 0;
        int most = 0;
        int stride = Math.max(1, known.length / 40);
        for (int i = 0; i < known.length; i += stride) {
            for (int k = i + Math.max(1, known.length / 5); k < known.length; k += stride) {
                double slope = (known[k][1] - known[i][1]) / (known[k][0] - known[i][0]);
                if (Math.abs(slope) > STEEPEST) {
                    continue;
                }
                double inwards = known[i][1] - slope * known[i][0];
                int on = 0;
                for (double[] place : known) {
                    on += Math.abs(place[1] - inwards - slope * place[0]) < near ? 1 : 0;
                }
                if (on > most) {
                    most = on;
                    bestInwards = inwards;
                    bestSlope = slope;
                }
            }
        }
        double[][] on = new double[0][];
        for (int round = 0; round < 3 && most > 2; round++) {
            double inwards = bestInwards;
            double slope = bestSlope;
            on = Arrays.stream(known)
                    .filter(place -> Math.abs(place[1] - inwards - slope * place[0]) < near)
                    .toArray(double[][]::new);
            double[][] sums = new double[2][3];
            for (double[] place : on) {
                sums[0][0] += 1;
                sums[0][1] += place[0];
                sums[0][2] += place[1];
                sums[1][1] += place[0] * place[0];
                sums[1][2] += place[0] * place[1];
            }
            sums[1][0] = sums[0][1];
            double[] line = Linear.solved(sums);
            bestInwards = line[0];
            bestSlope = line[1];
        }
        return new SideLine(
                across, bestInwards, bestSlope, (double) on.length / of, (double) known.length / of, near, on, known);
    }

    /** Inwards of the rough side's beginning, of each place seen at a slope; from the outermost. */
    double[] wander(double seenAt) {
        return Arrays.stream(isRagged(seenAt) ? all : places)
                .mapToDouble(place -> place[1] - seenAt * place[0])
                .sorted()
                .toArray();
    }

    /** Whether it is met everywhere, but on no line, or on one that wanders and does not go the way that it should. */
    boolean isRagged(double slopeOfAll) {
        boolean isAstray = !isStraight() && Math.abs(slope - slopeOfAll) > ASTRAY;
        return (!isSeen() || isAstray) && met > MET_EVERYWHERE;
    }

    /** Whether it is a line on enough of the side; one that is allowed to wander needs more. */
    boolean isSeen() {
        return support >= (isStraight() ? SUPPORT : SUPPORT_IF_WANDERING);
    }

    /** Whether all that supports it lies within a pixel. */
    boolean isStraight() {
        return near < 2 * NEAR[0];
    }

    /** The line's direction against the rough side's, in degrees clockwise. */
    double turned() {
        return Math.toDegrees(Math.atan(slope));
    }
}
