package embrick.formats.png;

/**
 * PNG's five row filters (ISO/IEC 15948, clause 9), the one chosen whose differences have the least sum, as its clause 12.8
 * advises.
 */
final class RowFilter {
    static final int NONE = 0;
    private static final int LEFT = 1;
    private static final int UP = 2;
    private static final int MEAN = 3;
    private static final int PAETH = 4;
    private static final int FILTERS = 5;

    private final int rowLength;
    private final int step;
    private final byte[][] tried;

    /** @param step bytes from one pixel to the next */
    RowFilter(int rowLength, int step) {
        this.rowLength = rowLength;
        this.step = step;
        this.tried = new byte[FILTERS][rowLength];
    }

    /**
     * Filters a row of {@code samples}, which begins at {@code at}.
     *
     * @param hasAbove whether the row above lies before it and may be used
     * @param into gets the filter's number and the filtered row from {@code to}
     */
    void apply(byte[] samples, int at, boolean hasAbove, byte[] into, int to) {
        int best = NONE;
        long least = Long.MAX_VALUE;
        for (int filter = NONE; filter < (hasAbove ? FILTERS : UP); filter++) {
            filter(filter, samples, at, tried[filter]);
            long sum = sum(tried[filter]);
            if (sum < least) {
                least = sum;
                best = filter;
            }
        }
        into[to] = (byte) best;
        System.arraycopy(tried[best], 0, into, to + 1, rowLength);
    }

    /** Each filter has a loop of its own: it is the writer's hottest code after packing. */
    private void filter(int filter, byte[] samples, int at, byte[] out) {
        switch (filter) {
            case NONE -> System.arraycopy(samples, at, out, 0, rowLength);
            case LEFT -> left(samples, at, out);
            case UP -> up(samples, at, out);
            case MEAN -> mean(samples, at, out);
            case PAETH -> paeth(samples, at, out);
            default -> throw new IllegalArgumentException("filter: expected 0 to 4, got " + filter);
        }
    }

    private void left(byte[] samples, int at, byte[] out) {
        System.arraycopy(samples, at, out, 0, Math.min(step, rowLength));
        for (int i = step; i < rowLength; i++) {
            out[i] = (byte) (samples[at + i] - samples[at + i - step]);
        }
    }

    private void up(byte[] samples, int at, byte[] out) {
        int above = at - rowLength;
        for (int i = 0; i < rowLength; i++) {
            out[i] = (byte) (samples[at + i] - samples[above + i]);
        }
    }

    private void mean(byte[] samples, int at, byte[] out) {
        int above = at - rowLength;
        for (int i = 0; i < Math.min(step, rowLength); i++) {
            out[i] = (byte) (samples[at + i] - ((samples[above + i] & 0xff) >> 1));
        }
        for (int i = step; i < rowLength; i++) {
            int left = samples[at + i - step] & 0xff;
            out[i] = (byte) (samples[at + i] - ((left + (samples[above + i] & 0xff)) >> 1));
        }
    }

    private void paeth(byte[] samples, int at, byte[] out) {
        int above = at - rowLength;
        for (int i = 0; i < Math.min(step, rowLength); i++) {
            out[i] = (byte) (samples[at + i] - samples[above + i]);
        }
        for (int i = step; i < rowLength; i++) {
            int left = samples[at + i - step] & 0xff;
            int up = samples[above + i] & 0xff;
            int upLeft = samples[above + i - step] & 0xff;
            out[i] = (byte) (samples[at + i] - nearest(left, up, upLeft));
        }
    }

    /** The one of three neighbours that is nearest to their straight continuation (clause 9.4). */
    static int nearest(int left, int up, int upLeft) {
        int byLeft = Math.abs(up - upLeft);
        int byUp = Math.abs(left - upLeft);
        int byUpLeft = Math.abs(left + up - 2 * upLeft);
        int ofTwo = byLeft <= byUp ? left : up;
        return Math.min(byLeft, byUp) <= byUpLeft ? ofTwo : upLeft;
    }

    private static long sum(byte[] row) {
        int sum = 0;
        for (byte difference : row) {
            sum += Math.abs(difference);
        }
        return sum;
    }
}
