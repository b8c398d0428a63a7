package embrick.core.ticket;

/** How a piece's colours become whole counts of 8 bits. */
public enum Rounding {
    /** To the nearest. */
    NEAREST,
    /** To one of the two nearest, by a hash of the place, more often to the nearer: slow ramps show no steps. */
    DITHERED
}
