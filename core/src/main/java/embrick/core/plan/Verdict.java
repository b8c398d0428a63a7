package embrick.core.plan;

import embrick.core.ticket.ViewingDistance;

/** The ppi that a picture is worth judged for the viewing distance. Embrick's rule; the needs behind it are common practice, no source. */
public enum Verdict {
    FINE,
    SOFT,
    POOR;

    private static final double FINE_FROM = 0.75;
    private static final double SOFT_FROM = 0.4;

    /** The least ppi that is fine. */
    public static double finePpi(ViewingDistance viewing) {
        return FINE_FROM * viewing.ppiNeeded();
    }

    /** Fine from 0.75 of the ppi needed, soft from 0.4, poor below. */
    public static Verdict of(double ppi, ViewingDistance viewing) {
        double share = ppi / viewing.ppiNeeded();
        if (share >= FINE_FROM) {
            return FINE;
        }
        return share >= SOFT_FROM ? SOFT : POOR;
    }
}
