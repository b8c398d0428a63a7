package embrick.core.found.level;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;

/**
 * Straight pieces of contours, near level or upright.
 *
 * <p>From the steepest slopes on, neighbours whose slopes point the same way are gathered; what was gathered is a piece if it is
 * long and thin (after R. Grompone von Gioi and others, "LSD", IPOL 2012, without its measure of chance: short pieces are left out by their
 * length instead).
 */
final class Segments {
    /** Fainter slopes are grain, of the range to a pixel. */
    private static final float FAINTEST = 0.008f;
    /** Directions within 14° are the same: the least cosine between them. */
    private static final float SAME = (float) Math.cos(Math.toRadians(14));
    /** Farther from level and upright nothing is gathered. */
    private static final double NEAR_AXIS = Math.toRadians(22);
    /** Shorter is no line, as a share of the short side. */
    private static final double SHORTEST = 0.05;
    /** A piece is no thicker than this about its middle line, in pixels. */
    private static final double THICKEST = 1.3;

    private static final int LEVELS = 256;

    private final Slopes slopes;
    private final int width;
    private final float[] strength;
    /** The slope's direction, of length 1. */
    private final float[] toRight;

    private final float[] downwards;
    private final boolean[] isTaken;
    private final int[] gathered;

    private Segments(Slopes slopes) {
        this.slopes = slopes;
        width = slopes.width();
        strength = new float[width * slopes.height()];
        toRight = new float[strength.length];
        downwards = new float[strength.length];
        isTaken = new boolean[strength.length];
        gathered = new int[strength.length];
        for (int i = 0; i < strength.length; i++) {
            float across = slopes.across()[i];
            float down = slopes.down()[i];
            float squared = across * across + down * down;
            if (squared > FAINTEST * FAINTEST && nearAxis(Math.abs(across), Math.abs(down))) {
                float steep = (float) Math.sqrt(squared);
                strength[i] = steep;
                toRight[i] = across / steep;
                downwards[i] = down / steep;
            } else {
                isTaken[i] = true;
            }
        }
    }

    private static final double TANGENT = Math.tan(NEAR_AXIS);

    private static boolean nearAxis(float across, float down) {
        return Math.min(across, down) < TANGENT * Math.max(across, down);
    }

    static List<Segment> in(float[] tones, int width, int height) {
        return new Segments(Slopes.of(tones, width, height)).all();
    }

    private List<Segment> all() {
        double shortest = SHORTEST * Math.min(width, slopes.height());
        List<Segment> found = new ArrayList<>();
        for (int seed : fromTheSteepest()) {
            if (!isTaken[seed]) {
                int count = gather(seed);
                if (count >= shortest) {
                    Segment piece = fitted(count);
                    if (piece != null && piece.length() >= shortest) {
                        found.add(piece);
                    }
                }
            }
        }
        found.sort(Comparator.comparingDouble(Segment::length).reversed());
        return found;
    }

    /** Places in order of their slopes, by counting: their order within a level does not matter. */
    private int[] fromTheSteepest() {
        float steepest = 0;
        int open = 0;
        for (int i = 0; i < strength.length; i++) {
            steepest = Math.max(steepest, strength[i]);
            open += isTaken[i] ? 0 : 1;
        }
        int[] starts = new int[LEVELS + 1];
        for (int i = 0; i < strength.length; i++) {
            if (!isTaken[i]) {
                starts[level(strength[i], steepest) + 1]++;
            }
        }
        for (int level = 0; level < LEVELS; level++) {
            starts[level + 1] += starts[level];
        }
        int[] sorted = new int[open];
        for (int i = 0; i < strength.length; i++) {
            if (!isTaken[i]) {
                sorted[starts[level(strength[i], steepest)]++] = i;
            }
        }
        return sorted;
    }

    private static int level(float strength, float steepest) {
        return (int) ((LEVELS - 1) * (1 - strength / steepest));
    }

    private int gather(int seed) {
        int count = 1;
        gathered[0] = seed;
        isTaken[seed] = true;
        float sumRight = toRight[seed];
        float sumDown = downwards[seed];
        float same = SAME;
        for (int k = 0; k < count; k++) {
            int at = gathered[k];
            for (int dy = -width; dy <= width; dy += width) {
                for (int next = at + dy - 1; next <= at + dy + 1; next++) {
                    if (next >= 0
                            && next < isTaken.length
                            && !isTaken[next]
                            && sumRight * toRight[next] + sumDown * downwards[next] > same) {
                        isTaken[next] = true;
                        gathered[count++] = next;
                        sumRight += toRight[next];
                        sumDown += downwards[next];
                        same = SAME * (float) Math.sqrt(sumRight * sumRight + sumDown * sumDown);
                    }
                }
            }
        }
        return count;
    }

    /** The main axis of what was gathered, weighed by its slopes; null where it is no thin line. */
    private Segment fitted(int count) {
        double sum = 0;
        double sumX = 0;
        double sumY = 0;
        for (int k = 0; k < count; k++) {
            double weight = strength[gathered[k]];
            sum += weight;
            sumX += weight * (gathered[k] % width);
            sumY += weight * (gathered[k] / width);
        }
        double middleX = sumX / sum;
        double middleY = sumY / sum;
        double xx = 0;
        double xy = 0;
        double yy = 0;
        for (int k = 0; k < count; k++) {
            double weight = strength[gathered[k]];
            double dx = gathered[k] % width - middleX;
            double dy = gathered[k] / width - middleY;
            xx += weight * dx * dx;
            xy += weight * dx * dy;
            yy += weight * dy * dy;
        }
        double direction = 0.5 * Math.atan2(2 * xy, xx - yy);
        double thick = (xx + yy - Math.hypot(xx - yy, 2 * xy)) / 2 / sum;
        if (Math.sqrt(thick) > THICKEST) {
            return null;
        }
        double cos = Math.cos(direction);
        double sin = Math.sin(direction);
        double low = 0;
        double high = 0;
        for (int k = 0; k < count; k++) {
            double along = (gathered[k] % width - middleX) * cos + (gathered[k] / width - middleY) * sin;
            low = Math.min(low, along);
            high = Math.max(high, along);
        }
        double degrees = Math.toDegrees(direction);
        double leans = degrees - 90 * Math.rint(degrees / 90);
        return new Segment(
                middleX + 0.5 + low * cos,
                middleY + 0.5 + low * sin,
                middleX + 0.5 + high * cos,
                middleY + 0.5 + high * sin,
                leans,
                Math.abs(degrees) > 45,
                sum / count);
    }
}
