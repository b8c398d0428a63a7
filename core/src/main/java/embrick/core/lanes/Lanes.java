package embrick.core.lanes;

/**
 * The loops that most time is spent in, by what they are for. Implementations keep no state and are safe for several threads.
 */
public interface Lanes extends MixingLanes, CountLanes, TableLanes, PixelLanes, PlaneLanes, BoundLanes, SlopeLanes {
    /** Taps are handled this many at a time: counts are multiples of it, spare weights 0. */
    int TAPS_TOGETHER = 4;
    /** Arrays that are read must reach this many floats beyond the last that counts; they may hold any finite value. */
    int SLACK = 64;

    /** Widths of blocks with a weight for each pixel are multiples of it: the most lanes of any register. */
    int BLOCK = 16;

    /** The count of taps rounded up to whole groups. */
    static int padded(int taps) {
        return Math.ceilDiv(taps, TAPS_TOGETHER) * TAPS_TOGETHER;
    }

    /** Vector code where this process has been given it, else plain. {@code -Dembrick.vectors=off} asks for plain. */
    static Lanes best() {
        return BestLanes.BEST;
    }
}
