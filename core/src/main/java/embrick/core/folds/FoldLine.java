package embrick.core.folds;

import java.util.ArrayList;
import java.util.List;

/**
 * One side of a sheet on a {@link FrameGrid}, in cells.
 *
 * @param at where it lies across
 * @param from where it begins along, {@code end} where it ends
 * @param outwards how far beyond it is looked, {@code inwards} how far inside
 */
record FoldLine(Side side, double at, double from, double end, double outwards, double inwards) {
    /** Less of a line is a speck, or a horizon that has to go through: people mind what lies along it. */
    private static final double LEAST_SHARE = 0.015;

    private static final int LEAST_CELLS = 3;
    /** Share of strong detail from which on a picture is full of it, and how much denser than that a place must be. */
    private static final double DENSE = 0.04;

    private static final double DENSE_SHARE = 0.04;
    private static final double STANDS_OUT = 1.8;
    /** Detail parted by no more than this belongs together. */
    private static final int GAP = 3;

    /** A piece of the line beside which there is strong detail, in cells along it. */
    record Stretch(int from, int end) {
        int length() {
            return end - from;
        }
    }

    private int low() {
        boolean isFirst = side == Side.LEFT || side == Side.TOP;
        return (int) Math.floor(at - (isFirst ? outwards : inwards));
    }

    private int high() {
        boolean isFirst = side == Side.LEFT || side == Side.TOP;
        return (int) Math.ceil(at + (isFirst ? inwards : outwards));
    }

    private int strong(FrameGrid grid, int along, int low, int high) {
        return side.isUpright() ? grid.inRow(along, low, high) : grid.inColumn(along, low, high);
    }

    private double least() {
        return Math.max(LEAST_CELLS, LEAST_SHARE * (end - from));
    }

    boolean isClear(FrameGrid grid) {
        return stretches(grid, true).isEmpty();
    }

    List<Stretch> stretches(FrameGrid grid) {
        return stretches(grid, false);
    }

    private List<Stretch> stretches(FrameGrid grid, boolean firstOnly) {
        List<Stretch> found = new ArrayList<>();
        int low = low();
        int high = high();
        int begun = -1;
        int last = -1;
        int stop = (int) Math.floor(end);
        for (int along = (int) Math.ceil(from); along <= stop; along++) {
            boolean any = along < stop && strong(grid, along, low, high) > 0;
            if (any) {
                begun = begun < 0 ? along : begun;
                last = along;
            } else if (begun >= 0 && (along - last > GAP || along == stop)) {
                Stretch stretch = new Stretch(begun, last + 1);
                if (stretch.length() >= least() && standsOut(grid, stretch, low, high)) {
                    found.add(stretch);
                    if (firstOnly) {
                        return found;
                    }
                }
                begun = -1;
            }
        }
        return found;
    }

    /** In a picture full of strong detail only what is denser than its own counts: of gravel, not every stone. */
    private boolean standsOut(FrameGrid grid, Stretch stretch, int low, int high) {
        if (grid.density() <= DENSE) {
            return true;
        }
        // A few cells are dense by chance.
        if (stretch.length() < DENSE_SHARE * (end - from)) {
            return false;
        }
        int strong = 0;
        for (int along = stretch.from(); along < stretch.end(); along++) {
            strong += strong(grid, along, low, high);
        }
        return strong >= STANDS_OUT * grid.density() * stretch.length() * (high - low);
    }

    /** Cells from the line to the nearest strong detail beside a stretch, whichever way that runs; 0 on it. */
    double nearest(FrameGrid grid, Stretch stretch) {
        double nearest = Math.max(outwards, inwards);
        for (int along = stretch.from(); along < stretch.end(); along++) {
            for (int across = low(); across < high(); across++) {
                if (side.isUpright() ? grid.isStrong(across, along) : grid.isStrong(along, across)) {
                    // A cell is half a cell large to either side.
                    nearest = Math.min(nearest, Math.max(0, Math.abs(across + 0.5 - at) - 0.5));
                }
            }
        }
        return nearest;
    }
}
