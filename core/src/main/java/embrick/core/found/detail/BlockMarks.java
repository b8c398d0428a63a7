package embrick.core.found.detail;

import embrick.core.lanes.Lanes;
import java.util.Arrays;
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
    /** The last column, or row, that has a neighbour before it and two after it. */
    private static final int LAST = Patch.SIDE - 3;

    private final Lanes lanes = Lanes.best();
    private final float[] steps = new float[Patch.SIDE + Lanes.SLACK];
    private final float[] counted = new float[Patch.SIDE + Lanes.SLACK];
    /** Over all patches, by where in a block of JPEG they would lie. */
    private final double[] sums = new double[BLOCK];

    private final double[] counts = new double[BLOCK];

    private BlockMarks() {}

    /** @return in counts of 255, the larger of across and down; empty without patches */
    static OptionalDouble of(List<Patch> patches) {
        if (patches.isEmpty()) {
            return OptionalDouble.empty();
        }
        BlockMarks across = new BlockMarks();
        BlockMarks down = new BlockMarks();
        for (Patch patch : patches) {
            across.addColumns(patch.luminance());
            down.addRows(patch.luminance());
        }
        return OptionalDouble.of(Math.max(across.most(), down.most()));
    }

    /** Steps from one column to the next, column by column. */
    private void addColumns(float[] luminance) {
        clear();
        for (int y = 0; y < Patch.SIDE; y++) {
            lanes.addSteps(luminance, y * Patch.SIDE + 1, 1, MOST_STEP, steps, counted, LAST);
        }
        for (int x = 0; x < LAST; x++) {
            add((x + 1) % BLOCK, x);
        }
    }

    /** Steps from one row to the next, row by row. */
    private void addRows(float[] luminance) {
        for (int y = 1; y <= LAST; y++) {
            clear();
            lanes.addSteps(luminance, y * Patch.SIDE, Patch.SIDE, MOST_STEP, steps, counted, Patch.SIDE);
            for (int x = 0; x < Patch.SIDE; x++) {
                add(y % BLOCK, x);
            }
        }
    }

    private void clear() {
        Arrays.fill(steps, 0);
        Arrays.fill(counted, 0);
    }

    private void add(int border, int from) {
        sums[border] += steps[from];
        counts[border] += counted[from];
    }

    private double most() {
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
}
