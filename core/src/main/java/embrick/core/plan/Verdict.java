package embrick.core.plan;

import embrick.core.ticket.ViewingDistance;
import java.util.Optional;

/**
 * The ppi that a picture is worth judged for the viewing distance. Embrick's rule; the needs behind it are common practice, no
 * source.
 */
public enum Verdict {
    FINE,
    SOFT,
    POOR;

    private static final double FINE_FROM = 0.75;
    private static final double SOFT_FROM = 0.4;

    /**
     * Photographs as cameras give them hold detail up to about this share of their pixels per inch, since filters before the
     * sensor and colours put together from neighbours blur them, and for such the ppi needed are meant. Common practice, no source.
     */
    private static final double USUALLY_HELD = 0.8;

    /**
     * The real ppi at which a usual photograph would hold as much: more than its own for a crisp picture, less for a blurred one.
     *
     * @param heldPpi up to which this one holds detail, where that was measured; else it is taken for a usual one
     */
    public static double worthPpi(double realPpi, Optional<Double> heldPpi) {
        return heldPpi.map(held -> held / USUALLY_HELD).orElse(realPpi);
    }

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
