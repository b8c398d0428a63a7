package embrick.core.plan;

import embrick.core.ticket.ViewingDistance;

/** The real ppi judged for the viewing distance. Embrick's rule; the needs behind it are common practice, no source. */
public enum Verdict {
    FINE,
    SOFT,
    POOR;

    private static final double FINE_FROM = 0.75;
    private static final double SOFT_FROM = 0.4;

    /** The least real ppi that is fine. */
    public static double finePpi(ViewingDistance viewing) {
        return FINE_FROM * viewing.ppiNeeded();
    }

    /** Fine from 0.75 of the ppi needed, soft from 0.4, poor below. */
    public static Verdict of(double realPpi, ViewingDistance viewing) {
        double share = realPpi / viewing.ppiNeeded();
        if (share >= FINE_FROM) {
            return FINE;
        }
        return share >= SOFT_FROM ? SOFT : POOR;
    }
}
