package embrick.core.ticket;

/** From how far a print is looked at, with the ppi it then needs. Common practice, no source. */
public enum ViewingDistance {
    HAND(300, 0.3),
    /** About 60 cm. */
    TABLE(150, 0.6),
    /** About 1 m. */
    WALL(100, 1),
    /** About 3 m. */
    BANNER(30, 3);

    private final int ppiNeeded;
    private final double metres;

    ViewingDistance(int ppiNeeded, double metres) {
        this.ppiNeeded = ppiNeeded;
        this.metres = metres;
    }

    /**
     * Pixels an inch that an eye of 20/20 acuity just tells apart at a distance: one minute of arc each (Snellen).
     *
     * @param metres above 0
     */
    public static double eyePpi(double metres) {
        return 0.0254 / (metres * Math.tan(Math.toRadians(1 / 60.0)));
    }

    public int ppiNeeded() {
        return ppiNeeded;
    }

    public double metres() {
        return metres;
    }
}
