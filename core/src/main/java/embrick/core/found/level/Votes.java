package embrick.core.found.level;

import embrick.core.found.Confidence;
import java.util.List;

/**
 * What pieces of one direction say together.
 *
 * @param leans degrees clockwise
 * @param agree share of the votes that are for it, 0 to 1
 * @param length of all pieces that are for it, in short sides
 * @param isFan whether all pieces lean the more the farther they are to one side or down: lines that run away from the camera
 * @param longest of them; in the pixels the pieces were given in
 * @param longestShare its length in short sides
 */
record Votes(double leans, double agree, double length, boolean isFan, Segment longest, double longestShare) {
    private static final double STEP = 0.05;
    /** How wide one vote is, in degrees. */
    private static final double SPREAD = 0.3;
    /** Cameras lean by less in the hand; more is believed of a line all across the picture. */
    private static final double USUAL = 7.5;
    /** Standard deviation of the leans in a fan, in degrees, and its correlation with the places. */
    private static final double FAN_SPREAD = 1;

    private static final double FAN_TOGETHER = 0.5;
    /** Votes this near the best are for it. */
    private static final double WITH_IT = 0.7;

    /** @param pieces one or more */
    static Votes of(List<Segment> pieces, double shortSide) {
        double best = mostVoted(pieces);
        double total = 0;
        double with = 0;
        double weighted = 0;
        double weights = 0;
        double length = 0;
        Segment longest = pieces.getFirst();
        boolean isFirst = true;
        for (Segment piece : pieces) {
            total += vote(piece);
            if (Math.abs(piece.leans() - best) < WITH_IT) {
                with += vote(piece);
                double weight = vote(piece) * piece.length();
                weighted += weight * piece.leans();
                weights += weight;
                length += piece.length();
                if (isFirst || piece.length() > longest.length()) {
                    longest = piece;
                    isFirst = false;
                }
            }
        }
        return new Votes(
                weights > 0 ? weighted / weights : best,
                with / total,
                length / shortSide,
                isFan(pieces),
                longest,
                longest.length() / shortSide);
    }

    Confidence confidence() {
        boolean isMost = agree > 0.8 && length > 0.8 && longestShare > 0.25;
        boolean isMuch = agree > 0.6 && length > 1.2 && longestShare > 0.4 && Math.abs(leans) < USUAL / 2;
        boolean isPlausible = Math.abs(leans) < USUAL || longestShare > 1;
        if ((isMost || isMuch) && isPlausible && !isFan) {
            return Confidence.SURE;
        }
        return agree > 0.4 && length > 0.5 && longestShare > 0.12 ? Confidence.LIKELY : Confidence.NOT_SURE;
    }

    /** Whether a straight line tells the leans from the places, over several degrees. */
    private static boolean isFan(List<Segment> pieces) {
        double sum = 0;
        double leans = 0;
        double places = 0;
        double leansSquared = 0;
        double placesSquared = 0;
        double products = 0;
        for (Segment piece : pieces) {
            double vote = vote(piece);
            double place = piece.isUpright() ? piece.x1() + piece.x2() : piece.y1() + piece.y2();
            sum += vote;
            leans += vote * piece.leans();
            places += vote * place;
            leansSquared += vote * piece.leans() * piece.leans();
            placesSquared += vote * place * place;
            products += vote * place * piece.leans();
        }
        double spread = leansSquared / sum - leans * leans / sum / sum;
        double placed = placesSquared / sum - places * places / sum / sum;
        double together = products / sum - leans * places / sum / sum;
        return spread > FAN_SPREAD * FAN_SPREAD
                && placed > 0
                && together * together > FAN_TOGETHER * FAN_TOGETHER * spread * placed;
    }

    /** By the square of its length, and by the root of its contrast: one horizon outweighs many ripples. */
    private static double vote(Segment piece) {
        return piece.length() * piece.length() * Math.sqrt(piece.contrast());
    }

    private static double mostVoted(List<Segment> pieces) {
        double best = 0;
        double most = -1;
        for (double lean = -LevelFinder.FARTHEST; lean <= LevelFinder.FARTHEST; lean += STEP) {
            double votes = 0;
            for (Segment piece : pieces) {
                double off = (piece.leans() - lean) / SPREAD;
                if (Math.abs(off) < 4) {
                    votes += vote(piece) * Math.exp(-off * off / 2);
                }
            }
            if (votes > most) {
                most = votes;
                best = lean;
            }
        }
        return best;
    }
}
