package embrick.core.ticket;

/** The sheet's direction. */
public enum Turn {
    /** Wide for wide pictures, upright for all others. */
    SUIT,
    UPRIGHT,
    WIDE
}
