package embrick.core.sharpen;

/**
 * How far sharpened contours overshoot.
 *
 * @param percent the overshoot that 95 of 100 contours stay under, in per cent of their own contrast
 * @param contours places that were measured
 */
public record Halo(double percent, long contours) {
    /** Above this, overshoot is seen as a rim of its own. Embrick's rule; common practice, no source. */
    public static final double NOTICED_FROM = 25;

    public boolean isNoticed() {
        return percent > NOTICED_FROM;
    }
}
