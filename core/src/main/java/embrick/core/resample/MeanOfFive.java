package embrick.core.resample;

import embrick.core.lanes.Lanes;

/**
 * Means of five by five values, from rows that come one after the other: of each row the sums of five beside each other are kept until
 * four more rows have come. At the rim, where they would reach beyond the row, means mean nothing.
 */
final class MeanOfFive {
    /** Values to each side. */
    static final int RADIUS = 2;

    private static final int SIDE = 2 * RADIUS + 1;
    private static final int[] BESIDE = {0, 1, 2, 3, 4};
    private static final float[] ONE_EACH = {1, 1, 1, 1, 1};
    private static final float[] SHARE_EACH = {0.04f, 0.04f, 0.04f, 0.04f, 0.04f};

    private final Lanes lanes = Lanes.best();
    private final int whole;
    private final int apart;
    private final float[] sums;
    private final int[] starts = new int[SIDE];

    MeanOfFive(int columns) {
        this.whole = Math.ceilDiv(columns, Lanes.SLACK) * Lanes.SLACK;
        this.apart = rowLength(columns);
        this.sums = new float[SIDE * apart];
    }

    /** Of the arrays that rows are given and taken in: beyond the row they may be read and written. */
    static int rowLength(int columns) {
        return Math.ceilDiv(columns, Lanes.SLACK) * Lanes.SLACK + Lanes.SLACK;
    }

    /** Takes the row y, the one after the last. */
    void take(float[] row, int y) {
        lanes.mixRows(row, BESIDE, ONE_EACH, 0, SIDE, sums, y % SIDE * apart + RADIUS, whole);
    }

    /** The means round the row y, once the row y + {@link #RADIUS} was taken. */
    void mean(int y, float[] into) {
        for (int t = 0; t < SIDE; t++) {
            starts[t] = (y - RADIUS + t) % SIDE * apart;
        }
        lanes.mixRows(sums, starts, SHARE_EACH, 0, SIDE, into, 0, whole);
    }
}
