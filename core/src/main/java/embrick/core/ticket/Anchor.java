package embrick.core.ticket;

/** Which side or corner of the picture stands at the same of the sheet. */
public enum Anchor {
    TOP_LEFT(0, 0),
    TOP(0.5, 0),
    TOP_RIGHT(1, 0),
    LEFT(0, 0.5),
    MIDDLE(0.5, 0.5),
    RIGHT(1, 0.5),
    BOTTOM_LEFT(0, 1),
    BOTTOM(0.5, 1),
    BOTTOM_RIGHT(1, 1);

    private final double x;
    private final double y;

    Anchor(double x, double y) {
        this.x = x;
        this.y = y;
    }

    /** Share of the sheet's width, and of the picture's. */
    public double x() {
        return x;
    }

    /** As {@link #x}, downwards. */
    public double y() {
        return y;
    }
}
