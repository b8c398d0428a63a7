package embrick.core.found.detail;

import java.util.List;
import java.util.OptionalDouble;

/**
 * What JPEG's blocks left: neighbours across the border of two blocks differ by more than the pixels on either side lead one to
 * expect, and by more than neighbours inside a block do.
 *
 * <p>Where the borders lie is found, so that a picture that was cut after it was coded tells them too.
 */
final class BlockMarks {
    private static final int BLOCK = 8;
    /** Steps higher than this are the picture's own edges. */
    private static final float MOST_STEP = 12f / 255;

    private BlockMarks() {}

    /** @return in counts of 255, the larger of across and down; empty without patches */
    static OptionalDouble of(List<Patch> patches) {
        if (patches.isEmpty()) {
            return OptionalDouble.empty();
        }
        return OptionalDouble.of(Math.max(along(patches, 1, Patch.SIDE), along(patches, Patch.SIDE, 1)));
    }

    /** @param next from a pixel to its neighbour across the borders */
    private static double along(List<Patch> patches, int next, int beside) {
        double[] sums = new double[BLOCK];
        long[] counts = new long[BLOCK];
        for (Patch patch : patches) {
            for (int i = 1; i < Patch.SIDE - 2; i++) {
                for (int j = 0; j < Patch.SIDE; j++) {
                    double step = step(patch.luminance(), i * next + j * beside, next);
                    if (step < MOST_STEP) {
                        sums[i % BLOCK] += step;
                        counts[i % BLOCK]++;
                    }
                }
            }
        }
        double most = 0;
        for (int border = 0; border < BLOCK; border++) {
            // Inside: the three steps that lie farthest from the border.
            double inside = 0;
            for (int away = 3; away <= 5; away++) {
                int at = (border + away) % BLOCK;
                inside += sums[at] / Math.max(1, counts[at]) / 3;
            }
            most = Math.max(most, sums[border] / Math.max(1, counts[border]) - inside);
        }
        return most * 255;
    }

    /** How much more a pixel and the next differ than half of what each differs from its other neighbour. */
    private static double step(float[] luminance, int at, int next) {
        float between = luminance[at + next] - luminance[at];
        float before = luminance[at] - luminance[at - next];
        float after = luminance[at + 2 * next] - luminance[at + next];
        return Math.abs(between - (before + after) / 2);
    }
}
