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

    public int ppiNeeded() {
        return ppiNeeded;
    }

    public double metres() {
        return metres;
    }
}
