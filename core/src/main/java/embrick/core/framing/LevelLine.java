package embrick.core.framing;

/** A line drawn along what should be level or upright. */
public final class LevelLine {
    private LevelLine() {}

    /**
     * The tilt that brings a line level or upright, whichever is nearer; at 45° exactly, level.
     *
     * @param across from one end to the other in the picture as it is seen untilted, y downwards; any unit
     * @return degrees clockwise, −45 to 45
     * @throws IllegalArgumentException if the ends are one
     */
    public static double tilt(double across, double down) {
        if (!(Math.hypot(across, down) > 0) || Double.isInfinite(across) || Double.isInfinite(down)) {
            throw new IllegalArgumentException("level line: expected two ends apart, got " + across + ", " + down);
        }
        double slope = Math.toDegrees(Math.atan2(down, across));
        double toNearest = slope - 90 * Math.rint(slope / 90);
        return -toNearest;
    }
}
